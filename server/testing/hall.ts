import { blankSet } from '../../core/log/index.ts';
import { randomUUID } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import type { MeasurementRequest } from '../../contract/eye.ts';
import type { StaffRole } from '../../contract/access.ts';
import type { Problem } from '../../contract/problem.ts';
import type { SetRequest } from '../../contract/log.ts';
import { hashPassword, LASTING } from '../access/index.ts';
import type { Lasting } from '../access/index.ts';
import { createApp } from '../app.ts';
import { backupFile, backupHere, openEmbedded, openServer, schema } from '../db/index.ts';
import type { Db, OpenDatabase } from '../db/index.ts';
import { addStaff, saveSquad } from '../hall/index.ts';
import { beginWithShipped, shippedLibraryFile } from '../library/index.ts';
import { root } from '../root.ts';
import { atOnce } from '../tasks.ts';
import type { App, Services } from '../http.ts';

const ORIGIN = 'http://localhost';
/** Of everybody in a test hall. */
export const PASSWORD = 'a-long-password';

/** A made-up hall in memory: head coach, coach of the squad, coach of no squad, viewer. */
export interface TestHall {
  app: App;
  db: Db;
  squadId: string;
  /** Moves the clock that the server reads. */
  setNow: (iso: string) => void;
  as: (who: Who) => Client;
  /** The same hall behind a server that is set otherwise. */
  server: (more: Partial<Services>) => App;
  /** The sign-in of somebody, as their browser sends it. */
  cookie: (who: Exclude<Who, 'nobody'>) => string;
  close: () => Promise<void>;
}

export type Who = 'head' | 'coach' | 'stand-in' | 'viewer' | 'nobody';
const ROLES: Record<Exclude<Who, 'nobody'>, StaffRole> = {
  head: 'head coach',
  coach: 'coach',
  'stand-in': 'coach',
  viewer: 'viewer',
};

export interface Client {
  send: (method: string, path: string, body?: unknown) => Promise<Response>;
  /** The answer's JSON; throws with the problem when the server says no. */
  get: <T>(path: string) => Promise<T>;
  ok: <T>(method: string, path: string, body?: unknown) => Promise<T>;
  refused: (method: string, path: string, body?: unknown) => Promise<Problem>;
}

export function clientOf(app: App, cookie: string | null): Client {
  const send = async (method: string, path: string, body?: unknown) =>
    app.request(path, {
      method,
      headers: {
        origin: ORIGIN,
        ...(cookie ? { cookie } : {}),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    });
  const ok = async <T>(method: string, path: string, body?: unknown): Promise<T> => {
    const response = await send(method, path, body);
    const text = await response.text();
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${text}`);
    return JSON.parse(text) as T;
  };
  return {
    send,
    ok,
    get: (path) => ok('GET', path),
    refused: async (method, path, body) => {
      const response = await send(method, path, body);
      if (response.ok) throw new Error(`${method} ${path} was not refused.`);
      return (await response.json()) as Problem;
    },
  };
}

export async function signIn(app: App, login: string, password: string): Promise<string> {
  const response = await clientOf(app, null).send('POST', '/api/sign-in', { login, password });
  if (!response.ok) throw new Error(`sign-in: ${response.status} ${await response.text()}`);
  return response.headers.get('set-cookie')!.split(';')[0]!;
}

const NOW = new Date('2026-11-24T12:00:00Z');

/** What a test hall begins with: its squad and the sign-ins of its staff. */
interface Beginning {
  squadId: string;
  cookies: Record<Exclude<Who, 'nobody'>, string>;
}

/** Tests move the clock by weeks. */
const FOR_EVER: Lasting = { wholeMs: LASTING.wholeMs, idleMs: Infinity, sureMs: Infinity };

/** A server on a database. */
export const hallOn = (db: Db, clock: () => Date, more: Partial<Services> = {}): App =>
  createApp({
    db,
    clock,
    boot: randomUUID(),
    snapshots: { changed: () => undefined, coveredUntil: () => null },
    backup: (at) => backupFile(backupHere(db), at, tmpdir()),
    publicUrl: ORIGIN,
    shipped: shippedLibraryFile,
    proxies: 1,
    setUpCode: null,
    lasting: FOR_EVER,
    work: atOnce,
    ...more,
  });

async function begin(db: Db): Promise<Beginning> {
  await db
    .insert(schema.hall)
    .values({ name: 'Test hall', timeZone: 'UTC', paper: 'A4', massUnit: 'kg', lengthUnit: 'cm' });
  const squadId = await saveSquad(db, null, { name: 'Squad' });
  const hash = await hashPassword(PASSWORD);
  const app = hallOn(db, () => NOW);
  const cookies = {} as Beginning['cookies'];
  for (const [login, role] of Object.entries(ROLES) as [Exclude<Who, 'nobody'>, StaffRole][]) {
    const squadIds = login === 'coach' ? [squadId] : [];
    await addStaff(db, { login, name: login, role, squadIds, password: '' }, hash);
    cookies[login] = await signIn(app, login, PASSWORD);
    await clientOf(app, cookies[login]).ok('POST', '/api/me/sure', { password: PASSWORD });
  }
  return { squadId, cookies };
}

const template = path.join(root, '.cache', 'test-hall');

/** Writes the hall with the demo's library that each test file begins from; importing it again in each would take most of the time. */
export async function makeHallTemplate(): Promise<void> {
  const { db, dump, close } = await openEmbedded(null);
  const beginning = await begin(db);
  await db.transaction(async (tx) => beginWithShipped(tx, 'head', NOW));
  await mkdir(path.dirname(template), { recursive: true });
  await writeFile(`${template}.tar`, Buffer.from(await (await dump()).arrayBuffer()));
  await writeFile(`${template}.json`, JSON.stringify(beginning));
  await close();
}

/** Where a PostgreSQL server for the test halls is; absent: they are embedded. */
const SERVER = 'TEST_POSTGRES_URL';
const TEMPLATE = 'hall_template';

/** The same hall as a database on a server, from which others begin. @param url that of a database by its name */
export async function makeServerTemplate(url: (database: string) => string): Promise<void> {
  const main = await openServer(url('postgres'));
  await main.db.execute(sql.raw(`create database ${TEMPLATE}`));
  await main.close();
  const { db, close } = await openServer(url(TEMPLATE));
  const beginning = await begin(db);
  await db.transaction(async (tx) => beginWithShipped(tx, 'head', NOW));
  await writeFile(`${template}-server.json`, JSON.stringify(beginning));
  await close();
  process.env[SERVER] = url('');
}

async function openOnServer(base: string, library: boolean): Promise<OpenDatabase> {
  const name = `hall_${randomUUID().replaceAll('-', '')}`;
  const main = await openServer(`${base}postgres`);
  await main.db.execute(sql.raw(`create database ${name}${library ? ` template ${TEMPLATE}` : ''}`));
  await main.close();
  return openServer(`${base}${name}`);
}

export async function testHall({ library = true, timeZone = 'UTC' } = {}): Promise<TestHall> {
  const base = process.env[SERVER];
  const { db, close } = base
    ? await openOnServer(base, library)
    : await openEmbedded(null, library ? { template: new Blob([await readFile(`${template}.tar`)]) } : {});
  const { squadId, cookies } = library
    ? (JSON.parse(await readFile(`${template}${base ? '-server' : ''}.json`, 'utf8')) as Beginning)
    : await begin(db);
  if (timeZone !== 'UTC') await db.update(schema.hall).set({ timeZone });
  let now = NOW;
  const app = hallOn(db, () => now);
  return {
    app,
    db,
    squadId,
    setNow: (iso) => void (now = new Date(iso)),
    as: (who) => clientOf(app, who === 'nobody' ? null : cookies[who]),
    server: (more) => hallOn(db, () => now, more),
    cookie: (who) => cookies[who],
    close,
  };
}

/** The device of whoever holds a link: it has shown the token, and asks below `base` from then on. */
export async function deviceOf(app: App, url: string): Promise<Client & { base: string }> {
  const { pathname, hash } = new URL(url);
  const opened = await clientOf(app, null).send('POST', `/api${pathname}`, { token: hash.slice(1) });
  if (!opened.ok) throw new Error(`${opened.status} ${await opened.text()}`);
  const { id } = (await opened.json()) as { id: string };
  const cookie = opened.headers.get('set-cookie')!.split(';')[0]!;
  return { ...clientOf(app, cookie), base: `/api${pathname}/${id}` };
}

/** A document in force with its revision, as the head coach reads it. */
export const documentIn = <T>(hall: TestHall, kind: string, slug: string) =>
  hall.as('head').get<{ body: T; revision: number }>(`/api/library/${kind}/${slug}`);

/** A person of the squad, placed on a level of the bridge ladder. */
export async function placedPerson(
  hall: TestHall,
  level = 'lift',
  ladder = 'bridge-ladder',
): Promise<string> {
  const head = hall.as('head');
  const { id } = await head.ok<{ id: string }>('POST', '/api/people', {
    name: `Person ${randomUUID().slice(0, 4)}`,
    squadId: hall.squadId,
    statureM: 1.7,
    massKg: 65,
    note: '',
  });
  const place = (on: string, at: string) =>
    head.ok('POST', `/api/people/${id}/place`, { ladder: on, level: at, reason: 'At ease.' });
  // A branch is opened from what of the trunk is held.
  if (ladder !== 'bridge-ladder') await place('bridge-ladder', 'thrust');
  await place(ladder, level);
  return id;
}

/** What a camera measured of a set, as it is sent. */
export const measurementOf = (
  personId: string,
  change: Partial<MeasurementRequest> = {},
): MeasurementRequest => ({
  personId,
  date: '2026-11-24',
  setId: null,
  variation: 'squat',
  by: 'camera',
  view: 'side',
  rate: 15,
  meanScore: 0.7,
  phaseBandS: 0.3,
  reps: [],
  range: true,
  tempo: null,
  signs: [],
  byEye: null,
  track: null,
  pictures: null,
  ...change,
});

/** A watched set of twelve clean repetitions with no pain, changed as needed. */
export function setOf(personId: string, change: Partial<SetRequest> = {}): SetRequest {
  return {
    personId,
    date: '2026-11-24',
    edit: 1,
    variation: 'floor-lift',
    variationRevision: 1,
    ...blankSet(),
    ordinal: 1,
    watched: true,
    plannedReps: 12,
    doneReps: 12,
    effort: 6,
    pain: 0,
    ...change,
  };
}
