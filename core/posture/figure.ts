import { gripLength } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import { both } from './hands.ts';
import type { Hands } from './hands.ts';
import type { FreeHands, LoadLook, SettledMechanics, Wall } from './mechanics.ts';
import type { LoadPlace } from '../terms/index.ts';
import type { ArmPoints, Figure, LegPoints, Prop } from './figure-points.ts';
import { drawnFigure } from './drawn.ts';
import { between, circlesMeet, totalMass } from './plane.ts';
import type { Point } from './plane.ts';
import { solverOf, STEP_BACK } from './movements/index.ts';
import { isComputed } from './movements/movement.ts';
import type { Computed, RangeOptions, Solver } from './movements/movement.ts';
import { allMasses } from './posture.ts';
import type { Posture } from './posture.ts';
import type { Range } from './range.ts';
import { sideStepFigure } from './side-step.ts';
import { onTrunk, trunkAxes } from './upper.ts';

/** Head on the line of the trunk: centre beyond the shoulder and radius, of stature (assumption, drawing only). */
const HEAD = { beyond: 0.112, radius: 0.058 };

/** Elbow between shoulder and hand, bent to the given side of the line; straight when out of reach. */
function armTo(build: Build, shoulder: Point, target: Point, side: 0 | 1): ArmPoints {
  const { upperArm, forearm, hand } = build.lengths;
  const lower = forearm + hand / 2;
  const reach = Math.hypot(target.x - shoulder.x, target.y - shoulder.y);
  const far = upperArm + lower;
  if (reach >= far * 0.999) {
    const end = between(shoulder, target, far / reach);
    return { shoulder, elbow: between(shoulder, end, upperArm / far), hand: end };
  }
  const meet = circlesMeet(shoulder, upperArm, target, lower);
  return { shoulder, elbow: meet ? meet[side] : between(shoulder, target, 0.5), hand: target };
}

const onTrunkOf = (p: Posture, along: number, forward: number): Point =>
  onTrunk(p.joints.hip, p.trunkDeg, along, forward);

/** Where free hands are, before the trunk at its lean. */
function freeHandsAt(build: Build, hands: FreeHands, p: Posture, floorY: number): Hands {
  const H = build.statureM;
  const { shoulder } = p.joints;
  const on = (along: number, forward: number) => onTrunkOf(p, along, forward);
  const Lh = build.lengths.hipShoulder;
  switch (hands) {
    case 'forward':
      return both({ x: shoulder.x + gripLength(build), y: shoulder.y }, 0);
    case 'crossed':
      return both(on(Lh - 0.03 * H, 0.075 * H), 1);
    case 'behind the ears':
      return both(on(Lh + 0.1 * H, -0.03 * H), 0);
    case 'on the hips':
      return both(on(0.04 * H, 0.03 * H), 0);
    case 'on the floor':
      return both({ x: shoulder.x + 0.1 * H, y: floorY + 0.02 * H }, 0);
    case 'stick along the back':
      return { near: on(Lh + 0.05 * H, -0.06 * H), far: on(0.06 * H, -0.07 * H), side: 0 };
    case 'at the sides':
      return both(
        {
          x: shoulder.x + 0.02 * H,
          y: Math.max(floorY + 0.02 * H, shoulder.y - gripLength(build) * 0.99),
        },
        0,
      );
  }
}

/** How a load is drawn: as its document says, or what usually sits in that place. */
function lookOf(m: Computed): LoadLook {
  if (m.type === 'lift') return m.implement === 'straight bar' ? 'bar' : 'dumbbell';
  if (m.type === 'extension') return 'plate';
  if (m.loadLook) return m.loadLook;
  switch (m.loadPlace) {
    case 'at the chest':
    case 'between the legs':
      return 'bell';
    case 'at the sides':
      return 'dumbbell';
    case 'arms out in front':
      return 'plate';
    default:
      return 'bar';
  }
}

function handsOf(build: Build, m: Computed, p: Posture, solver: Solver): Hands {
  const own = solver.hands(p);
  if (own) return own;
  const { load } = p.joints;
  const H = build.statureM;
  if (load && 'loadPlace' in m) {
    switch (m.loadPlace) {
      case 'at the chest':
        return both(load, 1);
      case 'front of shoulders':
        return both(onTrunkOf(p, build.lengths.hipShoulder + 0.05 * H, 0.02 * H), 1);
      default:
        return both(load, 0);
    }
  }
  return freeHandsAt(build, ('hands' in m && m.hands) || 'at the sides', p, solver.floorY);
}

/** A loop round the knees or ankles. */
function bandOn(build: Build, place: LoadPlace, { knee, hip, ankle }: Posture['joints']): Prop | null {
  if (place !== 'round the knees' && place !== 'round the ankles') return null;
  const H = build.statureM;
  const knees = place === 'round the knees';
  const from = knees ? between(knee, hip, 0.1) : between(ankle, knee, 0.12);
  const limb = knees ? { a: knee, b: hip } : { a: ankle, b: knee };
  const d = Math.hypot(limb.b.x - limb.a.x, limb.b.y - limb.a.y);
  const n = { x: -(limb.b.y - limb.a.y) / d, y: (limb.b.x - limb.a.x) / d };
  const half = (knees ? 0.045 : 0.032) * H;
  return {
    kind: 'band',
    from: { x: from.x - half * n.x, y: from.y - half * n.y },
    to: { x: from.x + half * n.x, y: from.y + half * n.y },
  };
}

/** A wall stands clear of the whole movement in front, and just touched behind. */
function wallAt(build: Build, wall: Wall, postures: readonly Posture[]): Prop {
  const H = build.statureM;
  const xs = postures.map((q) => q.joints);
  return {
    kind: 'wall',
    x:
      wall === 'in front'
        ? Math.max(...xs.map((q) => Math.max(q.toe.x, q.knee.x, q.shoulder.x))) + 0.05 * H
        : Math.min(...xs.map((q) => q.hip.x)) - build.constants.buttockDepth * H,
  };
}

/** The head goes on where the trunk points; lying it rests on what is under it instead. */
function headOf(shoulder: Point, u: Point, H: number, restY: number): Point {
  const d = HEAD.beyond * H;
  const y = restY + HEAD.radius * H;
  const free = shoulder.y + d * u.y;
  // On the floor it rests all the way; over a bench it is free until it would go into it.
  if (restY > 0 ? free >= y : restY < 0) return { x: shoulder.x + d * u.x, y: free };
  return { x: shoulder.x - Math.sqrt(Math.max(0, d * d - (shoulder.y - y) ** 2)), y };
}

/** Everything to draw one posture of a computed variation. */
function computedFigure(build: Build, m: Computed, p: Posture, range: Range, o: RangeOptions): Figure {
  const H = build.statureM;
  const { joints: j } = p;
  const { u, n } = trunkAxes(p.trunkDeg);
  const solver = solverOf(build, m, o);
  const { floorY } = solver;
  const onFloor = m.type === 'bridge' && m.bench === undefined;
  const near: LegPoints = { hip: j.hip, knee: j.knee, ankle: j.ankle, heel: j.heel, toe: j.toe };
  const far: LegPoints = j.other ? { hip: j.hip, ...j.other } : near;
  if (m.type === 'squat' && m.stepUpM !== undefined) trailingLeg(build, p, far, floorY);
  else if (j.other && (m.type === 'squat' || (m.type === 'hinge' && !m.kickstand))) {
    clearFloor(build, j.hip, far, floorY);
  }
  const hands = handsOf(build, m, p, solver);
  const masses = p.verdict === 'out of reach' ? [] : allMasses(solver.masses(p));
  const kg = masses.length ? totalMass(masses) : 0;
  // On the floor the head and arms rest and are no part of the free body, so no centre of mass is shown.
  const whole = kg > 0 && !onFloor && m.type !== 'extension';
  const weight = p.forces.reduce((sum, f) => sum + f.yN, 0);
  const figure: Omit<Figure, 'props'> = {
    view: 'side',
    statureM: H,
    head: headOf(j.shoulder, u, H, solver.restY),
    headRadius: HEAD.radius * H,
    facing: n,
    hip: j.hip,
    shoulder: j.shoulder,
    near,
    far,
    legsTogether: j.other === null,
    nearArm: armTo(build, j.shoulder, hands.near, hands.side),
    farArm: armTo(build, j.shoulder, solver.steadies(p) ?? hands.far, hands.side),
    load: j.load && { at: j.load, look: lookOf(m), kg: range.loadKg },
    floorY,
    pressure: p.forces
      .filter((f) => f.yN > 0 && (f.from === 'floor' || f.from === 'rear foot' || f.from === 'box'))
      .map((f) => {
        const n = Math.hypot(f.xN, f.yN);
        return { at: f.at, share: weight > 0 ? n / weight : 0, towards: { x: f.xN / n, y: f.yN / n } };
      }),
    com: whole ? { x: p.comX, y: masses.reduce((sum, q) => sum + q.kg * q.y, 0) / kg } : null,
  };
  const wall = 'wall' in m && m.wall ? [wallAt(build, m.wall, range.postures)] : [];
  const band = 'loadPlace' in m ? bandOn(build, m.loadPlace, j) : null;
  const props = [...wall, ...solver.props(p, range.postures, figure), ...(band ? [band] : [])];
  return { ...figure, props };
}

/** Moves a foot as it is, with its leg: the knee bends to the front. */
function footTo(build: Build, hip: Point, leg: LegPoints, ankle: Point): void {
  const by = { x: ankle.x - leg.ankle.x, y: ankle.y - leg.ankle.y };
  const { shank, thigh } = build.lengths;
  const meet = circlesMeet(ankle, shank, hip, thigh);
  if (!meet) return;
  leg.ankle = ankle;
  leg.knee = meet[1];
  leg.heel = { x: leg.heel.x + by.x, y: leg.heel.y + by.y };
  leg.toe = { x: leg.toe.x + by.x, y: leg.toe.y + by.y };
}

/** A free foot clears the floor by this, of stature. */
const CLEAR = 0.004;

/** A free leg that hangs beside the standing one is bent a little, so that its foot clears the floor. */
function clearFloor(build: Build, hip: Point, leg: LegPoints, floorY: number): void {
  const under = () => floorY - Math.min(leg.heel.y, leg.toe.y);
  for (let i = 0; i < 4 && under() > 0; i++) {
    const reach = Math.hypot(leg.ankle.x - hip.x, leg.ankle.y - hip.y);
    const shorter = 1 - (under() + CLEAR * build.statureM) / Math.max(0.2 * reach, hip.y - leg.ankle.y);
    footTo(build, hip, leg, between(hip, leg.ankle, shorter));
  }
}

/**
 * The trailing leg of a step-up: down to its toes behind the step while it reaches, then up beside the other foot as the
 * body comes up, first clear of the edge and then forward.
 */
function trailingLeg(build: Build, p: Posture, leg: LegPoints, floorY: number): void {
  const { thigh, shank, foot, ankleHeight } = build.lengths;
  const H = build.statureM;
  const { hip } = p.joints;
  const length = thigh + shank;
  const x = Math.min(hip.x, STEP_BACK * H - 0.62 * foot);
  const toes = floorY + ankleHeight + 0.05 * H;
  const most = floorY + ankleHeight + 0.1 * H;
  const low = hip.y - Math.sqrt(Math.max(0, length * length - (hip.x - x) ** 2));
  /** The foot with its toes pointing down by a share of what they do on the floor. */
  const shod = (ankle: Point, pointed: number) => {
    const drop = ankleHeight + 0.05 * H * pointed;
    leg.ankle = ankle;
    leg.toe = { x: ankle.x + (0.79 - 0.24 * pointed) * foot, y: ankle.y - drop };
    leg.heel = {
      x: ankle.x - (0.21 - 0.09 * pointed) * foot,
      y: ankle.y - (1 - 0.3 * pointed) * ankleHeight,
    };
  };
  let ankle: Point;
  if (low <= most) {
    ankle = { x, y: Math.max(low, toes) };
    shod(ankle, 1);
    leg.toe.y = floorY;
  } else {
    // How far the hip has come from where the toes leave the floor to standing on top.
    const left = hip.y - low + most;
    const way = Math.max(0, Math.min(1, (hip.y - left) / Math.max(1e-6, ankleHeight + length - left)));
    const up = Math.min(1, way / 0.6);
    const on = Math.max(0, (way - 0.6) / 0.4);
    const end = p.joints.ankle;
    const over = end.y + 0.055 * H;
    ankle = { x: x + (end.x - x) * on, y: most + (over - most) * up + (end.y - over) * on };
    shod(ankle, 1 - on);
  }
  const meet = circlesMeet(ankle, shank, hip, thigh);
  leg.knee = meet ? meet[1] : between(ankle, hip, shank / length);
}

/** A posture's figure is a function of how far the repetition has come: 0 start, 1 working position. */
export function figureAt(
  build: Build,
  m: SettledMechanics,
  range: Range | null,
  at: number,
  o: RangeOptions = {},
): Figure {
  if (!isComputed(m)) return drawnFigure(build, m, at, HEAD);
  if (!range) throw new RangeError('A computed variation is drawn from its range.');
  const index = Math.round(at * (range.postures.length - 1));
  const p = range.postures[Math.max(0, Math.min(range.postures.length - 1, index))]!;
  if (m.type === 'squat' && m.sidewaysShare !== undefined) return sideStepFigure(build, m, p, range, HEAD);
  return computedFigure(build, m, p, range, o);
}
