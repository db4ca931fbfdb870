import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import { buildOf, MASS_SETS } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import { LOAD_PLACES } from '../terms/index.ts';
import { figureFaults } from '../testing/figure-faults.ts';
import { COMPUTED } from '../testing/repertoire.ts';
import { runs } from '../testing/runs.ts';
import * as P from './index.ts';

/*
 * Random bodies and random set-ups, everything read off the drawn points: angles, lengths, contacts, the floor and what
 * stands around. "Sliders" is what the body room lets somebody set, "documents" what a document may say.
 */
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const maybe = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined });

/** Sizes as shares of stature, so that a case that fails can be read. */
const bodies = fc.record({
  statureM: number(1.4, 2.1),
  massKg: number(40, 130),
  masses: fc.constantFrom('reference' as const, 'men' as const, 'women' as const),
  thigh: number(0.22, 0.27),
  shank: number(0.22, 0.27),
  hipShoulder: number(0.26, 0.31),
  ankleLimitDeg: number(15, 45),
  hipLimitDeg: number(100, 150),
});
type Body = typeof bodies extends fc.Arbitrary<infer B> ? B : never;

const built = ({ statureM, thigh, shank, hipShoulder, masses, ...rest }: Body): Build =>
  buildOf({
    statureM,
    ...rest,
    masses: MASS_SETS[masses],
    measured: { thigh: thigh * statureM, shank: shank * statureM, hipShoulder: hipShoulder * statureM },
  });

type Box = Readonly<Record<string, readonly [number, number]>>;

/** What documents may say, as the contract has it; the body room's sliders are narrower. */
const DOCUMENTS: { [T in P.Computed['type']]: Box } = {
  squat: {
    thighDeg: [0, 140],
    shinLimitDeg: [0, 60],
    kneePastToeM: [-0.2, 0.3],
    footPressure: [0.1, 0.8],
    heelWedgeDeg: [0, 30],
    spreadDeg: [0, 60],
    stepUpM: [0.05, 1],
    load: [0, 1.5],
  },
  hinge: { trunkDeg: [0, 110], kneeDeg: [0, 60], footPressure: [0.1, 0.8], load: [0, 1.5] },
  lift: { fromHeightM: [0, 1], load: [0, 2] },
  bridge: {
    benchM: [0.1, 1.2],
    feetFartherDeg: [-30, 60],
    feetRaisedM: [0, 1],
    pushToHead: [-0.15, 0.15],
    load: [0, 2],
  },
  lunge: {
    stepOfRightAngleStep: [0.3, 2],
    trunkDeg: [-10, 70],
    frontShankDeg: [-20, 50],
    rearFootRaisedM: [0, 1],
    frontFootRaisedM: [0, 0.5],
    frontShare: [0.1, 0.95],
    load: [0, 1.5],
  },
  extension: { load: [0, 0.5] },
};

const sliders = (type: P.Computed['type']): Box => {
  const blank = { type } as P.Computed;
  const all = P.limitsOf(buildOf({ statureM: 1.75, massKg: 75 }), blank);
  const box: Record<string, readonly [number, number]> = { load: [0, 1] };
  for (const [key, [min, max]] of Object.entries(all)) {
    if (key !== 'loadKg' && key !== 'heldOutKg') box[key] = [min, max];
  }
  return box;
};

function setUps(type: P.Computed['type'], box: Box): fc.Arbitrary<P.Computed> {
  const n = (key: string) => number(...box[key]!);
  const referenceLoad = n('load').map((fractionOfBodyMass) => ({
    fractionOfBodyMass,
    per: 'total' as const,
  }));
  const hands = fc.constantFrom(...P.FREE_HANDS);
  const legs = fc.constantFrom(1 as const, 2 as const);
  const loadPlace = fc.constantFrom(...LOAD_PLACES);
  const made = ((): fc.Arbitrary<unknown> => {
    switch (type) {
      case 'squat':
        return fc.record({
          type: fc.constant(type),
          legs,
          hands,
          loadPlace,
          referenceLoad,
          thighDeg: n('thighDeg'),
          shinLimitDeg: maybe(n('shinLimitDeg')),
          kneePastToeM: maybe(n('kneePastToeM')),
          footPressure: maybe(n('footPressure')),
          heelWedgeDeg: maybe(n('heelWedgeDeg')),
          spreadDeg: maybe(n('spreadDeg')),
          box: maybe(fc.constantFrom('seated', 'touched')),
          pull: maybe(fc.constantFrom('strap', 'hand')),
          stepUpM: fc.option(n('stepUpM'), { nil: undefined, freq: 4 }),
        });
      case 'hinge':
        return fc.record({
          type: fc.constant(type),
          legs,
          hands,
          loadPlace,
          referenceLoad,
          trunkDeg: n('trunkDeg'),
          kneeDeg: n('kneeDeg'),
          footPressure: maybe(n('footPressure')),
          loadPath: maybe(fc.constantFrom('hanging', 'close', 'beside', 'held back')),
          kickstand: fc.boolean(),
        });
      case 'lift':
        return fc.record({
          type: fc.constant(type),
          fromHeightM: n('fromHeightM'),
          implement: fc.constantFrom('straight bar', 'at the sides'),
          referenceLoad,
        });
      case 'bridge':
        return fc.record({
          type: fc.constant(type),
          legs,
          hold: fc.constant(false),
          loadPlace: fc.constantFrom('none', 'hip crease', 'low over the hips'),
          referenceLoad,
          bench: fc.oneof(
            fc.constant(undefined),
            fc.constant('fitted'),
            n('benchM').map((heightM) => ({ heightM })),
          ),
          feetFartherDeg: n('feetFartherDeg'),
          feetRaisedM: maybe(n('feetRaisedM')),
          feetOn: fc.constantFrom('step', 'ball'),
          pushToHead: maybe(n('pushToHead')),
        });
      case 'lunge':
        return fc.record({
          type: fc.constant(type),
          dynamics: fc.constant('static'),
          hands,
          loadPlace,
          referenceLoad,
          stepOfRightAngleStep: n('stepOfRightAngleStep'),
          trunkDeg: n('trunkDeg'),
          frontShankDeg: n('frontShankDeg'),
          frontThighDeg: maybe(number(30, 110)),
          rearFootRaisedM: maybe(n('rearFootRaisedM')),
          frontFootRaisedM: maybe(n('frontFootRaisedM')),
          frontShare: fc.option(n('frontShare'), { nil: undefined, freq: 3 }),
          touch: fc.boolean(),
        });
      case 'extension':
        return fc.record({
          type: fc.constant(type),
          bench: fc.constantFrom('level', 'inclined'),
          hands: fc.constantFrom('crossed', 'behind the ears', 'at the sides'),
          referenceLoad,
        });
    }
  })();
  return made as fc.Arbitrary<P.Computed>;
}

const apart = (p: P.Point, q: P.Point) => Math.hypot(p.x - q.x, p.y - q.y);
/** Least difference between two directions, degrees. */
const off = (a: number, b: number) => Math.abs(((((a - b + 180) % 360) + 360) % 360) - 180);

const counts = new Map<
  string,
  { tried: number; refused: number; able: number; falls: number; lacks: number }
>();
const STEPS = 30;

function check(build: Build, m: P.Computed, space: string) {
  const count = counts.get(`${m.type}, ${space}`) ?? { tried: 0, refused: 0, able: 0, falls: 0, lacks: 0 };
  counts.set(`${m.type}, ${space}`, count);
  count.tried++;
  let range: P.Range;
  try {
    range = P.rangeOf(build, m, { steps: STEPS });
  } catch (error) {
    expect(error).toBeInstanceOf(RangeError);
    count.refused++;
    return;
  }
  const { postures, lacks } = range;
  const able = lacks.length === 0 && postures.every(P.isHeld);
  if (able) count.able++;
  else if (lacks.length > 0) count.lacks++;
  else count.falls++;
  const { lengths: l, statureM: H, constants: c } = build;
  const spread = m.type === 'squat' ? Math.cos(P.rad(m.spreadDeg ?? 0)) : 1;
  postures.forEach((p, i) => {
    const { joints: j } = p;
    const where = `${m.type} at ${i}`;
    // Segments keep their lengths.
    expect(apart(j.hip, j.knee), `thigh, ${where}`).toBeCloseTo(l.thigh * spread, 8);
    expect(apart(j.knee, j.ankle), `shank, ${where}`).toBeCloseTo(l.shank * spread, 8);
    expect(apart(j.hip, j.shoulder), `trunk, ${where}`).toBeCloseTo(l.hipShoulder, 8);
    if (j.other) {
      expect(apart(j.hip, j.other.knee), `other thigh, ${where}`).toBeCloseTo(l.thigh, 8);
      expect(apart(j.other.knee, j.other.ankle), `other shank, ${where}`).toBeCloseTo(l.shank, 8);
    }
    // Angles are those of the drawn points, and of each other.
    const shank = P.deg(Math.atan2(j.knee.x - j.ankle.x, j.knee.y - j.ankle.y));
    const thigh = P.deg(Math.atan2(j.knee.x - j.hip.x, j.hip.y - j.knee.y));
    const trunk = P.deg(Math.atan2(j.shoulder.x - j.hip.x, j.shoulder.y - j.hip.y));
    expect(off(p.shankDeg, shank), `shank angle, ${where}`).toBeLessThan(1e-6);
    expect(off(p.thighDeg, thigh), `thigh angle, ${where}`).toBeLessThan(1e-6);
    expect(off(p.trunkDeg, trunk), `trunk angle, ${where}`).toBeLessThan(1e-6);
    expect(p.kneeFlexionDeg, where).toBeCloseTo(p.shankDeg + p.thighDeg, 8);
    expect(p.hipFlexionDeg, where).toBeCloseTo(p.thighDeg + p.trunkDeg, 8);
    expect(Math.abs(p.kneeFlexionDeg), `knee, ${where}`).toBeLessThanOrEqual(180 + 1e-9);
    const before = postures[i - 1];
    if (before && P.isHeld(before) && P.isHeld(p)) {
      // No part jumps between two positions that can be held, no angle by a turn.
      for (const key of ['shankDeg', 'thighDeg', 'trunkDeg'] as const) {
        expect(Math.abs(p[key] - before[key]), `${key}, ${where}`).toBeLessThan(able ? 30 : 90);
      }
      for (const part of ['knee', 'hip', 'shoulder'] as const) {
        expect(apart(j[part], before.joints[part]), `${part}, ${where}`).toBeLessThan(
          (able ? 0.12 : 0.3) * H,
        );
      }
    }
    // Contacts push and rub within what they hold.
    for (const f of p.forces) {
      if (!['floor', 'rear foot', 'box', 'bench', 'upper back'].includes(f.from)) continue;
      expect(f.yN, `${f.from}, ${where}`).toBeGreaterThanOrEqual(-1e-6);
      expect(Math.abs(f.xN), `${f.from} rubs, ${where}`).toBeLessThanOrEqual(0.5 * f.yN + 1e-6);
    }
    // What is called able is: read off the points once more.
    if (!able) return;
    const low = Math.min(j.knee.y, j.hip.y) / H;
    expect(low, `knee or hip over the floor, ${where}`).toBeGreaterThan(c.shinDepth - 0.004);
    expect(p.kneeFlexionDeg, where).toBeLessThan(156);
    expect(p.kneeFlexionDeg, where).toBeGreaterThan(-6);
    expect(p.hipFlexionDeg, where).toBeLessThan(build.hipLimitDeg + 1);
    expect(p.hipFlexionDeg, where).toBeGreaterThan(-36);
    if (m.type !== 'bridge' && m.type !== 'extension') {
      expect(p.dorsiflexionDeg, where).toBeLessThan(build.ankleLimitDeg + 1);
    }
    if (m.type === 'lunge') {
      const rear = j.other!;
      expect(rear.knee.y + (m.frontFootRaisedM ?? 0), where).toBeGreaterThan((c.shinDepth - 0.004) * H);
      const back = P.deg(Math.atan2(rear.knee.x - j.hip.x, j.hip.y - rear.knee.y)) + p.trunkDeg;
      expect(back, `rear hip, ${where}`).toBeGreaterThan(-36);
    }
  });
}

/** Positions that a figure is looked at in. */
const LOOKED_AT = [0, 0.2, 0.5, 0.8, 1];

/** What is wrong with the figures of a set-up that a body can take; none where it cannot. */
function drawnFaults(build: Build, m: P.Computed): string[] {
  let range: P.Range;
  try {
    range = P.rangeOf(build, m, { steps: 20 });
  } catch (error) {
    expect(error).toBeInstanceOf(RangeError);
    return [];
  }
  if (range.lacks.length > 0 || !range.postures.every(P.isHeld)) return [];
  const spread = m.type === 'squat' ? (m.spreadDeg ?? 0) : 0;
  return LOOKED_AT.flatMap((at) =>
    figureFaults(build, P.figureAt(build, m, range, at), spread).map((f) => `${f} at ${at}`),
  );
}

const TYPES = ['squat', 'hinge', 'lift', 'bridge', 'lunge', 'extension'] as const;
/** Two thousand cases in the usual run, a few for what has little to set. */
const USUAL = { squat: 600, hinge: 400, lift: 100, bridge: 500, lunge: 400, extension: 50 } as const;

describe.each(TYPES)('any %s of any body', (type) => {
  it.each([
    ['sliders', sliders(type)],
    ['documents', DOCUMENTS[type]],
  ] as const)('keeps to its points, lengths, contacts and limits: %s', (space, box) => {
    fc.assert(
      fc.property(bodies, setUps(type, box), (body, m) => check(built(body), m, space)),
      { numRuns: runs(USUAL[type] / 2), endOnFailure: true },
    );
  });
  it('is drawn with nothing under the floor or in a box, and no limb longer or shorter', () => {
    fc.assert(
      fc.property(bodies, setUps(type, sliders(type)), (body, m) => {
        expect(drawnFaults(built(body), m)).toEqual([]);
      }),
      { numRuns: runs(Math.ceil(USUAL[type] / 4)), endOnFailure: true },
    );
  });
});

describe('edges that once broke', () => {
  const b = buildOf({ statureM: 1.75, massKg: 75 });
  const lungeWith = (m: object) =>
    P.rangeOf(b, {
      type: 'lunge',
      dynamics: 'static',
      loadPlace: 'none',
      stepOfRightAngleStep: 0.9,
      frontShankDeg: 12,
      trunkDeg: 15,
      ...m,
    });
  const sweep = <T>(from: number, to: number, n: number, f: (x: number) => T) =>
    Array.from({ length: n + 1 }, (_, i) => f(from + ((to - from) * i) / n));
  const steps = (list: number[]) => list.slice(1).map((x, i) => Math.abs(x - list[i]!));

  it('a rear foot raised from the floor bit by bit: nothing jumps where it leaves its ball', () => {
    const all = sweep(0, 0.4, 80, (rearFootRaisedM) => lungeWith({ rearFootRaisedM }).postures.at(-1)!);
    const parts = (of: (p: P.Posture) => number) => Math.max(...steps(all.map(of)));
    expect(parts((p) => p.legs[1]!.kneeNm)).toBeLessThan(3);
    expect(parts((p) => 100 * p.frontShare!)).toBeLessThan(1);
    expect(parts((p) => p.joints.other!.ankle.x)).toBeLessThan(0.01);
  });
  it('the top of a lunge follows its step without stairs', () => {
    const tops = sweep(
      0.9,
      1.25,
      70,
      (x) => lungeWith({ stepOfRightAngleStep: x }).postures[0]!.joints.hip.y,
    );
    // Half a centimetre of step lowers the hip by 3 to 8 mm; a stair was 4 cm.
    expect(Math.max(...steps(tops))).toBeLessThan(0.012);
    // It goes as high as the rear leg reaches.
    const { other, hip } = lungeWith({ stepOfRightAngleStep: 1.1 }).postures[0]!.joints;
    const reach = Math.hypot(hip.x - other!.ankle.x, hip.y - other!.ankle.y);
    expect(reach / (b.lengths.thigh + b.lengths.shank)).toBeGreaterThan(0.99);
  });
  it('a low bench: the buttocks start no lower than the floor', () => {
    for (const heightM of [0.2, 0.25, 0.3, 0.45]) {
      const m: P.Computed = {
        type: 'bridge',
        legs: 2,
        hold: false,
        loadPlace: 'none',
        feetFartherDeg: 0,
        bench: { heightM },
      };
      const low = Math.min(...P.rangeOf(b, m).postures.map((p) => p.joints.hip.y));
      expect(low).toBeGreaterThanOrEqual(b.constants.buttockDepth * b.statureM - 1e-9);
    }
  });
  it('on one leg a squat goes below level, the free leg does not go above it', () => {
    const one = { type: 'squat', legs: 1, hands: 'forward', loadPlace: 'none' } as const;
    const free = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 45 });
    const [level, deep] = [90, 115].map((thighDeg) => P.rangeOf(free, { ...one, thighDeg }).postures.at(-1)!);
    expect(deep!.thighDeg).toBeCloseTo(115, 9);
    expect(deep!.joints.hip.y).toBeLessThan(level!.joints.hip.y - 0.1);
    expect(deep!.joints.other!.ankle.y).toBeCloseTo(deep!.joints.hip.y, 9);
  });
  it('a bar close to the leg stays in front of it, and the centre of mass is where the masses are', () => {
    fc.assert(
      fc.property(
        bodies,
        number(20, 90),
        number(0, 40),
        number(0, 1.5),
        fc.boolean(),
        (body, trunkDeg, kneeDeg, load, kickstand) => {
          const build = built(body);
          const m: P.Computed = {
            type: 'hinge',
            legs: kickstand ? 1 : 2,
            kickstand,
            trunkDeg,
            kneeDeg,
            hands: 'at the sides',
            loadPlace: 'in front of the legs',
            loadPath: 'close',
            referenceLoad: { fractionOfBodyMass: load, per: 'total' },
          };
          let range: P.Range;
          try {
            range = P.rangeOf(build, m, { steps: 6 });
          } catch (error) {
            expect(error).toBeInstanceOf(RangeError);
            return;
          }
          for (const p of range.postures.filter(P.isHeld)) {
            const masses = P.allMasses(P.massesOf(build, m, p));
            expect(Math.abs(P.centreX(masses) - p.comX)).toBeLessThan(1e-6);
            const { hand, hip, knee } = p.joints;
            if (hand!.y < knee.y + 0.05 * build.statureM) continue;
            // Distance from the axis of the thigh: its half depth and the bar's.
            const t = {
              x: (knee.x - hip.x) / build.lengths.thigh,
              y: (knee.y - hip.y) / build.lengths.thigh,
            };
            const off = Math.abs((hand!.x - hip.x) * t.y - (hand!.y - hip.y) * t.x);
            expect(off).toBeGreaterThan((build.constants.thighDepth - 0.001) * build.statureM);
          }
        },
      ),
      { numRuns: runs(60), endOnFailure: true },
    );
  });
});

describe('the movements of the trade', () => {
  it.each([1.55, 1.75, 1.95])('are drawn so for a body of %s m', (statureM) => {
    const build = buildOf({ statureM, massKg: 24.5 * statureM ** 2 });
    for (const { name, mechanics: m } of COMPUTED) {
      expect(drawnFaults(build, m as P.Computed), name).toEqual([]);
    }
  });
});

afterAll(() => {
  for (const [name, n] of counts) {
    console.log(
      `${name}: ${n.tried} set-ups, ${n.able} able, ${n.falls} fall or slip, ${n.lacks} beyond a limit, ${n.refused} out of reach`,
    );
  }
});
