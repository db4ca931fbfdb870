import type { Side } from '../terms/index.ts';
import { bySetOrder } from './evidence.ts';
import type { LoggedSet } from './set.ts';

/** The sets of one day as every computation reads them: in their order, warm-up left out, told apart by side. */
export interface Day {
  sets: LoggedSet[];
  /** Those of one side; null: both at once, or a side that was not noted. */
  of: (side: Side | null) => LoggedSet[];
}

export function dayOf(sets: readonly LoggedSet[]): Day {
  const ordered = sets.filter((s) => !s.warmUp).sort(bySetOrder);
  return { sets: ordered, of: (side) => ordered.filter((s) => s.side === side) };
}

/** The last set of the day, of each side where the sides are logged apart. */
export function lastSets(day: Day, oneSided: boolean): LoggedSet[] {
  const last = (sets: LoggedSet[]) => sets.slice(-1);
  if (!oneSided) return last(day.sets);
  const each = new Set([...last(day.of('left')), ...last(day.of('right')), ...last(day.of(null))]);
  return day.sets.filter((s) => each.has(s));
}
