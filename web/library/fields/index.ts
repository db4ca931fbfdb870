export { FORMS, LEVEL, levelFresh } from './forms.ts';
export { freshBody } from './fresh.ts';
export type { FieldSpec, Value } from './types.ts';
