import type { ByEye, MeasurementRequest } from '../../contract/eye.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import {
  MOST_KEPT,
  distance,
  frameAt,
  keptReps,
  keptTrack,
  middle,
  pointAt,
  workingS,
} from '../../core/track/index.ts';
import type { Judged, MeasuredSet } from '../../core/track/index.ts';
import type { MeasuredBy } from '../../core/terms/index.ts';
import { inForm, keepSet, nextOf, outbox, startOf } from '../log/index.ts';
import type { ShownSet } from '../log/index.ts';
import { letterOf } from '../shell/index.ts';
import { boxOf } from './recorder.ts';
import type { Recording } from './recorder.ts';
import type { Taken } from './results.tsx';
import { saidOf } from './words.ts';

/** Logs the set with what the coach took over, and keeps what was measured beside it. */
export async function keepMeasured(of: {
  personId: string;
  date: string;
  line: TodayLine;
  ofDay: readonly ShownSet[];
  resolved: ResolvedVariation;
  revision: number;
  by: MeasuredBy;
  measured: MeasuredSet;
  judged: Judged;
  recording: Recording;
  taken: Taken;
  byEye: ByEye | null;
}): Promise<void> {
  const { personId, date, line, ofDay, resolved, revision, by, measured, judged, recording, taken, byEye } =
    of;
  const next = nextOf(line, ofDay, date);
  const begun = startOf(resolved, next, false, { countedIn: line.countedIn, oneSided: line.oneSided });
  const setId = keepSet(
    {
      personId,
      date,
      ordinal: Math.max(0, ...ofDay.map((s) => s.ordinal)) + 1,
      source: resolved.source,
      revision,
      target: line.target,
      measuredBy: by,
    },
    {
      ...begun,
      // What was planned is not what was done: only what was taken over is written down.
      ...inForm(line.countedIn, taken.amount ?? undefined),
      watched: taken.watched,
      tempoKept: taken.tempo,
      rangeReached: taken.range,
      rangeDeg: taken.rangeDeg && Math.round(10 * taken.rangeDeg.value) / 10,
      rangeBandDeg: taken.rangeDeg && taken.rangeDeg.band,
      faults: taken.faults.map((f) => ({ ...f, side: begun.side })),
    },
  );
  const id = crypto.randomUUID();
  const request: MeasurementRequest = {
    personId,
    date,
    setId,
    variation: resolved.source.slug,
    by,
    view: measured.view,
    rate: measured.rate,
    meanScore: Math.min(1, measured.meanScore),
    phaseBandS: measured.phaseBandS,
    reps: keptReps(measured.reps, recording.track),
    range: saidOf(judged.range),
    tempo: saidOf(judged.tempo),
    signs: judged.seen.map((s) => s.sign),
    byEye,
    track: taken.track ? keptTrack(recording.track) : null,
    pictures: taken.pictures ? await picturesOf(measured, recording, taken.pictures) : null,
  };
  await outbox.run(id, personId, {
    ...letterOf('keepMeasurement', { id }, request),
    words: `Measured: ${resolved.source.name}`,
  });
}

/** Pixels of the longer side of a picture that is kept for good. */
const KEPT_PX = 320;
/** A covered head is so much larger than the way from nose to shoulders. */
const HEAD = 0.9;

/**
 * A picture of each repetition's working position, cropped to the person. A face that is to be covered and was not found
 * means no picture.
 */
async function picturesOf(
  measured: MeasuredSet,
  r: Recording,
  how: 'as they are' | 'face covered',
): Promise<string[]> {
  const list: string[] = [];
  for (const rep of measured.reps.slice(0, MOST_KEPT.pictures)) {
    const i = frameAt(r.track, workingS(rep));
    const blob = r.pictures[i];
    const face = how === 'face covered' ? faceIn(r, i) : null;
    if (!blob || (how === 'face covered' && face === null)) continue;
    const bitmap = await createImageBitmap(blob);
    const scale = bitmap.width / r.width;
    const { x, y, width, height } = boxOf(r, i);
    const box = { x: x * scale, y: y * scale, w: width * scale, h: height * scale };
    const canvas = document.createElement('canvas');
    const small = Math.min(1, KEPT_PX / Math.max(box.w, box.h));
    [canvas.width, canvas.height] = [
      Math.max(1, Math.round(small * box.w)),
      Math.max(1, Math.round(small * box.h)),
    ];
    const paper = canvas.getContext('2d')!;
    paper.drawImage(bitmap, box.x, box.y, box.w, box.h, 0, 0, canvas.width, canvas.height);
    if (face) {
      const px = small * scale;
      paper.fillStyle = '#444';
      paper.beginPath();
      paper.arc(px * (face.x - x), px * (face.y - y), px * face.radius, 0, 2 * Math.PI);
      paper.fill();
    }
    bitmap.close();
    list.push(canvas.toDataURL('image/jpeg', 0.7));
  }
  return list;
}

/** Where the head is in a frame; null: it was not found surely. */
function faceIn(r: Recording, i: number): { x: number; y: number; radius: number } | null {
  const [nose, left, right] = (['nose', 'left shoulder', 'right shoulder'] as const).map((k) =>
    pointAt(r.track, k, i),
  );
  const shoulder = middle(left ?? null, right ?? null);
  return nose && shoulder ? { x: nose[0], y: nose[1], radius: HEAD * distance(nose, shoulder) } : null;
}
