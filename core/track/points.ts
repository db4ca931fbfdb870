import type { Landmark, Point, Track } from './track.ts';

/** A point that was found. */
export type Here = NonNullable<Point>;

/** Found by the network from here on (measured on drawn figures). */
export const SURE = 0.3;

/** Where a landmark is in a frame; null: it was not found surely enough. */
export const pointAt = ({ points, scores }: Track, k: Landmark, frame: number): Point =>
  (scores[k][frame] ?? 0) < SURE ? null : (points[k][frame] ?? null);

export const distance = (a: Here, b: Here): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Half-way, or the one that was found. */
export function middle(a: Here, b: Here): Here;
export function middle(a: Point, b: Point): Point;
export function middle(a: Point, b: Point): Point {
  return a && b ? [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] : (a ?? b);
}

/** null of nothing. */
export function median(list: readonly number[]): number | null {
  if (list.length === 0) return null;
  const sorted = [...list].sort((a, b) => a - b);
  const mid = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2;
}

/** The side nearer to the camera: its points are the surer ones. */
export function nearSideOf({ scores }: Track): 'left' | 'right' {
  const sum = (side: 'left' | 'right') =>
    (['hip', 'knee', 'ankle', 'shoulder'] as const).reduce(
      (n, j) => n + scores[`${side} ${j}`].reduce((a, b) => a + b, 0),
      0,
    );
  return sum('left') > sum('right') ? 'left' : 'right';
}

/** The frame nearest to a moment. */
export function frameAt({ timeS }: Pick<Track, 'timeS'>, s: number): number {
  let best = 0;
  timeS.forEach((t, i) => {
    if (Math.abs(t - s) < Math.abs(timeS[best]! - s)) best = i;
  });
  return best;
}
