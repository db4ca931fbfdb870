import type { MeasurementRequest } from '../../contract/eye.ts';
import { readingOfVariation } from '../../core/floor/index.ts';
import { REFERENCE_BUILD, buildOf } from '../../core/body/index.ts';
import type { ShelfInForce } from '../../core/library/index.ts';
import { isComputed, rangeOf } from '../../core/posture/index.ts';
import {
  askedOf,
  lookedAt,
  judgeSet,
  keptReps,
  keptTrack,
  measureSet,
  truthTrack,
} from '../../core/track/index.ts';
import type { Track } from '../../core/track/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { uuidFrom } from '../../core/testing/seeded.ts';
import type { Season } from './season.ts';
import type { DemoPerson } from './people.ts';

/** Sets of one person that a camera saw, the newest last: how far of the range they went. */
const REACHED = [0.86, 0.9, 0.94, 1] as const;
/** Who was measured. */
const MEASURED = 'Zelda Marchbanks';
/** Points are a little off, as they are in a picture: pixels. */
const NOISE_PX = 3;

const shaken = (t: Track, random: () => number): Track => ({
  ...t,
  points: Object.fromEntries(
    Object.entries(t.points).map(([k, list]) => [
      k,
      list.map((p) => p && [p[0] + NOISE_PX * (random() - 0.5), p[1] + NOISE_PX * (random() - 0.5)]),
    ]),
  ) as unknown as Track['points'],
  scores: Object.fromEntries(
    Object.entries(t.scores).map(([k, list]) => [k, list.map(() => 0.7)]),
  ) as unknown as Track['scores'],
});

/** Who agreed to be measured, and what was measured of one of them. */
export async function insertEye(
  tx: Db,
  personId: string,
  who: DemoPerson,
  season: Season,
  inForce: ShelfInForce,
  random: () => number,
): Promise<void> {
  const dates = [...new Set(season.sets.map((s) => s.date))].sort();
  const [first] = dates;
  // Juniors are under age in this hall; nobody has asked the volunteers yet.
  if (!first || who.squad === 'Rescue volunteers') return;
  await tx.insert(schema.eyeConsent).values({
    personId,
    given: true,
    date: first,
    minor: who.squad === 'Juniors',
    pictures: who.squad !== 'Juniors',
    guardian: who.squad === 'Juniors' ? 'A parent, by letter' : '',
    recordedBy: 'Mirela Ostrander',
  });
  if (who.name !== MEASURED || who.statureM === null) return;
  const sets = season.sets.filter((s) => s.variation.includes('squat'));
  const slug = sets.at(-1)?.variation;
  const v = slug === undefined ? undefined : inForce.shelf.get('variation', slug);
  if (!v) return;
  const { mechanics } = readingOfVariation(inForce, v, { stage: 'sound', answers: {} });
  if (!isComputed(mechanics)) return;
  const build = buildOf({ statureM: who.statureM, massKg: who.massKg ?? REFERENCE_BUILD.massKg });
  const range = rangeOf(build, mechanics);
  const own = [...new Set(sets.map((s) => s.date))].slice(-REACHED.length);
  for (const [i, date] of own.entries()) {
    const track = shaken(
      truthTrack({ build, mechanics, range, tempo: v.tempo, reps: 5, view: 'side', reach: REACHED[i]! }, 15, {
        pxPerM: 210,
        x: 320,
        y: 430,
      }),
      random,
    );
    const set = measureSet(track, {
      ...lookedAt(mechanics),
      workingIs: range.workingIs,
      statureM: who.statureM,
      view: null,
      hidden: false,
    });
    const judged = judgeSet(set, askedOf(build, mechanics, range, v.tempo));
    const said: Omit<MeasurementRequest, 'personId' | 'date' | 'setId' | 'variation' | 'track' | 'pictures'> =
      {
        by: 'camera',
        view: set.view,
        rate: set.rate,
        meanScore: set.meanScore,
        phaseBandS: set.phaseBandS,
        reps: keptReps(set.reps, track),
        range: judged.range === 'yes' ? true : judged.range === 'no' ? false : null,
        tempo: null,
        signs: judged.seen.map((s) => s.sign),
        byEye: { reps: 5, range: judged.range === 'yes', tempo: null },
      };
    await tx.insert(schema.measurement).values({
      id: uuidFrom(random),
      personId,
      date,
      setId: sets.find((s) => s.date === date)!.id,
      variation: v.slug,
      recordedBy: 'Jonas Brightwater',
      at: `${date}T18:00:00Z`,
      said,
      track: keptTrack(track),
      pictures: null,
    });
  }
}
