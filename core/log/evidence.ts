import type { IsoDate } from '../terms/index.ts';
import { showsFaults } from './clean.ts';
import type { LoggedSet } from './set.ts';

/** The sets of one person on one date that count at a level. */
export interface EvidenceSession {
  date: IsoDate;
  sets: LoggedSet[];
}

/**
 * Level evidence: sets that are neither warm-up nor side test, of the given variations, on or after the arrival,
 * grouped by date (ascending) and sorted by ordinal.
 */
export function levelEvidence(
  sets: readonly LoggedSet[],
  variations: readonly string[],
  since: IsoDate,
): EvidenceSession[] {
  const wanted = new Set(variations);
  return sessionsOf(
    sets.filter((s) => !s.warmUp && !s.sideTest && s.date >= since && wanted.has(s.variation)),
  );
}

/** Sets by date (ascending), each day's by ordinal. */
export function sessionsOf(sets: readonly LoggedSet[]): EvidenceSession[] {
  const byDate = new Map<IsoDate, LoggedSet[]>();
  for (const set of sets) {
    const day = byDate.get(set.date);
    if (day) day.push(set);
    else byDate.set(set.date, [set]);
  }
  return [...byDate.entries()]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([date, daySets]) => ({ date, sets: daySets.sort(bySetOrder) }));
}

/** Whether anything of the session was watched. */
export const wasWatched = (session: EvidenceSession): boolean => session.sets.some(showsFaults);

/** Order within a session; the id breaks ties so that the order of entry never matters. */
export function bySetOrder(a: LoggedSet, b: LoggedSet): number {
  return a.ordinal - b.ordinal || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}
