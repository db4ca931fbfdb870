import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing/runs.ts';
import { c3dOf, readC3d } from './c3d.ts';
import { readTrc, trcOf } from './trc.ts';
import type { Markers } from './trc.ts';

const point = fc.option(
  fc.tuple(
    ...Array.from({ length: 3 }, () => fc.integer({ min: -400_000, max: 400_000 }).map((n) => n / 100)),
  ),
  { freq: 6 },
) as fc.Arbitrary<Markers['frames'][number][number]>;
const markers: fc.Arbitrary<Markers> = fc
  .record({
    labels: fc.uniqueArray(fc.stringMatching(/^[a-z][a-z ]{0,14}[a-z]$/), { minLength: 1, maxLength: 12 }),
    rate: fc.constantFrom(10, 15, 24, 30, 60),
    count: fc.integer({ min: 1, max: 20 }),
  })
  .chain(({ labels, rate, count }) =>
    fc
      .array(fc.array(point, { minLength: labels.length, maxLength: labels.length }), {
        minLength: count,
        maxLength: count,
      })
      .map((frames) => ({ name: 'clip', rate, labels, frames })),
  );
const near = (a: Markers, b: Markers, by: number) => {
  expect([a.rate, a.labels, a.frames.length]).toEqual([b.rate, b.labels, b.frames.length]);
  a.frames.forEach((f, i) =>
    f.forEach((p, m) => {
      const q = b.frames[i]![m]!;
      if (p === null) expect(q).toBeNull();
      else p.forEach((v, k) => expect(Math.abs(v - q[k]!)).toBeLessThan(by));
    }),
  );
};

describe('landmark files', () => {
  it('come back from TRC and C3D as they went', () => {
    fc.assert(
      fc.property(markers, (m) => {
        near(m, readTrc(trcOf(m)), 1e-4);
        // Single precision of some metres.
        near(m, readC3d(c3dOf(m, 'flat track, y up')), 1e-3);
      }),
      { numRuns: runs(60) },
    );
  });

  it('reads a TRC file written by hand, in metres and with a hole', () => {
    const text = [
      'PathFileType\t4\t(X/Y/Z)\tsquat.trc',
      'DataRate\tCameraRate\tNumFrames\tNumMarkers\tUnits\tOrigDataRate\tOrigDataStartFrame\tOrigNumFrames',
      '100\t100\t2\t2\tm\t100\t1\t2',
      'Frame#\tTime\thip\t\t\tknee\t\t',
      '\t\tX1\tY1\tZ1\tX2\tY2\tZ2',
      '',
      '1\t0.00\t0.1\t0.9\t0\t0.3\t0.5\t0',
      '2\t0.01\t0.1\t0.8\t0\t\t\t',
      '',
    ].join('\r\n');
    expect(readTrc(text)).toEqual({
      name: 'squat.trc',
      rate: 100,
      labels: ['hip', 'knee'],
      frames: [
        [
          [100, 900, 0],
          [300, 500, 0],
        ],
        [[100, 800, 0], null],
      ],
    });
  });

  it('says what is wrong with a file, by its line', () => {
    expect(() => readTrc('hello')).toThrow('Line 1');
    expect(() => readTrc('PathFileType\t4\nDataRate\tUnits\n0\tmm\n')).toThrow('DataRate');
    expect(() => readTrc('PathFileType\t4\nDataRate\tUnits\n30\tmiles\n')).toThrow('miles');
    expect(() =>
      readTrc(
        'PathFileType\t4\nDataRate\tUnits\n30\tmm\nFrame#\tTime\thip\t\t\n\t\tX1\tY1\tZ1\n\n1\t0\t1\tx\t2\n',
      ),
    ).toThrow('Line 7');
    expect(() => readC3d(new Uint8Array(10))).toThrow('no C3D');
    const whole = c3dOf({ name: '', rate: 30, labels: ['hip'], frames: [[[1, 2, 3]], [[1, 2, 3]]] }, '');
    expect(() => readC3d(whole.slice(0, 1024))).toThrow('ends before');
    const big = Uint8Array.from(whole);
    big[512 + 3] = 85;
    expect(() => readC3d(big)).toThrow('little-endian');
  });

  it('reads a C3D file of whole numbers, put together by hand', () => {
    // One point, two frames, scale 0.1 mm; parameters without labels.
    const bytes = new Uint8Array(3 * 512);
    const v = new DataView(bytes.buffer);
    bytes.set([2, 0x50]);
    v.setInt16(2, 1, true);
    v.setInt16(6, 1, true);
    v.setInt16(8, 2, true);
    v.setFloat32(12, 0.1, true);
    v.setInt16(16, 3, true);
    v.setFloat32(20, 50, true);
    bytes.set([1, 0x50, 1, 84, 0, 0], 512);
    [10, 20, 30, 0, 11, 21, 31, -1].forEach((n, i) => v.setInt16(1024 + 2 * i, n, true));
    const read = readC3d(bytes);
    expect(read).toMatchObject({ rate: 50, labels: ['point 1'] });
    read.frames[0]![0]!.forEach((n, k) => expect(n).toBeCloseTo([1, 2, 3][k]!, 5));
    expect(read.frames[1]![0]).toBeNull();
  });
});
