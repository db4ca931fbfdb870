import { lowPass } from './filter.ts';
import { distance, median, middle } from './points.ts';
import type { Here } from './points.ts';
import type { Landmark, Point, Track } from './track.ts';

/** Trunk length against how far nose and shoulders stand out, from the side and from the front (measured on drawn figures). */
const FROM_SIDE = 0.27;
const FROM_FRONT = 0.7;
const DEG = 180 / Math.PI;
/** Accepted as seen from the side from here on, and as seen from the front up to there, degrees (measured). */
export const VIEW_LIMITS = { side: 75, front: 15 } as const;
/** Standing height from ankle to nose as a share of stature (measured from the side; within 1 %). */
const NOSE_TO_ANKLE = 0.884;
/** A foot that moves sideways faster, after a low-pass of 0.5 Hz, is on its way: shares of stature a second. */
const WALKS = { perS: 0.12, footHz: 0.5 } as const;

/** From where somebody is seen. */
export type View = 'side' | 'front' | 'oblique' | 'unknown';

/** How far from the front the camera stands, 0 to 90 degrees, of one frame of somebody standing; null: points are missing. */
export function azimuthDeg(points: Readonly<Record<Landmark, Point>>): number | null {
  const { nose } = points;
  const [ls, rs, lh, rh] = (['left shoulder', 'right shoulder', 'left hip', 'right hip'] as const).map(
    (k) => points[k],
  );
  if (!nose || !ls || !rs || !lh || !rh) return null;
  const trunk = distance(middle(ls, rs), middle(lh, rh));
  if (trunk === 0) return null;
  const out = Math.abs(nose[0] - middle(ls, rs)[0]) / trunk / FROM_SIDE;
  const wide = Math.abs(ls[0] - rs[0]) / trunk / FROM_FRONT;
  return Math.atan2(out, wide) * DEG;
}

export const viewOf = (deg: number | null): View =>
  deg === null
    ? 'unknown'
    : deg >= VIEW_LIMITS.side
      ? 'side'
      : deg <= VIEW_LIMITS.front
        ? 'front'
        : 'oblique';

const frameOf = (track: Track, i: number): Record<Landmark, Point> =>
  Object.fromEntries(Object.entries(track.points).map(([k, list]) => [k, list[i] ?? null])) as Record<
    Landmark,
    Point
  >;

/** The view of a track by the median of its frames. */
export function viewOfTrack(track: Track): { view: View; azimuthDeg: number | null } {
  const deg = median(track.timeS.flatMap((_, i) => azimuthDeg(frameOf(track, i)) ?? []));
  return { view: viewOf(deg), azimuthDeg: deg };
}

/** Metres of one pixel, from somebody of a stature who stands upright in these frames; null: they are not seen whole. */
export function metresPerPixel(track: Track, standing: readonly number[], statureM: number): number | null {
  const heights = standing.flatMap((i) => {
    const { nose, 'left ankle': la, 'right ankle': ra } = frameOf(track, i);
    const ankle = middle(la, ra);
    return nose && ankle ? [ankle[1] - nose[1]] : [];
  });
  const px = median(heights);
  return px !== null && px > 0 ? (NOSE_TO_ANKLE * statureM) / px : null;
}

/** How far the camera is turned, degrees, from two points on the floor line: subtracted from every angle to the vertical. */
export const rollDeg = (a: Here, b: Here): number => {
  const [left, right] = a[0] <= b[0] ? [a, b] : [b, a];
  return Math.atan2(right[1] - left[1], right[0] - left[0]) * DEG;
};

/**
 * Samples at which somebody walks: both feet move sideways, each seen over so long that its standing between two steps
 * counts as going on. A foot that steps or swings while the other stands is part of a movement.
 * @param leftX of the ankle on the left of the picture, and of the one on its right: pixels, without holes
 * @param staturePx of the person in the picture
 */
export function walking(
  leftX: readonly number[],
  rightX: readonly number[],
  rate: number,
  staturePx: number,
): boolean[] {
  const [left, right] = [leftX, rightX].map((x) => travels(x, rate, staturePx)) as [boolean[], boolean[]];
  return left.map((goes, i) => goes && right[i]!);
}

function travels(ankleX: readonly number[], rate: number, staturePx: number): boolean[] {
  if (ankleX.length < 3) return ankleX.map(() => false);
  const x = lowPass(ankleX, Math.min(WALKS.footHz, 0.35 * rate), rate);
  return x.map((_, i) => {
    const [a, b] = [Math.max(0, i - 1), Math.min(x.length - 1, i + 1)];
    return (Math.abs(x[b]! - x[a]!) * rate) / (b - a) > WALKS.perS * staturePx;
  });
}

/** Left and right points that belong together. */
const GROUPS: readonly (readonly ('shoulder' | 'elbow' | 'wrist' | 'hip' | 'knee' | 'ankle')[])[] = [
  ['hip', 'knee', 'ankle'],
  ['shoulder', 'elbow', 'wrist'],
];
/** Points go on as they went, by so much of their last step; a swap has to be cheaper by so much. */
const SWAP = { follows: 0.6, cheaper: 0.6 } as const;

/**
 * Left and right put right where they were taken for each other: each group of a side goes on as it went. Used from the
 * front and obliquely; from the side only the near side is read.
 */
export function unswapped(track: Track): Track {
  const points = Object.fromEntries(
    Object.entries(track.points).map(([k, list]) => [k, [...list]]),
  ) as Record<Landmark, Point[]>;
  const scores = Object.fromEntries(
    Object.entries(track.scores).map(([k, list]) => [k, [...list]]),
  ) as Record<Landmark, number[]>;
  const goesTo = (list: readonly Point[], i: number): Point => {
    const [b, a] = [list[i - 1] ?? null, list[i - 2] ?? null];
    if (!b) return null;
    return a ? [b[0] + SWAP.follows * (b[0] - a[0]), b[1] + SWAP.follows * (b[1] - a[1])] : b;
  };
  for (let i = 1; i < track.timeS.length; i++)
    for (const group of GROUPS) {
      let kept = 0;
      let swapped = 0;
      for (const joint of group) {
        const [l, r] = [points[`left ${joint}`], points[`right ${joint}`]];
        const [toL, toR] = [goesTo(l, i), goesTo(r, i)];
        const [nowL, nowR] = [l[i] ?? null, r[i] ?? null];
        if (!toL || !toR || !nowL || !nowR) continue;
        kept += distance(nowL, toL) + distance(nowR, toR);
        swapped += distance(nowR, toL) + distance(nowL, toR);
      }
      if (!(swapped < SWAP.cheaper * kept)) continue;
      for (const joint of group) {
        const [l, r] = [`left ${joint}`, `right ${joint}`] as const;
        [points[l][i], points[r][i]] = [points[r][i] ?? null, points[l][i] ?? null];
        [scores[l][i], scores[r][i]] = [scores[r][i] ?? 0, scores[l][i] ?? 0];
      }
    }
  return { ...track, points, scores };
}
