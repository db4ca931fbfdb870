/** A low-pass of the second order. */
export interface LowPass {
  b: readonly [number, number, number];
  /** After the leading 1. */
  a: readonly [number, number];
}

/**
 * Run forward and backward the filter damps twice: designed at the cut-off by this it has lost 3 dB at the cut-off itself
 * (Winter, Biomechanics and Motor Control of Human Movement; common practice).
 */
export const TWICE = (Math.SQRT2 - 1) ** 0.25;
/** Samples by which a signal is lengthened at both ends. */
const PADDING = 9;

/**
 * Butterworth low-pass of the second order by the bilinear transform.
 * @param cutHz design cut-off
 * @param rate samples a second
 * @throws RangeError for a cut-off that is not below half of the rate
 */
export function butterworth(cutHz: number, rate: number): LowPass {
  if (!(cutHz > 0 && cutHz < rate / 2))
    throw new RangeError(`A cut-off of ${cutHz} Hz does not lie below half of ${rate} a second.`);
  const k = Math.tan((Math.PI * cutHz) / rate);
  const n = 1 / (1 + Math.SQRT2 * k + k * k);
  const b = k * k * n;
  return { b: [b, 2 * b, b], a: [2 * (k * k - 1) * n, (1 - Math.SQRT2 * k + k * k) * n] };
}

/** One way, beginning as if the first value had stood there for ever. */
function oneWay({ b, a }: LowPass, x: readonly number[]): number[] {
  const first = x[0] ?? 0;
  let z2 = (b[2] - a[1]) * first;
  let z1 = (b[1] - a[0]) * first + z2;
  return x.map((v) => {
    const y = b[0] * v + z1;
    z1 = b[1] * v - a[0] * y + z2;
    z2 = b[2] * v - a[1] * y;
    return y;
  });
}

/** Forward and backward: nothing is late. The ends are mirrored about their points. */
export function bothWays(filter: LowPass, x: readonly number[]): number[] {
  const pad = Math.min(PADDING, x.length - 1);
  if (pad <= 0) return [...x];
  const [first, last] = [x[0]!, x.at(-1)!];
  const before = Array.from({ length: pad }, (_, i) => 2 * first - x[pad - i]!);
  const after = Array.from({ length: pad }, (_, i) => 2 * last - x[x.length - 2 - i]!);
  const forth = oneWay(filter, [...before, ...x, ...after]);
  return oneWay(filter, forth.reverse())
    .reverse()
    .slice(pad, pad + x.length);
}

/** Zero-lag low-pass that has lost 3 dB at its cut-off. */
export const lowPass = (x: readonly number[], cutHz: number, rate: number): number[] =>
  bothWays(butterworth(cutHz / TWICE, rate), x);

/** The cut-off for positions at a rate, Hz (common practice: 6 Hz, and no more than the rate can carry). */
export const cutFor = (rate: number): number => Math.min(6, 0.2 * rate);

/** Change a second: central differences, of second order at the ends. */
export function derivative(x: readonly number[], rate: number): number[] {
  const n = x.length;
  if (n < 3) return x.map(() => (n === 2 ? (x[1]! - x[0]!) * rate : 0));
  return x.map((_, i) => {
    if (i === 0) return ((-3 * x[0]! + 4 * x[1]! - x[2]!) * rate) / 2;
    if (i === n - 1) return ((3 * x[n - 1]! - 4 * x[n - 2]! + x[n - 3]!) * rate) / 2;
    return ((x[i + 1]! - x[i - 1]!) * rate) / 2;
  });
}

const STEP_HZ = 0.25;
const FROM_HZ = 0.5;
/** Shares of the rate up to which is looked, and from where noise alone is left. */
const SHARES = { last: 0.275, noise: 0.12 } as const;

/** What the residual of a low-pass says about noise. */
export interface Residual {
  /** null: the residual never falls to what noise leaves. */
  cutHz: number | null;
  /** Noise, as the line through the tail meets no filtering at all. */
  intercept: number;
  /** Root mean square of what a cut-off takes away. */
  at: (cutHz: number) => number;
}

/** Residual analysis (Winter): what each cut-off takes away, and the one at which that is noise alone. */
export function residual(x: readonly number[], rate: number): Residual {
  const at = (cutHz: number) => {
    const y = lowPass(x, cutHz, rate);
    return Math.sqrt(x.reduce((sum, v, i) => sum + (v - y[i]!) ** 2, 0) / x.length);
  };
  const cuts: number[] = [];
  for (let c = FROM_HZ; c <= SHARES.last * rate + 1e-9; c += STEP_HZ) cuts.push(c);
  const r = cuts.map(at);
  const tail = cuts.flatMap((c, i) => (c >= SHARES.noise * rate - 1e-9 ? [[c, r[i]!] as const] : []));
  const mean = (k: 0 | 1) => tail.reduce((sum, p) => sum + p[k], 0) / tail.length;
  const [mx, my] = [mean(0), mean(1)];
  const slope =
    tail.reduce((sum, [c, v]) => sum + (c - mx) * (v - my), 0) /
    tail.reduce((sum, [c]) => sum + (c - mx) ** 2, 0);
  const intercept = my - slope * mx;
  const i = r.findIndex((v) => v <= intercept);
  const cutHz =
    i < 0
      ? null
      : i === 0
        ? cuts[0]!
        : cuts[i - 1]! + (STEP_HZ * (r[i - 1]! - intercept)) / (r[i - 1]! - r[i]!);
  return { cutHz, intercept, at };
}
