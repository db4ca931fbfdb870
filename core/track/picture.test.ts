import { expect, it } from 'vitest';
import { angleOfSign, anglesOfPicture, changeOf } from './picture.ts';

const valueOf = (at: Parameters<typeof anglesOfPicture>[0], name: string) =>
  anglesOfPicture(at).find((a) => a.name === name)?.value;

it('tells the angles of placed points, and only those that they allow', () => {
  // The worked examples of the angles: flexion 32.0054, lean 16.6992.
  expect(valueOf({ hip: [0, 0], knee: [0, 10], ankle: [5, 18] }, 'Knee bent')).toBeCloseTo(32.0054, 4);
  expect(valueOf({ hip: [100, 300], shoulder: [130, 200] }, 'Trunk from upright')).toBeCloseTo(16.6992, 4);
  // Hips 6 to the right of the middle of feet that stand 60 apart.
  const front = {
    hip: [126, 100],
    'other hip': [86, 100],
    ankle: [130, 300],
    'other ankle': [70, 300],
  } as const;
  expect(valueOf(front, 'Hips off the middle of the feet')).toBeCloseTo(10, 9);
  expect(anglesOfPicture({ hip: [0, 0] })).toEqual([]);
});

it('says on which side of level a thigh or a raised leg is', () => {
  expect(valueOf({ hip: [0, 100], knee: [50, 100] }, 'Thigh below level')).toBe(0);
  expect(valueOf({ hip: [0, 120], knee: [20, 100] }, 'Thigh below level')).toBeCloseTo(45, 9);
  expect(valueOf({ hip: [0, 80], knee: [20, 100] }, 'Thigh below level')).toBeCloseTo(-45, 9);
  expect(valueOf({ hip: [0, 100], ankle: [-10, 0] }, 'Leg above level')).toBeCloseTo(84.29, 2);
});

it('tells a level pelvis as level whichever hip is first, and the knee past the toes to the side they point to', () => {
  expect(valueOf({ hip: [0, 100], 'other hip': [40, 100] }, 'Hips from level')).toBeCloseTo(0, 9);
  expect(valueOf({ hip: [40, 100], 'other hip': [0, 104] }, 'Hips from level')).toBeCloseTo(5.71, 2);
  const past = (sign: 1 | -1) =>
    valueOf({ knee: [40 * sign, 60], ankle: [0, 100], toe: [30 * sign, 105] }, 'Knee past the toes');
  expect(past(1)).toBeCloseTo(past(-1)!, 9);
  expect(past(1)).toBeGreaterThan(0);
});

it('tells what a check changes only where both pictures show it and it is clear of their bands', () => {
  const shin = (deg: number) =>
    anglesOfPicture({
      ankle: [100, 300],
      knee: [100 + 100 * Math.tan((deg * Math.PI) / 180), 200],
    });
  expect(changeOf('knees run ahead', shin(38), shin(31))).toMatchObject({
    angle: 'Shin from upright',
    before: expect.closeTo(38, 9) as number,
    after: expect.closeTo(31, 9) as number,
    band: expect.closeTo(2.5 * Math.SQRT2, 9) as number,
    told: 'better',
  });
  expect(changeOf('knees run ahead', shin(31), shin(38))!.told).toBe('worse');
  expect(changeOf('knees run ahead', shin(38), shin(35))!.told).toBe('too close');
  expect(changeOf('knees run ahead', shin(38), [])).toBeNull();
  expect(changeOf('knees fall in', shin(38), shin(31))).toBeNull();
  // Deeper is better where the range is short.
  const thigh = (y: number) => anglesOfPicture({ hip: [0, 100], knee: [100, y] });
  expect(changeOf('range short', thigh(60), thigh(40))!.told).toBe('better');
  expect(angleOfSign('range short')).toBe('Thigh below level');
  expect(angleOfSign('lowered fast')).toBeNull();
});
