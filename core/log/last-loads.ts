import type { LoggedSet } from './set.ts';

/** Load of the newest set of each variation, kg; sets without a load say nothing. Entry order is irrelevant. */
export function lastLoads(
  sets: readonly Pick<LoggedSet, 'date' | 'ordinal' | 'variation' | 'loadKg'>[],
): Map<string, number> {
  const inOrder = [...sets].sort((a, b) => a.date.localeCompare(b.date) || a.ordinal - b.ordinal);
  return new Map(inOrder.flatMap((s) => (s.loadKg === null ? [] : [[s.variation, s.loadKg] as const])));
}
