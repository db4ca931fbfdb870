export { FORMS, LEVEL } from './forms.ts';
export type { FieldSpec, Value } from './types.ts';
