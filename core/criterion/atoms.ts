import { cleanReps } from './atoms/clean-reps.ts';
import { holdS } from './atoms/hold.ts';
import { cleanRounds } from './atoms/clean-rounds.ts';
import { load } from './atoms/load.ts';
import { effortAtMost } from './atoms/effort.ts';
import { tempoKept } from './atoms/tempo.ts';
import { weeksOnLadder } from './atoms/weeks-on-ladder.ts';
import { rangeReached } from './atoms/range.ts';
import { faultsAtMost } from './atoms/faults.ts';
import { felt } from './atoms/felt.ts';
import { notFelt } from './atoms/not-felt.ts';
import { painAtMost } from './atoms/pain.ts';
import { aidsAtMost } from './atoms/aids.ts';
import { easeAtLeast } from './atoms/ease.ts';
import { sideDifferenceAtMost } from './atoms/side-difference.ts';
import { sessionsHere } from './atoms/sessions-here.ts';
import { daysHere } from './atoms/days-here.ts';
import { levelHeld } from './atoms/level-held.ts';
import { signedOff } from './atoms/signed-off.ts';

/** Every atom of the criteria language, in the order in which they are offered: one file each. */
export const ATOMS = {
  cleanReps,
  holdS,
  cleanRounds,
  load,
  effortAtMost,
  tempoKept,
  rangeReached,
  faultsAtMost,
  felt,
  notFelt,
  painAtMost,
  aidsAtMost,
  easeAtLeast,
  sideDifferenceAtMost,
  sessionsHere,
  daysHere,
  levelHeld,
  weeksOnLadder,
  signedOff,
};
