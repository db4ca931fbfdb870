import { extension, extensionMasses } from '../extension.ts';
import type { ExtensionSetUp } from '../extension.ts';
import type { Prop } from '../figure-points.ts';
import { both } from '../hands.ts';
import type { SettledOf } from '../mechanics.ts';
import type { Point } from '../plane.ts';
import { armsOf } from './carried.ts';
import { PLAIN } from './movement.ts';
import type { Movement } from './movement.ts';

/** Folding further than this at the hip is out of most people's reach on an inclined bench, degrees. */
const FOLD_DEG = 100;

export const extensionMovement: Movement<SettledOf<'extension'>> = {
  open: () => null,
  limits: () => ({ loadKg: [0, 40, 0.5] }),
  solve(build, m, _o, loadKg) {
    const legLineDeg = m.bench === 'level' ? 90 : 45;
    const set: Partial<ExtensionSetUp> = {
      trunkDeg: legLineDeg,
      legLineDeg,
      arms: armsOf(m.hands),
      load: loadKg > 0 ? 'chest' : 'none',
      loadKg,
    };
    const from = Math.min(180, legLineDeg + Math.min(FOLD_DEG, build.hipLimitDeg));
    const range = (steps: number) =>
      Array.from({ length: steps + 1 }, (_, i) =>
        extension(build, { ...set, trunkDeg: from + ((legLineDeg - from) * i) / steps }),
      );
    return {
      ...PLAIN,
      // The feet hang behind the hooks: the ankle limits nothing.
      lying: true,
      loadKg,
      workingIs: 'top',
      startWord: 'hanging',
      workingWord: 'in line',
      range,
      working: () => extension(build, set),
      masses: (p) => extensionMasses(build, { ...set, trunkDeg: p.trunkDeg }, p),
      hands: (p) => (p.joints.load ? both(p.joints.load, 1) : null),
      props(p): Prop[] {
        const { joints: j } = p;
        const H = build.statureM;
        const pad = p.forces.find((f) => f.from === 'pad')!.at;
        const along = { x: j.knee.x - j.hip.x, y: j.knee.y - j.hip.y };
        const d = Math.hypot(along.x, along.y);
        const unit = { x: along.x / d, y: along.y / d };
        // The pad lies under the front of the thighs, the hook over the heels.
        const beside = (q: Point, by: number, off: number): Point => ({
          x: q.x + by * unit.x - off * unit.y,
          y: q.y + by * unit.y + off * unit.x,
        });
        const depth = (build.constants.thighDepth + 0.018) * H;
        const heel = beside(j.ankle, -0.02 * H, -0.035 * H);
        return [
          { kind: 'pad', from: beside(pad, -0.05 * H, depth), to: beside(pad, 0.09 * H, depth) },
          { kind: 'pad', from: heel, to: heel },
        ];
      },
    };
  },
};
