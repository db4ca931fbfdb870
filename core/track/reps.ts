import { derivative, lowPass } from './filter.ts';
import type { Signal } from './track.ts';
import { timeOf } from './track.ts';

/** What of a signal's range a repetition has to pass, and where its edges are told (judgements, tried on drawn figures). */
const LEVELS = {
  topQuantile: 0.1,
  bottomQuantile: 0.97,
  on: 0.25,
  off: 0.15,
  edge: 0.05,
  bottom: 0.06,
  partial: 0.7,
  stallAbove: 0.2,
} as const;
/** The bottom goes on through a dip this short and this small, in bottoms: a point was a little off (judgement). */
const DIP = { s: 0.25, most: 2 } as const;
const SHORTEST_S = 0.5;
/** Degrees, or per cent of the standing height. */
export const LEAST_RANGE = 12;
const STALL = { perS: 8, cutHz: 2.5, shortestS: 0.2 } as const;

/** One repetition, by rule: it begins and ends where the signal crosses a twentieth of its own depth. */
export interface Rep {
  fromS: number;
  /** At the bottom: within 6 % of its depth of the lowest. */
  bottomFromS: number;
  bottomToS: number;
  toS: number;
  /** From its own top. */
  depth: number;
  /** Less than 70 % of the upper quartile of depths. */
  partial: boolean;
  /** Standing still on the way up, seconds from the start of the track. */
  stallsS: number[];
}

export interface Phases {
  loweringS: number;
  bottomS: number;
  risingS: number;
  /** Until the next one begins; null: it is the last. */
  topS: number | null;
}

const quantile = (list: readonly number[], q: number): number => {
  const sorted = [...list].sort((a, b) => a - b);
  const at = (sorted.length - 1) * q;
  const i = Math.floor(at);
  return sorted[i]! + (at - i) * ((sorted[i + 1] ?? sorted[i]!) - sorted[i]!);
};

/** Where the straight line between two samples crosses a level, in samples. */
const crossing = (values: readonly number[], i: number, level: number): number => {
  const [a, b] = [values[i]!, values[i + 1]!];
  return a === b ? i : i + Math.max(0, Math.min(1, (level - a) / (b - a)));
};

/**
 * The repetitions of a signal that is low at the top of the movement and high at its bottom, e.g. how far a knee is bent.
 * Runs without a hole are looked through one by one; what is masked counts as a hole.
 * @param masked samples at which somebody walks
 */
export function repsIn(
  signal: Signal,
  { leastRange = LEAST_RANGE, masked }: { leastRange?: number; masked?: readonly boolean[] } = {},
): Rep[] {
  const known = signal.values.flatMap((v, i) => (v === null || masked?.[i] ? [] : [v]));
  if (known.length < 3) return [];
  const top = quantile(known, LEVELS.topQuantile);
  const range = quantile(known, LEVELS.bottomQuantile) - top;
  if (range < leastRange) return [];
  const found: Rep[] = [];
  for (let i = 0; i < signal.values.length;) {
    if (signal.values[i] === null || masked?.[i]) {
      i++;
      continue;
    }
    let end = i;
    while (end < signal.values.length && signal.values[end] !== null && !masked?.[end]) end++;
    const run = signal.values.slice(i, end) as number[];
    found.push(...inRun(run, signal.rate, timeOf(signal, i), { top, range, leastRange }));
    i = end;
  }
  const depths = found.map((r) => r.depth);
  if (depths.length === 0) return [];
  const full = quantile(depths, 0.75);
  return found.map((r) => ({ ...r, partial: r.depth < LEVELS.partial * full }));
}

function inRun(
  x: readonly number[],
  rate: number,
  fromS: number,
  { top, range, leastRange }: { top: number; range: number; leastRange: number },
): Rep[] {
  const slow =
    x.length > 3 ? derivative(lowPass(x, Math.min(STALL.cutHz, 0.35 * rate), rate), rate) : x.map(() => 0);
  const at = (i: number) => fromS + i / rate;
  const reps: Rep[] = [];
  let after = 0;
  for (let i = 0; i < x.length; i++) {
    if (x[i]! < top + LEVELS.on * range) continue;
    let last = i;
    while (last < x.length - 1 && x[last + 1]! >= top + LEVELS.off * range) last++;
    let low = i;
    for (let k = i; k <= last; k++) if (x[k]! > x[low]!) low = k;
    // Its own top on either side: the least between it and what is beside it.
    const before = least(x, after, i);
    const next = nextOn(x, last + 1, top + LEVELS.on * range);
    const behind = least(x, last, next);
    const depth = x[low]! - Math.max(x[before]!, x[behind]!);
    const level = (k: number) => x[k]! + LEVELS.edge * (x[low]! - x[k]!);
    let a = i;
    while (a > before && x[a - 1]! > level(before)) a--;
    let b = last;
    while (b < behind && x[b + 1]! > level(behind)) b++;
    const start = a > 0 ? crossing(x, a - 1, level(before)) : 0;
    const stop = b < x.length - 1 ? crossing(x, b, level(behind)) : b;
    const near = x[low]! - LEVELS.bottom * depth;
    const dip = Math.round(DIP.s * rate);
    const stays = (from: number, step: 1 | -1, end: number) => {
      let at = from;
      for (let k = from + step, out = 0; step * (end - k) >= 0; k += step) {
        if (x[k]! >= near) [at, out] = [k, 0];
        else if (x[k]! < x[low]! - DIP.most * LEVELS.bottom * depth || ++out > dip) break;
      }
      return at;
    };
    const p = stays(low, -1, a);
    const q = stays(low, 1, b);
    // A run that begins or ends in the middle of one does not show the whole of it.
    const ends = b < x.length - 1 || x[b]! <= level(behind) + LEVELS.off * depth;
    const whole = ends && (a > 0 || x[0]! < near);
    if (whole && depth >= leastRange && (stop - start) / rate >= SHORTEST_S)
      reps.push({
        fromS: at(start),
        bottomFromS: at(p > 0 ? crossing(x, p - 1, near) : p),
        bottomToS: at(q < x.length - 1 ? crossing(x, q, near) : q),
        toS: at(stop),
        depth,
        partial: false,
        stallsS: stallsIn(x, slow, rate, {
          from: q,
          to: b,
          above: x[behind]! + LEVELS.stallAbove * depth,
        }).map(at),
      });
    after = last;
    i = last;
  }
  return reps;
}

function least(x: readonly number[], from: number, to: number): number {
  let best = from;
  // Of the lowest the one nearest to the repetition on its right is as good as any: the last one.
  for (let k = from; k <= Math.min(to, x.length - 1); k++) if (x[k]! <= x[best]!) best = k;
  return best;
}

function nextOn(x: readonly number[], from: number, level: number): number {
  for (let k = from; k < x.length; k++) if (x[k]! >= level) return k;
  return x.length - 1;
}

/** Where somebody stands still on the way up, at least so long. */
function stallsIn(
  x: readonly number[],
  speed: readonly number[],
  rate: number,
  { from, to, above }: { from: number; to: number; above: number },
): number[] {
  const stalls: number[] = [];
  for (let k = from; k <= to; k++) {
    if (x[k]! < above || Math.abs(speed[k]!) >= STALL.perS) continue;
    let end = k;
    while (end < to && x[end + 1]! >= above && Math.abs(speed[end + 1]!) < STALL.perS) end++;
    // The turn at the bottom is no stall.
    if (k > from + 1 && (end - k) / rate >= STALL.shortestS) stalls.push(k);
    k = end;
  }
  return stalls;
}

/** Seconds of the four phases of each repetition. */
export const phasesOf = (reps: readonly Rep[]): Phases[] =>
  reps.map((r, i) => ({
    loweringS: r.bottomFromS - r.fromS,
    bottomS: r.bottomToS - r.bottomFromS,
    risingS: r.toS - r.bottomToS,
    topS: reps[i + 1] ? reps[i + 1]!.fromS - r.toS : null,
  }));
