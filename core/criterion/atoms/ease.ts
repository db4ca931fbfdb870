import { setAtom } from '../atom.ts';
import { outOfTen } from '../params.ts';
import { worstAnswer } from '../reach.ts';
import { said } from '../words.ts';

/** At ease as it was answered, the worst answer counting. */
export const easeAtLeast = setAtom({
  kind: 'easeAtLeast',
  name: 'at ease',
  params: { ease: outOfTen('at ease') },
  blank: { ease: 7 },
  main: 'ease',
  either: ['at least', 'below'],
  controls: '{ease} of 10',
  unit: () => ['point', 'points'],
  sentence: (a) => [`at ease at least ${said(a.ease)} of 10`, `at ease below ${said(a.ease)} of 10`],
  needs: () => ['how much at ease, asked after the last set'],
  needed: (a) => a.ease,
  judge: (a, pool) =>
    worstAnswer(pool, {
      limit: a.ease,
      is: 'least',
      answer: (s) => s.atEase,
      account: (n) => `at ease ${n} of 10`,
      unknown: 'being at ease was not asked after the last set',
      ask: 'Ask how much at ease they are',
    }),
});
