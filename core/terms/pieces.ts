import type { IsoDate } from './days.ts';

/** A mass is kept as it is marked: a pound is never turned into a fraction of a kilogram. */
export type MassUnit = 'kg' | 'lb';
/** International avoirdupois pound, exact by definition (1959 agreement). */
export const KG_PER_LB = 0.45359237;
export const kgOf = (mass: number, unit: MassUnit): number => (unit === 'kg' ? mass : mass * KG_PER_LB);

/** What can be noted of a piece of the hall, described once: the form, the file and the bounds are made from it. */
interface SizeAbout {
  label: string;
  is: 'length' | 'mass' | 'count' | 'word';
  from: number;
  to: number;
  of?: readonly string[];
  hint?: string;
}
const lengthOf = (label: string, from: number, to: number, hint?: string): SizeAbout => ({
  label,
  is: 'length',
  from,
  to,
  ...(hint ? { hint } : {}),
});
const massOf = (label: string, to: number): SizeAbout => ({ label, is: 'mass', from: 0.05, to });
const countOf = (label: string, from: number, to: number): SizeAbout => ({ label, is: 'count', from, to });

export const COUNTED_FROM = ['below', 'above'] as const;

/** Every size that some piece has; lengths in metres. */
export const SIZES = {
  heightM: lengthOf('Height', 0.01, 2.5),
  thicknessM: lengthOf('Thickness', 0.005, 0.3),
  fromM: lengthOf('Lowest', 0.01, 3),
  toM: lengthOf('Highest', 0.01, 3),
  stepM: lengthOf('In steps of', 0.005, 0.5),
  firstM: lengthOf('Lowest notch above the floor', 0.05, 2),
  spacingM: lengthOf('From notch to notch', 0.01, 0.3),
  notches: countOf('How many notches', 1, 60),
  countedFrom: { label: 'Notches are counted from', is: 'word', from: 0, to: 0, of: COUNTED_FROM },
  mass: massOf('Weighs', 500),
  lengthM: lengthOf('Length', 0.3, 3),
  seatM: lengthOf(
    'Seat under a person',
    0.15,
    1,
    'from the floor to the crease under a person of about 75 kg',
  ),
  diameterM: lengthOf('Diameter', 0.3, 1.2),
  axleM: lengthOf('Axle above the lowest platform', 0.5, 2),
  restM: lengthOf('Rest length', 0.05, 3),
} as const satisfies Record<string, SizeAbout>;
export type Size = keyof typeof SIZES;
export const SIZE_NAMES = Object.keys(SIZES) as Size[];
export const aboutSize = (size: Size): SizeAbout => SIZES[size];
type ValueOf<S extends Size> = S extends 'countedFrom' ? (typeof COUNTED_FROM)[number] : number;
export type Sizes = { [S in Size]?: ValueOf<S> };

interface FormAbout {
  /** As it is chosen: what one of them is. */
  words: string;
  sizes: readonly Size[];
  /** What is counted of it; usually pieces. */
  counted: string;
  /** Months from one inspection to the next, where its equipment says nothing else (judgement). */
  inspectMonths: number;
  /** Readings of a scale belong to it. */
  readings?: true;
}

/**
 * The forms that a piece of kit can have, in the order in which an equipment of several of them is counted: a bar and
 * rack is as often there as its racks.
 */
export const PIECE_FORMS = {
  rack: {
    words: 'rack with notches',
    sizes: ['firstM', 'spacingM', 'notches', 'countedFrom'],
    counted: 'racks',
    inspectMonths: 6,
  },
  height: { words: 'of one height', sizes: ['heightM'], counted: 'pieces', inspectMonths: 6 },
  adjustable: {
    words: 'of an adjustable height',
    sizes: ['fromM', 'toM', 'stepM'],
    counted: 'pieces',
    inspectMonths: 6,
  },
  pad: { words: 'pad to stack', sizes: ['thicknessM'], counted: 'pads', inspectMonths: 12 },
  ball: { words: 'ball', sizes: ['seatM', 'diameterM'], counted: 'balls', inspectMonths: 12 },
  machine: {
    words: 'machine with a platform',
    sizes: ['axleM', 'fromM', 'toM', 'stepM'],
    counted: 'machines',
    inspectMonths: 6,
  },
  weight: { words: 'dumbbell or bell', sizes: ['mass'], counted: 'single ones', inspectMonths: 12 },
  bar: { words: 'bar', sizes: ['mass', 'lengthM'], counted: 'bars', inspectMonths: 12 },
  plates: { words: 'plates', sizes: ['mass'], counted: 'pairs', inspectMonths: 12 },
  collars: { words: 'pair of collars', sizes: ['mass'], counted: 'pairs', inspectMonths: 12 },
  band: { words: 'band', sizes: ['restM'], counted: 'bands', inspectMonths: 3, readings: true },
  thing: { words: 'only counted', sizes: [], counted: 'pieces', inspectMonths: 12 },
} as const satisfies Record<string, FormAbout>;
export type PieceForm = keyof typeof PIECE_FORMS;
export const PIECE_FORM_NAMES = Object.keys(PIECE_FORMS) as PieceForm[];
export const aboutForm = (form: PieceForm): FormAbout => PIECE_FORMS[form];

export const CONDITIONS = ['good', 'watch', 'out'] as const;
export type Condition = (typeof CONDITIONS)[number];

/** What a scale showed at a length: a band stretched so far beyond its rest length, and the pull there. */
export interface BandReading {
  stretchM: number;
  pullKg: number;
}

/** A piece of the hall, or a lot of like ones. */
export interface Piece {
  id: string;
  /** Slug of what it is. */
  equipment: string;
  form: PieceForm;
  /** What it is called here; '': as its equipment. */
  name: string;
  /** In what its form is counted in; 0: the hall says it has none. */
  count: number;
  place: string;
  /** So many people use one at a time, in turns; null: as many as like. */
  most: number | null;
  condition: Condition;
  /** Why it is watched or out of use. */
  why: string;
  outSince: IsoDate | null;
  inspectedOn: IsoDate | null;
  /** null: no day is set. */
  nextInspection: IsoDate | null;
  /** The unit in which its mass is marked. */
  unit: MassUnit;
  sizes: Sizes;
  /** The hall's own colour, as a colour of the interface's list; null: none. */
  colour: Colour | null;
  /** Readings of a band, and the day of the scale. */
  readings: BandReading[];
  readOn: IsoDate | null;
  retireOn: IsoDate | null;
}

/** One of a kind in good order, of which nothing more is noted. */
export const blankPiece = (id: string, equipment: string, of: Partial<Piece> = {}): Piece => ({
  id,
  equipment,
  form: 'thing',
  name: '',
  count: 1,
  place: '',
  most: null,
  condition: 'good',
  why: '',
  outSince: null,
  inspectedOn: null,
  nextInspection: null,
  unit: 'kg',
  sizes: {},
  colour: null,
  readings: [],
  readOn: null,
  retireOn: null,
  ...of,
});

/** Colours that plates and bands have here or there; which one means what is the hall's own. */
export const COLOURS = [
  'black',
  'grey',
  'white',
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'purple',
  'brown',
] as const;
export type Colour = (typeof COLOURS)[number];

/** Why a piece counts as not there; null: it may be used. */
export function notThere(
  p: Pick<Piece, 'condition' | 'nextInspection' | 'retireOn'>,
  today: IsoDate,
): 'out of use' | 'inspection overdue' | 'to be retired' | null {
  if (p.condition === 'out') return 'out of use';
  if (p.retireOn !== null && p.retireOn <= today) return 'to be retired';
  return p.nextInspection !== null && p.nextInspection < today ? 'inspection overdue' : null;
}

/** Months later, the last day of a month where it has no such day. */
export function monthsAfter(date: IsoDate, months: number): IsoDate {
  const [y, m, d] = date.split('-').map(Number) as [number, number, number];
  const month = m - 1 + months;
  const last = new Date(Date.UTC(y, month + 1, 0)).getUTCDate();
  return new Date(Date.UTC(y, month, Math.min(d, last))).toISOString().slice(0, 10);
}

/** What is wrong with a piece as it was told, as a sentence; null where it is sound. */
export function pieceRefused(p: Piece): string | null {
  const { sizes } = aboutForm(p.form);
  for (const name of Object.keys(p.sizes) as Size[]) {
    const about = aboutSize(name);
    const value = p.sizes[name];
    if (!sizes.includes(name)) return `${about.label}: a piece that is ${aboutForm(p.form).words} has none.`;
    if (about.is === 'word') {
      if (!about.of!.includes(String(value)))
        return `${about.label}: “${value}” is none of ${about.of!.join(', ')}.`;
      continue;
    }
    if (typeof value !== 'number' || !(value >= about.from && value <= about.to))
      return `${about.label}: ${value} does not lie between ${about.from} and ${about.to}${about.is === 'length' ? ' m' : ''}.`;
    if (about.is === 'count' && !Number.isInteger(value))
      return `${about.label}: ${value} is not a whole number.`;
  }
  const { fromM, toM } = p.sizes;
  if (fromM !== undefined && toM !== undefined && toM < fromM) return 'Highest: it lies below the lowest.';
  if (p.readings.length > 0 && !aboutForm(p.form).readings)
    return 'Readings: only a band is read on a scale.';
  if (p.readings.length > 0 && p.readOn === null) return 'Read on: say the day of the scale.';
  if (p.inspectedOn !== null && p.nextInspection !== null && p.nextInspection < p.inspectedOn)
    return 'Next inspection: it lies before the last one.';
  return null;
}
