export { EditFields } from './write/fields/edit.tsx';
export { SideBySide } from './compare/side-by-side.tsx';
export { CriterionDifference, EffectsView, SheetDifference } from './health/effects-view.tsx';
export { slugFrom } from './write/new-document.tsx';
export { useCheck } from './write/use-check.ts';
export { useQuestion } from './rules/use-question.ts';
export { InPlace } from './write/in-place.tsx';
