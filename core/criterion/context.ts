import type { EvidenceSession, FactsBySlug, LoggedSet, VariationFacts } from '../log/index.ts';
import type { IsoDate } from '../terms/index.ts';
import type { Finding } from './finding.ts';
import type { NameOfLevel } from './words.ts';

/** A coach's or the head coach's word that a level is done well. */
export interface SignOff {
  ladder: string;
  level: string;
  role: 'coach' | 'head coach';
  by: string;
  date: IsoDate;
}

/** What judging needs besides the sessions; what is left out is not known or has not happened. */
export interface EvaluationContext {
  facts: FactsBySlug;
  today: IsoDate;
  /** What it is asked for: a step back reads repetitions at any load and a hold with a fault as held. */
  aim?: 'advance' | 'step back';
  massKg?: number | null;
  /** The level stood on and the day of arrival there. */
  at?: { ladder: string; level: string; since: IsoDate };
  /** The level's main variation: whose load kind counts, and where pain concerns it. */
  main?: VariationFacts;
  /** Clean repetitions count at so much in all, or more; absent: at any load. */
  floorKg?: number;
  /** The same for equals with another kind of load, by variation. */
  floorsOfEquals?: ReadonlyMap<string, number>;
  /** Loads that one weight of the main variation's kind can be, kg; absent or empty: any. */
  loads?: readonly number[];
  /** What shares of the body mass became on arrival, kg of one weight by the percentage. */
  shares?: Readonly<Record<string, number>>;
  /** All sets of the pattern since arrival, warm-up and drills too: pain and stop faults are read of these. */
  ofPattern?: readonly LoggedSet[];
  /** Side tests at the level; absent: those among the sessions. */
  sideTests?: readonly LoggedSet[];
  /** Days with a session at the level, those made lighter too; absent: the days of the sessions. */
  days?: readonly IsoDate[];
  /** Sessions since arrival that are older than the evidence given. */
  earlierSessions?: number;
  /** Levels held on other ladders, as `ladder/level`. */
  held?: ReadonlySet<string>;
  signOffs?: readonly SignOff[];
  /** First arrival on the ladder, and how many sessions there have been on it since. */
  onLadder?: { since: IsoDate; sessions: number };
  nameOf?: NameOfLevel;
}

/** What an atom found, and of which day. */
export interface Found extends Finding {
  date: IsoDate | null;
}

/** The level's sessions (ascending) as seen from one of them. */
export interface Seen {
  sessions: readonly EvidenceSession[];
  /** The day that "the last D days" end on. */
  asOf: IsoDate;
  /** The last day of which anything is seen. */
  end: IsoDate;
}
