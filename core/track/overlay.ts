import type { Figure } from '../posture/index.ts';
import { landmarksOf } from './performed.ts';
import { LANDMARKS } from './track.ts';
import { distance } from './points.ts';
import type { Here } from './points.ts';
import type { Landmark, Track } from './track.ts';

/**
 * The computed figure laid over a frame: as large as the legs that were found, its ankle on theirs, looking where they
 * look. In the order of the landmarks; null where hip, knee and ankle were not found.
 */
export function laidOver(
  figure: Figure,
  track: Track,
  frame: number,
  side: 'left' | 'right',
): [number, number][] | null {
  const at = (k: Landmark) => track.points[k][frame] ?? null;
  const [hip, knee, ankle] = [at(`${side} hip`), at(`${side} knee`), at(`${side} ankle`)];
  if (!hip || !knee || !ankle) return null;
  const own = landmarksOf(figure);
  const leg = figure.near;
  const length = (a: { x: number; y: number }, b: { x: number; y: number }) =>
    Math.hypot(a.x - b.x, a.y - b.y);
  const metres = length(leg.hip, leg.knee) + length(leg.knee, leg.ankle);
  const pxPerM = (distance(hip, knee) + distance(knee, ankle)) / metres;
  // The knee is on the side of the line from hip to ankle to which they look.
  const turn = (h: Here, k: Here, a: Here) =>
    Math.sign((a[0] - h[0]) * (k[1] - h[1]) - (a[1] - h[1]) * (k[0] - h[0]));
  const drawn = turn([leg.hip.x, -leg.hip.y], [leg.knee.x, -leg.knee.y], [leg.ankle.x, -leg.ankle.y]);
  const mirrored = drawn !== 0 && turn(hip, knee, ankle) === -drawn ? -1 : 1;
  return LANDMARKS.map((k): [number, number] => [
    ankle[0] + mirrored * pxPerM * (own[k].x - leg.ankle.x),
    ankle[1] - pxPerM * (own[k].y - leg.ankle.y),
  ]);
}
