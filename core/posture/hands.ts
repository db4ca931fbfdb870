import type { Point } from './plane.ts';

/** Where both hands of a figure are. */
export interface Hands {
  near: Point;
  far: Point;
  /** Which side of the line from shoulder to hand the elbow goes: 0 left, 1 right of it. */
  side: 0 | 1;
}

export const both = (at: Point, side: 0 | 1): Hands => ({ near: at, far: at, side });
