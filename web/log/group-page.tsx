import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { DeskKnowledge } from '../../contract/fault.ts';
import type { Sheet } from '../../contract/library.ts';
import type { Today, TodayLine, TodayPerson } from '../../contract/session.ts';
import type { Person } from '../../contract/people.ts';
import { nextSet } from '../../core/ladder/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { clocks } from '../dose/index.ts';
import { ChainsBegun } from '../fault/index.ts';
import { queryClient, request, useAddress, useGet, useUnits } from '../shell/index.ts';
import { Button, Dialog, Empty, Loaded, Notice, PatternWord, typing, withDays } from '../ui/index.ts';
import { CheckInForm } from './check-in-form.tsx';
import { CueList } from './cue-list.tsx';
import { DayList } from './day-list.tsx';
import { FloorFigure } from './floor-figure.tsx';
import { FloorSet, restAfter } from './floor-set.tsx';
import { dropSet, keepSet } from './keep-set.ts';
import { mergedSets } from './merge.ts';
import type { ShownSet } from './merge.ts';
import { aidsWords, insteadPath, nextWords } from './next-words.ts';
import { useParcels } from './outbox.tsx';
import type { Parcel } from './outbox-store.ts';
import { PersonStrip } from './person-strip.tsx';
import type { Observed } from './set-form.tsx';
import { useSheetsOf } from './use-sheets.ts';
import { WatchList } from './watch-list.tsx';
import { setSummary, targetWords } from './words.ts';

const sheetPath = (variation: string, line: TodayLine, personId: string) =>
  `/api/sheets/${variation}?stage=${line.stage}&person=${personId}`;
const deskPath = (people: readonly TodayPerson[]) =>
  `/api/faults/desk?people=${people.map((p) => p.personId).join(',')}`;

/** The set to do next of a variation, with what this tablet has logged since. */
function nextOf(
  line: TodayLine,
  ofDay: readonly ShownSet[],
  date: string,
  given?: ResolvedVariation['source'],
) {
  const of = given
    ? { slug: given.slug, oneSided: given.laterality !== 'two legs', countedIn: given.countedIn }
    : { slug: line.variation ?? '', oneSided: line.oneSided, countedIn: line.countedIn };
  return nextSet([...line.recent, ...ofDay], of, line.target, date);
}

/** One screen for a session: several people at once, the next set of each filled in, few taps or keys a set. */
export function GroupPage() {
  const { params } = useAddress();
  const people = useGet<Person[]>('/api/people');
  const ids = (params.get('people') ?? '').split(',').filter(Boolean);
  const today = useGet<Today>(ids.length > 0 ? `/api/today?people=${ids.join(',')}` : null);
  if (ids.length === 0) {
    return (
      <Empty>
        Nobody is in this session. <Link to="/floor">Choose a squad of today</Link>.
      </Empty>
    );
  }
  return (
    <Loaded query={people} what="the people">
      {(all) => (
        <Loaded query={today} what="the session">
          {(data) => <Session all={all} data={data} />}
        </Loaded>
      )}
    </Loaded>
  );
}

function Session({ all, data }: { all: readonly Person[]; data: Today }) {
  const { params, set } = useAddress();
  const parcels = useParcels();
  const there = data.people;
  const active = there.find((p) => p.personId === params.get('who')) ?? there[0];
  const at = active ? there.indexOf(active) : 0;
  const pick = (personId: string | null) => set({ who: personId, on: null, give: null });
  const go = (i: number) => pick(there[(i + there.length) % there.length]?.personId ?? null);

  useEffect(() => {
    // What is needed on the floor is asked for while there is a connection.
    const desk = deskPath(there);
    void queryClient.prefetchQuery({
      queryKey: [desk],
      queryFn: () => request<DeskKnowledge>('GET', desk),
      staleTime: 60_000,
    });
    for (const p of there) {
      for (const line of p.lines) {
        if (line.variation === null) continue;
        const path = sheetPath(line.variation, line, p.personId);
        void queryClient.prefetchQuery({
          queryKey: [path],
          queryFn: () => request<Sheet>('GET', path),
          staleTime: 60_000,
        });
      }
    }
  }, [there]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (typing(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === 'ArrowRight') go(at + 1);
      if (e.key === 'ArrowLeft') go(at - 1);
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  });

  const name = (id: string) => all.find((p) => p.id === id)?.name ?? '';
  return (
    <div className="mx-auto max-w-6xl">
      <div className="flex flex-wrap items-center justify-between gap-x-4 sm:mb-2">
        <h1 className="sr-only sm:not-sr-only">Session</h1>
        <p className="hidden text-sm text-soft lg:block">
          Keys: digits for the amount, a letter for a fault, Enter logs it as watched, arrows change the
          person.
        </p>
        <Link to="/floor" className="hidden min-h-14 items-center sm:flex">
          Back to today
        </Link>
      </div>
      <PersonStrip
        people={there.map((person) => {
          const ofDay = dayOf(person, parcels, data.date);
          return {
            person,
            name: name(person.personId),
            ofDay,
            steps: person.lines.flatMap((l) => (l.variation === null ? [] : [nextOf(l, ofDay, data.date)])),
          };
        })}
        active={active?.personId}
        onPick={pick}
      />
      {active && (
        <OnePerson
          key={active.personId}
          person={active}
          name={name(active.personId)}
          date={data.date}
          ofDay={dayOf(active, parcels, data.date)}
          desk={deskPath(there)}
        />
      )}
    </div>
  );
}

const dayOf = (p: TodayPerson, parcels: readonly Parcel[], date: string) =>
  mergedSets(p.sets, parcels, p.personId).filter((s) => s.date === date);

function OnePerson({
  person: p,
  name,
  date,
  ofDay,
  desk,
}: {
  person: TodayPerson;
  name: string;
  date: string;
  ofDay: ShownSet[];
  /** Where the desk's knowledge of everybody here is read. */
  desk: string;
}) {
  const { params, set } = useAddress();
  const units = useUnits();
  const [asking, setAsking] = useState(false);
  const [last, setLast] = useState<string | null>(null);
  const logged = ofDay.find((s) => s.id === last);
  const sheets = useSheetsOf([
    ...ofDay.map((s) => s.variation),
    ...p.lines.flatMap((l) => l.variation ?? []),
  ]);
  // What is not done yet comes first by itself; a tap chooses otherwise.
  const open = p.lines.find((l) => l.variation !== null && !nextOf(l, ofDay, date).done);
  const line = p.lines.find((l) => l.ladder === params.get('on')) ?? open ?? p.lines[0];
  return (
    <div className="grid gap-6 lg:grid-cols-[1fr_20rem]">
      <section aria-label={`Next set of ${name}`}>
        {p.ask && (
          <div className="mb-2 flex items-center gap-3 border-l-[6px] border-warn bg-paper px-3 sm:mb-3 sm:py-2">
            <span className="grow leading-tight">Before work: {withDays(p.ask, date)}</span>
            <Button floor onClick={() => setAsking(true)}>
              Ask now
            </Button>
          </div>
        )}
        {p.lines.length > 1 && (
          <div role="group" aria-label="What is done" className="mb-2 flex flex-wrap gap-1">
            {p.lines.map((l) => (
              <button
                key={l.ladder}
                type="button"
                aria-pressed={l === line}
                onClick={() => set({ on: l.ladder, give: null })}
                className={`min-h-14 px-3 ${l === line ? 'taped bg-paper' : ''}`}
              >
                <PatternWord pattern={l.pattern} />{' '}
                <span className="text-sm text-soft">
                  {l.variation === null
                    ? 'barred'
                    : nextOf(l, ofDay, date).done
                      ? 'done'
                      : l.ladderName.toLowerCase() === l.pattern
                        ? l.levelName
                        : l.ladderName}
                </span>
              </button>
            ))}
          </div>
        )}
        {logged && (
          <div
            className="mb-3 flex items-center gap-3 border-l-[6px] border-tape bg-paper px-4"
            role="status"
          >
            <span className="grow">
              Kept: set {logged.ordinal} of today, {setSummary(logged, units.mass, (f) => f)}.
            </span>
            <Button
              floor
              tone="quiet"
              onClick={() => {
                dropSet(logged, p.personId);
                clocks.endRest(p.personId);
                setLast(null);
              }}
            >
              Undo
            </Button>
          </div>
        )}
        {line ? (
          <OneLine
            key={line.ladder}
            person={p}
            name={name}
            line={line}
            date={date}
            ofDay={ofDay}
            desk={desk}
            onKept={setLast}
          />
        ) : (
          <Empty>
            Not placed on a ladder yet. <Link to={`/people/${p.personId}`}>Place {name} by trials</Link>.
          </Empty>
        )}
      </section>
      <section aria-label="Logged today">
        <h2 className="border-b border-ink pb-1">Today</h2>
        {ofDay.length === 0 && <p className="py-3 text-soft">No set yet today.</p>}
        <DayList
          personId={p.personId}
          sets={ofDay}
          seesHealth={p.seesHealth}
          sheetOf={(v) => sheets.get(v)}
        />
        {p.lines.some((l) => l.variation !== null) && (
          <Link
            className="flex min-h-14 items-center"
            to={`/floor/${p.personId}/paper?of=${p.lines.flatMap((l) => l.variation ?? []).join('+')}`}
          >
            Enter a paper sheet
          </Link>
        )}
        {line?.variation && (
          <>
            <h2 className="mt-5 border-b border-ink pb-1">One cue, and what came of it</h2>
            <CueList key={line.variation} personId={p.personId} line={line} date={date} />
          </>
        )}
      </section>
      {asking && (
        <Dialog title={`Before work: ${name}`} open wide onClose={() => setAsking(false)}>
          <CheckInForm person={p} date={date} onDone={() => setAsking(false)} />
        </Dialog>
      )}
    </div>
  );
}

function OneLine({
  person: p,
  name,
  line,
  date,
  ofDay,
  desk,
  onKept,
}: {
  person: TodayPerson;
  name: string;
  line: TodayLine;
  date: string;
  ofDay: ShownSet[];
  desk: string;
  /** The set just kept, so that it can be taken back. */
  onKept: (id: string) => void;
}) {
  const units = useUnits();
  const { params, set } = useAddress();
  // An easier variation that the desk led to is done instead of the level's own.
  const slug = params.get('give') ?? line.variation;
  const sheet = useGet<Sheet>(slug ? sheetPath(slug, line, p.personId) : null);
  const knowledge = useGet<DeskKnowledge>(desk);
  const [sideTest, setSideTest] = useState(false);
  const [ended, setEnded] = useState(false);
  const given = slug === line.variation ? undefined : sheet.data?.resolved.source;
  const next = useMemo(() => nextOf(line, ofDay, date, given), [line, ofDay, date, given]);
  if (line.variation === null || slug === null) {
    return (
      <Notice tone="warn">
        {line.reason && withDays(line.reason, date)} Nothing of this is done until the head coach lifts it.
        Local rules and licensed practice come first.
      </Notice>
    );
  }
  const keep = ({ resolved, revision }: Sheet, observed: Observed) => {
    clocks.stopFor(p.personId);
    onKept(
      keepSet(
        {
          personId: p.personId,
          date,
          ordinal: Math.max(0, ...ofDay.map((s) => s.ordinal)) + 1,
          resolved,
          revision,
          target: line.target,
        },
        observed,
      ),
    );
  };
  return (
    <>
      {ended && (
        <Notice tone="warn">
          The set was ended and recorded. Nothing more of this today unless it has settled; refer if it does
          not. <Link to={`/people/${p.personId}`}>To the decision</Link>
        </Notice>
      )}
      <div className="taped-left mb-3 bg-paper py-3 pr-4 pl-5">
        <p className="label">
          {line.ladderName}, level {line.levelNumber} of {line.levels}: {line.levelName}
        </p>
        <div className="grid grid-cols-[1fr_7rem] gap-x-3 sm:grid-cols-[1fr_18rem] sm:gap-x-4">
          <div>
            <p className="font-head text-2xl leading-tight font-bold">{given?.name ?? line.variationName}</p>
            {given && (
              <p>
                Instead of {line.variationName}.{' '}
                <Button tone="quiet" onClick={() => set({ give: null })}>
                  Back to it
                </Button>
              </p>
            )}
            <p className="mt-1 text-xl">{targetWords(line.target, units.mass, line.oneSided)}</p>
            <p className="text-lg font-semibold">
              {next.done ? 'All sets of the target are done.' : `Next: ${nextWords(next, units.mass)}`}
            </p>
            {next.aids && next.aids.length > 0 && <p className="text-lg">With {aidsWords(next.aids)}</p>}
            {next.why.map((w) => (
              <p key={w} className="text-soft">
                {w}
              </p>
            ))}
            {line.variationNote && !given && <p className="text-soft">{line.variationNote}</p>}
          </div>
          <div className="sm:row-span-2">
            {sheet.data && (
              <FloorFigure
                mechanics={sheet.data.resolved.mechanics}
                pattern={line.pattern}
                personId={p.personId}
              />
            )}
          </div>
          <div className="col-span-2 sm:col-span-1">
            <ol aria-label="Three cues" className="mt-1 border-t border-rule">
              {(given ? (sheet.data?.resolved.cues.slice(0, 3) ?? []) : line.cues).map((c) => (
                <li key={c.slug} className="border-b border-rule py-1 text-xl leading-tight font-semibold">
                  {c.text}
                </li>
              ))}
            </ol>
          </div>
        </div>
        {line.wayOnDue && (
          <p className="font-semibold">Ready to grow: {line.wayOn}. Confirm on the person’s page.</p>
        )}
        <WatchList watch={line.watch} />
        {sheet.data && (
          <ChainsBegun
            personId={p.personId}
            name={name}
            date={date}
            faults={sheet.data.resolved.faults}
            knowledge={knowledge.data ?? null}
          />
        )}
      </div>
      {line.failure && <Notice tone="warn">{line.failure}</Notice>}
      <Loaded query={sheet} what="the sheet">
        {(read) => (
          <FloorSet
            key={`${slug} ${ofDay.length} ${next.side} ${next.number} ${sideTest}`}
            person={p}
            name={name}
            line={line}
            date={date}
            variation={read.resolved}
            revision={read.revision}
            next={next}
            sideTest={sideTest}
            onSideTest={setSideTest}
            knowledge={knowledge.data ?? null}
            onLog={(observed) => {
              setEnded(false);
              keep(read, observed);
              restAfter(
                p.personId,
                line,
                observed.side,
                (side) => ofDay.filter((s) => s.variation === slug && s.side === side && !s.warmUp).length,
              );
            }}
            onEnded={(observed) => {
              keep(read, observed);
              setEnded(true);
            }}
            onGive={(variation) => set({ give: variation })}
          />
        )}
      </Loaded>
      <p className="mt-2 flex flex-wrap gap-x-5">
        {line.kit.length > 0 && (
          <Link className="flex min-h-14 items-center" to={insteadPath(line, p.personId)}>
            {line.kit[0]!.name} taken: what now?
          </Link>
        )}
        <Link className="flex min-h-14 items-center" to={`/library/variation/${slug}`}>
          Whole sheet
        </Link>
        <Link className="flex min-h-14 items-center" to={`/people/${p.personId}`}>
          Evidence and decision
        </Link>
        <Link className="flex min-h-14 items-center" to="/faults/rate">
          Second pair of eyes
        </Link>
        <Link className="flex min-h-14 items-center sm:hidden" to="/floor">
          Back to today
        </Link>
      </p>
    </>
  );
}
