import { FELT_KINDS, LEGS, REGIONS } from '../../terms/index.ts';
import { choice, fields, flag, names, text } from './field.ts';

/** The end of every document: who wrote it, when it is read again, whether it is still used. */
export const KEEPING = fields({
  author: text('Written by', 120, { section: 'Keeping' }),
  reviewBy: { is: 'date', label: 'To be read again by', optional: true },
  retired: flag('Retired: no longer used (refused while another document names it)'),
});

/** Every other name and abbreviation in use: whoever types one finds the document. */
export const ALSO_CALLED = names('Also called', 16, {
  optional: true,
  hint: 'Other names and abbreviations in use, with commas between them.',
});

/** Where something is felt, and as what. */
export const FELT = fields({
  region: choice('Where', REGIONS, { blank: 'back of hip' }),
  kind: choice('As what', FELT_KINDS, { blank: 'work' }),
  leg: choice('Which leg (split stance)', LEGS, { optional: true, none: 'either' }),
});

export const SEVERITY_CHOICES = {
  1: '1: only noted',
  2: '2: the repetition is not clean',
  3: '3: ends the set',
} as const;
