import type { EntrySummary } from '../../../contract/library.ts';

export interface EditContext {
  entries: EntrySummary[];
  /** Errors of the server by path, e.g. `levels[0].name`. */
  errors: ReadonlyMap<string, string>;
  /** Writes a new cue along with the document and gives its slug; absent where nothing can be written along. */
  onWriteCue?: (text: string) => string;
}
