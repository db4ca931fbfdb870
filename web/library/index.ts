export { EditFields } from './fields/edit.tsx';
export { FORMS, LEVEL } from './fields/index.ts';
export type { Value } from './fields/index.ts';
export { SideBySide } from './side-by-side.tsx';
export { CriterionDifference, EffectsView, SheetDifference } from './effects-view.tsx';
export { slugFrom } from './new-document.tsx';
export { useCheck } from './use-check.ts';
export { useQuestion } from './use-question.ts';
