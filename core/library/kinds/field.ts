import type { RuledCriterion } from '../../criterion/index.ts';
import type { Mechanics } from '../../posture/index.ts';
import type { RuledNumber, Slug } from '../../terms/index.ts';
import type { HoldsUnder, Line } from '../line.ts';
import type { Predicate } from '../predicates.ts';
import type { WayOn } from '../way-on.ts';
import type { Kind } from './kind.ts';

/**
 * A member of a document, described once: what it is, its bounds and unit, its label and section, whether it must be
 * there and what it is before anything is written. Types, schema, blank documents, the form and the health of the
 * library are made from it.
 */
interface About {
  label: string;
  /** May be left out of the document. */
  optional?: true;
  /** A section of the form begins with it. */
  section?: string;
  /** What it is in a new document; absent: as its kind of member begins. */
  blank?: unknown;
  /** A new document has its name here. */
  named?: true;
  hint?: string;
  /** What it is told under where its label is more than a word; else the word under which its absence is told. */
  heading?: string;
  /** Nothing said in it is told under this name. */
  needed?: string;
  /** The same, but not of what only prepares. */
  neededForWork?: string;
}
export type DocumentField = About &
  (
    | { is: 'text'; most: number; loose?: true }
    /**
     * `own`: the name by which other members of the document mean this item; made once, never seen. `among`: it means an
     * item of that list of the document. `onLadder`: it means a level of the ladder that this member beside it names.
     */
    | { is: 'short id'; own?: true; among?: string; onLadder?: string }
    | { is: 'date' }
    | { is: 'number'; from: number; to: number; whole?: true; unit?: string; step?: number }
    | { is: 'ruled number'; from: number; to: number; unit: string }
    | {
        is: 'choice';
        of: readonly (string | number)[];
        words?: Readonly<Record<string, string>>;
        /** What leaving it out means. */
        none?: string;
      }
    | { is: 'choices'; of: readonly string[]; most: number; least?: number }
    | { is: 'flag' }
    | { is: 'line' }
    | { is: 'lines'; least?: number }
    | { is: 'house rule' }
    | { is: 'document'; of: Kind }
    | { is: 'documents'; of: Kind; most: number }
    | { is: 'short ids'; most: number; among?: string }
    /** Short texts, as they are said. */
    | { is: 'names'; most: number }
    | { is: 'list'; item: string; fields: DocumentFields; most: number; least?: number }
    | { is: 'groups'; fields: DocumentFields; most: number; mostGroups: number }
    | { is: 'group'; fields: DocumentFields }
    | { is: 'mechanics' }
    | { is: 'predicate' }
    | { is: 'criterion'; negated?: true }
    | { is: 'ways on'; most: number }
  );
export type DocumentFields = { readonly [name: string]: DocumentField };

type ValueOf<F extends DocumentField> = F extends { is: 'text' | 'short id' | 'date' }
  ? string
  : F extends { is: 'number' }
    ? number
    : F extends { is: 'ruled number' }
      ? RuledNumber
      : F extends { is: 'choice'; of: readonly (infer T)[] }
        ? T
        : F extends { is: 'choices'; of: readonly (infer T)[] }
          ? T[]
          : F extends { is: 'flag' }
            ? boolean
            : F extends { is: 'line' }
              ? Line
              : F extends { is: 'lines' }
                ? Line[]
                : F extends { is: 'house rule' }
                  ? HoldsUnder
                  : F extends { is: 'document' }
                    ? Slug
                    : F extends { is: 'documents' | 'short ids' | 'names' }
                      ? Slug[]
                      : F extends { is: 'list'; fields: infer Fs extends DocumentFields }
                        ? ValuesOf<Fs>[]
                        : F extends { is: 'groups'; fields: infer Fs extends DocumentFields }
                          ? ValuesOf<Fs>[][]
                          : F extends { is: 'group'; fields: infer Fs extends DocumentFields }
                            ? ValuesOf<Fs>
                            : F extends { is: 'mechanics' }
                              ? Mechanics
                              : F extends { is: 'predicate' }
                                ? Predicate
                                : F extends { is: 'criterion' }
                                  ? RuledCriterion
                                  : F extends { is: 'ways on' }
                                    ? WayOn[]
                                    : never;
type OptionalName<Fs extends DocumentFields> = {
  [K in keyof Fs]: Fs[K] extends { optional: true } ? K : never;
}[keyof Fs];
/** The members of a document, or of an item of one of its lists, with their types. */
export type ValuesOf<Fs extends DocumentFields> = {
  -readonly [K in Exclude<keyof Fs, OptionalName<Fs>>]: ValueOf<Fs[K]>;
} & { -readonly [K in OptionalName<Fs>]?: ValueOf<Fs[K]> };

/** Members as they are written; kinds.ts holds them to what a member is. */
export const fields = <const Fs>(of: Fs): Fs => of;

type Extra = Partial<Omit<About, 'label'>>;
export const text = <const E extends Extra & { loose?: true }>(label: string, most: number, extra?: E) =>
  ({ is: 'text', label, most, ...(extra as E) }) as const;
export const lines = <const E extends Extra & { least?: number }>(label: string, extra?: E) =>
  ({ is: 'lines', label, ...(extra as E) }) as const;
export const line = <const E extends Extra>(label: string, extra?: E) =>
  ({ is: 'line', label, ...(extra as E) }) as const;
export const flag = <const E extends Extra>(label: string, extra?: E) =>
  ({ is: 'flag', label, ...(extra as E) }) as const;
export const names = <const E extends Extra>(label: string, most: number, extra?: E) =>
  ({ is: 'names', label, most, ...(extra as E) }) as const;
export const shortId = <const E extends Extra & { own?: true; among?: string; onLadder?: string }>(
  label: string,
  extra?: E,
) => ({ is: 'short id', label, ...(extra as E) }) as const;
export const choice = <
  const T extends string | number,
  const E extends Extra & { words?: Readonly<Record<string, string>>; none?: string },
>(
  label: string,
  of: readonly T[],
  extra?: E,
) => ({ is: 'choice', label, of, ...(extra as E) }) as const;
export const choices = <const T extends string, const E extends Extra & { least?: number }>(
  label: string,
  of: readonly T[],
  most: number,
  extra?: E,
) => ({ is: 'choices', label, of, most, ...(extra as E) }) as const;
export const whole = <const E extends Extra & { unit?: string; step?: number }>(
  label: string,
  from: number,
  to: number,
  extra?: E,
) => ({ is: 'number', label, from, to, whole: true, step: 1 as number, ...(extra as E) }) as const;
export const number = <const E extends Extra & { unit?: string; step?: number }>(
  label: string,
  from: number,
  to: number,
  extra?: E,
) => ({ is: 'number', label, from, to, ...(extra as E) }) as const;
export const document = <const K extends Kind, const E extends Extra>(label: string, of: K, extra?: E) =>
  ({ is: 'document', label, of, ...(extra as E) }) as const;
export const documents = <const K extends Kind, const E extends Extra>(
  label: string,
  of: K,
  most: number,
  extra?: E,
) => ({ is: 'documents', label, of, most, ...(extra as E) }) as const;
export const list = <const Fs, const E extends Extra & { least?: number }>(
  label: string,
  item: string,
  most: number,
  of: Fs,
  extra?: E,
) => ({ is: 'list', label, item, most, fields: of, ...(extra as E) }) as const;
export const group = <const Fs, const E extends Extra>(label: string, of: Fs, extra?: E) =>
  ({ is: 'group', label, fields: of, ...(extra as E) }) as const;
