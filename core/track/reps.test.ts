import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { phasesOf, repsIn } from './reps.ts';
import { runs } from '../testing/runs.ts';

interface Tempo {
  lowering: number;
  bottom: number;
  rising: number;
  top: number;
}
/** Smooth between standing and bottom, as a person moves: fastest half way. */
const ease = (s: number) => (1 - Math.cos(Math.PI * s)) / 2;

/** A knee that bends so far in this tempo, with rest before and after; sampled so often. */
function knee(depths: readonly number[], t: Tempo, rate: number, { base = 8, noise = (): number => 0 } = {}) {
  const each = t.lowering + t.bottom + t.rising + t.top;
  const whole = 1 + depths.length * each + 1;
  const at = (s: number): number => {
    const k = Math.floor((s - 1) / each);
    const depth = depths[k];
    if (s < 1 || depth === undefined) return base;
    let u = s - 1 - k * each;
    if (u < t.lowering) return base + depth * ease(u / t.lowering);
    u -= t.lowering;
    if (u < t.bottom) return base + depth;
    u -= t.bottom;
    return u < t.rising ? base + depth * (1 - ease(u / t.rising)) : base;
  };
  const values = Array.from({ length: Math.floor(whole * rate) }, (_, i) => at(i / rate) + noise());
  return { fromS: 0, rate, values };
}
const PLAIN: Tempo = { lowering: 2, bottom: 1, rising: 1, top: 1 };
/** Of a way gone as smoothly as a cosine the line through its tenth and nine tenths leaves out so much at each end. */
const TENTH = Math.acos(1 - 2 * 0.1) / Math.PI;
const LATE = TENTH - (0.1 / 0.8) * (1 - 2 * TENTH);

describe('repetitions', () => {
  it('are counted, and timed by the rule that is stated', () => {
    const reps = repsIn(knee([90, 95, 92], PLAIN, 30));
    expect(reps).toHaveLength(3);
    expect(reps.map((r) => Math.round(r.depth))).toEqual([90, 95, 92]);
    const [first] = phasesOf(reps);
    expect(first!.loweringS).toBeCloseTo(2 * (1 - 2 * LATE), 1);
    expect(first!.bottomS).toBeCloseTo(1 + LATE * (2 + 1), 1);
    expect(first!.risingS).toBeCloseTo(1 * (1 - 2 * LATE), 1);
    expect(first!.topS).toBeCloseTo(1 + LATE * (1 + 2), 1);
    expect(phasesOf(reps).at(-1)!.topS).toBeNull();
  });

  it('are partial where they stop short, and none where nothing moves', () => {
    expect(repsIn(knee([90, 50, 92, 90], PLAIN, 15)).map((r) => r.partial)).toEqual([
      false,
      true,
      false,
      false,
    ]);
    expect(repsIn(knee([6, 7, 6], PLAIN, 30))).toEqual([]);
    expect(repsIn({ fromS: 0, rate: 30, values: [] })).toEqual([]);
    expect(repsIn({ fromS: 0, rate: 30, values: Array<null>(50).fill(null) })).toEqual([]);
  });

  it('tell a stall on the way up from the turn at the bottom', () => {
    const smooth = knee([90], PLAIN, 30);
    expect(repsIn(smooth)[0]!.stallsS).toEqual([]);
    // Half way up it stands still for half a second.
    const half = smooth.values.findIndex((v, i) => i > 120 && v < 53);
    const stalled = [
      ...smooth.values.slice(0, half),
      ...Array<number>(20).fill(smooth.values[half]!),
      ...smooth.values.slice(half),
    ];
    const [rep] = repsIn({ ...smooth, values: stalled });
    expect(rep!.stallsS).toHaveLength(1);
    expect(rep!.stallsS[0]).toBeCloseTo(half / 30, 0);
  });

  it('are not counted while somebody walks', () => {
    const s = knee([90, 90, 90], PLAIN, 30);
    const masked = s.values.map((_, i) => i < 30 * 5);
    expect(repsIn(s, { masked })).toHaveLength(2);
  });

  it('are the same in a slower, shifted or noisy track', () => {
    const tempo = fc.record({
      lowering: fc.double({ min: 0.6, max: 4, noNaN: true }),
      bottom: fc.double({ min: 0.2, max: 2, noNaN: true }),
      rising: fc.double({ min: 0.6, max: 3, noNaN: true }),
      top: fc.double({ min: 0.4, max: 2, noNaN: true }),
    });
    fc.assert(
      fc.property(
        tempo,
        fc.integer({ min: 2, max: 8 }),
        fc.double({ min: 25, max: 110, noNaN: true }),
        fc.double({ min: 0, max: 25, noNaN: true }),
        fc.constantFrom(10, 15, 30),
        (t, n, depth, base, rate) => {
          const depths = Array<number>(n).fill(depth);
          const reps = repsIn(knee(depths, t, rate, { base }));
          expect(reps).toHaveLength(n);
          let k = 0;
          // A degree of noise either way changes no count.
          const noise = () => Math.sin(12.9898 * k++) * 1;
          expect(repsIn(knee(depths, t, rate, { base, noise }))).toHaveLength(n);
          const slower = {
            lowering: 2 * t.lowering,
            bottom: 2 * t.bottom,
            rising: 2 * t.rising,
            top: 2 * t.top,
          };
          expect(repsIn(knee(depths, slower, rate, { base }))).toHaveLength(n);
          for (const r of reps) {
            expect(r.fromS).toBeLessThan(r.bottomFromS);
            expect(r.bottomFromS).toBeLessThanOrEqual(r.bottomToS);
            expect(r.bottomToS).toBeLessThan(r.toS);
            expect(r.partial).toBe(false);
          }
        },
      ),
      { numRuns: runs(150) },
    );
  });
});
