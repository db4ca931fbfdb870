import { factsOf, nextSet } from '../../core/ladder/index.ts';
import { Link } from 'react-router';
import { useState } from 'react';
import { PATTERNS } from '../../core/terms/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import { keepSet, startOf } from '../log/index.ts';
import { PersonSelect, useAddress, useAsk, useLibrary, usePeople, useSigned } from '../shell/index.ts';
import { Empty, Loaded, Notice, PatternWord, Segmented, SelectField } from '../ui/index.ts';
import { Desk } from './desk.tsx';
import { endedSet } from './ended-set.ts';

/** The faults desk on its own: whose fault, on which variation, then from the sign to the next right step. */
export function DeskPage() {
  const { params, set } = useAddress();
  const { me, hall } = useSigned();
  const { people, find } = usePeople();
  const { entries } = useLibrary();
  const who = params.get('person');
  const slug = params.get('of');
  const today = useAsk('today', who ? { people: [who] } : null);
  const knowledge = useAsk('desk', { people: who ? [who] : [] });
  const mine = today.data?.people[0];
  const line = mine?.lines.find((l) => l.variation === slug);
  const sheet = useAsk(
    'sheet',
    slug ? { slug, person: who ?? undefined, stage: who ? line?.stage : undefined } : null,
  );
  const [ended, setEnded] = useState<string | null>(null);
  const [round, setRound] = useState(0);
  const pattern = (params.get('pattern') ?? sheet.data?.resolved.source.pattern ?? 'squat') as Pattern;
  const person = find(who) ?? null;
  const variations = entries
    .filter((e) => e.kind === 'variation' && !e.retired && e.pattern === pattern)
    .sort((a, b) => a.title.localeCompare(b.title));
  return (
    <div className="mx-auto max-w-6xl">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Faults desk</h1>
          <p className="text-soft">Something looks, feels or sounds wrong: the next right step.</p>
        </div>
        <p className="flex flex-wrap gap-x-5">
          <Link to="/faults/rate" className="flex min-h-11 items-center">
            Rate as a second coach
          </Link>
          <Link to="/faults/eye" className="flex min-h-11 items-center">
            The coach’s eye
          </Link>
          {me.role === 'head coach' && (
            <Link to="/faults/report" className="flex min-h-11 items-center">
              What the cases say
            </Link>
          )}
        </p>
      </div>
      <div className="mb-4 flex flex-wrap items-end gap-3 border-y border-rule py-2">
        <PersonSelect
          label="Whose"
          className="w-56"
          people={people}
          value={who}
          onPick={(person) => set({ person, of: null })}
          none="nobody in particular"
        />
        {mine && mine.lines.some((l) => l.variation !== null) && (
          <Segmented
            label="Done today"
            floor
            options={mine.lines.filter((l) => l.variation !== null)}
            value={line ?? null}
            keyOf={(l) => l.ladder}
            onPick={(l) => set({ of: l.variation, pattern: l.pattern })}
          >
            {(l) => l.variationName}
          </Segmented>
        )}
        <Segmented
          label="Pattern"
          floor
          options={PATTERNS}
          value={pattern}
          onPick={(p) => set({ pattern: p, of: null })}
        >
          {(p) => <PatternWord pattern={p} />}
        </Segmented>
        <SelectField
          label="Variation"
          className="min-w-56 grow"
          value={slug ?? ''}
          onChange={(e) => set({ of: e.target.value || null, pattern })}
        >
          <option value="">choose what is done</option>
          {variations.map((v) => (
            <option key={v.slug} value={v.slug}>
              {v.title}
            </option>
          ))}
        </SelectField>
      </div>
      {ended && <Notice tone="warn">{ended}</Notice>}
      {slug === null ? (
        <Empty>Choose what is done. The signs are drawn on it, and the answers are for it.</Empty>
      ) : (
        <Loaded query={sheet} what="the faults of the variation">
          {({ resolved, revision }) => (
            <Loaded query={knowledge} what="what the hall knows">
              {(known) => (
                <Desk
                  key={`${who} ${slug} ${round}`}
                  variation={resolved}
                  revision={revision}
                  date={hall.today}
                  person={person}
                  knowledge={known}
                  below={line?.below ?? null}
                  signs={[]}
                  done={0}
                  onClose={() => setRound((r) => r + 1)}
                  onStop={(stopped, signs) => {
                    if (!stopped.ends) return;
                    setRound((r) => r + 1);
                    setEnded(
                      person
                        ? `Ended and recorded in the log of ${person.name}. Refer if it does not settle.`
                        : 'Ended. Nobody is chosen, so it is not recorded: log it where the athlete is.',
                    );
                    if (!person) return;
                    const next = nextSet(
                      line?.recent ?? [],
                      factsOf(resolved),
                      line?.plan ?? null,
                      hall.today,
                    );
                    keepSet(
                      {
                        personId: person.id,
                        date: hall.today,
                        ordinal: Math.max(0, ...(mine?.sets ?? []).map((s) => s.ordinal)) + 1,
                        source: resolved.source,
                        revision,
                        target: line?.target ?? null,
                      },
                      endedSet(startOf(resolved, next), stopped, signs),
                    );
                  }}
                />
              )}
            </Loaded>
          )}
        </Loaded>
      )}
    </div>
  );
}
