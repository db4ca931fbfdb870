import type { LoadPlace } from './vocabulary.ts';
import type { RuledNumber } from './documents.ts';

/** Load used for the figure and the demand: a fraction of body mass, in all or in each hand. */
export interface ReferenceLoad {
  fractionOfBodyMass: number;
  per: 'total' | 'hand';
}

interface Loaded {
  loadPlace: LoadPlace;
  referenceLoad?: ReferenceLoad;
}

/** Where the hands are when they carry nothing. */
export type FreeHands = 'at the sides' | 'forward' | 'crossed' | 'behind the ears' | 'on the floor';

export interface SquatMechanics extends Loaded {
  type: 'squat';
  legs: 1 | 2;
  /** Thigh from the vertical at the bottom; 90 is thigh level. */
  thighDeg: RuledNumber;
  hands: FreeHands;
  /** Shank limit of the house rule, from the vertical; absent: only the ankle limits it. */
  shinLimitDeg?: RuledNumber;
  heelWedgeDeg?: number;
  box?: 'seated' | 'touched';
  pull?: 'strap' | 'hand';
  /** Leg spread from the sagittal plane; a stated approximation for wide stances. */
  spreadDeg?: number;
  stepUpM?: number;
}

export interface HingeMechanics extends Loaded {
  type: 'hinge';
  legs: 1 | 2;
  trunkDeg: RuledNumber;
  kneeDeg: RuledNumber;
  hands: FreeHands;
  loadPath?: 'hanging' | 'close' | 'beside' | 'held back';
  kickstand?: boolean;
}

export interface LiftMechanics {
  type: 'lift';
  fromHeightM: number;
  implement: 'straight bar' | 'at the sides';
  referenceLoad: ReferenceLoad;
}

export interface BridgeMechanics extends Loaded {
  type: 'bridge';
  legs: 1 | 2;
  /** Absent: lying on the floor. 'fitted': the height that gives a level top with a vertical shin. */
  bench?: 'fitted' | { heightM: number };
  feetRaisedM?: number;
  /** Lean of the shank towards the head at the top; 0 is vertical. */
  feetFartherDeg: RuledNumber;
  hold: boolean;
}

export interface LungeMechanics extends Loaded {
  type: 'lunge';
  /** Step heel to heel as a multiple of the step that gives 90° at both knees. */
  stepOfRightAngleStep: number;
  frontShankDeg: number;
  trunkDeg: RuledNumber;
  rearFootRaisedM?: number;
  frontShare?: RuledNumber;
  dynamics: 'static' | 'reverse' | 'forward';
}

export interface ExtensionMechanics {
  type: 'extension';
  bench: 'level' | 'inclined';
  hands: FreeHands;
  referenceLoad?: ReferenceLoad;
}

/** Joint angles only, for movements that the sagittal model does not cover; the reason says why. */
export interface DrawnMechanics {
  type: 'drawn';
  reason: string;
  start: JointAngles;
  working: JointAngles;
}

/** Degrees from the vertical as in the model: shank forward, thigh behind the knee, trunk forward. */
export interface JointAngles {
  shankDeg: number;
  thighDeg: number;
  trunkDeg: number;
}

export type Mechanics =
  | SquatMechanics
  | HingeMechanics
  | LiftMechanics
  | BridgeMechanics
  | LungeMechanics
  | ExtensionMechanics
  | DrawnMechanics;
