import { SEVERITY_WORDS, aidWords } from '../terms/index.ts';
import type { Aid, RuledNumber, Severity } from '../terms/index.ts';
import { isAtom } from './criteria.ts';
import type { Atom, RuledAtom, RuledCriterion, Window } from './criteria.ts';

/** Says what a level of another ladder is called; without it the ids stand. */
export type NameOfLevel = (ladder: string, level: string) => string;
const byId: NameOfLevel = (ladder, level) => `${level} on ${ladder}`;

/** A number that a house answer decides is written with what it depends on. */
const said = (n: RuledNumber): string =>
  typeof n === 'number'
    ? String(n)
    : `${n.otherwise} (${Object.entries(n.byAnswer)
        .map(([answer, x]) => `${x} while ${n.question} is ${answer}`)
        .join(', ')})`;
const plural = (n: RuledNumber, one: string, many = `${one}s`) => `${said(n)} ${n === 1 ? one : many}`;

const faultWords = (severity: Severity) =>
  severity === 3
    ? 'a stop fault'
    : severity === 2
      ? `a fault to ${SEVERITY_WORDS[2]}`
      : 'any fault, even one only noted';

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

/** What the aid may be at most, or what it is above. */
const aidLimit = (aid: Aid, most: RuledNumber): string =>
  typeof most === 'number' ? aidWords(aid, most) : `${aid} ${said(most)}`;

/** The atom as it is wanted, and as it reads under "not". */
function words(a: RuledAtom, nameOf: NameOfLevel): [is: string, not: string] {
  switch (a.kind) {
    case 'cleanReps': {
      const of = `${plural(a.sets, 'set')} of ${plural(a.reps, 'clean repetition')}`;
      return [of, `fewer than ${of}`];
    }
    case 'holdS': {
      const of = `${plural(a.sets, 'hold')} of ${said(a.seconds)} s`;
      return [of, `fewer than ${of}`];
    }
    case 'cleanRounds': {
      const of = `${plural(a.sets, 'set')} of ${plural(a.rounds, 'clean round')}`;
      return [of, `fewer than ${of}`];
    }
    case 'load': {
      const unit = a.unit === 'kg' ? 'kg' : '% of body mass';
      const of = `${plural(a.sets, 'set')} of ${plural(a.reps, 'clean repetition')} with at least ${said(a.load)} ${unit}`;
      return [of, `fewer than ${of}`];
    }
    case 'effortAtMost':
      return [`effort at most ${said(a.effort)} of 10`, `effort above ${said(a.effort)} of 10`];
    case 'tempoKept':
      return [
        `the tempo kept in at least ${said(a.percent)} % of sets`,
        `the tempo kept in under ${said(a.percent)} % of sets`,
      ];
    case 'rangeReached': {
      const sets = plural(a.sets, 'set');
      return a.degrees === undefined
        ? [`the full range reached in ${sets}`, `the full range reached in fewer than ${sets}`]
        : [`${said(a.degrees)}° reached in ${sets}`, `${said(a.degrees)}° reached in fewer than ${sets}`];
    }
    case 'faultsAtMost': {
      const fault = faultWords(a.severity);
      return a.count === 0
        ? [`no repetition with ${fault}`, `a repetition with ${fault}`]
        : [
            `at most ${plural(a.count, 'repetition')} with ${fault}`,
            `more than ${plural(a.count, 'repetition')} with ${fault}`,
          ];
    }
    case 'felt': {
      const what = a.felt ? `${a.felt.kind} felt in the ${a.felt.region}` : 'felt as wanted';
      const sets = plural(a.sets, 'set');
      return [`${what} in ${sets}`, `${what} in fewer than ${sets}`];
    }
    case 'notFelt':
      return a.felt
        ? [`no ${a.felt.kind} felt in the ${a.felt.region}`, `${a.felt.kind} felt in the ${a.felt.region}`]
        : ['nothing unwanted felt', 'something unwanted felt'];
    case 'painAtMost':
      return a.pain === 0
        ? ['no pain', 'any pain']
        : [`pain at most ${said(a.pain)} of 10`, `pain above ${said(a.pain)} of 10`];
    case 'aidsAtMost':
      return a.most === 0
        ? [aidLimit(a.aid, 0), `more than ${aidLimit(a.aid, 0)}`]
        : [`at most ${aidLimit(a.aid, a.most)}`, `more than ${aidLimit(a.aid, a.most)}`];
    case 'easeAtLeast':
      return [`at ease at least ${said(a.ease)} of 10`, `at ease below ${said(a.ease)} of 10`];
    case 'sideDifferenceAtMost':
      return [
        `left and right within ${said(a.percent)} % of each other`,
        `left and right more than ${said(a.percent)} % apart`,
      ];
    case 'sessionsHere': {
      const of = `${plural(a.sessions, 'session')} at this level`;
      return [of, `fewer than ${of}`];
    }
    case 'daysHere': {
      const of = `${plural(a.days, 'day')} at this level`;
      return [of, `fewer than ${of}`];
    }
    case 'levelHeld': {
      const level = nameOf(a.ladder, a.level);
      return [`${level} held`, `${level} not held`];
    }
    case 'signedOff': {
      const by = a.by === 'coach' ? 'a coach' : 'the head coach';
      return [`signed off by ${by}`, `not signed off by ${by}`];
    }
  }
}

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
export const ATOM_NAMES: Record<Atom['kind'], string> = {
  cleanReps: 'clean repetitions',
  holdS: 'seconds held',
  cleanRounds: 'clean rounds',
  load: 'load',
  effortAtMost: 'effort',
  tempoKept: 'tempo kept',
  rangeReached: 'range reached',
  faultsAtMost: 'faults',
  felt: 'felt where it should be',
  notFelt: 'nothing felt where it should not',
  painAtMost: 'pain',
  aidsAtMost: 'aids',
  easeAtLeast: 'at ease',
  sideDifferenceAtMost: 'left and right',
  sessionsHere: 'sessions at this level',
  daysHere: 'days at this level',
  levelHeld: 'a level of another ladder',
  signedOff: 'sign-off',
};
