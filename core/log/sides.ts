import type { Severities } from './clean.ts';
import { amountOf } from './fields.ts';
import { bySetOrder } from './evidence.ts';
import type { Side, IsoDate } from '../terms/index.ts';
import { daysBetween } from '../terms/index.ts';
import { cleanReps } from './clean.ts';
import type { LoggedSet } from './set.ts';

/** A side test older than this says nothing about today. */
export const SIDE_TEST_DAYS = 28;

/** The usual limit for limb symmetry (see sideDifference); more is worth a word. */
export const SIDES_DIFFER_PERCENT = 10;

export interface SideDifference {
  date: IsoDate;
  left: number;
  right: number;
  unit: 'repetitions' | 's';
  loadKg: number | null;
  /** 100·|L−R|/max(L,R). */
  percent: number;
  /** True when the sides are one repetition apart or less, which a test cannot tell from equal. */
  withinTolerance: boolean;
  setIds: string[];
}

const scoreOf = (set: LoggedSet, facts: Severities) => {
  const clean = cleanReps(set, facts);
  if (clean !== null) return { value: clean, unit: 'repetitions' as const };
  return set.watched && set.holdS !== null ? { value: set.holdS, unit: 's' as const } : null;
};

/**
 * Difference between the sides from the newest day with a watched side test: best of each side, of one movement at one
 * load of one kind (a load that was not noted is not none), `100·|L−R|/max(L,R)`.
 * Limb symmetry within 10 % is the usual limit in the return-to-sport literature
 * (limb symmetry index of 90 %; Noyes, Barber & Mangine 1991, from memory).
 * Null when a side is missing or the newest test is older than 28 days.
 * @param sets any of the person's; those that are no side test are passed over
 */
export function sideDifference(
  sets: readonly LoggedSet[],
  facts: Severities,
  today: IsoDate,
): SideDifference | null {
  const tests = sets.flatMap((set) => {
    const score = set.sideTest && !set.warmUp && set.side !== null ? scoreOf(set, facts) : null;
    return score && set.date <= today ? [{ set, ...score }] : [];
  });
  const date = tests.reduce<IsoDate>((newest, t) => (t.set.date > newest ? t.set.date : newest), '');
  if (date === '' || daysBetween(date, today) > SIDE_TEST_DAYS) return null;
  const alike = new Map<string, typeof tests>();
  for (const t of tests.filter((x) => x.set.date === date)) {
    const key = [t.set.variation, t.set.loadKind, t.set.loadKg, t.unit === 's'].join('|');
    alike.set(key, [...(alike.get(key) ?? []), t]);
  }
  const found = [...alike].flatMap(([key, list]) => {
    const best = (side: Side) =>
      list
        .filter((t) => t.set.side === side)
        .sort((a, b) => b.value - a.value || bySetOrder(a.set, b.set))[0];
    const [left, right] = [best('left'), best('right')];
    return left && right ? [{ key, left, right }] : [];
  });
  // The heaviest load is the more telling test where several were made.
  const [telling] = found.sort(
    (a, b) =>
      (b.left.set.loadKg ?? -1) - (a.left.set.loadKg ?? -1) ||
      Number(a.left.unit === 's') - Number(b.left.unit === 's') ||
      (a.key < b.key ? -1 : 1),
  );
  if (!telling) return null;
  const { left, right } = telling;
  const most = Math.max(left.value, right.value);
  return {
    date,
    left: left.value,
    right: right.value,
    unit: left.unit,
    loadKg: left.set.loadKg,
    percent: most === 0 ? 0 : (100 * Math.abs(left.value - right.value)) / most,
    withinTolerance: left.unit === 'repetitions' && Math.abs(left.value - right.value) <= 1,
    setIds: [left.set.id, right.set.id],
  };
}

/** Days on which both sides were tested, the newest last, each with what it showed. */
export function sideTests(sets: readonly LoggedSet[], facts: Severities): SideDifference[] {
  const days = [...new Set(sets.filter((s) => s.sideTest && !s.warmUp).map((s) => s.date))].sort();
  return days.flatMap((date) => {
    const of = sideDifference(
      sets.filter((s) => s.date === date),
      facts,
      date,
    );
    return of ? [of] : [];
  });
}

/** Whether the sides differ by more than is usual, one repetition aside. */
export const sidesDiffer = (d: SideDifference): boolean =>
  !d.withinTolerance && d.percent > SIDES_DIFFER_PERCENT;

/** Which side did less; null: neither. */
export const weakerOf = ({ left, right }: { left: number; right: number }): Side | null =>
  left === right ? null : left < right ? 'left' : 'right';

/** The side that did less, and in what. */
export interface WeakerSide {
  side: Side;
  left: number;
  right: number;
  on: IsoDate;
  /** In a side test; else on the last day on which both sides worked. */
  tested: boolean;
}

/**
 * The weaker side of one-sided work on a day: by the newest side test, as every decision reads it, else by what each
 * side did at best on the last day before: clean repetitions where both sides were watched. Null when equal or unknown.
 * @param sets of the work in question
 */
export function weakerSide(sets: readonly LoggedSet[], facts: Severities, date: IsoDate): WeakerSide | null {
  const test = sideDifference(sets, facts, date);
  const before = sets.filter((s) => s.date < date && s.side !== null && !s.warmUp && !s.sideTest);
  const last = before.reduce<IsoDate>((newest, s) => (s.date > newest ? s.date : newest), '');
  const compared = test
    ? { ...test, on: test.date, tested: true }
    : lastTime(
        before.filter((s) => s.date === last),
        last,
        facts,
      );
  const side = compared && weakerOf(compared);
  if (!compared || !side) return null;
  const { left, right, on, tested } = compared;
  return { side, left, right, on, tested };
}

/** What each side did at best on one day. */
function lastTime(sets: readonly LoggedSet[], on: IsoDate, facts: Severities) {
  const best = (side: Side, of: (s: LoggedSet) => number | null) => {
    const amounts = sets.flatMap((s) => (s.side === side ? (of(s) ?? []) : []));
    return amounts.length ? Math.max(...amounts) : null;
  };
  const both = (of: (s: LoggedSet) => number | null) => {
    const [left, right] = [best('left', of), best('right', of)];
    return left === null || right === null ? null : { left, right, on, tested: false };
  };
  return both((s) => scoreOf(s, facts)?.value ?? null) ?? both(amountOf);
}
