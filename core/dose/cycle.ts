import type { Tempo } from '../library/index.ts';

/** One repetition as legs of time between places: 0 is the start, 1 the working position. */
export interface Leg {
  seconds: number;
  from: number;
  to: number;
}

/** A movement without a time of its own still takes a moment. */
const LEAST_S = 0.4;

/**
 * The legs of a repetition. What works low starts high and lowers first; a lift from the floor or bench rises
 * first.
 */
export function cycleOf(t: Tempo, workingIs: 'bottom' | 'top'): Leg[] {
  const move = (seconds: number, from: number, to: number): Leg => ({
    seconds: Math.max(LEAST_S, seconds),
    from,
    to,
  });
  const wait = (seconds: number, at: number): Leg => ({ seconds, from: at, to: at });
  return workingIs === 'bottom'
    ? [move(t.loweringS, 0, 1), wait(t.bottomS, 1), move(t.risingS, 1, 0), wait(t.topS, 0)]
    : [move(t.risingS, 0, 1), wait(t.topS, 1), move(t.loweringS, 1, 0), wait(t.bottomS, 0)];
}

export const cycleS = (legs: readonly Leg[]) => legs.reduce((sum, l) => sum + l.seconds, 0);

/**
 * Place in the repetition at a time, going round and round.
 * @param moving false: only the ends of each leg are shown, for those who want no motion
 */
export function placeAt(legs: readonly Leg[], seconds: number, moving: boolean): number {
  let left = seconds % cycleS(legs);
  for (const leg of legs) {
    if (left < leg.seconds) {
      const x = left / leg.seconds;
      if (!moving) return x < 0.5 ? leg.from : leg.to;
      // Starts and ends gently, as a body does.
      return leg.from + (leg.to - leg.from) * x * x * (3 - 2 * x);
    }
    left -= leg.seconds;
  }
  return legs[0]!.from;
}
