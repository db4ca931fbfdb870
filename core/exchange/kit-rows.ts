import { SIZE_NAMES, aboutSize, blankPiece, pieceRefused } from '../terms/index.ts';
import type { BandReading, MassUnit, Piece, PieceForm, Size } from '../terms/index.ts';
import { COLOURS, CONDITIONS, PIECE_FORM_NAMES } from '../terms/index.ts';
import { guarded, unguarded } from './cells.ts';

const columnOf = (name: string) => name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);
const SIZE_COLUMNS = new Map<string, Size>(SIZE_NAMES.map((s) => [columnOf(s), s]));

/** Columns of a file of the hall's kit, in order; lengths in metres, masses in the unit of the line. */
export const PIECE_COLUMNS: readonly string[] = [
  'equipment',
  'form',
  'name',
  'count',
  'place',
  'people_at_once',
  'condition',
  'why',
  'out_since',
  'inspected_on',
  'next_inspection',
  'unit',
  ...SIZE_COLUMNS.keys(),
  'colour',
  'readings',
  'read_on',
  'retire_on',
  'id',
];
export type PieceRow = Record<string, string>;

const readingsCell = (of: readonly BandReading[]) => of.map((r) => `${r.stretchM}=${r.pullKg}`).join('; ');

/** A piece as a row; '' is what is not known. */
export function rowOfPiece(p: Piece): PieceRow {
  const cells: Record<string, string | number | null> = {
    equipment: p.equipment,
    form: p.form,
    name: guarded(p.name),
    count: p.count,
    place: guarded(p.place),
    people_at_once: p.most,
    condition: p.condition,
    why: guarded(p.why),
    out_since: p.outSince,
    inspected_on: p.inspectedOn,
    next_inspection: p.nextInspection,
    unit: p.unit,
    colour: p.colour,
    readings: readingsCell(p.readings),
    read_on: p.readOn,
    retire_on: p.retireOn,
    id: p.id,
  };
  for (const [column, size] of SIZE_COLUMNS) cells[column] = p.sizes[size] ?? null;
  return Object.fromEntries(PIECE_COLUMNS.map((c) => [c, String(cells[c] ?? '')]));
}

export type ReadPiece = { piece: Piece } | { problem: string };

const A_DAY = /^\d{4}-\d{2}-\d{2}$/;
const AN_ID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/**
 * A row as a piece; an empty cell is not known, a missing column as well.
 * @param known whether there is such equipment in the library
 * @param newId for a row without one
 */
export function pieceOfRow(
  row: PieceRow,
  known: (equipment: string) => boolean,
  newId: () => string,
): ReadPiece {
  const cell = (c: string) => unguarded((row[c] ?? '').trim());
  const problems: string[] = [];
  const wrong = (column: string, what: string) => void problems.push(`${column}: ${what}`);
  const among = <T extends string>(column: string, list: readonly T[], otherwise: T): T => {
    const value = cell(column);
    if (value === '') return otherwise;
    if ((list as readonly string[]).includes(value)) return value as T;
    wrong(column, `“${value}” is none of ${list.join(', ')}.`);
    return otherwise;
  };
  const number = (column: string): number | null => {
    const value = cell(column).replace(',', '.');
    if (value === '') return null;
    if (Number.isFinite(Number(value))) return Number(value);
    wrong(column, `“${value}” is no number.`);
    return null;
  };
  const date = (column: string): string | null => {
    const value = cell(column);
    if (value === '') return null;
    if (A_DAY.test(value) && !Number.isNaN(Date.parse(value))) return value;
    wrong(column, `“${value}” is no day like 2026-11-24.`);
    return null;
  };
  const equipment = cell('equipment');
  if (!known(equipment))
    wrong('equipment', `the library has no “${equipment}” (its short id, as in an exported file).`);
  const form: PieceForm = among('form', PIECE_FORM_NAMES, 'thing');
  const sizes: Record<string, number | string> = {};
  for (const [column, size] of SIZE_COLUMNS) {
    const { is, of } = aboutSize(size);
    const value = is === 'word' ? cell(column) && among(column, of!, of![0]!) : number(column);
    if (value !== null && value !== '') sizes[size] = value;
  }
  const readings = cell('readings')
    .split(';')
    .map((r) => r.trim())
    .filter(Boolean)
    .flatMap((r): BandReading[] => {
      const [stretchM, pullKg] = r.split('=').map(Number);
      if (Number.isFinite(stretchM) && Number.isFinite(pullKg))
        return [{ stretchM: stretchM!, pullKg: pullKg! }];
      wrong('readings', `“${r}” is not like 0.2=4.1 (metres = kg).`);
      return [];
    });
  const id = cell('id');
  if (id !== '' && !AN_ID.test(id)) wrong('id', 'is no id: leave it empty for a new piece.');
  const count = number('count') ?? 1;
  if (!Number.isInteger(count) || count < 0) wrong('count', `${count} is no whole number.`);
  const piece = blankPiece(id === '' ? newId() : id.toLowerCase(), equipment, {
    form,
    name: cell('name'),
    count,
    place: cell('place'),
    most: number('people_at_once'),
    condition: among('condition', CONDITIONS, 'good'),
    why: cell('why'),
    outSince: date('out_since'),
    inspectedOn: date('inspected_on'),
    nextInspection: date('next_inspection'),
    unit: among<MassUnit>('unit', ['kg', 'lb'], 'kg'),
    sizes: sizes,
    colour: cell('colour') === '' ? null : among('colour', COLOURS, COLOURS[0]),
    readings,
    readOn: date('read_on'),
    retireOn: date('retire_on'),
  });
  const refused = problems.length === 0 ? pieceRefused(piece) : null;
  if (refused) problems.push(refused);
  return problems.length > 0 ? { problem: problems.join(' ') } : { piece };
}
