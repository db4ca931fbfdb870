import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Sheet } from '../../contract/library.ts';
import type { Today, TodayLine, TodayPerson } from '../../contract/session.ts';
import type { Person } from '../../contract/people.ts';
import { nextSet } from '../../core/ladder/index.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { MovementIcon } from '../figure/index.ts';
import { queryClient, request, useAddress, useGet, useUnits } from '../shell/index.ts';
import { Button, Dialog, Empty, Loaded, Notice, PatternWord, typing, withDays } from '../ui/index.ts';
import { CheckInForm } from './check-in-form.tsx';
import { CueList } from './cue-list.tsx';
import { DayList } from './day-list.tsx';
import { dropSet, keepSet } from './keep-set.ts';
import { mergedSets } from './merge.ts';
import type { ShownSet } from './merge.ts';
import { aidsWords, insteadPath, nextWords } from './next-words.ts';
import { useParcels } from './outbox.tsx';
import type { Parcel } from './outbox-store.ts';
import { SetForm, startOf } from './set-form.tsx';
import { useSheetsOf } from './use-sheets.ts';
import { WatchList } from './watch-list.tsx';
import { setSummary, targetWords } from './words.ts';

const sheetPath = (line: TodayLine, personId: string) =>
  `/api/sheets/${line.variation}?stage=${line.stage}&person=${personId}`;

/** The set to do next on a line, with what this tablet has logged since. */
function nextOf(line: TodayLine, ofDay: readonly ShownSet[], date: string) {
  return nextSet(
    [...line.recent, ...ofDay],
    { slug: line.variation ?? '', oneSided: line.oneSided, countedIn: line.countedIn },
    line.target,
    date,
  );
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
  const go = (i: number) =>
    set({ who: there[(i + there.length) % there.length]?.personId ?? null, on: null });

  useEffect(() => {
    // What is needed on the floor is asked for while there is a connection.
    for (const p of there) {
      for (const line of p.lines) {
        if (line.variation === null) continue;
        const path = sheetPath(line, p.personId);
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
      <div className="mb-2 flex flex-wrap items-center justify-between gap-x-4">
        <h1>Session</h1>
        <p className="hidden text-sm text-soft lg:block">
          Keys: digits for the amount, a letter for a fault, Enter logs it as watched, arrows change the
          person.
        </p>
        <Link to="/floor" className="flex min-h-14 items-center">
          Back to today
        </Link>
      </div>
      <div
        role="group"
        aria-label="Whose set"
        className="-mx-4 flex gap-1 overflow-x-auto px-4 pb-2 md:mx-0 md:grid md:grid-cols-4 md:px-0 lg:grid-cols-6"
      >
        {there.map((p) => (
          <PersonTab
            key={p.personId}
            person={p}
            name={name(p.personId)}
            on={p === active}
            ofDay={dayOf(p, parcels, data.date)}
            date={data.date}
            onPick={() => set({ who: p.personId, on: null })}
          />
        ))}
      </div>
      {active && (
        <OnePerson
          key={active.personId}
          person={active}
          name={name(active.personId)}
          date={data.date}
          ofDay={dayOf(active, parcels, data.date)}
        />
      )}
    </div>
  );
}

const dayOf = (p: TodayPerson, parcels: readonly Parcel[], date: string) =>
  mergedSets(p.sets, parcels, p.personId).filter((s) => s.date === date);

function PersonTab({
  person: p,
  name,
  on,
  ofDay,
  date,
  onPick,
}: {
  person: TodayPerson;
  name: string;
  on: boolean;
  ofDay: readonly ShownSet[];
  date: string;
  onPick: () => void;
}) {
  const steps = p.lines.flatMap((l) => (l.variation === null ? [] : [nextOf(l, ofDay, date)]));
  const done = steps.filter((n) => n.done).length;
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onPick}
      className={`min-h-16 min-w-36 shrink-0 px-3 py-1 text-left leading-tight ${on ? 'taped bg-paper' : 'border border-rule'}`}
    >
      <span className="block font-head font-semibold">{name}</span>
      <span className="block text-sm text-soft">
        {p.lines.length === 0
          ? 'not placed'
          : steps.length === 0
            ? 'barred today'
            : done === steps.length
              ? 'all done'
              : `${ofDay.length} ${ofDay.length === 1 ? 'set' : 'sets'}, ${done} of ${steps.length} done`}
        {p.ask && ', ask first'}
      </span>
    </button>
  );
}

function OnePerson({
  person: p,
  name,
  date,
  ofDay,
}: {
  person: TodayPerson;
  name: string;
  date: string;
  ofDay: ShownSet[];
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
          <div className="mb-3 flex flex-wrap items-center gap-3 border-l-[6px] border-warn bg-paper px-4 py-2">
            <span className="grow">Before work: {withDays(p.ask, date)}</span>
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
                onClick={() => set({ on: l.ladder })}
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
                setLast(null);
              }}
            >
              Undo
            </Button>
          </div>
        )}
        {line ? (
          <OneLine key={line.ladder} person={p} line={line} date={date} ofDay={ofDay} onKept={setLast} />
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
  line,
  date,
  ofDay,
  onKept,
}: {
  person: TodayPerson;
  line: TodayLine;
  date: string;
  ofDay: ShownSet[];
  /** The set just kept, so that it can be taken back. */
  onKept: (id: string) => void;
}) {
  const units = useUnits();
  const sheet = useGet<Sheet>(line.variation ? sheetPath(line, p.personId) : null);
  const [sideTest, setSideTest] = useState(false);
  const next = useMemo(() => nextOf(line, ofDay, date), [line, ofDay, date]);
  if (line.variation === null) {
    return (
      <Notice tone="warn">
        {line.reason && withDays(line.reason, date)} Nothing of this is done until the head coach lifts it.
        Local rules and licensed practice come first.
      </Notice>
    );
  }
  return (
    <>
      <div className="taped-left mb-4 flow-root bg-paper py-3 pr-4 pl-5">
        <p className="label">
          {line.ladderName}, level {line.levelNumber} of {line.levels}: {line.levelName}
        </p>
        {sheet.data && (
          <div className="float-right ml-4">
            <MovementIcon
              mechanics={sheet.data.resolved.mechanics}
              pattern={line.pattern}
              build={REFERENCE_BUILD}
              size={110}
            />
          </div>
        )}
        <p className="font-head text-2xl leading-tight font-bold">{line.variationName}</p>
        <p className="mt-1 text-xl">{targetWords(line.target, units.mass, line.oneSided)}</p>
        <p className="text-lg font-semibold">
          {next.done ? 'All sets of the target are done.' : `Next: ${nextWords(next, units.mass)}`}
        </p>
        {next.why.map((w) => (
          <p key={w} className="text-soft">
            {w}
          </p>
        ))}
        {next.aids && next.aids.length > 0 && <p>With {aidsWords(next.aids)}</p>}
        {line.variationNote && <p className="text-soft">{line.variationNote}</p>}
        {line.wayOnDue && (
          <p className="font-semibold">Ready to grow: {line.wayOn}. Confirm on the person’s page.</p>
        )}
        <WatchList watch={line.watch} />
        <p className="flex flex-wrap gap-x-5">
          {line.kit.length > 0 && (
            <Link className="flex min-h-14 items-center" to={insteadPath(line, p.personId)}>
              {line.kit[0]!.name} taken: what now?
            </Link>
          )}
          <Link className="flex min-h-14 items-center" to={`/library/variation/${line.variation}`}>
            Whole sheet
          </Link>
          <Link className="flex min-h-14 items-center" to={`/people/${p.personId}`}>
            Evidence and decision
          </Link>
        </p>
      </div>
      {line.failure && <Notice tone="warn">{line.failure}</Notice>}
      <Loaded query={sheet} what="the sheet">
        {({ resolved, revision }) => (
          <SetForm
            key={`${ofDay.length} ${next.side} ${next.number}`}
            variation={resolved}
            seesHealth={p.seesHealth}
            start={startOf(resolved, next, sideTest)}
            action={`Log set ${next.number}${next.side ? ` ${next.side}` : ''}`}
            keys
            onSideTest={setSideTest}
            onLog={(observed) =>
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
              )
            }
          />
        )}
      </Loaded>
    </>
  );
}
