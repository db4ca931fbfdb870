/**
 * What trials tell of the highest level that somebody masters: a belief over the levels, moved by Bayes' rule with a
 * logistic chance of passing (item response, Rasch 1960, with a share of odd results).
 */

/** Levels over which the chance of passing goes from 27 to 73 % (judgement; to be fitted once trials are logged). */
const SLOPE = 0.6;
/** Share of trials that turn out oddly either way (judgement). */
const ODD = 0.03;

/** The ladder that the priors are given for; others are scaled to it (judgement). */
const OF_LEVELS = 13;
const SPREAD = 2.5;
const LEAST_SPREAD = 1;

/** Chance that somebody who masters the levels up to `c` passes a trial at a level; both from 0. */
export const passChance = (level: number, c: number): number =>
  ODD + (1 - 2 * ODD) / (1 + Math.exp(-(c + 0.5 - level) / SLOPE));

/**
 * The belief before any trial: normal over the levels.
 * @param mean on a ladder of thirteen levels, from 0
 * @returns one share a level, summing to 1
 */
export function priorOf(levels: number, mean: number): number[] {
  const scale = (levels - 1) / (OF_LEVELS - 1);
  const spread = Math.max(LEAST_SPREAD, SPREAD * scale);
  return normed(
    Array.from({ length: levels }, (_, c) => Math.exp(-0.5 * ((c - mean * scale) / spread) ** 2)),
  );
}

const normed = (p: readonly number[]): number[] => {
  const sum = p.reduce((n, x) => n + x, 0);
  return p.map((x) => x / sum);
};

export const after = (p: readonly number[], level: number, passed: boolean): number[] =>
  normed(p.map((x, c) => x * (passed ? passChance(level, c) : 1 - passChance(level, c))));

const entropyBits = (p: readonly number[]): number =>
  -p.reduce((sum, x) => sum + (x > 0 ? x * Math.log2(x) : 0), 0);

/** Chance of passing a trial at the level, and by how many bits it is expected to narrow the belief. */
export function worthOf(p: readonly number[], level: number): { passes: number; bits: number } {
  const passes = p.reduce((sum, x, c) => sum + x * passChance(level, c), 0);
  const left =
    passes * entropyBits(after(p, level, true)) + (1 - passes) * entropyBits(after(p, level, false));
  return { passes, bits: entropyBits(p) - left };
}

/** The level at or below which a quarter of such people stand. */
export function lowerQuartile(p: readonly number[]): number {
  let sum = 0;
  for (const [c, x] of p.entries()) {
    sum += x;
    if (sum >= 0.25) return c;
  }
  return p.length - 1;
}

/** Chance that somebody masters at least the level. */
export const atLeast = (p: readonly number[], level: number): number =>
  p.slice(level).reduce((sum, x) => sum + x, 0);
