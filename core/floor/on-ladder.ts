import type { Decision, Standing, Target } from '../ladder/index.ts';
import type { Door, Shown } from './door.ts';
import type { Floor } from './judge.ts';
import type { PersonRecords } from './records.ts';
import type { SettledLadder } from '../library/index.ts';
import type { VariationFacts } from '../log/index.ts';
import { judge } from './judge.ts';
import { isTaught, laddersOf } from '../library/index.ts';
import { levelOf, ofLibrary, readingOfLadder } from './readings.ts';
import { heldLevels, isOpen, stayOf, targetAt } from '../ladder/index.ts';
/** A person on one ladder: what the floor and the person's page show. */
export interface OnLadder {
  /** With the criteria under the answers in force for this person. */
  ladder: SettledLadder;
  ladderRevision: number;
  standing: Standing | null;
  /** Of a branch: what of its trunk it opens with, and whether that is held. */
  branch: { opensWith: string; open: boolean } | null;
  /** How long they have stood there, and whether that is beyond the usual stay. */
  stay: { weeks: number; beyond: boolean } | null;
  target: Target | null;
  decision: Shown<Decision> | null;
  /** Filled when the computation failed: logging goes on. */
  failure: string | null;
  names: Record<string, string>;
  /** What decisions know of each variation on the ladder. */
  facts: Record<string, VariationFacts>;
}

/** A person on every ladder, those they stand on first. */
export function onLadders(floor: Floor, records: PersonRecords, door: Door): OnLadder[] {
  const { shelf, revisions } = floor.inForce;
  const held = heldLevels(shelf.all('ladder'), records.standings);
  return (
    laddersOf(shelf)
      .filter((l) => records.standings.has(l.slug) || isTaught(l, shelf, records.answers))
      .map((raw): OnLadder => {
        const { standing, decision, failure } = judge(floor, raw, records);
        const { settled, facts } = readingOfLadder(floor.inForce, raw, records.answers, standing ?? {});
        const own = settled.levels.flatMap((l) => [l.main, ...l.equals]).flatMap((v) => facts.get(v) ?? []);
        const level = levelOf(settled, standing?.level);
        return {
          ladder: settled,
          ladderRevision: revisions.get(`ladder/${raw.slug}`) ?? 0,
          standing,
          branch: raw.branchOf
            ? {
                opensWith: ofLibrary(floor.inForce).nameOf(raw.branchOf.ladder, raw.branchOf.level),
                open: isOpen(raw, held),
              }
            : null,
          stay: standing && level ? stayOf(level.usualStayWeeks, standing.since, floor.today) : null,
          // Where the decision failed, so may the ways on taken: the level's own dose still tells what to log.
          target: standing && level ? targetAt(level.dose, failure === null ? standing.taken : []) : null,
          decision: decision && door.decision(decision),
          failure,
          names: Object.fromEntries(own.map((f) => [f.slug, f.name])),
          facts: Object.fromEntries(own.map((f) => [f.slug, f])),
        };
      })
      // Where they stand comes before where they have not begun.
      .sort((a, b) => Number(a.standing === null) - Number(b.standing === null))
  );
}
