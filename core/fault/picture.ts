import type { Build } from '../body/index.ts';
import type { FaultShows } from '../library/index.ts';
import type { SettledMechanics, ArmPoints, Figure, LegPoints, Point, Range } from '../posture/index.ts';
import { between, circlesMeet, figureAt, rad } from '../posture/index.ts';

const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
const length = (v: Point) => Math.hypot(v.x, v.y);
/** Turned clockwise, that is forward for what points up. */
const turned = (v: Point, deg: number): Point => {
  const [c, s] = [Math.cos(rad(deg)), Math.sin(rad(deg))];
  return { x: v.x * c + v.y * s, y: -v.x * s + v.y * c };
};
const turnedAbout = (p: Point, centre: Point, deg: number) => plus(centre, turned(minus(p, centre), deg));

/**
 * The posture of a variation with a fault in it: the solver's posture changed by the angles and distances that the
 * fault shows, segments keeping their lengths. For looking at only: nothing is computed of it.
 * @returns null where the variation is drawn from another side than the fault is seen from
 */
export function faultFigure(
  build: Build,
  m: SettledMechanics,
  range: Range | null,
  shows: FaultShows,
): Figure | null {
  const sound = figureAt(build, m, range, shows.at);
  if (sound.view === 'front') return null;
  const side = m.type === 'bridge' ? lying(sound, shows) : standing(sound, m, shows);
  return shows.view === 'side' ? side : fromTheFront(build, side, m, shows);
}

/** Knee between two points, on the side of the line where it was; straight where it cannot reach. */
function kneeBetween(hip: Point, ankle: Point, thigh: number, shank: number, before: LegPoints): Point {
  const meet = circlesMeet(hip, thigh, ankle, shank);
  if (!meet) return between(hip, ankle, thigh / (thigh + shank));
  const sideOf = (k: Point, a: Point, b: Point) =>
    Math.sign((b.x - a.x) * (k.y - a.y) - (b.y - a.y) * (k.x - a.x));
  const was = sideOf(before.knee, before.hip, before.ankle);
  return meet.find((k) => sideOf(k, hip, ankle) === was) ?? meet[0];
}

const legOn = (leg: LegPoints, hip: Point, by: Point): LegPoints => {
  const ankle = plus(leg.ankle, by);
  const [thigh, shank] = [length(minus(leg.knee, leg.hip)), length(minus(leg.ankle, leg.knee))];
  return {
    hip,
    ankle,
    knee: kneeBetween(hip, ankle, thigh, shank, leg),
    heel: plus(leg.heel, by),
    toe: plus(leg.toe, by),
  };
};

/** Shoulder and the middle of a back bent by so much over its length; below zero the other way. */
function trunk(hip: Point, straight: Point, spineDeg: number): { middle: Point; shoulder: Point } {
  const half = { x: straight.x / 2, y: straight.y / 2 };
  const middle = plus(hip, turned(half, -spineDeg / 2));
  return { middle, shoulder: plus(middle, turned(half, spineDeg / 2)) };
}

function arm(a: ArmPoints, shoulder: Point, hand: Point): ArmPoints {
  const [upper, lower] = [length(minus(a.elbow, a.shoulder)), length(minus(a.hand, a.elbow))];
  const reach = minus(hand, shoulder);
  const d = length(reach);
  const end =
    d > (upper + lower) * 0.999
      ? plus(shoulder, { x: (reach.x / d) * (upper + lower), y: (reach.y / d) * (upper + lower) })
      : hand;
  const meet = circlesMeet(shoulder, upper, end, lower);
  const old = plus(a.elbow, minus(shoulder, a.shoulder));
  const near = (p: Point) => length(minus(p, old));
  return {
    shoulder,
    hand: end,
    elbow: meet
      ? near(meet[0]) <= near(meet[1])
        ? meet[0]
        : meet[1]
      : between(shoulder, end, upper / (upper + lower)),
  };
}

/** Whether the hands lie on the trunk, so that they lean with it; else they hang or reach on their own. */
function handsOnTrunk(m: SettledMechanics): boolean {
  const place = 'loadPlace' in m ? m.loadPlace : 'none';
  if (
    place === 'at the chest' ||
    place === 'front of shoulders' ||
    place === 'across the shoulders, high' ||
    place === 'across the shoulders, low'
  )
    return true;
  const hands = 'hands' in m ? m.hands : undefined;
  return (
    hands === 'crossed' ||
    hands === 'behind the ears' ||
    hands === 'on the hips' ||
    hands === 'stick along the back'
  );
}

/** Feet on the floor: everything above is built anew from them. */
function standing(f: Figure, m: SettledMechanics, s: FaultShows): Figure {
  const heels = s.heelsDeg ?? 0;
  const leg = f.near;
  // Heels come up about the toes.
  const lifted = (p: Point) => turnedAbout(p, leg.toe, heels);
  const ankle = lifted(leg.ankle);
  const knee = plus(ankle, turned(minus(leg.knee, leg.ankle), s.shinDeg ?? 0));
  const hip = plus(knee, turned(minus(leg.hip, leg.knee), -(s.thighDeg ?? 0)));
  const lean = s.trunkDeg ?? 0;
  const { middle, shoulder } = trunk(hip, turned(minus(f.shoulder, f.hip), lean), s.spineDeg ?? 0);
  const upper = minus(shoulder, middle);
  const upperTurn = lean + (s.spineDeg ?? 0) / 2;
  const near: LegPoints = { hip, knee, ankle, heel: lifted(leg.heel), toe: leg.toe };
  const far = f.legsTogether ? near : legOn(f.far, hip, { x: -(s.footAwayM ?? 0), y: 0 });
  const on = handsOnTrunk(m);
  const away = { x: s.loadAwayM ?? 0, y: 0 };
  const hand = (a: ArmPoints) =>
    plus(plus(shoulder, turned(minus(a.hand, a.shoulder), (on ? upperTurn : 0) - (s.armsDeg ?? 0))), away);
  const nearArm = arm(f.nearArm, shoulder, hand(f.nearArm));
  const farArm = arm(f.farArm, shoulder, hand(f.farArm));
  const headAt = turned(minus(f.head, f.shoulder), upperTurn - (s.headDeg ?? 0));
  const face =
    length(upper) > 0
      ? turned({ x: upper.x / length(upper), y: upper.y / length(upper) }, 90 - (s.headDeg ?? 0))
      : f.facing;
  return {
    ...f,
    hip,
    shoulder,
    ...(s.spineDeg ? { spine: middle } : {}),
    head: plus(shoulder, headAt),
    facing: f.facing && face,
    near,
    far,
    nearArm,
    farArm,
    load: f.load && {
      ...f.load,
      at: loadAt(f, f.load.at, { shoulder, hip, hand: nearArm.hand, turn: on ? upperTurn : 0 }),
    },
    props: movedProps(f, { hip, knee, ankle }, nearArm.hand),
    pressure: [],
    com: null,
  };
}

/** The load stays where it was held: by the hands, on the shoulders or on the hips, whichever was nearest. */
function loadAt(
  f: Figure,
  load: Point,
  to: { shoulder: Point; hip: Point; hand: Point; turn: number },
): Point {
  const from = { shoulder: f.shoulder, hip: f.hip, hand: f.nearArm.hand };
  const anchor = (['hand', 'shoulder', 'hip'] as const).reduce((best, k) =>
    length(minus(load, from[k])) < length(minus(load, from[best])) ? k : best,
  );
  return plus(to[anchor], turned(minus(load, from[anchor]), anchor === 'hand' ? 0 : to.turn));
}

/** Lying: shoulders and feet stay, the hips between them do not. */
function lying(f: Figure, s: FaultShows): Figure {
  const straight = turned(minus(f.hip, f.shoulder), -(s.trunkDeg ?? 0));
  const hip = plus(f.shoulder, straight);
  // An arch lifts the middle of the back between shoulders and hips.
  const bulge = (length(straight) / 4) * Math.sin(rad(-(s.spineDeg ?? 0)));
  const across = { x: -straight.y / length(straight), y: straight.x / length(straight) };
  const middle = plus(between(f.shoulder, hip, 0.55), { x: across.x * bulge, y: across.y * bulge });
  const by = { x: s.footAwayM ?? 0, y: 0 };
  const near = legOn(f.near, hip, by);
  if (s.heelsDeg) {
    near.ankle = turnedAbout(near.ankle, near.toe, s.heelsDeg);
    near.heel = turnedAbout(near.heel, near.toe, s.heelsDeg);
    near.knee = kneeBetween(
      hip,
      near.ankle,
      length(minus(f.near.knee, f.near.hip)),
      length(minus(f.near.ankle, f.near.knee)),
      f.near,
    );
  }
  const far = f.legsTogether ? near : legOn(f.far, hip, f.far.ankle.y > f.hip.y ? minus(hip, f.hip) : by);
  const head = turnedAbout(f.head, f.shoulder, s.headDeg ?? 0);
  return {
    ...f,
    hip,
    ...(s.spineDeg ? { spine: middle } : {}),
    head,
    facing: f.facing && turned(f.facing, s.headDeg ?? 0),
    near,
    far,
    nearArm: f.load ? arm(f.nearArm, f.shoulder, plus(f.nearArm.hand, minus(hip, f.hip))) : f.nearArm,
    farArm: f.load ? arm(f.farArm, f.shoulder, plus(f.farArm.hand, minus(hip, f.hip))) : f.farArm,
    load: f.load && { ...f.load, at: plus(f.load.at, minus(hip, f.hip)) },
    props: movedProps(f, near, f.nearArm.hand),
    pressure: [],
    com: null,
  };
}

/** What is worn or held goes with the body; what stands on the floor stays. A straight stick fits no bent back. */
function movedProps(f: Figure, leg: { hip: Point; knee: Point; ankle: Point }, hand: Point): Figure['props'] {
  return f.props.flatMap((p): Figure['props'] => {
    if (p.kind === 'stick') return [];
    if (p.kind === 'strap') return [{ ...p, from: hand }];
    if (p.kind === 'band') {
      const middle = between(p.from, p.to, 0.5);
      const atKnee = length(minus(middle, f.near.knee)) < length(minus(middle, f.near.ankle));
      const by = atKnee ? minus(leg.knee, f.near.knee) : minus(leg.ankle, f.near.ankle);
      return [{ ...p, from: plus(p.from, by), to: plus(p.to, by) }];
    }
    if (p.kind === 'ball') {
      const by = minus(leg.ankle, f.near.ankle);
      return [{ ...p, at: plus(p.at, { x: by.x, y: 0 }) }];
    }
    return [p];
  });
}

/** Half the distance of the feet, of stature (drawing only). */
const HALF_STANCE = 0.085;
/** Half the width of the shoulders, of stature (drawing only). */
const HALF_SHOULDERS = 0.11;

/**
 * The body from the front, out of the heights of the side view: feet a stance apart, knees over them, and what the
 * fault changes across. The athlete's right is on the viewer's left; one leg alone is the viewer's left one.
 */
function fromTheFront(build: Build, f: Figure, m: SettledMechanics, s: FaultShows): Figure {
  const H = build.statureM;
  const oneStands = 'legs' in m && m.legs === 1;
  const split = m.type === 'lunge';
  const halfHip = (build.lengths.hipBreadth / 2) * 0.75;
  const half =
    (oneStands ? 0 : split ? 0.055 * H : HALF_STANCE * H) + (oneStands ? 0 : (s.feetApartM ?? 0) / 2);
  const tip = s.pelvisDeg ?? 0;
  const middle: Point = { x: oneStands ? 0.03 * H : 0, y: f.hip.y };
  const hipOf = (sign: 1 | -1): Point => plus(middle, turned({ x: sign * halfHip, y: 0 }, tip));
  const leg = (sign: 1 | -1, side: LegPoints, standsAt: number, shown: boolean): LegPoints => {
    const hip = hipOf(sign);
    const ankle = { x: standsAt, y: side.ankle.y };
    const shank = length(minus(side.knee, side.ankle));
    const inward = shown ? shank * Math.sin(rad(s.kneesInDeg ?? 0)) : 0;
    const upright = Math.max(0, Math.min(1, (side.knee.y - side.ankle.y) / shank));
    const over = ankle.x + (hip.x - ankle.x) * (1 - upright) * 0.5;
    const knee = { x: over - sign * inward, y: side.knee.y };
    const foot = build.lengths.foot;
    return {
      hip,
      knee,
      ankle,
      heel: { x: ankle.x - sign * 0.06 * foot, y: side.heel.y },
      toe: { x: ankle.x + sign * 0.3 * foot, y: Math.min(side.heel.y, side.toe.y) },
    };
  };
  // The viewer's left shows what one leg alone shows; a free leg hangs beside the standing one.
  const left = leg(-1, f.near, -half, true);
  const right = oneStands
    ? leg(1, f.far, 0.1 * H, false)
    : leg(1, split ? f.far : f.near, half, s.oneLeg !== true);
  const lean = (s.leanDeg ?? 0) + tip * 0.3;
  const up = turned({ x: 0, y: f.shoulder.y - f.hip.y }, lean);
  const shoulder = plus(middle, up);
  const armAt = (sign: 1 | -1): ArmPoints => {
    const top = plus(shoulder, { x: sign * HALF_SHOULDERS * H, y: -0.01 * H });
    const drop = f.nearArm.hand.y - f.shoulder.y;
    const hand = plus(top, {
      x: f.load && f.load.look !== 'dumbbell' ? -sign * 0.06 * H : sign * 0.05 * H,
      y: Math.max(-0.38 * H, drop),
    });
    return { shoulder: top, hand, elbow: plus(between(top, hand, 0.5), { x: sign * 0.035 * H, y: 0 }) };
  };
  return {
    ...f,
    view: 'front',
    spine: undefined,
    hip: middle,
    shoulder,
    head: plus(shoulder, { x: up.x * 0.2, y: f.head.y - f.shoulder.y }),
    facing: null,
    near: left,
    far: right,
    legsTogether: false,
    nearArm: armAt(-1),
    farArm: armAt(1),
    load: null,
    props: f.props.flatMap((p): Figure['props'] =>
      p.kind === 'block' && p.what !== 'bench' && p.what !== 'seat'
        ? [{ ...p, x0: -0.17 * H, x1: 0.17 * H }]
        : p.kind === 'band'
          ? [bandAcross(p, f, left, right)]
          : [],
    ),
    pressure: [],
    com: null,
  };
}

/** A band goes across where it is worn: round the knees or round the ankles. */
function bandAcross(
  p: Extract<Figure['props'][number], { kind: 'band' }>,
  side: Figure,
  left: LegPoints,
  right: LegPoints,
): Figure['props'][number] {
  const middle = between(p.from, p.to, 0.5);
  const knees = length(minus(middle, side.near.knee)) < length(minus(middle, side.near.ankle));
  return knees
    ? { kind: 'band', from: left.knee, to: right.knee }
    : { kind: 'band', from: left.ankle, to: right.ankle };
}
