import { targetWords, usedLine } from '../log/index.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import type { TodayPerson } from '../../contract/session.ts';
import { Said, useAddress, useAsk, usePeople, useSigned, useUnits } from '../shell/index.ts';
import {
  Button,
  day,
  Dialog,
  Empty,
  fullDay,
  Loaded,
  OutcomeWord,
  PatternWord,
  Segmented,
} from '../ui/index.ts';
import { CoverToday, TakeCover } from './cover.tsx';
import { soreWords } from './sore-places.tsx';
import { answersOf, CheckInForm, keepCheckIn } from './check-in-form.tsx';
import { insteadPath, nextWords } from './next-words.ts';
import { HoursToday } from '../plan/index.ts';
import { SetTo } from './set-to.tsx';
import { WatchList } from './watch-list.tsx';

/** Beyond so many people only one squad is read at a time. */
const MOST_AT_ONCE = 60;

/** An hour is planned for so many at most. */
const MOST_IN_HOUR = 24;
const whoOf = (people: readonly TodayPerson[]) => people.map((p) => p.personId);

/** Everybody expected today by squad, with what they do next, what to watch and what to ask first. */
export function TodayPage() {
  const { hall, me } = useSigned();
  const { params, set } = useAddress();
  const { people, query, nameOf: name } = usePeople(true);
  const squads = useAsk('squads');
  const many = people.length > MOST_AT_ONCE;
  const squadId = params.get('squad') ?? (many ? (me.squadIds[0] ?? squads.data?.[0]?.id ?? null) : null);
  const today = useAsk('today', query.data ? { squad: squadId || undefined } : null);
  const [asking, setAsking] = useState<TodayPerson | null>(null);
  return (
    <div className="mx-auto max-w-6xl">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Today</h1>
          <p className="text-soft">{fullDay(hall.today)}</p>
        </div>
        <div className="flex flex-wrap gap-1">
          <Segmented
            label="Squad"
            floor
            className="font-head"
            options={[...(many ? [] : [null]), ...(squads.data ?? []).map((s) => s.id)]}
            value={squadId}
            onPick={(id) => set({ squad: id })}
          >
            {(id) => squads.data?.find((s) => s.id === id)?.name ?? 'All'}
          </Segmented>
          {me.role === 'coach' && <TakeCover />}
          <Link to="/sets" className="flex min-h-14 items-center px-4">
            Import or export sets
          </Link>
        </div>
      </div>
      <CoverToday />
      <HoursToday />
      <Loaded query={query} what="the people">
        {(all) =>
          all.length === 0 ? (
            <Empty next={me.role === 'head coach' && { to: '/people?add=several', what: 'Add people' }}>
              Nobody here yet. {me.role !== 'head coach' && 'The head coach adds people.'}
            </Empty>
          ) : (
            <Loaded query={today} what="what is next">
              {(data) => (
                <>
                  {[...data.squads, { id: null, name: 'No squad', trains: true }].map((squad) => {
                    const members = data.people
                      .filter((p) => (all.find((x) => x.id === p.personId)?.squadId ?? null) === squad.id)
                      .sort((a, b) => Number(b.expected) - Number(a.expected));
                    if (members.length === 0) return null;
                    const expected = members.filter((m) => m.expected);
                    return (
                      <section key={squad.id ?? 'none'} className="mb-7" aria-label={squad.name}>
                        <div className="flex flex-wrap items-end justify-between gap-3 border-b border-ink pb-1">
                          <h2>
                            {squad.name}{' '}
                            <span className="text-base font-normal text-soft">
                              {squad.trains ? `${expected.length} expected` : 'no training day'}
                            </span>
                          </h2>
                          {expected.length > 0 && (
                            <div className="flex flex-wrap items-center gap-x-5">
                              <Link
                                to={`/floor/plan?people=${whoOf(expected).slice(0, MOST_IN_HOUR).join(',')}`}
                                className="flex min-h-14 items-center"
                              >
                                Plan this session
                              </Link>
                              <Link
                                to={`/floor/warm-up?people=${whoOf(expected).slice(0, MOST_IN_HOUR).join(',')}`}
                                className="flex min-h-14 items-center"
                              >
                                Lead the warm-up
                              </Link>
                              <Link
                                to={`/floor/session?people=${whoOf(expected).join(',')}`}
                                className="inline-flex min-h-14 items-center border border-tape bg-tape px-5 font-semibold text-on-tape no-underline"
                              >
                                Run this session
                              </Link>
                            </div>
                          )}
                        </div>
                        <ul>
                          {members.map((p) => (
                            <PersonRow
                              key={p.personId}
                              person={p}
                              name={name(p.personId)}
                              date={data.date}
                              onAsk={() => setAsking(p)}
                            />
                          ))}
                        </ul>
                      </section>
                    );
                  })}
                </>
              )}
            </Loaded>
          )
        }
      </Loaded>
      {asking && (
        <Dialog title={`Before work: ${name(asking.personId)}`} open wide onClose={() => setAsking(null)}>
          <CheckInForm person={asking} date={hall.today} onDone={() => setAsking(null)} />
        </Dialog>
      )}
    </div>
  );
}

function PersonRow({
  person: p,
  name,
  date,
  onAsk,
}: {
  person: TodayPerson;
  name: string;
  date: string;
  onAsk: () => void;
}) {
  const { hall } = useSigned();
  const c = p.checkIn;
  const answered = [
    c?.pain != null && `pain ${c.pain}`,
    c?.sleepH != null && `slept ${c.sleepH} h`,
    c?.atEase != null && `at ease ${c.atEase}`,
    c?.sore && c.sore.length > 0 && `sore: ${c.sore.map(soreWords).join('; ')}`,
  ].filter(Boolean);
  return (
    <li className={`border-b border-rule py-2 ${p.expected ? '' : 'text-soft'}`}>
      <div className="flex flex-wrap items-center gap-x-4">
        <Link
          to={p.covered ? `/floor/session?people=${p.personId}` : `/floor/${p.personId}`}
          className="flex min-h-14 grow items-center font-head text-xl font-semibold no-underline hover:underline"
        >
          {name}
          {p.covered && <span className="pl-2 text-sm font-normal text-soft">(you cover)</span>}
        </Link>
        <span className="text-sm text-soft">
          {p.lastSession ? `last ${day(p.lastSession, hall.today)}` : 'no session yet'}
          {answered.length > 0 && `; ${answered.join(', ')}`}
          {p.ask && (
            <>
              ; <Said of={p.ask} />
            </>
          )}
        </span>
        {p.ask && (
          <Button floor onClick={onAsk}>
            Ask before work
          </Button>
        )}
        <Button
          floor
          tone="quiet"
          onClick={() => keepCheckIn(p.personId, date, { ...answersOf(c), here: !p.expected })}
        >
          {p.expected ? 'Absent today' : 'Is here'}
        </Button>
      </div>
      {p.lines.length === 0 && (
        <p className="pb-1">
          Not placed on a ladder yet.{' '}
          {p.covered ? (
            'Their own coach places them.'
          ) : (
            <Link to={`/people/${p.personId}`}>Place by trials</Link>
          )}
        </p>
      )}
      {p.expected && (
        <ul className="grid gap-x-6 gap-y-3 md:grid-cols-2">
          {p.lines.map((line) => (
            <li key={line.ladder} className="border-l-2 border-rule pl-3">
              <Line line={line} personId={p.personId} />
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

function Line({ line, personId }: { line: TodayLine; personId: string }) {
  const { hall } = useSigned();
  const units = useUnits();
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-2">
        <PatternWord pattern={line.pattern} />
        <span className="text-soft">
          {line.ladderName.toLowerCase() === line.pattern ? '' : `${line.ladderName} `}
          {line.levelNumber} of {line.levels}, {line.levelName}
        </span>
        {line.outcome && <OutcomeWord outcome={line.outcome} />}
      </p>
      {line.failure && <p className="text-warn">{line.failure}</p>}
      {line.variation === null ? (
        <p className="font-semibold text-warn">
          <Said of={line.reason} />
        </p>
      ) : (
        <>
          <p className="text-lg font-semibold">{line.variationName}</p>
          <p>
            {targetWords(line.target, units.mass, line.sides)}
            {line.next && !line.next.done && (
              <span className="text-soft">; next {nextWords(line.next, units.mass)}</span>
            )}
            {line.next?.done && <span className="font-semibold"> Done for today.</span>}
          </p>
          {line.variationNote && <p className="text-soft">{line.variationNote}</p>}
          {line.next?.why.map((w) => (
            <p key={w} className="text-soft">
              <Said of={w} />
            </p>
          ))}
          {line.next && usedLine(line.next, units) && (
            <p>
              With {usedLine(line.next, units)}
              {line.next.settingsFrom && (
                <span className="text-soft"> (last used {day(line.next.settingsFrom, hall.today)})</span>
              )}
            </p>
          )}
          <SetTo line={line} />
          {line.wayOn && (
            <p className={line.wayOnDue ? 'font-semibold' : 'text-soft'}>
              {line.wayOnDue ? 'Grow now' : 'Way on'}: <Said of={line.wayOn} />
            </p>
          )}
          <WatchList watch={line.watch} />
          {line.kit.length > 0 && (
            <Link className="flex min-h-11 items-center" to={insteadPath(line, personId)}>
              {line.kit[0]!.name} taken: what instead?
            </Link>
          )}
        </>
      )}
    </>
  );
}
