import { LOAD_KINDS, PATTERNS, STAGES } from '../../terms/index.ts';
import { choice, choices, document, fields, flag, group, lines, list, shortId, text } from './field.ts';
import { KEEPING } from './shared.ts';

const ANSWER = fields({
  answer: shortId('Answer', { among: 'answers' }),
  why: text('Why', 600, { loose: true }),
});

/** A matter on which schools differ, and how the hall answers it. */
export const HOUSE_QUESTION = fields({
  question: text('Question', 200, { named: true }),
  /** An example posture lets the answer's consequences be computed for several builds. */
  answers: list(
    'Possible answers',
    'answer',
    12,
    {
      id: shortId('Short id', { own: true }),
      name: text('Answer', 120),
      reasons: lines('Reasons'),
      example: {
        is: 'mechanics',
        label: 'Example posture, to compute what the answer asks',
        optional: true,
      },
    },
    {
      section: 'Answers',
      least: 2,
      blank: [
        { id: 'one', name: '', reasons: [] },
        { id: 'other', name: '', reasons: [] },
      ],
    },
  ),
  hall: group('The hall’s answer', ANSWER, { section: 'This hall', blank: { answer: 'one', why: '' } }),
  byStage: list('Different by stage', 'stage', 3, { stage: choice('Stage', STAGES), ...ANSWER }),
  byLoad: list('Different with or without load', 'case', 6, {
    loaded: flag('With load', { blank: true }),
    kinds: choices('Only with these loads (none ticked: with any)', LOAD_KINDS, 10, { optional: true }),
    ...ANSWER,
  }),
  byPattern: list(
    'Different by pattern',
    'pattern',
    4,
    { pattern: choice('Pattern', PATTERNS, { blank: 'bridge' }), ...ANSWER },
    { optional: true },
  ),
  byVariation: list('Different for a variation', 'variation', 200, {
    variation: document('Variation', 'variation'),
    ...ANSWER,
  }),
  ...KEEPING,
});
