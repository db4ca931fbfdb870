import { Matrix, SVD } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { buildOf } from '../body/index.ts';
import * as P from './index.ts';

/*
 * An independent check: every segment is a free body, and all unknown contact forces, joint forces and
 * joint moments are solved as one linear system. Only the drawn points come from the solver; masses are
 * written down here again, from the same published table (Dempster via Winter, from memory).
 */
const H = 1.75;
const M = 75;
const G = 9.81;
const KG = {
  foot: 0.0145 * M,
  shank: 0.0465 * M,
  thigh: 0.1 * M,
  arm: 0.05 * M,
  trunkHead: 0.578 * M,
  trunk: 0.497 * M,
};
const b = buildOf({ statureM: H, massKg: M, ankleLimitDeg: 45 });

interface Mass {
  kg: number;
  x: number;
  y: number;
}
type Row = Record<string, number>;

const mid = (p: P.Point, q: P.Point, share: number, kg: number): Mass => ({
  kg,
  x: p.x + (q.x - p.x) * share,
  y: p.y + (q.y - p.y) * share,
});

/** Collects three equations a body and solves them all at once, in the least-squares sense. */
class FreeBodies {
  private rows: { row: Row; right: number }[] = [];

  /** A body with its masses, the contacts (unknown force at a point) and joints (force and moment) acting on it. */
  body(masses: Mass[], contacts: [string, P.Point][], joints: [string, P.Point, 1 | -1][]): void {
    const fx: Row = {};
    const fy: Row = {};
    const mz: Row = {};
    for (const [name, p] of contacts) {
      fx[`${name}.x`] = 1;
      fy[`${name}.y`] = 1;
      mz[`${name}.x`] = -p.y;
      mz[`${name}.y`] = p.x;
    }
    for (const [name, p, sign] of joints) {
      fx[`${name}.x`] = sign;
      fy[`${name}.y`] = sign;
      mz[`${name}.x`] = -sign * p.y;
      mz[`${name}.y`] = sign * p.x;
      mz[`${name}.m`] = sign;
    }
    const weight = masses.reduce((sum, m) => sum + m.kg * G, 0);
    const turning = masses.reduce((sum, m) => sum + m.kg * G * m.x, 0);
    this.rows.push({ row: fx, right: 0 }, { row: fy, right: weight }, { row: mz, right: turning });
  }

  /** A further equation, where statics alone leaves one open. */
  also(row: Row, right: number): void {
    this.rows.push({ row, right });
  }

  solve(): { value: Row; residual: number } {
    const names = [...new Set(this.rows.flatMap(({ row }) => Object.keys(row)))];
    const a = new Matrix(this.rows.map(({ row }) => names.map((n) => row[n] ?? 0)));
    const right = Matrix.columnVector(this.rows.map((r) => r.right));
    const svd = new SVD(a, { autoTranspose: true });
    expect(svd.rank).toBe(names.length);
    const x = svd.solve(right);
    const residual = Matrix.sub(a.mmul(x), right).norm();
    return { value: Object.fromEntries(names.map((n, i) => [n, x.get(i, 0)])), residual };
  }
}

/** Arms, load and free leg: what stands after trunk and head in the list of what the hips carry. */
const others = (all: readonly P.PointMass[]) => all.slice(1);

function standing(p: P.Posture, masses: P.Masses, legs: 1 | 2) {
  const { joints: j } = p;
  const bodies = new FreeBodies();
  // A strap pulls at 20° and a box pushes up: their sizes are unknowns like every other force.
  const support = p.forces.find((f) => f.from === 'strap' || f.from === 'box');
  const held: [string, P.Point][] = support ? [[support.from, support.at]] : [];
  if (support?.from === 'box') bodies.also({ 'box.x': 1 }, 0);
  if (support?.from === 'strap') bodies.also({ 'strap.y': 1, 'strap.x': -Math.tan(Math.PI / 9) }, 0);
  const foot: Mass = { kg: legs * KG.foot, x: 0.455 * 0.152 * H, y: 0.0195 * H };
  bodies.body([foot], [['ground', { x: p.copX, y: 0 }]], [['ankle', j.ankle, -1]]);
  bodies.body(
    [mid(j.knee, j.ankle, 0.433, legs * KG.shank)],
    [],
    [
      ['ankle', j.ankle, 1],
      ['knee', j.knee, -1],
    ],
  );
  bodies.body(
    [mid(j.hip, j.knee, 0.433, legs * KG.thigh)],
    [],
    [
      ['knee', j.knee, 1],
      ['hip', j.hip, -1],
    ],
  );
  bodies.body([mid(j.hip, j.shoulder, 0.66, KG.trunkHead), ...others(masses.aboveHip)], held, [
    ['hip', j.hip, 1],
  ]);
  return bodies.solve();
}

const FROM_FLOOR: P.LiftSetUp = {
  fromHeightM: 0.225,
  implement: 'straight bar',
  loadKg: 100,
  pressure: 0.45,
};
const LIFT: [string, Partial<P.HingeSetUp>] = ['lift from the floor', { carry: 'close', loadKg: 100 }];

describe('standing postures as free bodies', () => {
  const squats: [string, Partial<P.SquatSetUp>][] = [
    ['bodyweight squat', {}],
    ['half squat', { thighDeg: 45, arms: 'at the sides' }],
    ['front squat', { load: 'front', loadKg: 60 }],
    ['low-bar squat', { load: 'across low', loadKg: 80 }],
    ['knee behind the toe', { load: 'across high', loadKg: 60, kneePastToeM: 0 }],
    ['one-leg squat', { legs: 1, thighDeg: 75 }],
    ['strap squat', { pull: 'strap', shinLimitDeg: 5 }],
    ['seated on a box', { box: 'seated', shinLimitDeg: 0 }],
  ];
  const hinges: [string, Partial<P.HingeSetUp>][] = [
    ['stick hinge', {}],
    ['bar held back', { carry: 'held back', loadKg: 60 }],
    ['good morning', { carry: 'across high', loadKg: 30 }],
    ['one-leg hinge', { legs: 1, trunkDeg: 75 }],
  ];
  it.each([
    ...squats.map(([name, set]) => {
      const p = P.squat(b, set);
      return [name, p, P.squatMasses(b, set, p), set.legs ?? 2] as const;
    }),
    ...[...hinges, LIFT].map(([name, set]) => {
      const p = name === LIFT[0] ? P.lift(b, FROM_FLOOR) : P.hinge(b, set);
      return [name, p, P.hingeMasses(b, set, p), set.legs ?? 2] as const;
    }),
  ])('%s', (_name, p, masses, legs) => {
    const { value, residual } = standing(p, masses, legs);
    // More equations than unknowns: a residual of nought is balance itself.
    expect(residual).toBeLessThan(1e-7);
    const [leg] = p.legs;
    expect(value['hip.m']).toBeCloseTo(leg!.hipNm * legs, 7);
    expect(-value['knee.m']!).toBeCloseTo(leg!.kneeNm * legs, 7);
    expect(value['ankle.m']).toBeCloseTo(leg!.ankleNm! * legs, 7);
    for (const f of p.forces) {
      if (f.from === 'box') expect(value['box.y']).toBeCloseTo(f.yN, 7);
      if (f.from === 'strap') expect(value['strap.x']).toBeCloseTo(f.xN, 7);
    }
  });
});

describe('bridges as free bodies', () => {
  const rows: [string, Partial<P.BridgeSetUp>][] = [
    ['floor bridge', {}],
    ['feet farther', { feetFartherDeg: 30 }],
    ['one-leg bridge', { legs: 1 }],
    ['feet raised', { feetRaisedM: 0.3 }],
    ['thrust with load', { benchM: 0.4, loadKg: 60 }],
    ['thrust, friction at the feet', { benchM: 0.4, friction: 0.12 }],
  ];
  it.each(rows)('%s, bottom and top', (_name, set) => {
    const range = P.bridgeRange(b, set);
    for (const p of [range[0]!, range.at(-1)!]) {
      const { hip, knee, ankle } = p.joints;
      const [floor, back] = p.forces;
      const legs = set.legs ?? 2;
      const raised = set.feetRaisedM ?? 0;
      const bodies = new FreeBodies();
      const contact = { x: ankle.x, y: raised };
      const footMass: Mass = { kg: legs * KG.foot, x: ankle.x + 0.24 * 0.152 * H, y: raised + 0.0195 * H };
      const along = (share: number, kg: number): Mass => {
        const phi = ((-90 - p.trunkDeg) * Math.PI) / 180;
        return {
          kg,
          x: hip.x - share * 0.288 * H * Math.cos(phi),
          y: hip.y - share * 0.288 * H * Math.sin(phi),
        };
      };
      const direction = { x: (knee.x - hip.x) / (0.245 * H), y: (knee.y - hip.y) / (0.245 * H) };
      const onFree = (metres: number, kg: number): Mass => ({
        kg,
        x: hip.x + metres * direction.x,
        y: hip.y + metres * direction.y,
      });
      const free =
        legs === 1
          ? [
              onFree(0.433 * 0.245 * H, KG.thigh),
              onFree((0.245 + 0.433 * 0.246) * H, KG.shank),
              onFree(0.491 * H, KG.foot),
            ]
          : [];
      const upperBody = set.benchM
        ? [along(0.66, KG.trunkHead), along(0.7, 2 * KG.arm)]
        : [along(0.5, KG.trunk)];
      const load = set.loadKg ? [{ kg: set.loadKg, x: hip.x, y: hip.y }] : [];
      bodies.body([footMass], [['foot', contact]], [['ankle', ankle, -1]]);
      bodies.body(
        [mid(knee, ankle, 0.433, legs * KG.shank)],
        [],
        [
          ['ankle', ankle, 1],
          ['knee', knee, -1],
        ],
      );
      bodies.body(
        [mid(hip, knee, 0.433, legs * KG.thigh)],
        [],
        [
          ['knee', knee, 1],
          ['hip', hip, -1],
        ],
      );
      bodies.body([...upperBody, ...load, ...free], [['back', back!.at]], [['hip', hip, 1]]);
      bodies.also({ 'foot.x': 1, 'foot.y': -(set.friction ?? 0) }, 0);
      const { value, residual } = bodies.solve();
      expect(residual).toBeLessThan(1e-7);
      expect(value['foot.y']).toBeCloseTo(floor!.yN, 7);
      expect(value['back.y']).toBeCloseTo(back!.yN, 7);
      // Counterclockwise on the trunk, head to the left: hip and trunk are pressed into extension.
      expect(value['hip.m']).toBeCloseTo(p.legs[0]!.hipNm * legs, 7);
      expect(-value['knee.m']!).toBeCloseTo(p.legs[0]!.kneeNm * legs, 7);
    }
  });
});

describe('lunges as free bodies', () => {
  const rows: [string, Partial<P.LungeSetUp>][] = [
    ['right angles, trunk 5°', { trunkDeg: 5 }],
    ['goblet, short step', { stepM: 0.85, trunkDeg: 15, frontShankDeg: 10, load: 'goblet', loadKg: 16 }],
    ['rear foot up', { stepM: 0.875, frontShankDeg: 15, trunkDeg: 20, rearFootRaisedM: 0.4 }],
    ['front foot up', { frontFootRaisedM: 0.12, frontThighDeg: 98, trunkDeg: 12, frontShankDeg: 8 }],
    ['share asked for', { frontShare: 0.65, trunkDeg: 15 }],
  ];
  it.each(rows)('%s', (_name, set) => {
    const p = P.lunge(b, set);
    split(p, P.lungeMasses(b, set, p), set.pressure ?? 0.45);
  });
  it('kickstand: the toe of the other foot carries its share', () => {
    const set: Partial<P.HingeSetUp> = { legs: 1, kickstandShare: 0.15, carry: 'hanging', loadKg: 12 };
    const p = P.hinge(b, set);
    split(p, P.hingeMasses(b, set, p), 0.45, 0.15);
  });
});

/** Two legs as six bodies under a trunk; the level forces are settled by where they meet, or by having none. */
function split(p: P.Posture, m: P.Masses, pressure: number, toeShare?: number) {
  const bodies = new FreeBodies();
  const cop = { x: pressure * 0.152 * H, y: 0 };
  const { joints: j } = p;
  const { hip, other } = j;
  const front = { ankle: j.ankle, knee: j.knee };
  const contact = p.forces.find((f) => f.from === 'rear foot')!.at;
  const rear = { ...other!, contact };
  // Trunk with head stand first; the rest is arms and load.
  const armsAndLoad = m.aboveHip.slice(1);
  bodies.body(
    [{ kg: KG.foot, x: 0.455 * 0.152 * H, y: 0.0195 * H }],
    [['front', cop]],
    [['ankle1', front.ankle, -1]],
  );
  bodies.body(
    [mid(front.knee, front.ankle, 0.433, KG.shank)],
    [],
    [
      ['ankle1', front.ankle, 1],
      ['knee1', front.knee, -1],
    ],
  );
  bodies.body(
    [mid(hip, front.knee, 0.433, KG.thigh)],
    [],
    [
      ['knee1', front.knee, 1],
      ['hip1', hip, -1],
    ],
  );
  bodies.body(
    [mid(rear.ankle, rear.contact, 0.5, KG.foot)],
    [['rear', rear.contact]],
    [['ankle2', rear.ankle, -1]],
  );
  bodies.body(
    [mid(rear.knee, rear.ankle, 0.433, KG.shank)],
    [],
    [
      ['ankle2', rear.ankle, 1],
      ['knee2', rear.knee, -1],
    ],
  );
  bodies.body(
    [mid(hip, rear.knee, 0.433, KG.thigh)],
    [],
    [
      ['knee2', rear.knee, 1],
      ['hip2', hip, -1],
    ],
  );
  bodies.body(
    [mid(hip, j.shoulder, 0.66, KG.trunkHead), ...armsAndLoad],
    [],
    [
      ['hip1', hip, 1],
      ['hip2', hip, 1],
    ],
  );
  const all = P.allMasses(m);
  const whole = all.reduce((s, q) => s + q.kg, 0);
  const com = all.reduce((s, q) => s + q.kg * q.x, 0) / whole;
  // The one thing statics leaves open: both ground forces and gravity meet 1.3 statures up.
  if (toeShare === undefined) bodies.also({ 'front.x': 1.3 * H, 'front.y': cop.x - com }, 0);
  else {
    bodies.also({ 'rear.y': 1 }, toeShare * whole * G);
    // The toe presses back with two fifths of what it carries.
    bodies.also({ 'rear.x': 1, 'rear.y': -0.4 }, 0);
  }
  const { value, residual } = bodies.solve();
  expect(residual).toBeLessThan(1e-7);
  expect(value['front.y']! / (whole * G)).toBeCloseTo(p.frontShare!, 9);
  expect(value['hip1.m']).toBeCloseTo(p.legs[0]!.hipNm, 7);
  expect(-value['knee1.m']!).toBeCloseTo(p.legs[0]!.kneeNm, 7);
  expect(value['hip2.m']).toBeCloseTo(p.legs[1]!.hipNm, 7);
  expect(-value['knee2.m']!).toBeCloseTo(p.legs[1]!.kneeNm, 7);
}
