import { PACE_SESSIONS, looksBack } from '../criterion/index.ts';
import type { Atom, Criterion } from '../criterion/index.ts';
import type { SettledLevel } from '../library/index.ts';
import type { Standing } from './decision.ts';

/** The pain that the advance lets pass; none where it does not speak of any. */
export function painAllowed(c: Criterion): number {
  const limits = positives(c).flatMap((a) => (a.kind === 'painAtMost' ? [a.pain] : []));
  return limits.length ? Math.min(...limits) : 0;
}

/** The difference between the sides that the advance lets pass; null where it does not speak of it. */
export function sideLimitOf(c: Criterion): number | null {
  const limits = positives(c).flatMap((a) => (a.kind === 'sideDifferenceAtMost' ? [a.percent] : []));
  return limits.length ? Math.min(...limits) : null;
}

/** The atoms that are wanted: not those that are turned round. */
const positives = (c: Criterion): Atom[] =>
  c.kind === 'not'
    ? []
    : c.kind === 'all' || c.kind === 'any'
      ? c.of.flatMap(positives)
      : c.kind === 'sessionsRunning'
        ? positives(c.of)
        : [c];

/** The criterion without what it says of the sides. */
export function withoutSides(c: Criterion): Criterion {
  if (c.kind === 'sideDifferenceAtMost') return { kind: 'all', of: [] };
  if (c.kind === 'all' || c.kind === 'any') return { ...c, of: c.of.map(withoutSides) };
  return c.kind === 'sessionsRunning' ? { ...c, of: withoutSides(c.of) } : c;
}

/** Sessions of the longest run that is asked for; at least one. */
export const longestRun = (c: Criterion): number =>
  c.kind === 'sessionsRunning'
    ? c.sessions
    : c.kind === 'all' || c.kind === 'any'
      ? Math.max(1, ...c.of.map(longestRun))
      : 1;

/** What is asked of somebody on the level: its own criteria, or those of the first variant that fits their role and stage. */
export function askedWords(
  level: SettledLevel,
  standing: Pick<Standing, 'role' | 'stage'>,
): { advance: Criterion; stepBack: Criterion } {
  const role = standing.role ?? 'work';
  const stage = standing.stage ?? level.stage;
  const fits = level.variants?.find((v) => (v.role ?? role) === role && (v.stage ?? stage) === stage);
  return fits ?? level;
}

/** How much evidence a decision on the level reads at most: so many sessions, and all of so many days. */
export function evidenceWindow(level: SettledLevel, standing: Pick<Standing, 'role' | 'stage'>) {
  const { advance, stepBack } = askedWords(level, standing);
  const a = looksBack(advance);
  const b = looksBack(stepBack);
  // Growing inside the level looks at two sessions, the pace at a few.
  return { sessions: Math.max(a.sessions, b.sessions, PACE_SESSIONS), days: Math.max(a.days, b.days) };
}
