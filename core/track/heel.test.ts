import { describe, expect, it } from 'vitest';
import { PATCH, WINDOW, heelLiftCm, shiftOf } from './heel.ts';
import type { Grey } from './heel.ts';

/** Light and dark spots, nowhere twice alike, moved by parts of a pixel. */
const SPOTS = Array.from({ length: 60 }, (_, i) => ({
  x: ((i * 37.7) % (WINDOW.width + 40)) - 20,
  y: ((i * 23.3) % (WINDOW.height + 40)) - 20,
  size: 2 + ((i * 1.7) % 3),
  grey: i % 2 === 0 ? 70 : -60,
}));
const seen = (dx = 0, dy = 0): Grey => ({
  width: WINDOW.width,
  height: WINDOW.height,
  values: Array.from({ length: WINDOW.width * WINDOW.height }, (_, i) => {
    const [x, y] = [(i % WINDOW.width) - dx, Math.floor(i / WINDOW.width) - dy];
    return SPOTS.reduce(
      (n, s) => n + s.grey * Math.exp(-((x - s.x) ** 2 + (y - s.y) ** 2) / (2 * s.size ** 2)),
      120,
    );
  }),
});
const flat = (v: number): Grey => ({
  ...seen(),
  values: Array.from({ length: WINDOW.width * WINDOW.height }, () => v),
});

describe('a patch followed', () => {
  it('is found where it has gone, to a tenth of a pixel, and as alike as it is', () => {
    for (const [dx, dy] of [
      [0, 0],
      [3, -5],
      [-7.4, 2.3],
      [0.5, -0.5],
      [11.8, -12.6],
    ] as const) {
      const s = shiftOf(seen(), seen(dx, dy))!;
      expect(Math.abs(s.dx - dx)).toBeLessThan(0.1);
      expect(Math.abs(s.dy - dy)).toBeLessThan(0.1);
      expect(s.alike).toBeGreaterThan(0.95);
    }
    expect(shiftOf(seen(), seen())!.alike).toBeCloseTo(1, 12);
  });

  it('does not mind light and contrast, and holds on to nothing that is all of one grey', () => {
    const lit: Grey = { ...seen(4, -6), values: Array.from(seen(4, -6).values, (v) => 0.4 * v + 90) };
    expect(shiftOf(seen(), lit)).toMatchObject({
      alike: expect.closeTo(shiftOf(seen(), seen(4, -6))!.alike, 9) as number,
    });
    expect(shiftOf(flat(90), seen())).toBeNull();
    expect(shiftOf(seen(), flat(90))!.alike).toBe(-1);
  });

  it('never looks farther than its reach', () => {
    const s = shiftOf(seen(), seen(40, 40))!;
    expect(Math.max(Math.abs(s.dx), Math.abs(s.dy))).toBeLessThanOrEqual(PATCH.reach);
  });
});

describe('a heel that comes up', () => {
  it('is told in centimetres, less what the camera moves', () => {
    // 200 pixels a metre: a pixel is half a centimetre.
    const lifts = [0, 2, 4, 6.4];
    const shakes = [0, 1, -2, 3];
    const heel = lifts.map((px, i) => seen(0, -px + shakes[i]!));
    const floor = shakes.map((px) => seen(0, px));
    heelLiftCm(heel, floor, 0, 200).forEach((cm, i) => expect(cm).toBeCloseTo(lifts[i]! / 2, 1));
    expect(heelLiftCm(heel, null, 0, 200)[3]).toBeCloseTo((6.4 - 3) / 2, 1);
  });

  it('is not told where the shoe is not found again, or is too small in the picture', () => {
    const else_ = { ...seen(), values: Array.from(seen().values, (_, i) => (i * 7919) % 251) };
    expect(heelLiftCm([seen(), else_], null, 0, 200)).toEqual([expect.closeTo(0, 1), null]);
    expect(heelLiftCm([seen()], null, 0, 150)).toEqual([null]);
  });
});
