import { useState } from 'react';
import { fieldsOf, mergeEdits } from '../../../core/library/index.ts';
import type { Body } from '../../../core/library/index.ts';
import { Button } from '../../ui/index.ts';
import { SideBySide } from './side-by-side.tsx';

interface Props {
  /** What both started from; null where the document was new for both. */
  base: Body | null;
  mine: Body;
  theirs: Body;
  onTogether: (body: Body) => void;
  onTheirs: () => void;
}

/** Somebody else was quicker: both edits are put together, and what both changed is chosen by the one who saves. */
export function PutTogether({ base, mine, theirs, onTogether, onTheirs }: Props) {
  const { body, conflicts } = mergeEdits(
    base ?? ({ kind: mine.kind, slug: mine.slug } as Body),
    mine,
    theirs,
  );
  const [take, setTake] = useState<ReadonlyMap<string, 'mine' | 'theirs'>>(new Map());
  const chosen = { ...body } as unknown as Record<string, unknown>;
  for (const [key, whose] of take) {
    chosen[key] = (whose === 'mine' ? mine : (theirs as unknown as Record<string, unknown>))[
      key as keyof Body
    ];
  }
  const label = (key: string) => fieldsOf(mine.kind)[key]?.label ?? key;
  const open = conflicts.filter((key) => !take.has(key));
  return (
    <section className="my-4 border-2 border-warn p-4" role="alert">
      <h2>Somebody changed this meanwhile</h2>
      <p>
        Both edits are put together, field by field.{' '}
        {conflicts.length === 0
          ? 'No field was changed by both.'
          : `Changed by both: ${conflicts.map(label).join(', ')}. Choose for each; nothing of yours is lost, it stays in your draft.`}
      </p>
      {conflicts.map((key) => (
        <fieldset key={key} className="mt-2 flex flex-wrap items-center gap-x-4">
          <legend className="label">{label(key)}</legend>
          {(['mine', 'theirs'] as const).map((whose) => (
            <label key={whose} className="flex min-h-9 items-center gap-1.5">
              <input
                type="radio"
                name={key}
                checked={take.get(key) === whose}
                onChange={() => setTake(new Map(take).set(key, whose))}
              />
              {whose === 'mine' ? 'Yours' : 'Theirs, in force now'}
            </label>
          ))}
        </fieldset>
      ))}
      <SideBySide before={theirs} after={mine} titles={['In force now', 'Yours']} />
      <div className="mt-3 flex flex-wrap gap-2">
        <Button tone="main" disabled={open.length > 0} onClick={() => onTogether(chosen as unknown as Body)}>
          Go on with both together
        </Button>
        <Button onClick={onTheirs}>Start again from what is in force</Button>
      </div>
      {open.length > 0 && (
        <p className="mt-1 text-sm text-soft">Still to choose: {open.map(label).join(', ')}.</p>
      )}
    </section>
  );
}
