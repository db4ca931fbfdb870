import { describe, expect, it } from 'vitest';
import { buildOf } from '../body/index.ts';
import { MARK_SETS, boxOf, marksFor, sheetsOf } from './marks.ts';
import type { Tape } from './marks.ts';

const BAREFOOT = { soleM: 0 };
const middle = buildOf({ statureM: 1.75, massKg: 75 });
const named = (tapes: readonly Tape[], what: string) => tapes.find((t) => t.what === what)!;

describe('tape on the floor', () => {
  it('stands where the body has it: steps, wall and eyes', () => {
    const tapes = marksFor(middle, BAREFOOT, MARK_SETS);
    // Worked out apart from this code, centimetres for 1.75 m: 78.4 · 94.1 and 77.1 · 18.0 and 25.2.
    expect(named(tapes, 'ball of the rear foot').from.y).toBeCloseTo(-0.784, 2);
    expect(named(tapes, 'thigh level').from.x).toBeCloseTo(0.941, 2);
    expect(named(tapes, 'to learn').from.x).toBeCloseTo(0.771, 2);
    expect(named(tapes, 'heels to begin').from.y).toBeCloseTo(0.18, 2);
    expect(named(tapes, 'heels at the end').from.y).toBeCloseTo(0.252, 2);
    expect(new Set(tapes.map((t) => t.set))).toEqual(new Set(MARK_SETS));
  });
  it('measures what it says', () => {
    for (const t of marksFor(middle, BAREFOOT, ['star']))
      expect(Math.hypot(t.to.x - t.from.x, t.to.y - t.from.y)).toBeCloseTo(t.m, 9);
    const [left, right] = marksFor(middle, BAREFOOT, ['tracks']);
    expect(right!.from.x - left!.from.x).toBeCloseTo(right!.m, 9);
    expect(marksFor(middle, BAREFOOT, [])).toEqual([]);
  });
  it('grows with the person', () => {
    const at = (H: number) =>
      marksFor(buildOf({ statureM: H, massKg: 24 * H * H }), BAREFOOT, MARK_SETS).map((t) => t.m);
    at(1.6).forEach((m, i) => expect(at(1.9)[i]!).toBeGreaterThanOrEqual(m));
  });
});

describe('printed to scale', () => {
  const A4 = { widthM: 0.19, heightM: 0.277 };
  it('covers every strip with sheets that lie edge to edge', () => {
    for (const set of MARK_SETS) {
      const tapes = marksFor(middle, BAREFOOT, [set]);
      let parts: ReturnType<typeof sheetsOf>['parts'];
      try {
        ({ parts } = sheetsOf(tapes, A4));
      } catch (error) {
        expect(error).toBeInstanceOf(RangeError);
        continue;
      }
      const covered = (x: number, y: number) =>
        parts.some(
          (p) =>
            x >= p.x - 1e-9 && x <= p.x + A4.widthM + 1e-9 && y >= p.y - 1e-9 && y <= p.y + A4.heightM + 1e-9,
        );
      for (const t of tapes)
        for (let i = 0; i <= 20; i++)
          expect(
            covered(t.from.x + ((t.to.x - t.from.x) * i) / 20, t.from.y + ((t.to.y - t.from.y) * i) / 20),
            `${set} ${t.what}`,
          ).toBe(true);
    }
  });
  it('leaves out empty sheets, and refuses what nobody would stick together', () => {
    const lunge = sheetsOf(marksFor(middle, BAREFOOT, ['lunge step']), A4);
    const box = boxOf(marksFor(middle, BAREFOOT, ['lunge step']));
    const all = Math.ceil((box.x1 - box.x0) / A4.widthM) * Math.ceil((box.y1 - box.y0) / A4.heightM);
    expect(lunge.parts.length).toBeLessThanOrEqual(all);
    const far: Tape = { set: 'star', what: 'far', from: { x: 0, y: 0 }, to: { x: 20, y: 20 }, m: 28 };
    expect(() => sheetsOf([far], A4)).toThrow('sheets: print the list');
  });
});
