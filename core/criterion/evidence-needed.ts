import type { VariationFacts } from '../log/index.ts';
import { aboutAtom } from './criteria.ts';
import type { Atom, Criterion } from './criteria.ts';

/** What has to be logged, asked or measured before an atom can be judged, as a list of phrases. */
export const evidenceNeeded = (atom: Atom<unknown>): string[] => aboutAtom(atom.kind).needs(atom);

/** Why an atom can never be met with a variation, as a sentence; null where it can. */
export const whyNever = (atom: Atom<unknown>, v: VariationFacts): string | null =>
  aboutAtom(atom.kind).never?.(atom, v) ?? null;

/** The atoms of the tree that can never be met with the variation, each with why. */
export function neverMet(c: Criterion<unknown>, v: VariationFacts): { atom: Atom<unknown>; why: string }[] {
  switch (c.kind) {
    case 'all':
    case 'any':
      return c.of.flatMap((part) => neverMet(part, v));
    case 'sessionsRunning':
      return neverMet(c.of, v);
    case 'not':
      return neverMet(c.of, v);
    default: {
      const why = whyNever(c, v);
      return why === null ? [] : [{ atom: c, why }];
    }
  }
}

/** Whether the variation can give evidence that meets the criterion: one way through an "any" is enough. */
export function canBeMet(c: Criterion<unknown>, v: VariationFacts): boolean {
  switch (c.kind) {
    case 'all':
      return c.of.every((part) => canBeMet(part, v));
    case 'any':
      return c.of.some((part) => canBeMet(part, v));
    case 'sessionsRunning':
      return canBeMet(c.of, v);
    case 'not':
      // What can never be seen is never seen not to hold either.
      return whyNever(c.of, v) === null;
    default:
      return whyNever(c, v) === null;
  }
}
