import type { Build } from '../body/index.ts';
import type { DrawnMechanics, DrawnPose } from './mechanics.ts';
import type { ArmPoints, Figure, LegPoints } from './figure-points.ts';
import { rad } from './plane.ts';
import type { Point } from './plane.ts';

const down = (from: Point, length: number, deg: number, side: 1 | -1 = 1): Point => ({
  x: from.x + side * length * Math.sin(rad(deg)),
  y: from.y - length * Math.cos(rad(deg)),
});

const mix = (a: number, b: number, at: number) => a + (b - a) * at;

/** Between two poses, angle by angle. */
function poseBetween(a: DrawnPose, b: DrawnPose, at: number): DrawnPose {
  const leg = (p: DrawnPose) => p.other ?? p;
  const arms = (p: DrawnPose) => p.arms ?? { upperDeg: 0, foreDeg: 0 };
  const otherArm = (p: DrawnPose) => p.otherArm ?? arms(p);
  const mixed = <K extends string>(p: Record<K, number>, q: Record<K, number>, keys: readonly K[]) =>
    Object.fromEntries(keys.map((k) => [k, mix(p[k], q[k], at)])) as Record<K, number>;
  const arm = ['upperDeg', 'foreDeg'] as const;
  return {
    ...mixed(a, b, ['shankDeg', 'thighDeg', 'trunkDeg']),
    other: mixed(leg(a), leg(b), ['shankDeg', 'thighDeg']),
    arms: mixed(arms(a), arms(b), arm),
    otherArm: mixed(otherArm(a), otherArm(b), arm),
    airborne: mix(a.airborne ?? 0, b.airborne ?? 0, at),
  };
}

/**
 * A figure from joint angles alone: a chain from the hip, set down so that its lowest part touches the floor.
 * Nothing is computed of it. Seen from the front, thighs and shanks open outward from the two hips.
 */
export function drawnFigure(
  build: Build,
  m: DrawnMechanics,
  at: number,
  head: { beyond: number; radius: number },
): Figure {
  const p = poseBetween(m.start, m.working, at);
  const front = m.view === 'front';
  const { lengths: l, statureM: H, constants: c } = build;
  const half = front ? (l.hipBreadth / 2) * 0.75 : 0;
  const u = { x: Math.sin(rad(p.trunkDeg)), y: Math.cos(rad(p.trunkDeg)) };
  // Across the body: level for an upright trunk seen from the front.
  const across = { x: u.y, y: -u.x };
  const hip = { x: 0, y: 0 };
  const shoulder = { x: l.hipShoulder * u.x, y: l.hipShoulder * u.y };
  const beside = (from: Point, by: number): Point => ({
    x: from.x + by * across.x,
    y: from.y + by * across.y,
  });

  const leg = (angles: { shankDeg: number; thighDeg: number }, side: 1 | -1): LegPoints => {
    const top = beside(hip, front ? side * half : 0);
    const sign = front ? side : 1;
    const knee = down(top, l.thigh, angles.thighDeg, sign);
    // From the side a positive shank has its knee ahead; from the front it opens outward.
    const ankle = down(knee, l.shank, front ? angles.shankDeg : -angles.shankDeg, sign);
    const d = { x: (ankle.x - knee.x) / l.shank, y: (ankle.y - knee.y) / l.shank };
    // The sole stands on the floor where the shank comes down on it, otherwise at a right angle to the shank.
    const flat = d.y < -0.55;
    const sole = front ? { x: sign * 0.35, y: -0.1 } : flat ? { x: 1, y: 0 } : { x: -d.y, y: d.x };
    const out = flat || front ? { x: 0, y: -1 } : d;
    const onFoot = (share: number): Point => ({
      x: ankle.x + share * l.foot * sole.x + l.ankleHeight * out.x,
      y: ankle.y + share * l.foot * sole.y + l.ankleHeight * out.y,
    });
    return {
      hip: top,
      knee,
      ankle,
      heel: onFoot(-c.anklePlace),
      toe: onFoot(front ? 0.55 : 1 - c.anklePlace),
    };
  };
  const arm = (angles: { upperDeg: number; foreDeg: number }, side: 1 | -1): ArmPoints => {
    const top = beside(shoulder, front ? side * half * 1.45 : 0);
    const sign = front ? side : 1;
    const elbow = down(top, l.upperArm, angles.upperDeg, sign);
    return { shoulder: top, elbow, hand: down(elbow, l.forearm + l.hand / 2, angles.foreDeg, sign) };
  };
  const near = leg(p, 1);
  const far = leg(p.other!, -1);
  const nearArm = arm(p.arms!, 1);
  const farArm = arm(p.otherArm!, -1);
  const headAt = { x: shoulder.x + head.beyond * H * u.x, y: shoulder.y + head.beyond * H * u.y };

  // Set down: the lowest of soles, knees, seat, back and head touches the floor.
  const bottoms = [
    ...[near, far].flatMap((g) => [g.heel.y, g.toe.y, g.knee.y - c.shinDepth * H]),
    hip.y - c.buttockDepth * H,
    shoulder.y - c.trunkDepth * H * Math.abs(u.x),
    headAt.y - head.radius * H,
    nearArm.hand.y - 0.015 * H,
    farArm.hand.y - 0.015 * H,
    nearArm.elbow.y - 0.02 * H,
    farArm.elbow.y - 0.02 * H,
  ];
  const lift = (p.airborne ?? 0) * H - Math.min(...bottoms);
  const up = (q: Point): Point => ({ x: q.x, y: q.y + lift });
  const upLeg = (g: LegPoints): LegPoints => ({
    hip: up(g.hip),
    knee: up(g.knee),
    ankle: up(g.ankle),
    heel: up(g.heel),
    toe: up(g.toe),
  });
  const upArm = (a: ArmPoints): ArmPoints => ({
    shoulder: up(a.shoulder),
    elbow: up(a.elbow),
    hand: up(a.hand),
  });
  const same = near.knee.x === far.knee.x && near.ankle.x === far.ankle.x && near.ankle.y === far.ankle.y;
  return {
    view: front ? 'front' : 'side',
    statureM: H,
    head: up(headAt),
    headRadius: head.radius * H,
    facing: front ? null : across,
    hip: up(hip),
    shoulder: up(shoulder),
    near: upLeg(near),
    far: upLeg(far),
    legsTogether: same,
    nearArm: upArm(nearArm),
    farArm: upArm(farArm),
    load: null,
    props: [],
    floorY: 0,
    pressure: [],
    com: null,
  };
}
