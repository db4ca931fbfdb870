import type { Prop } from '../figure-points.ts';
import { lunge, lungeMasses, lungeRange, rightAngleStepM } from '../lunge.ts';
import type { LungeSetUp } from '../lunge.ts';
import type { SettledOf } from '../mechanics.ts';
import { leanForShareDeg } from '../possible.ts';
import { armsOf, loadOf } from './carried.ts';
import { PLAIN } from './movement.ts';
import type { Movement } from './movement.ts';

/** Back edge of a step under the front foot, of stature from its heel. */
const STEP_FROM = -0.04;

export const lungeMovement: Movement<SettledOf<'lunge'>> = {
  open: () => 'how far the two feet push against each other',
  limits: () => ({
    stepOfRightAngleStep: [0.6, 1.3, 0.01],
    trunkDeg: [-5, 50, 1],
    frontShankDeg: [-10, 35, 1],
    rearFootRaisedM: [0, 0.5, 0.01],
    frontFootRaisedM: [0, 0.25, 0.01],
    frontShare: [0.3, 0.9, 0.01],
    loadKg: [0, 200, 0.5],
  }),
  solve(build, m, { undetermined = 'default' }, wantedKg) {
    const c = build.constants;
    const H = build.statureM;
    const load = loadOf(m.loadPlace);
    const loadKg = load === 'none' ? 0 : wantedKg;
    const raised = m.frontFootRaisedM ?? 0;
    const set: Partial<LungeSetUp> = {
      stepM: m.stepOfRightAngleStep * rightAngleStepM(build),
      frontShankDeg: m.frontShankDeg,
      frontThighDeg: m.frontThighDeg ?? 90,
      trunkDeg: m.trunkDeg,
      rearFootRaisedM: m.rearFootRaisedM ?? 0,
      frontFootRaisedM: raised,
      load,
      loadKg,
      arms: armsOf(m.hands ?? 'at the sides'),
      frontShare: m.frontShare ?? null,
      meetOfStature: { default: c.meet, low: c.meetLow, high: c.meetHigh }[undetermined],
    };
    return {
      ...PLAIN,
      loadKg,
      workingIs: 'bottom',
      startWord: 'top',
      workingWord: 'bottom',
      floorY: -raised,
      stepFromX: raised ? STEP_FROM * H : Infinity,
      range: (steps) => lungeRange(build, set, steps),
      working: () => lunge(build, set),
      masses: (p) => lungeMasses(build, set, p),
      steadies: (p) =>
        m.touch ? { x: p.joints.shoulder.x + 0.2 * H, y: p.joints.shoulder.y - 0.27 * H } : null,
      leanForShareDeg: () => (m.frontShare === undefined ? null : leanForShareDeg(build, set, m.frontShare)),
      props(p, _range, figure): Prop[] {
        const { other } = p.joints;
        const list: Prop[] = [];
        if (m.rearFootRaisedM) {
          list.push({
            kind: 'block',
            what: 'seat',
            x0: Math.min(other!.toe.x, other!.ankle.x) - 0.02 * H,
            x1: other!.ankle.x + 0.01 * H,
            y0: -raised,
            y1: m.rearFootRaisedM - raised,
          });
        }
        if (raised) {
          list.push({ kind: 'block', what: 'step', x0: STEP_FROM * H, x1: 0.19 * H, y0: -raised, y1: 0 });
        }
        if (m.touch) {
          list.push({ kind: 'pole', x: figure.farArm.hand.x, top: figure.farArm.hand.y + 0.02 * H });
        }
        return list;
      },
    };
  },
};
