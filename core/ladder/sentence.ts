import { SEVERITY_WORDS } from '../library/index.ts';
import type { Severity } from '../library/index.ts';
import type { Atom, Criterion, WayOn } from './criteria.ts';

const plural = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

const faultWords = (severity: Severity) =>
  severity === 3
    ? 'a stop fault'
    : severity === 2
      ? `a fault to ${SEVERITY_WORDS[2]}`
      : 'any fault, even one only noted';

function atomSentence(a: Atom): string {
  switch (a.kind) {
    case 'cleanReps':
      return `${plural(a.sets, 'set')} of ${plural(a.reps, 'clean repetition')}`;
    case 'holdS':
      return `${plural(a.sets, 'hold')} of ${a.seconds} s`;
    case 'effortAtMost':
      return `effort at most ${a.effort} of 10`;
    case 'faultsAtMost':
      return a.count === 0
        ? `no repetition with ${faultWords(a.severity)}`
        : `at most ${plural(a.count, 'repetition')} with ${faultWords(a.severity)}`;
    case 'painAtMost':
      return a.pain === 0 ? 'no pain' : `pain at most ${a.pain} of 10`;
    case 'sideDifferenceAtMost':
      return `left and right within ${a.percent} % of each other`;
  }
}

function negatedSentence(a: Atom): string {
  switch (a.kind) {
    case 'cleanReps':
      return `fewer than ${plural(a.sets, 'set')} of ${plural(a.reps, 'clean repetition')}`;
    case 'holdS':
      return `fewer than ${plural(a.sets, 'hold')} of ${a.seconds} s`;
    case 'effortAtMost':
      return `effort above ${a.effort} of 10`;
    case 'faultsAtMost':
      return a.count === 0
        ? `a repetition with ${faultWords(a.severity)}`
        : `more than ${plural(a.count, 'repetition')} with ${faultWords(a.severity)}`;
    case 'painAtMost':
      return a.pain === 0 ? 'any pain' : `pain above ${a.pain} of 10`;
    case 'sideDifferenceAtMost':
      return `left and right more than ${a.percent} % apart`;
  }
}

/**
 * The criterion as a plain English phrase without capital or full stop,
 * e.g. "2 sets of 12 clean repetitions, in 2 sessions running".
 */
export function sentenceOf(c: Criterion): string {
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
  (...kinds: Criterion['kind'][]) =>
  (c: Criterion) =>
    kinds.includes(c.kind) ? `(${sentenceOf(c)})` : sentenceOf(c);

/** One phrase per top-level part: how a ladder and a sheet list what a level asks. */
export function sentencesOf(c: Criterion): string[] {
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
