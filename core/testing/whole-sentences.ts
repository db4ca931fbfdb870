import type { Judged } from '../criterion/index.ts';
import { nextSet } from '../ladder/index.ts';
import type { Decision, DecisionInput } from '../ladder/index.ts';

const accounts = (j: Judged): string[] => [j.account, ...j.parts.flatMap(accounts)];

function saidIn(d: Decision): string[] {
  return [
    ...[...d.reasons, ...d.missing, ...d.plan.why].map((r) => r.text),
    ...accounts(d.advance),
    ...accounts(d.stepBack),
    d.grow.account,
    ...(d.plan.last ? [d.plan.last] : []),
    ...(d.variationNote ? [d.variationNote] : []),
  ].filter((t) => t !== '');
}

const NOUNS = 'repetition|session|set|day|hold|round|week|pad';
const ONE_OF_MANY = new RegExp(`(?<![\\d.,])1 (clean |more |watched |more clean )?(${NOUNS})s\\b`);
const MANY_OF_ONE = new RegExp(`(?<![\\d.])(?!1 )\\d+ (clean |more |watched )?(${NOUNS})\\b(?!s)`);

/** What is wrong with a sentence, whatever it says; null: nothing. */
function wrongWith(text: string): string | null {
  if (/undefined|NaN|Infinity|\bnull\b|\[object/.test(text)) return 'nothing was meant';
  if (/not known:? *not known/.test(text)) return 'not known twice';
  if (text.includes('One of: One of')) return 'one of one of';
  if (/\( and|, said by \.|\(:/.test(text)) return 'something left out';
  if (ONE_OF_MANY.test(text)) return 'one of many';
  if (MANY_OF_ONE.test(text)) return 'many of one';
  if (/ {2}|\.\.|,,| \.|^\s|\s$/.test(text)) return 'a slip of the pen';
  return null;
}

/** A need that what was seen meets: "Needs 2 sets of 10 … (seen 10, 11 clean)". */
function readsAsMet(text: string): boolean {
  const need =
    /^Needs (\d+) sets? of (\d+) clean repetitions?(?! with)[^(]*\(\S+ seen ([\d, ]+) clean\)/.exec(text);
  if (!need) return false;
  const [, sets, reps, seen] = need;
  return seen!.split(', ').filter((n) => Number(n) >= Number(reps)).length >= Number(sets);
}

/** Everything that is wrong with what is said of a decision: a sentence that is not whole, a need that reads as met. */
export function wrongInWords(of: DecisionInput, d: Decision): string[] {
  const next = d.variation && nextSet(of.sets, of.facts.get(d.variation)!, d.plan, of.today);
  const texts = [...saidIn(d), ...(next ? next.why : [])];
  // Unclean is only what had a fault that spoils a repetition.
  const spoilt = of.sets.some((s) => s.faults.some((f) => f.fault !== 'noted'));
  const unclean = (t: string) =>
    /\bnot clean\b/.test(t) && !/lacking or not clean|repetition that is not clean/.test(t);
  return [
    ...texts.flatMap((t) => (wrongWith(t) ? [`${wrongWith(t)}: ${t}`] : [])),
    ...d.missing.flatMap((r) => (readsAsMet(r.text) ? [`reads as met: ${r.text}`] : [])),
    ...(spoilt ? [] : texts.filter(unclean).map((t) => `nothing was unclean: ${t}`)),
  ];
}
