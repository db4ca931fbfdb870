import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildOf, G, MEN, REFERENCE, WOMEN } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { SettledMechanics } from './mechanics.ts';
import { COMPUTED, REPERTOIRE } from '../testing/repertoire.ts';
import * as P from './index.ts';
import { runs } from '../testing/runs.ts';

const b = buildOf({ statureM: 1.75, massKg: 75, ankleLimitDeg: 40 });
const builds = fc
  .record({
    statureM: fc.double({ min: 1.45, max: 2.05, noNaN: true }),
    massKg: fc.double({ min: 40, max: 130, noNaN: true }),
    masses: fc.constantFrom(REFERENCE, MEN, WOMEN),
    thigh: fc.double({ min: 0.235, max: 0.255, noNaN: true }),
  })
  .map(({ thigh, statureM, ...rest }): Build =>
    buildOf({ statureM, ...rest, measured: { thigh: thigh * statureM }, ankleLimitDeg: 45 }),
  );
const computed = COMPUTED.map((m) => [m.name, m.mechanics as P.Computed] as const);

describe('every movement of the repertoire', () => {
  it.each(computed)('%s runs from its start to its working position without a jump', (_name, m) => {
    const { postures } = P.rangeOf(b, m, { steps: 60 });
    for (let i = 1; i < postures.length; i++) {
      const [p, q] = [postures[i - 1]!, postures[i]!];
      for (const joint of ['knee', 'hip', 'shoulder'] as const) {
        const d = Math.hypot(p.joints[joint].x - q.joints[joint].x, p.joints[joint].y - q.joints[joint].y);
        expect(d, `${joint} at ${i}`).toBeLessThan(0.06 * b.statureM);
      }
    }
  });

  it.each(computed)('%s: forces balance the weight, segments keep their length', (_name, m) => {
    fc.assert(
      fc.property(builds, fc.double({ min: 0, max: 1, noNaN: true }), (build, at) => {
        let range: P.Range;
        try {
          range = P.rangeOf(build, m, { steps: 10 });
        } catch (error) {
          // A step or bench of fixed height can be out of reach for a short body; it has to say so.
          expect(error).toBeInstanceOf(RangeError);
          return;
        }
        const p = range.postures[Math.round(at * 10)]!;
        const { joints: j } = p;
        const spread = m.type === 'squat' ? Math.cos(P.rad(m.spreadDeg ?? 0)) : 1;
        expect(Math.hypot(j.hip.x - j.knee.x, j.hip.y - j.knee.y)).toBeCloseTo(
          build.lengths.thigh * spread,
          9,
        );
        expect(Math.hypot(j.knee.x - j.ankle.x, j.knee.y - j.ankle.y)).toBeCloseTo(
          build.lengths.shank * spread,
          9,
        );
        if (!P.isHeld(p)) return;
        const all = P.allMasses(P.massesOf(build, m, p));
        const weight = G * P.totalMass(all);
        const up = p.forces.reduce((s, f) => s + f.yN, 0);
        const level = p.forces.reduce((s, f) => s + f.xN, 0);
        expect(up / weight).toBeCloseTo(1, 9);
        expect(level / weight).toBeCloseTo(0, 9);
        const turning = p.forces.reduce((s, f) => s + f.at.x * f.yN - f.at.y * f.xN, 0);
        const com = P.centreX(all);
        // Inclined benches press at a slant; what the pad and hook are taken to hold is the weight's moment.
        expect(turning / weight).toBeCloseTo(com, 9);
      }),
      { numRuns: runs(25) },
    );
  });

  it('draws at most a quarter of the work movements by angles only, each with its reason', () => {
    const work = REPERTOIRE.filter((m) => m.role === 'work');
    const drawn = work.filter((m) => m.mechanics.type === 'drawn');
    expect(drawn.length / work.length).toBeLessThanOrEqual(0.25);
    for (const { mechanics: m } of drawn) expect(m.type === 'drawn' && m.reason.length).toBeGreaterThan(10);
  });
});

describe('virtual work: what the joints do is what the weight gains', () => {
  // Arms and loads that turn with the trunk alone; a level arm would do work at the shoulder.
  const squats = fc.record({
    loadPlace: fc.constantFrom('front of shoulders', 'at the chest', 'across the shoulders, high', 'none'),
    fraction: fc.double({ min: 0, max: 1, noNaN: true }),
    legs: fc.constantFrom(1, 2),
  });
  const height = (build: Build, m: P.Computed, p: P.Posture) =>
    P.allMasses(P.massesOf(build, m, p)).reduce((s, q) => s + G * q.kg * q.y, 0);
  /** Work of ankle, knee and hip between two postures of a small step, by the mean of their moments. */
  const work = (p: P.Posture, q: P.Posture, legs: number) => {
    const mean = (key: 'ankleNm' | 'kneeNm' | 'hipNm') => (legs * (p.legs[0]![key]! + q.legs[0]![key]!)) / 2;
    const turn = (key: 'shankDeg' | 'kneeFlexionDeg' | 'hipFlexionDeg') => P.rad(p[key] - q[key]);
    return (
      mean('ankleNm') * turn('shankDeg') +
      mean('kneeNm') * turn('kneeFlexionDeg') +
      mean('hipNm') * turn('hipFlexionDeg')
    );
  };
  it('holds for squats over the whole range', () => {
    fc.assert(
      fc.property(builds, squats, (build, { loadPlace, fraction, legs }) => {
        fc.pre(legs === 2);
        const m = {
          type: 'squat',
          legs,
          thighDeg: 95,
          hands: 'crossed',
          loadPlace,
          referenceLoad: { fractionOfBodyMass: fraction, per: 'total' },
        } as P.Computed;
        const { postures } = P.rangeOf(build, m, { steps: 400 });
        for (let i = 40; i < 400; i += 60) {
          const [p, q] = [postures[i]!, postures[i + 1]!];
          fc.pre(P.isHeld(p) && P.isHeld(q));
          const gain = height(build, m, q) - height(build, m, p);
          expect(Math.abs(work(p, q, 2) - gain)).toBeLessThan(2e-3);
        }
      }),
      { numRuns: runs(40) },
    );
  });
  it('holds for bridges and thrusts', () => {
    fc.assert(
      fc.property(
        builds,
        fc.constantFrom(undefined, 'fitted' as const),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (build, bench, fraction) => {
          const m = {
            type: 'bridge',
            legs: 2,
            feetFartherDeg: 10,
            hold: false,
            loadPlace: 'hip crease',
            referenceLoad: { fractionOfBodyMass: fraction, per: 'total' },
            ...(bench ? { bench } : {}),
          } as P.Computed;
          const { postures } = P.rangeOf(build, m, { steps: 400 });
          for (let i = 20; i < 400; i += 90) {
            const [p, q] = [postures[i]!, postures[i + 1]!];
            const gain = height(build, m, q) - height(build, m, p);
            expect(Math.abs(work(p, q, 2) - gain)).toBeLessThan(2e-3);
          }
        },
      ),
      { numRuns: runs(40) },
    );
  });
});

describe('what would make it possible', () => {
  // The same independent source as the check values of the postures.
  const at = (ankleLimitDeg: number, set: Partial<P.SquatSetUp>, leanDeg: number) => {
    const helps = P.whatHelps({ ...b, ankleLimitDeg }, set, [leanDeg]);
    const find = <C extends P.Help['change']>(change: C) =>
      helps.find((h): h is Extract<P.Help, { change: C }> => h.change === change);
    return {
      kg: find('counterweight')?.kg,
      wedge: find('heel wedge')?.wedgeDeg,
      pull: find('pull')?.newtons,
      box: find('sit on a box')?.carriesKg,
      depth: find('less depth')?.thighDeg,
    };
  };
  it.each([
    [20, 55, 3.5, 4.5, 33],
    [15, 55, 7.2, 8.7, 65],
    [20, 45, 6.8, 8.1, 55],
  ])('ankle %d°, lean %d°: %d kg, wedge %d°, pull %d N', (ankle, lean, kg, wedge, pull) => {
    const h = at(ankle, {}, lean);
    expect(Math.abs(h.kg! - kg)).toBeLessThanOrEqual(0.0501);
    expect(Math.abs(h.wedge! - wedge)).toBeLessThanOrEqual(0.0501);
    expect(Math.abs(h.pull! - pull)).toBeLessThanOrEqual(0.501);
  });
  it('vertical shin: 21.6 kg, 160 N, or a box that carries 30 kg; no wedge helps', () => {
    const h = at(40, { shinLimitDeg: 0 }, 55);
    expect(Math.abs(h.kg! - 21.6)).toBeLessThanOrEqual(0.0501);
    expect(Math.abs(h.pull! - 160)).toBeLessThanOrEqual(0.501);
    expect(Math.abs(h.box! - 30)).toBeLessThanOrEqual(0.501);
    expect(h.wedge).toBeUndefined();
    // A bell at the chest is much nearer to the pressure of the foot, and the arms are no longer out in front.
    expect(P.whatHelps(b, { shinLimitDeg: 0 }, [55]).some((x) => x.change === 'bell at the chest')).toBe(
      false,
    );
    const stiff = { ...b, ankleLimitDeg: 24 };
    const helps = P.whatHelps(stiff, {}, [55]);
    const kg = (change: P.Help['change']) => (helps.find((x) => x.change === change) as { kg: number }).kg;
    expect(kg('bell at the chest')).toBeGreaterThan(kg('counterweight'));
    const held = { load: 'goblet' as const, loadKg: kg('bell at the chest') + 0.01, leanLimitDeg: 55 };
    expect(P.squat(stiff, held).verdict).toBe('balanced');
  });
  it('each amount does what it says', () => {
    const stiff = { ...b, ankleLimitDeg: 15 };
    const h = at(15, {}, 55);
    const held = (set: Partial<P.SquatSetUp>) => P.squat(stiff, set).shortM;
    expect(held({ load: 'counterweight', loadKg: h.kg! + 1e-6 })).toBeLessThan(1e-6);
    expect(held({ heelWedgeDeg: h.wedge! + 1e-4 })).toBeLessThan(2e-6);
    expect(held({ thighDeg: h.depth! - 0.01, leanLimitDeg: 55 })).toBe(0);
    expect(held({ thighDeg: h.depth! + 0.5, leanLimitDeg: 55 })).toBeGreaterThan(0);
  });
  it('needs no help where the posture holds', () => {
    expect(P.whatHelps(b, {})).toEqual([]);
  });
  it('finds the lean at which a lunge carries a share in front', () => {
    const lean = P.leanForShareDeg(b, {}, 0.64);
    // 64 % at 35°.
    expect(Math.abs(lean! - 35)).toBeLessThan(1);
    expect(P.leanForShareDeg(b, {}, 0.95)).toBeNull();
  });
});

describe('why a squat leans', () => {
  it('ranks what differs, one input at a time, and finds nothing in the reference itself', () => {
    const long = buildOf({
      statureM: 1.75,
      massKg: 75,
      measured: { thigh: 0.265 * 1.75 },
      others: 'rescaled',
      ankleLimitDeg: 25,
    });
    const why = P.whyLean(long, { pressure: 0.35 }, b);
    expect(why.reasons[0]!.input).toBe('Ankle range');
    expect(why.reasons.map((r) => r.input)).toContain('Thigh');
    const sizes = why.reasons.map((r) => Math.abs(r.leanDeg!));
    expect(sizes).toEqual([...sizes].sort((x, y) => y - x));
    // Pressure nearer the heel asks less lean: putting it back asks more.
    expect(why.reasons.find((r) => r.input === 'Foot pressure')!.leanDeg).toBeLessThan(0);
    expect(P.whyLean(b, {}, b).reasons).toEqual([]);
    expect(P.whyLean(b, {}, b).leanDeg).toBeCloseTo(35.159, 3);
  });
  it('says the lean that balance asks even where the body cannot take it', () => {
    const lean = P.leanNeededDeg({ ...b, ankleLimitDeg: 24 }, {});
    expect(lean).toBeGreaterThan(55);
    expect(P.leanNeededDeg(b, { shinLimitDeg: 0 })).toBeNull();
    // Where no lean balances, the shortfall is compared instead.
    const why = P.whyLean(b, { shinLimitDeg: 0, pressure: 0.4 }, b);
    expect(why).toMatchObject({ leanDeg: null, shortM: expect.closeTo(0.1584, 3) as number });
    expect(why.reasons[0]).toMatchObject({ input: 'Shin rule', is: '0°', leanDeg: null });
    expect(why.reasons[0]!.shortM).toBeCloseTo(why.shortM, 9);
  });
});

describe('supports', () => {
  it('a soft shin rule gives just enough to reach a box in balance, and says by how much', () => {
    const p = P.squat(b, { box: 'touched', shinLimitDeg: 10 });
    expect(p.verdict).toBe('balanced');
    expect(p.shankDeg).toBeCloseTo(10 + p.shinRuleGivesDeg, 9);
    expect(P.squat(b, { shinLimitDeg: 10 }).verdict).not.toBe('balanced');
    expect(P.squat(b, { box: 'touched', shinLimitDeg: 38 }).shinRuleGivesDeg).toBe(0);
  });
  it('a strap lets the trunk stay up and the shin stand', () => {
    const p = P.squat(b, { pull: 'strap', thighDeg: 95 });
    const plain = P.squat(b, { thighDeg: 95 });
    expect(p.trunkDeg).toBeLessThan(plain.trunkDeg);
    expect(p.shankDeg).toBeLessThan(plain.shankDeg);
    // It pulls up as well as forward, and no harder than is what somebody holds: two fifths of the weight.
    const { xN, yN } = p.forces.find((f) => f.from === 'strap')!;
    expect(Math.hypot(xN, yN) / (75 * G)).toBeLessThanOrEqual(0.4001);
    expect(xN).toBeGreaterThan(0);
    expect(yN).toBeGreaterThan(0);
  });
  it('a kickstand takes from the standing hip what the toe carries', () => {
    const free = P.hinge(b, { legs: 1, trunkDeg: 70 }).legs[0]!.hipNm;
    const some = P.hinge(b, { legs: 1, trunkDeg: 70, kickstandShare: 0.15 });
    const more = P.hinge(b, { legs: 1, trunkDeg: 70, kickstandShare: 0.3 });
    expect(some.legs.map((l) => l.leg)).toEqual(['standing leg', 'toe of the other foot']);
    expect(more.legs[0]!.hipNm).toBeLessThan(some.legs[0]!.hipNm);
    expect(free).toBeGreaterThan(0);
  });
  it('a share no place of the hip gives is out of reach and carries no moments', () => {
    const p = P.lunge(b, { frontShare: 0.99, stepM: 1.2 });
    expect(p.verdict).toBe('out of reach');
    expect(p.legs).toEqual([]);
  });
  it('a thrust and a squat load the hips at opposite ends', () => {
    const hips = (m: SettledMechanics) =>
      P.rangeOf(b, m as P.Computed, { steps: 20 }).postures.map((p) => Math.abs(p.legs[0]!.hipNm));
    const find = (name: string) => REPERTOIRE.find((m) => m.name === name)!.mechanics;
    const squat = hips(find('Back squat, bar high'));
    const thrust = hips(find('Thrust, bar'));
    // Squats: start standing, end low. Thrusts: start low, end at the top.
    expect(squat.at(-1)!).toBeGreaterThan(5 * squat[0]!);
    expect(thrust.at(-1)!).toBeGreaterThan(0.9 * Math.max(...thrust));
  });
});

describe('figures', () => {
  it("carry the solver's own points", () => {
    for (const [name, m] of computed) {
      if (m.type === 'squat' && m.sidewaysShare !== undefined) continue;
      const range = P.rangeOf(b, m);
      for (const at of [0, 0.5, 1]) {
        const p = range.postures[Math.round(at * 40)]!;
        const f = P.figureAt(b, m, range, at);
        expect(f.near, name).toMatchObject({
          hip: p.joints.hip,
          knee: p.joints.knee,
          ankle: p.joints.ankle,
        });
        expect(f.shoulder).toEqual(p.joints.shoulder);
      }
    }
  });
  it('arms keep their lengths', () => {
    for (const { name, mechanics: m } of REPERTOIRE) {
      if (m.type === 'squat' && m.sidewaysShare !== undefined) continue;
      const f = P.figureAt(b, m, P.isComputed(m) ? P.rangeOf(b, m) : null, 1);
      const upper = Math.hypot(
        f.nearArm.elbow.x - f.nearArm.shoulder.x,
        f.nearArm.elbow.y - f.nearArm.shoulder.y,
      );
      expect(upper, name).toBeCloseTo(b.lengths.upperArm, 6);
    }
  });
  it('what is drawn by angles stands on the floor, nothing below it', () => {
    for (const { name, mechanics: m } of REPERTOIRE) {
      if (m.type !== 'drawn') continue;
      for (const at of [0, 1]) {
        const f = P.figureAt(b, m, null, at);
        const ys = [f.near, f.far].flatMap((l) => [l.heel.y, l.toe.y, l.knee.y]);
        expect(Math.min(...ys), name).toBeGreaterThan(-1e-9);
      }
    }
  });
  it('are told in words', () => {
    const find = (name: string) => REPERTOIRE.find((m) => m.name === name)!.mechanics;
    const words = (name: string) => {
      const m = find(name);
      return P.describeRange(m, P.isComputed(m) ? P.rangeOf(b, m) : null);
    };
    expect(words('Bodyweight squat')).toBe(
      'From the side, facing right. Standing: shins upright, thighs upright, trunk upright. Bottom: shins forward by 35°, thighs level, trunk leaning forward by 35°.',
    );
    expect(words('Thrust, bar')).toContain('shoulder, hip and knee in one line, trunk level');
    expect(words('Rear foot raised')).toContain('% of the weight on the front foot');
    expect(words('Jumping lunge')).toContain('nothing is computed');
  });
});
