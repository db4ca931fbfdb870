import type { Build } from '../body/index.ts';
import type { SettledOf } from './mechanics.ts';
import type { Figure, LegPoints } from './figure-points.ts';
import type { Point } from './plane.ts';
import type { Posture } from './posture.ts';
import type { Range } from './range.ts';

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
  const legLength = l.thigh + l.shank;
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
  const hip = {
    x: middle + (-half - middle) * down,
    y: Math.max(
      bottom,
      Math.min(
        j.hip.y,
        l.ankleHeight + Math.sqrt(Math.max(0, legLength ** 2 - (middle - farFoot - half) ** 2)),
      ),
    ),
  };
  const lean = j.shoulder.y - j.hip.y;
  const shoulder = { x: hip.x, y: hip.y + lean };
  const foot = (ankle: Point, sign: 1 | -1) => ({
    heel: { x: ankle.x - sign * 0.1 * l.foot, y: ankle.y - l.ankleHeight },
    toe: { x: ankle.x + sign * 0.3 * l.foot, y: ankle.y - l.ankleHeight },
  });
  const nearAnkle = { x: 0, y: l.ankleHeight };
  const nearHip = { x: hip.x + half, y: hip.y };
  const near: LegPoints = {
    hip: nearHip,
    knee: {
      x: 0.02 * H * down + nearHip.x * (1 - down) * 0.5,
      y: j.knee.y + (1 - down) * (nearHip.y - l.thigh - j.knee.y) * 0.2,
    },
    ankle: nearAnkle,
    ...foot(nearAnkle, 1),
  };
  const farAnkle = { x: farFoot, y: l.ankleHeight };
  const farHip = { x: hip.x - half, y: hip.y };
  const far: LegPoints = {
    hip: farHip,
    knee: {
      x: farHip.x + ((farAnkle.x - farHip.x) * l.thigh) / legLength,
      y: farHip.y + ((farAnkle.y - farHip.y) * l.thigh) / legLength,
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
      { at: { x: nearAnkle.x, y: 0 }, share },
      { at: { x: farAnkle.x, y: 0 }, share: 1 - share },
    ],
    com: null,
  };
}
