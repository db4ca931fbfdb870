import type { Aid, Felt, RuledNumber, Severity, Signer, Slug } from '../terms/index.ts';

/**
 * Where an atom looks in the level's evidence; absent: the sets of one session.
 * `set` is the last set of that session, of each side where the sides are logged apart.
 */
export type Window = { over: 'set' } | { over: 'sessions'; last: number } | { over: 'days'; last: number };

interface Within {
  within?: Window;
}

/** What a load is measured in. */
export const LOAD_UNITS = ['kg', '% of body mass'] as const;
export type LoadUnit = (typeof LOAD_UNITS)[number];

/** Atoms that read logged sets, over a window. */
export type SetAtom<N = number> = Within &
  (
    | { kind: 'cleanReps'; reps: N; sets: N }
    | { kind: 'holdS'; seconds: N; sets: N }
    | { kind: 'cleanRounds'; rounds: N; sets: N }
    /** Sets of so many clean repetitions with at least so much, of the variation's own load kind. */
    | { kind: 'load'; load: N; unit: LoadUnit; reps: N; sets: N }
    | { kind: 'effortAtMost'; effort: N }
    | { kind: 'tempoKept'; percent: N }
    /** The variation's own target, or a measured angle of at least so many degrees. */
    | { kind: 'rangeReached'; sets: N; degrees?: N }
    | { kind: 'faultsAtMost'; severity: Severity; count: N }
    /** As the variation wants it, or the one sensation named. */
    | { kind: 'felt'; sets: N; felt?: Felt }
    /** Nothing the variation calls unwanted, or not the one sensation named. */
    | { kind: 'notFelt'; felt?: Felt }
    | { kind: 'painAtMost'; pain: N }
    | { kind: 'aidsAtMost'; aid: Aid; most: N }
    | { kind: 'easeAtLeast'; ease: N }
  );

/** Atoms that read something else than a window of sets. */
export type OtherAtom<N = number> =
  /** From side tests, which have a window of their own. */
  | { kind: 'sideDifferenceAtMost'; percent: N }
  | { kind: 'sessionsHere'; sessions: N }
  | { kind: 'daysHere'; days: N }
  | { kind: 'levelHeld'; ladder: Slug; level: Slug }
  | { kind: 'signedOff'; by: Signer };

/** One thing that can be seen, asked or counted. */
export type Atom<N = number> = SetAtom<N> | OtherAtom<N>;

/** The criteria of a level as data, with every number settled: what is judged. */
export type Criterion<N = number> =
  | Atom<N>
  | { kind: 'all'; of: Criterion<N>[] }
  | { kind: 'any'; of: Criterion<N>[] }
  | { kind: 'not'; of: Atom<N> }
  /** The same held in each of the last N sessions. */
  | { kind: 'sessionsRunning'; sessions: number; of: Criterion<N> };

/** As written: a number may depend on the answer to a house question. */
export type RuledAtom = Atom<RuledNumber>;
export type RuledCriterion = Criterion<RuledNumber>;

export const SET_ATOM_KINDS = [
  'cleanReps',
  'holdS',
  'cleanRounds',
  'load',
  'effortAtMost',
  'tempoKept',
  'rangeReached',
  'faultsAtMost',
  'felt',
  'notFelt',
  'painAtMost',
  'aidsAtMost',
  'easeAtLeast',
] as const satisfies readonly SetAtom['kind'][];

export const ATOM_KINDS = [
  ...SET_ATOM_KINDS,
  'sideDifferenceAtMost',
  'sessionsHere',
  'daysHere',
  'levelHeld',
  'signedOff',
] as const satisfies readonly Atom['kind'][];

/** Criteria beyond this are refused: nobody could hold them in their head. */
export const MOST_DEPTH = 6;
export const MOST_ATOMS = 40;

export function isAtom<N>(c: Criterion<N>): c is Atom<N> {
  return c.kind !== 'all' && c.kind !== 'any' && c.kind !== 'not' && c.kind !== 'sessionsRunning';
}

export function readsSets<N>(a: Atom<N>): a is SetAtom<N> {
  return (SET_ATOM_KINDS as readonly string[]).includes(a.kind);
}

/** Every atom of the tree, in reading order. */
export function leavesOf<N>(c: Criterion<N>): Atom<N>[] {
  if (c.kind === 'all' || c.kind === 'any') return c.of.flatMap(leavesOf);
  if (c.kind === 'not') return [c.of];
  return c.kind === 'sessionsRunning' ? leavesOf(c.of) : [c];
}

/** Groups and runs above the deepest atom, plus one. */
export function depthOf<N>(c: Criterion<N>): number {
  if (c.kind === 'all' || c.kind === 'any') return 1 + Math.max(0, ...c.of.map(depthOf));
  return c.kind === 'sessionsRunning' ? 1 + depthOf(c.of) : 1;
}

/**
 * The same criterion without brackets that change nothing: groups of one, and groups directly inside a group of
 * their own kind. Two criteria read as the same sentence exactly when these are equal.
 */
export function simplified<N>(c: Criterion<N>): Criterion<N> {
  if (c.kind === 'sessionsRunning') return { ...c, of: simplified(c.of) };
  if (c.kind !== 'all' && c.kind !== 'any') return c;
  const of = c.of.map(simplified).flatMap((part) => (part.kind === c.kind ? part.of : [part]));
  return of.length === 1 ? of[0]! : { ...c, of };
}

/** How far back a criterion looks: so many sessions, and all sessions of so many days. */
export interface LooksBack {
  sessions: number;
  days: number;
}

const farther = (a: LooksBack, b: LooksBack): LooksBack => ({
  sessions: Math.max(a.sessions, b.sessions),
  days: Math.max(a.days, b.days),
});

/** The evidence window of the criterion; at least one session. `sideTestDays`: how long a side test counts. */
export function looksBack(c: Criterion, sideTestDays: number): LooksBack {
  switch (c.kind) {
    case 'all':
    case 'any':
      return c.of.map((part) => looksBack(part, sideTestDays)).reduce(farther, { sessions: 1, days: 0 });
    case 'not':
      return looksBack(c.of, sideTestDays);
    case 'sessionsRunning': {
      // A nested run looks back from the start of each session of the outer one.
      const inner = looksBack(c.of, sideTestDays);
      return { sessions: c.sessions + inner.sessions - 1, days: inner.days };
    }
    case 'sideDifferenceAtMost':
      return { sessions: 1, days: sideTestDays };
    default: {
      const within = 'within' in c ? c.within : undefined;
      if (within?.over === 'sessions') return { sessions: within.last, days: 0 };
      return { sessions: 1, days: within?.over === 'days' ? within.last : 0 };
    }
  }
}
