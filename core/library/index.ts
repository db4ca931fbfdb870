export { withAnswer } from './answer.ts';
export type { AnswerScope } from './answer.ts';
export { BLANK_MECHANICS, blankBody, blankLevel } from './blank.ts';
export { canonicalJson } from './canonical.ts';
export { DEMAND_QUESTIONS, KINDS, KIND_WORDS, titleOf } from './documents.ts';
export type {
  Body,
  BodyOf,
  Caution,
  Cue,
  DemandAnswer,
  Dose,
  Equipment,
  EquipmentNeed,
  Fault,
  FaultShows,
  HoldsUnder,
  HouseQuestion,
  Kind,
  Ladder,
  Level,
  LevelDose,
  Line,
  Predicate,
  SettledLadder,
  SettledLevel,
  Tempo,
  Variation,
  WayOn,
} from './documents.ts';
export { breachesOf, withChanges } from './integrity.ts';
export type { Breach } from './integrity.ts';
export { carryingBoth, mergeCues, mergeEdits } from './merge.ts';
export { needsOf } from './needs.ts';
export type { Needs } from './needs.ts';
export { laddersOf, placesOn } from './places.ts';
export type { Place } from './places.ts';
export { carries } from './predicate.ts';
export { LINE_FIELD_WORDS, printedLines } from './printed.ts';
export { answerReferencesOf, referencesOf } from './references.ts';
export {
  LINE_FIELDS,
  answerInForce,
  resolve,
  resolveLadder,
  resolveMechanics,
  resolveWanted,
  rulesFor,
} from './resolve.ts';
export type {
  ForPerson,
  LineField,
  ResolvedAnswer,
  ResolvedFault,
  ResolvedNeed,
  ResolvedVariation,
} from './resolve.ts';
export { sheetDifference } from './sheet-difference.ts';
export type { SheetEffect } from './sheet-difference.ts';
export { documentId, shelfOf } from './shelf.ts';
export type { Shelf, ShelfInForce } from './shelf.ts';
export { NEAR_DUPLICATE, SimilarityIndex, wordsIn } from './similarity.ts';
export { summariesOf } from './summary.ts';
export type { EntrySummary } from './summary.ts';
