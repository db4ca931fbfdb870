import { PATTERNS } from '../../terms/index.ts';
import { choice, documents, fields, lines, text } from './field.ts';
import { KEEPING } from './shared.ts';

/** Drills of a pattern in their order. */
export const DRILL_LIST = fields({
  name: text('Name', 120, { named: true }),
  pattern: choice('Pattern', PATTERNS, { blank: 'bridge' }),
  notes: lines('Notes'),
  drills: documents('Drills in order', 'variation', 40, { section: 'Drills', needed: 'Drills' }),
  ...KEEPING,
});
