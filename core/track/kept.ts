import type { MeasuredRep } from './measure.ts';
import { LANDMARKS, MOST_KEPT } from './track.ts';
import type { Track } from './track.ts';

const round = (n: number, digits: number) => Math.round(n * 10 ** digits) / 10 ** digits;

/**
 * A track as it is kept: a line a frame, seconds from its start, then x, y and how sure of each landmark. A long one is
 * thinned out evenly.
 */
export function keptTrack({ timeS, points, scores }: Track): string {
  const every = Math.max(1, Math.ceil(timeS.length / MOST_KEPT.frames));
  const from = timeS[0] ?? 0;
  return timeS
    .flatMap((t, i) =>
      i % every === 0
        ? [
            [
              round(t - from, 3),
              ...LANDMARKS.flatMap((k) => {
                const p = points[k][i];
                return p ? [Math.round(p[0]), Math.round(p[1]), round(scores[k][i]!, 2)] : [0, 0, 0];
              }),
            ].join(','),
          ]
        : [],
    )
    .join('\n');
}

/** The track of what was kept; nothing is made up where a joint was not found. */
export function trackKept(text: string): Track {
  const rows = text.split('\n').map((l) => l.split(',').map(Number));
  return {
    timeS: rows.map((r) => r[0]!),
    points: Object.fromEntries(
      LANDMARKS.map((k, i) => [
        k,
        rows.map((r) => (r[3 + 3 * i]! > 0 ? ([r[1 + 3 * i]!, r[2 + 3 * i]!] as const) : null)),
      ]),
    ) as unknown as Track['points'],
    scores: Object.fromEntries(
      LANDMARKS.map((k, i) => [k, rows.map((r) => r[3 + 3 * i]!)]),
    ) as unknown as Track['scores'],
  };
}

/** A repetition as it is kept: its times from the start of the track, where it stood still left out. */
export type KeptRep = Omit<MeasuredRep, 'stallsS'>;

export const keptReps = (reps: readonly MeasuredRep[], { timeS }: Pick<Track, 'timeS'>): KeptRep[] => {
  const from = timeS[0] ?? 0;
  return reps.map(({ stallsS: _stalls, ...r }) => ({
    ...r,
    fromS: r.fromS - from,
    toS: r.toS - from,
    workFromS: r.workFromS - from,
    workToS: r.workToS - from,
  }));
};
