import type {
  Aid,
  CountedIn,
  Felt,
  FeltKind,
  LoadKind,
  LoadPlace,
  Pattern,
  RangeTarget,
  Region,
  Role,
  Severity,
  Side,
} from '../library/index.ts';

/** Calendar day of the hall, `YYYY-MM-DD`; compares as text. */
export type IsoDate = string;

/** One logged set. Null means not known: not asked, not measured or not watched. */
export interface LoggedSet {
  id: string;
  sessionId: string;
  date: IsoDate;
  /** Place within the session; the order of entry is not used. */
  ordinal: number;
  variation: string;
  variationRevision: number;
  role: Role;
  warmUp: boolean;
  watched: boolean;
  sideTest: boolean;
  side: Side | null;
  plannedReps: number | null;
  doneReps: number | null;
  holdS: number | null;
  rounds: number | null;
  loadKg: number | null;
  loadKind: LoadKind;
  effort: number | null;
  tempoKept: boolean | null;
  rangeReached: boolean | null;
  rangeDeg: number | null;
  faults: { fault: string; side: Side | null; reps: number }[];
  sensations: { region: Region; kind: FeltKind; side: Side | null }[] | null;
  pain: number | null;
  atEase: number | null;
  aids: { name: string; setting: string }[] | null;
}

/** What a decision needs to know of a variation, read from its resolved form. */
export interface VariationFacts {
  slug: string;
  name: string;
  pattern: Pattern;
  loadPlace: LoadPlace;
  rangeTarget: RangeTarget;
  impact: boolean;
  /** True where left and right are logged apart. */
  oneSided: boolean;
  /** Equipment that must be at hand: every group needs one of its members. */
  equipmentGroups: string[][];
  severities: Record<string, Severity>;
  countedIn: CountedIn;
  loadKind: LoadKind;
  /** Aids that may be noted with it. */
  aids: Aid[];
  /** False where its tempo is not prescribed. */
  hasTempo: boolean;
  wanted: Felt[];
  unwanted: Felt[];
}

export type FactsBySlug = ReadonlyMap<string, VariationFacts>;

/** The sets of one person on one date that count at a level. */
export interface EvidenceSession {
  date: IsoDate;
  sets: LoggedSet[];
}

/**
 * Level evidence: sets that are not warm-up, of the given variations, on or after the arrival,
 * grouped by date (ascending) and sorted by ordinal.
 */
export function levelEvidence(
  sets: readonly LoggedSet[],
  variations: readonly string[],
  since: IsoDate,
): EvidenceSession[] {
  const wanted = new Set(variations);
  const byDate = new Map<IsoDate, LoggedSet[]>();
  for (const set of sets) {
    if (set.warmUp || set.date < since || !wanted.has(set.variation)) continue;
    const day = byDate.get(set.date);
    if (day) day.push(set);
    else byDate.set(set.date, [set]);
  }
  return [...byDate.entries()]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([date, daySets]) => ({ date, sets: daySets.sort(bySetOrder) }));
}

/** Order within a session; the id breaks ties so that the order of entry never matters. */
export function bySetOrder(a: LoggedSet, b: LoggedSet): number {
  return a.ordinal - b.ordinal || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/** Severity of a fault on a variation; an unknown fault is taken to make the repetition unclean. */
export function severityOf(facts: FactsBySlug, variation: string, fault: string): Severity {
  return facts.get(variation)?.severities[fault] ?? 2;
}

/** Repetitions of a set that carried a fault of at least the given severity (an upper bound: faults may share one). */
export function faultyReps(set: LoggedSet, facts: FactsBySlug, severity: Severity): number {
  return set.faults.reduce(
    (n, f) => (severityOf(facts, set.variation, f.fault) >= severity ? n + f.reps : n),
    0,
  );
}

/** Clean repetitions of a watched set; null when it was not watched or not counted. */
export function cleanReps(set: LoggedSet, facts: FactsBySlug): number | null {
  if (!set.watched || set.doneReps === null) return null;
  return Math.max(0, set.doneReps - faultyReps(set, facts, 2));
}
