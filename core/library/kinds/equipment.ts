import { LOAD_KINDS, PIECE_FORM_NAMES } from '../../terms/index.ts';
import { choice, choices, documents, fields, flag, lines, list, number, text, whole } from './field.ts';
import { ALSO_CALLED, KEEPING } from './shared.ts';

const metres = (label: string) => number(label, 0, 5, { unit: 'm', step: 0.01 });

/** A thing that movements need: what it is and how it is set up. How many there are is the hall's to say. */
export const EQUIPMENT = fields({
  name: text('Name', 120, { named: true }),
  alsoCalled: ALSO_CALLED,
  shareable: flag('Can be shared within a group', { blank: true }),
  /** Absent: it is only counted. */
  forms: choices('Noted of it in the kit room', PIECE_FORM_NAMES, 4, { optional: true }),
  /** Which loads come from it: what exists of them is what the hall has. */
  loadKind: choice('Load it is', LOAD_KINDS, { optional: true, none: 'no load' }),
  inspectMonths: whole('Inspected every', 1, 60, { unit: 'months', optional: true }),
  sizes: list('Sizes to be had', 'size', 12, {
    name: text('What', 80),
    fromM: metres('From'),
    toM: metres('To'),
    stepM: metres('In steps of'),
  }),
  setUp: lines('Set-up', { section: 'Set-up and checks' }),
  checks: lines('Checks before use'),
  equals: documents('Equals', 'equipment', 20),
  homeSubstitutes: lines('At home'),
  ...KEEPING,
});
