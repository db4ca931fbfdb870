import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Ladder } from '../../core/library/index.ts';
import { Evidence } from '../people/index.ts';
import { PersonSelect, Said, send, usePeople, useSigned } from '../shell/index.ts';
import { day, Notice, OutcomeWord, useRested } from '../ui/index.ts';

/** What the ladder as it is written now would say about somebody's log: at once, and nothing is kept. */
export function TryOn({ ladder, level }: { ladder: Ladder; level: string }) {
  const { hall } = useSigned();
  const { people } = usePeople();
  const [personId, setPersonId] = useState<string | null>(null);
  const rested = useRested(ladder, 350);
  const asked = { ladder: rested, personId: personId ?? '', level };
  const result = useQuery({
    queryKey: ['tryLadder', { person: personId }, level, rested],
    queryFn: () => send('tryLadder', {}, asked),
    enabled: personId !== null,
    placeholderData: (before) => before,
    staleTime: 60_000,
  });
  const mine = people.filter((p) => !p.covered);
  const { data } = result;
  return (
    <section aria-label="Try it on a log" className="border-y border-ink py-3">
      <div className="flex flex-wrap items-end gap-4">
        <PersonSelect
          label="Try it on the log of"
          people={mine}
          value={personId}
          onPick={setPersonId}
          none="choose a person …"
          className="w-64"
        />
        {data?.decision && <OutcomeWord outcome={data.decision.outcome} />}
        {data && (
          <span className="text-sm text-soft">
            {data.standsHere
              ? `Stands here since ${day(data.since ?? hall.today, hall.today)}.`
              : data.since
                ? `Does not stand here: as if since ${day(data.since, hall.today)}.`
                : 'Has logged nothing of this level in twelve weeks.'}
          </span>
        )}
      </div>
      {result.error && <Notice tone="warn">{result.error.message}</Notice>}
      {data?.failure && <Notice tone="warn">{data.failure}</Notice>}
      {data?.decision && (
        <div className={`mt-2 grid gap-3 ${result.isFetching ? 'opacity-60' : ''}`}>
          <p>
            <Said of={data.decision.reasons.map((r) => r.text).join(' ')} />
          </p>
          <Evidence judged={data.decision.advance} today={hall.today} wanted />
          <Evidence judged={data.decision.stepBack} today={hall.today} wanted={false} />
        </div>
      )}
    </section>
  );
}
