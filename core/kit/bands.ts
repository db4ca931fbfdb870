import { pchipAt, pchipSlopes } from '../program/index.ts';
import { daysBetween, notThere } from '../terms/index.ts';
import type { BandReading, IsoDate, Piece } from '../terms/index.ts';

/** A pull that readings carry, or that nobody has measured. */
export type Pull = { known: true; kg: number } | { known: false; why: 'beyond the readings' };

/** So far beyond the last reading the end slope is believed. */
const BEYOND = 0.2;
/** A reading may lie so far below the one before it: the scale swings. */
const FALLS = 0.03;
const LEAST_READINGS = 3;
const MOST_READINGS = 12;

/** The curve of one band through its readings. */
export interface BandCurve {
  /** Knots from rest on; the pull never falls. */
  knots: readonly BandReading[];
  slopes: readonly number[];
}

/**
 * A curve through the readings that has no bump between them: monotone cubic interpolation. At rest a band pulls nothing.
 * @throws RangeError for fewer than three readings, one at no stretch, two at one stretch, or a pull that falls
 */
export function bandCurve(readings: readonly BandReading[]): BandCurve {
  if (readings.length < LEAST_READINGS)
    throw new RangeError('Three readings at least: read the scale again.');
  if (readings.length > MOST_READINGS) throw new RangeError(`More than ${MOST_READINGS} readings.`);
  const sorted = [...readings].sort((a, b) => a.stretchM - b.stretchM);
  const knots: BandReading[] = [{ stretchM: 0, pullKg: 0 }];
  for (const r of sorted) {
    const last = knots.at(-1)!;
    if (!(r.stretchM > last.stretchM))
      throw new RangeError(
        knots.length === 1 ? 'A reading needs a stretch.' : 'Two readings at one stretch.',
      );
    if (!(r.pullKg >= 0) || r.pullKg < last.pullKg * (1 - FALLS))
      throw new RangeError('The pull falls while the band is stretched: read it again.');
    knots.push({ stretchM: r.stretchM, pullKg: Math.max(r.pullKg, last.pullKg) });
  }
  return { knots, slopes: pchipSlopes(xOf(knots), yOf(knots)) };
}

const xOf = (knots: readonly BandReading[]) => knots.map((k) => k.stretchM);
const yOf = (knots: readonly BandReading[]) => knots.map((k) => k.pullKg);

/** The pull at a stretch; straight on for a fifth beyond the last reading, and no number farther out. */
export function pullAt({ knots, slopes }: BandCurve, stretchM: number): Pull {
  const last = knots.at(-1)!;
  if (stretchM <= 0) return { known: true, kg: 0 };
  if (stretchM > last.stretchM * (1 + BEYOND)) return { known: false, why: 'beyond the readings' };
  if (stretchM > last.stretchM)
    return { known: true, kg: last.pullKg + slopes.at(-1)! * (stretchM - last.stretchM) };
  return { known: true, kg: pchipAt(xOf(knots), yOf(knots), slopes, stretchM) };
}

/**
 * How far off the curve may be, as shares of the largest pull read: inside the readings, and at a fifth beyond them (found
 * with made-up rubber bands read to a centimetre and 150 g; nine of ten lie within).
 */
const OFF = { inside: 0.015, beyond: 0.07 };

/** Half of the width of the band around a pull, kg; 0 at rest. */
export function pullWithinKg({ knots }: BandCurve, stretchM: number): number {
  const last = knots.at(-1)!;
  if (stretchM <= 0) return 0;
  const over = Math.max(0, Math.min(1, (stretchM / last.stretchM - 1) / BEYOND));
  return last.pullKg * (OFF.inside + (OFF.beyond - OFF.inside) * over);
}

/** A band of the hall with its curve and the day it was read. */
export interface ReadBand {
  id: string;
  name: string;
  restM: number;
  curve: BandCurve;
  readOn: string;
}

/** Why a band has no place in the order. */
export type NotRanked =
  'out of use' | 'never read' | 'read too long ago' | 'not stretched' | 'beyond the readings';

/** Bands by their pull at one length, the lightest first; those that cannot be ranked, each with why. */
export interface BandRank {
  ranked: { id: string; name: string; kg: number }[];
  left: { id: string; name: string; why: NotRanked }[];
  /** Neighbours in the order that are the other way round at some smaller stretch. */
  crossed: { lighter: string; heavier: string }[];
}

const READ_AGAIN_DAYS = 183;

/**
 * Bands of the hall ranked by what they pull at the length that is used, never by colour; two of them may cross over.
 * @param lengthM from end to end, or from side to side of a loop
 */
export function rankBands(pieces: readonly Piece[], lengthM: number, today: IsoDate): BandRank {
  const rank: BandRank = { ranked: [], left: [], crossed: [] };
  const read = new Map<string, ReadBand>();
  for (const p of pieces.filter((b) => b.form === 'band' && b.count > 0)) {
    const name = p.name || (p.colour ?? 'band');
    const leave = (why: NotRanked) => void rank.left.push({ id: p.id, name, why });
    const restM = p.sizes.restM ?? 0;
    const curve = curveOf(p.readings);
    if (notThere(p, today) !== null) leave('out of use');
    else if (!curve || p.readOn === null || restM === 0) leave('never read');
    else if (daysBetween(p.readOn, today) > READ_AGAIN_DAYS) leave('read too long ago');
    else if (lengthM <= restM) leave('not stretched');
    else {
      const pull = pullAt(curve, lengthM - restM);
      if (!pull.known) leave(pull.why);
      else {
        rank.ranked.push({ id: p.id, name, kg: pull.kg });
        read.set(p.id, { id: p.id, name, restM, curve, readOn: p.readOn });
      }
    }
  }
  rank.ranked.sort((a, b) => a.kg - b.kg || a.name.localeCompare(b.name));
  for (const [i, heavier] of rank.ranked.entries()) {
    const lighter = rank.ranked[i - 1];
    if (lighter && crossOver(read.get(lighter.id)!, read.get(heavier.id)!, lengthM))
      rank.crossed.push({ lighter: lighter.name, heavier: heavier.name });
  }
  return rank;
}

/** The curve of readings that make one; null for readings that do not. */
function curveOf(readings: readonly BandReading[]): BandCurve | null {
  try {
    return bandCurve(readings);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** Whether the order of two bands turns over somewhere up to a length. */
export function crossOver(
  a: Pick<ReadBand, 'curve' | 'restM'>,
  b: Pick<ReadBand, 'curve' | 'restM'>,
  upToM: number,
): boolean {
  const STEPS = 60;
  const from = Math.max(a.restM, b.restM);
  let first = 0;
  for (let i = 1; i <= STEPS; i++) {
    const at = from + ((upToM - from) * i) / STEPS;
    const [p, q] = [pullAt(a.curve, at - a.restM), pullAt(b.curve, at - b.restM)];
    if (!p.known || !q.known) return false;
    const sign = Math.sign(Math.round(1000 * (p.kg - q.kg)));
    if (first === 0) first = sign;
    else if (sign !== 0 && sign !== first) return true;
  }
  return false;
}
