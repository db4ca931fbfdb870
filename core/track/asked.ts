import type { Build } from '../body/index.ts';
import { figureAt } from '../posture/index.ts';
import type { Tempo } from '../library/index.ts';
import type { Range, SettledMechanics } from '../posture/index.ts';
import { flexionDeg, hipDeg, leanDeg } from './angles.ts';
import type { Asked } from './judged.ts';
import { measureSet } from './measure.ts';
import { inFrame, truthTrack } from './performed.ts';

/** What a camera is to compare a set with: the computed posture of this body where the movement works, and the tempo asked. */
export function askedOf(build: Build, m: SettledMechanics, range: Range | null, tempo: Tempo | null): Asked {
  const workingIs = range?.workingIs ?? 'bottom';
  const f = figureAt(build, m, range, 1);
  const loweringS =
    tempo && f.view === 'side' && workingIs === 'bottom' ? seenLowering(build, m, range, tempo) : null;
  if (m.type === 'drawn' || f.view === 'front') return { type: m.type, workingIs, loweringS, posture: {} };
  const [shoulder, hip, knee, ankle] = [f.shoulder, f.near.hip, f.near.knee, f.near.ankle].map((p) =>
    inFrame({ pxPerM: 1, x: 0, y: 0 }, p),
  ) as [[number, number], [number, number], [number, number], [number, number]];
  const toRight = f.near.knee.x >= f.near.ankle.x || m.type !== 'bridge' ? 1 : -1;
  const bent = hipDeg(shoulder, hip, knee);
  // Its sign is that of most of the movement, which begins with bent hips.
  const start = figureAt(build, m, range, 0);
  const startBent = hipDeg(
    inFrame({ pxPerM: 1, x: 0, y: 0 }, start.shoulder),
    inFrame({ pxPerM: 1, x: 0, y: 0 }, start.near.hip),
    inFrame({ pxPerM: 1, x: 0, y: 0 }, start.near.knee),
  );
  const sign = Math.sign(Math.abs(startBent) > Math.abs(bent) ? startBent : bent) || 1;
  return {
    type: m.type,
    workingIs,
    loweringS,
    posture: {
      knee: flexionDeg(hip, knee, ankle),
      trunk: toRight * leanDeg(hip, shoulder),
      shin: toRight * leanDeg(ankle, knee),
      hip: sign * bent,
    },
  };
}

/** The lowering that the rule finds in a set without a fault. */
function seenLowering(build: Build, m: SettledMechanics, range: Range | null, tempo: Tempo): number | null {
  const track = truthTrack({ build, mechanics: m, range, tempo, reps: 2, view: 'side' }, 15, {
    pxPerM: 200,
    x: 0,
    y: 0,
  });
  const { reps } = measureSet(track, {
    type: m.type,
    workingIs: range?.workingIs ?? 'bottom',
    statureM: build.statureM,
    tape: null,
    rollDeg: 0,
    view: 'side',
    hidden: false,
  });
  return reps[0]?.loweringS ?? null;
}
