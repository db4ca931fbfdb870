import type { Context, Hono } from 'hono';
import Joi from 'joi';
import type { Problem } from '../contract/problem.ts';
import { refuseCrowded, refuseNoText, REQUEST } from './bounds.ts';
import type { Bounds } from './bounds.ts';
import { fieldOf } from './problem-field.ts';
import { Refusal } from './refusal.ts';
import type { Lasting } from './access/index.ts';
import type { Db, Snapshots, Tell } from './db/index.ts';
import type { Work } from './tasks.ts';

/** What every room's routes are given. */
export interface Services {
  db: Db;
  clock: () => Date;
  /** Names this run of the server. */
  boot: string;
  snapshots: Pick<Snapshots, 'changed' | 'coveredUntil'>;
  /** A backup of everything, gzipped. */
  backup: (at: Date) => Promise<Uint8Array<ArrayBuffer>>;
  /** Where the application is reached from outside; cookies are marked Secure when it is https. */
  publicUrl: string;
  /** Proxies in front that are trusted to say where a request comes from. */
  proxies: number;
  /** Whether the hall answers under a name; absent: under any. */
  answersAt?: ((host: string) => boolean) | undefined;
  /** Asked for before the first account; null: whoever reaches the server may make it. */
  setUpCode: string | null;
  /** The hall's own certificate, for a device to trust; absent: it answers without one of its own. */
  certificate?: string;
  /** The file of the library that comes with the application. */
  shipped: string;
  /** Where what takes long is computed. */
  work: Work;
  /** How long sessions last. */
  lasting: Lasting;
  /** For whoever works on it: is told each request's route, outcome and time. */
  tell?: Tell | undefined;
}

export type App = Hono;

export { Refusal } from './refusal.ts';

const TITLES: Record<number, string> = {
  400: 'The request could not be read',
  401: 'Sign in first',
  403: 'Not permitted',
  404: 'Not found',
  409: 'It has changed meanwhile',
  410: 'It has ended',
  413: 'Too large',
  421: 'Not this hall’s address',
  422: 'Something in it is wrong',
  429: 'Too many tries',
  500: 'Something broke here',
  503: 'Not just now',
};

export function problemResponse(status: number, detail: string, extra: Partial<Problem> = {}): Response {
  const problem: Problem = {
    type: 'about:blank',
    title: TITLES[status] ?? 'Refused',
    status,
    detail,
    ...extra,
  };
  // A refusal may hold a document or a person's words: no browser keeps it.
  const headers: Record<string, string> = {
    'content-type': 'application/problem+json',
    'cache-control': 'no-store',
  };
  if (extra.retryAfterS !== undefined) headers['retry-after'] = String(extra.retryAfterS);
  return new Response(JSON.stringify(problem), { status, headers });
}

export { fieldOf } from './problem-field.ts';

/**
 * The value as the schema reads it; without a schema nothing may stand in it.
 * @throws Refusal 422, or the status given, naming each field that is wrong
 */
export function check<T>(schema: Joi.Schema<T> | null, value: unknown, status = 422): T {
  const read = (schema ?? NOTHING).validate(value) as Joi.ValidationResult<T>;
  if (!read.error) return read.value;
  const errors = read.error.details.slice(0, 50).map(fieldOf);
  const first = errors[0]!;
  throw new Refusal(status, `${first.field || 'The request'}: ${first.detail} Nothing was changed.`, {
    errors,
  });
}

const NOTHING = Joi.object({}).prefs({ errors: { wrap: { label: false } } });

/** The JSON of a text, within bounds. @throws Refusal 400 for what is no JSON or no text, 413 for what holds too much */
export function readJson(text: string, bounds: Bounds): unknown {
  refuseCrowded(text, bounds);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    throw new Refusal(400, 'The request is not valid JSON. Nothing was changed.');
  }
  refuseNoText(value);
  return value;
}

/**
 * Reads and validates the JSON body of a request.
 * @param firstOnly tells the first thing that is wrong, and looks no further
 */
export async function bodyOf(wire: Context, schema: Joi.Schema, firstOnly: boolean): Promise<unknown> {
  const value = readJson(await wire.req.text(), REQUEST);
  return check(firstOnly ? schema.prefs({ abortEarly: true }) : schema, value);
}
