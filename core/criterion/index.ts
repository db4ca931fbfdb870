export { aidUsed } from './aid-used.ts';
export type { Measure, Param } from './atom.ts';
export type { EvaluationContext, SignOff } from './context.ts';
export {
  ATOM_KINDS,
  aboutAtom,
  isAtom,
  leavesOf,
  levelNamedBy,
  looksBack,
  needsWatching,
  setsToWatch,
  paramsOf,
  readsSets,
} from './criteria.ts';
export type { Atom, Criterion, RuledAtom, RuledCriterion, SetAtom } from './criteria.ts';
export { shareKg } from './atoms/load.ts';
export { evaluate } from './evaluate.ts';
export type { Judged } from './evaluate.ts';
export { canBeMet, evidenceNeeded, neverMet } from './evidence-needed.ts';
export { criterionProblems } from './limits.ts';
export { causesOf, missingFrom, plain, reasonsFor } from './missing.ts';
export type { Reason } from './missing.ts';
export { PACE_SESSIONS, sessionsUntilMet } from './perfect.ts';
export { isOneSided } from './pool.ts';
export { READY_TO_ADVANCE, READY_TO_STEP_BACK } from './ready-made.ts';
export { atomName, sentenceOf, sentencesOf } from './sentence.ts';
export type { Judgement } from './three-valued.ts';
export type { Window } from './window.ts';
export { ofSets, plural } from './words.ts';
export type { NameOfLevel } from './words.ts';
