import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildOf } from '../body/index.ts';
import { barAtBottomM, hooksM, safetiesM, seatedBoxM, thrustBenchM } from './fit.ts';
import {
  ballDiameterM,
  ballKneeDeg,
  fittingOf,
  hooksFit,
  nearestHeight,
  notchUnder,
  safetiesFit,
  slopeDeg,
  thighOffDeg,
} from './nearest.ts';
import type { Rack } from './nearest.ts';

const middle = buildOf({ statureM: 1.75, massKg: 75 });
const BODIES = [
  buildOf({ statureM: 1.55, massKg: 50 }),
  middle,
  buildOf({ statureM: 1.95, massKg: 100 }),
  buildOf({ statureM: 1.75, massKg: 75, measured: { thigh: middle.lengths.thigh * 1.1 }, others: 'kept' }),
];
/** The first hole at 40 cm, then every 5 cm. */
const RACK: Rack = { firstM: 0.4, stepM: 0.05, notches: 30 };
const numbers = (of: (b: (typeof BODIES)[number]) => number) =>
  BODIES.map((b) => notchUnder(RACK, of(b))?.number);

describe('a rack set for a body', () => {
  // Worked out apart from this code from the formulas and the posture model.
  it('hooks', () => {
    expect(numbers((b) => hooksM(b, 'high or front'))).toEqual([17, 20, 23, 21]);
    expect(numbers((b) => hooksM(b, 'low'))).toEqual([16, 19, 23, 20]);
  });
  it('safeties, high across the shoulders and in front', () => {
    const under = (load: 'across high' | 'front', share: number) =>
      numbers((b) => safetiesM(barAtBottomM(b, { load, loadKg: share * b.massKg })));
    expect(under('across high', 0.8)).toEqual([7, 9, 11, 9]);
    expect(under('front', 0.5)).toEqual([6, 8, 10, 7]);
  });
  it('a height that is a hole is that hole, and none is under the first', () => {
    expect(notchUnder(RACK, 0.4)).toMatchObject({ number: 1 });
    expect(notchUnder(RACK, 0.399)).toBeNull();
    expect(notchUnder(RACK, 9)).toMatchObject({ number: 30 });
  });
  it('says when the hooks hang low, or the safeties are far below the bar', () => {
    const at = (underM: number) => ({ number: 3, heightM: 0.5, underM });
    expect([0.05, 0.08, 0.11].map((u) => hooksFit(at(u)))).toEqual(['fits', 'with a note', 'does not fit']);
    expect(hooksFit(null)).toBe('does not fit');
    const low = safetiesFit(at(0), 0.59);
    expect(low.fitting).toBe('with a note');
    expect(low.belowBarM).toBeCloseTo(0.09, 9);
    expect(safetiesFit(at(0), 0.55).fitting).toBe('fits');
  });
  it('never puts hooks or safeties above what was computed, for any rack', () => {
    const rack = fc.record({
      firstM: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
      stepM: fc.double({ min: 0.02, max: 0.1, noNaN: true }),
      notches: fc.integer({ min: 1, max: 40 }),
    });
    fc.assert(
      fc.property(rack, fc.double({ min: 0.2, max: 2, noNaN: true }), (r, h) => {
        const n = notchUnder(r, h);
        if (n === null) expect(h).toBeLessThan(r.firstM);
        else {
          expect(n.heightM).toBeLessThanOrEqual(h + 1e-5);
          if (n.number < r.notches) expect(n.underM).toBeLessThan(r.stepM);
        }
      }),
    );
  });
});

describe('the nearest thing of the hall', () => {
  const boxes = [
    { id: 'low', heightM: 0.3 },
    { id: 'high', heightM: 0.5 },
  ];
  const pads = { thicknessM: 0.05, count: 4 };
  it('is found with pads, with as few as may be', () => {
    expect(nearestHeight(boxes, pads, 0.401)).toMatchObject({ id: 'low', pads: 2 });
    expect(nearestHeight(boxes, pads, 0.5)).toMatchObject({ id: 'high', pads: 0 });
    expect(nearestHeight([], pads, 0.4)).toBeNull();
  });
  it('never passes a height that may not be passed', () => {
    expect(nearestHeight(boxes, pads, 0.48, { never: 0.48 })).toMatchObject({ id: 'low', pads: 3 });
    expect(nearestHeight(boxes, pads, 0.2, { never: 0.2 })).toBeNull();
  });
  it('says how far the thigh is from level on it', () => {
    const seated = seatedBoxM(middle);
    const off = [0, 1, 2, 3, 4].map((n) => Math.round(thighOffDeg(middle, 0.3 + 0.05 * n - seated)));
    expect(off).toEqual([-14, -7, -0, 7, 13]);
    // A box 4 cm too high: 5.4° short of level.
    expect(thighOffDeg(middle, 0.04)).toBeCloseTo(5.4, 1);
  });
  it('says how a bridge slopes on a bench of 40 cm', () => {
    const slopes = BODIES.slice(0, 3).map((b) => slopeDeg(b, 0.4 - thrustBenchM(b)));
    expect(slopes[0]).toBeCloseTo(3.4, 1);
    expect(slopes[1]).toBeCloseTo(-0.2, 1);
    expect(slopes[2]).toBeCloseTo(-3.0, 1);
  });
  it('says what a ball has to be, and how the knees bend on one', () => {
    expect(BODIES.map((b) => Number((100 * ballDiameterM(thrustBenchM(b))).toFixed(1)))).toEqual([
      50.7, 55.3, 59.8, 55.3,
    ]);
    expect(ballKneeDeg(middle, thrustBenchM(middle), thrustBenchM(middle))).toBe(90);
    expect(ballKneeDeg(middle, thrustBenchM(middle), 0.35)).toBeGreaterThan(90);
  });
  it.each([
    ['box', 0.025, 'fits'],
    ['box', -0.04, 'with a note'],
    ['box', 0.06, 'does not fit'],
    ['bench', 0.03, 'fits'],
    ['bench', -0.06, 'with a note'],
    ['platform', 0.051, 'does not fit'],
  ] as const)('%s %s m off %s', (what, off, expected) => {
    expect(fittingOf(what, off)).toBe(expected);
  });
});
