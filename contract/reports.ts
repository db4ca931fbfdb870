import Joi from 'joi';
import { PATTERNS } from '../core/terms/index.ts';
import type { FeltAt } from '../core/fault/index.ts';
import type { Reach, ToldBy } from '../core/ladder/index.ts';
import { day, list, looseText, number, oneOf, shape, strict, text } from './parts.ts';

/** Pain that was told of, or work that was stopped, as it was told. */
export interface Report {
  id: string;
  personId: string;
  date: string;
  told: ToldBy;
  pain: number | null;
  felt: FeltAt[];
  /** Name of what was done. */
  doing: string | null;
  words: string;
  by: string;
  at: string;
  /** What it stopped; null: nothing. */
  reach: Reach | null;
  /** It stops still: nobody has cleared it, or the clearance has run out. */
  open: boolean;
  /** It was cleared for a time that is over. */
  lapsed: boolean;
}
/** What the one who asks has not taken note of, and every stop that is open; the newest first. */
export interface ReportToRead extends Report {
  name: string;
  unread: boolean;
}

export const readSchema = shape({ reports: list(Joi.string().uuid(), 500).min(1) }).prefs(strict);
export interface ReadRequest {
  reports: string[];
}

const reach = oneOf([...PATTERNS, 'everything'] as const);
/** Stop was pressed. */
export const stopSchema = shape({
  personId: Joi.string().uuid(),
  date: day(),
  reach,
  pain: number(0, 10).allow(null),
  words: looseText(400),
}).prefs(strict);
export interface StopRequest {
  personId: string;
  date: string;
  reach: Reach;
  pain: number | null;
  words: string;
}
/** By the person alone: everything stops until a coach has looked. */
export const ownStopSchema = shape({ words: looseText(400) }).prefs(strict);
export interface OwnStopRequest {
  words: string;
}

export const clearSchema = shape({
  saidBy: text(200),
  what: text(400),
  until: day().allow(null),
}).prefs(strict);
export interface ClearRequest {
  /** Who gave it: a doctor, a physiotherapist, the head coach by themselves. */
  saidBy: string;
  what: string;
  /** The last day for which it was given; null: for good. */
  until: string | null;
}
export interface ClearanceRow extends ClearRequest {
  id: string;
  reaches: Reach[];
  date: string;
  by: string;
}
/** What was told of a person, the newest first, and what cleared it. */
export interface StopsOfPerson {
  reports: Report[];
  clearances: ClearanceRow[];
}
