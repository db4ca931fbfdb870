import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { HourRequest, StoredHour } from '../../contract/plan.ts';
import {
  differences,
  layOut,
  momentAt,
  numbersOf,
  turnsIn,
  whereIs,
  withoutOne,
} from '../../core/plan/index.ts';
import type { Difference, Disturbance, HourMoment } from '../../core/plan/index.ts';
import { callOut, minutes, useNow, wakeAudio } from '../dose/index.ts';
import { queryOf, refreshAfter, send, useAddress, useSigned } from '../shell/index.ts';
import { Button, Dialog, fullDay, Loaded, Notice, SelectField, tidy, timeOfDay } from '../ui/index.ts';
import { useHour } from '../workers/index.ts';
import { useNaming } from './naming.ts';
import { placeSent, requestOf } from './request.ts';
import { secondsInto } from './seconds-into.ts';
import { BigRound } from './big-round.tsx';
import { HourWall } from './wall.tsx';
import { minutesIn, whereWords } from './words.ts';

/** Another screen shows what was changed after so long. */
const REFRESH_MS = 5_000;

/** A planned hour on the wall: what is on, who is where, and what came between. */
export function HourPage() {
  const { id = '' } = useParams();
  const hour = useQuery({ ...queryOf('hour', { id }), refetchInterval: REFRESH_MS });
  return (
    <Loaded query={hour} what="the hour">
      {(data) => <OneHour hour={data} aheadMs={Date.parse(data.at) - hour.dataUpdatedAt} />}
    </Loaded>
  );
}

const PHASES: Record<HourMoment['phase'], string> = {
  before: 'Not begun',
  'warm-up': 'Warm-up',
  round: 'Round',
  change: 'Change places',
  over: 'Over',
};

/** @param aheadMs how far the server’s clock is ahead of this one */
function OneHour({ hour: h, aheadMs }: { hour: StoredHour; aheadMs: number }) {
  const { hall } = useSigned();
  const { params, set } = useAddress();
  const client = useQueryClient();
  const solver = useHour();
  const big = params.get('big') !== null;
  const { hour, plan, spans, watchers } = h.body;
  const naming = useNaming(hour.pieces, hour.places);
  const running = h.startedAt !== null && h.endedAt === null;
  const now = useNow(500, running).wallMs + aheadMs;
  const at = secondsInto(h.startedAt, now);
  const moment: HourMoment =
    h.endedAt === null ? momentAt(hour.warmUpS, spans, at ?? -1) : { phase: 'over', round: null, leftS: 0 };
  const laid = useMemo(
    () => plan.rounds.map((r, i) => layOut(hour, r, spans[i]!.lengthS, watchers)),
    [hour, plan, spans, watchers],
  );
  const [diff, setDiff] = useState<Difference[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [between, setBetween] = useState(false);
  const [planning, setPlanning] = useState(false);
  useCalls(running, moment);

  /** True: it is kept, and this page shows it. */
  const save = async (change: Partial<HourRequest>): Promise<boolean> => {
    try {
      await send('saveHour', { id: h.id }, requestOf(h, change));
      setProblem(null);
      await refreshAfter(client, 'saveHour');
      return true;
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be kept. Try again.');
      return false;
    }
  };
  /** Rounds that are over or under way: they stay as they are. */
  const done =
    moment.phase === 'round'
      ? moment.round! + 1
      : (moment.round ?? (moment.phase === 'over' ? plan.rounds.length : 0));
  const disturbed = async (by: Disturbance) => {
    const gone = [...new Set([...h.body.gone, ...(by.gone ?? [])])];
    const next = await solver.again({ hour, plan, done, by: { ...by, gone, not: h.notNow } });
    const lost = by.lostS ?? 0;
    // What is done keeps its time; the rest begins later by what was lost, in rounds as long as they are now.
    const last = spans[done - 1];
    const from = (last ? last.fromS + last.lengthS + hour.changeS : (spans[0]?.fromS ?? hour.warmUpS)) + lost;
    const after = next.rounds.slice(done).map((_, i) => ({
      fromS: from + i * (next.times.lengthS + hour.changeS),
      lengthS: next.times.lengthS,
    }));
    const kept = await save({
      plan: { ...next, points: Math.max(0, next.points) },
      spans: [...spans.slice(0, done), ...after].slice(0, next.rounds.length),
      people: hour.people.map((p) => ({ ...p, from: by.late?.[p.id] ?? p.from })),
      places: hour.places.map((k) => placeSent(by.out?.kind === k.id ? withoutOne(k, by.out) : k)),
      gone,
      totalS: hour.totalS - lost,
      bound: null,
    });
    if (!kept) return;
    setDiff(
      differences(hour.pieces.length, plan, next).filter(({ piece }) => {
        const { id, person } = hour.pieces[piece]!;
        return !gone.includes(person) && !h.notNow.includes(id);
      }),
    );
  };
  const cameBetween = (by: Disturbance) => {
    setBetween(false);
    // The next thing that comes between begins from what this one has left.
    setPlanning(true);
    disturbed(by)
      .catch((error: unknown) => setProblem(error instanceof Error ? error.message : String(error)))
      .finally(() => setPlanning(false));
  };
  const heads = spans.map((s) =>
    h.startedAt === null
      ? minutesIn(s)
      : `${clockAt(h.startedAt, s.fromS, hall.timeZone)} to ${clockAt(h.startedAt, s.fromS + s.lengthS, hall.timeZone)}`,
  );
  const onRound = moment.phase === 'round' ? moment.round : null;
  const turns = onRound === null || at === null ? [] : turnsIn(laid[onRound]!, at - spans[onRound]!.fromS);
  const left = plan.dropped.filter((j) => !h.body.gone.includes(hour.pieces[j]!.person));
  // Where they stand in the plan, the wall says it of them.
  const stopped = hour.pieces.filter((p, j) => h.notNow.includes(p.id) && whereIs(plan, j) === null);
  const wall = { hour, plan, laid, watchers, bar: h.bar, naming, notNow: h.notNow };
  return (
    <div className={big ? '' : 'mx-auto max-w-7xl'}>
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          {/* On paper it is not a moment of the hour that counts, but which hour it is. */}
          <p className="hidden font-head text-2xl font-bold print:block">{fullDay(h.date)}</p>
          <h1 className={`print:hidden ${big ? 'text-5xl' : ''}`}>
            {moment.phase === 'round' || moment.phase === 'change'
              ? `${PHASES[moment.phase]}${moment.phase === 'round' ? ` ${moment.round! + 1} of ${spans.length}` : `: round ${moment.round! + 1} next`}`
              : PHASES[moment.phase]}
          </h1>
          <p className={`text-soft ${big ? 'text-2xl' : ''}`}>{h.name}</p>
        </div>
        {running && moment.phase !== 'over' && (
          <p
            className={`font-head leading-none font-bold tabular-nums ${big ? 'text-9xl' : 'text-6xl'}`}
            role="timer"
          >
            {minutes(moment.leftS)}
          </p>
        )}
        <div className="no-print flex flex-wrap gap-2">
          {h.startedAt === null && h.endedAt === null && (
            <Button
              tone="main"
              floor
              onClick={() => {
                wakeAudio();
                void save({ startedAt: new Date(Date.now() + aheadMs).toISOString() });
              }}
            >
              Begin with the warm-up
            </Button>
          )}
          {running && !big && (
            <>
              <Button floor disabled={planning} onClick={() => setBetween(true)}>
                Something came between
              </Button>
              <Link
                className="inline-flex min-h-14 items-center border border-tape bg-tape px-5 font-semibold text-on-tape no-underline"
                to={
                  moment.phase === 'warm-up'
                    ? `/floor/warm-up?people=${h.people.join(',')}`
                    : `/floor/session?people=${h.people.join(',')}&hour=${h.id}`
                }
              >
                {moment.phase === 'warm-up' ? 'Lead the warm-up' : 'Run this session'}
              </Link>
            </>
          )}
          <Button onClick={() => set({ big: big ? null : '1' })}>
            {big ? 'Smaller' : 'Big, for a second screen'}
          </Button>
          {!big && <Button onClick={() => print()}>Print</Button>}
          {running && !big && (
            <Button
              tone="quiet"
              onClick={() => void save({ endedAt: new Date(Date.now() + aheadMs).toISOString() })}
            >
              End the hour
            </Button>
          )}
        </div>
      </div>
      {problem && <Notice tone="warn">{problem}</Notice>}
      {diff && (
        <section
          aria-label="What is otherwise now"
          className="no-print mb-3 border-l-[6px] border-warn bg-paper px-4 py-2"
          role="status"
        >
          <h2>{diff.length === 0 ? 'Nobody has to go elsewhere.' : 'What is otherwise now'}</h2>
          <ul>
            {diff.map((d) => (
              <li key={d.piece}>
                <b>{naming.piece(hour.pieces[d.piece]!.id)}</b>: {where(d.before)} → {where(d.after)}
              </li>
            ))}
          </ul>
          <Button tone="quiet" onClick={() => setDiff(null)}>
            Told everybody
          </Button>
        </section>
      )}
      {big && moment.round !== null ? (
        <BigRound {...wall} round={moment.round} turns={turns} />
      ) : (
        <HourWall {...wall} heads={heads} on={onRound} turns={turns} />
      )}
      {left.length > 0 && (
        <p className="mt-2">
          <b>Not in this hour:</b> {left.map((j) => naming.piece(hour.pieces[j]!.id)).join('; ')}
        </p>
      )}
      {stopped.length > 0 && (
        <p className="mt-2 text-warn">
          <b>Stopped or barred since:</b> {stopped.map((p) => naming.piece(p.id)).join('; ')}
        </p>
      )}
      <p className="mt-3 text-sm text-soft">
        Times are a plan: pain, a fault that stops, or local rules come first. Racks: both sides at one
        number, safeties set.
      </p>
      {between && (
        <Dialog title="Something came between" open wide onClose={() => setBetween(false)}>
          <Between hour={h} done={done} naming={naming} onDisturbed={cameBetween} />
        </Dialog>
      )}
    </div>
  );

  function where(w: Difference['before']): string {
    if (w === null) return 'not in this hour';
    return `round ${w.round + 1}, ${whereWords(w.at, hour.places)}`;
  }
}

const clockAt = (startedAt: string, s: number, timeZone: string) =>
  timeOfDay(new Date(new Date(startedAt).getTime() + 1000 * s), timeZone);

/** Calls every change of a round out to the whole hall. */
function useCalls(running: boolean, moment: HourMoment) {
  const key = `${moment.phase} ${moment.round}`;
  const before = useRef<string | null>(null);
  useEffect(() => {
    const was = before.current;
    before.current = running ? key : null;
    // Whoever opens the page in the middle of a round hears nothing of it.
    if (!running || was === null || was === key) return;
    callOut(
      moment.phase === 'round'
        ? `Round ${moment.round! + 1}. Begin.`
        : moment.phase === 'change'
          ? `Change. Round ${moment.round! + 1} in one minute.`
          : 'The hour is over.',
    );
  }, [running, key, moment]);
}

/** A place as it is pointed at. */
interface Thing {
  kind: string;
  number: number;
  heightM: number | null;
  name: string;
}

function Between({
  hour: h,
  done,
  naming,
  onDisturbed,
}: {
  hour: StoredHour;
  done: number;
  naming: ReturnType<typeof useNaming>;
  onDisturbed: (by: Disturbance) => void;
}) {
  const { hour, plan, gone } = h.body;
  const there = hour.people.filter((p) => !gone.includes(p.id));
  const [who, setWho] = useState(there[0]?.id ?? '');
  // A box is known by its height, every other place by its number.
  const things = hour.places.flatMap((k): Thing[] =>
    k.heightsM.length > 0
      ? [...new Set(k.heightsM)].map((heightM) => ({
          kind: k.id,
          number: 0,
          heightM,
          name: `${k.name} of ${tidy(100 * heightM)} cm`,
        }))
      : numbersOf(k).map((number) => ({
          kind: k.id,
          number,
          heightM: null,
          name: `${k.name} ${number + 1}`,
        })),
  );
  // By its name: the list is another one once something was taken out of it.
  const [named, setNamed] = useState<string | null>(null);
  const thing = things.find((t) => t.name === named) ?? things[0];
  return (
    <div className="grid gap-4">
      <p>
        What is done and the round that is on stay as they are; {plan.rounds.length - done} of{' '}
        {plan.rounds.length} rounds are planned again, with as few moves as can be.
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <SelectField label="Person" value={who} onChange={(e) => setWho(e.target.value)}>
          {there.map((p) => (
            <option key={p.id} value={p.id}>
              {naming.person(p.id)}
            </option>
          ))}
        </SelectField>
        <Button floor onClick={() => onDisturbed({ gone: [who] })} disabled={!who}>
          Has left
        </Button>
        <Button floor onClick={() => onDisturbed({ late: { [who]: done + 1 } })} disabled={!who}>
          Comes a round later
        </Button>
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <SelectField label="Kit" value={thing?.name ?? ''} onChange={(e) => setNamed(e.target.value)}>
          {things.map((t) => (
            <option key={t.name} value={t.name}>
              {t.name}
            </option>
          ))}
        </SelectField>
        <Button floor onClick={() => thing && onDisturbed({ out: thing })} disabled={!thing}>
          Is out of use
        </Button>
      </div>
      <div>
        <Button floor onClick={() => onDisturbed({ lostS: 300 })}>
          Five minutes were lost
        </Button>
      </div>
    </div>
  );
}
