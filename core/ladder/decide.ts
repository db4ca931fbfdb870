import { barredHere, steppedBack, stopped } from './back.ts';
import type { Decision, DecisionInput } from './decision.ts';
import { grown, held, movedUp, trainedOnly } from './up.ts';
import { weigh } from './weighed.ts';

/**
 * The decision for one person on one ladder. Pure: the same input gives the same output.
 * First that applies: stop and refer, step back, move up, grow inside the level, hold.
 * @throws Error when the standing names a level that the ladder does not have.
 */
export function decide(input: DecisionInput): Decision {
  const w = weigh(input);
  return stopped(w) ?? barredHere(w) ?? steppedBack(w) ?? trainedOnly(w) ?? movedUp(w) ?? grown(w) ?? held(w);
}
