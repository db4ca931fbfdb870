import { AID_WORDS, AIDS, isAid } from '../../core/terms/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { aidsOf } from '../../core/ladder/index.ts';
import { aidUsed } from '../../core/criterion/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { Choice } from './floor-controls.tsx';

interface Props {
  variation: ResolvedVariation;
  value: LoggedSet['aids'];
  onChange: (value: LoggedSet['aids']) => void;
  /** Also what the variation is not usually done with. */
  all?: boolean;
}

/** Help that is to fade, as a few steps; nothing noted is not known. What an older log says in words stays as it is. */
export function AidsPicker({ variation, value, onChange, all = false }: Props) {
  const list = value ?? [];
  const put = (name: string, setting: string) =>
    onChange([...list.filter((a) => a.name !== name), ...(setting === '' ? [] : [{ name, setting }])]);
  const usual = aidsOf(variation.source);
  return (
    <>
      {AIDS.filter((a) => all || usual.includes(a) || list.some((x) => x.name === a)).map((aid) => {
        const used = value === null ? null : aidUsed({ aids: value }, aid);
        const words = AID_WORDS[aid];
        return (
          <Choice
            key={aid}
            label={`${aid}: ${used === null ? 'not noted' : (words[used] ?? used)}`}
            options={words.slice(0, 5)}
            value={used === null ? null : (words[used] ?? null)}
            onPick={(word) => put(aid, String(words.indexOf(word)))}
          />
        );
      })}
      {list
        .filter((a) => !isAid(a.name))
        .map(({ name, setting }) => (
          <p key={name}>
            {name}: <b>{setting || 'noted'}</b>{' '}
            <button
              type="button"
              className="min-h-14 px-3 underline"
              aria-label={`Leave out ${name}`}
              onClick={() => put(name, '')}
            >
              leave out
            </button>
          </p>
        ))}
    </>
  );
}
