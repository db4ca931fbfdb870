import type { HallKit } from '../library/index.ts';
import { blankPiece } from '../terms/index.ts';
import type { Piece } from '../terms/index.ts';

let made = 0;
/** A piece of a made-up hall. */
export const piece = (equipment: string, of: Partial<Piece> = {}): Piece =>
  blankPiece(`piece-${++made}`, equipment, of);

/** What a made-up hall has, on a day on which nothing is overdue. */
export const kitOf = (...pieces: Piece[]): HallKit => ({ pieces, today: '', unit: 'kg' });
