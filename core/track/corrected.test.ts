import { describe, expect, it } from 'vitest';
import { REFERENCE_BUILD } from '../body/index.ts';
import { isComputed, rangeOf } from '../posture/index.ts';
import { squat } from '../testing/repertoire.ts';
import { flexionDeg } from './angles.ts';
import { corrected, keyFramesOf } from './corrected.ts';
import { measureSet } from './measure.ts';
import { truthTrack } from './performed.ts';
import { frameAt } from './points.ts';
import type { Here } from './points.ts';
import type { Landmark, Track } from './track.ts';

const SQUAT = squat();
const P = {
  build: REFERENCE_BUILD,
  mechanics: SQUAT,
  range: isComputed(SQUAT) ? rangeOf(REFERENCE_BUILD, SQUAT) : null,
  tempo: { loweringS: 3, bottomS: 1, risingS: 2, topS: 1 },
  reps: 3,
  view: 'side',
} as const;
const TRUTH = truthTrack(P, 15, { pxPerM: 220, x: 320, y: 400 });
const SET = measureSet(TRUTH, {
  type: 'squat',
  workingIs: 'bottom',
  statureM: REFERENCE_BUILD.statureM,
  view: 'side',
  hidden: false,
  oneLeg: false,
  seated: false,
});
const JOINTS = ['right hip', 'right knee', 'right ankle'] as const;
const at = (k: Landmark, i: number) => TRUTH.points[k][i]!;
const kneeOf = (t: Track, i: number) =>
  flexionDeg(...(JOINTS.map((k) => t.points[k][i]!) as unknown as [Here, Here, Here]));
const trueKeys = (frames: readonly number[], joints: readonly Landmark[]) =>
  frames.map((frame) => ({ frame, points: Object.fromEntries(joints.map((k) => [k, at(k, frame)])) }));
const framesOf = (rep: number) =>
  TRUTH.timeS.flatMap((_, i) =>
    i >= frameAt(TRUTH, SET.reps[rep]!.fromS) && i <= frameAt(TRUTH, SET.reps[rep]!.toS) ? [i] : [],
  );
/** One joint found elsewhere in some frames. */
const off = (frames: readonly number[], by: Here): Track => ({
  ...TRUTH,
  points: {
    ...TRUTH.points,
    'right knee': TRUTH.points['right knee'].map((p, i) =>
      p && frames.includes(i) ? ([p[0] + by[0], p[1] + by[1]] as const) : p,
    ),
  },
});

describe('joints put right in key frames', () => {
  it('has eight key frames a repetition', () => {
    expect(keyFramesOf(TRUTH, SET.reps)).toHaveLength(24);
  });

  it('changes nothing where nothing was wrong, and nothing but its repetition', () => {
    const same = corrected(TRUTH, trueKeys(keyFramesOf(TRUTH, SET.reps), JOINTS), SET.reps);
    for (const k of JOINTS)
      same.points[k].forEach((p, i) => {
        expect(p![0]).toBeCloseTo(at(k, i)[0], 9);
        expect(p![1]).toBeCloseTo(at(k, i)[1], 9);
      });
    const wrong = off(framesOf(1), [14, -9]);
    const right = corrected(wrong, trueKeys(keyFramesOf(TRUTH, [SET.reps[1]!]), ['right knee']), SET.reps);
    TRUTH.timeS.forEach((_, i) => {
      if (!framesOf(1).includes(i)) expect(right.points['right knee'][i]).toBe(wrong.points['right knee'][i]);
    });
    // The same error all through is taken away all through.
    for (const i of framesOf(1)) expect(kneeOf(right, i)).toBeCloseTo(kneeOf(TRUTH, i), 6);
  });

  it('takes one correction back to what was found at the ends of its repetition', () => {
    const [from, to] = [framesOf(1)[0]!, framesOf(1).at(-1)!];
    const mid = Math.round((from + to) / 2);
    const key = {
      frame: mid,
      points: { 'right knee': [at('right knee', mid)[0] + 20, at('right knee', mid)[1]] as Here },
    };
    const moved = corrected(TRUTH, [key], SET.reps);
    const by = (i: number) => moved.points['right knee'][i]![0] - at('right knee', i)[0];
    expect([by(from), by(mid), by(to)].map((n) => Math.round(n * 1e6) / 1e6)).toEqual([0, 20, 0]);
    for (const i of framesOf(1)) expect(by(i)).toBeGreaterThanOrEqual(-1e-9);
    for (const i of framesOf(0)) expect(by(i)).toBe(0);
  });

  it('goes from key frame to key frame where a joint was lost: within three degrees on average', () => {
    const lost: Track = {
      ...TRUTH,
      scores: Object.fromEntries(
        Object.entries(TRUTH.scores).map(([k, list]) => [k, list.map(() => 0)]),
      ) as unknown as Track['scores'],
    };
    const byHand = corrected(lost, trueKeys(keyFramesOf(TRUTH, SET.reps), JOINTS), SET.reps);
    const errors = framesOf(1).map((i) => Math.abs(kneeOf(byHand, i) - kneeOf(TRUTH, i)));
    expect(errors.reduce((a, b) => a + b, 0) / errors.length).toBeLessThan(3);
    expect(errors.every((e) => Number.isFinite(e) && e < 8)).toBe(true);
    for (const i of keyFramesOf(TRUTH, SET.reps)) expect(kneeOf(byHand, i)).toBeCloseTo(kneeOf(TRUTH, i), 6);
    // It is found again, and measured: at its working position as it truly is.
    expect(byHand.scores['right knee'][framesOf(1)[3]!]).toBe(1);
  });

  it('takes a frame outside every repetition for itself', () => {
    const moved = corrected(TRUTH, [{ frame: 2, points: { nose: [1, 2] } }], SET.reps);
    expect(moved.points.nose[2]).toEqual([1, 2]);
    expect(moved.points.nose[3]).toBe(TRUTH.points.nose[3]);
  });
});
