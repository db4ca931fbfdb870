import { afterTry, answersOf, byCausesInPlay, CHECK_COST, expectedCost, remainingCauses } from './answers.ts';
import type { DeskAnswer } from './answers.ts';
import type { FaultCase } from './case.ts';
import { beliefsFrom, causesOf } from './causes.ts';
import type { Cause, DeskFault } from './causes.ts';
import type { Experience } from './experience.ts';
import type { KitGroup } from '../library/index.ts';
import { causesLeft, checkValue, entropyBits, rankedChecks } from './next-check.ts';
import type { CheckValue } from './next-check.ts';

/** A cause this likely is acted on without asking further (judgement, no source). */
export const LIKELY_ENOUGH = 0.75;
/** A check that is expected to tell less than this is not worth the repetitions. */
const LEAST_GAIN_BITS = 0.05;
/** Nor is one that saves fewer sets than this. */
const LEAST_SAVING = 0.05;

/** When so many checks could not be told, the answers are tried (judgement, no source). */
const MOST_UNKNOWN = 2;

export type NoMoreAsking =
  | 'likely enough'
  | 'one answer serves all'
  | 'nobody could tell'
  | 'costs more than it saves'
  | 'no check left';

/** A check with the sets expected until an answer helps, itself counted, if it is asked now. */
export interface CostedCheck extends CheckValue {
  setsAfter: number;
}

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
  /** What is better already, by the names of the signs: the rest is about the others. */
  better: string[];
  /** What saves most; null where nothing is left to ask. */
  check: CostedCheck | null;
  otherChecks: CostedCheck[];
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
    case 'nobody could tell':
      return 'Two checks could not be told: go on to the answers.';
    case 'costs more than it saves':
      return 'Trying the cheapest answer is expected to take fewer sets than asking first.';
    case 'no check left':
      return 'No check is left that would tell the causes apart.';
  }
};

/**
 * The next right step: stop for pain or a stop fault; else the check after which the fewest sets are expected, until
 * one cause is likely enough, or one cheapest answer serves all that remain, or two checks could not be told, or asking
 * is expected to cost more sets than it saves; then the answers, cheapest first; when they run out, an easier variation.
 * An answer that helped ends its own sign; the others go on.
 */
export function advise(of: DeskInput): DeskAdvice {
  const { experience, now } = of;
  const helped = now.tried.filter((t) => t.outcome === 'better');
  const isBetter = (f: DeskFault) => helped.some((t) => t.fault === f.slug);
  const left = of.faults.filter((f) => !isBetter(f));
  const faults = left.length > 0 ? left : of.faults;
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
  // Which of them are for causes in play changes with every result: each time they are put in order of cost anew.
  const byCost = offered.toSorted((x, y) => failed(x) - failed(y));
  const { inPlay, others } = byCausesInPlay(byCost, beliefs);
  const answers = [...inPlay, ...others];
  const toTry = byCost.filter((a) => a.missing === null);
  const checks = rankedChecks(
    beliefs,
    causes,
    faults,
    now.checks,
    experience,
    (group) => gone(group, of) === null,
  )
    .filter((c) => c.gainBits > 1e-9)
    .map((c): CostedCheck => ({
      ...c,
      setsAfter:
        CHECK_COST + c.results.reduce((sum, r) => sum + r.probability * expectedCost(toTry, r.beliefs), 0),
    }))
    .sort((a, b) => a.setsAfter - b.setsAfter);
  const check = checks[0] ?? null;
  const expectedSets = expectedCost(toTry, beliefs);
  const expectedSetsAfterCheck = check?.setsAfter ?? null;

  const base = {
    causes: weighed,
    causesLeft: causesLeft(entropyBits(beliefs)),
    better: of.faults.filter(isBetter).map((f) => f.name),
    check,
    otherChecks: checks.slice(1),
    answers,
    expectedSets,
    expectedSetsAfterCheck,
  };
  const stop = of.faults.find((f) => f.severity === 3);
  const pain = now.felt.find((f) => f.kind === 'pain');
  if (stop || pain) {
    return {
      ...base,
      next: 'stop',
      why: pain ? `Pain, ${pain.region}: the set ends.` : `${stop!.name}: the set ends.`,
    };
  }
  const first = answers.find((a) => a.missing === null);
  if (helped.length > 0 && left.length === 0)
    return { ...base, next: 'solved', why: `It helped: ${helped.at(-1)!.answer}` };
  if (!first) {
    return {
      ...base,
      next: 'easier',
      why: all.length === 0 ? 'No answer is written for it.' : 'No answer is left to try.',
    };
  }
  const unknown = now.checks.filter((c) => c.result === null && faults.some((f) => f.slug === c.fault));
  const enough = noMoreAsking(weighed[0], first, beliefs, check, expectedSets, unknown.length);
  if (enough !== null) return { ...base, next: 'try', why: because(enough, weighed[0]) };
  const after = causesLeft(check!.afterBits).toFixed(1);
  return {
    ...base,
    next: 'ask',
    why: `It saves most: of ${base.causesLeft.toFixed(1)} causes in play it is expected to leave ${after}, and to save ${(expectedSets - check!.setsAfter).toFixed(1)} sets of trying.`,
  };
}

function noMoreAsking(
  likeliest: Weighed | undefined,
  cheapest: DeskAnswer,
  beliefs: ReadonlyMap<string, number>,
  check: CostedCheck | null,
  sets: number,
  unknown: number,
): NoMoreAsking | null {
  if (likeliest && likeliest.probability >= LIKELY_ENOUGH) return 'likely enough';
  if (remainingCauses(beliefs).every((k) => cheapest.serves.has(k))) return 'one answer serves all';
  if (unknown >= MOST_UNKNOWN) return 'nobody could tell';
  if (!check || check.gainBits < LEAST_GAIN_BITS) return 'no check left';
  return check.setsAfter > sets - LEAST_SAVING ? 'costs more than it saves' : null;
}

/** Why nothing of a group of pieces can be had now; null where one can. */
function gone(group: KitGroup, { without }: Pick<DeskInput, 'without'>): string | null {
  const [named] = group;
  if (!named || group.some((e) => e.inHall > 0 && !without?.includes(e.slug))) return null;
  return named.inHall === 0 ? `the hall has no ${named.name.toLowerCase()}` : `${named.name} is taken`;
}

function missingFor(a: DeskAnswer, of: DeskInput): string | null {
  const bars = a.variation && of.barred?.[a.variation.slug];
  if (bars) return `barred for them: ${bars}`;
  const taken = a.kit.map((group) => gone(group, of)).find((why) => why !== null);
  if (taken) return taken;
  return a.needsSecondPerson && of.secondPerson === false ? 'needs a second person' : null;
}
