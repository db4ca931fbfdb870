import { pchipAt, pchipSlopes } from '../program/index.ts';
import { SURE, frameAt } from './points.ts';
import type { Here } from './points.ts';
import { momentOf } from './moment.ts';
import type { RepTimes } from './moment.ts';
import { LANDMARKS } from './track.ts';
import type { Landmark, Point, Track } from './track.ts';

/** Joints that a coach put right in one frame. */
export interface KeyFrame {
  frame: number;
  points: Partial<Record<Landmark, Here>>;
}

/**
 * Frames in which joints are worth putting right: begin and end of each repetition and of its working position, and 30 and
 * 70 % of each way. With every joint placed by hand in these, the angles between are within 3 degrees on average; without
 * those on the way, within 1 to 5 (measured on drawn figures).
 */
export const keyFramesOf = (track: Track, reps: readonly RepTimes[]): number[] =>
  [
    ...new Set(
      reps.flatMap((r) =>
        [0, 0.3, 0.7, 1, 2, 2.3, 2.7, 3].map((phase) => frameAt(track, momentOf(r, phase))),
      ),
    ),
  ].sort((a, b) => a - b);

interface Knot {
  frame: number;
  at: Here;
  /** How far the coach moved the joint; null: nothing was found there to be moved. */
  by: Here | null;
}

/**
 * The track with what a coach put right. A correction is carried over to the frames between by a monotone curve, and
 * counts from the beginning of its repetition to its end, where the joint is as it was found unless it was put right there
 * too; where the joint was lost it goes from one key frame to the next. A frame outside every repetition stands for itself;
 * where no repetition was found the whole clip is taken as one.
 */
export function corrected(track: Track, keys: readonly KeyFrame[], reps: readonly RepTimes[]): Track {
  const points = { ...track.points } as Record<Landmark, readonly Point[]>;
  const scores = { ...track.scores } as Record<Landmark, readonly number[]>;
  const spans =
    reps.length > 0
      ? reps.map((r) => [frameAt(track, r.fromS), frameAt(track, r.toS)] as const)
      : [[0, Math.max(0, track.timeS.length - 1)] as const];
  for (const k of LANDMARKS) {
    const own = keys.flatMap(({ frame, points: p }) => (p[k] ? [{ frame, at: p[k] }] : []));
    if (own.length === 0) continue;
    const at = [...track.points[k]];
    const sure = [...track.scores[k]];
    const found = (i: number): Point => (sure[i]! >= SURE ? (track.points[k][i] ?? null) : null);
    const knotOf = (frame: number, to: Here): Knot => {
      const was = found(frame);
      return { frame, at: to, by: was && [to[0] - was[0], to[1] - was[1]] };
    };
    for (const [from, to] of spans) {
      const inside = own.filter((o) => o.frame >= from && o.frame <= to).map((o) => knotOf(o.frame, o.at));
      if (inside.length === 0) continue;
      for (const end of [from, to]) {
        const was = found(end);
        if (was && !inside.some((n) => n.frame === end)) inside.push({ frame: end, at: was, by: [0, 0] });
      }
      carry(inside, found, (i, p) => {
        at[i] = p;
        sure[i] = 1;
      });
    }
    for (const { frame, at: p } of own) {
      at[frame] = p;
      sure[frame] = 1;
    }
    points[k] = at;
    scores[k] = sure;
  }
  return { timeS: track.timeS, points, scores };
}

function carry(knots: Knot[], found: (i: number) => Point, put: (i: number, p: Here) => void): void {
  knots.sort((a, b) => a.frame - b.frame);
  const [first, last] = [knots[0]!.frame, knots.at(-1)!.frame];
  const places = curveOf(knots.map((n) => [n.frame, n.at]));
  const moved = curveOf(knots.flatMap((n) => (n.by ? [[n.frame, n.by] as const] : [])));
  for (let i = first; i <= last; i++) {
    const was = found(i);
    const by = was && moved(i);
    if (was && by) put(i, [was[0] + by[0], was[1] + by[1]]);
    else if (!was) {
      const p = places(i);
      if (p) put(i, p);
    }
  }
}

/** A curve through places, frame by frame; null outside of them. */
function curveOf(list: readonly (readonly [frame: number, at: Here])[]): (i: number) => Here | null {
  const x = list.map(([f]) => f);
  if (x.length < 2) return (i) => (i === x[0] ? list[0]![1] : null);
  const axes = ([0, 1] as const).map((a) => {
    const y = list.map(([, p]) => p[a]);
    return [y, pchipSlopes(x, y)] as const;
  });
  return (i) =>
    i < x[0]! || i > x.at(-1)!
      ? null
      : (axes.map(([y, slopes]) => pchipAt(x, y, slopes, i)) as unknown as [number, number]);
}
