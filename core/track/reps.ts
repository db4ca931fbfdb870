import { derivative, lowPass } from './filter.ts';
import { median } from './points.ts';
import type { Signal } from './track.ts';
import { timeOf } from './track.ts';

/** What of a signal's range a repetition has to pass, and where its edges are told (judgements, tried on drawn figures). */
const LEVELS = {
  topQuantile: 0.1,
  bottomQuantile: 0.97,
  on: 0.25,
  off: 0.15,
  low: 0.1,
  high: 0.9,
  plateau: 0.15,
  partial: 0.7,
  stallAbove: 0.2,
} as const;
/**
 * A hole this long is bridged where repetitions are counted: in nothing else, and it is shown. Longer, and a whole one could
 * lie in it (judgement).
 */
const BRIDGED_S = 0.8;
const SHORTEST_S = 0.5;
/** Degrees, or per cent of the standing height. */
export const LEAST_RANGE = 12;
const STALL = { perS: 8, cutHz: 2.5, shortestS: 0.2 } as const;

/**
 * One repetition, by rule: each way is the straight line through where the signal crosses a tenth and nine tenths of its own
 * depth, from end to end. A way gone evenly is told whole, one gone as smoothly as a cosine to 74 %; a joint that trembles
 * while somebody stands does not move an edge.
 */
export interface Rep {
  fromS: number;
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
 * Runs without a long hole are looked through one by one; what is masked counts as one.
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
  const values = bridged(signal);
  const found: Rep[] = [];
  for (let i = 0; i < values.length;) {
    if (values[i] === null || masked?.[i]) {
      i++;
      continue;
    }
    let end = i;
    while (end < values.length && values[end] !== null && !masked?.[end]) end++;
    const run = values.slice(i, end) as number[];
    found.push(...inRun(run, signal.rate, timeOf(signal, i), { top, range, leastRange }));
    i = end;
  }
  const depths = found.map((r) => r.depth);
  if (depths.length === 0) return [];
  const full = quantile(depths, 0.75);
  return found.map((r) => ({ ...r, partial: r.depth < LEVELS.partial * full }));
}

function bridged({ values, rate }: Signal): (number | null)[] {
  const out = [...values];
  let last = -1;
  values.forEach((v, i) => {
    if (v === null) return;
    if (last >= 0 && i - last > 1 && (i - last) / rate <= BRIDGED_S)
      for (let k = last + 1; k < i; k++)
        out[k] = values[last]! + ((v - values[last]!) * (k - last)) / (i - last);
    last = i;
  });
  return out;
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
    // Its own top on either side, and its own bottom: the middle of what trembles there.
    const before = least(x, after, i);
    const next = nextOn(x, last + 1, top + LEVELS.on * range);
    const behind = least(x, last, next);
    const room = LEVELS.plateau * (x[low]! - Math.max(x[before]!, x[behind]!));
    const deep = levelOf(x, i, last, (v) => v >= x[low]! - room);
    const [from, to] = [
      levelOf(x, after, i, (v) => v <= x[before]! + room),
      levelOf(x, last, next, (v) => v <= x[behind]! + room),
    ];
    const depth = deep - Math.max(from, to);
    const down = wayOf(x, before, low, from, deep);
    const up = wayOf(x, behind, low, to, deep);
    // A run that begins or ends in the middle of one does not show the whole of it.
    if (down !== null && up !== null && depth >= leastRange && (up.end - down.end) / rate >= SHORTEST_S) {
      const turn = down.bottom <= up.bottom ? null : (down.bottom + up.bottom) / 2;
      reps.push({
        fromS: Math.max(reps.at(-1)?.toS ?? fromS, at(down.end)),
        bottomFromS: at(turn ?? down.bottom),
        bottomToS: at(turn ?? up.bottom),
        toS: at(Math.min(x.length - 1, up.end)),
        depth,
        partial: false,
        stallsS: stallsIn(x, slow, rate, {
          from: Math.ceil(up.bottom),
          to: Math.min(x.length - 1, Math.floor(up.end)),
          above: to + LEVELS.stallAbove * depth,
        }).map(at),
      });
    }
    after = last;
    i = last;
  }
  return reps;
}

/** The median of the samples from one to another that lie where they are looked for. */
const levelOf = (x: readonly number[], from: number, to: number, lies: (v: number) => boolean): number =>
  median(x.slice(from, to + 1).filter(lies)) ?? x[from]!;

/**
 * One way between a top and the bottom, in samples: the straight line through its tenth and its nine tenths. null: it is not
 * seen to its end.
 * @param end where the top is, on either side of the bottom
 */
function wayOf(
  x: readonly number[],
  end: number,
  low: number,
  top: number,
  deep: number,
): { end: number; bottom: number } | null {
  const level = (share: number) => top + share * (deep - top);
  const step = Math.sign(low - end);
  // The bottom is reached where it is first reached, and the way there was begun where the top was last left.
  let high = end;
  while (high !== low && x[high]! < level(LEVELS.high)) high += step;
  let left = high;
  while (left !== end && x[left]! > level(LEVELS.low)) left -= step;
  if (left === high || x[left]! > level(LEVELS.low)) return null;
  const between = (k: number, l: number, share: number) => crossing(x, Math.min(k, l), level(share));
  const tenth = between(left, left + step, LEVELS.low);
  const nine = between(high - step, high, LEVELS.high);
  const more = ((nine - tenth) * LEVELS.low) / (LEVELS.high - LEVELS.low);
  return { end: tenth - more, bottom: nine + more };
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
