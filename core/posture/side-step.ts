import type { Build } from '../body/index.ts';
import type { SettledOf } from './mechanics.ts';
import type { Figure, LegPoints } from './figure-points.ts';
import { between } from './plane.ts';
import type { Point } from './plane.ts';
import type { Posture } from './posture.ts';
import type { Range } from './range.ts';

/** The point nearest by that is within reach of both, the reaches overlapping: a few steps from one to the other. */
function within(p: Point, a: Point, ra: number, b: Point, rb: number): Point {
  const pulled = (q: Point, to: Point, r: number) => {
    const d = Math.hypot(q.x - to.x, q.y - to.y);
    return d > r ? between(to, q, (r * (1 - 1e-9)) / d) : q;
  };
  let at = p;
  for (let i = 0; i < 60; i++) at = pulled(pulled(at, a, ra), b, rb);
  return pulled(at, a, ra);
}

/**
 * A step to the side drawn from the front, from the heights that the side view was solved at: the bent leg folds
 * towards the viewer over its foot, the other stays straight and reaches the floor as far out as it must.
 */
export function sideStepFigure(
  build: Build,
  m: SettledOf<'squat'>,
  p: Posture,
  range: Range,
  head: { beyond: number; radius: number },
): Figure {
  const { lengths: l, statureM: H } = build;
  const { joints: j } = p;
  const bottom = range.postures.at(-1)!.joints.hip.y;
  const half = (l.hipBreadth / 2) * 0.75;
  // A hair short of straight, so that the knee has a place.
  const legLength = 0.998 * (l.thigh + l.shank);
  const reach = (hipY: number) => Math.sqrt(Math.max(0, legLength ** 2 - (hipY - l.ankleHeight) ** 2));
  // The feet stay where the bottom wants them; on the way up the hips come back to the middle between them.
  const farFoot = -(reach(bottom) + 2 * half);
  const down = Math.max(
    0,
    Math.min(
      1,
      (range.postures[0]!.joints.hip.y - j.hip.y) / (range.postures[0]!.joints.hip.y - bottom || 1),
    ),
  );
  const middle = farFoot / 2 - half / 2;
  const hipX = middle + (-half - middle) * down;
  // No leg is longer than it is: over feet so far apart the hips stay lower than beside each other.
  const under = (footX: number, side: 1 | -1) =>
    l.ankleHeight + Math.sqrt(Math.max(0, legLength ** 2 - (hipX + side * half - footX) ** 2));
  const hip = { x: hipX, y: Math.min(j.hip.y, under(farFoot, -1), under(0, 1)) };
  const lean = j.shoulder.y - j.hip.y;
  const shoulder = { x: hip.x, y: hip.y + lean };
  const foot = (ankle: Point, sign: 1 | -1) => ({
    heel: { x: ankle.x - sign * 0.1 * l.foot, y: ankle.y - l.ankleHeight },
    toe: { x: ankle.x + sign * 0.3 * l.foot, y: ankle.y - l.ankleHeight },
  });
  const nearAnkle = { x: 0, y: l.ankleHeight };
  const nearHip = { x: hip.x + half, y: hip.y };
  // Straight it lies on the line from hip to ankle; bent, the knee is over the foot as high as the side view has it.
  const straight = between(nearHip, nearAnkle, l.thigh / (l.thigh + l.shank));
  const bent = { x: 0.02 * H, y: j.knee.y };
  const near: LegPoints = {
    hip: nearHip,
    knee: within(between(straight, bent, down), nearAnkle, l.shank, nearHip, l.thigh),
    ankle: nearAnkle,
    ...foot(nearAnkle, 1),
  };
  const farAnkle = { x: farFoot, y: l.ankleHeight };
  const farHip = { x: hip.x - half, y: hip.y };
  const far: LegPoints = {
    hip: farHip,
    knee: {
      x: farHip.x + ((farAnkle.x - farHip.x) * l.thigh) / (l.thigh + l.shank),
      y: farHip.y + ((farAnkle.y - farHip.y) * l.thigh) / (l.thigh + l.shank),
    },
    ankle: farAnkle,
    ...foot(farAnkle, -1),
  };
  const chest = { x: shoulder.x, y: shoulder.y - 0.12 * H };
  const arm = (sign: 1 | -1) => {
    const top = { x: shoulder.x + sign * half * 1.45, y: shoulder.y };
    return {
      shoulder: top,
      elbow: { x: top.x + sign * 0.03 * H, y: top.y - l.upperArm * 0.85 },
      hand: { x: chest.x + sign * 0.03 * H, y: chest.y },
    };
  };
  const share = m.sidewaysShare!;
  return {
    view: 'front',
    statureM: H,
    head: { x: shoulder.x, y: shoulder.y + head.beyond * H },
    headRadius: head.radius * H,
    facing: null,
    hip,
    shoulder,
    near,
    far,
    legsTogether: false,
    nearArm: arm(1),
    farArm: arm(-1),
    load: j.load ? { at: chest, look: 'bell', kg: range.loadKg } : null,
    props: [],
    floorY: 0,
    pressure: [
      { at: { x: nearAnkle.x, y: 0 }, share, towards: { x: 0, y: 1 } },
      { at: { x: farAnkle.x, y: 0 }, share: 1 - share, towards: { x: 0, y: 1 } },
    ],
    com: null,
  };
}
