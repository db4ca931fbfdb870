import type { RuledNumber, Severity } from '../library/index.ts';

/**
 * The criteria of a level as data. Every atom is judged over one session of level evidence;
 * `sessionsRunning` asks the same of the last N such sessions.
 */
export type Atom<N = number> =
  | { kind: 'cleanReps'; reps: N; sets: N }
  | { kind: 'holdS'; seconds: N; sets: N }
  | { kind: 'effortAtMost'; effort: N }
  | { kind: 'faultsAtMost'; severity: Severity; count: N }
  | { kind: 'painAtMost'; pain: N }
  | { kind: 'sideDifferenceAtMost'; percent: N };

/** With every number settled: what is judged. */
export type Criterion<N = number> =
  | Atom<N>
  | { kind: 'all'; of: Criterion<N>[] }
  | { kind: 'any'; of: Criterion<N>[] }
  | { kind: 'not'; of: Atom<N> }
  | { kind: 'sessionsRunning'; sessions: number; of: Criterion<N> };

/** As written: a number may depend on the answer to a house question. */
export type RuledAtom = Atom<RuledNumber>;
export type RuledCriterion = Criterion<RuledNumber>;

export const ATOM_KINDS = [
  'cleanReps',
  'holdS',
  'effortAtMost',
  'faultsAtMost',
  'painAtMost',
  'sideDifferenceAtMost',
] as const satisfies readonly Atom['kind'][];

/** How a level grows before the next one is asked for; tried in the order of the level's list. */
export type WayOn =
  | { way: 'repetitions'; step: number; upTo: number }
  | { way: 'seconds'; step: number; upTo: number }
  | { way: 'sets'; step: number; upTo: number }
  | { way: 'load'; stepKg: number; upToKg: number; equipment?: string }
  | { way: 'slower lowering'; stepS: number; upToS: number }
  | { way: 'fewer aids'; aid: string };

export function isAtom<N>(c: Criterion<N>): c is Atom<N> {
  return c.kind !== 'all' && c.kind !== 'any' && c.kind !== 'not' && c.kind !== 'sessionsRunning';
}

/** Largest number of running sessions asked for anywhere in the tree (at least 1). */
export function sessionsLookedAt(c: Criterion): number {
  switch (c.kind) {
    case 'all':
    case 'any':
      return Math.max(1, ...c.of.map(sessionsLookedAt));
    case 'not':
      return sessionsLookedAt(c.of);
    case 'sessionsRunning':
      // A nested run looks back from the start of each session of the outer one.
      return c.sessions + sessionsLookedAt(c.of) - 1;
    default:
      return 1;
  }
}
