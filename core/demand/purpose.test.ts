import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD as b } from '../body/index.ts';
import type { Computed, SettledMechanics } from '../posture/index.ts';
import { isHeld, rangeOf } from '../posture/index.ts';
import { bridge, COMPUTED, hinge, lunge, squat } from '../testing/repertoire.ts';
import { driftNmPerCm, equalLoads } from './equal-load.ts';
import { hamstringShare } from './muscles.ts';
import { bestOf, curveOf, rankFor, tradeOf } from './purpose.ts';
import type { Purpose } from './purpose.ts';

const kg = (kilograms: number) => ({ fractionOfBodyMass: kilograms / 75, per: 'total' as const });
const inHands = hinge({ loadPlace: 'in front of the legs', referenceLoad: kg(40) });
const onBack = hinge({ loadPlace: 'across the shoulders, high', referenceLoad: kg(30) });
const peakBack = (m: SettledMechanics, loadKg: number) =>
  Math.max(...rangeOf(b, m as Computed, { steps: 24, loadKg }).postures.map((p) => p.l5Nm!));

describe('equal load', () => {
  it('across the shoulders far less than in the hands loads the low back alike, and the moments agree', () => {
    const { fromKg, loads } = equalLoads(b, inHands, onBack)!;
    expect(fromKg).toBeCloseTo(40, 9);
    const back = loads.find((l) => l.part === 'low back')!;
    if (back.kind !== 'equal') throw new Error(back.kind);
    expect(back.kg).toBeLessThan(25);
    expect(back.kg).toBeGreaterThan(8);
    expect(back.lowKg).toBeLessThan(back.kg);
    expect(back.highKg).toBeGreaterThan(back.kg);
    expect(peakBack(onBack, back.kg)).toBeCloseTo(peakBack(inHands, 40), 3);
    expect(back.nm).toBeCloseTo(peakBack(inHands, 40), 6);
  });
  it('there and back gives the load one came from', () => {
    const there = equalLoads(b, inHands, onBack)!.loads[0]!;
    if (there.kind !== 'equal') throw new Error(there.kind);
    const back = equalLoads(b, onBack, inHands, there.kg)!.loads[0]!;
    expect(back).toMatchObject({ kind: 'equal', kg: expect.closeTo(40, 2) as number });
  });
  it('says where without any load it asks more already, where nothing reaches it, and where nothing is carried', () => {
    const light = squat();
    expect(equalLoads(b, light, onBack)!.loads.find((l) => l.part === 'low back')).toMatchObject({
      kind: 'already more',
    });
    const heavy = squat({ loadPlace: 'front of shoulders', referenceLoad: kg(100) });
    const thrust = bridge({ bench: 'fitted', loadPlace: 'hip crease', referenceLoad: kg(1) });
    expect(equalLoads(b, heavy, thrust)!.loads.find((l) => l.part === 'knee')).toMatchObject({
      kind: 'never',
    });
    expect(equalLoads(b, heavy, squat())).toBeNull();
  });
  it('offers no load that topples somebody or that nobody holds out', () => {
    const back = squat({ loadPlace: 'across the shoulders, high', referenceLoad: kg(45) });
    for (const loadPlace of ['at the chest', 'arms out in front', 'front of shoulders'] as const) {
      const other = squat({ loadPlace, referenceLoad: kg(5) });
      for (const l of equalLoads(b, back, other)!.loads) {
        if (l.kind !== 'equal') continue;
        const { postures } = rangeOf(b, other as Computed, { steps: 24, loadKg: l.kg });
        expect(postures.every(isHeld), `${loadPlace}, ${l.part}`).toBe(true);
        if (loadPlace === 'arms out in front') expect(l.kg).toBeLessThanOrEqual(0.3 * 75);
      }
    }
    // Who cannot take the one at all is told.
    expect(() => equalLoads({ ...b, ankleLimitDeg: 10 }, back, inHands)).toThrow('cannot take the one');
  });
  it('forty kilograms drifting a centimetre away add 3.9 N·m', () => {
    expect(driftNmPerCm(40)).toBeCloseTo(3.924, 9);
  });
});

describe('which for this purpose', () => {
  const list = COMPUTED.map((m) => ({ id: m.name, mechanics: m.mechanics, pattern: m.pattern }));
  const first = (purpose: Purpose, n: number) =>
    rankFor(b, purpose, list)
      .slice(0, n)
      .map((r) => r.of);
  it('ranks by where the moment is wanted: thrusts at the top, hinges and squats low', () => {
    const rank = (purpose: Purpose, name: string) =>
      rankFor(b, purpose, list).findIndex((r) => r.of.id === name);
    // Thrusts and bench extensions are hardest at the top, squats, lifts and lunges at the bottom (common practice, no source).
    expect(rank('hips, at the top', 'Hip extension, level bench')).toBeGreaterThanOrEqual(0);
    expect(rank('hips, at the top', 'Thrust, bar')).toBeGreaterThanOrEqual(0);
    expect(rank('hips, at the top', 'Thrust, bar')).toBeLessThan(5);
    expect(rank('hips, at the top', 'Back squat, bar high')).toBe(-1);
    expect(rank('hips, low in the range', 'Bar from the floor')).toBe(0);
    // A thrust holds much the same all the way, so it is there too, but far down.
    expect(rank('hips, low in the range', 'Thrust, bar')).toBeGreaterThan(20);
    // Knees: nothing of a hinge or bridge is among the first ten.
    expect(first('knees', 10).every((m) => m.pattern === 'squat' || m.pattern === 'lunge')).toBe(true);
    // Back spared: split stances carry their load upright (common practice, no source).
    expect(first('hips or knees, low back spared', 5).every((m) => m.pattern !== 'hinge')).toBe(true);
  });
  it('leaves out what this body cannot hold, and runs from the lowest position up', () => {
    const stiff = { ...b, ankleLimitDeg: 5, hipLimitDeg: 90 };
    expect(rankFor(stiff, 'knees', list).length).toBeLessThan(rankFor(b, 'knees', list).length);
    const { curve } = curveOf(b, squat() as Computed)!;
    expect(curve[0]!.hipNm).toBeGreaterThan(curve.at(-1)!.hipNm);
    const { curve: thrust } = curveOf(
      b,
      bridge({ bench: 'fitted', loadPlace: 'hip crease', referenceLoad: kg(60) }) as Computed,
    )!;
    expect(thrust.at(-1)!.hipNm).toBeGreaterThan(0.9 * Math.max(...thrust.map((c) => c.hipNm)));
  });
});

describe('who does the work of the hip', () => {
  it('nearer feet, less of the muscles behind the thigh; farther feet, more', () => {
    const shares = tradeOf(b, bridge() as Computed).map((t) => t.hamstrings);
    expect(shares.length).toBeGreaterThanOrEqual(3);
    for (let i = 1; i < shares.length; i++) expect(shares[i]!).toBeGreaterThan(shares[i - 1]!);
  });
  it('straighter knees in a hinge, more; and never less than the knee needs', () => {
    const at = (kneeDeg: number, kneeNm = 0) => hamstringShare({ hipDeg: 80, kneeDeg, hipNm: 100, kneeNm });
    expect(at(5)).toBeGreaterThan(at(40));
    expect(at(20, -50)).toBeCloseTo(0.75, 9);
    expect(at(20, 50)).toBe(at(20));
    expect(at(20, -500)).toBe(1);
  });
  it('a longer step moves work from knee to hip', () => {
    const trade = tradeOf(
      b,
      lunge({ frontShankDeg: 8, stepOfRightAngleStep: 0.95, trunkDeg: 12 }) as Computed,
    );
    expect(trade.length).toBeGreaterThanOrEqual(3);
    expect(trade.at(-1)!.kneeNm).toBeLessThan(trade[0]!.kneeNm);
    expect(trade.at(-1)!.hipNm).toBeGreaterThan(trade[0]!.hipNm);
    expect(tradeOf(b, squat() as Computed)).toEqual([]);
    expect(bestOf('knees', trade)).toBe(trade[0]);
    expect(bestOf('gluteals', trade)!.hipNm).toBeGreaterThan(trade[0]!.hipNm);
    expect(bestOf('knees', [])).toBeNull();
  });
});
