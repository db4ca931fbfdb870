import type { LoggedSet } from '../log/index.ts';
import type { Clearance, MoveFact, Restriction, Standing, Stop } from '../ladder/index.ts';
import type { SignOff } from '../criterion/index.ts';
import { painfulDays, standingAfter } from '../ladder/index.ts';
import type { IsoDate } from '../terms/index.ts';

/** The sets that a decision on one ladder reads, and how many sessions there were before them. */
export interface Evidence {
  sets: readonly LoggedSet[];
  earlierSessions: number;
}

/** All that the decisions about one person stand on. */
export interface PersonRecords {
  /** Where they stand, by ladder. */
  standings: ReadonlyMap<string, Standing>;
  /** The newest decision on each ladder. */
  lastMoves: ReadonlyMap<string, string>;
  evidence: (ladder: string) => Evidence;
  painfulDays: readonly IsoDate[];
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
  painfulDays: [],
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
    painfulDays: painfulDays(of.sets),
    restrictions: of.restrictions ?? [],
    stops: of.stops ?? [],
    clearances: of.clearances ?? [],
    answers: of.answers ?? {},
    signOffs: of.signOffs ?? [],
    massKg: of.massKg ?? null,
  };
}
