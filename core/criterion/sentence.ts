import { ATOMS } from './atoms.ts';
import { aboutAtom, isAtom } from './criteria.ts';
import type { Atom, RuledAtom, RuledCriterion } from './criteria.ts';
import type { Window } from './window.ts';
import { byId, plural } from './words.ts';
import type { NameOfLevel } from './words.ts';

const windowWords = (w: Window | undefined): string => {
  switch (w?.over) {
    case undefined:
      return '';
    case 'set':
      return ' in the last set';
    case 'sessions':
      return ` over the last ${plural(w.last, 'session')}`;
    case 'days':
      return ` in the last ${plural(w.last, 'day')}`;
  }
};

/** The atom as it is wanted, and as it reads under "not". */
const words = (a: RuledAtom, nameOf: NameOfLevel) => aboutAtom(a.kind).sentence(a, nameOf);

const withinOf = (a: RuledAtom) => windowWords('within' in a ? a.within : undefined);

/**
 * The criterion as a plain English phrase without capital or full stop,
 * e.g. "2 sets of 12 clean repetitions, in 2 sessions running". Two criteria share a phrase only when they ask the
 * same: brackets that change nothing are not written.
 */
export function sentenceOf(c: RuledCriterion, nameOf: NameOfLevel = byId): string {
  switch (c.kind) {
    case 'all':
    case 'any': {
      if (c.of.length === 0) return c.kind === 'all' ? 'nothing is asked' : 'never';
      if (c.of.length === 1) return sentenceOf(lone(c), nameOf);
      const joiner = c.kind === 'all' ? '; and ' : '; or ';
      return c.of.map((part) => inGroup(part, c.kind, nameOf)).join(joiner);
    }
    case 'not':
      return words(c.of, nameOf)[1] + withinOf(c.of);
    case 'sessionsRunning': {
      const of = lone(c.of);
      const inner = sentenceOf(of, nameOf);
      return `${isAtom(of) || of.kind === 'not' ? inner : `(${inner})`}, in ${plural(c.sessions, 'session')} running`;
    }
    default:
      return words(c, nameOf)[0] + withinOf(c);
  }
}

/** A group of one reads as its part. */
function lone(c: RuledCriterion): RuledCriterion {
  return (c.kind === 'all' || c.kind === 'any') && c.of.length === 1 ? lone(c.of[0]!) : c;
}

function inGroup(c: RuledCriterion, outer: 'all' | 'any', nameOf: NameOfLevel): string {
  const of = lone(c);
  const other = (of.kind === 'all' || of.kind === 'any') && of.kind !== outer;
  return other ? `(${sentenceOf(of, nameOf)})` : sentenceOf(of, nameOf);
}

/** One phrase per top-level part: how a ladder and a sheet list what a level asks. */
export function sentencesOf(c: RuledCriterion, nameOf: NameOfLevel = byId): string[] {
  return (c.kind === 'all' || c.kind === 'any' ? c.of : [c]).map((part) => sentenceOf(part, nameOf));
}

/** What a kind of atom is called in a list. */
export const atomName = (kind: Atom['kind']): string => ATOMS[kind].name;
