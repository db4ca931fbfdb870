import type { Decision, Standing } from '../ladder/index.ts';
import type { IsoDate } from '../terms/index.ts';
import type { Ladder, ShelfInForce } from '../library/index.ts';
import type { PersonRecords } from './records.ts';
import { branchesTaught } from '../library/index.ts';
import { decide, heldLevels, isOpen } from '../ladder/index.ts';
import { ofLibrary, readingOfLadder } from './readings.ts';
/** What the floor is read from: the library in force and the hall's day. */
export interface Floor {
  inForce: ShelfInForce;
  today: IsoDate;
  /** Is told of a computation that failed; the rest goes on. */
  told?: ((what: string, error: unknown) => void) | undefined;
}

/** Documents a decision on the ladder reads, by `kind/slug`, with their revisions. */
export function revisionsRead(inForce: ShelfInForce, ladder: Ladder): Record<string, number> {
  const { shelf, revisions } = inForce;
  const ids = [`ladder/${ladder.slug}`];
  for (const level of ladder.levels) {
    for (const slug of [level.main, ...level.equals]) {
      ids.push(`variation/${slug}`);
      for (const f of shelf.get('variation', slug)?.faults ?? []) ids.push(`fault/${f.fault}`);
    }
  }
  for (const q of shelf.all('houseQuestion')) ids.push(`houseQuestion/${q.slug}`);
  return Object.fromEntries([...new Set(ids)].map((id) => [id, revisions.get(id) ?? 0]));
}

export interface Judgement {
  standing: Standing | null;
  decision: Decision | null;
  failure: string | null;
}

/**
 * The decision for a person on a ladder; a computation that fails is told, never thrown.
 * @param ladder the one in force, or an edited one that is being tried
 */
export function judge(
  { inForce, today, told }: Floor,
  ladder: Ladder,
  records: PersonRecords,
  {
    standing = records.standings.get(ladder.slug) ?? null,
    foretell = true,
  }: { standing?: Standing | null; foretell?: boolean } = {},
): Judgement {
  if (!standing) return { standing: null, decision: null, failure: null };
  try {
    const { settled, facts, loweringS } = readingOfLadder(inForce, ladder, records.answers, standing);
    const { sets, earlierSessions, sessionsOnLadder } = records.evidence(ladder.slug);
    const trained = records.trained.get(ladder.pattern);
    const held = heldLevels(inForce.shelf.all('ladder'), records.standings);
    const decision = decide({
      ladder: settled,
      facts,
      loweringS,
      standing,
      sets,
      earlierSessions,
      told: records.told,
      ...(trained ? { days: trained.days, lastWatched: trained.lastWatched } : {}),
      ...(sessionsOnLadder === undefined ? {} : { sessionsOnLadder }),
      restrictions: records.restrictions,
      stops: records.stops,
      clearances: records.clearances,
      kit: ofLibrary(inForce).kit,
      loads: ofLibrary(inForce).loads,
      heldElsewhere: held,
      branches: branchesTaught(inForce.shelf, ladder, records.answers)
        .filter((b) => !records.standings.has(b.slug) && isOpen(b, held))
        .map((b) => b.name),
      massKg: records.massKg,
      signOffs: records.signOffs,
      nameOf: ofLibrary(inForce).nameOf,
      foretell,
      today,
    });
    return { standing, decision, failure: null };
  } catch (error) {
    told?.(`The decision on ${ladder.slug} failed:`, error);
    return {
      standing,
      decision: null,
      failure: `The decision could not be computed (${error instanceof Error ? error.message : 'unknown'}). Logging goes on; nothing is lost.`,
    };
  }
}
