import { dayOf, lastSets } from '../log/index.ts';
import type { Window } from './window.ts';
import { daysBetween } from '../terms/index.ts';
import type { EvidenceSession, FactsBySlug } from '../log/index.ts';
import type { IsoDate } from '../terms/index.ts';

/** The sessions a window takes in, oldest first, and how many it asked for at least. */
export interface Pool {
  sessions: EvidenceSession[];
  /** Sessions still wanting before "the last N sessions" are N. */
  short: number;
}

/**
 * What an atom reads of the level's sessions (ascending), as seen from the last of them.
 * @param asOf the day that "the last D days" end on
 */
export function poolOf(
  within: Window | undefined,
  sessions: readonly EvidenceSession[],
  facts: FactsBySlug,
  asOf: IsoDate,
): Pool {
  switch (within?.over) {
    case undefined:
      return { sessions: sessions.slice(-1), short: 0 };
    case 'set':
      return { sessions: sessions.slice(-1).map((s) => lastSetOf(s, facts)), short: 0 };
    case 'sessions': {
      const found = sessions.slice(-within.last);
      return { sessions: found, short: within.last - found.length };
    }
    case 'days': {
      // The day itself is the first of the D days.
      const found = sessions.filter((s) => daysBetween(s.date, asOf) < within.last);
      return { sessions: found, short: 0 };
    }
  }
}

/** The session with its last set alone, of each side where the sides are logged apart. */
const lastSetOf = (session: EvidenceSession, facts: FactsBySlug): EvidenceSession => ({
  ...session,
  sets: lastSets(dayOf(session.sets), isOneSided(session, facts)),
});

export const isOneSided = (session: EvidenceSession, facts: FactsBySlug): boolean =>
  session.sets.some((s) => facts.get(s.variation)?.oneSided);
