import { setAtom } from '../atom.ts';
import { outOfTen } from '../params.ts';
import { worstAnswer } from '../reach.ts';
import { said } from '../words.ts';

/** Pain as it was answered, the worst answer counting. */
export const painAtMost = setAtom({
  kind: 'painAtMost',
  name: 'pain',
  params: { pain: outOfTen('pain') },
  blank: { pain: 0 },
  main: 'pain',
  either: ['at most', 'above'],
  controls: '{pain} of 10',
  unit: () => ['point', 'points'],
  sentence: (a) =>
    a.pain === 0
      ? ['no pain', 'any pain']
      : [`pain at most ${said(a.pain)} of 10`, `pain above ${said(a.pain)} of 10`],
  needs: () => ['pain, asked after the last set'],
  health: () => true,
  needed: (a) => a.pain,
  judge: (a, pool) =>
    worstAnswer(pool, {
      limit: a.pain,
      is: 'most',
      answer: (s) => s.pain,
      account: (n) => `pain ${n} of 10`,
      unknown: 'pain was not asked after the last set',
      ask: 'Ask about pain after the last set',
    }),
});
