import type { DocumentFields } from '../../../../core/library/index.ts';
import type { EntrySummary } from '../../../../contract/library.ts';
import type { VariationFacts } from '../../../../core/log/index.ts';

/** A document, a group of it or an item of one of its lists, by its members. */
export type Value = Record<string, unknown>;

/** All fields of an object, to be edited. */
export interface FieldsProps {
  fields: DocumentFields;
  value: Value;
  path: string;
  context: EditContext;
  onChange: (value: Value) => void;
}

export interface EditContext {
  /** The document that the fields are of: its own items are meant by name. */
  of?: object;
  entries: EntrySummary[];
  /** Errors of the server by path, e.g. `levels[0].name`. */
  errors: ReadonlyMap<string, string>;
  /** The variation that criteria are about, where it is known: what it can never show is told beside them. */
  facts?: VariationFacts;
  /** Writes a new cue along with the document and gives its slug; absent where nothing can be written along. */
  onWriteCue?: (text: string) => string;
}
