export { flexionDeg, hipDeg, leanDeg, turnDeg } from './angles.ts';
export { LONGEST_GAP_S, closed, despiked, resampled, smoothed } from './clean.ts';
export { butterworth, cutFor, derivative, lowPass, residual } from './filter.ts';
export type { LowPass, Residual } from './filter.ts';
export { LANDMARKS, timeOf } from './track.ts';
export type { Landmark, Point, Signal, Track } from './track.ts';
export { LEAST_RANGE, phasesOf, repsIn } from './reps.ts';
export type { Phases, Rep } from './reps.ts';
export {
  VIEW_LIMITS,
  azimuthDeg,
  metresPerPixel,
  rollDeg,
  unswapped,
  viewOf,
  viewOfTrack,
  walking,
} from './view.ts';
export type { View } from './view.ts';
