import type { Side } from '../terms/index.ts';
import type { LoggedSet } from './set.ts';

type Told = Pick<LoggedSet, 'date' | 'ordinal' | 'variation' | 'side'>;

/** What the newest set of the variation that tells any told of a field; null: none is known. Entry order is irrelevant. */
function lastTold<K extends 'aids' | 'settings'>(
  sets: readonly (Told & Pick<LoggedSet, K>)[],
  variation: string,
  field: K,
): { date: string; used: NonNullable<LoggedSet[K]> } | null {
  let newest: (typeof sets)[number] | null = null;
  for (const s of sets) {
    if (s.variation !== variation || s[field] === null) continue;
    const order = newest ? s.date.localeCompare(newest.date) || s.ordinal - newest.ordinal : 1;
    if (order > 0) newest = s;
  }
  const used = newest?.[field] as LoggedSet[K] | undefined;
  return newest && used ? { date: newest.date, used } : null;
}

/** Help that was used in the newest set that tells any. */
export const lastAids = (sets: readonly (Told & Pick<LoggedSet, 'aids'>)[], variation: string) =>
  lastTold(sets, variation, 'aids');

/** Settings of the newest set that tells any; in one-sided work of the side that works, where it tells any. */
export const lastSettings = (
  sets: readonly (Told & Pick<LoggedSet, 'settings'>)[],
  variation: string,
  side: Side | null = null,
) =>
  (side &&
    lastTold(
      sets.filter((s) => s.side === side),
      variation,
      'settings',
    )) ??
  lastTold(sets, variation, 'settings');
