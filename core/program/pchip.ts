/**
 * Slopes of a monotone cubic curve through points: Fritsch and Carlson, Monotone piecewise cubic interpolation (1980),
 * weighted harmonic means inside and three points at the ends.
 * @param x rising, at least two
 */
export function pchipSlopes(x: readonly number[], y: readonly number[]): number[] {
  const h = x.slice(1).map((k, i) => k - x[i]!);
  const d = y.slice(1).map((k, i) => (k - y[i]!) / h[i]!);
  if (d.length === 1) return [d[0]!, d[0]!];
  const inner = d.slice(1).map((right, i) => {
    const left = d[i]!;
    if (left * right <= 0) return 0;
    const [w1, w2] = [2 * h[i + 1]! + h[i]!, h[i + 1]! + 2 * h[i]!];
    return (w1 + w2) / (w1 / left + w2 / right);
  });
  return [
    endSlope(h[0]!, h[1]!, d[0]!, d[1]!),
    ...inner,
    endSlope(h.at(-1)!, h.at(-2)!, d.at(-1)!, d.at(-2)!),
  ];
}

/** Three points at an end, kept from overshooting. */
function endSlope(h0: number, h1: number, d0: number, d1: number): number {
  const slope = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1);
  if (Math.sign(slope) !== Math.sign(d0)) return 0;
  return Math.sign(d0) !== Math.sign(d1) && Math.abs(slope) > 3 * Math.abs(d0) ? 3 * d0 : slope;
}

/** The curve at a place between its first and last point. */
export function pchipAt(
  x: readonly number[],
  y: readonly number[],
  slopes: readonly number[],
  at: number,
): number {
  let i = 0;
  while (i < x.length - 2 && at > x[i + 1]!) i++;
  const h = x[i + 1]! - x[i]!;
  const t = (at - x[i]!) / h;
  const [t2, t3] = [t * t, t * t * t];
  return (
    (2 * t3 - 3 * t2 + 1) * y[i]! +
    (t3 - 2 * t2 + t) * h * slopes[i]! +
    (-2 * t3 + 3 * t2) * y[i + 1]! +
    (t3 - t2) * h * slopes[i + 1]!
  );
}
