import { REFERENCE_BUILD } from '../core/body/index.ts';
import { isComputed, rangeOf } from '../core/posture/index.ts';
import { squat } from '../core/testing/repertoire.ts';
import { askedOf, cutFor, judgeSet, lookedAt, lowPass, measureSet, truthTrack } from '../core/track/index.ts';
import type { Track } from '../core/track/index.ts';
import { clipPage } from './clip-page.ts';
import { median, show } from './measure.ts';

/** Frames of twenty minutes at thirty a second. */
const FRAMES = 36_000;

/** Frames of a second of a clip that are looked at. */
const RATE = 15;

/** A short track again and again, until it is long. */
function long(track: Track): Track {
  const n = track.timeS.length;
  const rate = 1 / (track.timeS[1]! - track.timeS[0]!);
  const again = <T>(list: readonly T[]) => Array.from({ length: FRAMES }, (_, i) => list[i % n]!);
  const each = <T>(of: Readonly<Record<string, readonly T[]>>) =>
    Object.fromEntries(Object.entries(of).map(([k, list]) => [k, again(list)]));
  return {
    timeS: Array.from({ length: FRAMES }, (_, i) => i / rate),
    points: each(track.points) as unknown as Track['points'],
    scores: each(track.scores) as unknown as Track['scores'],
  };
}

/** From landmarks to judged repetitions, beside the plain low-pass of one coordinate in the same run. */
export async function benchEye(): Promise<void> {
  const mechanics = squat();
  const range = isComputed(mechanics) ? rangeOf(REFERENCE_BUILD, mechanics) : null;
  const tempo = { loweringS: 2, bottomS: 1, risingS: 1, topS: 1 };
  const track = long(
    truthTrack({ build: REFERENCE_BUILD, mechanics, range, tempo, reps: 5, view: 'side' }, 30, {
      pxPerM: 200,
      x: 320,
      y: 430,
    }),
  );
  const x = track.points['right knee'].map((p) => p![0]);
  const asked = askedOf(REFERENCE_BUILD, mechanics, range, tempo);
  const of = {
    ...lookedAt(mechanics),
    workingIs: 'bottom' as const,
    statureM: REFERENCE_BUILD.statureM,
    view: 'side' as const,
    hidden: false,
  };
  const set = measureSet(track, of);
  const plain = await median(10, () => lowPass(x, cutFor(30), 30));
  const chain = await median(3, () => judgeSet(measureSet(track, of), asked));
  show('the plain low-pass of one coordinate, 36,000 frames', plain);
  show(`36,000 frames to ${set.reps.length} judged repetitions`, chain, ['the low-pass', plain]);
  const page = await clipPage();
  const { msPerFrame } = await page.run({ name: 'Bodyweight squat', view: 'side', shows: null });
  await page.close();
  show(
    `a frame through the network (${(1000 / msPerFrame).toFixed(1)} a second live, ${((RATE * msPerFrame) / 1000).toFixed(1)} s for a second of a clip)`,
    msPerFrame,
    ['the low-pass of 36,000', plain],
  );
}
