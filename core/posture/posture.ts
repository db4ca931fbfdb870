import type { Point, PointMass } from './plane.ts';

/** The leg that does not stand alone: the rear one, a free one, or the one on its toe. */
export interface OtherLeg {
  knee: Point;
  ankle: Point;
  heel: Point;
  /** Tip of the foot. */
  toe: Point;
}

/** Joints in the side view, metres. For a leg of each side together, or for the working leg. */
export interface Joints {
  heel: Point;
  toe: Point;
  ankle: Point;
  knee: Point;
  hip: Point;
  l5: Point;
  shoulder: Point;
  /** Middle of the grip where the hands carry or hold something. */
  hand: Point | null;
  load: Point | null;
  other: OtherLeg | null;
}

export type LegName =
  'each leg' | 'standing leg' | 'working leg' | 'front leg' | 'rear leg' | 'toe of the other foot';

/** Net internal moments of one leg, N·m; + extensor, + plantarflexor. A negative knee: hamstrings. */
export interface LegMoments {
  leg: LegName;
  ankleNm: number | null;
  kneeNm: number;
  hipNm: number;
}

export type ForceFrom =
  'floor' | 'rear foot' | 'box' | 'bench' | 'strap' | 'hand' | 'upper back' | 'pad' | 'heel hook';

/** A force on the body, N. */
export interface Force {
  from: ForceFrom;
  at: Point;
  xN: number;
  yN: number;
}

export type Verdict =
  | 'balanced'
  | 'held by support'
  | 'weight shifts back'
  | 'falls backward'
  | 'tips forward'
  | 'out of reach'
  /** A foot, the back or a seat would have to be pulled down. */
  | 'lifts off'
  /** A contact would have to hold more level force than it can. */
  | 'slips';

export type Limit = 'none' | 'ankle' | 'shin rule' | 'knee past toe' | 'knee bend';

/** One position of a repetition: where everything is, what every joint has to hold, what stops it. */
export interface Posture {
  joints: Joints;
  /** From the vertical, degrees: shank + knee forward, thigh + hip behind the knee, trunk + forward. */
  shankDeg: number;
  thighDeg: number;
  trunkDeg: number;
  dorsiflexionDeg: number;
  kneeFlexionDeg: number;
  /** Between thigh and trunk, lumbar spine included. */
  hipFlexionDeg: number;
  kneePastToeM: number;
  /** Empty for a posture that nobody can hold: its moments would mean nothing. */
  legs: LegMoments[];
  l5Nm: number | null;
  forces: Force[];
  verdict: Verdict;
  /** What stopped the shin. */
  limit: Limit;
  /** How far the centre of mass stays behind the centre of pressure, metres; 0 in balance. */
  shortM: number;
  copX: number;
  comX: number;
  /** Degrees by which a soft shin rule had to give so that a box can be reached in balance. */
  shinRuleGivesDeg: number;
  /** Share of the weight on the front foot; null where there is no rear foot. */
  frontShare: number | null;
}

/** Every mass of a posture, by what it hangs on; legs lumped as in the posture. */
export interface Masses {
  feet: PointMass[];
  shanks: PointMass[];
  thighs: PointMass[];
  /** Trunk with head first, then arms, load, and the free leg of one-leg work. */
  aboveHip: PointMass[];
  /** Rear leg: foot, shank, thigh; empty where there is none. */
  rear: PointMass[];
}

export const allMasses = (m: Masses): PointMass[] => [
  ...m.feet,
  ...m.shanks,
  ...m.thighs,
  ...m.aboveHip,
  ...m.rear,
];

export const isHeld = (p: Posture) => p.legs.length > 0;
