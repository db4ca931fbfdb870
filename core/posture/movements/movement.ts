import type { Build } from '../../body/index.ts';
import type { Figure, Prop } from '../figure-points.ts';
import type { Hands } from '../hands.ts';
import type { Surroundings } from '../limits.ts';
import type { SettledMechanics } from '../mechanics.ts';
import type { Point } from '../plane.ts';
import type { Help } from '../possible.ts';
import type { Masses, Posture } from '../posture.ts';
import type { LeanExplained } from '../why.ts';

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

/** From, to and step of what can be set, in the units of the block. */
export type Limits = Readonly<Record<string, readonly [min: number, max: number, step: number]>>;

/** A movement set up for one body: everything that can be asked of it. */
export interface Solver extends Surroundings {
  loadKg: number;
  /** Whether the working position is the low or the high end. */
  workingIs: 'bottom' | 'top';
  startWord: string;
  workingWord: string;
  /** Height of what the head comes to rest on, metres; −Infinity: it is free. */
  restY: number;
  /** Every position of a repetition in so many even parts, from its start to its working position. */
  range(steps: number): Posture[];
  working(): Posture;
  masses(p: Posture): Masses;
  /** What stands around the body in a position, given all of the range and the figure so far. */
  props(p: Posture, range: readonly Posture[], figure: Omit<Figure, 'props'>): Prop[];
  /** Where the hands are when they are not simply free or at the load; null: there. */
  hands(p: Posture): Hands | null;
  /** Where the far hand steadies itself; null: with the other. */
  steadies(p: Posture): Point | null;
  /** What the lean comes from against a reference body; null where the lean is set rather than found. */
  why(reference: Build): LeanExplained | null;
  /** Trunk lean at which the front foot carries the share asked of it; null where none does or none is asked. */
  leanForShareDeg(): number | null;
  /** What would make it possible; empty where it holds, and where nothing is known. */
  helps(): Help[];
}

/** A kind of movement. */
export interface Movement<M extends Computed> {
  /** What statics leaves open, in words; null: nothing. */
  open(m: M): string | null;
  /** What the numbers of the block can be for a body. */
  limits(build: Build, m: M): Limits;
  /** @throws RangeError in words when this body cannot take the posture at all */
  solve(build: Build, m: M, o: Pick<RangeOptions, 'undetermined'>, loadKg: number): Solver;
}

/** Of most movements: they stand, on the floor, their lean is set, nothing is held in a way of its own. */
export const PLAIN = {
  lying: false,
  floorY: 0,
  stepFromX: Infinity,
  restY: -Infinity,
  hands: () => null,
  steadies: () => null,
  why: () => null,
  helps: () => [],
  leanForShareDeg: () => null,
} satisfies Partial<Solver>;
