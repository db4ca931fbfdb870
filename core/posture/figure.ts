import { gripLength } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { FreeHands, LoadLook, SettledMechanics } from './mechanics.ts';
import type { LoadPlace } from '../terms/index.ts';
import type { ArmPoints, Figure, LegPoints, Prop } from './figure-points.ts';
import { drawnFigure } from './drawn.ts';
import { between, circlesMeet, totalMass } from './plane.ts';
import type { Point } from './plane.ts';
import { allMasses, isHeld } from './posture.ts';
import type { Posture } from './posture.ts';
import { isComputed, massesOf } from './range.ts';
import type { Computed, Range, RangeOptions } from './range.ts';
import { sideStepFigure } from './side-step.ts';
import { armPoint, trunkAxes } from './upper.ts';

/** Back edge of a step-up box, of stature from the heel on it (drawing only). */
const STEP_BACK = -0.02;

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

/** A place along the trunk from the hip and forward of it. */
function onTrunkOf(p: Posture, along: number, forward: number): Point {
  const { u, n } = trunkAxes(p.trunkDeg);
  const { hip } = p.joints;
  return { x: hip.x + along * u.x + forward * n.x, y: hip.y + along * u.y + forward * n.y };
}

interface Hands {
  near: Point;
  far: Point;
  /** Which side of the line from shoulder to hand the elbow goes: 0 left, 1 right of it. */
  side: 0 | 1;
}

/** Where free hands are, before the trunk at its lean. */
function freeHandsAt(build: Build, hands: FreeHands, p: Posture, floorY: number): Hands {
  const H = build.statureM;
  const { shoulder } = p.joints;
  const on = (along: number, forward: number) => onTrunkOf(p, along, forward);
  const Lh = build.lengths.hipShoulder;
  const both = (at: Point, side: 0 | 1): Hands => ({ near: at, far: at, side });
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
      return both({ x: shoulder.x + 0.02 * H, y: shoulder.y - gripLength(build) * 0.99 }, 0);
  }
}

const lookOf = (place: LoadPlace | 'bar' | 'sides'): LoadLook => {
  switch (place) {
    case 'at the chest':
    case 'between the legs':
      return 'bell';
    case 'at the sides':
    case 'sides':
      return 'dumbbell';
    case 'arms out in front':
      return 'plate';
    default:
      return 'bar';
  }
};

function handsOf(build: Build, m: Computed, p: Posture, floorY: number): Hands {
  const H = build.statureM;
  const { joints: j } = p;
  const both = (at: Point, side: 0 | 1): Hands => ({ near: at, far: at, side });
  if (m.type === 'bridge') return bridgeHands(build, m.bench !== undefined, j.load, p);
  if (m.type === 'squat' && m.pull) {
    const out = armPoint(build, 'forward', j.hip, p.trunkDeg);
    return both({ x: j.shoulder.x + gripLength(build) * 0.97, y: out.y - 0.01 * H }, 0);
  }
  if (j.hand && m.type !== 'squat') return both(j.hand, 0);
  if (j.load && 'loadPlace' in m) {
    switch (m.loadPlace) {
      case 'at the chest':
        return both(j.load, 1);
      case 'front of shoulders':
        return both(onTrunkOf(p, build.lengths.hipShoulder + 0.05 * H, 0.02 * H), 1);
      default:
        return both(j.load, 0);
    }
  }
  if (m.type === 'extension' && j.load) return both(j.load, 1);
  const hands = m.type === 'lift' ? 'at the sides' : (m.hands ?? 'at the sides');
  return freeHandsAt(build, hands, p, floorY);
}

/** Lying, the arms rest beside the body; on a bench they hold the load or lie along the hips. */
function bridgeHands(build: Build, bench: boolean, load: Point | null, p: Posture): Hands {
  const H = build.statureM;
  const { hip, shoulder } = p.joints;
  if (load) {
    const at = { x: load.x - 0.01 * H, y: load.y + 0.045 * H };
    return { near: at, far: at, side: 1 };
  }
  const at = bench
    ? { x: hip.x - 0.06 * H, y: hip.y + 0.05 * H }
    : { x: shoulder.x + gripLength(build) * 0.96, y: 0.022 * H };
  return { near: at, far: at, side: 1 };
}

function props(build: Build, m: Computed, p: Posture, range: Range, figure: Omit<Figure, 'props'>): Prop[] {
  const H = build.statureM;
  const { joints: j } = p;
  const list: Prop[] = [];
  const working = range.postures.at(-1)!;
  const block = (what: 'box' | 'bench' | 'seat' | 'step', x0: number, x1: number, y0: number, y1: number) =>
    list.push({ kind: 'block', what, x0, x1, y0, y1 });
  if ('wall' in m && m.wall) {
    const xs = range.postures.map((q) => q.joints);
    list.push({
      kind: 'wall',
      x:
        m.wall === 'in front'
          ? Math.max(...xs.map((q) => Math.max(q.toe.x, q.knee.x, q.shoulder.x))) + 0.05 * H
          : Math.min(...xs.map((q) => q.hip.x)) - build.constants.buttockDepth * H,
    });
  }
  switch (m.type) {
    case 'squat': {
      if (m.box && m.stepUpM === undefined) {
        const at = working.joints.hip;
        block('box', at.x - 0.17 * H, at.x + 0.06 * H, 0, at.y - build.constants.buttockDepth * H);
      }
      if (m.stepUpM !== undefined) block('step', STEP_BACK * H, 0.24 * H, -m.stepUpM, 0);
      if (m.heelWedgeDeg) list.push({ kind: 'wedge', heel: j.heel, toe: j.toe });
      if (m.pull) {
        const hand = figure.nearArm.hand;
        if (m.pull === 'strap')
          list.push({ kind: 'strap', from: hand, to: { x: hand.x + 0.28 * H, y: hand.y + 0.16 * H } });
        else list.push({ kind: 'pole', x: hand.x, top: hand.y + 0.06 * H });
      }
      break;
    }
    case 'hinge':
      if (m.hands === 'stick along the back' && j.load === null) {
        const on = (along: number) => onTrunkOf(p, along, -0.062 * H);
        list.push({ kind: 'stick', from: on(-0.06 * H), to: on(build.lengths.hipShoulder + 0.17 * H) });
      }
      break;
    case 'bridge': {
      const upper = p.forces.find((f) => f.from === 'bench')?.at;
      const benchM = upper ? upper.y - build.constants.trunkDepth * H : 0;
      if (upper) block('bench', upper.x - 0.2 * H, upper.x + 0.05 * H, 0, benchM);
      if (m.feetRaisedM) {
        if (m.feetOn === 'ball') {
          list.push({ kind: 'ball', at: { x: j.ankle.x, y: m.feetRaisedM / 2 }, radius: m.feetRaisedM / 2 });
        } else block('step', j.ankle.x - 0.09 * H, j.ankle.x + 0.2 * H, 0, m.feetRaisedM);
      }
      break;
    }
    case 'lunge':
      if (m.rearFootRaisedM) {
        block(
          'seat',
          j.other!.toe.x - 0.02 * H,
          j.other!.ankle.x + 0.06 * H,
          figure.floorY,
          m.rearFootRaisedM - (m.frontFootRaisedM ?? 0),
        );
      }
      if (m.frontFootRaisedM) block('step', -0.04 * H, 0.19 * H, -m.frontFootRaisedM, 0);
      if (m.touch) {
        list.push({ kind: 'pole', x: figure.farArm.hand.x, top: figure.farArm.hand.y + 0.02 * H });
      }
      break;
    case 'extension': {
      const pad = p.forces.find((f) => f.from === 'pad')!.at;
      const along = { x: j.knee.x - j.hip.x, y: j.knee.y - j.hip.y };
      const d = Math.hypot(along.x, along.y);
      const unit = { x: along.x / d, y: along.y / d };
      // The pad lies under the front of the thighs, the hook over the heels.
      const beside = (p: Point, by: number, off: number): Point => ({
        x: p.x + by * unit.x - off * unit.y,
        y: p.y + by * unit.y + off * unit.x,
      });
      const depth = (build.constants.thighDepth + 0.018) * H;
      list.push({ kind: 'pad', from: beside(pad, -0.05 * H, depth), to: beside(pad, 0.09 * H, depth) });
      const heel = beside(j.ankle, -0.02 * H, -0.035 * H);
      list.push({ kind: 'pad', from: heel, to: heel });
      break;
    }
  }
  if ('loadPlace' in m && (m.loadPlace === 'round the knees' || m.loadPlace === 'round the ankles')) {
    const knees = m.loadPlace === 'round the knees';
    const from = knees ? between(j.knee, j.hip, 0.1) : between(j.ankle, j.knee, 0.12);
    const limb = knees ? { a: j.knee, b: j.hip } : { a: j.ankle, b: j.knee };
    const d = Math.hypot(limb.b.x - limb.a.x, limb.b.y - limb.a.y);
    const n = { x: -(limb.b.y - limb.a.y) / d, y: (limb.b.x - limb.a.x) / d };
    const half = (knees ? 0.045 : 0.032) * H;
    list.push({
      kind: 'band',
      from: { x: from.x - half * n.x, y: from.y - half * n.y },
      to: { x: from.x + half * n.x, y: from.y + half * n.y },
    });
  }
  return list;
}

/** The head goes on where the trunk points; lying on the floor it rests there instead. */
function headOf(shoulder: Point, u: Point, H: number, onFloor: boolean): Point {
  const d = HEAD.beyond * H;
  if (!onFloor) return { x: shoulder.x + d * u.x, y: shoulder.y + d * u.y };
  const y = HEAD.radius * H;
  return { x: shoulder.x - Math.sqrt(d * d - (shoulder.y - y) ** 2), y };
}

/** Everything to draw one posture of a computed variation. */
function computedFigure(build: Build, m: Computed, p: Posture, range: Range, o: RangeOptions): Figure {
  const H = build.statureM;
  const { joints: j } = p;
  const { u } = trunkAxes(p.trunkDeg);
  const floorY =
    m.type === 'squat' && m.stepUpM !== undefined
      ? -m.stepUpM
      : m.type === 'lunge' && m.frontFootRaisedM
        ? -m.frontFootRaisedM
        : 0;
  const near: LegPoints = { hip: j.hip, knee: j.knee, ankle: j.ankle, heel: j.heel, toe: j.toe };
  const far: LegPoints = j.other ? { hip: j.hip, ...j.other } : near;
  if (m.type === 'squat' && m.stepUpM !== undefined) trailOnToes(build, j.hip, far, floorY);
  const hands = handsOf(build, m, p, floorY);
  const touch = m.type === 'lunge' && m.touch === true;
  const farTarget = touch ? { x: j.shoulder.x + 0.2 * H, y: j.shoulder.y - 0.27 * H } : hands.far;
  const look: LoadLook =
    m.type === 'lift'
      ? lookOf(m.implement === 'straight bar' ? 'bar' : 'sides')
      : m.type === 'extension'
        ? 'plate'
        : (m.loadLook ?? lookOf(m.loadPlace));
  const masses = isHeld(p) || p.verdict !== 'out of reach' ? allMasses(massesOf(build, m, p, o)) : [];
  const kg = masses.length ? totalMass(masses) : 0;
  // On the floor the head and arms rest and are no part of the free body, so no centre of mass is shown.
  const whole = kg > 0 && !(m.type === 'bridge' && m.bench === undefined) && m.type !== 'extension';
  const weight = p.forces.reduce((sum, f) => sum + f.yN, 0);
  const figure: Omit<Figure, 'props'> = {
    view: 'side',
    statureM: H,
    head: headOf(j.shoulder, u, H, m.type === 'bridge' && m.bench === undefined),
    headRadius: HEAD.radius * H,
    facing: trunkAxes(p.trunkDeg).n,
    hip: j.hip,
    shoulder: j.shoulder,
    near,
    far,
    legsTogether: j.other === null,
    nearArm: armTo(build, j.shoulder, hands.near, hands.side),
    farArm: armTo(build, j.shoulder, farTarget, hands.side),
    load: j.load && { at: j.load, look, kg: range.loadKg },
    floorY,
    pressure: p.forces
      .filter((f) => f.yN > 0 && (f.from === 'floor' || f.from === 'rear foot' || f.from === 'box'))
      .map((f) => ({ at: f.at, share: weight > 0 ? f.yN / weight : 0 })),
    com: whole ? { x: p.comX, y: masses.reduce((sum, q) => sum + q.kg * q.y, 0) / kg } : null,
  };
  return { ...figure, props: props(build, m, p, range, figure) };
}

/** The trailing leg of a step-up: straight down to its toes on the floor while it reaches, hanging after. */
function trailOnToes(build: Build, hip: Point, leg: LegPoints, floorY: number): void {
  const { thigh, shank, foot, ankleHeight } = build.lengths;
  const H = build.statureM;
  const length = thigh + shank;
  const x = Math.min(hip.x, STEP_BACK * H - 0.62 * foot);
  const low = hip.y - Math.sqrt(Math.max(0, length * length - (hip.x - x) ** 2));
  // Up on the toes by at most a tenth of stature; beyond that the foot has left the floor and the leg hangs.
  if (low > floorY + ankleHeight + 0.1 * H) return;
  const ankle = { x, y: Math.max(low, floorY + ankleHeight + 0.05 * H) };
  const meet = circlesMeet(ankle, shank, hip, thigh);
  leg.ankle = ankle;
  leg.knee = meet ? meet[1] : between(ankle, hip, shank / length);
  leg.toe = { x: x + 0.55 * foot, y: floorY };
  leg.heel = { x: x - 0.12 * foot, y: ankle.y - 0.7 * ankleHeight };
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
