/**
 * A root of a continuous function between two places where its sign differs: secant steps kept
 * inside the bracket (the Illinois form of regula falsi; Dowell & Jarratt 1971).
 * @returns null when the signs at both ends are equal
 */
export function rootBetween(
  f: (x: number) => number,
  low: number,
  high: number,
  tolerance = 1e-13,
): number | null {
  let a = low;
  let b = high;
  let fa = f(a);
  let fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (Math.sign(fa) === Math.sign(fb)) return null;
  for (let i = 0; i < 200; i++) {
    let c = (a * fb - b * fa) / (fb - fa);
    // A secant step that barely moves off an end would crawl: halve instead.
    if (!(c > Math.min(a, b) && c < Math.max(a, b)) || i % 20 === 19) c = (a + b) / 2;
    const fc = f(c);
    if (fc === 0 || Math.abs(b - a) < tolerance) return c;
    if (Math.sign(fc) === Math.sign(fb)) {
      b = c;
      fb = fc;
      fa /= 2;
    } else {
      a = b;
      fa = fb;
      b = c;
      fb = fc;
    }
    if (Math.abs(fb) < tolerance) return b;
  }
  return b;
}
