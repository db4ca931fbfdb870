import { setAtom } from '../atom.ts';
import { outOfTen } from '../params.ts';
import { worstAnswer } from '../reach.ts';
import { said } from '../words.ts';

/** Effort as it was answered, the worst answer counting. */
export const effortAtMost = setAtom({
  kind: 'effortAtMost',
  name: 'effort',
  params: { effort: outOfTen('effort') },
  blank: { effort: 7 },
  main: 'effort',
  either: ['at most', 'above'],
  controls: '{effort} of 10',
  unit: () => ['point', 'points'],
  sentence: (a) => [`effort at most ${said(a.effort)} of 10`, `effort above ${said(a.effort)} of 10`],
  needs: () => ['effort, asked after the last set'],
  threshold: (a) => ({ effort: a.effort }),
  needed: (a) => a.effort,
  judge: (a, pool) =>
    worstAnswer(pool, {
      limit: a.effort,
      is: 'most',
      answer: (s) => s.effort,
      account: (n) => `effort ${n} of 10`,
      unknown: 'effort was not asked after the last set',
      ask: 'Ask how hard the last set was',
    }),
});
