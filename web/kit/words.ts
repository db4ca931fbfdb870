import { aboutForm, aboutMeasure, notThere } from '../../core/terms/index.ts';
import type { MassUnit, Piece } from '../../core/terms/index.ts';
import { ballDiameterM } from '../../core/kit/index.ts';
import type { FitRow, Misfit, NotAsked } from '../../core/kit/index.ts';
import { capital, length, tidy } from '../ui/index.ts';

import type { EntrySummary } from '../../contract/library.ts';
import type { PieceForm } from '../../core/terms/index.ts';

export interface Units {
  length: 'cm' | 'in';
  mass: MassUnit;
}
const NBSP = '\u00a0';

/** What tells one piece from the others of its equipment, e.g. "45 cm" or "first notch 40 cm, every 5 cm, 26". */
export function sizeWords(
  p: Pick<Piece, 'form' | 'sizes' | 'unit' | 'name'>,
  { length: unit }: Units,
): string {
  const s = p.sizes;
  const m = (value: number | undefined) => (value === undefined ? null : length(value, unit));
  const parts: (string | null)[] = p.form === 'bar' || p.form === 'collars' ? [p.form] : [];
  if (p.name) parts.push(p.name);
  switch (p.form) {
    case 'height':
      parts.push(m(s.heightM));
      break;
    case 'pad':
      parts.push(m(s.thicknessM));
      break;
    case 'adjustable':
    case 'machine':
      if (s.fromM !== undefined && s.toM !== undefined) parts.push(`${m(s.fromM)} to ${m(s.toM)}`);
      if (s.stepM !== undefined) parts.push(`every ${m(s.stepM)}`);
      break;
    case 'ball':
      if (s.seatM !== undefined) parts.push(`seat ${m(s.seatM)}`);
      if (s.diameterM !== undefined) parts.push(`${m(s.diameterM)} across`);
      break;
    case 'rack':
      if (s.firstM !== undefined) parts.push(`notches from ${m(s.firstM)}`);
      if (s.spacingM !== undefined) parts.push(`every ${m(s.spacingM)}`);
      if (s.notches !== undefined) parts.push(`${s.notches}, counted from ${s.countedFrom ?? 'below'}`);
      break;
    case 'weight':
    case 'bar':
    case 'plates':
    case 'collars':
      if (s.mass !== undefined) parts.push(`${tidy(s.mass, 2)}${NBSP}${p.unit}`);
      if (s.lengthM !== undefined) parts.push(m(s.lengthM));
      break;
    case 'band':
      if (s.restM !== undefined) parts.push(`${m(s.restM)} at rest`);
      break;
    case 'thing':
      break;
  }
  return parts.filter(Boolean).join(', ');
}

/** How many, in what the form is counted in: "2", "3 pairs". */
export const countWords = (p: Pick<Piece, 'form' | 'count'>): string =>
  ['plates', 'collars'].includes(p.form) ? `${p.count} ${p.count === 1 ? 'pair' : 'pairs'}` : String(p.count);

export const formChoice = (form: Piece['form']): string => capital(aboutForm(form).words);

/** Why a piece is not there today, with what was said of it; null: it is. */
export function absenceWords(p: Piece, today: string): string | null {
  const why = notThere(p, today);
  return why && (why === 'out of use' && p.why ? `out of use: ${p.why}` : why);
}

const NOT_ASKED: Record<NotAsked, string> = {
  'measured, never computed': 'noted, not computed',
  'not needed': 'none is needed',
  'no wedge is enough': 'no wedge is enough: choose a squat that leans more, or one with something to hold',
  'straight ahead': 'straight ahead, or far down the hall',
  'the movement says no height': 'the sheet names no height',
  'this body cannot take the posture': 'this body cannot take the posture',
};

const degrees = (deg: number) => `${tidy(Math.abs(deg), 0)}°`;

/** What is not quite as computed, as a coach says it. */
export function misfitWords(misfit: Misfit, { length: unit }: Units): string {
  const m = (value: number) => length(Math.abs(value), unit);
  switch (misfit.what) {
    case 'thigh':
      return misfit.offM > 0
        ? `hips end ${m(misfit.offM)} above level: thigh ${degrees(misfit.deg)} short of it`
        : `hips end ${m(misfit.offM)} below level: thigh ${degrees(misfit.deg)} past it`;
    case 'slope':
      return `the line slopes ${degrees(misfit.deg)}, shoulders ${misfit.deg > 0 ? 'high' : 'low'}`;
    case 'off':
      return `${m(misfit.offM)} ${misfit.offM > 0 ? 'higher' : 'lower'} than computed`;
    case 'knee':
      return `knees at ${degrees(misfit.deg)} when sitting on it`;
    case 'hooks low':
      return `${m(misfit.underM)} under what was computed: the bar is lifted off with bent knees`;
    case 'sit down with it':
      return `sit down with it: they stand ${m(misfit.belowBarM)} below the bar at the bottom`;
  }
}

/** What a row is about, short enough to stand before a number. */
const SHORT: Partial<Record<FitRow['measure'], string>> = {
  'box, full sit': 'Box, full sit',
  'box, touched': 'Box, touched',
  'box, below level': 'Box, below level',
  'rack hooks, shoulder': 'Hooks',
  'rack hooks, mid-thigh': 'Hooks, mid-thigh',
  'side-lunge step': 'Step to the side',
  'rear-foot seat': 'Seat behind, at most',
  'step-up, learning': 'Step to learn on',
  'step-up': 'Step, at most',
  'extension pad': 'Foot plate to pad',
  'machine platform': 'Platform',
  'lunge step': 'Step, heel to heel',
  'heel to wall': 'Heel to wall',
  'eye mark': 'Mark for the eyes',
  'strap handles': 'Handles',
  'start height': 'Under the weight',
};
export const measureShort = ({ measure }: Pick<FitRow, 'measure'>): string =>
  SHORT[measure] ?? capital(measure);

/** The number that is set: a notch, a height with its pads, or a length on the floor. */
export function setWords(row: FitRow, { length: unit }: Units): string {
  const m = (value: number) => length(value, unit);
  const { own, asked } = row;
  if (own) {
    if (own.notch !== null) return `notch${NBSP}${own.notch}`;
    const pads = own.pads === 0 ? '' : ` with ${own.pads} ${own.pads === 1 ? 'pad' : 'pads'}`;
    return `${m(own.heightM)}${pads}`;
  }
  if (!asked) return NOT_ASKED[row.notAsked!];
  return asked.toM === null ? m(asked.m) : `${m(asked.m)} to ${m(asked.toM)}`;
}

/** The thing of the hall, where it stands, and what was computed. */
export function detailWords(row: FitRow, units: Units): string {
  const m = (value: number) => length(value, units.length);
  const { own, asked } = row;
  const parts: string[] = [];
  if (own) parts.push(own.place ? `${own.name} (${own.place})` : own.name);
  if (own && asked)
    parts.push(`computed ${m(asked.m)}${own.notch === null ? '' : `, stands at ${m(own.heightM)}`}`);
  if (!own && row.fitting === 'size not noted')
    parts.push('the hall’s own has no height noted: measure it, and note it in the kit room');
  if (!own && row.fitting === 'does not fit') parts.push('not with what we have');
  if (row.measure === 'lunge step' && asked?.tapeM)
    parts.push(`tape: front heel to the ball of the rear foot ${m(asked.tapeM)}`);
  if (row.measure === 'heel to wall' && asked) parts.push('begin at the first, step away 2 cm at a time');
  if (row.measure === 'safeties' && asked?.tapeM) parts.push(`bar at the bottom ${m(asked.tapeM)}`);
  if (row.measure === 'start height' && asked?.tapeM) parts.push(`so that it begins at ${m(asked.tapeM)}`);
  if (row.others.length > 0)
    parts.push(row.others.map((o) => `${o.name} ${o.notch ?? m(o.heightM)}`).join(', '));
  return parts.join(' · ');
}

/** What would do where nothing fits. */
export function wouldDoWords(row: FitRow, { length: unit }: Units): string | null {
  const { wouldDo: w } = row;
  if (!w) return null;
  if (row.measure === 'ball seat') {
    // What a ball is sold by is its diameter; under a person it sinks.
    return `A ball of about ${length(ballDiameterM((w.fromM + w.toM) / 2), unit)} across would do; measure its seat once.`;
  }
  const what = aboutMeasure(row.measure).setting ?? 'height';
  return w.fromM === w.toM
    ? `A ${what} of ${length(w.fromM, unit)} would do.`
    : `A ${what} from ${length(w.fromM, unit)} to ${length(w.toM, unit)} would do.`;
}

/** The forms that are noted of a kind of equipment. */
export const formsOf = (e: EntrySummary): readonly PieceForm[] => e.forms ?? ['thing'];
