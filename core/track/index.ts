export { askedOf } from './asked.ts';
export { flexionDeg, hipDeg, leanDeg, turnDeg } from './angles.ts';
export { LONGEST_GAP_S, closed, despiked, resampled, smoothed } from './clean.ts';
export { butterworth, cutFor, derivative, lowPass, residual } from './filter.ts';
export type { LowPass, Residual } from './filter.ts';
export { CHECKED_SETS, LANDMARKS, MOST_KEPT, timeOf } from './track.ts';
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
export { SURE, distance, frameAt, middle, pointAt } from './points.ts';
export { judgeSet, meanOf, passes } from './judged.ts';
export type { Asked, Judged, SeenSign, Verdict } from './judged.ts';
export { BANDS, QUANTITIES, isMeasured, measureSet } from './measure.ts';
export type { Measure, MeasuredRep, MeasuredSet, NotMeasured, Quantity } from './measure.ts';
export { lookedAt } from './signals.ts';
export type { MeasureOf, PlacedOnClip } from './signals.ts';
export { PATCH, WINDOW, heelLiftCm, shiftOf } from './heel.ts';
export type { Grey } from './heel.ts';
export { corrected, keyFramesOf } from './corrected.ts';
export type { KeyFrame } from './corrected.ts';
export { anglesIn, atDepth, momentOf, workingS } from './moment.ts';
export type { RepTimes } from './moment.ts';
export { inFrame, landmarksOf, performedAt, performedS, truthTrack, withFault } from './performed.ts';
export type { Framing, Performed } from './performed.ts';
export { PLACED, angleOfSign, anglesOfPicture, changeOf } from './picture.ts';
export type { PictureAngle, PictureChange, Placed } from './picture.ts';
export { keptReps, keptTrack, trackKept } from './kept.ts';
export type { KeptRep } from './kept.ts';
export { laidOver } from './overlay.ts';
