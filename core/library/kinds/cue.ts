import { CUE_KINDS, PHASES, STAGES, VIEWS } from '../../terms/index.ts';
import { choice, choices, document, documents, fields, line, text } from './field.ts';
import { KEEPING } from './shared.ts';

/** One short line said to an athlete. */
export const CUE = fields({
  line: line('The cue: one short line', { section: 'Cue', named: true, needed: 'The cue itself' }),
  /** For somebody who does not know the picture. */
  plain: text('In plain words: what it means', 200, { optional: true }),
  phase: choice('Said at', PHASES, { blank: 'rising' }),
  cueKind: choice('Kind', CUE_KINDS),
  view: choice('Checked from', VIEWS, { blank: 'side' }),
  stages: choices('Suits', STAGES, 3, { least: 1, blank: ['learning', 'sound', 'advanced'] }),
  /** The fault it answers; absent means it stands for good form. */
  addresses: document('Answers the fault (empty: good form)', 'fault', { optional: true }),
  /** On sheets where the first of them is not looked for. */
  alsoAddresses: documents('Answers these faults too', 'fault', 8, { optional: true }),
  ...KEEPING,
});
