import { describe, expect, it } from 'vitest';
import { buildOf } from '../body/index.ts';
import type { SettledMechanics, Computed } from '../posture/index.ts';
import { fittedBenchM, rangeOf } from '../posture/index.ts';
import { bridge, COMPUTED, hinge, lunge as plainLunge, squat } from '../testing/repertoire.ts';
import { DemandMemory, demandOf } from './variation.ts';
import { byDemand, kendallTau, profileOf } from './order.ts';
import { consequencesOf, TEST_BUILDS } from './consequences.ts';
import { nearestTo } from './nearest.ts';
import { hipExtensionAt, kneeExtensionAt, kneeFlexionAt } from './capacity.ts';
import { askedBy } from './demand.ts';
import type { Measured } from './variation.ts';
import type { Step } from './order.ts';

const b = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 40 });
const measured = (m: SettledMechanics, build = b, loadKg?: number): Measured => {
  const d = demandOf(build, m, loadKg);
  if (d.kind !== 'measured') throw new Error(`not measured: ${JSON.stringify(d)}`);
  return d;
};

/** A lunge as it is stepped into: a little shorter than the right-angle step. */
const lunge = (m: Parameters<typeof plainLunge>[0] = {}) =>
  plainLunge({ stepOfRightAngleStep: 0.95, frontShankDeg: 8, trunkDeg: 15, ...m });
const kg = (kilograms: number) => ({ fractionOfBodyMass: kilograms / 75, per: 'total' as const });

describe('demand by hand, from moments that are checked elsewhere', () => {
  // Anderson, Madigan & Nussbaum 2007: C1·cos(C2·(angle − C3)), worked out by hand; m·g·H is 1287.6 N·m.
  it('what a joint has at an angle', () => {
    expect(hipExtensionAt(b, 53.4)).toBeCloseTo(0.161, 4);
    expect(hipExtensionAt(b, 0)).toBeCloseTo(0.161 * 0.6272, 4);
    expect(kneeExtensionAt(b, 64.9)).toBeCloseTo(0.163, 4);
    expect(kneeFlexionAt(b, 90, 29.9)).toBeCloseTo(0.087, 4);
    // Short over both joints: bent knee, straight hip, as at the top of a bridge.
    expect(kneeFlexionAt(b, 0, 90)).toBeCloseTo(0.087 * 0.6127 * 0.8, 4);
    // Beyond what was measured the end stands.
    expect(hipExtensionAt(b, 140)).toBe(hipExtensionAt(b, 90));
    expect(kneeExtensionAt(b, 140)).toBe(kneeExtensionAt(b, 100));
    expect(kneeFlexionAt(b, 140, 140)).toBe(kneeFlexionAt(b, 90, 90));
  });
  it('a bodyweight squat to level: 39.1 of strength, 5 of balance, 5.4 of range', () => {
    // Hip 62.8 of 169.6 N·m, knee 62.1 of 150.7, low back 98.0 of 334.8; ankle 35.2 of 40 degrees.
    const d = measured(squat());
    expect([d.hip, d.knee, d.back].map((x) => Math.round(10 * x) / 10)).toEqual([37, 41.2, 29.3]);
    expect(d.strength).toBeCloseTo(39.1, 1);
    expect(d.range).toBeCloseTo(5.4, 1);
    expect(d.points).toBeCloseTo(d.strength + 5 + d.range, 9);
  });
  it('a load is handled, a swing is faster, a hand steadies', () => {
    expect(
      measured(squat({ loadPlace: 'front of shoulders', referenceLoad: kg(37.5) })).handling,
    ).toBeCloseTo(5, 9);
    const swing = hinge({ loadPlace: 'between the legs', referenceLoad: kg(16), fast: true });
    expect(measured(swing).speed).toBeCloseTo(0.6 * measured(swing).strength, 9);
    const [free, held] = [lunge(), lunge({ touch: true })].map((m) => measured(m));
    expect(held!.strength).toBe(free!.strength);
    expect(held!.balance).toBeLessThan(free!.balance);
  });
  it('a wide stance hides nothing: the legs hold in their own plane what the side view shortens', () => {
    const [narrow, wide] = [squat({ hands: 'crossed' }), squat({ hands: 'crossed', spreadDeg: 35 })].map(
      (m) => measured(m),
    );
    expect(wide!.peaks.kneeNm / narrow!.peaks.kneeNm).toBeGreaterThan(0.8);
    const seen = rangeOf(b, squat({ hands: 'crossed', spreadDeg: 35 }) as Computed).postures.at(-1)!;
    const weight = 75 * 9.81;
    const { knee } = seen.joints;
    // Both legs hold half the weight at the foot; its lever about the knee, in the plane of the leg.
    const footKg = 2 * 0.0145 * 75;
    const shankKg = 2 * 0.0465 * 75;
    const inPlane = (x: number) => x / Math.cos((35 * Math.PI) / 180);
    const shankX = knee.x + (seen.joints.ankle.x - knee.x) * 0.433;
    const below = 9.81 * (footKg * (0.455 * 0.152 * 1.75 - knee.x) + shankKg * (shankX - knee.x));
    const whole = (0.578 + 2 * (0.0145 + 0.0465 + 0.1 + 0.05)) * weight;
    expect(2 * seen.legs[0]!.kneeNm).toBeCloseTo(inPlane(below - whole * (seen.copX - knee.x)), 6);
  });
  it('a step of fixed height asks more of a short body than of a tall one', () => {
    const step = squat({ legs: 1, stepUpM: 0.35, hands: 'at the sides' });
    const of = (statureM: number) =>
      measured(step, buildOf({ statureM, massKg: 24.5 * statureM ** 2 })).strength;
    expect(of(1.55)).toBeGreaterThan(of(1.75) + 3);
    expect(of(1.75)).toBeGreaterThan(of(1.95) + 3);
  });
});

describe('demand', () => {
  it('is the same in points for any stature and mass of equal proportions; moments scale with both', () => {
    const tall = buildOf({ statureM: 2, massKg: 100 });
    for (const { mechanics, name } of COMPUTED) {
      // Heights in metres are other shares of another stature, loads are fractions of mass.
      if (/step|ball|deficit|raised|floor|blocks/i.test(name)) continue;
      const [one, two] = [measured(mechanics), measured(mechanics, tall)];
      expect(two.points, name).toBeCloseTo(one.points, 6);
      expect(two.peaks.hipNm / (2 * 100), name).toBeCloseTo(one.peaks.hipNm / (1.75 * 75), 8);
    }
  });
  it('keeps one entry for all people of one proportion and drops the oldest beyond its size', () => {
    const memory = new DemandMemory(2);
    for (let i = 0; i < 30; i++) memory.of(buildOf({ statureM: 1.5 + i / 100, massKg: 60 + i }), squat());
    expect(memory.size).toBe(1);
    memory.of(b, hinge());
    memory.of(b, bridge());
    expect(memory.size).toBe(2);
  });
  it('agrees with a fresh computation from the memory, load in kg or as a fraction', () => {
    const memory = new DemandMemory();
    const m = squat({ loadPlace: 'at the chest', referenceLoad: kg(16) });
    const plain = squat({ loadPlace: 'at the chest' });
    expect(memory.of(b, plain, 16)).toEqual(memory.of(b, m));
    expect(memory.of(b, m)).toEqual(measured(m));
  });
  it('finds the peaks of a range to half a point', () => {
    for (const { name, mechanics } of COMPUTED) {
      const m = mechanics as Computed;
      const { hip, knee, back } = askedBy(b, rangeOf(b, m, { steps: 480 }).postures).shares;
      const exact = 100 * (0.6 * Math.max(hip, knee, back) + (0.4 * (hip + knee + back)) / 3);
      expect(Math.abs(measured(m).strength - exact), name).toBeLessThan(0.5);
    }
  });
  it('tells knee work from hip work', () => {
    expect(measured(squat()).kneeShare).toBeGreaterThan(0.45);
    expect(measured(bridge({ bench: 'fitted' })).kneeShare).toBeLessThan(0.45);
  });
  it('gives a band only where a force is undetermined, and the default lies within it', () => {
    expect(measured(squat()).band).toBeNull();
    for (const m of [bridge(), lunge(), hinge({ legs: 1, kickstand: true })]) {
      const { band, points } = measured(m);
      expect(band!.low).toBeLessThanOrEqual(points);
      expect(band!.high).toBeGreaterThan(points);
    }
  });
  it('says why there is no number', () => {
    const drawn: SettledMechanics = {
      type: 'drawn',
      reason: 'A jump.',
      start: { shankDeg: 0, thighDeg: 0, trunkDeg: 0 },
      working: { shankDeg: 0, thighDeg: 0, trunkDeg: 0 },
    };
    expect(demandOf(b, drawn)).toEqual({ kind: 'drawn only', reason: 'A jump.' });
    expect(demandOf(b, squat({ legs: 1, stepUpM: 0.99 }))).toMatchObject({
      kind: 'cannot',
      why: 'The step is higher than this body can start from.',
    });
  });
  it('marks what asks more range than a build has, wherever balance is not what stops it', () => {
    const stiff = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 10, hipLimitDeg: 100 });
    const deep = lunge({ frontShankDeg: 20, trunkDeg: 5 });
    expect(measured(deep).feasible).toBe(true);
    expect(measured(deep, stiff)).toMatchObject({
      feasible: false,
      verdict: 'balanced',
      lacks: [{ of: 'ankle range', rear: false, needsDeg: expect.closeTo(20, 6) as number, hasDeg: 10 }],
    });
    const lift: SettledMechanics = {
      type: 'lift',
      fromHeightM: 0.225,
      implement: 'straight bar',
      referenceLoad: kg(75),
    };
    expect(measured(lift, stiff).lacks.map((o) => o.of)).toEqual(['hip range', 'ankle range']);
    const { questions } = profileOf([
      { id: 'lunge', name: 'Lunge', mechanics: deep, demand: demandOf(stiff, deep), adjustment: 0 },
    ]);
    expect(questions[0]!.text).toContain('lacks ankle range: it takes 20°, there are 10°');
    // Lying down the toes may lift.
    expect(measured(bridge(), { ...stiff, ankleLimitDeg: 0, hipLimitDeg: 145 }).feasible).toBe(true);
  });
  it('says in the centimetres of this body how far a knee would be under the floor', () => {
    const low = lunge({ frontThighDeg: 115, frontShankDeg: 0, trunkDeg: 10, stepOfRightAngleStep: 1 });
    for (const statureM of [1.55, 1.95]) {
      const build = buildOf({ statureM, massKg: 75 });
      const lack = measured(low, build).lacks.find((l) => l.of === 'floor')!;
      const { knee } = rangeOf(build, low as Computed).postures.at(-1)!.joints.other!;
      if (lack.of !== 'floor') throw new Error(lack.of);
      expect(lack.part).toBe('rear knee');
      expect(lack.underM).toBeCloseTo(build.constants.shinDepth * statureM - knee.y, 6);
    }
  });
  it('marks what a build cannot hold', () => {
    const stiff = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 25 });
    expect(measured(squat(), stiff)).toMatchObject({ feasible: false, verdict: 'weight shifts back' });
    expect(measured(squat({ heelWedgeDeg: 10 }), stiff).feasible).toBe(true);
  });
});

describe('a ladder with its demand', () => {
  const step = (id: string, mechanics: SettledMechanics, build = b, adjustment = 0): Step => ({
    id,
    name: id,
    mechanics,
    demand: demandOf(build, mechanics),
    adjustment,
  });
  const floor = step('floor', bridge());
  const band = step('band', bridge({ loadPlace: 'round the knees', hold: true }));
  const one = step('one leg', bridge({ legs: 1 }));
  const thrust = step('thrust', bridge({ bench: 'fitted' }));

  it('finds the known inversion, the step that is too big and levels of one posture', () => {
    const { steps, questions } = profileOf([floor, band, one, thrust]);
    expect(steps.map((s) => s.below?.comparison ?? null)).toEqual([
      null,
      'same posture',
      'too big',
      'inversion',
    ]);
    expect(steps[1]!.below!.because).toBe('what grows is time under tension and the pull of the band');
    expect(questions.map((q) => [q.kind, q.from, q.to])).toEqual([
      ['too big', 'band', 'one leg'],
      ['inversion', 'one leg', 'thrust'],
    ]);
    // The figures stand in the question.
    const [less, more] = [measured(thrust.mechanics), measured(one.mechanics)].map((d) =>
      d.points.toFixed(0),
    );
    expect(questions[1]!.text).toContain(`points less than one leg below it (${less} against ${more})`);
  });
  it('calls no two places of one load the same posture', () => {
    const at = (loadPlace: 'front of shoulders' | 'across the shoulders, high') =>
      step(loadPlace, squat({ loadPlace, referenceLoad: kg(45) }));
    const { steps } = profileOf([at('front of shoulders'), at('across the shoulders, high')]);
    expect(steps[1]!.below!.comparison).toBe('inversion');
  });
  it('calls a rise too big only when it is both over 15 points and over 40 %', () => {
    const at = (points: number) => ({
      ...floor,
      id: `${points}`,
      mechanics: squat({ thighDeg: points }),
      adjustment: points - measured(bridge()).points,
    });
    const between = (from: number, to: number) => profileOf([at(from), at(to)]).steps[1]!.below!.comparison;
    // 16 of 39 is 41 %, 16 of 41 is 39 %; 14 of 20 is 70 % and under 15 points.
    expect(between(39, 55)).toBe('too big');
    expect(between(41, 57)).toBe('harder');
    expect(between(20, 34)).toBe('harder');
  });
  it("counts the head coach's correction", () => {
    const by = measured(one.mechanics).points - measured(thrust.mechanics).points;
    expect(profileOf([one, { ...thrust, adjustment: by + 1 }]).steps[1]!.below!.comparison).toBe('tie');
  });
  it('leaves a comparison open where what statics leaves open decides it', () => {
    const band = (low: number, points: number, high: number, name: string) => ({
      ...step(name, lunge({ trunkDeg: points })),
      demand: { ...measured(lunge()), points, band: { low, high, open: 'how far the feet push' } },
    });
    const [, above] = profileOf([band(50, 55, 70, 'a'), band(54, 60, 65, 'b')]).steps;
    expect(above!.below).toMatchObject({
      comparison: 'tie',
      because: expect.stringContaining('how far the feet push') as string,
    });
    expect(profileOf([band(50, 55, 70, 'a'), band(55, 60, 75, 'b')]).steps[1]!.below!.comparison).toBe(
      'harder',
    );
  });
  it('says how far an order and its points agree: Kendall’s tau', () => {
    expect(kendallTau([10, 20, 30, 40])).toBe(1);
    expect(kendallTau([40, 30, 20])).toBe(-1);
    // Of six pairs three this way, two the other, one tied.
    expect(kendallTau([10, 20, 21, 15])).toBeCloseTo((3 - 2) / Math.sqrt(6 * 5), 9);
    expect(kendallTau([10])).toBeNull();
  });
  it('orders by feasibility first, then demand', () => {
    const stiff = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 20 });
    const list = [step('squat', squat(), stiff), step('one leg', bridge({ legs: 1 }), stiff), floor];
    expect(byDemand(list).map((s) => s.id)).toEqual(['floor', 'one leg', 'squat']);
  });
  it('asks about what the build cannot do', () => {
    const stiff = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 20 });
    const { questions } = profileOf([floor, step('squat', squat(), stiff)]);
    expect(questions.find((q) => q.kind === 'cannot')?.text).toMatch(/squat: this build .* short of balance/);
  });
  it('names what is nearest, with the parts that differ', () => {
    const near = nearestTo(step('squat', squat()), [
      floor,
      one,
      step('goblet', squat({ loadPlace: 'at the chest', referenceLoad: kg(16) })),
      step('knees out', squat({ loadPlace: 'round the knees' })),
      step('deep', squat({ thighDeg: 115 })),
    ]);
    expect(near.easier.map((n) => n.id)).toEqual(['floor']);
    expect(near.equal.map((n) => n.id)).toEqual(['knees out']);
    // Deeper takes all of the hip's range.
    expect(near.harder.map((n) => n.id)).toEqual(['deep', 'one leg', 'goblet']);
    expect(near.harder[2]!.reasons).toContain('16 kg more');
    expect(near.easier[0]!.reasons[0]).toMatch(/(knee|hip|low back) −\d+ points/);
    expect(near.equal[0]!.reasons).toEqual(['much the same in every part']);
  });
});

describe('consequences of a house answer', () => {
  it('computes an answer for a short-, middle- and long-thighed build of one stature', () => {
    const thighs = TEST_BUILDS.map((t) => t.build.lengths.thigh);
    expect(thighs).toEqual([...thighs].sort((x, y) => x - y));
    const chain = TEST_BUILDS.map(({ build: { lengths: l } }) => l.shank + l.thigh + l.hipShoulder);
    for (const c of chain) expect(c).toBeCloseTo(chain[1]!, 12);
  });
  it('shows that a near-vertical shin falls without help and what help it takes', () => {
    const rows = consequencesOf(squat({ shinLimitDeg: 10, hands: 'forward' }));
    for (const r of rows) {
      expect(r.holds).toBe(false);
      expect(r.helps.length).toBeGreaterThan(0);
    }
    const free = consequencesOf(squat());
    expect(free.every((r) => r.holds)).toBe(true);
    // Longer thighs lean more.
    expect(free[2]!.leanDeg).toBeGreaterThan(free[0]!.leanDeg);
  });
  it('says at which lean a lunge reaches a share, where the posture gives another', () => {
    const rows = consequencesOf(lunge({ frontShare: 0.75, trunkDeg: 5 }));
    expect(rows[1]!.frontShare).toBeCloseTo(0.75, 6);
    const plain = consequencesOf(lunge({ stepOfRightAngleStep: 1, frontShankDeg: 0, trunkDeg: 5 }));
    // About 51 % at 5° of lean.
    expect(plain[1]!.frontShare).toBeCloseTo(0.51, 2);
  });
  it('compares a bench with the one that fits', () => {
    const fit = fittedBenchM(b);
    const low = consequencesOf(bridge({ bench: { heightM: fit - 0.1 } }));
    expect(low[1]!.leanDeg).not.toBeCloseTo(0, 0);
  });
});
