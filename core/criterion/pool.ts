import { dayOf, lastSets, wasWatched } from '../log/index.ts';
import type { Window } from './window.ts';
import { daysBetween } from '../terms/index.ts';
import type { EvidenceSession, FactsBySlug, LoggedSet } from '../log/index.ts';
import type { EvaluationContext, Seen } from './context.ts';

/** The sessions a window takes in, oldest first, and how many it asked for at least. */
export interface Pool {
  sessions: EvidenceSession[];
  /** Sessions still wanting before "the last N sessions" are N. */
  short: number;
  within: Window | undefined;
  seen: Seen;
}

/**
 * What an atom reads of the level's sessions (ascending), as seen from the last of them.
 * @param watched whether a session in which nothing was watched is left out
 */
export function poolOf(within: Window | undefined, seen: Seen, facts: FactsBySlug, watched: boolean): Pool {
  const sessions = watched ? seen.sessions.filter(wasWatched) : seen.sessions;
  const found = (list: EvidenceSession[], short = 0): Pool => ({ sessions: list, short, within, seen });
  switch (within?.over) {
    case undefined:
      return found(sessions.slice(-1));
    case 'set':
      return found(sessions.slice(-1).map((s) => lastSetOf(s, facts)));
    case 'sessions': {
      const last = sessions.slice(-within.last);
      return found(last, within.last - last.length);
    }
    case 'days':
      // The day itself is the first of the D days.
      return found(sessions.filter((s) => daysBetween(s.date, seen.asOf) < within.last));
  }
}

/**
 * The sets that pain and stop faults are read of: all of the pattern, warm-up and drills too, from the first day of the
 * window on; in the last set alone, that set.
 */
export function withWarmUp(pool: Pool, ctx: EvaluationContext): LoggedSet[] {
  const { within, seen } = pool;
  const own = pool.sessions.flatMap((s) => s.sets);
  if (!ctx.ofPattern || within?.over === 'set') return own;
  const first = pool.sessions[0]?.date ?? ctx.at?.since ?? '';
  return ctx.ofPattern.filter(
    (s) =>
      s.date <= seen.end &&
      (within?.over === 'days' ? daysBetween(s.date, seen.asOf) < within.last : s.date >= first),
  );
}

/** The session with its last set alone, of each side where the sides are logged apart. */
const lastSetOf = (session: EvidenceSession, facts: FactsBySlug): EvidenceSession => ({
  ...session,
  sets: lastSets(dayOf(session.sets), isOneSided(session, facts)),
});

export const isOneSided = (session: EvidenceSession, facts: FactsBySlug): boolean =>
  session.sets.some((s) => facts.get(s.variation)?.oneSided);
