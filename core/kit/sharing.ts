import { rampOver } from './plates.ts';
import type { BarKit, Ramp } from './plates.ts';

/** Somebody who takes turns on a bar, with the load of each of their sets. */
export interface Turns {
  id: string;
  loadsT: readonly number[];
}

/** Who goes in which order, and what is done between two turns. */
export interface Sharing {
  order: string[];
  steps: (Ramp['steps'][number] & { id: string; set: number })[];
  /** Plates handled on one side in all. */
  moves: number;
  /** The same in the order in which they were given. */
  movesAsGiven: number;
}

const MOST_PEOPLE = 4;
const MOST_SETS = 12;

function* ordersOf<T>(list: readonly T[]): Generator<T[]> {
  if (list.length <= 1) yield [...list];
  else
    for (const [i, first] of list.entries())
      for (const rest of ordersOf([...list.slice(0, i), ...list.slice(i + 1)])) yield [first, ...rest];
}

/**
 * People who share a bar go one after the other, set by set, in the one order with the fewest plates handled; of as good
 * ones the order they were given in.
 * @throws RangeError for nobody, more than four people or twelve sets, or a load that cannot be put on
 */
export function shareBar(kit: BarKit, people: readonly Turns[]): Sharing {
  if (people.length === 0 || people.length > MOST_PEOPLE)
    throw new RangeError(`One to ${MOST_PEOPLE} people share a bar.`);
  const sets = Math.max(...people.map((p) => p.loadsT.length));
  if (sets > MOST_SETS) throw new RangeError(`At most ${MOST_SETS} sets of each.`);
  const turnsIn = (order: readonly Turns[]) =>
    Array.from({ length: sets }, (_, set) =>
      order.flatMap((p) =>
        p.loadsT[set] === undefined ? [] : [{ id: p.id, set: set + 1, totalT: p.loadsT[set] }],
      ),
    ).flat();
  let best: Sharing | null = null;
  let movesAsGiven = 0;
  for (const order of ordersOf(people)) {
    const turns = turnsIn(order);
    const ramp = rampOver(
      kit,
      turns.map((t) => t.totalT),
    );
    if (!best) movesAsGiven = ramp.moves;
    if (!best || ramp.moves < best.moves)
      best = {
        order: order.map((p) => p.id),
        steps: ramp.steps.map((s, i) => ({ ...s, id: turns[i]!.id, set: turns[i]!.set })),
        moves: ramp.moves,
        movesAsGiven,
      };
  }
  return { ...best!, movesAsGiven };
}

/** What is taken off and put on, on one side, between two stacks: what lies inside of both stays. */
export function changeBetween(
  from: readonly number[],
  to: readonly number[],
): { off: number[]; on: number[] } {
  let same = 0;
  while (same < from.length && same < to.length && from[same] === to[same]) same++;
  // The outermost comes off first.
  return { off: from.slice(same).reverse(), on: to.slice(same) };
}
