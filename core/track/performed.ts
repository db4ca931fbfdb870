import type { Build } from '../body/index.ts';
import { cycleOf, cycleS, placeAt } from '../dose/index.ts';
import { faultFigure } from '../fault/index.ts';
import type { FaultShows, Tempo } from '../library/index.ts';
import { figureAt } from '../posture/index.ts';
import type { Figure, Range, SettledMechanics } from '../posture/index.ts';
import type { CameraSign } from '../terms/index.ts';
import { LANDMARKS } from './track.ts';
import type { Landmark, Point, Track } from './track.ts';

/** A set as somebody made up performs it: for the simulated camera, for the coach's eye and for tests. */
export interface Performed {
  build: Build;
  mechanics: SettledMechanics;
  range: Range | null;
  tempo: Tempo;
  reps: number;
  view: 'side' | 'front';
  /** What goes wrong, by how much of how it is drawn, and in which repetitions, from 0; absent: in all. */
  fault?: { shows: FaultShows; amount: number; in?: readonly number[] };
  /** How much of the range is gone through; absent: all of it. */
  reach?: number;
}

/** A set with so much of a fault of the library in some of its repetitions: short of the range is a part of it, in all of them. */
export const withFault = (
  sound: Performed,
  { shows, cameraSign }: { shows: FaultShows; cameraSign: CameraSign | null },
  amount: number,
  reps?: readonly number[],
): Performed =>
  cameraSign === 'range short'
    ? { ...sound, reach: 1 - (1 - shows.at) * Math.min(1, amount) }
    : { ...sound, fault: { shows, amount, ...(reps ? { in: reps } : {}) } };

/** Seconds of standing before and after. */
const STANDS_S = 1.5;

export const performedS = (p: Performed): number => 2 * STANDS_S + p.reps * cycleS(legsOf(p));

const legsOf = ({ tempo, range }: Performed) => cycleOf(tempo, range?.workingIs ?? 'bottom');

/** What a fault changes, grown with how far the repetition has come to where it is drawn. */
function shownAt(shows: FaultShows, amount: number, place: number): FaultShows {
  const share = amount * Math.min(1, shows.at <= 0 ? 1 - place : place / shows.at);
  const grown = Object.fromEntries(
    Object.entries(shows).map(([k, v]) => [k, typeof v === 'number' && k !== 'at' ? v * share : v]),
  ) as FaultShows;
  return { ...grown, at: place };
}

/** The figure at a moment of the set, seconds from its start; standing before the first and after the last repetition. */
export function performedAt(p: Performed, s: number): Figure {
  const legs = legsOf(p);
  const into = s - STANDS_S;
  const on = into >= 0 && into < p.reps * cycleS(legs);
  const rep = on ? Math.floor(into / cycleS(legs)) : -1;
  const place = (on ? placeAt(legs, into, true) : 0) * (p.reach ?? 1);
  const faulty = p.fault && on && (p.fault.in?.includes(rep) ?? true) ? p.fault : null;
  const shows: FaultShows = faulty
    ? { ...shownAt(faulty.shows, faulty.amount, place), view: p.view }
    : { view: p.view, at: place };
  if (!faulty && p.view === 'side') return figureAt(p.build, p.mechanics, p.range, place);
  return faultFigure(p.build, p.mechanics, p.range, shows) ?? figureAt(p.build, p.mechanics, p.range, place);
}

/** Where the landmarks of a figure are, in its own metres with y up; from the side both of a pair are one point. */
export function landmarksOf(f: Figure): Record<Landmark, { x: number; y: number }> {
  const nose = f.facing
    ? { x: f.head.x + f.facing.x * f.headRadius, y: f.head.y + f.facing.y * f.headRadius }
    : { x: f.head.x, y: f.head.y };
  return {
    nose,
    'left shoulder': f.farArm.shoulder,
    'right shoulder': f.nearArm.shoulder,
    'left elbow': f.farArm.elbow,
    'right elbow': f.nearArm.elbow,
    'left wrist': f.farArm.hand,
    'right wrist': f.nearArm.hand,
    'left hip': f.far.hip,
    'right hip': f.near.hip,
    'left knee': f.far.knee,
    'right knee': f.near.knee,
    'left ankle': f.far.ankle,
    'right ankle': f.near.ankle,
  };
}

/** How a figure lies in a picture: pixels of a metre, and where the origin is. */
export interface Framing {
  pxPerM: number;
  x: number;
  y: number;
}

export const inFrame = ({ pxPerM, x, y }: Framing, p: { x: number; y: number }): NonNullable<Point> => [
  x + pxPerM * p.x,
  y - pxPerM * p.y,
];

/** The track that a perfect eye would give of a set. */
export function truthTrack(p: Performed, rate: number, framing: Framing): Track {
  const count = Math.floor(performedS(p) * rate) + 1;
  const timeS = Array.from({ length: count }, (_, i) => i / rate);
  const frames = timeS.map((s) => landmarksOf(performedAt(p, s)));
  return {
    timeS,
    points: Object.fromEntries(
      LANDMARKS.map((k) => [k, frames.map((f) => inFrame(framing, f[k]))]),
    ) as unknown as Track['points'],
    scores: Object.fromEntries(LANDMARKS.map((k) => [k, frames.map(() => 1)])) as unknown as Track['scores'],
  };
}
