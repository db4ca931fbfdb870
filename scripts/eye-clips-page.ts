import { transfer, wrap } from 'comlink';
import { REFERENCE_BUILD } from '../core/body/index.ts';
import type { CameraSign } from '../core/terms/index.ts';
import type { FaultShows } from '../core/library/index.ts';
import { isComputed, rangeOf } from '../core/posture/index.ts';
import { REPERTOIRE } from '../core/testing/repertoire.ts';
import {
  askedOf,
  inFrame,
  isMeasured,
  judgeSet,
  lookedAt,
  measureSet,
  performedAt,
  truthTrack,
} from '../core/track/index.ts';
import type { MeasureOf, Performed, Quantity, Track } from '../core/track/index.ts';
import { drawnFrames } from '../web/eye/clip.ts';
import { framingOf } from '../web/eye/drawn-camera.ts';
import { addFrame, noRecording } from '../web/eye/recorder.ts';
import type { EyeApi } from '../web/workers/eye.worker.ts';

const TEMPO = { loweringS: 2, bottomS: 1, risingS: 1, topS: 1 };
const REPS = 4;

export interface Clip {
  name: string;
  view: 'side' | 'front';
  /** What goes wrong from the third repetition on; null: nothing. */
  shows: FaultShows | null;
  reach?: number;
  /** The sign that is to be found; absent: none. */
  expects?: CameraSign;
}
export interface ClipResult {
  name: string;
  view: string;
  fault: string;
  seenFrom: string;
  reps: number;
  wanted: number;
  /** Largest error of a quantity in its bands. */
  worst: { quantity: Quantity; error: number; band: number } | null;
  lowering: { worst: number; band: number } | null;
  found: string[];
  msPerFrame: number;
  track: Track;
}

const api = wrap<EyeApi>(
  new Worker(new URL('../web/workers/eye.worker.ts', import.meta.url), { type: 'module' }),
);

async function run({ name, view, shows, reach }: Clip): Promise<ClipResult> {
  await api.anew();
  const { mechanics } = REPERTOIRE.find((m) => m.name === name)!;
  const range = isComputed(mechanics) ? rangeOf(REFERENCE_BUILD, mechanics) : null;
  const p: Performed = {
    build: REFERENCE_BUILD,
    mechanics,
    range,
    tempo: TEMPO,
    reps: REPS,
    view,
    ...(shows ? { fault: { shows, amount: 1, in: [2, 3] } } : {}),
    ...(reach === undefined ? {} : { reach }),
  };
  const recording = noRecording();
  const began = performance.now();
  for await (const { timeS, bitmap } of drawnFrames(p))
    addFrame(recording, timeS, await api.see(transfer(bitmap, [bitmap])));
  const ms = performance.now() - began;
  const of: MeasureOf = {
    ...lookedAt(mechanics),
    workingIs: range?.workingIs ?? 'bottom',
    statureM: REFERENCE_BUILD.statureM,
    view,
    hidden: false,
  };
  const found = measureSet(recording.track, of);
  // The heel is tapped as a coach would: at the back of the shoe, in the first frame.
  const heel = inFrame(framingOf(p), performedAt(p, 0).near.heel);
  const heelCm =
    view === 'side' && found.pxPerM !== null
      ? await api.follow(recording.pictures, {
          width: recording.width,
          heel,
          still: null,
          standing: 0,
          pxPerM: found.pxPerM,
        })
      : null;
  const got =
    heelCm === null
      ? found
      : measureSet(recording.track, { ...of, placed: { metresPerPx: null, rollDeg: 0, heelCm } });
  const truth = measureSet(truthTrack(p, 15, framingOf(p)), of);
  let worst: ClipResult['worst'] = null;
  let lowering: ClipResult['lowering'] = null;
  got.reps.forEach((r, i) => {
    const t = truth.reps[i];
    if (!t) return;
    for (const [q, m] of Object.entries(r.at) as [Quantity, (typeof r.at)[Quantity]][]) {
      const want = t.at[q];
      if (!isMeasured(m) || !isMeasured(want)) continue;
      const error = Math.abs(m.value - want.value);
      if (!worst || error / m.band > worst.error / worst.band) worst = { quantity: q, error, band: m.band };
    }
    if (got.phaseBandS !== null) {
      const error = Math.abs(r.loweringS - t.loweringS);
      if (!lowering || error > lowering.worst) lowering = { worst: error, band: got.phaseBandS };
    }
  });
  const judged = judgeSet(got, askedOf(REFERENCE_BUILD, mechanics, range, TEMPO));
  return {
    name,
    view,
    fault: shows ? JSON.stringify(shows) : reach === undefined ? '' : `reach ${reach}`,
    seenFrom: got.view,
    reps: got.reps.length,
    wanted: REPS,
    worst,
    lowering,
    found: judged.seen.map((s) => `${s.sign} in ${s.reps.map((r) => r + 1).join(' ')}`),
    msPerFrame: ms / recording.track.timeS.length,
    track: recording.track,
  };
}

await api.warm();
Object.assign(window, { runClip: run });
