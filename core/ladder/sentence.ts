import { SEVERITY_WORDS } from '../library/index.ts';
import type { RuledNumber, Severity } from '../library/index.ts';
import type { RuledAtom, RuledCriterion, WayOn } from './criteria.ts';

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

function atomSentence(a: RuledAtom): string {
  switch (a.kind) {
    case 'cleanReps':
      return `${plural(a.sets, 'set')} of ${plural(a.reps, 'clean repetition')}`;
    case 'holdS':
      return `${plural(a.sets, 'hold')} of ${said(a.seconds)} s`;
    case 'effortAtMost':
      return `effort at most ${said(a.effort)} of 10`;
    case 'faultsAtMost':
      return a.count === 0
        ? `no repetition with ${faultWords(a.severity)}`
        : `at most ${plural(a.count, 'repetition')} with ${faultWords(a.severity)}`;
    case 'painAtMost':
      return a.pain === 0 ? 'no pain' : `pain at most ${said(a.pain)} of 10`;
    case 'sideDifferenceAtMost':
      return `left and right within ${said(a.percent)} % of each other`;
  }
}

function negatedSentence(a: RuledAtom): string {
  switch (a.kind) {
    case 'cleanReps':
      return `fewer than ${plural(a.sets, 'set')} of ${plural(a.reps, 'clean repetition')}`;
    case 'holdS':
      return `fewer than ${plural(a.sets, 'hold')} of ${said(a.seconds)} s`;
    case 'effortAtMost':
      return `effort above ${said(a.effort)} of 10`;
    case 'faultsAtMost':
      return a.count === 0
        ? `a repetition with ${faultWords(a.severity)}`
        : `more than ${plural(a.count, 'repetition')} with ${faultWords(a.severity)}`;
    case 'painAtMost':
      return a.pain === 0 ? 'any pain' : `pain above ${said(a.pain)} of 10`;
    case 'sideDifferenceAtMost':
      return `left and right more than ${said(a.percent)} % apart`;
  }
}

/**
 * The criterion as a plain English phrase without capital or full stop,
 * e.g. "2 sets of 12 clean repetitions, in 2 sessions running".
 */
export function sentenceOf(c: RuledCriterion): string {
  switch (c.kind) {
    case 'all':
      return c.of.length ? c.of.map(bracketed('any')).join('; and ') : 'nothing is asked';
    case 'any':
      return c.of.length ? c.of.map(bracketed('all')).join('; or ') : 'never';
    case 'not':
      return negatedSentence(c.of);
    case 'sessionsRunning':
      return `${bracketed('all', 'any')(c.of)}, in ${plural(c.sessions, 'session')} running`;
    default:
      return atomSentence(c);
  }
}

const bracketed =
  (...kinds: RuledCriterion['kind'][]) =>
  (c: RuledCriterion) =>
    kinds.includes(c.kind) ? `(${sentenceOf(c)})` : sentenceOf(c);

/** One phrase per top-level part: how a ladder and a sheet list what a level asks. */
export function sentencesOf(c: RuledCriterion): string[] {
  return (c.kind === 'all' || c.kind === 'any' ? c.of : [c]).map(sentenceOf);
}

/** A way on inside a level, as a phrase. */
export function wayOnSentence(w: WayOn): string {
  switch (w.way) {
    case 'repetitions':
      return `${plural(w.step, 'more repetition', 'more repetitions')} a set, up to ${w.upTo}`;
    case 'seconds':
      return `${w.step} s longer, up to ${w.upTo} s`;
    case 'sets':
      return `${plural(w.step, 'more set', 'more sets')}, up to ${w.upTo}`;
    case 'load':
      return `${w.stepKg} kg more, up to ${w.upToKg} kg`;
    case 'slower lowering':
      return `lowering ${w.stepS} s slower, up to ${w.upToS} s`;
    case 'fewer aids':
      return `without ${w.aid}`;
  }
}
