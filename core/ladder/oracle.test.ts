import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anyCase } from '../testing/cases.ts';
import { oracle } from '../testing/oracle.ts';
import { LONG } from '../testing/runs.ts';
import { wrongInWords } from '../testing/whole-sentences.ts';
import { decide } from './decide.ts';

const VERDICT = { met: 'yes', 'not met': 'no', unknown: '?' } as const;
const CASES = LONG ? 200_000 : 30_000;

// The oracle reads the same readings the long way round: core/testing/oracle.ts.
it('decides as an independent reading of the rules does, in whole sentences', { timeout: 3_600_000 }, () => {
  const outcomes = new Map<string, number>();
  fc.assert(
    fc.property(anyCase, (of) => {
      const d = decide(of);
      outcomes.set(d.outcome, (outcomes.get(d.outcome) ?? 0) + 1);
      expect({
        outcome: d.outcome,
        to: d.toLevel,
        advance: VERDICT[d.advance.judgement],
        stepBack: VERDICT[d.stepBack.judgement],
        words: wrongInWords(of, d),
      }).toEqual({ ...oracle(of), words: [] });
    }),
    { numRuns: CASES },
  );
  for (const outcome of ['stop and refer', 'step back', 'move up', 'grow', 'hold']) {
    expect(outcomes.get(outcome), outcome).toBeGreaterThan(CASES / 400);
  }
});
