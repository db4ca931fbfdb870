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

/**
 * The same root looked for from a guess: secant steps from there, and the whole interval only where they
 * leave it or do not settle.
 */
export function rootNear(
  f: (x: number) => number,
  guess: number,
  low: number,
  high: number,
  tolerance = 1e-12,
): number | null {
  let x0 = Math.min(high, Math.max(low, guess));
  let f0 = f(x0);
  let x1 = x0 + (x0 + 0.5 < high ? 0.5 : -0.5);
  let f1 = f(x1);
  for (let i = 0; i < 24; i++) {
    if (f1 === 0) return x1;
    const x2 = x1 - (f1 * (x1 - x0)) / (f1 - f0);
    if (!(x2 > low && x2 < high)) break;
    if (Math.abs(x2 - x1) < tolerance) return x2;
    x0 = x1;
    f0 = f1;
    x1 = x2;
    f1 = f(x1);
  }
  return rootBetween(f, low, high);
}
