import Joi from 'joi';
import {
  COLOURS,
  CONDITIONS,
  PIECE_FORM_NAMES,
  SIZES,
  aboutSize,
  pieceRefused,
} from '../core/terms/index.ts';
import type { Piece, Size } from '../core/terms/index.ts';
import { day, list, looseText, number, oneOf, shape, slug, strict, text, whole } from './parts.ts';

/** A piece of the hall with the number of its edit, which an edit of it starts from. */
export interface PieceInHall extends Piece {
  edit: number;
}

/** Pieces that are written together: all or none. `edit` 0: it is new. */
export interface PiecesRequest {
  pieces: PieceInHall[];
}

/** Whoever sees that something is broken takes it out of use at once, or has it watched. */
export interface FlagRequest {
  condition: 'watch' | 'out';
  why: string;
}

/** What a piece was after one of its edits. */
export interface PieceEdit {
  edit: number;
  piece: Piece;
  gone: boolean;
  by: string;
  /** ISO 8601. */
  at: string;
}

export const PIECES_MOST = 400;
export const PIECE_COUNT_MOST = 500;
const READINGS_MOST = 12;

const uuid = () =>
  Joi.string()
    .pattern(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i)
    .messages({ 'string.pattern.base': '{{#label}} is not a valid id' });
const perhaps = (s: Joi.Schema) => s.allow(null);

const sizes = Joi.object(
  Object.fromEntries(
    (Object.keys(SIZES) as Size[]).map((name) => {
      const { is, of, from, to } = aboutSize(name);
      return [name, is === 'word' ? oneOf(of!) : is === 'count' ? whole(from, to) : number(from, to)];
    }),
  ),
);

const members = {
  id: uuid(),
  edit: whole(0, 1_000_000),
  equipment: slug(),
  form: oneOf(PIECE_FORM_NAMES),
  name: looseText(80),
  count: whole(0, PIECE_COUNT_MOST),
  place: looseText(200),
  most: perhaps(whole(1, 50)),
  condition: oneOf(CONDITIONS),
  why: looseText(300),
  outSince: perhaps(day()),
  inspectedOn: perhaps(day()),
  nextInspection: perhaps(day()),
  unit: oneOf(['kg', 'lb']),
  sizes,
  colour: perhaps(oneOf(COLOURS)),
  readings: list(shape({ stretchM: number(0.01, 5), pullKg: number(0, 200) }), READINGS_MOST),
  readOn: perhaps(day()),
  retireOn: perhaps(day()),
};
const pieceOf = (of: Record<string, Joi.Schema>) =>
  shape(of).custom((value: Piece, helpers) => {
    const refused = pieceRefused(value);
    return refused ? helpers.message({ custom: refused }) : value;
  });
const piece = pieceOf(members);

/** Something that could be bought. */
export interface WishRequest {
  piece: Piece;
  price: number;
}
const { edit: _edit, ...bare } = members;
export const wishSchema = shape({ piece: pieceOf(bare), price: number(0.01, 1_000_000) }).prefs(strict);

export const piecesSchema = shape({ pieces: list(piece, PIECES_MOST).min(1) }).prefs(strict);
export const flagSchema = shape({ condition: oneOf(['watch', 'out']), why: text(300) }).prefs(strict);
