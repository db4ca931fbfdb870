import type { Door } from './door.ts';
import type { Floor } from './judge.ts';
import { LONG_UNSEEN_DAYS, recurringFaults, stayOf } from '../ladder/index.ts';
import type { Outcome, RecurringFault } from '../ladder/index.ts';
import type { PersonRecords } from './records.ts';
import type { SideDifference } from '../log/index.ts';
import { daysBetween } from '../terms/index.ts';
import { judge } from './judge.ts';
import { laddersOf } from '../library/index.ts';
import { sidesDiffer } from '../log/index.ts';
/** A decision that went against the proposal. */
export interface Overridden {
  date: string;
  proposed: Outcome;
  chosen: Outcome;
  reason: string;
  by: string;
}

/** Where a person stands on one ladder, what is proposed, and what a head coach looks for. */
export interface PersonLine {
  personId: string;
  ladder: string;
  ladderName: string;
  levelName: string | null;
  levelNumber: number | null;
  levels: number;
  since: string | null;
  outcome: Outcome | null;
  reason: string | null;
  lastSession: string | null;
  /** Days since the last session where that is long. */
  unseenDays: number | null;
  /** Weeks on the level where that is beyond the usual stay. */
  stuckWeeks: number | null;
  usualWeeks: number | null;
  /** The newest decision, where it went against the proposal. */
  overridden: Overridden | null;
  /** The newest side test, where the sides differ by more than is usual. */
  sides: SideDifference | null;
  faults: (RecurringFault & { name: string })[];
}

/**
 * One line a ladder of somebody.
 * @param overrides the newest decisions that went against the proposal, by their ids
 */
export function overviewLines(
  floor: Floor,
  personId: string,
  own: PersonRecords,
  door: Door,
  overrides: ReadonlyMap<string, Overridden>,
): PersonLine[] {
  const { inForce, today } = floor;
  const faultName = (slug: string) => inForce.shelf.get('fault', slug)?.name ?? slug;
  const unseen = own.lastSession === null ? null : daysBetween(own.lastSession, today);
  // A branch that was not opened is nobody's yet.
  const ladders = laddersOf(inForce.shelf).filter((l) => !l.branchOf || own.standings.has(l.slug));
  return ladders.map((ladder): PersonLine => {
    const { standing, decision, failure } = judge(floor, ladder, own, { foretell: false });
    const shown = decision && door.decision(decision);
    const index = ladder.levels.findIndex((l) => l.id === standing?.level);
    const level = ladder.levels[index];
    const stay = standing && level ? stayOf(level.usualStayWeeks, standing.since, today) : null;
    const here = level ? [level.main, ...level.equals] : [];
    const sets = own.evidence(ladder.slug).sets.filter((s) => here.includes(s.variation));
    const sides = decision?.sides ?? null;
    return {
      personId,
      ladder: ladder.slug,
      ladderName: ladder.name,
      levelName: level?.name ?? null,
      levelNumber: index === -1 ? null : index + 1,
      levels: ladder.levels.length,
      since: standing?.since ?? null,
      outcome: shown?.outcome ?? null,
      reason: shown?.reasons[0]?.text ?? failure,
      lastSession: own.lastSession,
      unseenDays: unseen !== null && unseen >= LONG_UNSEEN_DAYS ? unseen : null,
      stuckWeeks: stay?.beyond && decision?.outcome !== 'move up' ? stay.weeks : null,
      usualWeeks: level?.usualStayWeeks.to ?? null,
      overridden: overrides.get(own.lastMoves.get(ladder.slug) ?? '') ?? null,
      sides: sides && sidesDiffer(sides) ? sides : null,
      faults: recurringFaults(sets).map((f) => ({ ...f, name: faultName(f.fault) })),
    };
  });
}
