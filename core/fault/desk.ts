import { afterTry, answersOf, byCausesInPlay, CHECK_COST, expectedCost, remainingCauses } from './answers.ts';
import type { DeskAnswer } from './answers.ts';
import type { FaultCase } from './case.ts';
import { beliefsFrom, causesOf } from './causes.ts';
import type { Cause, DeskFault } from './causes.ts';
import type { Experience } from './experience.ts';
import { causesLeft, checkValue, entropyBits, rankedChecks } from './next-check.ts';
import type { CheckValue } from './next-check.ts';

/** A cause this likely is acted on without asking further (judgement, no source). */
export const LIKELY_ENOUGH = 0.75;
/** A check that is expected to tell less than this is not worth the repetitions. */
const LEAST_GAIN_BITS = 0.05;
/** Nor is one that saves fewer sets than this. */
const LEAST_SAVING = 0.05;

export type NoMoreAsking =
  'likely enough' | 'one answer serves all' | 'costs more than it saves' | 'no check left';

export interface Weighed extends Cause {
  probability: number;
}
export interface OfferedAnswer extends DeskAnswer {
  /** What came of it for this person on earlier days. */
  before: { date: string; outcome: FaultCase['tried'][number]['outcome'] } | null;
  /** Why it cannot be had now; null where it can. */
  missing: string | null;
}

/** What the desk proposes, with everything it stands on. */
export interface DeskAdvice {
  causes: Weighed[];
  /** As many equally likely causes would be as uncertain. */
  causesLeft: number;
  /** What to do next. */
  next: 'stop' | 'ask' | 'try' | 'easier' | 'solved';
  why: string;
  /** What tells most; null where nothing is left to ask. */
  check: CheckValue | null;
  otherChecks: CheckValue[];
  /**
   * Not tried yet: those for causes in play, then the others, each cheapest first; those that have helped this person
   * stand before them, those that have failed them and those that cannot be had now behind.
   */
  answers: OfferedAnswer[];
  /** Sets expected until an answer helps, as things stand and after the check. */
  expectedSets: number;
  expectedSetsAfterCheck: number | null;
}

export interface DeskInput {
  faults: readonly DeskFault[];
  experience: Experience;
  /** The case so far: what was checked and tried. */
  now: Pick<FaultCase, 'checks' | 'tried' | 'felt'>;
  /** Earlier cases of this person. */
  earlier: readonly Pick<FaultCase, 'date' | 'tried'>[];
  /** Equipment that is taken now. */
  without?: readonly string[];
  /** Variations that a restriction bars for the person, with what bars them. */
  barred?: Readonly<Record<string, string>>;
  /** Whether somebody else can help. */
  secondPerson?: boolean;
}

const because = (why: NoMoreAsking, likeliest: Weighed | undefined): string => {
  switch (why) {
    case 'likely enough':
      return `${likeliest!.text} It is likely enough (${Math.round(100 * likeliest!.probability)} %): try the answer.`;
    case 'one answer serves all':
      return 'Whatever the cause, the cheapest answer is for it: no need to ask first.';
    case 'costs more than it saves':
      return 'Trying the cheapest answer is expected to take fewer sets than asking first.';
    case 'no check left':
      return 'No check is left that would tell the causes apart.';
  }
};

/**
 * The next right step: stop for pain or a stop fault; else the check with the largest expected drop of entropy,
 * until one cause is likely enough, or one cheapest answer serves all that remain, or asking is expected to cost
 * more sets than it saves; then the answers, cheapest first; when they run out, an easier variation.
 */
export function advise(of: DeskInput): DeskAdvice {
  const { faults, experience, now } = of;
  const causes = causesOf(faults);
  const all = answersOf(faults, causes);
  let beliefs = beliefsFrom(faults, experience);
  for (const c of now.checks) {
    const fault = faults.find((f) => f.slug === c.fault);
    const check = fault?.checks.find((x) => x.text === c.check);
    if (!fault || !check) continue;
    const { results } = checkValue(beliefs, causes, fault, check, experience);
    // What nobody could tell, and what the library no longer knows, changes nothing.
    beliefs = results.find((r) => r.result === c.result)?.beliefs ?? beliefs;
  }
  for (const t of now.tried) {
    const answer = all.find((a) => a.fault === t.fault && a.text === t.answer);
    if (answer) beliefs = afterTry(beliefs, answer, t.outcome);
  }
  const weighed = causes
    .map((c): Weighed => ({ ...c, probability: beliefs.get(c.key) ?? 0 }))
    .sort((a, b) => b.probability - a.probability);

  const tried = (a: DeskAnswer) => now.tried.some((t) => t.fault === a.fault && t.answer === a.text);
  const offered = all
    .filter((a) => !tried(a))
    .map((a): OfferedAnswer => {
      const before = of.earlier
        .flatMap((c) =>
          c.tried
            .filter((t) => t.fault === a.fault && t.answer === a.text)
            .map((t) => ({ date: c.date, outcome: t.outcome })),
        )
        .sort((x, y) => x.date.localeCompare(y.date))
        .at(-1);
      return { ...a, before: before ?? null, missing: missingFor(a, of) };
    });
  // What has helped this person comes first, what has not comes late, what cannot be had last.
  const failed = (a: OfferedAnswer) =>
    a.missing ? 2 : a.before ? (a.before.outcome === 'better' ? -1 : 1) : 0;
  const { inPlay, others } = byCausesInPlay(offered, beliefs);
  const answers = [inPlay, others].flatMap((list) => list.toSorted((x, y) => failed(x) - failed(y)));
  const open = answers.filter((a) => a.missing === null);
  const checks = rankedChecks(beliefs, causes, faults, now.checks, experience).filter(
    (c) => c.gainBits > 1e-9,
  );
  const check = checks[0] ?? null;
  const expectedSets = expectedCost(open, beliefs);
  const expectedSetsAfterCheck = check
    ? CHECK_COST + check.results.reduce((sum, r) => sum + r.probability * expectedCost(open, r.beliefs), 0)
    : null;

  const base = {
    causes: weighed,
    causesLeft: causesLeft(entropyBits(beliefs)),
    check,
    otherChecks: checks.slice(1),
    answers,
    expectedSets,
    expectedSetsAfterCheck,
  };
  const stop = faults.find((f) => f.severity === 3);
  const pain = now.felt.find((f) => f.kind === 'pain');
  if (stop || pain) {
    return {
      ...base,
      next: 'stop',
      why: pain ? `Pain, ${pain.region}: the set ends.` : `${stop!.name}: the set ends.`,
    };
  }
  const helped = now.tried.findLast((t) => t.outcome === 'better');
  if (helped) return { ...base, next: 'solved', why: `It helped: ${helped.answer}` };
  if (open.length === 0) {
    return {
      ...base,
      next: 'easier',
      why: all.length === 0 ? 'No answer is written for it.' : 'No answer is left to try.',
    };
  }
  const enough = noMoreAsking(weighed[0], open[0]!, beliefs, check, expectedSets, expectedSetsAfterCheck);
  if (enough !== null) return { ...base, next: 'try', why: because(enough, weighed[0]) };
  const left = causesLeft(check!.afterBits).toFixed(1);
  return {
    ...base,
    next: 'ask',
    why: `It tells most: of ${base.causesLeft.toFixed(1)} causes in play it is expected to leave ${left}, and to save ${(expectedSets - expectedSetsAfterCheck!).toFixed(1)} sets of trying.`,
  };
}

function noMoreAsking(
  likeliest: Weighed | undefined,
  cheapest: DeskAnswer,
  beliefs: ReadonlyMap<string, number>,
  check: CheckValue | null,
  now: number,
  after: number | null,
): NoMoreAsking | null {
  if (likeliest && likeliest.probability >= LIKELY_ENOUGH) return 'likely enough';
  if (remainingCauses(beliefs).every((k) => cheapest.serves.has(k))) return 'one answer serves all';
  if (!check || check.gainBits < LEAST_GAIN_BITS) return 'no check left';
  return after! > now - LEAST_SAVING ? 'costs more than it saves' : null;
}

function missingFor(a: DeskAnswer, of: DeskInput): string | null {
  const bars = a.variation && of.barred?.[a.variation.slug];
  if (bars) return `barred for them: ${bars}`;
  const taken = a.equipment.find((e) => of.without?.includes(e.slug) || e.inHall === 0);
  if (taken)
    return taken.inHall === 0 ? `the hall has no ${taken.name.toLowerCase()}` : `${taken.name} is taken`;
  return a.needsSecondPerson && of.secondPerson === false ? 'needs a second person' : null;
}
