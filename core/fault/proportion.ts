/** Standard normal deviate of a 95 % interval. */
export const Z95 = 1.959963984540054;

export interface Proportion {
  n: number;
  share: number;
  low: number;
  high: number;
}

/**
 * A share with its score interval (Wilson 1927, Journal of the American Statistical Association 22).
 * @returns null where nothing was counted
 * @throws RangeError unless 0 ≤ hits ≤ n
 */
export function wilson(hits: number, n: number, z = Z95): Proportion | null {
  if (!(hits >= 0 && hits <= n)) throw new RangeError(`${hits} of ${n} is no share.`);
  if (n === 0) return null;
  const share = hits / n;
  const z2 = z * z;
  const middle = (share + z2 / (2 * n)) / (1 + z2 / n);
  const half = (z / (1 + z2 / n)) * Math.sqrt((share * (1 - share)) / n + z2 / (4 * n * n));
  return { n, share, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}
