import type { Checked, FaultCase, Tried } from '../../core/fault/index.ts';
import { causeGivenSign, causesOf, NO_EXPERIENCE, resultGivenCause } from '../../core/fault/index.ts';
import { resolve } from '../../core/library/index.ts';
import type { ResolvedFault, Shelf } from '../../core/library/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { uuidFrom } from '../../core/testing/seeded.ts';
import type { Season } from './season.ts';

/** Share of the sets with a fault that were taken to the desk. */
const TO_THE_DESK = 0.3;
/** Share of the watched sets of the last weeks that a second coach rated, and what that coach sees. */
const RATED = 0.3;
const RATED_WEEKS = 5;
const SEES_IT_TOO = 0.78;
const SEES_ANOTHER = 0.06;
/** An answer for the cause helps so often; one that is for another cause hardly ever. */
const HELPS = { for: 0.75, other: 0.08 };
/** In this hall one answer has never helped: something to rewrite. */
const NEVER = 'Push both thighs apart on the way up.';

const drawn = (weights: ReadonlyMap<string, number>, random: () => number): string => {
  let left = random();
  for (const [key, p] of weights) if ((left -= p) < 0) return key;
  return [...weights.keys()].at(-1)!;
};

export interface DemoCase extends Omit<FaultCase, 'personId'> {
  id: string;
  variationRevision: number;
}

/** One fault worked on: a cause is drawn from the library's weights, checks and answers follow from it. */
function caseOf(set: LoggedSet, fault: ResolvedFault, random: () => number): DemoCase {
  const cause = drawn(causeGivenSign(fault, NO_EXPERIENCE), random);
  const known = causesOf([fault]).find((c) => c.of.some((o) => o.id === cause))!;
  const checks = fault.checks.slice(0, 1).map((check): Checked => {
    const result = drawn(resultGivenCause(fault, check, known, NO_EXPERIENCE), random);
    return { fault: fault.slug, check: check.text, result: random() < 0.1 ? null : result };
  });
  const tried: Tried[] = [];
  for (const a of fault.answers.filter((x) => x.causes?.includes(cause) ?? random() < 0.3)) {
    const works = a.text !== NEVER && random() < (a.causes?.includes(cause) ? HELPS.for : HELPS.other);
    const outcome = works ? 'better' : random() < 0.12 ? 'worse' : 'same';
    tried.push({ fault: fault.slug, answer: a.text, causes: a.causes, outcome });
    if (works || tried.length === 3) break;
  }
  return {
    id: uuidFrom(random),
    date: set.date,
    variation: set.variation,
    variationRevision: set.variationRevision,
    signs: set.faults.filter((f) => f.fault === fault.slug).map(({ fault: f, side }) => ({ fault: f, side })),
    felt: [],
    checks,
    tried,
    end: tried.at(-1)?.outcome === 'better' ? 'better' : 'left',
  };
}

/** Faults of a season that were taken to the desk, and sets that a second coach rated. */
export function deskOf(season: Season, shelf: Shelf, today: string, random: () => number) {
  const faultsOf = new Map<string, ResolvedFault[]>();
  const read = (variation: string) => {
    const found = faultsOf.get(variation) ?? resolve(shelf.get('variation', variation)!, shelf).faults;
    faultsOf.set(variation, found);
    return found;
  };
  const cases: DemoCase[] = [];
  const ratings: { setId: string; faults: LoggedSet['faults'] }[] = [];
  const since = new Date(Date.parse(`${today}T00:00:00Z`) - RATED_WEEKS * 7 * 86_400_000)
    .toISOString()
    .slice(0, 10);
  for (const set of season.sets.filter((s) => s.watched)) {
    for (const { fault: slug } of set.faults) {
      const fault = read(set.variation).find((f) => f.slug === slug);
      if (fault && fault.causes.length > 0 && random() < TO_THE_DESK) cases.push(caseOf(set, fault, random));
    }
    if (set.date < since || random() >= RATED) continue;
    const seen = set.faults.filter(() => random() < SEES_IT_TOO);
    const others = read(set.variation).filter(
      (f) => f.severity < 3 && !set.faults.some((x) => x.fault === f.slug),
    );
    const extra =
      others.length > 0 && random() < SEES_ANOTHER ? others[Math.floor(random() * others.length)] : null;
    ratings.push({
      setId: set.id,
      faults: [...seen, ...(extra ? [{ fault: extra.slug, side: set.side, reps: 1 }] : [])],
    });
  }
  return { cases, ratings };
}
