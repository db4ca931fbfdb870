export { CannotHold, DemandPanel, MomentCaution, PartBars, stepOf } from './demand-panel.tsx';
export { buildFor, useBuilds } from './use-builds.ts';
export { helpSentences, verdictSentence, worstLeg } from './words.ts';
