import type { LoggedSet } from './set.ts';

/** Aids and settings of the newest set of the variation that tells any; null: none is known. Entry order is irrelevant. */
export function lastAids(
  sets: readonly Pick<LoggedSet, 'date' | 'ordinal' | 'variation' | 'aids'>[],
  variation: string,
): { date: string; aids: NonNullable<LoggedSet['aids']> } | null {
  let newest: (typeof sets)[number] | null = null;
  for (const s of sets) {
    if (s.variation !== variation || s.aids === null) continue;
    const order = newest ? s.date.localeCompare(newest.date) || s.ordinal - newest.ordinal : 1;
    if (order > 0) newest = s;
  }
  return newest ? { date: newest.date, aids: newest.aids! } : null;
}
