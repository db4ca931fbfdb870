import { levelEvidence, sessionsOf, totalKg } from '../log/index.ts';
import type { EvidenceSession, FactsBySlug, LoggedSet } from '../log/index.ts';
import { leavesOf } from '../criterion/index.ts';
import type { Criterion } from '../criterion/index.ts';
import type { SettledLevel } from '../library/index.ts';
import type { IsoDate, Pattern } from '../terms/index.ts';

/** What of a log counts at a level, and for what. */
export interface Counted {
  /** All sessions at the level, ascending; side tests and warm-up are none. */
  sessions: EvidenceSession[];
  /** Those that were not made lighter on purpose: these neither break nor extend anything. */
  whole: EvidenceSession[];
  /** Of these what counts towards moving up: no variation that is barred now, none of another kind of load. */
  forAdvance: EvidenceSession[];
  sideTests: LoggedSet[];
  /** Of the pattern since arrival, warm-up and drills too: pain and stop faults are read of these. */
  ofPattern: LoggedSet[];
  /** Days on which the pattern was trained, ascending. */
  days: IsoDate[];
}

export interface CountsInput {
  pattern: Pattern;
  level: SettledLevel;
  since: IsoDate;
  facts: FactsBySlug;
  /** As far as no clearance has closed them. */
  sets: readonly LoggedSet[];
  usedUp: ReadonlySet<string>;
  barred: (variation: string) => boolean;
}

export function countsAt(of: CountsInput): Counted {
  const { level, since, facts, usedUp } = of;
  const here = [level.main, ...level.equals];
  const sets = together(of.sets, facts);
  const isOfPattern = (s: LoggedSet) =>
    here.includes(s.variation) || facts.get(s.variation)?.pattern === of.pattern;
  const sessions = sessionsOf(
    levelEvidence(sets, here, since)
      .flatMap((s) => s.sets)
      // What another decision stood on that day was done for the level before.
      .filter((s) => !(s.date === since && usedUp.has(s.id)))
      .filter((s) => isInForm(s, facts)),
  );
  const whole = sessions.filter((s) => s.sets.every((x) => x.lighter !== true));
  const kind = facts.get(level.main)?.loadKind;
  const earns = (s: LoggedSet) =>
    s.variation === level.main ||
    !isLoaded(level) ||
    facts.get(s.variation)?.loadKind === kind ||
    (!asksLoad(level.advance) && ownLoadOf(level, s.variation) !== undefined);
  const ofPattern = sets.filter(isOfPattern);
  return {
    sessions,
    whole,
    forAdvance: sessionsOf(whole.flatMap((s) => s.sets.filter((x) => earns(x) && !of.barred(x.variation)))),
    sideTests: sets.filter((s) => s.sideTest && !s.warmUp && s.date >= since && here.includes(s.variation)),
    ofPattern: ofPattern.filter((s) => s.date >= since),
    days: [...new Set(ofPattern.map((s) => s.date))].sort(),
  };
}

/** Whether a set is in the form that is worked in: repetitions inside rounds are not clean repetitions, nor the reverse. */
export function isInForm(s: Pick<LoggedSet, 'rounds' | 'variation'>, facts: FactsBySlug): boolean {
  const v = facts.get(s.variation);
  return v?.inIntervals ? s.rounds !== null : s.rounds === null || v?.countedIn === 'rounds';
}

const asksLoad = (c: Criterion): boolean => leavesOf(c).some((a) => a.kind === 'load');

/** Whether a level is done with a load: its dose has one, or its criterion asks for one. */
export const isLoaded = (level: SettledLevel): boolean =>
  (level.dose.loadKg ?? 0) > 0 || asksLoad(level.advance);

/** What clean repetitions have to be done with to count towards moving up, kg in all; undefined: anything. */
export function floorOf(level: SettledLevel, advance: Criterion, facts: FactsBySlug): number | undefined {
  if (!level.dose.loadKg || asksLoad(advance)) return undefined;
  return totalKg({ loadKg: level.dose.loadKg, variation: level.main }, facts) ?? undefined;
}

/** What an equal with another kind of load is done with on arrival, kg one weight; undefined: nothing of its own. */
export const ownLoadOf = (level: SettledLevel, variation: string): number | undefined =>
  level.equalLoads?.find((e) => e.variation === variation)?.loadKg;

/** The same in all, by variation. */
export function floorsOfEquals(level: SettledLevel, facts: FactsBySlug): Map<string, number> {
  const floors = (level.equalLoads ?? []).map((e): [string, number | null] => [
    e.variation,
    totalKg(e, facts),
  ]);
  return new Map(floors.filter((f): f is [string, number] => f[1] !== null));
}

/**
 * Work in which the sides take turns is one set. Where an older log has the sides apart, the nth of either are one set
 * with the sum of both.
 */
function together(sets: readonly LoggedSet[], facts: FactsBySlug): readonly LoggedSet[] {
  const apart = (s: LoggedSet) => s.side !== null && facts.get(s.variation)?.alternating === true;
  if (!sets.some(apart)) return sets;
  const paired = sessionsOf(sets.filter(apart)).flatMap((session) =>
    [...new Set(session.sets.map((s) => s.variation))].flatMap((variation) => {
      const of = (side: string) => session.sets.filter((s) => s.variation === variation && s.side === side);
      const right = of('right');
      return of('left').map((left, i) => bothOf(left, right[i]));
    }),
  );
  return [...sets.filter((s) => !apart(s)), ...paired];
}

function bothOf(left: LoggedSet, right: LoggedSet | undefined): LoggedSet {
  const worst = (a: number | null, b: number | null | undefined) =>
    a === null ? (b ?? null) : b == null ? a : Math.max(a, b);
  const sum = (a: number | null, b: number | null | undefined) => (a === null || b == null ? null : a + b);
  return {
    ...left,
    side: null,
    sideTest: false,
    watched: left.watched && right?.watched === true,
    plannedReps: sum(left.plannedReps, right?.plannedReps),
    doneReps: sum(left.doneReps, right?.doneReps),
    effort: worst(left.effort, right?.effort),
    pain: worst(left.pain, right?.pain),
    faults: [...left.faults, ...(right?.faults ?? [])],
  };
}
