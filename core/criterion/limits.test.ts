import { describe, expect, it } from 'vitest';
import type { EvidenceSession, VariationFacts } from '../log/index.ts';
import { set } from '../testing/samples.ts';
import type { Criterion } from './criteria.ts';
import { evaluate } from './evaluate.ts';
import { criterionProblems } from './limits.ts';

const clean: Criterion = { kind: 'cleanReps', reps: 5, sets: 1 };
const run = (of: Criterion): Criterion => ({ kind: 'sessionsRunning', sessions: 10, of });
const runs = (deep: number): Criterion => (deep === 0 ? clean : run(runs(deep - 1)));

describe('a run of sessions inside a run', () => {
  it('is refused, however it is wrapped', () => {
    for (const c of [run(run(clean)), run({ kind: 'all', of: [clean, { kind: 'any', of: [run(clean)] }] })]) {
      expect(criterionProblems(c)).toEqual([expect.stringContaining('a run of sessions inside a run')]);
    }
    expect(criterionProblems({ kind: 'all', of: [run(clean), run(clean)] })).toEqual([]);
  });

  it('that an older library has is judged without asking the same again and again', () => {
    const sessions: EvidenceSession[] = Array.from({ length: 60 }, (_, i) => {
      const date = new Date(Date.UTC(2026, 0, 1 + i)).toISOString().slice(0, 10);
      return { date, sets: [set(date, { doneReps: 8 })] };
    });
    let asked = 0;
    class Counting extends Map<string, VariationFacts> {
      override get(key: string) {
        asked++;
        return super.get(key);
      }
    }
    const times = (c: Criterion) => {
      asked = 0;
      const { judgement } = evaluate(c, sessions, { facts: new Counting(), today: '2026-03-01' });
      expect(judgement).toBe('met');
      return asked;
    };
    const one = times(clean);
    // Five runs of ten in one another look at 46 prefixes of the sessions, not at 100,000.
    expect(times(runs(5))).toBeLessThanOrEqual(46 * 2 * one);
  });
});
