import type { Tempo } from '../library/index.ts';
import type { Side } from '../terms/index.ts';
import { READY_S, laidOut } from './clock.ts';
import type { ClockPlan } from './clock.ts';

/** What a drill asks for. */
export interface DrillAmount {
  sets: number;
  reps?: number | undefined;
  holdS?: number | undefined;
  restS: number;
}

/** A repetition of a drill that names no tempo, seconds (assumption). */
const PLAIN_REP_S = 2;

/**
 * The clock of a drill: its sets, one side after the other where the sides work apart, with a moment to change between
 * them. Repetitions are paced by the sum of the tempo; they are not told apart into moments, since a drill is felt, not
 * counted in.
 */
export function drillPlan(
  { sets, reps, holdS, restS }: DrillAmount,
  tempo: Tempo,
  apart: boolean,
): ClockPlan {
  const repS = tempo.loweringS + tempo.bottomS + tempo.risingS + tempo.topS || PLAIN_REP_S;
  const sides: (Side | null)[] = apart ? ['left', 'right'] : [null];
  const none = { rep: null, round: null };
  return laidOut(
    Array.from({ length: sets }, (_, i) => [
      ...(i > 0 && restS > 0 ? [{ ...none, side: null, moment: 'rest' as const, seconds: restS }] : []),
      ...sides.flatMap((side) => [
        { ...none, side, moment: 'ready' as const, seconds: READY_S },
        ...(holdS !== undefined
          ? [{ ...none, side, moment: 'hold' as const, seconds: holdS }]
          : Array.from({ length: reps ?? 1 }, (_, n) => ({
              side,
              round: null,
              // Counted through, so that what was done is a number.
              rep: i * (reps ?? 1) + n + 1,
              moment: 'work' as const,
              seconds: repS,
            }))),
      ]),
    ]).flat(),
  );
}
