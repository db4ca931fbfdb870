import { LANDMARKS, timeOf } from '../track/index.ts';
import type { Landmark, Point, Track } from '../track/index.ts';
import type { Markers } from './trc.ts';

/** Names of landmarks in files: "left shoulder" is left_shoulder. */
const inFile = (k: Landmark) => k.replace(' ', '_');
const known = new Map(LANDMARKS.map((k) => [inFile(k).toLowerCase(), k]));
/** Capitals, spaces and hyphens make no difference: LeftShoulder is left_shoulder. */
const landmarkOf = (name: string): Landmark | undefined =>
  known.get(
    name
      .trim()
      .replace(/([a-z])([A-Z])/g, '$1_$2')
      .replace(/[\s-]+/g, '_')
      .toLowerCase(),
  );

const MOST_FRAMES = 40_000;

/** Header of a landmark file of rows: seconds, then x, y and how sure of each landmark; an empty cell was not found. */
export const TRACK_COLUMNS: readonly string[] = [
  'time_s',
  ...LANDMARKS.flatMap((k) => [`${inFile(k)}_x`, `${inFile(k)}_y`, `${inFile(k)}_score`]),
];

const cell = (n: number, digits: number) => String(Math.round(n * 10 ** digits) / 10 ** digits);

/** One row a frame, in pixels with y down. */
export const rowsOfTrack = ({ timeS, points, scores }: Track): string[][] =>
  timeS.map((t, i) => [
    cell(t, 4),
    ...LANDMARKS.flatMap((k) => {
      const p = points[k][i];
      return p ? [cell(p[0], 2), cell(p[1], 2), cell(scores[k][i]!, 3)] : ['', '', ''];
    }),
  ]);

/** @throws RangeError with the row that is wrong */
export function trackOfRows(header: readonly string[], rows: readonly (readonly string[])[]): Track {
  const at = new Map(header.map((h, i) => [h.trim().toLowerCase(), i]));
  const time = at.get('time_s');
  if (time === undefined) throw new RangeError('The first row names no column time_s.');
  if (rows.length > MOST_FRAMES) throw new RangeError(`More than ${MOST_FRAMES} frames.`);
  const named = LANDMARKS.filter((k) => at.has(`${inFile(k)}_x`) && at.has(`${inFile(k)}_y`));
  if (named.length === 0)
    throw new RangeError('The first row names no landmark, like left_knee_x and left_knee_y.');
  const timeS = rows.map((r, i) => {
    const t = Number(r[time]);
    if (r[time]?.trim() === '' || !Number.isFinite(t))
      throw new RangeError(`Row ${i + 2}: time_s is no number.`);
    return t;
  });
  timeS.forEach((t, i) => {
    if (i > 0 && t <= timeS[i - 1]!)
      throw new RangeError(`Row ${i + 2}: its time is not after the one before.`);
  });
  const read = (k: Landmark, part: string, i: number): number | null => {
    const text = rows[i]![at.get(`${inFile(k)}_${part}`) ?? -1]?.trim() ?? '';
    if (text === '') return null;
    const v = Number(text);
    if (!Number.isFinite(v)) throw new RangeError(`Row ${i + 2}: ${inFile(k)}_${part} is no number.`);
    return v;
  };
  return made(timeS, (k, i) => {
    if (!named.includes(k)) return null;
    const [x, y] = [read(k, 'x', i), read(k, 'y', i)];
    return x === null || y === null ? null : { at: [x, y], score: read(k, 'score', i) ?? 1 };
  });
}

function made(
  timeS: number[],
  of: (k: Landmark, i: number) => { at: NonNullable<Point>; score: number } | null,
): Track {
  const found = LANDMARKS.map((k) => timeS.map((_, i) => of(k, i)));
  return {
    timeS,
    points: Object.fromEntries(
      LANDMARKS.map((k, n) => [k, found[n]!.map((f) => f?.at ?? null)]),
    ) as unknown as Track['points'],
    scores: Object.fromEntries(
      LANDMARKS.map((k, n) => [k, found[n]!.map((f) => f?.score ?? 0)]),
    ) as unknown as Track['scores'],
  };
}

/** A track as markers in millimetres with y up, flat in the picture. @param mmPerPx of the plane of movement */
export function markersOf(track: Track, rate: number, mmPerPx: number): Markers {
  return {
    name: 'track.trc',
    rate,
    labels: LANDMARKS.map(inFile),
    frames: track.timeS.map((_, i) =>
      LANDMARKS.map((k) => {
        const p = track.points[k][i];
        return p ? ([p[0] * mmPerPx, -p[1] * mmPerPx, 0] as const) : null;
      }),
    ),
  };
}

/**
 * Markers of a motion laboratory as a track, y down. Markers of other names are left out; the two axes that move most
 * are taken, of which the higher one is up.
 * @throws RangeError where none of the names is known
 */
export function trackOfMarkers({ rate, labels, frames }: Markers): Track {
  const at = new Map(labels.flatMap((l, i) => (landmarkOf(l) ? [[landmarkOf(l)!, i] as const] : [])));
  if (at.size === 0)
    throw new RangeError('No marker has a name that is known, like left_knee. Name them so in the file.');
  const { across, up } = axesOf(frames, [...at.values()]);
  return made(
    frames.map((_, i) => timeOf({ fromS: 0, rate }, i)),
    (k, i) => {
      const p = frames[i]![at.get(k) ?? -1];
      return p ? { at: [p[across]!, -p[up]!], score: 1 } : null;
    },
  );
}

/** The axis along which a body is long is up in a file of z = 0 or y up; else z is. */
function axesOf(frames: Markers['frames'], used: readonly number[]): { across: number; up: number } {
  const spread = (axis: number) => {
    const all = frames.flatMap((f) => used.flatMap((m) => (f[m] ? [f[m][axis]!] : [])));
    return all.length === 0
      ? 0
      : all.reduce((a, b) => Math.max(a, b), -Infinity) - all.reduce((a, b) => Math.min(a, b), Infinity);
  };
  const [x, y, z] = [spread(0), spread(1), spread(2)];
  return z > y ? { across: x >= y ? 0 : 1, up: 2 } : { across: x >= z ? 0 : 2, up: 1 };
}
