import type { Severities } from './clean.ts';
import type { VariationFacts } from './facts.ts';
import { amountOf } from './fields.ts';
import { levelEvidence } from './evidence.ts';
import type { Side, IsoDate } from '../terms/index.ts';
import { daysBetween } from '../terms/index.ts';
import { cleanReps } from './clean.ts';
import type { EvidenceSession } from './evidence.ts';
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
 * Difference between the sides from the newest session with a watched side test of both sides
 * at one load: best of each side, `100·|L−R|/max(L,R)`.
 * Limb symmetry within 10 % is the usual limit in the return-to-sport literature
 * (limb symmetry index of 90 %; Noyes, Barber & Mangine 1991, from memory).
 * Null when a side is missing or the newest test is older than 28 days.
 */
export function sideDifference(
  sessions: readonly EvidenceSession[],
  facts: Severities,
  today: IsoDate,
): SideDifference | null {
  for (const session of [...sessions].reverse()) {
    if (daysBetween(session.date, today) > SIDE_TEST_DAYS) return null;
    const tests = session.sets.filter((s) => s.sideTest && s.side !== null && scoreOf(s, facts) !== null);
    if (tests.length === 0) continue;
    // Heaviest load first: it is the more telling test where several were made.
    const loads = [...new Set(tests.map((s) => s.loadKg ?? 0))].sort((a, b) => b - a);
    for (const load of loads) {
      const best = (side: Side, unit: string) => {
        const scores = tests
          .filter((s) => (s.loadKg ?? 0) === load && s.side === side)
          .map((s) => ({ set: s, score: scoreOf(s, facts)! }))
          .filter((x) => x.score.unit === unit)
          .sort((a, b) => b.score.value - a.score.value);
        return scores[0];
      };
      for (const unit of ['repetitions', 's'] as const) {
        const left = best('left', unit);
        const right = best('right', unit);
        if (!left || !right) continue;
        const l = left.score.value;
        const r = right.score.value;
        const most = Math.max(l, r);
        return {
          date: session.date,
          left: l,
          right: r,
          unit,
          loadKg: load || null,
          percent: most === 0 ? 0 : (100 * Math.abs(l - r)) / most,
          withinTolerance: unit === 'repetitions' && Math.abs(l - r) <= 1,
          setIds: [left.set.id, right.set.id],
        };
      }
    }
    return null;
  }
  return null;
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
 * The weaker side of one-sided work before a day: by the newest side test, as every decision reads it, else by what
 * each side did at best on the last day before: clean repetitions where both sides were watched. Null when equal or
 * unknown.
 */
export function weakerSide(
  sets: readonly LoggedSet[],
  v: Pick<VariationFacts, 'slug' | 'severities'>,
  date: IsoDate,
): WeakerSide | null {
  const facts: Severities = new Map([[v.slug, v]]);
  const before = levelEvidence(
    sets.filter((s) => s.date < date && s.side !== null),
    [v.slug],
    '',
  );
  const test = sideDifference(before, facts, date);
  const compared = test ? { ...test, on: test.date, tested: true } : lastTime(before.at(-1), facts);
  const side = compared && weakerOf(compared);
  if (!compared || !side) return null;
  const { left, right, on, tested } = compared;
  return { side, left, right, on, tested };
}

/** What each side did at best on one day. */
function lastTime(session: EvidenceSession | undefined, facts: Severities) {
  if (!session) return null;
  const best = (side: Side, of: (s: LoggedSet) => number | null) => {
    const amounts = session.sets.flatMap((s) => (s.side === side ? (of(s) ?? []) : []));
    return amounts.length ? Math.max(...amounts) : null;
  };
  const both = (of: (s: LoggedSet) => number | null) => {
    const [left, right] = [best('left', of), best('right', of)];
    return left === null || right === null ? null : { left, right, on: session.date, tested: false };
  };
  return both((s) => scoreOf(s, facts)?.value ?? null) ?? both(amountOf);
}
