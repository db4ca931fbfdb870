import type { EntrySummary } from '../../../../contract/library.ts';
import type { FieldSpec, Value } from './types.ts';
import type { VariationFacts } from '../../../../core/log/index.ts';

/** All fields of an object, to be edited. */
export interface FieldsProps {
  fields: FieldSpec[];
  value: Value;
  path: string;
  context: EditContext;
  onChange: (value: Value) => void;
}

export interface EditContext {
  entries: EntrySummary[];
  /** Errors of the server by path, e.g. `levels[0].name`. */
  errors: ReadonlyMap<string, string>;
  /** The variation that criteria are about, where it is known: what it can never show is told beside them. */
  facts?: VariationFacts;
  /** Writes a new cue along with the document and gives its slug; absent where nothing can be written along. */
  onWriteCue?: (text: string) => string;
}
