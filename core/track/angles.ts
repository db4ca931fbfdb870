import type { Here } from './points.ts';

const DEG = 180 / Math.PI;

/** How far a joint is bent from straight, degrees. */
export function flexionDeg(a: Here, joint: Here, b: Here): number {
  const [ux, uy] = [a[0] - joint[0], a[1] - joint[1]];
  const [vx, vy] = [b[0] - joint[0], b[1] - joint[1]];
  return 180 - Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) * DEG;
}

/** How far a segment leans from the vertical, from its lower to its upper end, degrees; positive to the right. */
export const leanDeg = (lower: Here, upper: Here): number =>
  Math.atan2(upper[0] - lower[0], lower[1] - upper[1]) * DEG;

/** The signed angle from one direction to another, −180 to 180 degrees. */
export function turnDeg(from: readonly [number, number], to: readonly [number, number]): number {
  return Math.atan2(from[0] * to[1] - from[1] * to[0], from[0] * to[0] + from[1] * to[1]) * DEG;
}

/** Hip angle with its sign: an unsigned one folds at straight, and a bridge passes through straight. */
export const hipDeg = (shoulder: Here, hip: Here, knee: Here): number =>
  turnDeg([hip[0] - shoulder[0], hip[1] - shoulder[1]], [knee[0] - hip[0], knee[1] - hip[1]]);
