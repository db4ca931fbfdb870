import { otherSide } from '../terms/index.ts';
import type { Side } from '../terms/index.ts';

/** Somebody in the session, as far as it matters for whose set is next. */
export interface Turn {
  id: string;
  /** Sets of today still to do. */
  setsLeft: number;
  setsDone: number;
  /** Seconds of rest still owed; 0: rested. */
  restLeftS: number;
}

/**
 * Whose set is next: of those with sets left the one with the least rest still owed, then with the fewest sets done,
 * then in the order given. Null when all are done.
 */
export function whoIsNext(people: readonly Turn[]): string | null {
  const open = people.filter((p) => p.setsLeft > 0);
  if (open.length === 0) return null;
  return open.reduce((best, p) =>
    p.restLeftS < best.restLeftS || (p.restLeftS === best.restLeftS && p.setsDone < best.setsDone) ? p : best,
  ).id;
}

/**
 * Whether rest follows a set: always, but not between the two sides of one.
 * @param doneOf sets of a side done before this one
 */
export function restFollows(side: Side | null, doneOf: (side: Side) => number): boolean {
  if (side === null) return true;
  const other = otherSide(side);
  return doneOf(other) > doneOf(side);
}
