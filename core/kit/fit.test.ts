import { describe, expect, it } from 'vitest';
import { buildOf } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import {
  barAtBottomM,
  extensionPadM,
  eyeMarkM,
  eyesM,
  heelToWallM,
  hooksM,
  lungeStepM,
  platformM,
  rearSeatM,
  safetiesM,
  seatedBoxM,
  shoulderM,
  sideStepM,
  stepM,
  thrustBenchM,
  touchedBoxM,
  wedgeM,
} from './fit.ts';

const short = buildOf({ statureM: 1.55, massKg: 50 });
const middle = buildOf({ statureM: 1.75, massKg: 75 });
const tall = buildOf({ statureM: 1.95, massKg: 100 });
const longThighed = buildOf({
  statureM: 1.75,
  massKg: 75,
  measured: { thigh: middle.lengths.thigh * 1.1 },
  others: 'kept',
});
const BODIES: readonly Build[] = [short, middle, tall, longThighed];
const cm = (m: number) => 100 * m;

/** Centimetres for four bodies, to a millimetre. */
const rows = (name: string, of: (b: Build) => number, expected: readonly number[]) =>
  it(name, () => {
    BODIES.forEach((b, i) => {
      if (expected[i] !== undefined) expect(cm(of(b)), String(i)).toBeCloseTo(expected[i], 0.7);
    });
  });

// Worked out apart from this code from the formulas and the posture model.
describe('what is set to a body', () => {
  rows('box, full sit', (b) => seatedBoxM(b), [35.5, 40.1, 44.7, 40.1]);
  rows('box, touched', (b) => touchedBoxM(b), [28.7, 32.4, 36.1, 30.7]);
  rows('thrust bench, and the seat of a ball', (b) => thrustBenchM(b), [35.7, 40.3, 44.8, 40.3]);
  rows('shoulder', (b) => shoulderM(b), [126.8, 143.2, 159.5, 147.4]);
  rows('hooks, high or in front', (b) => hooksM(b, 'high or front'), [121.8, 138.2, 154.5, 142.4]);
  rows('hooks, low bar', (b) => hooksM(b, 'low'), [118.7, 134.7, 150.6, 138.9]);
  rows(
    'bar at the bottom, high across the shoulders with 0.8 of the body mass',
    (b) => barAtBottomM(b, { load: 'across high', loadKg: 0.8 * b.massKg }),
    [78.1, 88.1, 98.2, 84.8],
  );
  rows(
    'bar at the bottom, in front with half of the body mass',
    (b) => barAtBottomM(b, { load: 'front', loadKg: 0.5 * b.massKg }),
    [72.3, 81.6, 91.0, 77.1],
  );
  rows('step, front thigh level', (b) => stepM(b, 90), [47.0, 53.1, 59.2, 57.4]);
  rows('step to learn on', (b) => stepM(b, 60), [28.0, 31.7, 35.3, 33.8]);
  rows('lunge, heel to heel', (b) => lungeStepM(b).heelToHeelM, [85.9, 97.0, 108.1, 100.3]);
  rows('its tape', (b) => lungeStepM(b).tapeM, [69.4, 78.4, 87.3, 81.7]);
  rows('step to the side, thigh level', (b) => sideStepM(b, 90, 25), [83.3, 94.1, 104.8, 98.8]);
  rows('step to the side, thigh at 60°', (b) => sideStepM(b, 60, 20), [68.3, 77.1, 85.9, 81.0]);
  rows('seat behind', (b) => rearSeatM(b), [44.2, 49.9, 55.6, 49.9]);
  rows('extension pad', (b) => extensionPadM(b), [77.6, 87.6, 97.6, 91.4]);
  rows('platform of a hip machine', (b) => platformM(b), [42.6, 32.0, 21.4, 27.8]);
  rows('heel to wall at a lean of 45°', (b) => heelToWallM(b, 45), [15.9, 18.0, 20.0, 18.1]);
  rows('heel to wall at a lean of 75°', (b) => heelToWallM(b, 75), [22.3, 25.2, 28.1, 25.4]);
  rows('eyes', (b) => eyesM(b), [145.1, 163.8, 182.5, 163.8]);

  it('wedge under the heels by what the ankle allows', () => {
    const stiff = (ankleLimitDeg: number) => buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg });
    expect([25, 20, 15].map((a) => cm(wedgeM(stiff(a))!)).map((x) => Number(x.toFixed(1)))).toEqual([
      1.8, 3.8, 5.6,
    ]);
    expect(wedgeM(buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 45 }))).toBe(0);
  });
  it('a shoe lifts everything that stands on it by its sole, and lowers a platform', () => {
    const worn = { soleM: 0.025 };
    expect(seatedBoxM(middle, worn) - seatedBoxM(middle)).toBeCloseTo(0.025, 12);
    expect(hooksM(middle, 'low', worn) - hooksM(middle, 'low')).toBeCloseTo(0.025, 12);
    expect(platformM(middle, undefined, worn) - platformM(middle)).toBeCloseTo(-0.025, 12);
  });
  it('the box has two answers for one person, eight centimetres apart', () => {
    expect(cm(seatedBoxM(middle) - touchedBoxM(middle))).toBeCloseTo(7.7, 1);
  });
  it('safeties leave room under the bar', () => {
    expect(safetiesM(0.881)).toBeCloseTo(0.837, 12);
  });
  it('the eyes rest straight ahead until the lean asks for the floor, then ever nearer', () => {
    expect(eyeMarkM(middle, 20)).toBeNull();
    expect(eyeMarkM(middle, 45)! > eyeMarkM(middle, 70)!).toBe(true);
  });
  it('a taller person never gets a lower hook, box or bench', () => {
    let before = [0, 0, 0];
    for (let s = 1.4; s < 2.1; s += 0.02) {
      const b = buildOf({ statureM: s, massKg: 70 });
      const now = [hooksM(b, 'high or front'), seatedBoxM(b), thrustBenchM(b)];
      now.forEach((x, i) => expect(x).toBeGreaterThan(before[i]!));
      before = now;
    }
  });
});
