import { armLength, gripLength } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { Point, PointMass } from './plane.ts';

/** Where a load sits on the upper body, or hangs from it. */
export type LoadAt =
  'none' | 'goblet' | 'chest' | 'front' | 'across high' | 'across low' | 'counterweight' | 'at the sides';
export type ArmsAt = 'at the sides' | 'forward' | 'on the chest' | 'on the bar';

/** A place on the trunk (along it from the hip, forward of it) and from there level and down, metres. */
interface Place {
  along: number;
  forward: number;
  out: number;
  down: number;
}

/** What the arms do under a load; without one they are free. */
export function armsUnder(load: LoadAt, free: ArmsAt): ArmsAt {
  switch (load) {
    case 'none':
      return free;
    case 'goblet':
    case 'chest':
    case 'front':
      return 'on the chest';
    case 'across high':
    case 'across low':
      return 'on the bar';
    case 'counterweight':
      return 'forward';
    case 'at the sides':
      return 'at the sides';
  }
}

function loadPlace(build: Build, load: LoadAt): Place | null {
  const { constants: c, statureM: H, lengths: l } = build;
  const Lh = l.hipShoulder;
  const on = (along: number, forward: number): Place => ({ along, forward, out: 0, down: 0 });
  switch (load) {
    case 'none':
      return null;
    case 'goblet':
      return on(c.chestLoad * Lh, c.gobletForward * H);
    case 'chest':
      return on(c.chestLoad * Lh, c.huggedForward * H);
    case 'front':
      return on(Lh, c.frontForward * H);
    case 'across high':
      return on(Lh + c.highAlong * H, c.highForward * H);
    case 'across low':
      return on(Lh + c.lowAlong * H, c.lowForward * H);
    case 'counterweight':
      return { along: Lh, forward: 0, out: gripLength(build), down: 0 };
    case 'at the sides':
      return { along: Lh, forward: 0, out: 0, down: gripLength(build) };
  }
}

function armsPlace(build: Build, arms: ArmsAt): Place {
  const { constants: c, statureM: H, lengths: l, masses } = build;
  const Lh = l.hipShoulder;
  const reach = masses.arm.centre * armLength(build);
  switch (arms) {
    case 'on the chest':
      return { along: Lh + c.chestArmsAlong * H, forward: c.chestArmsForward * H, out: 0, down: 0 };
    case 'on the bar':
      return { along: Lh + c.barArmsAlong * H, forward: 0, out: 0, down: 0 };
    case 'forward':
      return { along: Lh, forward: 0, out: reach, down: 0 };
    case 'at the sides':
      return { along: Lh, forward: 0, out: 0, down: reach };
  }
}

/** Σ m·(x − x_joint) of what a joint carries, for a trunk at τ: `sin·sin τ + cos·cos τ + still`, kg·m. */
export interface Carried {
  kg: number;
  sin: number;
  cos: number;
  still: number;
}

/** What the hips and what L5/S1 carry: trunk, head, arms and load as sums that the lean only turns. */
export interface Upper {
  hip: Carried;
  l5: Carried;
}

/** Mass of the trunk and head above L5/S1, and its centre along the hip–shoulder line as a share of it. */
export function aboveL5(build: Build): { kg: number; centre: number } {
  const { trunkHead, pelvis } = build.masses;
  const fraction = trunkHead.fraction - pelvis.fraction;
  return {
    kg: fraction * build.massKg,
    centre: (trunkHead.fraction * trunkHead.centre - pelvis.fraction * pelvis.centre) / fraction,
  };
}

/** The upper body with arms and load, in closed form. */
export function upperOf(build: Build, arms: ArmsAt, load: LoadAt, loadKg: number): Upper {
  const { masses, massKg, lengths } = build;
  const Lh = lengths.hipShoulder;
  const trunkKg = masses.trunkHead.fraction * massKg;
  const hip: Carried = { kg: trunkKg, sin: trunkKg * masses.trunkHead.centre * Lh, cos: 0, still: 0 };
  const above = aboveL5(build);
  const l5: Carried = { kg: above.kg, sin: above.kg * above.centre * Lh, cos: 0, still: 0 };
  const add = (kg: number, p: Place | null) => {
    if (!p || kg === 0) return;
    for (const c of [hip, l5]) {
      c.kg += kg;
      c.sin += kg * p.along;
      c.cos += kg * p.forward;
      c.still += kg * p.out;
    }
  };
  add(2 * masses.arm.fraction * massKg, armsPlace(build, arms));
  add(loadKg, loadPlace(build, load));
  // Moments about L5/S1 rather than about the hip.
  l5.sin -= l5.kg * build.constants.l5Place * Lh;
  return { hip, l5 };
}

/** Unit vectors along the trunk and forward of it. */
export const trunkAxes = (tauDeg: number) => {
  const t = (tauDeg * Math.PI) / 180;
  return { u: { x: Math.sin(t), y: Math.cos(t) }, n: { x: Math.cos(t), y: -Math.sin(t) } };
};

/** A place along the trunk from the hip and forward of it, metres. */
export const onTrunk = (hip: Point, trunkDeg: number, along: number, forward: number): Point =>
  placed(hip, trunkDeg, { along, forward, out: 0, down: 0 });

function placed(hip: Point, trunkDeg: number, p: Place): Point {
  const { u, n } = trunkAxes(trunkDeg);
  return {
    x: hip.x + p.along * u.x + p.forward * n.x + p.out,
    y: hip.y + p.along * u.y + p.forward * n.y - p.down,
  };
}

/** Where the load is; null without one. */
export function loadPoint(build: Build, load: LoadAt, hip: Point, trunkDeg: number): Point | null {
  const place = loadPlace(build, load);
  return place && placed(hip, trunkDeg, place);
}

/** Centre of both arms. */
export const armPoint = (build: Build, arms: ArmsAt, hip: Point, trunkDeg: number): Point =>
  placed(hip, trunkDeg, armsPlace(build, arms));

/** The same upper body as point masses: trunk with head, arms, load; for drawing and for checks. */
export function upperMasses(
  build: Build,
  hip: Point,
  trunkDeg: number,
  arms: Point,
  load: Point | null,
  loadKg: number,
): PointMass[] {
  const { masses, massKg, lengths } = build;
  const { u } = trunkAxes(trunkDeg);
  const along = masses.trunkHead.centre * lengths.hipShoulder;
  return [
    { kg: masses.trunkHead.fraction * massKg, x: hip.x + along * u.x, y: hip.y + along * u.y },
    { kg: 2 * masses.arm.fraction * massKg, ...arms },
    ...(load && loadKg > 0 ? [{ kg: loadKg, ...load }] : []),
  ];
}
