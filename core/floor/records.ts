import type { LoggedSet } from '../log/index.ts';
import type { Clearance, MoveFact, PainTold, Restriction, Standing, Stop } from '../ladder/index.ts';
import type { SignOff } from '../criterion/index.ts';
import { painToldIn, standingAfter } from '../ladder/index.ts';
import type { IsoDate, Pattern } from '../terms/index.ts';

/** The sets of the pattern that a decision on one ladder reads, and how many sessions there were before them. */
export interface Evidence {
  sets: readonly LoggedSet[];
  earlierSessions: number;
  /** Sessions on the ladder since the first arrival on it; absent: as the sets say. */
  sessionsOnLadder?: number;
}

/** When somebody trained a pattern of late. */
export interface Trained {
  days: readonly IsoDate[];
  /** The last of them on which anything was watched. */
  lastWatched: IsoDate | null;
}

/** All that the decisions about one person stand on. */
export interface PersonRecords {
  /** Where they stand, by ladder. */
  standings: ReadonlyMap<string, Standing>;
  /** The newest decision on each ladder. */
  lastMoves: ReadonlyMap<string, string>;
  evidence: (ladder: string) => Evidence;
  /** Pain of late, in any set and before work. */
  told: readonly PainTold[];
  /** By pattern; absent: as the sets say. */
  trained: ReadonlyMap<Pattern, Trained>;
  restrictions: readonly Restriction[];
  /** What stopped them and nobody has cleared, the oldest first. */
  stops: readonly Stop[];
  clearances: readonly Clearance[];
  /** Their own answers to house questions. */
  answers: Readonly<Record<string, string>>;
  signOffs: readonly SignOff[];
  massKg: number | null;
  lastSession: IsoDate | null;
  /** When the questions before work were last asked. */
  lastAsked: IsoDate | null;
}

export const NO_EVIDENCE: Evidence = { sets: [], earlierSessions: 0 };
/** Of somebody of whom nothing is on record. */
export const NO_RECORDS: PersonRecords = {
  standings: new Map(),
  lastMoves: new Map(),
  evidence: () => NO_EVIDENCE,
  told: [],
  trained: new Map(),
  restrictions: [],
  stops: [],
  clearances: [],
  answers: {},
  signOffs: [],
  massKg: null,
  lastSession: null,
  lastAsked: null,
};

/** Rows by a key, each group in the order of the rows. */
export function grouped<T>(rows: readonly T[], key: (row: T) => string): Map<string, T[]> {
  const map = new Map<string, T[]>();
  for (const row of rows) {
    const list = map.get(key(row));
    if (list) list.push(row);
    else map.set(key(row), [row]);
  }
  return map;
}

/** Records out of what is at hand in memory: all sets and moves of a person. */
export function recordsFrom(of: {
  sets: readonly LoggedSet[];
  moves: readonly (MoveFact & { ladder: string })[];
  restrictions?: readonly Restriction[];
  stops?: readonly Stop[];
  clearances?: readonly Clearance[];
  answers?: Readonly<Record<string, string>>;
  patternOf?: (variation: string) => Pattern | null;
  signOffs?: readonly SignOff[];
  massKg?: number | null;
}): PersonRecords {
  const standings = new Map<string, Standing>();
  for (const [ladder, moves] of grouped(of.moves, (m) => m.ladder)) {
    const standing = standingAfter(moves);
    if (standing) standings.set(ladder, standing);
  }
  const evidence: Evidence = { sets: of.sets, earlierSessions: 0 };
  return {
    ...NO_RECORDS,
    standings,
    evidence: () => evidence,
    told: of.sets.flatMap((s) => painToldIn(s, of.patternOf?.(s.variation) ?? null)),
    restrictions: of.restrictions ?? [],
    stops: of.stops ?? [],
    clearances: of.clearances ?? [],
    answers: of.answers ?? {},
    signOffs: of.signOffs ?? [],
    massKg: of.massKg ?? null,
  };
}

/** Days on which pain was told of, ascending. */
export const painfulDays = (of: Pick<PersonRecords, 'told'>): IsoDate[] =>
  [...new Set(of.told.map((p) => p.date))].sort();
