export { LIBRARY_FORMAT, LIBRARY_FORMAT_VERSION, editionLabel, writeLibraryFile } from './library-file.ts';
export type { EditionHeader, LibraryFile } from './library-file.ts';
export { NEEDED_COLUMNS, SET_COLUMNS, rowOfSet, setOfRow } from './set-rows.ts';
export type { ReadSet, SetRowProblem } from './set-rows.ts';
