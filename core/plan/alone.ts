import { ABOUT_FORM, MOVE_S, soloS } from './hour.ts';
import type { PlaceForm, WorkOption, WorkPiece } from './hour.ts';

/** A stretch of a session of one person, seconds from its beginning. */
export interface Step {
  what: 'warm-up' | 'set up' | 'work' | 'rest' | 'change';
  fromS: number;
  toS: number;
  /** Which of the pieces; null: none. */
  piece: number | null;
  /** Which set of it, from 1. */
  set: number | null;
}

export interface AloneSession {
  /** The pieces in their order, with how many sets of each. */
  order: { piece: number; sets: number }[];
  steps: Step[];
  totalS: number;
  /** Pieces for which there is no time. */
  dropped: number[];
  /** Pieces done with a set fewer than planned. */
  shorter: number[];
}

/** What a set fewer costs of a piece (judgement): it is still trained, though what it earns may be unknown. */
const A_SET_FEWER = 0.4;
/** No more pieces are looked at in every combination. */
const MOST = 8;

/** Seconds of one piece from walking to it to its last repetition. */
const lengthS = (o: WorkOption, sets: number, form: PlaceForm | 'floor'): number =>
  soloS({ ...o, sets }, ABOUT_FORM[form].setUpS);

/**
 * A session of one person within so many seconds: of all choices of pieces, each whole, with a set fewer, or left out,
 * the one that is worth most; heavy work and what is tried come first.
 * @throws RangeError for more pieces than are looked at
 */
export function aloneSession(
  pieces: readonly WorkPiece[],
  {
    totalS,
    warmUpS,
    formOf,
  }: { totalS: number; warmUpS: number; formOf: (at: string | null) => PlaceForm | 'floor' },
): AloneSession {
  if (pieces.length > MOST) throw new RangeError(`More than ${MOST} pieces of work.`);
  const of = pieces.map((p) => {
    const o = p.options[0]!;
    return { o, form: formOf(o.at) };
  });
  let best: { value: number; usedS: number; sets: number[] } | null = null;
  const choose = (i: number, sets: number[], value: number, usedS: number): void => {
    if (usedS > totalS - warmUpS + 1e-9) return;
    if (i === pieces.length) {
      // Of as much worth the one that takes less time.
      if (!best || value > best.value || (value === best.value && usedS < best.usedS))
        best = { value, usedS, sets };
      return;
    }
    const { o, form } = of[i]!;
    const worth = pieces[i]!.priority;
    const change = sets.some((n) => n > 0) || warmUpS > 0 ? MOVE_S : 0;
    choose(i + 1, [...sets, o.sets], value + worth, usedS + change + lengthS(o, o.sets, form));
    if (o.sets > 1)
      choose(
        i + 1,
        [...sets, o.sets - 1],
        value + worth * (1 - A_SET_FEWER),
        usedS + change + lengthS(o, o.sets - 1, form),
      );
    choose(i + 1, [...sets, 0], value, usedS);
  };
  choose(0, [], 0, 0);
  const found = best as { sets: number[] } | null;
  const sets = found?.sets ?? pieces.map(() => 0);
  const rank = (j: number) => (pieces[j]!.heavy ? 2 : 0) + (pieces[j]!.priority === 3 ? 1 : 0);
  const order = pieces
    .map((_, j) => j)
    .filter((j) => sets[j]! > 0)
    .sort(
      (a, b) =>
        rank(b) - rank(a) || Number(of[a]!.form === 'floor') - Number(of[b]!.form === 'floor') || a - b,
    );
  const steps: Step[] = [];
  let at = 0;
  const step = (
    what: Step['what'],
    seconds: number,
    piece: number | null = null,
    set: number | null = null,
  ) => {
    if (seconds <= 0) return;
    steps.push({ what, fromS: at, toS: at + seconds, piece, set });
    at += seconds;
  };
  step('warm-up', warmUpS);
  for (const j of order) {
    const { o, form } = of[j]!;
    if (at > 0) step('change', MOVE_S, j);
    step('set up', ABOUT_FORM[form].setUpS, j);
    for (let n = 1; n <= sets[j]!; n++) {
      step('work', o.workS, j, n);
      if (n < sets[j]!) step('rest', o.restS, j, n);
    }
  }
  return {
    order: order.map((piece) => ({ piece, sets: sets[piece]! })),
    steps,
    totalS: at,
    dropped: sets.flatMap((n, j) => (n === 0 ? [j] : [])),
    shorter: sets.flatMap((n, j) => (n > 0 && n < of[j]!.o.sets ? [j] : [])),
  };
}
