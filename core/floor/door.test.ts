import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decide } from '../ladder/index.ts';
import type { LoggedSet } from '../log/index.ts';
import { runs } from '../testing/runs.ts';
import { input, set } from '../testing/samples.ts';
import { anySetValues } from '../testing/sets.ts';
import { coverDoor, doorFor } from './door.ts';
import type { Shown } from './door.ts';

const D = '2026-01-05';
const open = doorFor(true);
const closed = doorFor(false);

describe('a decision through the door', () => {
  it('keeps the outcome and hides every number and word of pain', () => {
    const seen = decide(
      input({
        standing: { level: 'two', since: '2026-01-01', taken: [] },
        sets: [1, 2].map((ordinal) => set(D, { ordinal, variation: 'two-main', pain: 6 })),
      }),
    );
    const hidden = closed.decision(seen);
    expect(hidden.outcome).toBe('step back');
    expect(JSON.stringify(seen)).toContain('pain 6 of 10');
    expect(JSON.stringify(hidden)).not.toContain('pain 6 of 10');
    const painAtoms = hidden.stepBack.parts.filter((p) => p.health);
    expect(painAtoms.map((p) => p.seen)).toEqual([null]);
    expect(open.decision(seen)).toBe(seen);
  });
});

describe('the door of who covers for a day', () => {
  const cover = coverDoor(D, 'Asel');

  it('shows the pain of that day and of no other', () => {
    expect(cover.set(set(D, { pain: 5 })).pain).toBe(5);
    expect(cover.set(set('2026-01-04', { pain: 5 })).pain).toBeNull();
    const asked = { pain: 4, sleepH: 7, atEase: 8, note: 'Late shift' };
    expect(cover.checkIn(asked)).toEqual({ pain: 4, sleepH: null, atEase: null, note: '' });
  });

  it('shows whole what they wrote themselves, and of others no note', () => {
    const row = { pain: 4, note: 'Since Monday', felt: [], byId: 'Asel' };
    expect(cover.case(row)).toBe(row);
    expect(cover.case({ ...row, byId: 'Jo' })).toEqual({ ...row, byId: 'Jo', note: '' });
  });

  it('tells what is barred and which cues worked, and no history of faults, sides or pain', () => {
    const kinds = ['fault', 'restriction', 'cue works', 'cue failed', 'pain', 'sides'];
    expect(cover.watch(kinds.map((kind) => ({ kind }))).map((w) => w.kind)).toEqual([
      'restriction',
      'cue works',
      'cue failed',
    ]);
    expect(cover.pain('2026-01-01')).toBeNull();
  });
});

describe('what is logged, through the door', () => {
  it('loses pain and what is felt as pain, and nothing else', () => {
    fc.assert(
      fc.property(anySetValues(), (values) => {
        const logged: LoggedSet = { ...set(D), ...values };
        const hidden = closed.set(logged);
        expect(hidden.pain).toBeNull();
        expect(JSON.stringify(hidden.sensations)).not.toContain('"pain"');
        expect([hidden.painRegion, hidden.painSide]).toEqual([null, null]);
        const { pain: _p, painRegion: _r, painSide: _s, sensations, ...rest } = logged;
        expect(hidden).toMatchObject(rest);
        expect(hidden.sensations).toEqual(sensations?.filter((s) => s.kind !== 'pain') ?? null);
        expect(open.set(logged)).toEqual(logged);
      }),
      { numRuns: runs(100) },
    );
  });

  it('check-ins, cases and trials lose theirs', () => {
    const asked = {
      pain: 4,
      painRegion: 'low back' as const,
      painSide: null,
      sleepH: 7,
      atEase: 8,
      sore: [{ region: 'calf' as const, side: null, days: 2 }],
      note: 'Late shift',
    };
    expect(closed.checkIn(asked)).toEqual({
      pain: null,
      painRegion: null,
      painSide: null,
      sleepH: null,
      atEase: null,
      sore: null,
      note: '',
    });
    expect(open.checkIn(asked)).toEqual(asked);
    const felt = [
      { region: 'low back', kind: 'pain' },
      { region: 'low back', kind: 'work' },
    ] as const;
    expect(closed.case({ pain: 4, note: 'Since Monday', byId: 'Jo', felt, signs: ['x'] })).toEqual({
      pain: null,
      note: '',
      byId: 'Jo',
      felt: [felt[1]],
      signs: ['x'],
    });
    const trials = [
      { result: 'pain', note: 'knee' },
      { result: 'fault', note: 'wobbles' },
    ];
    expect(closed.trials({ careful: true, trials })).toEqual({
      careful: false,
      trials: [{ result: 'not at ease', note: '' }, trials[1]],
    });
    expect(open.trials({ careful: true, trials })).toEqual({ careful: true, trials });
  });

  it('and what has not gone through one is refused by the types', () => {
    const send = (of: Shown<LoggedSet>) => of.pain;
    // @ts-expect-error a set as it is stored is no set as it is shown
    expect(send(set(D, { pain: 5 }))).toBe(5);
    expect(send(closed.set(set(D, { pain: 5 })))).toBeNull();
  });
});
