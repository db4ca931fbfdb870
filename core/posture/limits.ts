import type { Build } from '../body/index.ts';
import { deg } from './plane.ts';
import type { Point } from './plane.ts';
import type { ForceFrom, Posture, Verdict } from './posture.ts';

/** What a position takes that this body, the floor or a knee has not. */
export type Lack =
  | {
      of: 'ankle range' | 'hip range' | 'hip extension' | 'knee bend' | 'straight knee';
      /** The leg behind rather than the one that is looked at. */
      rear: boolean;
      needsDeg: number;
      hasDeg: number;
    }
  | { of: 'floor'; part: 'rear knee' | 'knees' | 'buttocks' | 'hands'; underM: number };

/** A range is measured to no more than this, so that a set-up at its very limit is not refused. */
const RANGE_TOLERANCE_DEG = 0.5;
/** Nobody sees less, of stature. */
const FLOOR_TOLERANCE = 0.003;
/** What rounding leaves of a force that is nought, of the weight. */
const NOTHING = 1e-9;

/** Angles of a leg from its drawn points, degrees from the vertical: shank + knee forward, thigh + hip behind the knee. */
export function legAngles({ ankle, knee, hip }: { ankle: Point; knee: Point; hip: Point }) {
  return {
    shankDeg: deg(Math.atan2(knee.x - ankle.x, knee.y - ankle.y)),
    thighDeg: deg(Math.atan2(knee.x - hip.x, hip.y - knee.y)),
  };
}

/** Standing contacts: they push and rub, they do not pull. Straps, hands, pads and hooks hold in other ways. */
const PUSH_ONLY: ReadonlySet<ForceFrom> = new Set<ForceFrom>([
  'floor',
  'rear foot',
  'box',
  'bench',
  'upper back',
]);

/** What is wrong with the contacts of a posture: one would have to pull, or to hold more level force than it can. */
function contactFault(build: Build, p: Posture): Verdict | null {
  const weight = p.forces.reduce((sum, f) => sum + Math.abs(f.yN), 0);
  for (const f of p.forces) {
    if (PUSH_ONLY.has(f.from) && f.yN < -NOTHING * weight) return 'lifts off';
  }
  for (const f of p.forces) {
    if (
      PUSH_ONLY.has(f.from) &&
      Math.abs(f.xN) > build.constants.friction * Math.max(0, f.yN) + NOTHING * weight
    ) {
      return 'slips';
    }
  }
  return null;
}

/** A posture with nothing to hold where a contact cannot do what statics asks of it: its moments would mean nothing. */
export function withContacts(build: Build, p: Posture): Posture {
  const verdict = contactFault(build, p);
  return verdict ? { ...p, legs: [], l5Nm: null, forces: [], verdict } : p;
}

const turnNear = (angle: number) => ((((angle + 180) % 360) + 360) % 360) - 180;

export interface Surroundings {
  /** Lying, the toes may lift: the ankle limits nothing. */
  lying: boolean;
  /** Floor under the rear leg and the hands, metres; feet on a step stand above it. */
  floorY: number;
  /** Where the step under the front foot begins, metres; behind it is the floor. */
  stepFromX: number;
}

/**
 * What the positions of a range take beyond what there is: ranges of ankle and hip that this build has not, a hip or knee
 * beyond any body's, a part under the floor. The worst of each kind, in the order of the list.
 */
export function lacksOver(build: Build, postures: readonly Posture[], around: Surroundings): Lack[] {
  const { statureM: H, constants: c } = build;
  const worst = new Map<string, { lack: Lack; by: number }>();
  const note = (key: string, by: number, tolerance: number, lack: Lack) => {
    if (by <= tolerance) return;
    const known = worst.get(key);
    if (!known || by > known.by) worst.set(key, { lack, by });
  };
  const angle = (
    of: Exclude<Lack['of'], 'floor'>,
    rear: boolean,
    needsDeg: number,
    hasDeg: number,
    tolerance = RANGE_TOLERANCE_DEG,
  ) => note(`${of}${rear}`, needsDeg - hasDeg, tolerance, { of, rear, needsDeg, hasDeg });
  const above = (part: Extract<Lack, { of: 'floor' }>['part'], y: number, least: number) =>
    note(part, least - y, FLOOR_TOLERANCE * H, { of: 'floor', part, underM: least - y });
  for (const p of postures) {
    const { joints: j } = p;
    if (!around.lying) angle('ankle range', false, p.dorsiflexionDeg, build.ankleLimitDeg);
    angle('hip range', false, p.hipFlexionDeg, build.hipLimitDeg);
    angle('hip extension', false, -p.hipFlexionDeg, c.hipBack);
    angle('knee bend', false, p.kneeFlexionDeg, c.kneeBend);
    angle('straight knee', false, -p.kneeFlexionDeg, c.kneeBack);
    above('buttocks', j.hip.y, c.buttockDepth * H);
    above('knees', j.knee.y, c.shinDepth * H);
    if (j.hand) above('hands', j.hand.y, 0);
    const rear = p.forces.some((f) => f.from === 'rear foot') || p.frontShare !== null ? j.other : null;
    if (rear) {
      const { shankDeg, thighDeg } = legAngles({ ...rear, hip: j.hip });
      const knee = turnNear(shankDeg + thighDeg);
      const hip = turnNear(thighDeg + p.trunkDeg);
      angle('hip range', true, hip, build.hipLimitDeg);
      angle('hip extension', true, -hip, c.hipBack);
      angle('knee bend', true, knee < -90 ? knee + 360 : knee, c.kneeBend);
      const under = rear.knee.x + c.shinDepth * H > around.stepFromX ? 0 : around.floorY;
      above('rear knee', rear.knee.y - under, c.shinDepth * H);
    }
  }
  return [...worst.values()].map((w) => w.lack);
}
