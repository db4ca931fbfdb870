import type { Build } from '../body/index.ts';
import type { Direction, LoadPlace, SetUpMeasure } from '../terms/index.ts';
import { isComputed, rad, rangeOf, workingOf } from '../posture/index.ts';
import type { Computed, SettledMechanics } from '../posture/index.ts';
import {
  barAtBottomM,
  extensionPadM,
  eyeMarkM,
  handlesM,
  heelToWallM,
  hooksM,
  lungeStepM,
  midThighM,
  platformM,
  rearSeatM,
  safetiesM,
  seatedBoxM,
  sideStepM,
  stepM,
  thrustBenchM,
  touchedBoxM,
  wedgeM,
} from './fit.ts';
import type { Worn } from './fit.ts';

/** A movement and a body that it is set to. */
export interface SetFor {
  build: Build;
  worn: Worn;
  mechanics: SettledMechanics;
  /** In all; null: what the movement is drawn with. */
  loadKg: number | null;
  place: LoadPlace;
  direction: Direction;
}

/** What a body asks of a measure; null of a member: nothing of the kind. */
export interface Asked {
  m: number;
  /** A range: from `m` to here. */
  toM: number | null;
  /** Where the number comes from: the body, or the movement as it is written. */
  from: 'body' | 'movement';
  /** The tape from the front heel line to the ball of the rear foot, or whatever second number belongs to it. */
  tapeM: number | null;
}
/** Why there is no number. */
export type NotAsked =
  | 'measured, never computed'
  | 'not needed'
  | 'no wedge is enough'
  | 'straight ahead'
  | 'the movement says no height'
  | 'this body cannot take the posture';

/** A mark farther off is none. */
const FAR_AHEAD_M = 5;
/** A bar with plates of 450 mm lies so high on the floor, the handles of dumbbells about so high (judgement). */
export const BAR_ON_FLOOR_M = 0.225;
export const HANDLES_ON_FLOOR_M = 0.1;
const WALL_LEANS = [45, 75] as const;
const LEARNING_THIGH_DEG = 60;
/** Shank of a side step: 20° at a thigh of 60°, 25° where it is level; in between straight (judgement). */
const sideShankDeg = (thighDeg: number) => 10 + thighDeg / 6;

const asked = (m: number, more: Partial<Asked> = {}): Asked => ({
  m,
  toM: null,
  from: 'body',
  tapeM: null,
  ...more,
});

/** What a measure is for a body in a movement, metres; kit is not looked at. */
export function askedOf(measure: SetUpMeasure, of: SetFor): Asked | NotAsked {
  try {
    return compute(measure, of);
  } catch (error) {
    if (error instanceof RangeError) return 'this body cannot take the posture';
    throw error;
  }
}

function compute(measure: SetUpMeasure, of: SetFor): Asked | NotAsked {
  const { build, worn, mechanics: m } = of;
  const lowBar = of.place === 'across the shoulders, low';
  const moves = isComputed(m) ? m : null;
  const written = (height: number | undefined) =>
    height === undefined || height < 0.01
      ? ('the movement says no height' as const)
      : asked(height, { from: 'movement' });
  switch (measure) {
    case 'box, full sit':
      return asked(seatedBoxM(build, worn));
    case 'box, touched':
      return asked(touchedBoxM(build, 90, worn));
    case 'box, below level': {
      const thighDeg = m.type === 'squat' && m.thighDeg > 90 ? m.thighDeg : 96;
      return asked(seatedBoxM(build, worn) - build.lengths.thigh * Math.sin(rad(thighDeg - 90)));
    }
    case 'thrust bench':
    case 'ball seat':
      return asked(thrustBenchM(build, worn));
    case 'rack hooks, shoulder':
      return asked(hooksM(build, lowBar ? 'low' : 'high or front', worn));
    case 'rack hooks, mid-thigh':
      return asked(midThighM(build, worn));
    case 'safeties': {
      const bar = moves && lowestBarM(of, moves);
      return bar === null ? 'the movement says no height' : asked(safetiesM(bar), { tapeM: bar });
    }
    case 'step-up':
      return asked(stepM(build, 90));
    case 'step-up, learning':
      return asked(stepM(build, LEARNING_THIGH_DEG));
    case 'raised feet':
      return written(
        m.type === 'bridge' ? m.feetRaisedM : m.type === 'lunge' ? m.frontFootRaisedM : undefined,
      );
    case 'lunge step': {
      const share = m.type === 'lunge' ? m.stepOfRightAngleStep : 1;
      const { heelToHeelM, tapeM } = lungeStepM(build);
      return asked(share * heelToHeelM, { tapeM: share * heelToHeelM - (heelToHeelM - tapeM) });
    }
    case 'side-lunge step': {
      const thighDeg = m.type === 'squat' ? Math.min(90, m.thighDeg) : 90;
      return asked(sideStepM(build, thighDeg, sideShankDeg(thighDeg)));
    }
    case 'rear-foot seat':
      return asked(rearSeatM(build, worn));
    case 'extension pad':
      return asked(extensionPadM(build, worn));
    case 'machine platform':
      return asked(platformM(build, undefined, worn));
    case 'heel to wall':
      return asked(heelToWallM(build, WALL_LEANS[0]), { toM: heelToWallM(build, WALL_LEANS[1]) });
    case 'heel wedge': {
      const wedge = wedgeM(build);
      return wedge === null ? 'no wedge is enough' : wedge === 0 ? 'not needed' : asked(wedge);
    }
    case 'eye mark': {
      const mark = moves && eyeMarkM(build, Math.abs(workingOf(build, moves).trunkDeg), worn);
      return mark === null || mark > FAR_AHEAD_M ? 'straight ahead' : asked(mark);
    }
    case 'heel distance':
      return m.type === 'bridge' ? asked(heelDistanceM(build, m)) : 'measured, never computed';
    case 'strap handles':
      return asked(handlesM(build, worn));
    case 'start height':
      return m.type === 'lift' ? startOn(m) : 'the movement says no height';
    case 'band pull': {
      const width = loopWidthM(of);
      return width === null ? 'measured, never computed' : asked(width);
    }
    case 'toe to wall':
    case 'anchor distance':
      return 'measured, never computed';
  }
}

/** What the weight stands on, so that bar or handles are where the movement begins. */
function startOn(m: Extract<Computed, { type: 'lift' }>): Asked | NotAsked {
  const under = m.fromHeightM - (m.implement === 'straight bar' ? BAR_ON_FLOOR_M : HANDLES_ON_FLOOR_M);
  return under < 0.01 ? 'not needed' : asked(under, { from: 'movement', tapeM: m.fromHeightM });
}

/** Between the shoulders, as a share of stature (Drillis & Contini 1966, value from memory). */
const SHOULDERS = 0.259;
/** A step to the side with a band round the legs (judgement). */
const BAND_STEP_M = 0.3;

/** How far a loop round the legs is drawn apart: shoulder width, and a step where one is made; null: it is no loop. */
function loopWidthM({ build, place, direction }: SetFor): number | null {
  if (place !== 'round the knees' && place !== 'round the ankles') return null;
  return SHOULDERS * build.statureM + (direction === 'sideways' ? BAND_STEP_M : 0);
}

/** Height of the bar where it is lowest in the movement, metres; null where it carries none. */
function lowestBarM(of: SetFor, m: Computed): number | null {
  const { build, worn, loadKg } = of;
  if (m.type === 'squat' && (m.loadPlace.startsWith('across') || m.loadPlace.startsWith('front'))) {
    const reference = loadKg ?? (m.referenceLoad?.fractionOfBodyMass ?? 0) * build.massKg;
    const load =
      m.loadPlace === 'front of shoulders'
        ? 'front'
        : of.place === 'across the shoulders, low'
          ? 'across low'
          : 'across high';
    if (m.box === undefined) {
      return barAtBottomM(build, { load, loadKg: Math.max(reference, 1), thighDeg: m.thighDeg }, worn);
    }
  }
  const heights = rangeOf(build, m, { steps: 20, ...(loadKg ? { loadKg } : {}) }).postures.flatMap(
    (p) => p.joints.load?.y ?? [],
  );
  return heights.length > 0 ? worn.soleM + Math.min(...heights) : null;
}

/** Heels from the seat where it lies or hovers, or from the edge of the bench, as the feet stand in the movement. */
function heelDistanceM(build: Build, m: Extract<Computed, { type: 'bridge' }>): number {
  const { heel, hip } = rangeOf(build, m, { steps: 1 }).postures[0]!.joints;
  return m.bench === undefined ? heel.x - hip.x - build.constants.buttockDepth * build.statureM : heel.x;
}
