import { answerInForce } from '../library/index.ts';
import type { SettledLevel, Shelf } from '../library/index.ts';
import type { Stage, IsoDate } from '../terms/index.ts';
import type { NameOfLevel } from '../criterion/index.ts';
import type { FactsBySlug } from '../log/index.ts';
import { barring, isInForce } from './restriction.ts';
import type { Restriction } from './restriction.ts';
import { kitAtHand } from './target.ts';

export const EXPERIENCES = ['new', 'some', 'trained'] as const;
/** How well somebody knows the pattern: new to it, has done some of it, trains it. */
export type Experience = (typeof EXPERIENCES)[number];

export const TRIAL_RESULTS = ['passed', 'fault', 'not at ease', 'pain'] as const;
export type TrialResult = (typeof TRIAL_RESULTS)[number];

export interface Trial {
  level: string;
  variation: string;
  result: TrialResult;
  note: string;
}

/** The house question that says where a first day begins, and its answer that begins everybody at the bottom. */
const FIRST_LEVEL = 'first-level';
const SIMPLEST = 'simplest';

/** Whether the house rule in force begins somebody at the very lowest level. */
export function beginsSimplest(shelf: Shelf, answers: Readonly<Record<string, string>>): boolean {
  const question = shelf.get('houseQuestion', FIRST_LEVEL);
  if (!question) return false;
  return answerInForce(question, undefined, { stage: 'learning', answers }).answer === SIMPLEST;
}

/** So many trials tell enough; more only tire. */
export const MOST_TRIALS = 4;

export interface PlacementInput {
  levels: readonly Pick<SettledLevel, 'id' | 'name' | 'stage' | 'main' | 'equals' | 'entryNeeds'>[];
  facts: FactsBySlug;
  restrictions: readonly Restriction[];
  kit: ReadonlySet<string>;
  heldElsewhere: ReadonlySet<string>;
  experience: Experience;
  /** How much at ease they say they are with the pattern, 0 to 10; null: not asked. */
  atEase: number | null;
  /** An injury, operation, pregnancy or dizziness that a doctor or physiotherapist has cleared. */
  careful: boolean;
  /** The house rule: begin at the very lowest level whoever it is. */
  simplestFirst: boolean;
  trials: readonly Trial[];
  nameOf?: NameOfLevel;
  today: IsoDate;
}

export type PlacementStep =
  | { step: 'try'; level: string; variation: string; why: string[]; openFrom: string; openTo: string }
  | { step: 'place'; level: string; why: string[] }
  | { step: 'stop'; passed: string | null; why: string[] };

interface Open {
  id: string;
  name: string;
  stage: Stage;
  variation: string;
}

/** The highest stage a first trial day goes to, by experience (common practice, no source). */
const CEILING: Record<Experience, readonly Stage[]> = {
  new: ['learning'],
  some: ['learning', 'sound'],
  trained: ['learning', 'sound', 'advanced'],
};
/** Where in the open range the first trial lies, by experience (common practice, no source). */
const FIRST: Record<Experience, number> = { new: 0.25, some: 0.5, trained: 0.6 };

/**
 * The levels somebody may be tried on, with the variation to use, from the easiest; barred ones are passed over. From
 * the first that needs a level of another ladder upwards nothing is tried or given: that one is told.
 */
function openLevels(input: PlacementInput): { levels: Open[]; gatedBy: string | null } {
  const bars = input.restrictions.filter((r) => isInForce(r, input.today));
  const stages = input.careful ? CEILING.new : CEILING[input.experience];
  const unmet = (l: PlacementInput['levels'][number]) =>
    l.entryNeeds.find((n) => !input.heldElsewhere.has(`${n.ladder}/${n.level}`));
  const gate = input.levels.findIndex((l) => unmet(l) !== undefined);
  const gated = gate === -1 ? null : input.levels[gate]!;
  const levels = input.levels.slice(0, gate === -1 ? undefined : gate).flatMap((l) => {
    if (!stages.includes(l.stage)) return [];
    const variation = [l.main, ...l.equals].find((slug) => {
      const f = input.facts.get(slug);
      return f !== undefined && barring(bars, f).length === 0 && kitAtHand(f, input.kit);
    });
    return variation === undefined ? [] : [{ id: l.id, name: l.name, stage: l.stage, variation }];
  });
  if (!gated) return { levels, gatedBy: null };
  const need = unmet(gated)!;
  const needs = input.nameOf?.(need.ladder, need.level) ?? `${need.level} on the ladder ${need.ladder}`;
  return { levels, gatedBy: `Nothing from ${gated.name} upwards: that needs ${needs} first.` };
}

/**
 * The next step of placing somebody on a ladder: the level to try, the level to place on, or stop. The first trial is
 * chosen by cautions, experience and ease; each result then halves the range still open (bisection). Pain stops at
 * once. Pure: the same input gives the same step.
 */
export function placementStep(input: PlacementInput): PlacementStep {
  const { levels, gatedBy } = openLevels(input);
  const told = gatedBy === null ? [] : [gatedBy];
  const indexOf = (id: string) => levels.findIndex((l) => l.id === id);
  let low = 0;
  let high = input.simplestFirst ? Math.min(0, levels.length - 1) : levels.length - 1;
  let best = -1;
  for (const t of input.trials) {
    const i = indexOf(t.level);
    if (t.result === 'pain') {
      const passed = levels[best]?.id ?? null;
      return {
        step: 'stop',
        passed,
        why: [
          'Pain ends the trials at once. Note where, and refer if it does not settle; local rules come first.',
          passed ? `Passed before: ${levels[best]!.name}.` : 'Nothing was passed before.',
        ],
      };
    }
    if (i === -1) continue;
    if (t.result === 'passed') {
      best = Math.max(best, i);
      low = Math.max(low, i + 1);
    } else high = Math.min(high, i - 1);
  }
  if (levels.length === 0) {
    return {
      step: 'stop',
      passed: null,
      why: ['No level is permitted with the kit and the restrictions there are.', ...told],
    };
  }
  if (low > high || input.trials.length >= MOST_TRIALS) {
    const at = levels[Math.max(0, best)]!;
    const failed = [...input.trials].reverse().find((t) => t.result !== 'passed');
    const why =
      best === -1
        ? [`Nothing was passed: begin at the lowest level, ${at.name}, with all its help.`]
        : [`${at.name} is the highest level passed.`];
    if (failed && best !== -1) {
      const name = input.levels.find((l) => l.id === failed.level)?.name ?? failed.level;
      why.push(`${name} was not: ${failed.result === 'fault' ? 'a fault' : failed.result}.`);
    }
    if (low <= high) why.push(`${MOST_TRIALS} trials are enough for one day; the log will tell the rest.`);
    return { step: 'place', level: at.id, why: [...why, ...told] };
  }
  const first = input.trials.length === 0;
  const index = first ? firstIndex(input, high) : Math.floor((low + high) / 2);
  const level = levels[index]!;
  return {
    step: 'try',
    level: level.id,
    variation: level.variation,
    openFrom: levels[low]!.name,
    openTo: levels[high]!.name,
    why: [...(first ? firstReasons(input) : [halving(low, high)]), ...told],
  };
}

function firstIndex(input: PlacementInput, high: number): number {
  // Little at ease begins a quarter of the range lower.
  const share = FIRST[input.experience] - (input.atEase !== null && input.atEase < 5 ? 0.25 : 0);
  return Math.max(0, Math.floor(share * high));
}

function firstReasons(input: PlacementInput): string[] {
  const words: Record<Experience, string> = {
    new: 'New to the pattern: begin low, among the learning levels',
    some: 'Has done some of it: begin in the middle of what is open',
    trained: 'Trains the pattern: begin above the middle',
  };
  return [
    input.simplestFirst
      ? 'The house rule begins everybody at the simplest level.'
      : `${words[input.experience]}.`,
    ...(input.careful ? ['With care: only learning levels on the first day.'] : []),
    ...(!input.simplestFirst && input.atEase !== null && input.atEase < 5
      ? [`Not much at ease (${input.atEase} of 10): a step lower.`]
      : []),
  ];
}

const halving = (low: number, high: number) =>
  low === high ? 'The last level still open.' : `The middle of the ${high - low + 1} levels still open.`;
