import type { Build } from '../body/index.ts';
import type { FreeHands, ReferenceLoad, SettledMechanics, SettledOf } from './mechanics.ts';
import type { LoadPlace } from '../terms/index.ts';
import { bridgeMasses, bridgeRange, fittedBenchM } from './bridge.ts';
import type { BridgeSetUp } from './bridge.ts';
import { extension, extensionMasses } from './extension.ts';
import type { ExtensionSetUp } from './extension.ts';
import { hingeMasses, hingeRange, liftRange } from './hinge.ts';
import type { HingeSetUp, LiftSetUp } from './hinge.ts';
import { lunge, lungeMasses, lungeRange, rightAngleStepM } from './lunge.ts';
import type { LungeSetUp } from './lunge.ts';
import { isHeld } from './posture.ts';
import type { Masses, Posture } from './posture.ts';
import { squatAt, squatFixed, squatMasses, stepUpThighDeg } from './squat.ts';
import type { SquatSetUp } from './squat.ts';
import type { ArmsAt, LoadAt } from './upper.ts';

export type Computed = Exclude<SettledMechanics, { type: 'drawn' }>;
export const isComputed = (m: SettledMechanics): m is Computed => m.type !== 'drawn';

/** Where an undetermined force is put: the model's default, or either end of its band. */
export type Undetermined = 'default' | 'low' | 'high';

export interface RangeOptions {
  steps?: number;
  undetermined?: Undetermined;
  /** Load in kg instead of the reference load, in all. */
  loadKg?: number;
}

export interface Range {
  /** From the start of the repetition to its working position. */
  postures: Posture[];
  /** Whether the working position is the low or the high end. */
  workingIs: 'bottom' | 'top';
  startWord: string;
  workingWord: string;
  /** Index of the last posture from the start that can be held; −1: none. */
  heldTo: number;
  loadKg: number;
}

/** What statics leaves open in a posture of this kind, in words; null: nothing. */
export function undeterminedIn(m: Computed): string | null {
  switch (m.type) {
    case 'lunge':
      return 'how far the two feet push against each other';
    case 'bridge':
      return m.pushToHead === undefined ? 'how far the feet push along the floor' : null;
    case 'hinge':
      return m.kickstand ? 'how much the toe of the other foot carries' : null;
    default:
      return null;
  }
}

/** Load in kg from a fraction of body mass, both hands together. */
export function referenceLoadKg(build: Pick<Build, 'massKg'>, load: ReferenceLoad | undefined): number {
  if (!load) return 0;
  return load.fractionOfBodyMass * build.massKg * (load.per === 'hand' ? 2 : 1);
}

function armsOf(hands: FreeHands): ArmsAt {
  switch (hands) {
    case 'forward':
      return 'forward';
    case 'crossed':
    case 'on the hips':
      return 'on the chest';
    case 'behind the ears':
      return 'on the bar';
    case 'at the sides':
    case 'on the floor':
    case 'stick along the back':
      return 'at the sides';
  }
}

/** A load place of the document as the model knows it; places at band, hip or knee load no upper body. */
function loadOf(place: LoadPlace, chestHold: 'goblet' | 'hugged' = 'goblet'): LoadAt {
  switch (place) {
    case 'at the chest':
      return chestHold === 'goblet' ? 'goblet' : 'chest';
    case 'front of shoulders':
      return 'front';
    case 'across the shoulders, high':
      return 'across high';
    case 'across the shoulders, low':
      return 'across low';
    case 'arms out in front':
      return 'counterweight';
    case 'in front of the legs':
    case 'at the sides':
    case 'between the legs':
      return 'at the sides';
    default:
      return 'none';
  }
}

/** Every set-up a mechanics block can mean, as its solver takes it. */
export type SetUp =
  | { solver: 'squat'; set: Partial<SquatSetUp>; depthDeg: number; sidewaysShare: number | null }
  | { solver: 'hinge'; set: Partial<HingeSetUp> }
  | { solver: 'lift'; set: LiftSetUp }
  | { solver: 'bridge'; set: Partial<BridgeSetUp> }
  | { solver: 'lunge'; set: Partial<LungeSetUp> }
  | { solver: 'extension'; set: Partial<ExtensionSetUp>; fromDeg: number };

/**
 * A mechanics block for a build: fractions become kg, multiples of a step become metres.
 * @throws RangeError when a step-up cannot be started by this body
 */
export function setUpOf(build: Build, m: Computed, o: RangeOptions = {}): SetUp {
  const c = build.constants;
  const side = o.undetermined ?? 'default';
  const reference = 'referenceLoad' in m ? m.referenceLoad : undefined;
  const loadKg = o.loadKg ?? referenceLoadKg(build, reference);
  switch (m.type) {
    case 'squat':
      return squatSetUp(build, m, loadKg);
    case 'hinge': {
      const kick = { default: c.kickstandShare, low: 0.001, high: c.kickstandShareMost }[side];
      return {
        solver: 'hinge',
        set: {
          trunkDeg: m.trunkDeg,
          kneeDeg: m.kneeDeg,
          carry: hingeCarry(m),
          loadKg,
          arms: armsOf(m.hands),
          legs: m.legs,
          kickstandShare: m.legs === 1 && m.kickstand ? kick : 0,
          pressure: m.footPressure ?? c.pressure,
        },
      };
    }
    case 'lift':
      return {
        solver: 'lift',
        set: { fromHeightM: m.fromHeightM, implement: m.implement, loadKg, pressure: c.pressure },
      };
    case 'bridge':
      return {
        solver: 'bridge',
        set: {
          benchM: m.bench === undefined ? null : m.bench === 'fitted' ? fittedBenchM(build) : m.bench.heightM,
          feetRaisedM: m.feetRaisedM ?? 0,
          feetFartherDeg: m.feetFartherDeg,
          legs: m.legs,
          loadKg: ['hip crease', 'low over the hips'].includes(m.loadPlace) ? loadKg : 0,
          loadLow: m.loadPlace === 'low over the hips',
          friction: {
            default: m.pushToHead === undefined ? 0 : -m.pushToHead,
            low: -c.frictionBand,
            high: c.frictionBand,
          }[m.pushToHead === undefined ? side : 'default'],
        },
      };
    case 'lunge':
      return {
        solver: 'lunge',
        set: {
          stepM: m.stepOfRightAngleStep * rightAngleStepM(build),
          frontShankDeg: m.frontShankDeg,
          frontThighDeg: m.frontThighDeg ?? 90,
          trunkDeg: m.trunkDeg,
          rearFootRaisedM: m.rearFootRaisedM ?? 0,
          frontFootRaisedM: m.frontFootRaisedM ?? 0,
          load: loadOf(m.loadPlace),
          loadKg: loadOf(m.loadPlace) === 'none' ? 0 : loadKg,
          arms: armsOf(m.hands ?? 'at the sides'),
          frontShare: m.frontShare ?? null,
          meetOfStature: { default: c.meet, low: c.meetLow, high: c.meetHigh }[side],
        },
      };
    case 'extension': {
      const legLineDeg = m.bench === 'level' ? 90 : 45;
      return {
        solver: 'extension',
        set: {
          trunkDeg: legLineDeg,
          legLineDeg,
          arms: armsOf(m.hands),
          load: loadKg > 0 ? 'chest' : 'none',
          loadKg,
        },
        // Folding further than 100° at the hip is out of most people's reach on an inclined bench.
        fromDeg: Math.min(180, legLineDeg + 100),
      };
    }
  }
}

function hingeCarry(m: SettledOf<'hinge'>): HingeSetUp['carry'] {
  const hands =
    m.loadPlace === 'in front of the legs' ||
    m.loadPlace === 'at the sides' ||
    m.loadPlace === 'between the legs';
  if (!hands) return loadOf(m.loadPlace, 'hugged');
  if (m.loadPath) return m.loadPath;
  return m.loadPlace === 'in front of the legs' ? 'held back' : 'beside';
}

function squatSetUp(build: Build, m: SettledOf<'squat'>, loadKg: number): SetUp {
  const load = loadOf(m.loadPlace, m.chestHold);
  const set: Partial<SquatSetUp> = {
    load,
    loadKg: load === 'none' ? 0 : loadKg,
    arms: armsOf(m.hands),
    legs: m.legs,
    pressure: m.footPressure ?? build.constants.pressure,
    heelWedgeDeg: m.heelWedgeDeg ?? 0,
    shinLimitDeg: m.shinLimitDeg ?? Infinity,
    kneePastToeM: m.kneePastToeM ?? Infinity,
    spreadDeg: m.spreadDeg ?? 0,
    box: m.box ?? 'none',
    pull: m.pull ?? 'none',
  };
  if (m.stepUpM === undefined) {
    return { solver: 'squat', set, depthDeg: m.thighDeg, sidewaysShare: m.sidewaysShare ?? null };
  }
  const up: Partial<SquatSetUp> = { ...set, legs: 1, freeLeg: 'down' };
  return {
    solver: 'squat',
    set: up,
    depthDeg: stepUpThighDeg(build, m.stepUpM, up),
    sidewaysShare: null,
  };
}

const heldTo = (postures: readonly Posture[]) => {
  const first = postures.findIndex((p) => !isHeld(p));
  return first === -1 ? postures.length - 1 : first - 1;
};

/** A share of a lumped two-leg posture on one leg, as in a step to the side. */
function onOneLeg(p: Posture, share: number): Posture {
  const [both] = p.legs;
  if (!both) return p;
  return {
    ...p,
    legs: [
      {
        leg: 'working leg',
        ankleNm: both.ankleNm === null ? null : both.ankleNm * 2 * share,
        kneeNm: both.kneeNm * 2 * share,
        hipNm: both.hipNm * 2 * share,
      },
    ],
    frontShare: share,
  };
}

/**
 * Every position of a repetition of a variation for a build, from its start to its working position.
 * @throws RangeError in words when this body cannot take the posture at all
 */
export function rangeOf(build: Build, m: Computed, o: RangeOptions = {}): Range {
  const steps = o.steps ?? 40;
  const up = setUpOf(build, m, o);
  const made = (
    postures: Posture[],
    workingIs: Range['workingIs'],
    startWord: string,
    workingWord: string,
    loadKg: number,
  ): Range => ({ postures, workingIs, startWord, workingWord, heldTo: heldTo(postures), loadKg });
  switch (up.solver) {
    case 'squat': {
      // The way down to a box is balanced on the feet; only its end may sit.
      const seated = up.set.box === 'seated';
      const f = squatFixed(build, { ...up.set, ...(seated ? { box: 'touched' } : {}) });
      const postures = Array.from({ length: steps + 1 }, (_, i) => squatAt(f, (up.depthDeg * i) / steps));
      if (seated) postures[steps] = squatAt(squatFixed(build, up.set), up.depthDeg);
      return made(
        up.sidewaysShare === null ? postures : postures.map((p) => onOneLeg(p, up.sidewaysShare!)),
        'bottom',
        m.type === 'squat' && m.stepUpM !== undefined ? 'on top' : 'standing',
        m.type === 'squat' && m.stepUpM !== undefined ? 'stepping up' : seated ? 'seated' : 'bottom',
        up.set.loadKg ?? 0,
      );
    }
    case 'hinge':
      return made(hingeRange(build, up.set, steps), 'bottom', 'upright', 'hinged', up.set.loadKg ?? 0);
    case 'lift':
      return made(
        liftRange(build, up.set, steps).reverse(),
        'bottom',
        'standing',
        'at the start',
        up.set.loadKg,
      );
    case 'bridge':
      return made(bridgeRange(build, up.set, steps), 'top', 'bottom', 'top', up.set.loadKg ?? 0);
    case 'lunge':
      return made(lungeRange(build, up.set, steps), 'bottom', 'top', 'bottom', up.set.loadKg ?? 0);
    case 'extension': {
      const to = up.set.trunkDeg ?? 90;
      const postures = Array.from({ length: steps + 1 }, (_, i) =>
        extension(build, { ...up.set, trunkDeg: up.fromDeg + ((to - up.fromDeg) * i) / steps }),
      );
      return made(postures, 'top', 'hanging', 'in line', up.set.loadKg ?? 0);
    }
  }
}

/** Only the working position; for a lunge a whole range costs far more and demand does not ask for it. */
export function workingOf(build: Build, m: Computed, o: RangeOptions = {}): Posture {
  if (m.type === 'lunge') {
    const up = setUpOf(build, m, o);
    if (up.solver === 'lunge') return lunge(build, up.set);
  }
  return rangeOf(build, m, { ...o, steps: 1 }).postures.at(-1)!;
}

/** The masses of a posture of this variation as points. */
export function massesOf(build: Build, m: Computed, p: Posture, o: RangeOptions = {}): Masses {
  const up = setUpOf(build, m, o);
  switch (up.solver) {
    case 'squat':
      return squatMasses(build, up.set, p);
    case 'hinge':
      return hingeMasses(build, up.set, p);
    case 'lift':
      return hingeMasses(
        build,
        { carry: up.set.implement === 'straight bar' ? 'close' : 'beside', loadKg: up.set.loadKg },
        p,
      );
    case 'bridge':
      return bridgeMasses(build, up.set, p);
    case 'lunge':
      return lungeMasses(build, up.set, p);
    case 'extension':
      return extensionMasses(build, { ...up.set, trunkDeg: p.trunkDeg }, p);
  }
}
