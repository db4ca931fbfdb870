import { seeded } from '../program/index.ts';
import { kappa } from './agreement.ts';
import type { Agreement } from './agreement.ts';
import { Z95 } from './proportion.ts';

/** One clip that a coach judged: what was in it, what could have been said, and what was said. */
export interface EyeTrial {
  coach: string;
  /** The clip, so that two coaches who saw the same one can be compared. */
  clip: string;
  /** null: nothing was wrong. */
  shown: string | null;
  /** How much of it, of how it is drawn on its sheet. */
  amount: number;
  offered: readonly string[];
  /** null: nothing was seen. */
  said: string | null;
}

/** How well a coach tells a fault from none. */
export interface EyeScore {
  fault: string;
  shown: number;
  hits: number;
  /** Clips in which it could have been said and was not there. */
  absent: number;
  falseAlarms: number;
  /** Sensitivity; null where there are too few clips of either kind. */
  dPrime: { value: number; low: number; high: number } | null;
  /** Against the truth. */
  agreement: Agreement | null;
}

/** Fewer clips of a kind tell nothing. */
const LEAST = 4;

/**
 * The standard normal value below which a share lies (Acklam's rational approximation, relative error under 1.2e−9; from
 * memory, checked against tables).
 * @throws RangeError for what is no share between 0 and 1
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`${p} is no share between 0 and 1.`);
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
    2.506628277459239,
  ];
  const b = [
    -54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1,
  ];
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
    2.938163982698783,
  ];
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1];
  const horner = (of: readonly number[], x: number) => of.reduce((sum, k) => sum * x + k, 0);
  const tail = (q: number) => horner(c, q) / horner(d, q);
  if (p < 0.02425) return tail(Math.sqrt(-2 * Math.log(p)));
  if (p > 1 - 0.02425) return -tail(Math.sqrt(-2 * Math.log(1 - p)));
  const q = p - 0.5;
  return (horner(a, q * q) * q) / horner(b, q * q);
}

const density = (z: number) => Math.exp(-(z * z) / 2) / Math.sqrt(2 * Math.PI);

/**
 * Sensitivity d′ from hits and false alarms, with half a count added so that a perfect score stays finite (Hautus 1995,
 * Behavior Research Methods, Instruments, & Computers 27), and its 95 % interval from the variance of Gourevitch and
 * Galanter (1967, Psychometrika 32).
 */
export function dPrimeOf(
  hits: number,
  shown: number,
  falseAlarms: number,
  absent: number,
): { value: number; low: number; high: number } {
  const h = (hits + 0.5) / (shown + 1);
  const f = (falseAlarms + 0.5) / (absent + 1);
  const [zh, zf] = [normalQuantile(h), normalQuantile(f)];
  const variance =
    (h * (1 - h)) / ((shown + 1) * density(zh) ** 2) + (f * (1 - f)) / ((absent + 1) * density(zf) ** 2);
  const half = Z95 * Math.sqrt(variance);
  return { value: zh - zf, low: zh - zf - half, high: zh - zf + half };
}

/** Scores by fault, those with the lowest sensitivity first: they are worth practising. */
export function eyeScores(trials: readonly EyeTrial[]): EyeScore[] {
  const faults = [...new Set(trials.flatMap((t) => t.offered))];
  return faults
    .map((fault): EyeScore => {
      const there = trials.filter((t) => t.shown === fault);
      const not = trials.filter((t) => t.shown !== fault && t.offered.includes(fault));
      const said = (list: readonly EyeTrial[]) => list.filter((t) => t.said === fault).length;
      const [hits, falseAlarms] = [said(there), said(not)];
      return {
        fault,
        shown: there.length,
        hits,
        absent: not.length,
        falseAlarms,
        dPrime:
          there.length < LEAST || not.length < LEAST
            ? null
            : dPrimeOf(hits, there.length, falseAlarms, not.length),
        agreement: kappa([
          [hits, there.length - hits],
          [falseAlarms, not.length - falseAlarms],
        ]),
      };
    })
    .sort(
      (a, b) => (a.dPrime?.value ?? Infinity) - (b.dPrime?.value ?? Infinity) || (a.fault < b.fault ? -1 : 1),
    );
}

/** Agreement of two coaches on the clips that both saw: whether anything was wrong. */
export function coachesAgree(trials: readonly EyeTrial[], a: string, b: string): Agreement | null {
  const of = (coach: string) => new Map(trials.filter((t) => t.coach === coach).map((t) => [t.clip, t.said]));
  const [first, second] = [of(a), of(b)];
  const table = [
    [0, 0],
    [0, 0],
  ];
  for (const [clip, said] of first) {
    const other = second.get(clip);
    if (other === undefined) continue;
    table[said === null ? 1 : 0]![other === null ? 1 : 0]!++;
  }
  return kappa(table);
}

/** One clip in so many has nothing wrong in it. */
const SOUND = 1 / 3;
const SEED = 4_000;

/**
 * What the clip of a number is drawn from: shares of 1 by which movement and fault are picked, and whether nothing is wrong.
 * The same for every coach, so that two can be compared, and not to be guessed from the one before.
 */
export function clipDraw(n: number): { movement: number; fault: number; sound: boolean } {
  const random = seeded(SEED + n);
  return { movement: random(), fault: random(), sound: random() < SOUND };
}

/** The staircase: two right in a row make it harder, one missed makes it easier (Levitt 1971, J. Acoust. Soc. Am. 49). */
const STAIRS = { harder: 0.8, easier: 1.25, from: 1, least: 0.15, most: 1.5 } as const;

/** How much of a fault the next clip shows a coach, so that it is near what they can just see. */
export function nextAmount(trials: readonly EyeTrial[], fault: string): number {
  let amount: number = STAIRS.from;
  let right = 0;
  for (const t of trials) {
    if (t.shown !== fault) continue;
    if (t.said === fault) {
      right++;
      if (right === 2) [amount, right] = [Math.max(STAIRS.least, amount * STAIRS.harder), 0];
    } else [amount, right] = [Math.min(STAIRS.most, amount * STAIRS.easier), 0];
  }
  return Math.round(100 * amount) / 100;
}
