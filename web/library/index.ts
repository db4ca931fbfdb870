export { EditFields } from './write/fields/edit.tsx';
export { FORMS, LEVEL } from './write/fields/index.ts';
export type { Value } from './write/fields/index.ts';
export { SideBySide } from './compare/side-by-side.tsx';
export { CriterionDifference, EffectsView, SheetDifference } from './health/effects-view.tsx';
export { slugFrom } from './write/new-document.tsx';
export { useCheck } from './write/use-check.ts';
export { useQuestion } from './rules/use-question.ts';
