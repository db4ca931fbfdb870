export { arrivalLoad, ladderForMass, sharesAt } from './arrival.ts';
export { askedWords, evidenceWindow } from './asks.ts';
export { isInForm } from './counts.ts';
export { decide } from './decide.ts';
export { gravityOf, OUTCOMES } from './decision.ts';
export { permittedLevels } from './permits.ts';
export type { BackCause, Decision, DecisionInput, Outcome, Standing } from './decision.ts';
export type { Loads } from './loads.ts';
export { concernsLevel, painToldIn } from './pain.ts';
export type { PainTold } from './pain.ts';
export { planAt } from './plan.ts';
export type { Plan } from './plan.ts';
export { factsInForm, factsInIntervals, ladderInForm } from './form.ts';
export { aidsOf, factsOf, settingsNoted } from './facts.ts';
export { MEASURE_WORDS, isUsed, measured, measuresIn, plannedAgainstDone, thresholdsOf } from './measures.ts';
export type { MeasurePoint, UsedMeasure } from './measures.ts';
export { nextSet, setsToFollow } from './next-set.ts';
export type { NextSet } from './next-set.ts';
export { overrideRefused } from './override.ts';
export {
  EXPERIENCES,
  MOST_TRIALS,
  PLACEMENT_WAYS,
  TRIAL_RESULTS,
  beginsSimplest,
  placementStep,
} from './placement.ts';
export type {
  Experience,
  PlacementInput,
  PlacementStep,
  PlacementWay,
  Trial,
  TrialResult,
} from './placement.ts';
export { readingOf } from './reading.ts';
export { barSentence, barring, isInForce } from './restriction.ts';
export type { Bar, Restriction } from './restriction.ts';
export {
  addEqual,
  branchOff,
  insertLevel,
  makeMain,
  moveLevel,
  moveVariation,
  putBack,
  splitLevel,
  takeOff,
} from './stairs.ts';
export { heldLevels, isOpen, standingAfter } from './standing.ts';
export type { MoveFact, MoveKind } from './standing.ts';
export {
  ENDING_PAIN_ALONE,
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
export { bridgeOf, takenWaySentence, targetAt, tempoAt } from './target.ts';
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
