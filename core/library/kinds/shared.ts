import { FELT_KINDS, REGIONS } from '../../terms/index.ts';
import { choice, fields, flag, text } from './field.ts';

/** The end of every document: who wrote it, when it is read again, whether it is still used. */
export const KEEPING = fields({
  author: text('Written by', 120, { section: 'Keeping' }),
  reviewBy: { is: 'date', label: 'To be read again by', optional: true },
  retired: flag('Retired: no longer used (refused while another document names it)'),
});

/** Where something is felt, and as what. */
export const FELT = fields({
  region: choice('Where', REGIONS, { blank: 'back of hip' }),
  kind: choice('As what', FELT_KINDS, { blank: 'work' }),
});

export const SEVERITY_CHOICES = {
  1: '1: only noted',
  2: '2: the repetition is not clean',
  3: '3: ends the set',
} as const;
