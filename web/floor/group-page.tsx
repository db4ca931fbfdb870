import { DayList, dropSet, mergedSets, setSummary, useParcels, useSheetsOf } from '../log/index.ts';
import type { Parcel, ShownSet } from '../log/index.ts';
import type { Of } from '../../contract/endpoints.ts';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { Today, TodayPerson } from '../../contract/session.ts';
import type { Person } from '../../contract/people.ts';
import { clocks } from '../dose/index.ts';
import type { OnBar } from '../kit/index.ts';
import { queryClient, queryOf, Said, useAddress, useAsk, usePeople, useUnits } from '../shell/index.ts';
import { Button, Dialog, Empty, Loaded, PatternWord, useKeys } from '../ui/index.ts';
import { ConfirmDown } from './confirm-down.tsx';
import { CheckInForm } from './check-in-form.tsx';
import { CueList } from './cue-list.tsx';
import { LineAtHand } from './line-at-hand.tsx';
import { deskOf, nextOf, sheetOf } from '../log/index.ts';
import { HourBand } from '../plan/index.ts';
import { PersonStrip } from './person-strip.tsx';
import { Stopped } from './stopped.tsx';

/** One screen for a session: several people at once, the next set of each filled in, few taps or keys a set. */
export function GroupPage() {
  const { params } = useAddress();
  const { query: people } = usePeople(true);
  const ids = (params.get('people') ?? '').split(',').filter(Boolean);
  const today = useAsk('today', ids.length > 0 ? { people: ids } : null);
  if (ids.length === 0) {
    return <Empty next={{ to: '/floor', what: 'Choose a squad of today' }}>Nobody is in this session.</Empty>;
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
    void queryClient.prefetchQuery({ ...queryOf('desk', deskOf(there)), staleTime: 60_000 });
    void queryClient.prefetchQuery({ ...queryOf('kit'), staleTime: 60_000 });
    for (const p of there) {
      for (const line of p.lines) {
        if (line.variation === null) continue;
        const sheet = queryOf('sheet', sheetOf(line.variation, line, p.personId));
        void queryClient.prefetchQuery({ ...sheet, staleTime: 60_000 });
        const fit = queryOf('fit', { person: p.personId, slug: line.variation });
        void queryClient.prefetchQuery({ ...fit, staleTime: 60_000 });
      }
    }
  }, [there]);
  useKeys({ ArrowRight: () => go(at + 1), ArrowLeft: () => go(at - 1) });

  const name = (id: string) => all.find((p) => p.id === id)?.name ?? '';
  return (
    <div className="mx-auto max-w-6xl">
      <div className="flex flex-wrap items-center justify-between gap-x-4 lg:mb-2">
        <h1 className="sr-only lg:not-sr-only">Session</h1>
        <p className="hidden text-sm text-soft lg:block">
          Keys: digits for the amount, a letter for a fault, Enter logs it as watched, arrows change the
          person.
        </p>
        <Link to="/floor" className="hidden min-h-14 items-center lg:flex">
          Back to today
        </Link>
      </div>
      <HourBand hour={params.get('hour')} who={active?.personId ?? null} />
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
          desk={deskOf(there)}
          onBar={there.filter((p) => p !== active).flatMap((p) => onBarOf(p, name(p.personId)))}
        />
      )}
    </div>
  );
}

/** What somebody does with a bar today. */
const onBarOf = (p: TodayPerson, name: string): OnBar[] =>
  p.lines.flatMap((l) => {
    const loadKg = l.next?.loadKg ?? l.target.loadKg;
    return l.loadKind === 'bar' && loadKg
      ? [{ id: `${p.personId} ${l.ladder}`, name, loadKg, sets: l.target.sets }]
      : [];
  });

const dayOf = (p: TodayPerson, parcels: readonly Parcel[], date: string) =>
  mergedSets(p.sets, parcels, p.personId).filter((s) => s.date === date);

function OnePerson({
  person: p,
  name,
  date,
  ofDay,
  desk,
  onBar,
}: {
  person: TodayPerson;
  name: string;
  date: string;
  ofDay: ShownSet[];
  /** Where the desk's knowledge of everybody here is read. */
  desk: Of<'desk'>;
  /** The others here who work with a bar. */
  onBar: readonly OnBar[];
}) {
  const { params, set } = useAddress();
  const units = useUnits();
  const [asking, setAsking] = useState(false);
  const [last, setLast] = useState<string | null>(null);
  const logged = ofDay.find((s) => s.id === last);
  const faultName = (slug: string) =>
    sheets.get(logged?.variation ?? '')?.faults.find((f) => f.slug === slug)?.name ?? slug;
  const sheets = useSheetsOf([
    ...ofDay.map((s) => s.variation),
    ...p.lines.flatMap((l) => l.variation ?? []),
  ]);
  // What is not done yet comes first by itself; a tap chooses otherwise.
  const open = p.lines.find((l) => l.variation !== null && !nextOf(l, ofDay, date).done);
  const line = p.lines.find((l) => l.ladder === params.get('on')) ?? open ?? p.lines[0];
  return (
    <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section aria-label={`Next set of ${name}`} className="min-w-0">
        {p.ask && (
          <div className="mb-2 flex items-center gap-3 border-l-[6px] border-warn bg-paper px-3 sm:mb-3 sm:py-2">
            <span className="grow leading-tight">
              Before work: <Said of={p.ask} />
            </span>
            <Button floor onClick={() => setAsking(true)}>
              Ask now
            </Button>
          </div>
        )}
        <Stopped person={p} />
        {(p.emergency || p.firstAid) && (
          <p className="mb-2 border-l-[6px] border-warn bg-paper px-3 py-1 text-sm">
            {p.firstAid && (
              <>
                <b>First aid:</b> {p.firstAid}{' '}
              </>
            )}
            {p.emergency && (
              <>
                <b>Call:</b> {p.emergency}
              </>
            )}
          </p>
        )}
        {p.lines.length > 1 && (
          <div
            role="group"
            aria-label="What is done"
            className="-mx-4 mb-2 flex gap-1 overflow-x-auto px-4 md:mx-0 md:px-0 lg:flex-wrap"
          >
            {p.lines.map((l) => (
              <button
                key={l.ladder}
                type="button"
                aria-pressed={l === line}
                onClick={() => set({ on: l.ladder, give: null })}
                className={`min-h-14 shrink-0 px-3 ${l === line ? 'taped bg-paper' : ''}`}
              >
                <PatternWord pattern={l.pattern} />{' '}
                <span className="text-sm text-soft">
                  {l.variation === null
                    ? p.stops.length > 0
                      ? 'stopped'
                      : 'barred'
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
              Kept: set {logged.ordinal} of today, {setSummary(logged, units.mass, faultName)}.
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
        {line && p.covered && <ConfirmDown line={line} personId={p.personId} />}
        {line ? (
          <LineAtHand
            onBar={onBar}
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
          <Empty next={!p.covered && { to: `/people/${p.personId}/trials`, what: `Place ${name} by trials` }}>
            Not placed on a ladder yet. {p.covered && 'Their own coach places them.'}
          </Empty>
        )}
      </section>
      <section aria-label="Logged today">
        <h2 className="border-b border-ink pb-1">Today</h2>
        {ofDay.length === 0 && <p className="py-3 text-soft">No set yet today.</p>}
        <DayList personId={p.personId} sets={ofDay} sheetOf={(v) => sheets.get(v)} />
        {p.lines.some((l) => l.variation !== null) && (
          <Link
            className="flex min-h-14 items-center"
            to={`/floor/${p.personId}/paper?of=${p.lines.flatMap((l) => l.variation ?? []).join('+')}`}
          >
            Enter a paper sheet
          </Link>
        )}
        {!p.covered && p.lines.length > 0 && (
          <Link className="flex min-h-14 items-center" to={`/people/${p.personId}/trials`}>
            Place on another ladder by trials
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
