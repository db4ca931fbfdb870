import { daysBetween } from '../terms/index.ts';
import type { IsoDate } from '../terms/index.ts';

/** Longer away than this and than twice the usual gap is an absence (judgement). */
export const ABSENT_DAYS = 14;
/** The usual gap is that of so many sessions. */
const GAPS_READ = 8;

/**
 * Days since the last session, where that is an absence: more than 14, and more than twice the usual gap between
 * sessions; null where it is none.
 * @param days on which the pattern was trained, in any order
 */
export function absence(days: readonly IsoDate[], today: IsoDate): number | null {
  const on = [...new Set(days)].filter((d) => d <= today).sort();
  const last = on.at(-1);
  if (last === undefined) return null;
  const away = daysBetween(last, today);
  const newest = on.slice(-GAPS_READ - 1);
  const gaps = newest
    .slice(1)
    .map((d, i) => daysBetween(newest[i]!, d))
    .sort((a, b) => a - b);
  const usual = gaps.length ? gaps[Math.floor((gaps.length - 1) / 2)]! : 0;
  return away > ABSENT_DAYS && away > 2 * usual ? away : null;
}
