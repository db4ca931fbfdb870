import type { RuledNumber } from '../terms/index.ts';
import { ATOMS } from './atoms.ts';
import type { AtomOf, Measure, OtherAtomAbout, Params, SetAtomAbout } from './atom.ts';
import type { EvaluationContext, Found, Seen } from './context.ts';
import type { Pool } from './pool.ts';
import type { Finding } from './finding.ts';
import type { NameOfLevel } from './words.ts';
import type { VariationFacts } from '../log/index.ts';
import type { Within } from './window.ts';

type Abouts = typeof ATOMS;
type AtomKind = keyof Abouts;
/** Type and parameters of each kind of atom, as its file gives them. */
type AtomKinds<N> = {
  [K in AtomKind]: Abouts[K] extends SetAtomAbout<infer Kind, infer P>
    ? AtomOf<Kind, P, N> & Within
    : Abouts[K] extends OtherAtomAbout<infer Kind, infer P>
      ? AtomOf<Kind, P, N>
      : never;
};
type SetKind = {
  [K in AtomKind]: Abouts[K] extends { reads: 'sets' } ? K : never;
}[AtomKind];

/** Atoms that read logged sets, over a window. */
export type SetAtom<N = number> = AtomKinds<N>[SetKind];
/** Atoms that read something else than a window of sets. */
export type OtherAtom<N = number> = AtomKinds<N>[Exclude<AtomKind, SetKind>];
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

export const ATOM_KINDS = Object.keys(ATOMS) as AtomKind[];

/** What is known of an atom, whichever it is. */
interface AnyAbout {
  params: Params;
  name: string;
  main?: string;
  either: readonly [is: string, not: string];
  controls: string;
  blank: object;
  unit?: (atom: Atom) => readonly [one: string, many: string];
  sentence: (atom: RuledAtom, nameOf: NameOfLevel) => readonly [is: string, not: string];
  needs: (atom: Atom<unknown>) => string[];
  never?: (atom: Atom<unknown>, v: VariationFacts) => string | null;
  health?: (atom: Atom<unknown>) => boolean;
  threshold?: (atom: Atom, massKg: number | null) => Partial<Record<Measure, number | null>>;
}
interface AnySetAbout extends AnyAbout {
  reads: 'sets';
  watched?: true;
  beforeAnySession?: (atom: Atom, pool: Pool, ctx: EvaluationContext) => Finding | null;
  needed: (atom: Atom) => number | null;
  judge: (atom: Atom, pool: Pool, ctx: EvaluationContext) => Finding;
}
interface AnyOtherAbout extends AnyAbout {
  reads: 'else';
  judge: (atom: Atom, seen: Seen, ctx: EvaluationContext) => Found;
  looksBackDays?: number;
  between?: true;
}
// The file of a kind is held to its own parameters; whoever asks by the kind of an atom gives that atom.
export const aboutAtom = (kind: AtomKind): AnySetAbout | AnyOtherAbout =>
  ATOMS[kind] as unknown as AnySetAbout | AnyOtherAbout;
/** The parameters of an atom by name. */
export const paramsOf = (kind: AtomKind): Params => ATOMS[kind].params;

/** Criteria beyond this are refused: nobody could hold them in their head. */
export const MOST_DEPTH = 6;
export const MOST_ATOMS = 40;

export function isAtom<N>(c: Criterion<N>): c is Atom<N> {
  return c.kind !== 'all' && c.kind !== 'any' && c.kind !== 'not' && c.kind !== 'sessionsRunning';
}

export const readsSets = <N>(a: Atom<N>): a is SetAtom<N> => ATOMS[a.kind].reads === 'sets';

/** The ladders and levels that an atom names. */
export const levelNamedBy = (a: Atom<unknown>): { ladder: string; level: string } | null =>
  a.kind === 'levelHeld' ? a : null;

/** Every atom of the tree, in reading order. */
export function leavesOf<N>(c: Criterion<N>): Atom<N>[] {
  if (c.kind === 'all' || c.kind === 'any') return c.of.flatMap(leavesOf);
  if (c.kind === 'not') return [c.of];
  return c.kind === 'sessionsRunning' ? leavesOf(c.of) : [c];
}

/** Whether it asks for anything that shows only to somebody who watches. */
export const needsWatching = (c: Criterion): boolean =>
  leavesOf(c).some((a) => {
    const about = aboutAtom(a.kind);
    return about.reads === 'sets' && about.watched === true;
  });

/** Sets of a session that have to be watched for it; 0: none. */
export const setsToWatch = (c: Criterion): number =>
  Math.max(
    0,
    ...leavesOf(c).map((a) => {
      const about = aboutAtom(a.kind);
      if (about.reads !== 'sets' || about.watched !== true) return 0;
      return 'sets' in a && typeof a.sets === 'number' ? a.sets : 1;
    }),
  );

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

/** The evidence window of the criterion; at least one session. */
export function looksBack(c: Criterion): LooksBack {
  switch (c.kind) {
    case 'all':
    case 'any':
      return c.of.map((part) => looksBack(part)).reduce(farther, { sessions: 1, days: 0 });
    case 'not':
      return looksBack(c.of);
    case 'sessionsRunning': {
      // A nested run looks back from the start of each session of the outer one.
      const inner = looksBack(c.of);
      return { sessions: c.sessions + inner.sessions - 1, days: inner.days };
    }
    default: {
      const about = aboutAtom(c.kind);
      if (about.reads === 'else') return { sessions: 1, days: about.looksBackDays ?? 0 };
      const within = 'within' in c ? c.within : undefined;
      if (within?.over === 'sessions') return { sessions: within.last, days: 0 };
      return { sessions: 1, days: within?.over === 'days' ? within.last : 0 };
    }
  }
}
