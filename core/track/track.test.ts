import { describe, expect, it } from 'vitest';
import { butterworth, bothWays, cutFor, derivative, lowPass, residual, TWICE } from './filter.ts';
import { closed, despiked, resampled, smoothed } from './clean.ts';
import { flexionDeg, hipDeg, leanDeg } from './angles.ts';
import { LANDMARKS } from './track.ts';
import type { Landmark, Point, Track } from './track.ts';
import { azimuthDeg, metresPerPixel, rollDeg, unswapped, viewOf, viewOfTrack, walking } from './view.ts';

// The digits of scipy.signal (butter, filtfilt with odd padding of nine samples), computed apart.
const close = (got: readonly (number | null)[], want: readonly number[], digits: number) => {
  expect(got).toHaveLength(want.length);
  got.forEach((v, i) => expect(v).toBeCloseTo(want[i]!, digits));
};

describe('the low-pass', () => {
  it('has the coefficients of a Butterworth filter, with and without the correction for two ways', () => {
    const plain = butterworth(6, 30);
    close([...plain.b, ...plain.a], [0.20657208, 0.41314417, 0.20657208, -0.36952738, 0.19581571], 7);
    const twice = butterworth(6 / TWICE, 30);
    close([...twice.b, ...twice.a], [0.29160791, 0.58321581, 0.29160791, -0.00514593, 0.17157756], 7);
    expect(() => butterworth(15, 30)).toThrow(RangeError);
  });

  it('answers an impulse as scipy does', () => {
    const x = [0, 0, 0, 1, 0, 0, 0, 0, 0, 0, 0, 0];
    close(
      bothWays(butterworth(6, 30), x),
      [
        0, 0.091387, 0.28493, 0.403972, 0.279944, 0.067018, -0.03006, -0.02426, -0.003093, 0.003725, 0.002281,
        0.000076,
      ],
      5,
    );
    close(
      lowPass(x, 6, 30),
      [
        0, 0.0014, 0.284272, 0.498596, 0.29437, 0.001002, -0.050508, -0.000431, 0.008699, 0.000114, -0.001696,
        -0.000006,
      ],
      5,
    );
  });

  it('smooths a track as scipy does', () => {
    const x = [
      62, 61.1359, 68.2374, 67.2705, 74.2021, 73, 79.6336, 78.0739, 84.2943, 82.2705, 87.9808, 85.4064,
      90.5317, 87.3444, 91.8357, 88, 91.8357, 87.3444, 90.5317, 85.4064,
    ];
    close(
      lowPass(x, 6, 30),
      [
        61.999921, 63.140816, 65.894224, 69.26783, 72.260859, 75.000658, 77.623342, 80.073521, 82.295885,
        84.270651, 85.980228, 87.404449, 88.531872, 89.35428, 89.833754, 89.940997, 89.843461, 89.687128,
        88.495032, 85.406405,
      ],
      5,
    );
  });

  it('leaves a constant and loses 3 dB at its cut-off', () => {
    expect(lowPass(Array<number>(30).fill(7), 6, 30).every((v) => Math.abs(v - 7) < 1e-9)).toBe(true);
    const rate = 120;
    const wave = Array.from({ length: 1200 }, (_, i) => Math.sin((2 * Math.PI * 6 * i) / rate));
    const y = lowPass(wave, 6, rate).slice(300, 900);
    expect(Math.max(...y)).toBeCloseTo(Math.SQRT1_2, 2);
    expect([30, 15, 10].map(cutFor)).toEqual([6, 3, 2]);
  });
});

it('differentiates to the second order at the ends too', () => {
  expect(derivative([0, 1, 4, 9, 16, 20], 10)).toEqual([0, 20, 40, 60, 55, 25]);
});

it('finds the noise of a track by its residual', () => {
  let s = 12345;
  const next = () => (s = (Math.imul(s, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  const x = Array.from(
    { length: 180 },
    (_, i) => 50 - 45 * Math.cos((2 * Math.PI * i) / 75) + 4 * (next() - 0.5),
  );
  close(x.slice(0, 3), [3.081611, 3.224013, 5.802802], 5);
  const r = residual(x, 30);
  expect(r.cutHz).toBeCloseTo(0.92525, 4);
  expect(r.intercept).toBeCloseTo(1.243727, 5);
  expect([r.at(0.5), r.at(6)].map((v) => Math.round(1e6 * v) / 1e6)).toEqual([4.950277, 0.771564]);
});

describe('holes and spikes', () => {
  it('closes a short hole along a monotone curve, and leaves a long one', () => {
    const x = [0, 1, 3, null, null, null, 12, 11, 9, 8];
    close(closed(x, 20).slice(3, 6), [5.583576, 8.546512, 10.986192], 5);
    expect(closed(x, 10).slice(3, 6)).toEqual([null, null, null]);
    expect(closed([null, 1, 2, null], 30)).toEqual([null, 1, 2, null]);
  });

  it('takes a spike out and keeps a fast repetition', () => {
    const steady = Array.from({ length: 40 }, (_, i) => 40 - 40 * Math.cos(i / 4));
    const spiked = steady.map((v, i) => (i === 17 ? v + 60 : v));
    expect(despiked(spiked, 8)[17]).toBeNull();
    expect(despiked(spiked, 8).filter((v) => v === null)).toHaveLength(1);
    expect(despiked(steady, 8)).toEqual(steady);
  });

  it('brings uneven times onto a grid, and filters each run by itself', () => {
    const { values, rate } = resampled([0, 0.1, 0.25, 0.3, 0.9, 1], [0, 1, 2.5, 3, 9, 10], 10);
    expect(rate).toBe(10);
    close(values.slice(0, 4), [0, 1, 2, 3], 9);
    expect(values.slice(4, 9)).toEqual([null, null, null, null, null]);
    close(values.slice(9), [9, 10], 9);
    const flat = smoothed([5, 5, 5, null, 7, 7, 7], 30);
    expect(flat[3]).toBeNull();
    close([flat[0]!, flat[6]!], [5, 7], 9);
  });
});

describe('angles', () => {
  it('are those worked out by hand', () => {
    expect(flexionDeg([0, 0], [0, 10], [5, 18])).toBeCloseTo(32.0054, 4);
    expect(leanDeg([100, 300], [130, 200])).toBeCloseTo(16.6992, 4);
  });

  it('pass through a straight hip without a fold', () => {
    expect(hipDeg([0, 0], [10, 0], [20, 1])).toBeGreaterThan(0);
    expect(hipDeg([0, 0], [10, 0], [20, -1])).toBeLessThan(0);
    expect(hipDeg([0, 0], [10, 0], [20, 0])).toBe(0);
  });
});

describe('from where somebody is seen', () => {
  /** Shoulders so wide and the nose so far out, hips beneath, trunk of length 1. */
  const standing = (wide: number, out: number, at = 0): Record<Landmark, Point> => ({
    nose: [at + out, -0.3],
    'left shoulder': [at + wide / 2, 0],
    'right shoulder': [at - wide / 2, 0],
    'left elbow': [at + 0.3, 0.5],
    'right elbow': [at - 0.3, 0.5],
    'left wrist': [at + 0.3, 1],
    'right wrist': [at - 0.3, 1],
    'left hip': [at + wide / 4, 1],
    'right hip': [at - wide / 4, 1],
    'left knee': [at + wide / 4, 1.8],
    'right knee': [at - wide / 4, 1.8],
    'left ankle': [at + wide / 4, 2.6],
    'right ankle': [at - wide / 4, 2.6],
  });
  const trackOf = (frames: readonly Record<Landmark, Point>[]): Track => ({
    timeS: frames.map((_, i) => i / 10),
    points: Object.fromEntries(
      LANDMARKS.map((l) => [l, frames.map((f) => f[l])]),
    ) as unknown as Track['points'],
    scores: Object.fromEntries(
      LANDMARKS.map((l) => [l, frames.map(() => 0.9)]),
    ) as unknown as Track['scores'],
  });

  it('tells side, front and what lies between', () => {
    expect(viewOf(azimuthDeg(standing(0.7, 0)))).toBe('front');
    expect(viewOf(azimuthDeg(standing(0.05, 0.27)))).toBe('side');
    expect(azimuthDeg(standing(0.7, 0.27))).toBeCloseTo(45, 6);
    expect(viewOf(azimuthDeg(standing(0.7, 0.27)))).toBe('oblique');
    expect(viewOf(azimuthDeg({ ...standing(0.7, 0), nose: null }))).toBe('unknown');
    expect(viewOfTrack(trackOf([standing(0.7, 0), standing(0.7, 0.01), standing(0.05, 0.27)]))).toMatchObject(
      {
        view: 'front',
      },
    );
  });

  it('takes its scale from somebody who stands, and the tilt from the floor', () => {
    // 2.9 units from ankle to nose are 0.884 of 1.75 m.
    expect(metresPerPixel(trackOf([standing(0.7, 0)]), [0], 1.75)).toBeCloseTo((0.884 * 1.75) / 2.9, 9);
    expect(metresPerPixel(trackOf([{ ...standing(0.7, 0), nose: null }]), [0], 1.75)).toBeNull();
    expect(rollDeg([100, 310], [0, 300])).toBeCloseTo(5.7106, 4);
  });

  it('puts left and right back where they were taken for each other', () => {
    const swap = (f: Record<Landmark, Point>): Record<Landmark, Point> => ({
      ...f,
      'left hip': f['right hip'],
      'right hip': f['left hip'],
      'left knee': f['right knee'],
      'right knee': f['left knee'],
      'left ankle': f['right ankle'],
      'right ankle': f['left ankle'],
    });
    const right = Array.from({ length: 8 }, (_, i) => standing(0.7, 0, i * 0.01));
    const found = unswapped(trackOf(right.map((f, i) => (i === 4 || i === 5 ? swap(f) : f))));
    expect(found.points).toEqual(trackOf(right).points);
    expect(unswapped(trackOf(right))).toEqual(trackOf(right));
  });

  it('knows who walks from who stands and works', () => {
    const rate = 15;
    // A foot goes on for 0.6 s while the other stands, as in walking at 60 pixels a second.
    const step = (t: number, first: boolean) => {
      const into = t / 1.2 - (first ? 0 : 0.5);
      const whole = Math.floor(into);
      return 72 * (whole + Math.min(1, 2 * (into - whole)));
    };
    const at = (first: boolean) => Array.from({ length: 90 }, (_, i) => step(Math.min(i / rate, 3.6), first));
    const masked = walking(at(true), at(false), rate, 200);
    expect(masked.slice(9, 45).every(Boolean)).toBe(true);
    expect(masked.slice(75).some(Boolean)).toBe(false);
    // A leg that swings beside a standing one walks nowhere.
    const swings = Array.from({ length: 90 }, (_, i) => 60 * Math.sin(i / 8));
    expect(
      walking(
        swings,
        swings.map(() => 0),
        rate,
        200,
      ).some(Boolean),
    ).toBe(false);
  });
});
