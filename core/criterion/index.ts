export {
  ATOM_KINDS,
  LOAD_UNITS,
  SET_ATOM_KINDS,
  isAtom,
  leavesOf,
  looksBack,
  readsSets,
} from './criteria.ts';
export type {
  Atom,
  Criterion,
  LoadUnit,
  OtherAtom,
  RuledAtom,
  RuledCriterion,
  SetAtom,
  Window,
} from './criteria.ts';
export { evaluate } from './evaluate.ts';
export type { Judged } from './evaluate.ts';
export { canBeMet, evidenceNeeded, neverMet } from './evidence-needed.ts';
export { aidUsed, isAid } from './judge.ts';
export type { EvaluationContext, SignOff } from './judge.ts';
export { criterionProblems } from './limits.ts';
export { missingFrom, plain, reasonsFor } from './missing.ts';
export type { Reason } from './missing.ts';
export { PACE_SESSIONS, sessionsUntilMet } from './perfect.ts';
export { isOneSided } from './pool.ts';
export { READY_TO_ADVANCE, READY_TO_STEP_BACK } from './ready-made.ts';
export { ATOM_NAMES, sentenceOf, sentencesOf } from './sentence.ts';
export type { NameOfLevel } from './sentence.ts';
export type { Judgement } from './three-valued.ts';
