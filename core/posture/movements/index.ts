import type { Build } from '../../body/index.ts';
import type { ReferenceLoad } from '../mechanics.ts';
import { bridgeMovement } from './bridge.ts';
import { extensionMovement } from './extension.ts';
import { hingeMovement, liftMovement } from './hinge.ts';
import { lungeMovement } from './lunge.ts';
import type { Computed, Limits, Movement, RangeOptions, Solver } from './movement.ts';
import { squatMovement } from './squat.ts';

export { STEP_BACK } from './squat.ts';

const MOVEMENTS: { [T in Computed['type']]: Movement<Extract<Computed, { type: T }>> } = {
  squat: squatMovement,
  hinge: hingeMovement,
  lift: liftMovement,
  bridge: bridgeMovement,
  lunge: lungeMovement,
  extension: extensionMovement,
};

/** The movement of a block; which one it is the block itself says. */
const movementOf = (m: Computed) => MOVEMENTS[m.type] as Movement<Computed>;

/** Load in kg from a fraction of body mass, both hands together. */
export function referenceLoadKg(build: Pick<Build, 'massKg'>, load: ReferenceLoad | undefined): number {
  if (!load) return 0;
  return load.fractionOfBodyMass * build.massKg * (load.per === 'hand' ? 2 : 1);
}

/**
 * A movement set up for a body.
 * @throws RangeError in words when this body cannot take the posture at all
 */
export const solverOf = (build: Build, m: Computed, o: RangeOptions = {}): Solver =>
  movementOf(m).solve(
    build,
    m,
    o,
    o.loadKg ?? referenceLoadKg(build, 'referenceLoad' in m ? m.referenceLoad : undefined),
  );

/** What the numbers of a block can be for a body: the ends of its sliders. */
export const limitsOf = (build: Build, m: Computed): Limits => movementOf(m).limits(build, m);

/** What statics leaves open in a posture of this kind, in words; null: nothing. */
export const undeterminedIn = (m: Computed): string | null => movementOf(m).open(m);
