import { documents, fields, flag, lines, list, number, text, whole } from './field.ts';
import { ALSO_CALLED, KEEPING } from './shared.ts';

const metres = (label: string) => number(label, 0, 5, { unit: 'm', step: 0.01 });

/** A thing that movements need. */
export const EQUIPMENT = fields({
  name: text('Name', 120, { named: true }),
  alsoCalled: ALSO_CALLED,
  /** 0 means the hall has none. */
  inHall: whole('How many the hall has', 0, 500, { blank: 1 }),
  where: text('Where it stands', 200, { loose: true }),
  shareable: flag('Can be shared within a group', { blank: true }),
  sizes: list('Sizes', 'size', 12, {
    name: text('What', 80),
    fromM: metres('From'),
    toM: metres('To'),
    stepM: metres('In steps of'),
  }),
  setUp: lines('Set-up'),
  checks: lines('Checks before use'),
  equals: documents('Equals', 'equipment', 20),
  homeSubstitutes: lines('At home'),
  ...KEEPING,
});
