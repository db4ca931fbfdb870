import type { DocumentField, DocumentFields } from './kinds/field.ts';
import type { Kind } from './kinds/kind.ts';
import { fieldsOf } from './kinds/kinds.ts';

/** What of a document is read and written together. */
export interface Section {
  title: string;
  fields: DocumentFields;
}

/** The sections of a kind of document in the order of the work; the first goes by its first member unless it is named. */
export function sectionsOf(kind: Kind): Section[] {
  const sections: { title: string; fields: Record<string, DocumentField> }[] = [];
  for (const [key, field] of Object.entries(fieldsOf(kind))) {
    if (field.section !== undefined || sections.length === 0)
      sections.push({ title: field.section ?? field.label, fields: {} });
    sections.at(-1)!.fields[key] = field;
  }
  return sections;
}

/** The section that a path of a document lies in, e.g. `tempo.topS` or `faults[2].fault`. */
export function sectionAt(kind: Kind, path: string): Section | undefined {
  const member = /^\w+/.exec(path)?.[0] ?? '';
  return sectionsOf(kind).find((s) => member in s.fields);
}
