export { DemandPanel, MomentCaution, PartBars, stepOf } from './demand-panel.tsx';
export { buildFor, useBuilds } from './use-builds.ts';
export { helpSentence, verdictSentence, worstLeg } from './words.ts';
