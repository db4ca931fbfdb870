import { otherSide } from '../terms/index.ts';
import type { Side } from '../terms/index.ts';
import type { Tempo } from '../library/index.ts';

/**
 * What the clock on the floor runs through, laid out beforehand: every moment follows from the start alone, so that
 * nothing adds up to a drift.
 */

export const MOMENTS = ['ready', 'lowering', 'bottom', 'rising', 'top', 'work', 'hold', 'rest'] as const;
export type Moment = (typeof MOMENTS)[number];

/** One stretch of the clock, in seconds from its start. */
export interface Stretch {
  moment: Moment;
  fromS: number;
  toS: number;
  /** Repetition under way, from 1; null: none is counted. */
  rep: number | null;
  /** Round under way, from 1; null: there are none. */
  round: number | null;
  side: Side | null;
}

export interface ClockPlan {
  stretches: Stretch[];
  totalS: number;
  reps: number;
  rounds: number;
}

/** Time to get into position before the first repetition (common practice, no source). */
export const READY_S = 5;

/** Seconds of work, of rest and where the sides change: 40 / 20, change at half (common practice, no source). */
export const INTERVAL = { workS: 40, restS: 20, changeAtS: 20 } as const;

const FIRST_ROUNDS = 2;
const MOST_ROUNDS = 5;

/** Rounds of the interval form in a week, from 1: two first, one more each week, five at most (common practice, no source). */
export function roundsInWeek(week: number): number {
  if (!Number.isInteger(week) || week < 1) throw new RangeError(`There is no week ${week}.`);
  return Math.min(MOST_ROUNDS, FIRST_ROUNDS + week - 1);
}

/** Lays stretches end to end; those without length are left out. */
export function laidOut(parts: readonly (Omit<Stretch, 'fromS' | 'toS'> & { seconds: number })[]): ClockPlan {
  const stretches: Stretch[] = [];
  let at = 0;
  for (const { seconds, ...part } of parts) {
    if (!(seconds >= 0 && Number.isFinite(seconds)))
      throw new RangeError(`${seconds} s is no length of time.`);
    if (seconds > 0) stretches.push({ ...part, fromS: at, toS: at + seconds });
    at += seconds;
  }
  return {
    stretches,
    totalS: at,
    reps: Math.max(0, ...stretches.map((s) => s.rep ?? 0)),
    rounds: Math.max(0, ...stretches.map((s) => s.round ?? 0)),
  };
}

const none = { rep: null, round: null, side: null };
const ready = { ...none, moment: 'ready' as const, seconds: READY_S };

/**
 * The tempo guide: so many repetitions of four numbers. What starts low rises first.
 * @param side whose repetitions they are
 * @throws RangeError for a tempo that takes no time
 */
export function tempoPlan(
  t: Tempo,
  reps: number,
  { risesFirst = false, side = null }: { risesFirst?: boolean; side?: Side | null } = {},
): ClockPlan {
  const down = [
    ['lowering', t.loweringS],
    ['bottom', t.bottomS],
  ] as const;
  const up = [
    ['rising', t.risingS],
    ['top', t.topS],
  ] as const;
  const one = risesFirst ? [...up, ...down] : [...down, ...up];
  if (one.every(([, s]) => s === 0)) throw new RangeError('A tempo of no seconds cannot be counted.');
  return laidOut([
    ready,
    ...Array.from({ length: reps }, (_, i) =>
      one.map(([moment, seconds]) => ({ moment, seconds, rep: i + 1, round: null, side })),
    ).flat(),
  ]);
}

/** The interval form: rounds of work and rest; one-sided work changes sides at half. The last rest is left out. */
export function intervalPlan(
  rounds: number,
  { oneSided, first = 'left' }: { oneSided: boolean; first?: Side },
  { workS, restS, changeAtS }: { workS: number; restS: number; changeAtS: number } = INTERVAL,
): ClockPlan {
  const second = otherSide(first);
  return laidOut([
    ready,
    ...Array.from({ length: rounds }, (_, i) => {
      const round = i + 1;
      const work = (seconds: number, side: Side | null) => ({
        ...none,
        moment: 'work' as const,
        seconds,
        round,
        side,
      });
      return [
        ...(oneSided ? [work(changeAtS, first), work(workS - changeAtS, second)] : [work(workS, null)]),
        ...(round < rounds ? [{ ...none, moment: 'rest' as const, seconds: restS, round }] : []),
      ];
    }).flat(),
  ]);
}

/** A timed hold, each side after the other where the sides are held one by one. */
export const holdPlan = (holdS: number, side: Side | null = null): ClockPlan =>
  laidOut([ready, { ...none, moment: 'hold', seconds: holdS, side }]);

export const restPlan = (restS: number): ClockPlan => laidOut([{ ...none, moment: 'rest', seconds: restS }]);

/** The stretch under way at a time; null before the start and from the end on. */
export const stretchAt = (plan: ClockPlan, s: number): Stretch | null =>
  plan.stretches.find((x) => s >= x.fromS && s < x.toS) ?? null;

/** Repetitions finished by a time. */
export function repsDone(plan: ClockPlan, s: number): number {
  const ends = new Map<number, number>();
  for (const x of plan.stretches) if (x.rep !== null) ends.set(x.rep, x.toS);
  return [...ends.values()].filter((end) => end <= s).length;
}

/** Rounds whose work is finished by a time. */
export function roundsDone(plan: ClockPlan, s: number): number {
  const ends = new Map<number, number>();
  for (const x of plan.stretches) if (x.round !== null && x.moment === 'work') ends.set(x.round, x.toS);
  return [...ends.values()].filter((end) => end <= s).length;
}

/** Seconds under way by a time: everything but getting ready and resting. */
export const workedS = (plan: ClockPlan, s: number): number =>
  plan.stretches
    .filter((x) => x.moment !== 'ready' && x.moment !== 'rest')
    .reduce((sum, x) => sum + Math.max(0, Math.min(s, x.toS) - x.fromS), 0);

/** How a signal sounds: counting in, a turn within the repetition, a new repetition or stretch, a change of sides, the end. */
export const SIGNALS = ['count', 'turn', 'go', 'sides', 'end'] as const;
export type SignalKind = (typeof SIGNALS)[number];
export interface Signal {
  atS: number;
  kind: SignalKind;
}

/** Seconds that are counted in aloud before work starts and before long stretches end. */
const COUNTED_S = 3;
/** Stretches at least this long have their last seconds counted. */
const LONG_S = 10;

/** Every sound of a plan, in order. */
export function signalsOf(plan: ClockPlan): Signal[] {
  const signals: Signal[] = [];
  plan.stretches.forEach((x, i) => {
    const before = plan.stretches[i - 1];
    if (before) {
      const sides = x.side !== null && before.side !== null && x.side !== before.side;
      const newRep = x.rep !== null && x.rep !== before.rep;
      const within = x.rep !== null && !newRep;
      signals.push({ atS: x.fromS, kind: sides ? 'sides' : within ? 'turn' : 'go' });
    }
    if (x.moment === 'ready' || x.toS - x.fromS >= LONG_S) {
      for (let c = COUNTED_S; c >= 1; c--) signals.push({ atS: x.toS - c, kind: 'count' });
    }
  });
  if (plan.totalS > 0) signals.push({ atS: plan.totalS, kind: 'end' });
  return signals.filter((x) => x.atS >= 0).sort((a, b) => a.atS - b.atS);
}

/** Two readings taken at one moment: a clock that never jumps, and the wall clock; milliseconds. */
export interface Reading {
  steadyMs: number;
  wallMs: number;
}

/** The steady clock stands still while some devices sleep: a gap this large between the two was sleep. */
const SLEEP_MS = 1500;

/**
 * Time between two readings. The steady clock tells it, so that a wall clock put right by some tenths changes nothing;
 * what it missed while the device slept is added from the wall clock. Never negative.
 */
export function betweenMs(from: Reading, to: Reading): number {
  const steady = to.steadyMs - from.steadyMs;
  const missed = to.wallMs - from.wallMs - steady;
  return Math.max(0, missed > SLEEP_MS ? steady + missed : steady);
}
