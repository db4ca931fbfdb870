import { flexionDeg, leanDeg } from './angles.ts';
import { RANGE_OF } from './judged.ts';
import type { Asked } from './judged.ts';
import { BANDS } from './measure.ts';
import type { MeasuredRep } from './measure.ts';
import { nearSideOf, pointAt } from './points.ts';
import type { Track } from './track.ts';

/** Where a repetition lies in its track. */
export type RepTimes = Pick<MeasuredRep, 'fromS' | 'toS' | 'workFromS' | 'workToS'>;

/** The middle of the working position. */
export const workingS = ({ workFromS, workToS }: RepTimes): number => (workFromS + workToS) / 2;

/** The moment of a repetition by its phase: 0 to 1 on the way, 1 to 2 at the working position, 2 to 3 on the way back. */
export function momentOf(r: RepTimes, phase: number): number {
  if (phase <= 1) return r.fromS + phase * (r.workFromS - r.fromS);
  if (phase <= 2) return r.workFromS + (phase - 1) * (r.workToS - r.workFromS);
  return r.workToS + (phase - 2) * (r.toS - r.workToS);
}

/**
 * Whether a frame shows the working position that is asked, for a sound while somebody moves: within the band, not
 * filtered. null: it is not told of this movement, or joints are missing.
 */
export function atDepth(
  track: Track,
  frame: number,
  { type, posture }: Pick<Asked, 'type' | 'posture'>,
): boolean | null {
  const q = RANGE_OF[type];
  if (q !== 'knee' && q !== 'trunk') return null;
  const [now, wanted] = [anglesIn(track, frame)[q], posture[q]];
  return now === null || wanted === undefined ? null : now >= wanted - BANDS[q].band;
}

/** Angles of one frame as they lie in the picture, without their sign, for comparing two; null: joints are missing. */
export function anglesIn(track: Track, frame: number): Record<'knee' | 'trunk' | 'shin', number | null> {
  const side = nearSideOf(track);
  const [s, h, k, a] = (['shoulder', 'hip', 'knee', 'ankle'] as const).map((j) =>
    pointAt(track, `${side} ${j}`, frame),
  );
  return {
    knee: h && k && a ? flexionDeg(h, k, a) : null,
    trunk: s && h ? Math.abs(leanDeg(h, s)) : null,
    shin: k && a ? Math.abs(leanDeg(a, k)) : null,
  };
}
