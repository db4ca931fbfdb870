import { sideWorkOf } from '../../core/terms/index.ts';
import type { OnLadder } from '../../core/floor/index.ts';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PersonOnLadders } from '../../contract/log.ts';
import { factsOf, nextSet, planAt } from '../../core/ladder/index.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { MovementIcon } from '../figure/index.ts';
import { Said, useAsk, usePeople, useSigned, useUnits } from '../shell/index.ts';
import { day, Empty, Loaded, Notice, OutcomeWord, Segmented, SelectField } from '../ui/index.ts';
import { DayList } from './day-list.tsx';
import { keepSet } from './keep-set.ts';
import { startOf } from './observed.ts';
import { SetForm } from './set-form.tsx';
import { useLogUpTo } from './use-day.ts';
import { useSheetsOf } from './use-sheets.ts';
import { targetWords } from './words.ts';

/** Log sets for one person: where they stand, what is asked today, and the next set. */
export function LogPage() {
  const { id = '' } = useParams();
  const { find } = usePeople();
  const ladders = useAsk('personOnLadders', { person: id });
  const person = find(id);
  const [ladderSlug, setLadderSlug] = useState<string | null>(null);
  return (
    <Loaded query={ladders} what="the log">
      {(data) => {
        const placed = data.ladders.filter((l) => l.standing !== null);
        const here = placed.find((l) => l.ladder.slug === ladderSlug) ?? placed[0];
        return (
          <div className="mx-auto max-w-5xl">
            <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
              <h1>{person?.name ?? 'Log'}</h1>
              <div className="flex items-center gap-2">
                {placed.length > 1 && (
                  <SelectField
                    label="Ladder"
                    value={here?.ladder.slug}
                    onChange={(e) => setLadderSlug(e.target.value)}
                  >
                    {placed.map((l) => (
                      <option key={l.ladder.slug} value={l.ladder.slug}>
                        {l.ladder.name}
                      </option>
                    ))}
                  </SelectField>
                )}
                <Link to={`/people/${id}`} className="flex min-h-14 items-center px-3">
                  Evidence and decision
                </Link>
                <Link to="/floor" className="flex min-h-14 items-center px-3">
                  Someone else
                </Link>
              </div>
            </div>
            {here ? (
              <OnFloor key={here.ladder.slug} personId={id} on={here} data={data} />
            ) : (
              <Empty
                next={{
                  to: `/people/${id}/trials`,
                  what: `Place ${person?.name ?? 'this person'} by trials`,
                }}
              >
                Not placed on a ladder yet.
              </Empty>
            )}
          </div>
        );
      }}
    </Loaded>
  );
}

function OnFloor({ personId, on, data }: { personId: string; on: OnLadder; data: PersonOnLadders }) {
  const { hall } = useSigned();
  const units = useUnits();
  const level = on.ladder.levels.find((l) => l.id === on.standing?.level);
  const [picked, setPicked] = useState<string | null>(null);
  const variation = picked ?? on.decision?.variation ?? level?.main ?? '';
  const stage = on.standing?.stage ?? level?.stage ?? 'learning';
  const sheet = useAsk('sheet', variation ? { slug: variation, stage, person: personId } : null);
  const [date, setDate] = useState(hall.today);
  const all = useLogUpTo(personId, data, date);
  const ofDay = all.filter((s) => s.date === date);
  const sheets = useSheetsOf(ofDay.map((s) => s.variation));
  const stopped = on.decision?.outcome === 'stop and refer';
  const known = on.facts[variation];

  return (
    <div className="grid gap-6 lg:grid-cols-[1fr_20rem]">
      <section>
        <div className="taped-left mb-4 flow-root bg-paper py-3 pr-4 pl-5">
          <p className="label">
            {on.ladder.name}, level {on.ladder.levels.indexOf(level!) + 1} of {on.ladder.levels.length}:{' '}
            {level?.name}
          </p>
          {sheet.data && (
            <div className="float-right ml-4">
              <MovementIcon
                mechanics={sheet.data.resolved.mechanics}
                pattern={sheet.data.resolved.source.pattern}
                build={REFERENCE_BUILD}
                size={120}
              />
            </div>
          )}
          <p className="font-head text-3xl leading-tight font-bold">{on.names[variation] ?? variation}</p>
          {on.target && sheet.data && (
            <p className="mt-1 text-2xl">
              {targetWords(
                on.decision?.plan.target ?? on.target,
                units.mass,
                sideWorkOf(sheet.data.resolved.source),
              )}
            </p>
          )}
          {on.decision?.variationNote && <p className="mt-1 text-soft">{on.decision.variationNote}</p>}
          {on.decision && (
            <p className="mt-2 flex flex-wrap items-center gap-x-3">
              <OutcomeWord outcome={on.decision.outcome} />
              <span>
                <Said of={on.decision.reasons[0]?.text ?? ''} />
              </span>
            </p>
          )}
          {level && level.equals.length > 0 && (
            <Segmented
              label="Variation today"
              floor
              className="mt-3"
              options={[level.main, ...level.equals]}
              value={variation}
              onPick={setPicked}
            >
              {(slug) => on.names[slug]}
            </Segmented>
          )}
        </div>
        {on.failure && <Notice tone="warn">{on.failure}</Notice>}
        {date !== hall.today && (
          <Notice>Sets are being written down for {day(date, hall.today)}, not for today.</Notice>
        )}
        {stopped && (
          <Notice tone="warn">
            Stopped or barred today. Sets can still be written down, but nothing of this should be done until
            the head coach clears the stop or lifts the restriction.
          </Notice>
        )}
        <Loaded query={sheet} what="the sheet">
          {({ resolved, revision }) => {
            const facts = known ?? factsOf(resolved);
            const next = nextSet(all, facts, on.decision?.plan ?? (on.target && planAt(on.target)), date);
            return (
              <SetForm
                key={`${variation} ${ofDay.length} ${next.side}`}
                variation={resolved}
                start={startOf(resolved, next, false, facts)}
                action={`Log set ${ofDay.filter((s) => s.variation === variation && !s.warmUp).length + 1}`}
                onLog={(observed) =>
                  keepSet(
                    {
                      personId,
                      date,
                      ordinal: Math.max(0, ...ofDay.map((s) => s.ordinal)) + 1,
                      source: resolved.source,
                      revision,
                      target: on.target,
                    },
                    observed,
                  )
                }
              />
            );
          }}
        </Loaded>
      </section>
      <section aria-label="Logged that day">
        <div className="flex items-end justify-between gap-3 border-b border-ink pb-1">
          <h2>{date === hall.today ? 'Today' : day(date, hall.today)}</h2>
          <input
            type="date"
            aria-label="Session of"
            className="field max-w-44"
            max={hall.today}
            value={date}
            onChange={(e) => setDate(e.target.value || hall.today)}
          />
        </div>
        {ofDay.length === 0 && (
          <p className="py-3 text-soft">
            {date === hall.today ? 'No set yet today.' : 'No set on this day.'}
          </p>
        )}
        <DayList
          personId={personId}
          sets={ofDay}
          // The sheet on the page is at hand without a connection too.
          sheetOf={(v) => (v === variation ? sheet.data?.resolved : sheets.get(v))}
        />
        {sheet.data && (
          <div className="mt-5">
            <h2 className="border-b border-ink pb-1">One thing at a time</h2>
            <ol className="mt-1 list-decimal pl-6 text-lg">
              {sheet.data.resolved.cues.slice(0, 3).map((c) => (
                <li key={c.slug} className="py-1">
                  {c.text}
                </li>
              ))}
            </ol>
            <Link to={`/library/variation/${variation}`}>Whole sheet</Link>
          </div>
        )}
      </section>
    </div>
  );
}
