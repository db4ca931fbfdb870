import { useState } from 'react';
import type { ReactNode } from 'react';
import { fieldsOf, mergeEdits } from '../../../core/library/index.ts';
import type { Body } from '../../../core/library/index.ts';
import { Button } from '../../ui/index.ts';
import { SideBySide } from './side-by-side.tsx';

interface Props {
  title: string;
  words: { mine: string; theirs: string; together: string };
  /** What both started from; null where the document was new for both. */
  base: Body | null;
  mine: Body;
  theirs: Body;
  onTogether: (body: Body) => void;
  /** Other ways out, beside the main one. */
  more: ReactNode;
}

/** Two edits of one document put together word by word; what both changed in one place is chosen. */
export function PutTogether({ title, words, base, mine, theirs, onTogether, more }: Props) {
  const { body, conflicts } = mergeEdits(
    base ?? ({ kind: mine.kind, slug: mine.slug } as Body),
    mine,
    theirs,
  );
  const [take, setTake] = useState<ReadonlyMap<string, 'mine' | 'theirs'>>(new Map());
  const chosen = { ...body } as unknown as Record<string, unknown>;
  for (const [key, whose] of take) {
    const value = (whose === 'mine' ? mine : (theirs as unknown as Record<string, unknown>))[
      key as keyof Body
    ];
    if (value === undefined) delete chosen[key];
    else chosen[key] = value;
  }
  const label = (key: string) => fieldsOf(mine.kind)[key]?.label ?? key;
  const open = conflicts.filter((key) => !take.has(key));
  return (
    <section className="my-4 border-2 border-warn p-4" role="alert">
      <h2>{title}</h2>
      <p>
        Both are put together, in lists item by item, in texts word by word.{' '}
        {conflicts.length === 0
          ? 'Nothing was changed by both in one place.'
          : `Changed by both: ${conflicts.map(label).join(', ')}. Choose for each; nothing is lost.`}
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
              {words[whose]}
            </label>
          ))}
        </fieldset>
      ))}
      <SideBySide before={theirs} after={mine} titles={[words.theirs, words.mine]} />
      {open.length === 0 && (
        <>
          <h3 className="mt-3">{words.mine}, and what becomes of it</h3>
          <SideBySide before={mine} after={chosen as unknown as Body} titles={[words.mine, 'Put together']} />
        </>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button tone="main" disabled={open.length > 0} onClick={() => onTogether(chosen as unknown as Body)}>
          {words.together}
        </Button>
        {more}
      </div>
      {open.length > 0 && (
        <p className="mt-1 text-sm text-soft">Still to choose: {open.map(label).join(', ')}.</p>
      )}
    </section>
  );
}
