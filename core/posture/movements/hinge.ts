import type { Prop } from '../figure-points.ts';
import { both } from '../hands.ts';
import { hinge, hingeMasses, hingeRange, lift, liftRange } from '../hinge.ts';
import type { HingeSetUp, LiftSetUp } from '../hinge.ts';
import type { SettledOf } from '../mechanics.ts';
import { onTrunk } from '../upper.ts';
import { armsOf, loadOf } from './carried.ts';
import { PLAIN } from './movement.ts';
import type { Movement } from './movement.ts';

function carryOf(m: SettledOf<'hinge'>): HingeSetUp['carry'] {
  const hands =
    m.loadPlace === 'in front of the legs' ||
    m.loadPlace === 'at the sides' ||
    m.loadPlace === 'between the legs';
  if (!hands) return loadOf(m.loadPlace, 'hugged');
  if (m.loadPath) return m.loadPath;
  return m.loadPlace === 'in front of the legs' ? 'held back' : 'beside';
}

export const hingeMovement: Movement<SettledOf<'hinge'>> = {
  open: (m) => (m.kickstand ? 'how much the toe of the other foot carries' : null),
  limits: () => ({
    trunkDeg: [15, 95, 1],
    kneeDeg: [0, 40, 1],
    footPressure: [0.2, 0.65, 0.01],
    loadKg: [0, 200, 0.5],
  }),
  solve(build, m, { undetermined = 'default' }, loadKg) {
    const c = build.constants;
    const H = build.statureM;
    const kick = { default: c.kickstandShare, low: 0.001, high: c.kickstandShareMost }[undetermined];
    const set: Partial<HingeSetUp> = {
      trunkDeg: m.trunkDeg,
      kneeDeg: m.kneeDeg,
      carry: carryOf(m),
      loadKg,
      arms: armsOf(m.hands),
      legs: m.legs,
      kickstandShare: m.legs === 1 && m.kickstand ? kick : 0,
      pressure: m.footPressure ?? c.pressure,
    };
    return {
      ...PLAIN,
      loadKg,
      workingIs: 'bottom',
      startWord: 'upright',
      workingWord: 'hinged',
      range: (steps) => hingeRange(build, set, steps),
      working: () => hinge(build, set),
      masses: (p) => hingeMasses(build, set, p),
      hands: (p) => (p.joints.hand ? both(p.joints.hand, 0) : null),
      props(p): Prop[] {
        const { hip, load } = p.joints;
        if (m.hands !== 'stick along the back' || load !== null) return [];
        const on = (along: number) => onTrunk(hip, p.trunkDeg, along, -0.062 * H);
        return [{ kind: 'stick', from: on(-0.06 * H), to: on(build.lengths.hipShoulder + 0.17 * H) }];
      },
    };
  },
};

export const liftMovement: Movement<SettledOf<'lift'>> = {
  open: () => null,
  limits: () => ({ fromHeightM: [0.1, 0.5, 0.005], loadKg: [0, 250, 1] }),
  solve(build, m, _o, loadKg) {
    const set: LiftSetUp = {
      fromHeightM: m.fromHeightM,
      implement: m.implement,
      loadKg,
      pressure: build.constants.pressure,
    };
    const carry = m.implement === 'straight bar' ? 'close' : 'beside';
    return {
      ...PLAIN,
      loadKg,
      workingIs: 'bottom',
      startWord: 'standing',
      workingWord: 'at the start',
      range: (steps) => liftRange(build, set, steps).reverse(),
      working: () => lift(build, set),
      masses: (p) => hingeMasses(build, { carry, loadKg }, p),
      hands: (p) => both(p.joints.hand!, 0),
      props: () => [],
    };
  },
};
