export { withAnswer } from './answer.ts';
export type { AnswerScope } from './answer.ts';
export { BLANK_MECHANICS, blankBody, blankItem, blankLevel } from './blank.ts';
export { canonicalJson } from './canonical.ts';
export { KIND_WORDS, titleOf } from './documents.ts';
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
  HouseQuestion,
  Ladder,
  Level,
  LevelDose,
  SettledLadder,
  SettledLevel,
  Tempo,
  Variation,
} from './documents.ts';
export { breachesOf, criterionBreaches, withChanges } from './integrity.ts';
export type { Breach } from './integrity.ts';
export type { DocumentField, DocumentFields } from './kinds/field.ts';
export { KINDS } from './kinds/kind.ts';
export type { Kind } from './kinds/kind.ts';
export { fieldsOf } from './kinds/kinds.ts';
export { LEVEL } from './kinds/ladder.ts';
export type { HoldsUnder, Line } from './line.ts';
export { carryingBoth, mergeCues } from './merge.ts';
export { mergeEdits } from './three-way.ts';
export { plainName, variationNamed } from './named.ts';
export { needsOf } from './needs.ts';
export type { Needs } from './needs.ts';
export { branchesOf, laddersOf, placesOn } from './places.ts';
export type { Place } from './places.ts';
export { carries } from './predicate.ts';
export type { Predicate } from './predicates.ts';
export { LINE_FIELDS, LINE_FIELD_WORDS } from './line-fields.ts';
export type { LineField } from './line-fields.ts';
export { answerReferencesOf, referencesOf, withAllNamed } from './references.ts';
export {
  answerInForce,
  resolve,
  branchesTaught,
  isTaught,
  resolveLadder,
  resolveMechanics,
  resolveWanted,
  rulesFor,
} from './resolve.ts';
export type {
  ForPerson,
  KitGroup,
  ResolvedAnswer,
  ResolvedFault,
  ResolvedNeed,
  ResolvedCaution,
  ResolvedVariation,
} from './resolve.ts';
export { documentId, shelfOf } from './shelf.ts';
export type { Shelf, ShelfInForce } from './shelf.ts';
export { NOTHING_SAID, isCounted, stockIn, stocksOf } from './stock.ts';
export type { HallKit, Stock } from './stock.ts';
export { NEAR_DUPLICATE, SimilarityIndex, wordsIn } from './similarity.ts';
export { summariesOf } from './summary.ts';
export type { EntrySummary } from './summary.ts';
export type { WayOn } from './way-on.ts';
export { sectionAt, sectionsOf } from './sections.ts';
export type { Section } from './sections.ts';
export { freshItem, meantIn } from './items.ts';
export type { Meant } from './items.ts';
export { apartFrom, likeOne } from './like.ts';
export type { Apart } from './like.ts';
export { cutToPattern } from './cut.ts';
