import { gripLength } from '../../body/index.ts';
import type { Build } from '../../body/index.ts';
import { bridgeMasses, bridgeRange, fittedBenchM } from '../bridge.ts';
import type { BridgeSetUp } from '../bridge.ts';
import type { Prop } from '../figure-points.ts';
import { both } from '../hands.ts';
import type { SettledOf } from '../mechanics.ts';
import type { Posture } from '../posture.ts';
import { PLAIN } from './movement.ts';
import type { Movement } from './movement.ts';

/** Height of what the back lies on, metres; 0 is the floor. */
const benchUnder = (build: Build, m: SettledOf<'bridge'>): number =>
  m.bench === undefined ? 0 : m.bench === 'fitted' ? fittedBenchM(build) : m.bench.heightM;

export const bridgeMovement: Movement<SettledOf<'bridge'>> = {
  open: (m) => (m.pushToHead === undefined ? 'how far the feet push along the floor' : null),
  limits: () => ({
    benchM: [0.2, 0.7, 0.01],
    feetFartherDeg: [-25, 45, 1],
    feetRaisedM: [0, 0.5, 0.01],
    pushToHead: [-0.15, 0.15, 0.01],
    loadKg: [0, 200, 0.5],
  }),
  solve(build, m, { undetermined = 'default' }, wantedKg) {
    const c = build.constants;
    const H = build.statureM;
    const loadKg = ['hip crease', 'low over the hips'].includes(m.loadPlace) ? wantedKg : 0;
    const set: Partial<BridgeSetUp> = {
      benchM: m.bench === undefined ? null : benchUnder(build, m),
      feetRaisedM: m.feetRaisedM ?? 0,
      feetFartherDeg: m.feetFartherDeg,
      legs: m.legs,
      loadKg,
      loadLow: m.loadPlace === 'low over the hips',
      friction:
        m.pushToHead !== undefined
          ? -m.pushToHead
          : { default: 0, low: -c.frictionBand, high: c.frictionBand }[undetermined],
    };
    /** Where what the feet stand on begins, metres. */
    const stepAt = (p: Posture) => (m.feetRaisedM ? p.joints.heel.x : Infinity);
    return {
      ...PLAIN,
      lying: true,
      restY: benchUnder(build, m),
      loadKg,
      workingIs: 'top',
      startWord: 'bottom',
      workingWord: 'top',
      range: (steps) => bridgeRange(build, set, steps),
      working: () => bridgeRange(build, set, 1).at(-1)!,
      masses: (p) => bridgeMasses(build, set, p),
      /** Lying, the arms rest beside the body; on a bench they hold the load or lie along the hips. */
      hands(p) {
        const { hip, shoulder, load } = p.joints;
        if (load) return both({ x: load.x - 0.01 * H, y: load.y + 0.045 * H }, 1);
        return both(
          m.bench === undefined
            ? { x: Math.min(shoulder.x + gripLength(build) * 0.96, stepAt(p) - 0.02 * H), y: 0.022 * H }
            : { x: hip.x - 0.06 * H, y: hip.y + 0.05 * H },
          1,
        );
      },
      props(p): Prop[] {
        const { joints: j } = p;
        const list: Prop[] = [];
        // The back touches the bench at x = 0.
        if (set.benchM != null) {
          list.push({ kind: 'block', what: 'bench', x0: -0.2 * H, x1: 0.05 * H, y0: 0, y1: set.benchM });
        }
        if (m.feetRaisedM) {
          if (m.feetOn === 'ball') {
            list.push({
              kind: 'ball',
              at: { x: j.ankle.x, y: m.feetRaisedM / 2 },
              radius: m.feetRaisedM / 2,
            });
          } else {
            list.push({
              kind: 'block',
              what: 'step',
              x0: stepAt(p),
              x1: j.ankle.x + 0.2 * H,
              y0: 0,
              y1: m.feetRaisedM,
            });
          }
        }
        return list;
      },
    };
  },
};
