import { fields, lines, text } from './field.ts';
import { KEEPING } from './shared.ts';

/** What a sheet warns of, and which sheets carry it. */
export const CAUTION = fields({
  name: text('Name', 120, { named: true }),
  lines: lines('What it says', { section: 'What it says, and where', least: 1, blank: [{ text: '' }] }),
  appliesTo: { is: 'predicate', label: 'Which variations carry it', blank: { test: 'every variation' } },
  ...KEEPING,
});
