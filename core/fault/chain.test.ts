import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chainsBegun, chainsDue, chainState } from './chain.ts';
import type { ChainTry } from './chain.ts';

const chain = ['clam', 'bridge', 'squat'].map((text) => ({ text }));
const day = (step: string, date: string, passed = true, side: ChainTry['side'] = 'left'): ChainTry => ({
  fault: 'knee',
  side,
  step,
  date,
  passed,
});
const state = (...tries: ChainTry[]) => chainState(chain, tries, 'knee', 'left');

describe('a corrective chain', () => {
  it('begins at its first step and goes on gate by gate over sessions', () => {
    expect(state()).toEqual({ at: 0, passed: [], triedOn: [], startedOn: null });
    expect(state(day('clam', '2026-11-01', false)).triedOn).toEqual(['2026-11-01']);
    expect(
      state(
        day('clam', '2026-11-01', false),
        day('clam', '2026-11-03'),
        day('bridge', '2026-11-05', false),
        day('bridge', '2026-11-08'),
      ),
    ).toEqual({ at: 2, passed: ['2026-11-03', '2026-11-08'], triedOn: [], startedOn: '2026-11-01' });
  });

  it('is through when every gate is passed', () => {
    expect(state(...chain.map((c, i) => day(c.text, `2026-11-0${i + 1}`))).at).toBe(3);
  });

  it('opens no step before the gate in front of it, and counts each side and fault on its own', () => {
    expect(state(day('bridge', '2026-11-01'), day('clam', '2026-11-03')).at).toBe(1);
    expect(state(day('clam', '2026-11-01', true, 'right')).at).toBe(0);
    expect(chainState(chain, [day('clam', '2026-11-01')], 'other', 'left').at).toBe(0);
  });

  it('counts no step whose words are gone from the library', () => {
    expect(state(day('old words', '2026-11-01')).at).toBe(0);
  });

  it('does not depend on the order of entry', () => {
    const one = fc.record({
      step: fc.constantFrom('clam', 'bridge', 'squat'),
      date: fc.constantFrom('2026-11-01', '2026-11-02', '2026-11-03'),
      passed: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 8 }), (list) => {
        const tries = list.map((t) => day(t.step, t.date, t.passed));
        expect(state(...tries.toReversed())).toEqual(state(...tries));
      }),
    );
  });
});

describe('the chains of somebody', () => {
  const left = { fault: 'knee', side: 'left' } as const;
  it('are those begun, each side once, and one for each fault that comes again without one', () => {
    const tries = [
      day('clam', '2026-11-01'),
      day('clam', '2026-11-03'),
      day('clam', '2026-11-03', true, 'right'),
    ];
    expect(chainsBegun(tries)).toEqual([left, { fault: 'knee', side: 'right' }]);
    const ribs = { fault: 'ribs', side: null };
    expect(chainsDue([day('clam', '2026-11-01')], [{ fault: 'knee', side: null }, ribs, ribs])).toEqual([
      left,
      ribs,
    ]);
    expect(chainsBegun([])).toEqual([]);
  });
});
