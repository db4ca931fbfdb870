export { askedWords, evidenceWindow } from './asks.ts';
export { decide } from './decide.ts';
export { OUTCOMES } from './decision.ts';
export { permittedLevels } from './permits.ts';
export type { BackCause, Decision, DecisionInput, Outcome, Standing } from './decision.ts';
export type { Loads } from './loads.ts';
export { concernsLevel, painToldIn } from './pain.ts';
export type { PainTold } from './pain.ts';
export { planAt } from './plan.ts';
export type { Plan } from './plan.ts';
export { aidsOf, factsOf } from './facts.ts';
export { MEASURE_WORDS, measured, measuresIn, plannedAgainstDone, thresholdsOf } from './measures.ts';
export type { MeasurePoint } from './measures.ts';
export { nextSet, setsToFollow } from './next-set.ts';
export type { NextSet } from './next-set.ts';
export { overrideRefused } from './override.ts';
export { EXPERIENCES, MOST_TRIALS, TRIAL_RESULTS, beginsSimplest, placementStep } from './placement.ts';
export type { Experience, PlacementStep, Trial, TrialResult } from './placement.ts';
export { readingOf } from './reading.ts';
export { barSentence, barring, isInForce } from './restriction.ts';
export type { Bar, Restriction } from './restriction.ts';
export { addEqual, insertLevel, makeMain, moveLevel, moveVariation, splitLevel, takeOff } from './stairs.ts';
export { heldLevels, standingAfter } from './standing.ts';
export type { MoveFact } from './standing.ts';
export {
  STOPPING_PAIN,
  TELLING_DAYS,
  TOLD_BY,
  TOLD_WORDS,
  clearanceFor,
  countsAfter,
  reachWords,
  stopSentence,
  stopsFor,
  stopsNow,
} from './stop.ts';
export type { Clearance, Reach, Stop, ToldBy } from './stop.ts';
export { takenWaySentence, targetAt } from './target.ts';
export type { TakenWay, Target } from './target.ts';
export {
  CUE_OUTCOMES,
  LONG_UNSEEN_DAYS,
  askBeforeWork,
  cueRecord,
  rankedCues,
  recurringFaults,
  stayOf,
} from './watch.ts';
export type { CueOutcome, CueTried, RecurringFault } from './watch.ts';
export { wayOnSentence } from './ways.ts';
