import { setAtom } from '../atom.ts';
import { outOfTen } from '../params.ts';
import { painHere } from '../../log/index.ts';
import type { LoggedSet } from '../../log/index.ts';
import type { EvaluationContext } from '../context.ts';
import { withWarmUp } from '../pool.ts';
import { worstAnswer } from '../reach.ts';
import type { Finding } from '../finding.ts';
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
  judge: (a, pool, ctx) => {
    // Told in the warm-up or in a drill it counts as well; elsewhere than what the work uses it does not.
    const told = withWarmUp(pool, ctx).filter((s) => painHere(s, ctx.main) > a.pain);
    const asked = worstAnswer(pool, {
      limit: a.pain,
      is: 'most',
      answer: (s) => (s.pain === null ? null : painHere(s, ctx.main)),
      account: (n) => `pain ${n} of 10`,
      unknown: 'pain was not asked after the last set',
      ask: 'Ask about pain after the last set',
    });
    return told.length === 0 ? asked : tooMuch(a.pain, told, ctx);
  },
  beforeAnySession: (a, pool, ctx) => {
    const told = withWarmUp(pool, ctx).filter((s) => painHere(s, ctx.main) > a.pain);
    return told.length === 0 ? null : tooMuch(a.pain, told, ctx);
  },
});

function tooMuch(limit: number, told: readonly LoggedSet[], ctx: EvaluationContext): Finding {
  const worst = Math.max(...told.map((s) => painHere(s, ctx.main)));
  const at = told.find((s) => painHere(s, ctx.main) === worst)!;
  return {
    judgement: 'not met',
    needed: limit,
    seen: worst,
    margin: limit - worst,
    account: `pain ${worst} of 10${at.warmUp ? ' in the warm-up' : ''}`,
    setIds: told.map((s) => s.id),
    ask: null,
    sides: [],
  };
}
