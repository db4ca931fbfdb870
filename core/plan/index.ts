export { aloneSession } from './alone.ts';
export type { AloneSession, Step } from './alone.ts';
export { asItWas, differences, joined, restOf, whereIs, withoutOne } from './again.ts';
export type { Difference, Disturbance, Rest, Where } from './again.ts';
export {
  HELPS_POINTS,
  atMostBetter,
  changesFor,
  exchanges,
  helping,
  whatHelps,
  withChange,
} from './changes.ts';
export type { Change, Changed, Exchange } from './changes.ts';
export { pointsOf, prepared, roundsUsed } from './fits.ts';
export type { Prepared } from './fits.ts';
export {
  numbersOf,
  ABOUT_FORM,
  MOVE_S,
  PLACE_FORMS,
  POINTS,
  ROUNDS,
  TOGETHER,
  USUAL,
  roundTimes,
} from './hour.ts';
export type {
  Doing,
  Hour,
  HourPerson,
  HourPlan,
  PlaceForm,
  PlaceKind,
  Refused,
  Round,
  RoundTimes,
  Shared,
  WorkOption,
  WorkPiece,
} from './hour.ts';
export { momentAt, spansFrom, turnsIn } from './follow.ts';
export type { HourMoment, HourSpan, Turn } from './follow.ts';
export { layOut, unseenIn } from './layout.ts';
export type { LaidOutRound, PlannedSet, Stint, Watcher } from './layout.ts';
export { fewestMoves, plateChange, platesOf, standingOf } from './moves.ts';
export type { PlateMoves } from './moves.ts';
export { breaks, whyHere } from './reasons.ts';
export type { Why } from './reasons.ts';
export { greedyPlan, improved, steps } from './search.ts';
export type { Progress } from './search.ts';
export { TIMES, WORTH_POINTS, betterSeen, exactly, roundsFor, solveHour } from './solve-hour.ts';
export type { Means, SolvedHour } from './solve-hour.ts';
export { setsFrom, turnsAt } from './turns.ts';
export type { SetTime } from './turns.ts';
