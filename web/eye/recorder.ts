import { LANDMARKS, SURE } from '../../core/track/index.ts';
import type { Point, Track } from '../../core/track/index.ts';
import type { SeenFrame } from '../workers/index.ts';

/** What was seen, frame by frame: the track grows, and each frame stays as a small picture until the page is left. */
export interface Recording {
  track: Track;
  /** Of each frame. */
  pictures: (Blob | null)[];
  /** Pixels of the frames. */
  width: number;
  height: number;
}

export const noRecording = (width = 640, height = 480): Recording => ({
  track: {
    timeS: [],
    points: Object.fromEntries(LANDMARKS.map((k) => [k, []])) as unknown as Track['points'],
    scores: Object.fromEntries(LANDMARKS.map((k) => [k, []])) as unknown as Track['scores'],
  },
  pictures: [],
  width,
  height,
});

/** Adds a frame in place: a track of minutes is not copied for each. One that is not later than the last is left out. */
export function addFrame(to: Recording, timeS: number, seen: SeenFrame): void {
  const times = to.track.timeS as number[];
  if (times.length > 0 && timeS <= times.at(-1)!) return;
  times.push(timeS);
  LANDMARKS.forEach((k, i) => {
    (to.track.points[k] as Point[]).push(seen.points[i]!);
    (to.track.scores[k] as number[]).push(seen.scores[i]!);
  });
  to.pictures.push(seen.small);
}

/** What was found in a frame, in the order of the landmarks. */
export const foundIn = ({ track }: Recording, i: number) => ({
  points: LANDMARKS.map((k) => track.points[k][i] ?? ([0, 0] as const)),
  scores: LANDMARKS.map((k) => track.scores[k][i] ?? 0),
});

/** Room round the person in a picture of them, of their height. */
const ROOM = 0.14;

/** The part of a frame that shows the person; the whole frame where nobody was found. */
export function boxOf(r: Recording, i: number): { x: number; y: number; width: number; height: number } {
  const { points, scores } = foundIn(r, i);
  const known = points.filter((_, k) => scores[k]! > SURE);
  if (known.length < 4) return { x: 0, y: 0, width: r.width, height: r.height };
  const [xs, ys] = [known.map((p) => p[0]), known.map((p) => p[1])];
  const [x0, y0] = [Math.min(...xs), Math.min(...ys)];
  const size = Math.max(Math.max(...xs) - x0, Math.max(...ys) - y0);
  const room = ROOM * size;
  return {
    x: x0 - room,
    // A head goes on above the nose.
    y: y0 - 1.5 * room,
    width: Math.max(...xs) - x0 + 2 * room,
    height: Math.max(...ys) - y0 + 2.5 * room,
  };
}
