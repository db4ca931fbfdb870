import type { Dose, Tempo } from '../library/index.ts';
import { sidesApart } from '../terms/index.ts';

/** What a dose is read from: a variation's own, or a person's target. */
export interface Amount {
  sets: number;
  reps?: number;
  holdS?: number;
  rounds?: number;
}

/** The least that a dose asks for. */
export const leastOf = (d: Dose): Amount => ({
  sets: d.sets,
  ...(d.holdS !== undefined ? { holdS: d.holdS } : {}),
  ...(d.repsFrom !== undefined ? { reps: d.repsFrom } : {}),
  ...(d.rounds !== undefined ? { rounds: d.rounds } : {}),
});

/** How often a dose is done: once a side where the sides work apart. */
export const timesDone = (v: Parameters<typeof sidesApart>[0]): 1 | 2 => (sidesApart(v) ? 2 : 1);

/** A round of the interval form is a minute: 40 s of work, 20 s of rest (common practice, no source). */
const ROUND_S = 60;

/**
 * Seconds under way in all sets: repetitions × sides × the sum of the tempo, or seconds held × sides;
 * rests are not in it. Common practice, no source.
 */
export function workTimeS(a: Amount, tempo: Tempo, sides: 1 | 2): number {
  const repS = tempo.loweringS + tempo.bottomS + tempo.risingS + tempo.topS;
  if (a.rounds !== undefined) return a.sets * a.rounds * ROUND_S;
  if (a.holdS !== undefined) return a.sets * a.holdS * sides;
  return a.sets * (a.reps ?? 0) * sides * repS;
}
