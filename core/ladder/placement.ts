import { answerInForce } from '../library/index.ts';
import type { SettledLevel, Shelf } from '../library/index.ts';
import type { Stage, IsoDate } from '../terms/index.ts';
import type { NameOfLevel } from '../criterion/index.ts';
import type { FactsBySlug } from '../log/index.ts';
import { after, atLeast, lowerQuartile, priorOf, worthOf } from './belief.ts';
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
/** It is settled when the level of placing alone is so likely, or a further trial would tell less (judgement). */
const SETTLED = 0.8;
const LEAST_BITS = 0.1;
/** Of levels that tell nearly as much the lowest is tried (judgement: fewer are tried on what is much too hard). */
const NEARLY = 0.8;
/** Placed where they stand at least so surely (judgement). */
const SURE = 0.7;
/** A trial is given at most so many levels above the lower quartile: few are tried on what is much too hard (judgement). */
const GUARD = 1;

export const PLACEMENT_WAYS = ['information', 'halving'] as const;
/** How the next trial is chosen: by what it tells, never much too hard; or by halving, which is shorter. */
export type PlacementWay = (typeof PLACEMENT_WAYS)[number];

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
  way?: PlacementWay;
  nameOf?: NameOfLevel;
  today: IsoDate;
}

export interface Believed {
  /** How likely each level is the highest that they master, 0 to 1. */
  shares: { level: string; share: number }[];
}
export type PlacementStep =
  | ({
      step: 'try';
      level: string;
      variation: string;
      why: string[];
      /** Chance of passing, 0 to 1. */
      passes: number;
      /** The level that would have told more and was held back as too hard, by name. */
      heldBack: string | null;
    } & Believed)
  | ({ step: 'place'; level: string; why: string[] } & Believed)
  | { step: 'stop'; passed: string | null; why: string[] };

interface Open {
  id: string;
  name: string;
  stage: Stage;
  variation: string;
  /** Its place on the ladder, from 0. */
  at: number;
}

/** The highest stage a first trial day goes to, by experience (common practice, no source). */
export const CEILING: Record<Experience, readonly Stage[]> = {
  new: ['learning'],
  some: ['learning', 'sound'],
  trained: ['learning', 'sound', 'advanced'],
};
/** Where such people stand on a ladder of thirteen levels, from 0 (judgement). */
export const MEAN: Record<Experience, number> = { new: 1.5, some: 4.5, trained: 7.5 };
/** Where in the open range halving begins, by experience (common practice, no source). */
const FIRST: Record<Experience, number> = { new: 0.25, some: 0.5, trained: 0.6 };
const little = ({ atEase }: PlacementInput) => atEase !== null && atEase < 5;

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
  const permitted = input.levels.slice(0, gate === -1 ? undefined : gate).flatMap((l, at): Open[] => {
    if (!stages.includes(l.stage)) return [];
    const variation = [l.main, ...l.equals].find((slug) => {
      const f = input.facts.get(slug);
      return f !== undefined && barring(bars, f).length === 0 && kitAtHand(f, input.kit);
    });
    return variation === undefined ? [] : [{ id: l.id, name: l.name, stage: l.stage, variation, at }];
  });
  const levels = input.simplestFirst ? permitted.slice(0, 1) : permitted;
  if (!gated) return { levels, gatedBy: null };
  const need = unmet(gated)!;
  const needs = input.nameOf?.(need.ladder, need.level) ?? `${need.level} on the ladder ${need.ladder}`;
  return { levels, gatedBy: `Nothing from ${gated.name} upwards: that needs ${needs} first.` };
}

/**
 * The next step of placing somebody on a ladder: the level to try, the level to place on, or stop. What is assumed from
 * experience is moved by each trial; the next is the one expected to tell most, never far above what a quarter of such
 * people master. Pain stops at once. Pure: the same input gives the same step.
 */
export function placementStep(input: PlacementInput): PlacementStep {
  const { levels, gatedBy } = openLevels(input);
  const told = gatedBy === null ? [] : [gatedBy];
  const indexOf = (id: string) => input.levels.findIndex((l) => l.id === id);
  const mean = MEAN[input.experience] * (input.careful ? 0.5 : 1) * (little(input) ? 0.75 : 1);
  let belief = priorOf(input.levels.length, mean);
  let passed = -1;
  for (const t of input.trials) {
    const i = indexOf(t.level);
    if (t.result === 'pain') {
      const best = levels.find((l) => l.at === passed);
      return {
        step: 'stop',
        passed: best?.id ?? null,
        why: [
          'Pain ends the trials at once. Note where, and refer if it does not settle; local rules come first.',
          best ? `Passed before: ${best.name}.` : 'Nothing was passed before.',
        ],
      };
    }
    if (i === -1) continue;
    belief = after(belief, i, t.result === 'passed');
    if (t.result === 'passed') passed = Math.max(passed, i);
  }
  if (levels.length === 0) {
    return {
      step: 'stop',
      passed: null,
      why: ['No level is permitted with the kit and the restrictions there are.', ...told],
    };
  }
  const shares = input.levels.map((l, c) => ({ level: l.id, share: belief[c]! }));
  const at = placedAt(levels, belief, passed, input.trials);
  const next = input.way === 'halving' ? byHalving(input, levels) : byInformation(levels, belief);
  // Above the highest that is permitted today there is nothing to find out.
  const atTheTop = at === levels.at(-1) && passed === at.at;
  const settled =
    input.way !== 'halving' && input.trials.length > 0 && (atTheTop || belief[at.at]! >= SETTLED);
  const tellsLittle =
    next !== null && input.trials.length > 0 && input.way !== 'halving' && next.bits < LEAST_BITS;
  if (next === null || settled || tellsLittle || input.trials.length >= MOST_TRIALS) {
    const why = [...whyPlaced(input, at, passed), ...told];
    return { step: 'place', level: at.id, why, shares };
  }
  const { open, passes, heldBack } = next;
  return {
    step: 'try',
    level: open.id,
    variation: open.variation,
    passes,
    heldBack: heldBack?.name ?? null,
    why: [
      ...(input.trials.length === 0 ? firstReasons(input) : []),
      passesSentence(passes, input.way),
      ...(heldBack
        ? [`${heldBack.name} would tell more and is held back: it would be too hard for many.`]
        : []),
      ...told,
    ],
    shares,
  };
}

/** The highest permitted level that they master surely enough, never above one passed nor one just failed. */
function placedAt(
  levels: readonly Open[],
  belief: readonly number[],
  passed: number,
  trials: readonly Trial[],
): Open {
  const last = new Map(trials.map((t) => [t.level, t.result]));
  const found = levels.filter(
    (l) => l.at <= passed && atLeast(belief, l.at) >= SURE && (last.get(l.id) ?? 'passed') === 'passed',
  );
  return found.at(-1) ?? levels[0]!;
}

interface Next {
  open: Open;
  passes: number;
  bits: number;
  heldBack: Open | null;
}

function byInformation(levels: readonly Open[], belief: readonly number[]): Next | null {
  const limit = lowerQuartile(belief) + GUARD;
  const worth = levels.map((open) => ({ open, ...worthOf(belief, open.at) }));
  const bitsOf = (of: typeof worth) => Math.max(...of.map((w) => w.bits));
  const within = worth.filter((w) => w.open.at <= limit);
  // Where all that is permitted lies higher, the lowest of it is the one that may be tried.
  const chosen = within.find((w) => w.bits >= NEARLY * bitsOf(within)) ?? worth[0]!;
  const best = worth.find((w) => w.bits === bitsOf(worth))!;
  return { ...chosen, heldBack: best.open.at > limit && best !== chosen ? best.open : null };
}

/** The middle of what the trials so far leave open; null: nothing is left. */
function byHalving(input: PlacementInput, levels: readonly Open[]): Next | null {
  let low = 0;
  let high = levels.length - 1;
  for (const t of input.trials) {
    const i = levels.findIndex((l) => l.id === t.level);
    if (i === -1) continue;
    if (t.result === 'passed') low = Math.max(low, i + 1);
    else high = Math.min(high, i - 1);
  }
  if (low > high) return null;
  // Little at ease begins a quarter of the range lower.
  const share = FIRST[input.experience] - (little(input) ? 0.25 : 0);
  const i = input.trials.length === 0 ? Math.max(0, Math.floor(share * high)) : Math.floor((low + high) / 2);
  return { open: levels[i]!, passes: 0.5, bits: 1, heldBack: null };
}

const EXPERIENCED: Record<Experience, string> = {
  new: 'New to the pattern',
  some: 'Has done some of it',
  trained: 'Trains the pattern',
};

function firstReasons(input: PlacementInput): string[] {
  return [
    input.simplestFirst
      ? 'The house rule begins everybody at the simplest level.'
      : `${EXPERIENCED[input.experience]}: where such people usually stand is assumed, not measured.`,
    ...(input.careful ? ['With care: only learning levels on the first day.'] : []),
    ...(!input.simplestFirst && little(input)
      ? [`Not much at ease (${input.atEase} of 10): a step lower.`]
      : []),
  ];
}

function passesSentence(passes: number, way: PlacementWay | undefined): string {
  if (way === 'halving') return 'The middle of what is still open.';
  const of = Math.round(10 * passes);
  return of >= 4 && of <= 6
    ? 'About as many pass this as fail it, so it tells most.'
    : `About ${of} of 10 pass this: of what is not too hard it tells most.`;
}

function whyPlaced(input: PlacementInput, at: Open, passed: number): string[] {
  const nameOf = (id: string) => input.levels.find((l) => l.id === id)?.name ?? id;
  const why =
    passed === -1
      ? [`Nothing was passed: begin at the lowest level, ${at.name}, with all its help.`]
      : passed > at.at
        ? [
            `${input.levels[passed]!.name} was passed once, and what else was seen speaks for ${at.name}: begin there, the log will tell the rest.`,
          ]
        : [`${at.name} is the highest level passed.`];
  const failed = [...input.trials].reverse().find((t) => t.result !== 'passed');
  if (failed && passed !== -1) {
    why.push(
      `${nameOf(failed.level)} was not passed: ${failed.result === 'fault' ? 'a fault' : failed.result}.`,
    );
  }
  return why;
}
