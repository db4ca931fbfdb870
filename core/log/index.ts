export { cleanReps, faultyReps, severityOf, showsFaults, totalKg } from './clean.ts';
export { dayOf, lastSets } from './day.ts';
export { bySetOrder, levelEvidence, sessionsOf, wasWatched } from './evidence.ts';
export type { EvidenceSession } from './evidence.ts';
export type { FactsBySlug, VariationFacts } from './facts.ts';
export {
  AID_TEXT,
  AMOUNT_FIELD,
  AMOUNT_FIELDS,
  DONE_FIELDS,
  FAULT_REPS,
  FELT_LISTS,
  SET_FIELDS,
  amountIn,
  amountOf,
  blankSet,
  pickFields,
  setFields,
} from './fields.ts';
export type {
  AidUsed,
  AmountField,
  DoneField,
  FaultCount,
  Sensation,
  SetField,
  SetFieldAbout,
  SetFields,
  SetValues,
} from './fields.ts';
export { lastAids, lastSettings } from './last-told.ts';
export { ownSettings, sameSettings } from './own-settings.ts';
export { legAt } from './leg.ts';
export { lastLoads } from './last-loads.ts';
export { concernsMovement, painHere, painRegions } from './pain.ts';
export type { LoggedSet } from './set.ts';
export { SIDE_TEST_DAYS, sideDifference, sideTests, sidesDiffer, weakerOf, weakerSide } from './sides.ts';
export type { SideDifference, WeakerSide } from './sides.ts';
