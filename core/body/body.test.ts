import { describe, expect, it } from 'vitest';
import { footShare } from './foot-load.ts';
import { ankleFromKneeToWall, rangeRecord, rangesLacking } from './ranges.ts';
import { buildOf, SEGMENTS, unitBuild } from './build.ts';
import { CONSTANTS, SOURCED } from './constants.ts';
import { MASS_SETS } from './mass-sets.ts';
import { personalBuild } from './person.ts';
import type { RangeTest } from './ranges.ts';

const b = buildOf({ statureM: 1.75, massKg: 75 });

describe('constants', () => {
  it('each say what they are, where they come from and how certain they are', () => {
    for (const [name, s] of Object.entries(SOURCED)) {
      expect(s.source.length, name).toBeGreaterThan(5);
      expect(['high', 'medium', 'low', 'assumption'], name).toContain(s.certainty);
      expect(Number.isFinite(s.value), name).toBe(true);
    }
    expect(Object.keys(CONSTANTS)).toEqual(Object.keys(SOURCED));
  });
  // Drillis & Contini 1966: the chain from floor to shoulder is .818 of stature (from memory).
  it('put the shoulder at .818 of stature', () => {
    const { ankleHeight, shank, thigh, hipShoulder } = CONSTANTS;
    expect(ankleHeight + shank + thigh + hipShoulder).toBeCloseTo(0.818, 9);
  });
  it('add up to a whole body in every mass set, to within rounding of the tables', () => {
    for (const set of Object.values(MASS_SETS)) {
      const { foot, shank, thigh, arm, trunkHead } = set;
      const whole = 2 * (foot.fraction + shank.fraction + thigh.fraction + arm.fraction) + trunkHead.fraction;
      expect(whole).toBeGreaterThan(0.99);
      expect(whole).toBeLessThan(1.01);
    }
  });
});

describe('a build', () => {
  it('takes measured segments and says which, keeping or rescaling the others', () => {
    const kept = buildOf({ statureM: 1.75, massKg: 75, measured: { thigh: 0.46 } });
    expect(kept.lengths.shank).toBeCloseTo(b.lengths.shank, 12);
    expect(kept.measured).toEqual(['thigh']);
    const scaled = buildOf({ statureM: 1.75, massKg: 75, measured: { thigh: 0.46 }, others: 'rescaled' });
    const chain = (x: typeof b) => x.lengths.shank + x.lengths.thigh + x.lengths.hipShoulder;
    expect(chain(scaled)).toBeCloseTo(chain(b), 12);
    expect(scaled.lengths.thigh / scaled.lengths.shank).toBeCloseTo(0.46 / b.lengths.shank, 12);
  });
  it('depends on nothing global: a changed constant changes this build alone', () => {
    const other = buildOf({ statureM: 1.75, massKg: 75, constants: { ...CONSTANTS, thigh: 0.26 } });
    expect(other.lengths.thigh).toBeCloseTo(0.455, 9);
    expect(buildOf({ statureM: 1.75, massKg: 75 }).lengths.thigh).toBe(b.lengths.thigh);
  });
  it('has the same proportions at unit size', () => {
    const unit = unitBuild(b);
    for (const s of SEGMENTS) expect(unit.lengths[s]).toBeCloseTo(CONSTANTS[s], 12);
  });
  it('refuses what cannot be a body', () => {
    expect(() => buildOf({ statureM: 0, massKg: 70 })).toThrow(RangeError);
    expect(() => buildOf({ statureM: 1.7, massKg: NaN })).toThrow('positive');
    expect(() => buildOf({ statureM: 1.7, massKg: 70, measured: { shank: -1 } })).toThrow('shank');
  });
});

describe('range tests', () => {
  const test = (
    date: string,
    side: 'left' | 'right',
    value: number,
    method: RangeTest['method'] = 'knee to wall',
  ) => ({
    id: `${date}-${side}-${method}`,
    date,
    side,
    value,
    method,
  });
  it('turns the knee-to-wall distance into an angle', () => {
    // 10 cm for a stature of 1.75 m: asin((0.10 + 0.79·0.266)/0.4305).
    expect(ankleFromKneeToWall(b, 0.1)).toBeCloseTo(
      (Math.asin((0.1 + 0.79 * 0.266) / 0.4305) * 180) / Math.PI,
      9,
    );
    expect(ankleFromKneeToWall(b, 0.5)).toBe(90);
  });
  it('lets the lesser of the newest sides count, whatever order they came in', () => {
    const record = rangeRecord(b, 'ankle', [
      test('2026-11-01', 'right', 0.12),
      test('2026-10-01', 'right', 0.02),
      test('2026-11-01', 'left', 0.09),
      test('2026-11-05', 'left', 100, 'hip angle'),
    ]);
    expect(record.limitDeg).toBeCloseTo(ankleFromKneeToWall(b, 0.09), 12);
    expect(record.points).toHaveLength(3);
    expect(rangeRecord(b, 'hip', [test('2026-11-05', 'left', 100, 'hip angle')]).limitDeg).toBe(100);
    expect(rangeRecord(b, 'ankle', []).limitDeg).toBeNull();
  });
  it('that lacks is told with its day, and only where it was measured', () => {
    const tests = [
      test('2026-11-01', 'left', 58, 'straight-leg raise'),
      test('2026-11-03', 'right', 82, 'straight-leg raise'),
      test('2026-11-03', 'left', -4, 'leg hanging'),
      test('2026-11-03', 'right', 41, 'ankle angle'),
    ];
    const records = (['ankle', 'hip', 'back of thigh', 'front of hip'] as const).map((j) =>
      rangeRecord(b, j, tests),
    );
    expect(rangesLacking(records)).toEqual([
      { joint: 'back of thigh', deg: 58, date: '2026-11-01' },
      { joint: 'front of hip', deg: -4, date: '2026-11-03' },
    ]);
  });
  it('gives the trend in degrees in four weeks', () => {
    const angles = [30, 31, 33].map((deg, i) => test(`2026-0${i + 1}-01`, 'left', deg, 'ankle angle'));
    // Days 0, 31, 59; least squares by hand: slope 0.0504 a day.
    const days = [0, 31, 59];
    const mean = 30;
    const top = days.reduce((s, d, i) => s + (d - mean) * ([30, 31, 33][i]! - 94 / 3), 0);
    const bottom = days.reduce((s, d) => s + (d - mean) ** 2, 0);
    expect(rangeRecord(b, 'ankle', angles).trendDegPer4Weeks).toBeCloseTo((28 * top) / bottom, 9);
    expect(rangeRecord(b, 'ankle', angles.slice(0, 1)).trendDegPer4Weeks).toBeNull();
  });
});

describe('a person', () => {
  const known = { statureM: 1.7, massKg: 60, massSet: 'women' as const, measured: {}, tests: [] };
  it('has a build only with stature and mass; the rest is assumed and said', () => {
    expect(personalBuild({ ...known, statureM: null })).toBeNull();
    expect(personalBuild(known)).toMatchObject({
      build: { ankleLimitDeg: 40, masses: { name: 'women' } },
      assumed: ['proportions from stature', 'ankle range 40°', 'hip range 145°'],
    });
  });
  it('bends no further than its newest tests say', () => {
    const tests = [
      { id: 'a', date: '2026-10-01', method: 'ankle angle' as const, side: 'left' as const, value: 31 },
      { id: 'b', date: '2026-10-01', method: 'hip angle' as const, side: 'left' as const, value: 110 },
    ];
    const own = personalBuild({ ...known, measured: { thigh: 0.44 }, tests })!;
    expect(own.build).toMatchObject({ ankleLimitDeg: 31, hipLimitDeg: 110 });
    expect(own.assumed).toEqual([]);
  });
});

describe('weight on two scales', () => {
  it('is a share within what scales and a body that sways can tell', () => {
    // 36 of 65 kg; scales 0.5·√(36² + 29²)/65² = 0.0055, sway 0.02.
    const own = footShare({ front: null, leftKg: 36, rightKg: 29, shiftCm: null });
    expect(own).toMatchObject({ of: 'left', uneven: true });
    expect(own.share).toBeCloseTo(36 / 65, 9);
    expect(own.band).toBeCloseTo(Math.hypot((0.5 * Math.hypot(36, 29)) / 65 ** 2, 0.02), 9);
    expect(footShare({ front: null, leftKg: 32, rightKg: 33, shiftCm: null })).toMatchObject({
      of: 'right',
      uneven: false,
    });
    expect(footShare({ front: 'right', leftKg: 20, rightKg: 45, shiftCm: null })).toMatchObject({
      of: 'front',
      share: 45 / 65,
      uneven: false,
    });
  });
});
