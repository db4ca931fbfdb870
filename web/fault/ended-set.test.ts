import { describe, expect, it } from 'vitest';
import { blankSet } from '../../core/log/index.ts';
import { observedOf } from '../log/index.ts';
import type { Observed } from '../log/index.ts';
import { endedSet } from './ended-set.ts';

const set = (change: Partial<Observed> = {}): Observed => ({
  ...observedOf(blankSet()),
  doneReps: 10,
  side: 'left',
  ...change,
});
const knee = { region: 'front of knee', kind: 'pain', side: 'left' } as const;
const stopped = { pain: 6, felt: [knee], done: 4, ends: true };

describe('a set that pain or a stop fault ended', () => {
  it('is watched, with what was done before it, how strong and where', () => {
    expect(endedSet(set(), stopped, [])).toMatchObject({
      doneReps: 4,
      holdS: null,
      rounds: null,
      watched: true,
      pain: 6,
      sensations: [knee],
      faults: [],
    });
  });

  it('is told with pain also where the rack stood uneven, which would be refused', () => {
    const hooks = (right: number) => [
      { name: 'rack hooks' as const, value: 9, side: 'left' as const },
      { name: 'rack hooks' as const, value: right, side: 'right' as const },
    ];
    expect(endedSet(set({ settings: hooks(10) }), stopped, [])).toMatchObject({ pain: 6, settings: null });
    expect(endedSet(set({ settings: hooks(9) }), stopped, []).settings).toEqual(hooks(9));
  });

  it('counts what was seen once, on the side of the set, and keeps what was counted', () => {
    const counted = { fault: 'a', side: 'left', reps: 3 } as const;
    const signs = [
      { fault: 'a', side: null },
      { fault: 'b', side: null },
      { fault: 'c', side: 'right' },
    ] as const;
    expect(endedSet(set({ faults: [counted] }), stopped, signs).faults).toEqual([
      counted,
      { fault: 'b', side: 'left', reps: 1 },
      { fault: 'c', side: 'right', reps: 1 },
    ]);
  });

  it('leaves pain unknown where it was not asked, and sensations as they were where none hurts', () => {
    const asked = [{ region: 'back of hip', kind: 'work', side: null } as const];
    const ended = endedSet(
      set({ doneReps: null, holdS: 20, sensations: asked }),
      { ...stopped, pain: null, felt: [] },
      [],
    );
    expect(ended).toMatchObject({ doneReps: null, holdS: 4, pain: null, sensations: asked });
  });
});
