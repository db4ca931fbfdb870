import type { LoadLook } from './mechanics.ts';
import type { Point } from './plane.ts';

export interface LegPoints {
  hip: Point;
  knee: Point;
  ankle: Point;
  heel: Point;
  toe: Point;
}
export interface ArmPoints {
  shoulder: Point;
  elbow: Point;
  hand: Point;
}

/** What stands around the body, in metres; drawn in this order. */
export type Prop =
  | { kind: 'block'; x0: number; x1: number; y0: number; y1: number; what: 'box' | 'bench' | 'seat' | 'step' }
  | { kind: 'ball'; at: Point; radius: number }
  | { kind: 'wedge'; heel: Point; toe: Point }
  | { kind: 'wall'; x: number }
  | { kind: 'pole'; x: number; top: number }
  | { kind: 'strap'; from: Point; to: Point }
  | { kind: 'stick'; from: Point; to: Point }
  | { kind: 'pad'; from: Point; to: Point }
  | { kind: 'band'; from: Point; to: Point };

/** Everything needed to draw one position; joints are the solver's own points. */
export interface Figure {
  view: 'side' | 'front';
  statureM: number;
  head: Point;
  headRadius: number;
  /** Unit vector the face looks along; null when it looks at the viewer. */
  facing: Point | null;
  hip: Point;
  shoulder: Point;
  /** Where a back that is not straight has its middle. */
  spine?: Point | undefined;
  /** Nearer to the viewer. Both legs together share one set of points; the drawing sets them apart. */
  near: LegPoints;
  far: LegPoints;
  legsTogether: boolean;
  nearArm: ArmPoints;
  farArm: ArmPoints;
  load: { at: Point; look: LoadLook; kg: number } | null;
  props: Prop[];
  /** Level of the floor; feet on a step stand above it. */
  floorY: number;
  /** Forces of the ground and of supports with the direction they push in; empty where the posture cannot be held or is only drawn. */
  pressure: { at: Point; share: number; towards: Point }[];
  /** Centre of mass of body and load; null where the model does not place it. */
  com: Point | null;
}
