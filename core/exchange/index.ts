export { LIBRARY_FORMAT, LIBRARY_FORMAT_VERSION, editionLabel, writeLibraryFile } from './library-file.ts';
export type { EditionHeader, LibraryFile } from './library-file.ts';
export { PIECE_COLUMNS, pieceOfRow, rowOfPiece } from './kit-rows.ts';
export type { PieceRow, ReadPiece } from './kit-rows.ts';
export { NEEDED_COLUMNS, SET_COLUMNS, rowOfSet, setOfRow } from './set-rows.ts';
export type { ReadSet, SetRowProblem } from './set-rows.ts';
export { MOST_C3D_FRAMES, c3dOf, readC3d } from './c3d.ts';
export { readTrc, trcOf } from './trc.ts';
export type { Markers } from './trc.ts';
