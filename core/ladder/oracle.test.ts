import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anyCase } from '../testing/cases.ts';
import { oracle } from '../testing/oracle.ts';
import { LONG, runs } from '../testing/runs.ts';
import { decide } from './decide.ts';

const VERDICT = { met: 'yes', 'not met': 'no', unknown: '?' } as const;

// The oracle reads the same readings the long way round: core/testing/oracle.ts.
it('decides as an independent reading of the rules does', () => {
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
      }).toEqual(oracle(of));
    }),
    { numRuns: LONG ? 200_000 : 20_000 },
  );
  for (const outcome of ['stop and refer', 'step back', 'move up', 'grow', 'hold']) {
    expect(outcomes.get(outcome), outcome).toBeGreaterThan(runs(50));
  }
});
