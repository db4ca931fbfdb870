import type { SettledMechanics } from '../posture/index.ts';
import { flexionDeg, hipDeg, leanDeg } from './angles.ts';
import { closed, despiked, resampled, smoothed } from './clean.ts';
import { cutFor } from './filter.ts';
import { median, middle, nearSideOf, pointAt } from './points.ts';
import type { Here } from './points.ts';
import type { Point, Signal, Track } from './track.ts';
import { metresPerPixel, unswapped, viewOfTrack, walking } from './view.ts';
import type { View } from './view.ts';

export interface MeasureOf {
  type: SettledMechanics['type'];
  /** Whether the working position is the low or the high end. */
  workingIs: 'bottom' | 'top';
  statureM: number | null;
  /** As the coach says; null: by the picture. */
  view: 'side' | 'front' | null;
  /** A bar or plates before the shoulder. */
  hidden: boolean;
  /** They sit down on something and lean forward to rise: that is no one movement whose phases could be told. */
  seated: boolean;
  /** They stand on one leg all the time, and the other is easily taken for it. */
  oneLeg: boolean;
  /** What a coach placed on the picture; absent: nothing. */
  placed?: PlacedOnClip;
}

/** What a coach places on a frame of a clip beside the joints. */
export interface PlacedOnClip {
  /** Metres of a pixel from a tape on the floor; null: from stature, where that is known. */
  metresPerPx: number | null;
  /** How far the camera is turned, degrees. */
  rollDeg: number;
  /** How far the heel has come up, centimetres a frame, where the shoe was followed; null: it was not. */
  heelCm: readonly (number | null)[] | null;
}

/** What of a movement says how it is looked at. */
export const lookedAt = (m: SettledMechanics): Pick<MeasureOf, 'type' | 'seated' | 'oneLeg'> => ({
  type: m.type,
  seated: m.type === 'squat' && m.box === 'seated',
  oneLeg: m.type === 'squat' && m.legs === 1 && m.stepUpM === undefined,
});

/** Degrees, or per cent of the standing height, that may lie between neighbours. */
const JUMP = 8;
/** Centimetres, and shares of the distance of the ankles, that may. */
const JUMP_CM = 4;
const JUMP_RATIO = 0.2;
/** Ankles nearer to each other than so many pixels have no ratio. */
const LEAST_ANKLES_PX = 4;

export type Joint = 'shoulder' | 'hip' | 'knee' | 'ankle';
export const JOINTS = ['hip', 'knee', 'ankle', 'shoulder'] as const satisfies readonly Joint[];

/** Somebody in a clip as signals over time, each through the whole chain: grid, spikes, holes, low-pass. */
export interface SeenBody {
  track: Track;
  view: View;
  azimuthDeg: number | null;
  lying: boolean;
  nearSide: 'left' | 'right';
  rate: number;
  pxPerM: number | null;
  /** Of the side that is measured. */
  at: (k: Joint, frame: number) => Point;
  signals: Record<'knee' | 'trunk' | 'shin' | 'hip' | 'depth' | 'kneesApart' | 'heel' | 'fall', Signal>;
  /** What the repetitions are counted by: low at the start of the movement and high where it works. */
  counted: Signal;
  /** Samples at which somebody walks. */
  masked: boolean[];
}

/** Samples a second of the grid: as the frames came, at most 30. */
function rateOf(timeS: readonly number[]): number {
  const step = median(timeS.slice(1).map((t, i) => t - timeS[i]!)) ?? 1;
  return Math.max(5, Math.min(30, Math.round(1 / Math.max(step, 1e-3))));
}

/** Who is seen in a track, from where, and what moves. */
export function seenBody(given: Track, of: MeasureOf): SeenBody {
  const rate = rateOf(given.timeS);
  const seen = viewOfTrack(given);
  const lying = of.type === 'bridge' || of.type === 'extension';
  const view: View = of.view ?? (lying && seen.view === 'unknown' ? 'side' : seen.view);
  const track = view === 'side' ? given : unswapped(given);
  const nearSide = nearSideOf(track);
  const facing = facingOf(track, nearSide);
  const pair = (k: Joint, i: number): [Point, Point] => [
    pointAt(track, `left ${k}`, i),
    pointAt(track, `right ${k}`, i),
  ];
  const both = (k: Joint, i: number): Point => middle(...pair(k, i));
  // In a split stance the leg ahead is measured, joint by joint: the network takes one leg for the other.
  const ahead = (k: Joint, i: number): Point => {
    const [l, r] = pair(k, i);
    return l && r ? (facing * (l[0] - r[0]) > 0 ? l : r) : null;
  };
  // Who stands on one leg stands on the foot that is lower.
  const standing = (i: number): 'left' | 'right' => {
    const [l, r] = pair('ankle', i);
    return !l || !r ? nearSide : l[1] > r[1] ? 'left' : 'right';
  };
  const at = (k: Joint, i: number): Point =>
    of.oneLeg && (k === 'knee' || k === 'ankle')
      ? pointAt(track, `${standing(i)} ${k}`, i)
      : of.type !== 'lunge' || k === 'shoulder'
        ? pointAt(track, `${nearSide} ${k}`, i)
        : k === 'hip'
          ? both(k, i)
          : ahead(k, i);
  const lean = (lower: Point, upper: Point) =>
    lower && upper ? facing * (leanDeg(lower, upper) - (of.placed?.rollDeg ?? 0)) : null;
  const of3 = (f: (a: Here, b: Here, c: Here) => number, a: Point, b: Point, c: Point) =>
    a && b && c ? f(a, b, c) : null;
  const hipSigned = (i: number) => of3(hipDeg, at('shoulder', i), at('hip', i), at('knee', i));
  // Bent hips have the sign of most of the movement.
  const bentSign = Math.sign(median(track.timeS.flatMap((_, i) => hipSigned(i) ?? [])) ?? 1) || 1;
  const chain = (value: (i: number) => number | null, jump: number): Signal => {
    const raw = resampled(
      track.timeS,
      track.timeS.map((_, i) => value(i)),
      rate,
    );
    return { ...raw, values: smoothed(closed(despiked(raw.values, jump), rate), rate, cutFor(rate)) };
  };
  const knee = chain((i) => of3(flexionDeg, at('hip', i), at('knee', i), at('ankle', i)), JUMP);
  const trunk = chain((i) => lean(at('hip', i), at('shoulder', i)), JUMP);
  const hip = chain((i) => {
    const deg = hipSigned(i);
    return deg === null ? null : bentSign * deg;
  }, JUMP);
  const tall = tallestHip(track, both);
  const fall = chain((i) => {
    const h = both('hip', i);
    const lower = lowerOf(...pair('ankle', i));
    return h && lower && tall ? 100 * (1 - (lower[1] - h[1]) / tall) : null;
  }, JUMP);
  const counted =
    (view !== 'side' && !lying) || of.oneLeg || of.type === 'lunge'
      ? fall
      : countedBy(of, { knee, trunk, hip });
  const pxPerM = pxPerMOf(track, of, counted, rate);
  return {
    track,
    view,
    azimuthDeg: seen.azimuthDeg,
    lying,
    nearSide,
    rate,
    pxPerM,
    at,
    counted,
    masked: walkingIn(track, rate, of.statureM !== null && pxPerM !== null ? of.statureM * pxPerM : null),
    signals: {
      knee,
      trunk,
      hip,
      fall,
      shin: chain((i) => lean(at('ankle', i), at('knee', i)), JUMP),
      depth: chain((i) => {
        const [h, k] = [at('hip', i), at('knee', i)];
        return h && k && pxPerM ? (100 * (k[1] - h[1])) / pxPerM : null;
      }, JUMP_CM),
      kneesApart: chain((i) => {
        const [[lk, rk], [la, ra]] = [pair('knee', i), pair('ankle', i)];
        if (!lk || !rk || !la || !ra) return null;
        const ankles = Math.abs(la[0] - ra[0]);
        return ankles < LEAST_ANKLES_PX ? null : Math.abs(lk[0] - rk[0]) / ankles;
      }, JUMP_RATIO),
      heel: chain((i) => of.placed?.heelCm?.[i] ?? null, JUMP_CM),
    },
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
function countedBy(of: MeasureOf, { knee, trunk, hip }: Record<'knee' | 'trunk' | 'hip', Signal>): Signal {
  const minus = (s: Signal): Signal => ({ ...s, values: s.values.map((v) => (v === null ? null : -v)) });
  switch (of.type) {
    case 'squat':
      return knee;
    case 'hinge':
      return trunk;
    case 'lift':
      return of.workingIs === 'top' ? minus(trunk) : trunk;
    case 'bridge':
    case 'extension':
      return of.workingIs === 'top' ? minus(hip) : hip;
    case 'lunge':
    case 'drawn':
      // A lunge is counted by the hips; what is only drawn has nothing to be counted by.
      return { ...knee, values: knee.values.map(() => null) };
  }
}

const lowerOf = (a: Point, b: Point): Point => (a && b ? (a[1] > b[1] ? a : b) : (a ?? b));

/** The height of the hips over the ankles when somebody stands tallest, pixels: the upper twentieth. */
function tallestHip(track: Track, both: (k: 'hip', i: number) => Point): number | null {
  const heights = track.timeS
    .flatMap((_, i) => {
      const h = both('hip', i);
      const a = lowerOf(pointAt(track, 'left ankle', i), pointAt(track, 'right ankle', i));
      return h && a ? [a[1] - h[1]] : [];
    })
    .sort((a, b) => a - b);
  const tall = heights[Math.floor(0.95 * (heights.length - 1))];
  return tall !== undefined && tall > 0 ? tall : null;
}

/** Somebody stands where the counted signal is near its start. */
const STANDS_WITHIN = 8;

function pxPerMOf(track: Track, of: MeasureOf, counted: Signal, rate: number): number | null {
  const tape = of.placed?.metresPerPx ?? null;
  if (tape !== null) return tape > 0 ? 1 / tape : null;
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
