import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { facts, level, question, shelf } from '../testing/samples.ts';
import { beginsSimplest, EXPERIENCES, MOST_TRIALS, placementStep } from './placement.ts';
import type { Criterion } from '../criterion/index.ts';
import type { PlacementInput, PlacementWay, Trial, TrialResult } from './placement.ts';
import { PERFORMERS, placed } from '../testing/performers.ts';

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
  const first = (change: Partial<PlacementInput>) => {
    const step = placementStep(about(change));
    return step.step === 'try' ? indexOf(step.level) : null;
  };

  it('begins by experience, ease and caution, and never far above what a quarter of such people master', () => {
    expect(first({ experience: 'new' })).toBe(2);
    expect(first({ experience: 'some' })).toBe(4);
    expect(first({ experience: 'trained' })).toBe(6);
    expect(first({ experience: 'trained', atEase: 4 })).toBe(5);
    expect(first({ experience: 'trained', atEase: 5 })).toBe(6);
    expect(first({ experience: 'trained', careful: true })).toBe(3);
    expect(first({ simplestFirst: true })).toBe(0);
  });

  it('goes on as worked out by hand, and says what it held back', () => {
    const some = { experience: 'some' as const };
    const start = placementStep(about(some));
    expect(start).toMatchObject({ step: 'try', level: 'l4', heldBack: 'l5' });
    expect(start.why.join(' ')).toMatch(/assumed, not measured.*l5 would tell more and is held back/);
    const [four, five] = [trial('l4', 'passed'), trial('l5', 'passed')];
    expect(placementStep(about({ ...some, trials: [four] }))).toMatchObject({ step: 'try', level: 'l5' });
    expect(placementStep(about({ ...some, trials: [four, five] }))).toMatchObject({
      step: 'try',
      level: 'l6',
    });
    const last = placementStep(about({ ...some, trials: [four, five, trial('l6', 'fault')] }));
    const end =
      last.step === 'try'
        ? placementStep(
            about({ ...some, trials: [four, five, trial('l6', 'fault'), trial(last.level, 'passed')] }),
          )
        : last;
    expect(end).toMatchObject({ step: 'place' });
  });

  it.each(['information', 'halving'] as const)(
    'by %s places after four trials at most, never above what was passed nor where one just failed',
    (way) => {
      fc.assert(
        fc.property(
          fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }),
          fc.constantFrom(...EXPERIENCES),
          fc.option(fc.integer({ min: 0, max: 10 })),
          fc.boolean(),
          (passes, experience, atEase, careful) => {
            const trials: Trial[] = [];
            for (;;) {
              const step = placementStep(about({ way, trials, experience, atEase, careful }));
              expect(step.step).not.toBe('stop');
              if (step.step === 'stop') return;
              expect(step.shares.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9);
              if (step.step === 'place') {
                const at = indexOf(step.level);
                const passed = trials.filter((t) => t.result === 'passed').map((t) => indexOf(t.level));
                expect(at).toBeLessThanOrEqual(Math.max(0, ...passed));
                const here = trials.filter((t) => t.level === step.level).at(-1);
                if (at > 0) expect(here?.result ?? 'passed').toBe('passed');
                expect(trials.length).toBeGreaterThan(0);
                return;
              }
              expect(trials.length).toBeLessThan(MOST_TRIALS);
              trials.push(trial(step.level, passes[trials.length] ? 'passed' : 'fault'));
            }
          },
        ),
      );
    },
  );

  it('tries nothing again once the highest permitted level is passed', () => {
    const { step, trials } = run(12, { experience: 'new' });
    expect(step).toMatchObject({ step: 'place', level: 'l4' });
    expect(trials.filter((t) => t.level === 'l4')).toHaveLength(1);
  });

  it('finds who is sure of everything, and who is sure of nothing', () => {
    expect(indexOf((run(12).step as { level: string }).level)).toBeGreaterThanOrEqual(8);
    expect(run(-1).step).toMatchObject({ step: 'place', level: 'l0' });
    expect(run(4, { careful: true }).trials.every((t) => indexOf(t.level) <= 4)).toBe(true);
  });

  it('tries few of a crowd on what is much too hard, and places as many near as halving does', () => {
    const input = () => about();
    const of = (way: PlacementWay) => placed(input, PERFORMERS[0]!, { people: 1_500, way, seed: 7 });
    const [information, halving] = [of('information'), of('halving')];
    expect(information.tooHard).toBeLessThan(0.03);
    expect(information.within).toBeGreaterThanOrEqual(halving.within - 0.01);
    expect(information.farAbove).toBeLessThan(halving.farAbove);
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
    const after = (result: TrialResult) => placementStep(about({ trials: [trial('l7', result)] }));
    expect(after('not at ease')).toEqual(after('fault'));
    expect(first({ trials: [trial('l7', 'not at ease')] })).toBeLessThan(7);
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
    const equals = levels.map((l, i) => (i === 6 ? { ...l, equals: ['other'] } : l));
    const facted = new Map([
      ...known,
      ['other', facts('other')],
      ['l6-main', facts('l6-main', { impact: true })],
    ]);
    const restrictions = [
      { id: 'r', bars: [{ bars: 'impact' as const }], from: '2026-01-01', until: null, saidBy: 'a doctor' },
    ];
    expect(placementStep(about({ levels: equals, facts: facted, restrictions }))).toMatchObject({
      step: 'try',
      level: 'l6',
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
