import type { DocumentField } from './kinds/field.ts';
import { VARIATION } from './kinds/variation.ts';

/** The fields of a variation that are plain lists of lines. */
export type LineField = {
  [K in keyof typeof VARIATION]: (typeof VARIATION)[K] extends { is: 'lines' } ? K : never;
}[keyof typeof VARIATION];

const fields = Object.entries<DocumentField>(VARIATION).filter(([, f]) => f.is === 'lines') as [
  LineField,
  DocumentField,
][];

/** In the order of the document. */
export const LINE_FIELDS: readonly LineField[] = fields.map(([name]) => name);

/** What the lines of a field are told under. */
export const LINE_FIELD_WORDS = Object.fromEntries(
  fields.map(([name, f]) => [name, f.heading ?? f.needed ?? f.neededForWork ?? f.label]),
) as Record<LineField, string>;
