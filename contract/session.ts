import type { AtHome, LedWarmUp, Shown, TodayLine } from '../core/floor/index.ts';
import type { SettledMechanics } from '../core/posture/index.ts';
import type { PlaceForm, WorkPiece } from '../core/plan/index.ts';
import type { LoggedSet } from '../core/log/index.ts';
import Joi from 'joi';
import { REGIONS, SIDES } from '../core/terms/index.ts';
import type { DateStyle, LoadKind, Region, Side, Sore } from '../core/terms/index.ts';
import type { Ladder, Tempo } from '../core/library/index.ts';
import { CUE_OUTCOMES, EXPERIENCES, MOST_TRIALS, TRIAL_RESULTS } from '../core/ladder/index.ts';
import type {
  CueOutcome,
  Decision,
  Experience,
  PlacementStep,
  Reach,
  Stop,
  Trial,
} from '../core/ladder/index.ts';
import type { SetRowProblem } from '../core/exchange/index.ts';
import { bodySchema } from './library.ts';
import type { StoredSet } from './log.ts';
import { day, list, looseText, number, oneOf, shape, slug, strict, text, whole } from './parts.ts';

/** The questions before work, and whether somebody is here; null: not asked, nobody has said. */
export interface CheckIn {
  here: boolean | null;
  pain: number | null;
  /** Where it hurts; null: not told. */
  painRegion: Region | null;
  painSide: Side | null;
  sleepH: number | null;
  atEase: number | null;
  /** Sore since the last session; null: not asked, empty: asked, nowhere. */
  sore: Sore[] | null;
  note: string;
}
export interface CheckInRow extends CheckIn {
  recordedBy: string;
}
export const checkInSchema = shape(
  {
    here: Joi.boolean().allow(null),
    pain: number(0, 10).allow(null),
    sleepH: number(0, 24).allow(null),
    atEase: number(0, 10).allow(null),
    note: looseText(400),
  },
  // What a tablet of the version before does not know of is not told.
  {
    painRegion: oneOf(REGIONS).allow(null).default(null),
    painSide: oneOf(SIDES).allow(null).default(null),
    sore: list(
      shape({ region: oneOf(REGIONS), side: oneOf(SIDES).allow(null), days: whole(0, 30) }),
      REGIONS.length,
    )
      .allow(null)
      .default(null),
  },
).prefs(strict);

export interface TodayPerson {
  personId: string;
  /** The squad trains on this weekday, and nobody has said that they are away. */
  expected: boolean;
  checkIn: Shown<CheckInRow> | null;
  /** Why the questions before work are due; null when they are not. */
  ask: string | null;
  lastSession: string | null;
  /** Looked after by others, and covered for today by the one who asks. */
  covered: boolean;
  /** Whom to call, and what a first-aider has to know. */
  emergency: string;
  firstAid: string;
  /** What stops them and nobody has cleared. */
  stops: Stop[];
  lines: TodayLine[];
  /** What they have done today. */
  sets: Shown<StoredSet>[];
}

export interface Today {
  date: string;
  squads: { id: string; name: string; trains: boolean }[];
  people: TodayPerson[];
}

export const cueTriedSchema = shape({
  personId: Joi.string().uuid(),
  date: day(),
  variation: slug(),
  cue: slug(),
  outcome: oneOf(CUE_OUTCOMES),
}).prefs(strict);
export interface CueTriedRequest {
  personId: string;
  date: string;
  variation: string;
  cue: string;
  outcome: CueOutcome;
}

export const signOffSchema = shape({ ladder: slug(), level: slug(), word: looseText(400) }).prefs(strict);
export interface SignOffRequest {
  ladder: string;
  level: string;
  word: string;
}

export const placementSchema = shape({
  ladder: slug(),
  experience: oneOf(EXPERIENCES),
  atEase: number(0, 10).allow(null),
  careful: Joi.boolean(),
  trials: list(
    shape({ level: slug(), variation: slug(), result: oneOf(TRIAL_RESULTS), note: looseText(300) }),
    MOST_TRIALS,
  ),
}).prefs(strict);
export interface PlacementRequest {
  ladder: string;
  experience: Experience;
  atEase: number | null;
  careful: boolean;
  trials: Trial[];
}
/** What came of trials that were kept. */
export interface PlacementKept {
  id: string;
  outcome: PlacementRow['outcome'];
  level: string | null;
}
export type PlacementAnswer = PlacementStep & { levelName: string | null; variationName: string | null };
export interface PlacementRow extends PlacementRequest {
  id: string;
  date: string;
  by: string;
  outcome: 'placed' | 'stopped';
  level: string | null;
}

/** An edited ladder tried on somebody's log; nothing is kept. */
export const trySchema = shape({ ladder: bodySchema, personId: Joi.string().uuid(), level: slug() }).prefs(
  strict,
);
export interface TryRequest {
  ladder: Ladder;
  personId: string;
  level: string;
}
export interface TryResult {
  /** As if the person had stood on the level since this day. */
  since: string | null;
  /** Whether that is where they stand now. */
  standsHere: boolean;
  decision: Decision | null;
  failure: string | null;
}

export const ownLinkSchema = shape({ days: whole(1, 365) }).prefs(strict);
export interface OwnLinkRequest {
  days: number;
}
export interface OwnLinkMade {
  id: string;
  /** Told once. */
  url: string;
  expiresAt: string;
}
export interface OwnLinkRow {
  id: string;
  madeBy: string;
  madeAt: string;
  expiresAt: string;
  revokedAt: string | null;
  lastUsedAt: string | null;
  state: 'open' | 'expired' | 'revoked';
}
/** What the holder of a personal link sees. */
export interface OwnDay {
  name: string;
  hallName: string;
  date: string;
  massUnit: 'kg' | 'lb';
  lengthUnit: 'cm' | 'in';
  dates: DateStyle;
  /** What nothing is proposed of until the head coach clears it. */
  stopped: Reach[];
  lines: (Pick<
    TodayLine,
    | 'ladderName'
    | 'levelName'
    | 'pattern'
    | 'variation'
    | 'variationName'
    | 'oneSided'
    | 'sides'
    | 'target'
    | 'next'
    | 'cues'
    | 'countedIn'
    | 'ifItGoesWrong'
  > & {
    revision: number;
    loadKind: LoadKind;
    takesLoad: boolean;
    mechanics: SettledMechanics;
    tempo: Tempo;
    /** What is done with what is at home; null: it is as in the hall. */
    home: Pick<AtHome, 'how' | 'with' | 'load' | 'loadKg'> | null;
    /** For the order and the times of a session alone. */
    piece: WorkPiece;
    /** One side of the set at hand is done. */
    halfDone: boolean;
    form: PlaceForm | 'floor';
  })[];
  /** Lines of which nothing is led: barred for now, or not to be done with what is there. */
  notLed: { ladderName: string; why: 'barred' | 'nothing for it here' }[];
  warmUp: LedWarmUp;
  /** Pain of today that ends the session. */
  ended: boolean;
  /** Whom to tell: who gave the link. */
  tell: string;
  /** Own sets of the day, to be corrected or taken back. */
  sets: { id: string; edit: number; variation: string; set: LoggedSet }[];
  until: string;
}

export const csvSchema = shape({ text: text(400_000) }).prefs(strict);
export interface CsvRequest {
  text: string;
}
/** What a file of sets would bring in; everything or nothing. */
export interface CsvPreview {
  rows: {
    line: number;
    person: string;
    date: string;
    variation: string;
    set: Omit<LoggedSet, 'id' | 'sessionId'>;
    /** Already here, with the same content. */
    known: boolean;
  }[];
  problems: SetRowProblem[];
}
export interface CsvResult {
  added: number;
  known: number;
}

export interface PersonHistory {
  sets: Shown<StoredSet>[];
  more: string | null;
}
