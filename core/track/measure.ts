import type { SettledMechanics } from '../posture/index.ts';
import { flexionDeg, hipDeg, leanDeg } from './angles.ts';
import { closed, despiked, resampled, smoothed } from './clean.ts';
import { cutFor } from './filter.ts';
import { LEAST_RANGE, phasesOf, repsIn } from './reps.ts';
import type { Phases, Rep } from './reps.ts';
import { timeOf } from './track.ts';
import type { Landmark, Point, Signal, Track } from './track.ts';
import { metresPerPixel, unswapped, viewOfTrack, walking } from './view.ts';
import type { View } from './view.ts';

type Here = NonNullable<Point>;

/** Found by the network from here on (measured on drawn figures). */
const SURE = 0.3;
/** A picture whose points are surer than this on average is a clear one. */
const CLEAR = 0.6;
/** Degrees a joint may jump between neighbours; pixels are compared with the trunk instead. */
const JUMP_DEG = 8;

/** Why something is not measured. */
export type NotMeasured =
  | 'not from this view'
  | 'points are missing'
  | 'unsteady'
  | 'no scale'
  | 'too few frames a second'
  | 'not of this movement';

/** What is told of one quantity: within its band, or why not. */
export type Measure = { value: number; band: number } | { not: NotMeasured };

export const isMeasured = (m: Measure): m is { value: number; band: number } => 'value' in m;

/** Quantities of a repetition, in the order in which they are shown. */
export const QUANTITIES = ['knee', 'trunk', 'shin', 'hip', 'depth', 'kneesApart'] as const;
export type Quantity = (typeof QUANTITIES)[number];

/**
 * Bands within which each is told (measured on drawn figures: the best case; degrees, centimetres, and a ratio).
 * `poor`: where the points are not clear or a load hides the shoulder.
 */
export const BANDS: Record<
  Quantity,
  { band: number; poor: number; unit: '°' | 'cm' | ''; view: 'side' | 'front' }
> = {
  knee: { band: 8, poor: 10, unit: '°', view: 'side' },
  trunk: { band: 6, poor: 8, unit: '°', view: 'side' },
  shin: { band: 5, poor: 6, unit: '°', view: 'side' },
  hip: { band: 11, poor: 12, unit: '°', view: 'side' },
  depth: { band: 6, poor: 8, unit: 'cm', view: 'side' },
  kneesApart: { band: 0.12, poor: 0.12, unit: '', view: 'front' },
};

/**
 * Seconds within which a phase is told, by where it is seen from (measured on the drawn figure). Of somebody lying they
 * were more than a second off, so that they are not told.
 */
export const PHASE_BANDS = { upright: 0.3, split: 0.4, front: 0.3 } as const;
/** Frames a second from which phases are told, and from which a bounce is. */
export const LEAST_RATE = { phases: 10, bounce: 25 } as const;

export interface MeasuredRep extends Phases {
  fromS: number;
  toS: number;
  /** The middle of its working position. */
  atS: number;
  partial: boolean;
  stallsS: readonly number[];
  /** A limb that changed its length, or points that were hardly found. */
  unsure: boolean;
  /** At its working position. */
  at: Record<Quantity, Measure>;
}

/** Whether a movement sits down on something. */
export const isSeated = (m: SettledMechanics): boolean => m.type === 'squat' && m.box === 'seated';

export interface MeasuredSet {
  view: View;
  azimuthDeg: number | null;
  rate: number;
  meanScore: number;
  nearSide: 'left' | 'right';
  /** Pixels of a metre; null: not known. */
  pxPerM: number | null;
  reps: MeasuredRep[];
  /** Seconds within which phases are told; null: they are not told. */
  phaseBandS: number | null;
  /** Holes longer than are closed, seconds from to. */
  holes: [number, number][];
  /** What the repetitions were counted by. */
  signal: Signal;
}

export interface MeasureOf {
  type: SettledMechanics['type'];
  /** Whether the working position is the low or the high end. */
  workingIs: 'bottom' | 'top';
  statureM: number | null;
  /** Metres of a pixel from a tape on the floor; null: from stature, where that is known. */
  tape: number | null;
  /** How far the camera is turned, degrees. */
  rollDeg: number;
  /** As the coach says; null: by the picture. */
  view: 'side' | 'front' | null;
  /** A bar or plates before the shoulder. */
  hidden: boolean;
  /** They sit down on something and lean forward to rise: that is no one movement whose phases could be told. */
  seated: boolean;
}

const pointAt = (track: Track, k: Landmark, i: number): Point =>
  (track.scores[k][i] ?? 0) < SURE ? null : (track.points[k][i] ?? null);

const middle = (a: Point, b: Point): Point => (a && b ? [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] : (a ?? b));

const median = (list: readonly number[]): number | null => {
  if (list.length === 0) return null;
  const sorted = [...list].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
};

/** Samples a second of the grid: as the frames came, at most 30. */
export function rateOf(timeS: readonly number[]): number {
  const step = median(timeS.slice(1).map((t, i) => t - timeS[i]!)) ?? 1;
  return Math.max(5, Math.min(30, Math.round(1 / Math.max(step, 1e-3))));
}

/** One value a frame through the whole chain: grid, spikes, holes, low-pass. */
function chain(track: Track, rate: number, of: (i: number) => number | null, leastDeviation: number): Signal {
  const raw = resampled(
    track.timeS,
    track.timeS.map((_, i) => of(i)),
    rate,
  );
  const values = smoothed(closed(despiked(raw.values, leastDeviation), rate), rate, cutFor(rate));
  return { ...raw, values };
}

/** Whether the side nearer to the camera is the left: its points are the surer ones. */
function nearSideOf(track: Track): 'left' | 'right' {
  const sum = (side: 'left' | 'right') =>
    (['hip', 'knee', 'ankle', 'shoulder'] as const).reduce(
      (n, j) => n + track.scores[`${side} ${j}`].reduce((a, b) => a + b, 0),
      0,
    );
  return sum('left') > sum('right') ? 'left' : 'right';
}

/** Bands that depend on more than the quantity (measured on drawn figures). */
const KNEE_ELSEWHERE = 10;
const HIP_LYING = 9;
const KNEES_IN = { below: 0.8, band: 0.35 } as const;
/** Shank and thigh are about as long; beyond this a joint was taken for another (judgement). */
const LEG_RATIO = { from: 0.6, to: 1.65 } as const;

const between = (a: Here, b: Here) => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** A limb may change its length in the picture by so much before the frame is unsure. */
const LIMB_CHANGE = 0.25;
/** Within the working position a value may go to and fro by so many bands (judgement). */
const STEADY = 4;
/** A frame whose core points are surer than this on average is a sure one. */
const SURE_FRAME = 0.4;

/**
 * A set measured from where somebody's landmarks were: repetitions, phases, and at each working position what can be told
 * from this view within its band. Nothing is told that the view does not show.
 */
export function measureSet(given: Track, of: MeasureOf): MeasuredSet {
  const rate = rateOf(given.timeS);
  const seen = viewOfTrack(given);
  const lying = of.type === 'bridge' || of.type === 'extension';
  const view: View = of.view ?? (lying && seen.view === 'unknown' ? 'side' : seen.view);
  const track = view === 'side' ? given : unswapped(given);
  const nearSide = nearSideOf(track);
  const facing = facingOf(track, nearSide);
  // In a split stance the leg ahead is measured, joint by joint: the network takes one leg for the other.
  const ahead = (k: 'knee' | 'ankle', i: number): Point => {
    const [l, r] = [pointAt(track, `left ${k}`, i), pointAt(track, `right ${k}`, i)];
    return l && r ? (facing * (l[0] - r[0]) > 0 ? l : r) : null;
  };
  const at = (k: 'shoulder' | 'hip' | 'knee' | 'ankle', i: number): Point =>
    of.type !== 'lunge' || k === 'shoulder'
      ? pointAt(track, `${nearSide} ${k}`, i)
      : k === 'hip'
        ? both(k, i)
        : ahead(k, i);
  const both = (k: 'shoulder' | 'hip' | 'knee' | 'ankle', i: number) =>
    middle(pointAt(track, `left ${k}`, i), pointAt(track, `right ${k}`, i));
  const coreScores = (i: number) =>
    (['hip', 'knee', 'ankle', 'shoulder'] as const).map((k) => track.scores[`${nearSide} ${k}`][i] ?? 0);
  const meanScore =
    track.timeS.length === 0
      ? 0
      : track.timeS.reduce((n, _, i) => n + coreScores(i).reduce((a, b) => a + b, 0) / 4, 0) /
        track.timeS.length;
  const signed = (deg: number | null) => (deg === null ? null : facing * (deg - of.rollDeg));
  const of3 = (f: (a: Here, b: Here, c: Here) => number, ks: readonly [Point, Point, Point]) =>
    ks[0] && ks[1] && ks[2] ? f(ks[0], ks[1], ks[2]) : null;
  const knee = (i: number) => of3(flexionDeg, [at('hip', i), at('knee', i), at('ankle', i)]);
  const lean = (lower: Point, upper: Point) => (lower && upper ? leanDeg(lower, upper) : null);
  const trunk = (i: number) => signed(lean(at('hip', i), at('shoulder', i)));
  const shin = (i: number) => signed(lean(at('ankle', i), at('knee', i)));
  const hipSigned = (i: number) => of3(hipDeg, [at('shoulder', i), at('hip', i), at('knee', i)]);
  // Bent hips have the sign of most of the movement.
  const bentSign = Math.sign(median(track.timeS.flatMap((_, i) => hipSigned(i) ?? [])) ?? 1) || 1;
  const hip = (i: number) => {
    const deg = hipSigned(i);
    return deg === null ? null : bentSign * deg;
  };
  const standingHip = tallestHip(track, both);
  const fall = (i: number) => {
    const [h, a] = [both('hip', i), both('ankle', i)];
    return h && a && standingHip ? 100 * (1 - (a[1] - h[1]) / standingHip) : null;
  };
  const s = (f: (i: number) => number | null, least = JUMP_DEG) => chain(track, rate, f, least);
  const signals = { knee: s(knee), trunk: s(trunk), shin: s(shin), hip: s(hip), fall: s(fall) };
  const counted = view === 'side' || lying ? countedBy(of, signals) : signals.fall;
  const pxPerM = pxPerMOf(track, of, counted, rate);
  const masked = walkingIn(
    track,
    rate,
    of.statureM !== null && pxPerM !== null ? of.statureM * pxPerM : null,
  );
  // A movement that is only drawn has nothing to be counted by.
  const reps =
    of.type === 'drawn' ? [] : repsIn(counted, { leastRange: LEAST_RANGE, ...(lying ? {} : { masked }) });
  /** Knees that are not those of a squat or lunge, hips of somebody lying, and knees far inwards read otherwise (measured). */
  const bandOf = (q: Quantity, value: number, usual: number): number => {
    if (q === 'knee' && of.type !== 'squat' && of.type !== 'lunge') return KNEE_ELSEWHERE;
    if (q === 'hip' && lying) return HIP_LYING;
    return q === 'kneesApart' && value < KNEES_IN.below ? KNEES_IN.band : usual;
  };
  const poor = meanScore < CLEAR || of.hidden || of.seated;
  const measure = (q: Quantity, signal: Signal, r: Rep): Measure => {
    const about = BANDS[q];
    if (view !== about.view) return { not: 'not from this view' };
    const found = workingIn(signal, r);
    if (found === null) return { not: 'points are missing' };
    const { value, spread } = found;
    // A body that holds its working position does not jump to and fro: one leg was taken for the other.
    if (spread > STEADY * about.band) return { not: 'unsteady' };
    if (q !== 'trunk' && q !== 'kneesApart' && !legsFit(r)) return { not: 'unsteady' };
    return { value, band: bandOf(q, value, about[poor ? 'poor' : 'band']) };
  };
  const depthCm = s((i) => {
    const [h, k] = [at('hip', i), at('knee', i)];
    return h && k && pxPerM ? (100 * (k[1] - h[1])) / pxPerM : null;
  }, 4);
  const apart = s((i) => {
    const [lk, rk, la, ra] = (['left knee', 'right knee', 'left ankle', 'right ankle'] as const).map((k) =>
      pointAt(track, k, i),
    );
    if (!lk || !rk || !la || !ra) return null;
    const ankles = Math.abs(la[0] - ra[0]);
    return ankles < 4 ? null : Math.abs(lk[0] - rk[0]) / ankles;
  }, 0.2);
  const limbs = limbMedians(track, at);
  /** From the side, at the working position, shank and thigh are as long as legs are. */
  const legsFit = (r: Rep): boolean => {
    const ratios = track.timeS.flatMap((t, i) => {
      const [h, k, a] = [at('hip', i), at('knee', i), at('ankle', i)];
      return t >= r.bottomFromS && t <= r.bottomToS && h && k && a && between(h, k) > 0
        ? [between(k, a) / between(h, k)]
        : [];
    });
    const ratio = median(ratios);
    return ratio === null || (ratio >= LEG_RATIO.from && ratio <= LEG_RATIO.to);
  };
  return {
    view,
    azimuthDeg: seen.azimuthDeg,
    rate,
    meanScore,
    nearSide,
    pxPerM,
    phaseBandS:
      rate < LEAST_RATE.phases || lying || of.seated
        ? null
        : view !== 'side'
          ? PHASE_BANDS.front
          : of.type === 'lunge'
            ? PHASE_BANDS.split
            : PHASE_BANDS.upright,
    holes: holesIn(counted),
    signal: counted,
    reps: phasesOf(reps).map((phases, n): MeasuredRep => {
      const r = reps[n]!;
      const upright = of.type !== 'bridge' && of.type !== 'extension' && of.type !== 'drawn';
      const only = (q: Quantity, ok: boolean, signal: Signal): Measure =>
        ok ? measure(q, signal, r) : { not: 'not of this movement' };
      return {
        ...inOrder(phases, of.workingIs),
        fromS: r.fromS,
        toS: r.toS,
        atS: (r.bottomFromS + r.bottomToS) / 2,
        partial: r.partial,
        stallsS: r.stallsS,
        // From the front a thigh is foreshortened: its length says nothing.
        unsure: unsureIn(track, r, view === 'side' ? limbs : [], at, coreScores),
        at: {
          // Of somebody who lies only the trunk and the hip were found well enough.
          knee: only('knee', !lying, signals.knee),
          trunk: measure('trunk', signals.trunk, r),
          // Hands and load hang before the knee of a lift.
          shin: only('shin', !lying && of.type !== 'lift', signals.shin),
          hip: measure('hip', signals.hip, r),
          depth:
            pxPerM === null && view === 'side' && upright
              ? { not: 'no scale' }
              : only('depth', upright, depthCm),
          kneesApart: only('kneesApart', upright, apart),
        },
      };
    }),
  };
}

/** Which way somebody looks: 1 to the right of the picture, −1 to the left. */
function facingOf(track: Track, side: 'left' | 'right'): 1 | -1 {
  const ahead = track.timeS.flatMap((_, i) => {
    const [n, s] = [pointAt(track, 'nose', i), pointAt(track, `${side} shoulder`, i)];
    const [k, a] = [pointAt(track, `${side} knee`, i), pointAt(track, `${side} ankle`, i)];
    return [...(n && s ? [n[0] - s[0]] : []), ...(k && a ? [k[0] - a[0]] : [])];
  });
  return ahead.reduce((a, b) => a + b, 0) < 0 ? -1 : 1;
}

/** The signal that is low at the start of the movement and high where it works. */
function countedBy(
  of: MeasureOf,
  { knee, trunk, hip, fall }: Record<'knee' | 'trunk' | 'hip' | 'fall', Signal>,
): Signal {
  const minus = (s: Signal): Signal => ({ ...s, values: s.values.map((v) => (v === null ? null : -v)) });
  switch (of.type) {
    case 'squat':
    case 'lunge':
      return knee;
    case 'hinge':
      return trunk;
    case 'lift':
      return of.workingIs === 'top' ? minus(trunk) : trunk;
    case 'bridge':
    case 'extension':
      return of.workingIs === 'top' ? minus(hip) : hip;
    case 'drawn':
      return fall;
  }
}

/** Where the working position is the high one, the way there is the rising. */
const inOrder = (p: Phases, workingIs: 'bottom' | 'top'): Phases =>
  workingIs === 'bottom'
    ? p
    : { loweringS: p.risingS, bottomS: p.topS ?? 0, risingS: p.loweringS, topS: p.bottomS };

/** Mean over the working position of a repetition, and how far it goes to and fro there; null: a hole. */
function workingIn(signal: Signal, r: Rep): { value: number; spread: number } | null {
  const from = Math.max(0, Math.round((r.bottomFromS - signal.fromS) * signal.rate));
  const to = Math.min(signal.values.length - 1, Math.round((r.bottomToS - signal.fromS) * signal.rate));
  const known = signal.values.slice(from, to + 1).flatMap((v) => (v === null ? [] : [v]));
  if (known.length === 0) return null;
  return {
    value: known.reduce((a, b) => a + b, 0) / known.length,
    spread: Math.max(...known) - Math.min(...known),
  };
}

/** The height of the hips over the ankles when somebody stands tallest, pixels: the upper tenth. */
function tallestHip(track: Track, both: (k: 'hip' | 'ankle', i: number) => Point): number | null {
  const heights = track.timeS
    .flatMap((_, i) => {
      const [h, a] = [both('hip', i), both('ankle', i)];
      return h && a ? [a[1] - h[1]] : [];
    })
    .sort((a, b) => a - b);
  const tall = heights[Math.floor(0.95 * (heights.length - 1))];
  return tall !== undefined && tall > 0 ? tall : null;
}

/** Somebody stands where the counted signal is near its start. */
const STANDS_WITHIN = 8;

function pxPerMOf(track: Track, of: MeasureOf, counted: Signal, rate: number): number | null {
  if (of.tape !== null) return of.tape > 0 ? 1 / of.tape : null;
  if (of.statureM === null || of.type === 'bridge' || of.type === 'extension' || of.workingIs === 'top')
    return null;
  const known = counted.values.flatMap((v) => (v === null ? [] : [v]));
  if (known.length === 0) return null;
  const low = [...known].sort((a, b) => a - b)[Math.floor(0.05 * (known.length - 1))]!;
  const standing = track.timeS.flatMap((t, i) => {
    const v = counted.values[Math.round((t - counted.fromS) * rate)];
    return v !== null && v !== undefined && v <= low + STANDS_WITHIN ? [i] : [];
  });
  const m = metresPerPixel(track, standing, of.statureM);
  return m === null ? null : 1 / m;
}

function walkingIn(track: Track, rate: number, staturePx: number | null): boolean[] {
  // By which is on the left of the picture: one foot is easily taken for the other.
  const x = (of: (a: number, b: number) => number) => {
    const { values } = resampled(
      track.timeS,
      track.timeS.map((_, i) => {
        const [l, r] = [pointAt(track, 'left ankle', i), pointAt(track, 'right ankle', i)];
        return l && r ? of(l[0], r[0]) : null;
      }),
      rate,
    );
    let last = values.find((v) => v !== null) ?? 0;
    return values.map((v) => (last = v ?? last));
  };
  const left = x(Math.min);
  if (staturePx === null) return left.map(() => false);
  return walking(left, x(Math.max), rate, staturePx);
}

const LIMBS = [
  ['hip', 'knee'],
  ['knee', 'ankle'],
  ['shoulder', 'hip'],
] as const;
type At = (k: 'shoulder' | 'hip' | 'knee' | 'ankle', i: number) => Point;

const limbMedians = (track: Track, at: At): (number | null)[] =>
  LIMBS.map(([a, b]) =>
    median(
      track.timeS.flatMap((_, i) => {
        const [p, q] = [at(a, i), at(b, i)];
        return p && q ? [between(p, q)] : [];
      }),
    ),
  );

/** Half of the frames of a repetition or more have a limb of another length, or points that were hardly found. */
function unsureIn(
  track: Track,
  r: Rep,
  limbs: readonly (number | null)[],
  at: At,
  scores: (i: number) => number[],
): boolean {
  let frames = 0;
  let unsure = 0;
  track.timeS.forEach((t, i) => {
    if (t < r.fromS || t > r.toS) return;
    frames++;
    const changed = limbs.some((is, n) => {
      const [a, b] = LIMBS[n]!;
      const [p, q] = [at(a, i), at(b, i)];
      return p && q && is ? Math.abs(between(p, q) / is - 1) > LIMB_CHANGE : true;
    });
    if (changed || scores(i).reduce((a, b) => a + b, 0) / 4 < SURE_FRAME) unsure++;
  });
  return frames === 0 || unsure > frames / 2;
}

function holesIn(signal: Signal): [number, number][] {
  const holes: [number, number][] = [];
  for (let i = 0; i < signal.values.length; i++) {
    if (signal.values[i] !== null) continue;
    let end = i;
    while (end + 1 < signal.values.length && signal.values[end + 1] === null) end++;
    holes.push([timeOf(signal, i), timeOf(signal, end)]);
    i = end;
  }
  return holes;
}
