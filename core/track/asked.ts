import type { Build } from '../body/index.ts';
import type { Tempo } from '../library/index.ts';
import type { Range, SettledMechanics } from '../posture/index.ts';
import type { Asked } from './judged.ts';
import { QUANTITIES, isMeasured, measureSet } from './measure.ts';
import { lookedAt } from './signals.ts';
import { truthTrack } from './performed.ts';

/** Seconds of a set of which no tempo is asked. */
const USUAL: Tempo = { loweringS: 2, bottomS: 1, risingS: 2, topS: 1 };

/**
 * What a camera is to compare a set with: this movement done just as it is computed for this body, in the tempo asked,
 * measured by the same rules. Nothing where a movement is only drawn, or is no movement in the plane of the picture.
 * @param tempo null: none is asked
 */
export function askedOf(build: Build, m: SettledMechanics, range: Range | null, tempo: Tempo | null): Asked {
  const workingIs = range?.workingIs ?? 'bottom';
  const nothing: Asked = { type: m.type, workingIs, loweringS: null, posture: {}, stalls: false };
  if (m.type === 'drawn' || range === null) return nothing;
  const track = truthTrack({ build, mechanics: m, range, tempo: tempo ?? USUAL, reps: 2, view: 'side' }, 15, {
    pxPerM: 200,
    x: 0,
    y: 0,
  });
  const set = measureSet(track, {
    ...lookedAt(m),
    workingIs,
    statureM: build.statureM,
    view: 'side',
    hidden: false,
  });
  const rep = set.reps[0];
  if (!rep) return nothing;
  return {
    ...nothing,
    loweringS: tempo && workingIs === 'bottom' ? rep.loweringS : null,
    stalls: set.reps.some((r) => r.stallsS.length > 0),
    posture: Object.fromEntries(
      QUANTITIES.flatMap((q) => (q !== 'depth' && isMeasured(rep.at[q]) ? [[q, rep.at[q].value]] : [])),
    ),
  };
}
