import type { EvidenceSession, FactsBySlug } from '../log/index.ts';
import type { IsoDate } from '../terms/index.ts';
import type { Finding } from './reach.ts';
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
  massKg?: number | null;
  /** The level stood on and the day of arrival there. */
  at?: { ladder: string; level: string; since: IsoDate };
  /** Sessions since arrival that are older than the evidence given. */
  earlierSessions?: number;
  /** Levels held on other ladders, as `ladder/level`. */
  held?: ReadonlySet<string>;
  signOffs?: readonly SignOff[];
  nameOf?: NameOfLevel;
}

/** What an atom found, and of which day. */
export interface Found extends Finding {
  date: IsoDate | null;
}

/** The level's sessions (ascending) as seen from one of them. */
export interface Seen {
  sessions: readonly EvidenceSession[];
  asOf: IsoDate;
}
