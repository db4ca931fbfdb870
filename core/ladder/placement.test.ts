import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { facts, level, question, shelf } from '../testing/samples.ts';
import { beginsSimplest, EXPERIENCES, MOST_TRIALS, placementStep } from './placement.ts';
import type { Criterion } from '../criterion/index.ts';
import type { PlacementInput, Trial, TrialResult } from './placement.ts';

const any: Criterion = { kind: 'cleanReps', reps: 8, sets: 1 };
const stageOf = (i: number) => (i < 5 ? 'learning' : i < 10 ? 'sound' : 'advanced');
const levels = Array.from({ length: 13 }, (_, i) => level(`l${i}`, any, { stage: stageOf(i) }));
const known = new Map(levels.map((l) => [l.main, facts(l.main)]));

const about = (change: Partial<PlacementInput> = {}): PlacementInput => ({
  levels,
  facts: known,
  restrictions: [],
  kit: new Set(),
  heldElsewhere: new Set(),
  experience: 'trained',
  atEase: null,
  careful: false,
  simplestFirst: false,
  trials: [],
  today: '2026-01-10',
  ...change,
});
const trial = (l: string, result: TrialResult): Trial => ({
  level: l,
  variation: `${l}-main`,
  result,
  note: '',
});
const indexOf = (id: string) => levels.findIndex((l) => l.id === id);

/** Tries until placed; somebody passes every level up to `can` and fails above. */
function run(can: number, change: Partial<PlacementInput> = {}) {
  const trials: Trial[] = [];
  for (;;) {
    const step = placementStep(about({ ...change, trials }));
    if (step.step !== 'try') return { step, trials };
    trials.push(trial(step.level, indexOf(step.level) <= can ? 'passed' : 'fault'));
  }
}

describe('placing somebody', () => {
  it('begins by experience, ease and caution', () => {
    const first = (change: Partial<PlacementInput>) => {
      const step = placementStep(about(change));
      return step.step === 'try' ? indexOf(step.level) : null;
    };
    expect(first({ experience: 'new' })).toBe(1);
    expect(first({ experience: 'some' })).toBe(4);
    expect(first({ experience: 'trained' })).toBe(7);
    expect(first({ experience: 'trained', atEase: 4 })).toBe(4);
    expect(first({ experience: 'trained', atEase: 5 })).toBe(7);
    expect(first({ experience: 'trained', careful: true })).toBe(2);
    expect(first({ simplestFirst: true })).toBe(0);
  });

  it('halves the open range: at most four trials, and places where the last was passed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1, max: 12 }),
        fc.constantFrom(...EXPERIENCES),
        fc.option(fc.integer({ min: 0, max: 10 })),
        fc.boolean(),
        (can, experience, atEase, careful) => {
          const { step, trials } = run(can, { experience, atEase, careful });
          expect(trials.length).toBeLessThanOrEqual(MOST_TRIALS);
          expect(new Set(trials.map((t) => t.level)).size).toBe(trials.length);
          expect(step.step).toBe('place');
          if (step.step !== 'place') return;
          const passed = trials.filter((t) => t.result === 'passed').map((t) => indexOf(t.level));
          expect(indexOf(step.level)).toBe(Math.max(0, ...passed));
          expect(indexOf(step.level)).toBeLessThanOrEqual(Math.max(0, can));
        },
      ),
    );
  });

  it('finds the very level among thirteen within four trials, or is one range short and says so', () => {
    const found = levels
      .map((_, can) => run(can).step)
      .map((s) => (s.step === 'place' ? indexOf(s.level) : -1));
    found.forEach((at, can) => expect(can - at).toBeLessThanOrEqual(1));
    expect(run(12).trials.length).toBeGreaterThanOrEqual(2);
  });

  it('stops at once on pain, and says what was passed before', () => {
    expect(placementStep(about({ trials: [trial('l7', 'pain')] }))).toMatchObject({
      step: 'stop',
      passed: null,
    });
    expect(placementStep(about({ trials: [trial('l4', 'passed'), trial('l7', 'pain')] }))).toMatchObject({
      step: 'stop',
      passed: 'l4',
    });
  });

  it('not at ease counts as too high', () => {
    const step = placementStep(about({ trials: [trial('l7', 'not at ease')] }));
    expect(step).toMatchObject({ step: 'try', level: 'l3' });
  });

  it('leaves out what a restriction bars, what lacks its kit and what another ladder guards', () => {
    const barred = new Map(known);
    for (const i of [0, 1, 2]) barred.set(`l${i}-main`, facts(`l${i}-main`, { impact: true }));
    barred.set('l4-main', facts('l4-main', { equipmentGroups: [['dome']] }));
    const restrictions = [
      { id: 'r', bars: [{ bars: 'impact' as const }], from: '2026-01-01', until: null, saidBy: 'a doctor' },
    ];
    const guarded = levels.map((l, i) =>
      i === 6 ? { ...l, entryNeeds: [{ ladder: 'hinge', level: 'stick' }] } : l,
    );
    const change = { facts: barred, restrictions, levels: guarded, experience: 'some' as const };
    const tried = new Set<number>();
    for (let can = -1; can < 13; can++) run(can, change).trials.forEach((t) => tried.add(indexOf(t.level)));
    // Nothing from the gate upwards either: whoever stands there has what it needs.
    expect([...tried].filter((i) => [0, 1, 2, 4].includes(i) || i >= 6)).toEqual([]);
    const ready = run(12, change).step;
    expect(ready).toMatchObject({ step: 'place', level: 'l5' });
    expect(ready.why.join(' ')).toContain(
      'Nothing from l6 upwards: that needs stick on the ladder hinge first.',
    );
    const all = [{ ...restrictions[0]!, bars: [{ bars: 'all' as const }] }];
    expect(placementStep(about({ restrictions: all }))).toMatchObject({ step: 'stop', passed: null });
  });

  it('tries the equal where only that is permitted', () => {
    const equals = levels.map((l, i) => (i === 7 ? { ...l, equals: ['other'] } : l));
    const facted = new Map([
      ...known,
      ['other', facts('other')],
      ['l7-main', facts('l7-main', { impact: true })],
    ]);
    const restrictions = [
      { id: 'r', bars: [{ bars: 'impact' as const }], from: '2026-01-01', until: null, saidBy: 'a doctor' },
    ];
    expect(placementStep(about({ levels: equals, facts: facted, restrictions }))).toMatchObject({
      step: 'try',
      level: 'l7',
      variation: 'other',
    });
  });
});

describe('the house rule on the first level', () => {
  const ids = ['at-ease', 'simplest'];
  const asked = question('first-level', {
    answers: ids.map((id) => ({ id, name: id, reasons: [] })),
    hall: { answer: 'at-ease', why: '' },
  });
  it('is the hall’s answer, or the person’s own above it', () => {
    expect(beginsSimplest(shelf(asked), {})).toBe(false);
    expect(beginsSimplest(shelf(asked), { 'first-level': 'simplest' })).toBe(true);
    expect(beginsSimplest(shelf({ ...asked, hall: { answer: 'simplest', why: '' } }), {})).toBe(true);
    expect(beginsSimplest(shelf(), {})).toBe(false);
  });
});
