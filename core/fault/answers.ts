import type { AnswerKind } from '../terms/index.ts';
import type { ResolvedAnswer } from '../library/index.ts';
import { keyOf, updated } from './causes.ts';
import type { Beliefs, Cause, DeskFault } from './causes.ts';
import type { TryOutcome } from './case.ts';

/** What an answer costs, in sets given to it: each is tried for a set or two (judgement, no source). */
export const ANSWER_COST: Record<AnswerKind, number> = {
  cue: 1,
  'touch or constraint': 1.5,
  'contrast drill': 2,
  'set-up change': 2.5,
  'less range or more aid': 3,
  'easier variation': 4,
};
/** A second person, or something fetched, costs so much more. */
export const SECOND_PERSON_COST = 1;
export const KIT_COST = 0.5;
/** A check takes three repetitions or so: a quarter of a set. */
export const CHECK_COST = 0.25;
/** When no answer is left somebody goes to another variation. */
export const NO_ANSWER_COST = 5;

/** Less than a third as likely as the likeliest, a cause is not acted on first (judgement, no source). */
export const IN_PLAY = 1 / 3;

/** What came of an answer, given whether it was for the cause (judgement, no source). */
const OUTCOME_GIVEN: Record<TryOutcome, { served: number; other: number }> = {
  better: { served: 0.7, other: 0.1 },
  same: { served: 0.25, other: 0.75 },
  worse: { served: 0.05, other: 0.15 },
};

export interface DeskAnswer extends ResolvedAnswer {
  fault: string;
  cost: number;
  /** Keys of the causes that it is for. */
  serves: ReadonlySet<string>;
}

/** The answers that lead somewhere on the variation they are read for. */
export const fitting = (f: Pick<DeskFault, 'answers'>): ResolvedAnswer[] =>
  f.answers.filter((a) => a.unfit === null);

/** Every answer to the signs seen, cheapest first; equal costs in the order of the library. */
export function answersOf(faults: readonly DeskFault[], causes: readonly Cause[]): DeskAnswer[] {
  return faults
    .flatMap((f) => {
      const keys = new Map(f.causes.map((c) => [c.id, keyOf(f.slug, c)]));
      return fitting(f).map((a): DeskAnswer => ({
        ...a,
        fault: f.slug,
        cost:
          ANSWER_COST[a.answerKind] +
          (a.needsSecondPerson ? SECOND_PERSON_COST : 0) +
          (a.equipment.length > 0 ? KIT_COST : 0),
        serves: new Set(a.causes?.map((id) => keys.get(id)!) ?? causes.map((c) => c.key)),
      }));
    })
    .sort((a, b) => a.cost - b.cost);
}

/** The causes in play. */
export function remainingCauses(beliefs: Beliefs): string[] {
  const likeliest = Math.max(0, ...beliefs.values());
  // To the last digit of what is computed: exactly a third is in play.
  return [...beliefs].filter(([, p]) => p >= IN_PLAY * likeliest - 1e-9).map(([k]) => k);
}

/** The answers that are for a cause in play, in their order, and then the others. */
export function byCausesInPlay<A extends Pick<DeskAnswer, 'serves'>>(
  answers: readonly A[],
  beliefs: Beliefs,
): { inPlay: A[]; others: A[] } {
  const left = remainingCauses(beliefs);
  const serves = (a: A) => left.some((k) => a.serves.has(k));
  return { inPlay: answers.filter(serves), others: answers.filter((a) => !serves(a)) };
}

/**
 * Expected cost, in sets, of trying answers until one is for the true cause: those for a cause in play first, then the
 * others, each in the order given: by cost, before anything is known of the causes. An answer that is only for causes already answered is passed over; where none is
 * left the cost of another variation is added.
 */
export function expectedCost(
  answers: readonly Pick<DeskAnswer, 'cost' | 'serves'>[],
  beliefs: Beliefs,
): number {
  const open = new Map(beliefs);
  const chance = () => [...open.values()].reduce((sum, p) => sum + p, 0);
  const { inPlay, others } = byCausesInPlay(answers, beliefs);
  let cost = 0;
  for (const a of [...inPlay, ...others]) {
    if (![...open.keys()].some((k) => a.serves.has(k))) continue;
    cost += a.cost * chance();
    for (const k of a.serves) open.delete(k);
  }
  return cost + NO_ANSWER_COST * chance();
}

/** Beliefs after an answer was tried: better speaks for the causes it is for, same and worse against them. */
export const afterTry = (
  beliefs: Beliefs,
  answer: Pick<DeskAnswer, 'serves'>,
  outcome: TryOutcome,
): Map<string, number> =>
  updated(beliefs, (k) => OUTCOME_GIVEN[outcome][answer.serves.has(k) ? 'served' : 'other']);
