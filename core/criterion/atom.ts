import type { VariationFacts } from '../log/index.ts';
import type { Felt, RuledNumber, Slug } from '../terms/index.ts';
import type { EvaluationContext, Found, Seen } from './context.ts';
import type { Pool } from './pool.ts';
import type { Finding } from './finding.ts';
import type { Within } from './window.ts';
import type { NameOfLevel } from './words.ts';

/**
 * An atom of a criterion is one file in atoms/: what it asks, with which parameters, how it reads, how it is judged,
 * which evidence it needs and why a variation can never meet it. Types, schema, sentence, editor and generators are
 * made from these.
 */
interface NumberParam {
  is: 'number';
  /** What the box is called. */
  label: string;
  from: number;
  to: number;
  whole: boolean;
  /** What is usually asked. */
  usual: readonly [from: number, to: number];
}
/** A number that may be left out: then something else is asked. */
interface OptionalNumberParam extends Omit<NumberParam, 'is'> {
  is: 'optional number';
  /** What is chosen between, and the words of either. */
  question: string;
  without: string;
  with: string;
  start: number;
  after: string;
}
/** The amount of the aid that the parameter "aid" names. */
interface AidAmountParam extends Omit<NumberParam, 'is'> {
  is: 'aid amount';
}
interface ChoiceParam {
  is: 'choice';
  label: string;
  of: readonly (string | number)[];
  /** What a choice is called; absent: as it is written. */
  word?: (choice: never) => string;
  /** What another choice makes of the other parameters. */
  resets?: object;
}
interface FeltParam {
  is: 'felt';
  /** What is asked where no sensation is named. */
  otherwise: string;
}
interface LevelParam {
  is: 'ladder' | 'level';
}
export type Param = NumberParam | OptionalNumberParam | AidAmountParam | ChoiceParam | FeltParam | LevelParam;
export type Params = Readonly<Record<string, Param>>;

type Value<P extends Param, N> = P extends { is: 'number' | 'optional number' | 'aid amount' }
  ? N
  : P extends { is: 'choice'; of: readonly (infer T)[] }
    ? T
    : P extends { is: 'felt' }
      ? Felt
      : Slug;
type OptionalKey<P extends Params> = {
  [K in keyof P]: P[K]['is'] extends 'optional number' | 'felt' ? K : never;
}[keyof P];

/** An atom as it is written; `N` is what its numbers are: settled, or by a house rule. */
export type AtomOf<K extends string, P extends Params, N> = { kind: K } & {
  -readonly [M in Exclude<keyof P, OptionalKey<P>>]: Value<P[M], N>;
} & { -readonly [M in OptionalKey<P>]?: Value<P[M], N> };

interface About<K extends string, P extends Params> {
  kind: K;
  /** What it is called in a list. */
  name: string;
  params: P;
  /** As it is first put down; the numbers are common practice, to be changed. */
  blank: Omit<AtomOf<K, P, number>, 'kind'>;
  /** The number that a house rule may decide. */
  main?: keyof P & string;
  /** Beside its name: as it is wanted, and turned round. */
  either: readonly [is: string, not: string];
  /** Its controls in a row: parameters in braces between words. */
  controls: string;
  /** What its numbers are measured in: one, and more. */
  unit?: (atom: AtomOf<K, P, number>) => readonly [one: string, many: string];
  /** As it is wanted, and as it reads under "not". */
  sentence: (atom: AtomOf<K, P, RuledNumber>, nameOf: NameOfLevel) => readonly [is: string, not: string];
  /** What has to be logged, asked or measured before it can be judged. */
  needs: (atom: AtomOf<K, P, unknown>) => string[];
  /** Why it can never be met with a variation, as a sentence; null where it can. */
  never?: (atom: AtomOf<K, P, unknown>, v: VariationFacts) => string | null;
  /** Whether it rests on pain, which only staff of the squad may see. */
  health?: (atom: AtomOf<K, P, unknown>) => boolean;
  /** The threshold that it sets for a measure drawn over time, kg of load by the mass. */
  threshold?: (atom: AtomOf<K, P, number>, massKg: number | null) => Partial<Record<Measure, number | null>>;
}
/** What of a log can be drawn over time. */
export type Measure = 'clean repetitions' | 'seconds held' | 'rounds' | 'load' | 'effort';

/** Reads logged sets, over a window. */
export interface SetAtomAbout<K extends string, P extends Params> extends About<K, P> {
  reads: 'sets';
  /** It shows only to somebody who watches: sessions in which nothing was watched are left out. */
  watched?: true;
  /** What is found although the level has no session in the window; null: nothing that decides. */
  beforeAnySession?: (
    atom: AtomOf<K, P, number> & Within,
    pool: Pool,
    ctx: EvaluationContext,
  ) => Finding | null;
  /** What is needed, in its own unit; null: nothing that is a number. */
  needed: (atom: AtomOf<K, P, number>) => number | null;
  judge: (atom: AtomOf<K, P, number> & Within, pool: Pool, ctx: EvaluationContext) => Finding;
}
/** Reads something else than a window of sets. */
export interface OtherAtomAbout<K extends string, P extends Params> extends About<K, P> {
  reads: 'else';
  judge: (atom: AtomOf<K, P, number>, seen: Seen, ctx: EvaluationContext) => Found;
  /** Days it looks back whatever the window. */
  looksBackDays?: number;
  /** It compares the sides: the one that falls short is behind. */
  between?: true;
}

export const setAtom = <const K extends string, const P extends Params>(
  about: Omit<SetAtomAbout<K, P>, 'reads'>,
): SetAtomAbout<K, P> => ({ reads: 'sets', ...about });
export const otherAtom = <const K extends string, const P extends Params>(
  about: Omit<OtherAtomAbout<K, P>, 'reads'>,
): OtherAtomAbout<K, P> => ({ reads: 'else', ...about });

/** Nothing of the kind has been logged, noted or done yet. */
export const unknownYet = (needed: number | null, why: string, ask = 'Log a session'): Found => ({
  judgement: 'unknown',
  needed,
  seen: null,
  margin: null,
  account: why === NOTHING_YET ? why : `not known: ${why}`,
  setIds: [],
  ask,
  sides: [],
  date: null,
});
export const NOTHING_YET = 'nothing that counts at this level yet';

/** So many were counted of what is needed. */
export const counted = (seen: number, needed: number, account: string, date: Found['date']): Found => ({
  judgement: seen >= needed ? 'met' : 'not met',
  needed,
  seen,
  margin: seen - needed,
  account,
  setIds: [],
  ask: null,
  sides: [],
  date,
});

/** So it is, or not. */
export const fact = (so: boolean, account: string, date: Found['date']): Found => ({
  judgement: so ? 'met' : 'not met',
  needed: null,
  seen: null,
  margin: null,
  account,
  setIds: [],
  ask: null,
  sides: [],
  date,
});
