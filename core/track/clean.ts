import { pchipAt, pchipSlopes } from '../program/index.ts';
import { cutFor, lowPass } from './filter.ts';
import { median } from './points.ts';
import type { Signal } from './track.ts';

/** Longest hole that is closed, seconds. */
export const LONGEST_GAP_S = 0.25;
/** Deviation from the running median that is a spike: so many robust standard deviations, and at least so much. */
const SPIKE = { deviations: 6, reach: 2 } as const;
/** Half a normal spread is 1.4826 times the median deviation. */
const ROBUST = 1.4826;

/**
 * Values at their own times on a grid of a rate, straight between; a hole stays one where its neighbours are farther
 * apart than a hole that is closed.
 */
export function resampled(
  timeS: readonly number[],
  values: readonly (number | null)[],
  rate: number,
): Signal {
  const known = timeS.flatMap((t, i) => (values[i] === null ? [] : [[t, values[i]!] as const]));
  const fromS = timeS[0] ?? 0;
  const count = timeS.length === 0 ? 0 : Math.floor((timeS.at(-1)! - fromS) * rate + 1e-6) + 1;
  let k = 0;
  const out = Array.from({ length: count }, (_, i): number | null => {
    const t = fromS + i / rate;
    while (k < known.length - 1 && known[k + 1]![0] <= t + 1e-9) k++;
    const a = known[k];
    if (!a || a[0] > t + 1e-9) return null;
    if (Math.abs(a[0] - t) < 1e-9) return a[1];
    const b = known[k + 1];
    if (!b || b[0] - a[0] > Math.max(LONGEST_GAP_S, 1.5 / rate)) return null;
    return a[1] + ((b[1] - a[1]) * (t - a[0])) / (b[0] - a[0]);
  });
  return { fromS, rate, values: out };
}

/** What jumps away from its neighbours and back is taken out. @param leastDeviation in the signal's own unit */
export function despiked(values: readonly (number | null)[], leastDeviation: number): (number | null)[] {
  const off = values.map((v, i) => {
    if (v === null) return null;
    const near = values
      .slice(Math.max(0, i - SPIKE.reach), i + SPIKE.reach + 1)
      .flatMap((x) => (x === null ? [] : [x]));
    return Math.abs(v - median(near)!);
  });
  const known = off.flatMap((x) => (x === null ? [] : [x]));
  if (known.length === 0) return [...values];
  const limit = Math.max(SPIKE.deviations * ROBUST * median(known)!, leastDeviation);
  return values.map((v, i) => (off[i] !== null && off[i]! > limit ? null : v));
}

/** Short holes are closed along a monotone curve through what is beside them; longer ones stay holes. */
export function closed(values: readonly (number | null)[], rate: number): (number | null)[] {
  const xs = values.flatMap((v, i) => (v === null ? [] : [i]));
  if (xs.length < 2) return [...values];
  const ys = xs.map((i) => values[i]!);
  const slopes = pchipSlopes(xs, ys);
  return values.map((v, i) => {
    if (v !== null) return v;
    const after = xs.findIndex((x) => x > i);
    if (after <= 0) return null;
    const missing = xs[after]! - xs[after - 1]! - 1;
    return missing / rate > LONGEST_GAP_S + 1e-9 ? null : pchipAt(xs, ys, slopes, i);
  });
}

/** Each run without a hole is filtered by itself. */
export function smoothed(
  values: readonly (number | null)[],
  rate: number,
  cutHz = cutFor(rate),
): (number | null)[] {
  const out: (number | null)[] = [...values];
  for (let i = 0; i < values.length;) {
    if (values[i] === null) {
      i++;
      continue;
    }
    let end = i;
    while (end < values.length && values[end] !== null) end++;
    lowPass(values.slice(i, end) as number[], cutHz, rate).forEach((v, k) => (out[i + k] = v));
    i = end;
  }
  return out;
}
