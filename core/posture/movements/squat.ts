import type { Build } from '../../body/index.ts';
import type { Prop } from '../figure-points.ts';
import { both } from '../hands.ts';
import type { SettledOf } from '../mechanics.ts';
import { whatHelps } from '../possible.ts';
import type { Posture } from '../posture.ts';
import { squatMasses, squatRange, stepUpThighDeg } from '../squat.ts';
import type { SquatSetUp } from '../squat.ts';
import { whyLean } from '../why.ts';
import { armsOf, loadOf } from './carried.ts';
import { PLAIN } from './movement.ts';
import type { Movement } from './movement.ts';

/** Back edge of a step-up box, of stature from the heel on it (drawing only). */
export const STEP_BACK = -0.02;

function setUp(build: Build, m: SettledOf<'squat'>, loadKg: number): Partial<SquatSetUp> {
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
  if (m.stepUpM === undefined) return { ...set, thighDeg: m.thighDeg };
  const up: Partial<SquatSetUp> = { ...set, legs: 1, freeLeg: 'down' };
  return { ...up, thighDeg: stepUpThighDeg(build, m.stepUpM, up) };
}

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

/** Hindmost place of the leg below a height: at the heel, or where the thigh comes through that height. */
function legBack({ joints: { heel, knee, hip } }: Posture, y: number): number {
  if (knee.y >= y) return Math.min(heel.x, knee.x);
  const share = Math.min(1, (y - knee.y) / Math.max(1e-9, hip.y - knee.y));
  return Math.min(heel.x, knee.x + (hip.x - knee.x) * share);
}

export const squatMovement: Movement<SettledOf<'squat'>> = {
  open: () => null,
  limits: (build) => ({
    thighDeg: [20, 140, 1],
    shinLimitDeg: [0, 46, 1],
    kneePastToeM: [-0.1, 0.16, 0.01],
    footPressure: [0.2, 0.65, 0.01],
    heelWedgeDeg: [0, 20, 0.5],
    spreadDeg: [0, 45, 1],
    // Straight on the toes of the trailing foot, the other thigh level at most.
    stepUpM: [0.1, Math.max(0.2, Math.floor(100 * 0.29 * build.statureM) / 100), 0.01],
    loadKg: [0, 200, 0.5],
    heldOutKg: [0, Math.floor(2 * build.constants.heldOut * build.massKg) / 2, 0.5],
  }),
  solve(build, m, _o, loadKg) {
    const set = setUp(build, m, loadKg);
    const step = m.stepUpM;
    const H = build.statureM;
    const range = (steps: number) => {
      const all = squatRange(build, set, set.thighDeg!, steps);
      return m.sidewaysShare === undefined ? all : all.map((p) => onOneLeg(p, m.sidewaysShare!));
    };
    return {
      ...PLAIN,
      loadKg: set.loadKg!,
      workingIs: 'bottom',
      startWord: step === undefined ? 'standing' : 'on top',
      workingWord: step === undefined ? (m.box === 'seated' ? 'seated' : 'bottom') : 'stepping up',
      floorY: step === undefined ? 0 : -step,
      range,
      working: () => range(1).at(-1)!,
      masses: (p) => squatMasses(build, set, p),
      hands: (p) => (m.pull ? both(p.joints.hand!, 0) : null),
      props(p, postures, figure) {
        const { joints: j } = p;
        const list: Prop[] = [];
        if (m.box && step === undefined) {
          const at = postures.at(-1)!.joints.hip;
          const top = at.y - build.constants.buttockDepth * H;
          // The front edge stays behind the legs all the way down.
          const edge = Math.min(at.x + 0.06 * H, ...postures.map((q) => legBack(q, top) - 0.01 * H));
          list.push({ kind: 'block', what: 'box', x0: edge - 0.23 * H, x1: edge, y0: 0, y1: top });
        }
        if (step !== undefined) {
          list.push({ kind: 'block', what: 'step', x0: STEP_BACK * H, x1: 0.24 * H, y0: -step, y1: 0 });
        }
        if (m.heelWedgeDeg) list.push({ kind: 'wedge', heel: j.heel, toe: j.toe });
        const hand = figure.nearArm.hand;
        if (m.pull === 'strap')
          list.push({ kind: 'strap', from: hand, to: { x: hand.x + 0.3 * H, y: hand.y + 0.11 * H } });
        if (m.pull === 'hand') list.push({ kind: 'pole', x: hand.x, top: hand.y + 0.06 * H });
        return list;
      },
      why: (reference) => (step === undefined ? whyLean(build, set, reference) : null),
      helps: () => (step === undefined ? whatHelps(build, set) : []),
    };
  },
};
