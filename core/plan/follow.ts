import type { LaidOutRound, Stint } from './layout.ts';

/** A round in the time of the hour, seconds from the start of the warm-up. */
export interface HourSpan {
  fromS: number;
  lengthS: number;
}

/** Where the hour stands: what is on, which round it is or comes next, and for how long. */
export interface HourMoment {
  phase: 'before' | 'warm-up' | 'round' | 'change' | 'over';
  /** The round that is on, or that comes next; null: there is none any more. */
  round: number | null;
  leftS: number;
}

/** @param atS seconds since the start; negative: before it */
export function momentAt(warmUpS: number, spans: readonly HourSpan[], atS: number): HourMoment {
  if (atS < 0) return { phase: 'before', round: 0, leftS: -atS };
  const first = spans[0]?.fromS ?? warmUpS;
  if (atS < first) return { phase: 'warm-up', round: spans.length > 0 ? 0 : null, leftS: first - atS };
  for (const [round, { fromS, lengthS }] of spans.entries()) {
    if (atS < fromS) return { phase: 'change', round, leftS: fromS - atS };
    if (atS < fromS + lengthS) return { phase: 'round', round, leftS: fromS + lengthS - atS };
  }
  return { phase: 'over', round: null, leftS: 0 };
}

/** One person's work at a moment of a round. */
export interface Turn {
  stint: Stint;
  state: 'waits' | 'works' | 'rests' | 'done';
  /** The set that is on or comes next, from 1; the last once all are done. */
  set: number;
  /** Seconds until that changes. */
  leftS: number;
}

/** @param atS seconds from the start of the round */
export function turnsIn(laid: LaidOutRound, atS: number): Turn[] {
  return laid.stints.map((stint): Turn => {
    const i = stint.sets.findIndex((s) => atS < s.toS);
    if (i < 0) return { stint, state: 'done', set: stint.sets.length, leftS: 0 };
    const s = stint.sets[i]!;
    if (atS >= s.fromS) return { stint, state: 'works', set: i + 1, leftS: s.toS - atS };
    return { stint, state: i === 0 ? 'waits' : 'rests', set: i + 1, leftS: s.fromS - atS };
  });
}

/** The rounds of a plan in the time of the hour, from where the first begins. */
export const spansFrom = (fromS: number, rounds: number, lengthS: number, changeS: number): HourSpan[] =>
  Array.from({ length: rounds }, (_, i) => ({ fromS: fromS + i * (lengthS + changeS), lengthS }));
