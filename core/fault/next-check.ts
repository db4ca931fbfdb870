import { resultGivenCause, updated } from './causes.ts';
import type { Beliefs, Cause, DeskFault } from './causes.ts';
import type { Experience } from './experience.ts';
import type { KitGroup } from '../library/index.ts';

/** Entropy in bits, −Σ p·log2 p (Shannon 1948, A Mathematical Theory of Communication). */
export const entropyBits = (beliefs: Beliefs): number =>
  [...beliefs.values()].reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);

/** So many equally likely causes would be as uncertain. */
export const causesLeft = (bits: number): number => 2 ** bits;

export interface CheckValue {
  fault: string;
  check: string;
  /** Expected drop of entropy; never below 0 but for rounding. */
  gainBits: number;
  /** Entropy expected after it. */
  afterBits: number;
  results: { result: string; probability: number; beliefs: Map<string, number> }[];
}

/** What a check is expected to tell about the causes that remain. */
export function checkValue(
  beliefs: Beliefs,
  causes: readonly Cause[],
  fault: DeskFault,
  check: DeskFault['checks'][number],
  experience: Experience,
): CheckValue {
  const given = new Map(causes.map((c) => [c.key, resultGivenCause(fault, check, c, experience)]));
  const results = check.results.map(({ result }) => {
    const likelihood = (key: string) => given.get(key)!.get(result)!;
    const probability = [...beliefs].reduce((sum, [k, p]) => sum + p * likelihood(k), 0);
    return { result, probability, beliefs: updated(beliefs, likelihood) };
  });
  const afterBits = results.reduce((sum, r) => sum + r.probability * entropyBits(r.beliefs), 0);
  return {
    fault: fault.slug,
    check: check.text,
    gainBits: entropyBits(beliefs) - afterBits,
    afterBits,
    results,
  };
}

/** All checks not yet asked whose kit is at hand, what tells most first; equal ones in the order of the library. */
export function rankedChecks(
  beliefs: Beliefs,
  causes: readonly Cause[],
  faults: readonly DeskFault[],
  asked: readonly { fault: string; check: string }[],
  experience: Experience,
  atHand: (group: KitGroup) => boolean = () => true,
): CheckValue[] {
  return faults
    .flatMap((f) =>
      f.checks
        .filter(
          (c) =>
            c.results.length > 1 &&
            c.kit.every(atHand) &&
            !asked.some((a) => a.fault === f.slug && a.check === c.text),
        )
        .map((c) => checkValue(beliefs, causes, f, c, experience)),
    )
    .sort((a, b) => b.gainBits - a.gainBits);
}
