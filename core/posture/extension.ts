import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import { rad } from './plane.ts';
import type { Point } from './plane.ts';
import type { Masses, Posture } from './posture.ts';
import { armPoint, armsUnder, loadPoint, trunkAxes, upperMasses, upperOf } from './upper.ts';
import type { ArmsAt, LoadAt } from './upper.ts';

export interface ExtensionSetUp {
  /** Trunk from the vertical, forward: 180 hangs down. */
  trunkDeg: number;
  /** Line of the legs from the vertical: 90 for a level bench, 45 for an inclined one. */
  legLineDeg: number;
  arms: ArmsAt;
  load: LoadAt;
  loadKg: number;
}

export const EXTENSION_DEFAULTS: ExtensionSetUp = {
  trunkDeg: 90,
  legLineDeg: 90,
  arms: 'on the chest',
  load: 'none',
  loadKg: 0,
};

/** Height of the hip over the floor, of stature: the inclined bench has its heel hooks near the floor. */
const HIP_HEIGHT = { level: 0.6, inclined: 0.5 } as const;

/**
 * Bench hip extension: legs fixed on the line of the bench by a pad under the thighs and hooks over the heels,
 * the trunk raised to that line. The legs only carry what the pad leaves, so no knee moment is given.
 */
export function extension(build: Build, partial: Partial<ExtensionSetUp> = {}): Posture {
  const set = { ...EXTENSION_DEFAULTS, ...partial };
  const { statureM: H, constants: c, lengths: l } = build;
  const level = set.legLineDeg >= 80;
  const line = rad(set.legLineDeg);
  const back = { x: -Math.sin(line), y: -Math.cos(line) };
  const hip = { x: 0, y: (level ? HIP_HEIGHT.level : HIP_HEIGHT.inclined) * H };
  const on = (metres: number): Point => ({ x: hip.x + metres * back.x, y: hip.y + metres * back.y });
  const knee = on(l.thigh);
  const ankle = on(l.thigh + l.shank);
  const { u } = trunkAxes(set.trunkDeg);
  // Feet hang at a right angle to the shank, toes towards the floor.
  const sole = { x: -back.y, y: back.x };
  const foot = (metres: number): Point => ({
    x: ankle.x + metres * sole.x + l.ankleHeight * back.x,
    y: ankle.y + metres * sole.y + l.ankleHeight * back.y,
  });
  const upper = upperOf(build, armsUnder(set.load, set.arms), set.load, set.loadKg);
  const sin = Math.sin(rad(set.trunkDeg));
  const cos = Math.cos(rad(set.trunkDeg));
  const hipNm = G * (upper.hip.sin * sin + upper.hip.cos * cos + upper.hip.still);
  const l5Nm = G * (upper.l5.sin * sin + upper.l5.cos * cos + upper.l5.still);
  const pad = on(c.benchThighPad * l.thigh);

  // Pad and hook hold the whole body: vertical balance and moments about the hook.
  const whole = extensionLegs(build, hip, knee, ankle);
  const W = G * (upper.hip.kg + whole.kg);
  const comX = hip.x + (hipNm / G + whole.kgM) / (upper.hip.kg + whole.kg);
  const padN = (W * (comX - ankle.x)) / (pad.x - ankle.x);
  return {
    joints: {
      heel: foot(-c.anklePlace * l.foot),
      toe: foot((1 - c.anklePlace) * l.foot),
      ankle,
      knee,
      hip,
      l5: { x: hip.x + c.l5Place * l.hipShoulder * u.x, y: hip.y + c.l5Place * l.hipShoulder * u.y },
      shoulder: { x: hip.x + l.hipShoulder * u.x, y: hip.y + l.hipShoulder * u.y },
      hand: null,
      load: set.loadKg > 0 ? loadPoint(build, set.load, hip, set.trunkDeg) : null,
      other: null,
    },
    shankDeg: set.legLineDeg,
    thighDeg: -set.legLineDeg,
    trunkDeg: set.trunkDeg,
    dorsiflexionDeg: 0,
    kneeFlexionDeg: 0,
    hipFlexionDeg: set.trunkDeg - set.legLineDeg,
    kneePastToeM: 0,
    legs: [{ leg: 'each leg', ankleNm: null, kneeNm: 0, hipNm: hipNm / 2 }],
    l5Nm,
    forces: [
      { from: 'pad', at: pad, xN: 0, yN: padN },
      { from: 'heel hook', at: ankle, xN: 0, yN: W - padN },
    ],
    verdict: 'held by support',
    limit: 'none',
    shortM: 0,
    copX: comX,
    comX,
    shinRuleGivesDeg: 0,
    frontShare: null,
  };
}

function extensionLegs(build: Build, hip: Point, knee: Point, ankle: Point) {
  const { masses, massKg } = build;
  const kg = (f: number) => 2 * f * massKg;
  const [t, s, f] = [kg(masses.thigh.fraction), kg(masses.shank.fraction), kg(masses.foot.fraction)];
  return {
    kg: t + s + f,
    kgM:
      t * (knee.x - hip.x) * masses.thigh.centre +
      s * (knee.x + (ankle.x - knee.x) * masses.shank.centre - hip.x) +
      f * (ankle.x - hip.x),
  };
}

/** The upper body's masses as points, for drawing and for checking the sums. */
export function extensionMasses(build: Build, partial: Partial<ExtensionSetUp>, p: Posture): Masses {
  const set = { ...EXTENSION_DEFAULTS, ...partial };
  const { hip, knee, ankle } = p.joints;
  const { masses, massKg } = build;
  const arms = armPoint(build, armsUnder(set.load, set.arms), hip, set.trunkDeg);
  const on = (fraction: number, a: Point, b: Point, share: number) => ({
    kg: 2 * fraction * massKg,
    x: a.x + (b.x - a.x) * share,
    y: a.y + (b.y - a.y) * share,
  });
  return {
    feet: [on(masses.foot.fraction, ankle, ankle, 0)],
    shanks: [on(masses.shank.fraction, knee, ankle, masses.shank.centre)],
    thighs: [on(masses.thigh.fraction, hip, knee, masses.thigh.centre)],
    aboveHip: upperMasses(build, hip, set.trunkDeg, arms, p.joints.load, set.loadKg),
    rear: [],
  };
}
