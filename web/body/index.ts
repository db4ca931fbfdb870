export { CannotHold, DemandPanel, MomentCaution, PartBars, stepOf } from './demand-panel.tsx';
export { EqualLoadPanel } from './equal.tsx';
export { BuildSelect } from './build-select.tsx';
export { helpSentences, verdictSentence, worstLeg } from './words.ts';
export { ControlGrid } from './control-grid.tsx';
export { controlsOf, STARTS } from './controls.ts';
export { lookControlsOf } from './look-controls.ts';
