import type { Body } from '../library/index.ts';
import { canonicalJson, documentId } from '../library/index.ts';

export const LIBRARY_FORMAT = 'meister-library';
export const LIBRARY_FORMAT_VERSION = 1;

/** Named state that the documents belong to; `changesSince` counts the changes accepted after it. */
export interface EditionHeader {
  number: number;
  name: string;
  date: string;
  changesSince: number;
}

/** The library as one file: the documents in force and their edition; no people, no history. */
export interface LibraryFile {
  format: typeof LIBRARY_FORMAT;
  version: typeof LIBRARY_FORMAT_VERSION;
  edition: EditionHeader;
  documents: Body[];
}

/** The file as text, documents ordered by kind and slug. */
export function writeLibraryFile(edition: EditionHeader, documents: readonly Body[]): string {
  const file: LibraryFile = {
    format: LIBRARY_FORMAT,
    version: LIBRARY_FORMAT_VERSION,
    edition,
    documents: [...documents].sort((a, b) => (documentId(a) < documentId(b) ? -1 : 1)),
  };
  return canonicalJson(file);
}

/** How an edition is printed: "edition 12 + 3" is three accepted changes after the twelfth. */
export function editionLabel(e: Pick<EditionHeader, 'number' | 'changesSince'>): string {
  return e.changesSince === 0 ? `edition ${e.number}` : `edition ${e.number} + ${e.changesSince}`;
}
