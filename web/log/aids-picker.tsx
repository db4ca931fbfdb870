import { AID_WORDS, AIDS, isAid } from '../../core/terms/index.ts';
import type { Aid } from '../../core/terms/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { aidsOf } from '../../core/ladder/index.ts';
import { aidUsed } from '../../core/criterion/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { Choice } from './floor-controls.tsx';

/** What has a setting that is worth keeping: bands, supports, and equipment that comes in sizes. */
function settingsOf({ source, equipmentAll, equipmentAny }: ResolvedVariation): string[] {
  const sized = [...equipmentAll, ...equipmentAny.flat()].filter((n) => n.equipment.sizes.length > 0);
  return [
    ...(source.loadKind === 'band' ? ['Band'] : []),
    ...(source.support === 'none' ? [] : [`Support: ${source.support}`]),
    ...sized.map((n) => n.equipment.name),
  ];
}

interface Props {
  variation: ResolvedVariation;
  value: LoggedSet['aids'];
  onChange: (value: LoggedSet['aids']) => void;
}

/** Help that is to fade, as a few steps, and settings as words; nothing noted is not known. */
export function AidsPicker({ variation, value, onChange }: Props) {
  const list = value ?? [];
  const put = (name: string, setting: string) => {
    const others = list.filter((a) => a.name !== name);
    const next = setting === '' ? others : [...others, { name, setting }];
    onChange(next.length > 0 || AIDS.includes(name as Aid) ? next : null);
  };
  const settings = settingsOf(variation);
  const kept = list.filter((a) => !isAid(a.name) && !settings.includes(a.name));
  return (
    <>
      {AIDS.filter((a) => aidsOf(variation.source).includes(a) || list.some((x) => x.name === a)).map(
        (aid) => {
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
        },
      )}
      {[...settings, ...kept.map((a) => a.name)].map((name) => (
        <label key={name} className="block">
          <span className="label">{name} used (setting)</span>
          <input
            className="field mt-1 min-h-14 text-lg"
            value={list.find((a) => a.name === name)?.setting ?? ''}
            onChange={(e) => put(name, e.target.value)}
          />
        </label>
      ))}
    </>
  );
}
