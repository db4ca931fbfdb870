import type { Context as Wire } from 'hono';
import type Joi from 'joi';
import type { Me } from '../contract/access.ts';
import { ENDPOINTS, permitted } from '../contract/endpoints.ts';
import type {
  Answer,
  Body,
  Endpoint,
  EndpointName,
  File,
  Params,
  PartName,
  Query,
  WhoOf,
} from '../contract/endpoints.ts';
import type { Person } from '../contract/people.ts';
import { PARTS, SCHEMAS } from '../contract/schemas.ts';
import type { Door } from '../core/floor/index.ts';
import type { ShelfInForce } from '../core/library/index.ts';
import type { Db, schema } from './db/index.ts';
import { bodyOf, check, problemResponse, Refusal } from './http.ts';
import type { App, Services } from './http.ts';

/** All that an answer is made from besides what was asked: read once for each request. */
export interface OpenContext extends Services {
  /** null: nobody is signed in. */
  me: Me | null;
  at: Date;
  /** The hall's day, ISO 8601. */
  today: string;
  /** null before the first account. */
  hall: typeof schema.hall.$inferSelect | null;
  /** The library as it was when the request came in; a transaction that must not miss a change reads it anew. */
  inForce: ShelfInForce;
  /** Is told of a computation that failed; the answer says so, the rest goes on. */
  told: (what: string, error: unknown) => void;
}

/** The context of somebody who is signed in. */
export interface Context extends OpenContext {
  me: Me;
}

/** Whom an address under `/people/:person` is about, and the door through which the one who asks sees them. */
export interface About {
  person: Person;
  door: Door;
}

interface Request<K extends EndpointName> {
  params: Params<K>;
  query: Query<K>;
  body: Body<K>;
  /** For what is no JSON: cookies. */
  wire: Wire;
}

export type ContextOf<K extends EndpointName> = ('anyone' extends WhoOf<K> ? OpenContext : Context) &
  Request<K> &
  ('person' extends keyof Params<K> ? About : object);

export type Handler<K extends EndpointName> = (c: ContextOf<K>) => Answer<K> | Promise<Answer<K>>;
export type Handlers<K extends EndpointName = EndpointName> = { [N in K]: Handler<N> };

/** Handlers of a room, each held to what the table says of it. */
export const handlers = <K extends EndpointName>(of: Handlers<K>): Handlers<K> => of;

/** All of the work is kept, or nothing: its context reads and writes in one transaction. */
export const allOrNothing = <C extends OpenContext, T>(c: C, work: (c: C) => Promise<T>): Promise<T> =>
  c.db.transaction((tx) => work({ ...c, db: tx }));

/** What the rooms give for every request. */
export interface Common {
  readMe: (wire: Wire, s: Services) => Promise<Me | null>;
  contextOf: (s: Services, me: Me | null) => Promise<OpenContext>;
  /** @throws Refusal 404 without such a person */
  personOf: (db: Db, id: string) => Promise<Person>;
  doorTo: (me: Me, person: Person) => Door;
  /** Names the state of the library that an answer is made from. */
  stateTag: (c: OpenContext) => Promise<string>;
}

// What stands here as `any` is what was just held to the Joi of the same name: the one place where it becomes typed.
/* eslint-disable @typescript-eslint/no-explicit-any, @typescript-eslint/no-unsafe-assignment */
type AnyHandler = (c: any) => unknown;
type Schemas = Partial<Record<EndpointName, { query?: Joi.Schema; body?: Joi.Schema }>>;

/** Puts every address of the table in its place: who may, whether it can be read, what it answers with. */
export function mount(app: App, s: Services, all: Handlers, common: Common): void {
  const rows: [string, Endpoint][] = Object.entries(ENDPOINTS);
  for (const [key, row] of rows) {
    const name = key as EndpointName;
    const handler: AnyHandler = all[name];
    const schemas = (SCHEMAS as Schemas)[name] ?? {};
    app.on(row.method, row.path, async (wire) => {
      const me = await common.readMe(wire, s);
      if (!permitted(name, me?.role ?? null)) {
        return me
          ? problemResponse(403, `A ${me.role} may not do this. Ask the head coach.`)
          : problemResponse(401, 'Sign in first.');
      }
      const params = partsOf(wire);
      const query = check(schemas.query ?? null, wire.req.query(), 400);
      const context = await common.contextOf(s, me);
      if (row.etag) {
        const tag = await common.stateTag(context);
        wire.header('etag', tag);
        wire.header('cache-control', 'private, no-cache');
        if (wire.req.header('if-none-match') === tag) return wire.body(null, 304);
      } else {
        wire.header('cache-control', 'no-store');
      }
      const about = typeof params.person === 'string' && me ? await aboutOf(params.person, me) : {};
      const body: unknown = row.file
        ? await wire.req.text()
        : schemas.body && (await bodyOf(wire, schemas.body));
      const answer: any = await handler({ ...context, ...about, params, query, body, wire });
      if (row.method !== 'GET') s.snapshots.changed();
      if (isFile(answer)) return fileResponse(wire, answer);
      return wire.json(answer, row.makes ? 201 : 200);
    });
  }

  async function aboutOf(id: string, me: Me): Promise<About> {
    const person = await common.personOf(s.db, id);
    return { person, door: common.doorTo(me, person) };
  }
}
/* eslint-enable @typescript-eslint/no-explicit-any, @typescript-eslint/no-unsafe-assignment */

/** @throws Refusal 404 for a kind or number that there is not, 422 for what is no id, date … */
function partsOf(wire: Wire): Record<string, unknown> {
  const parts = Object.entries(wire.req.param()) as [PartName, string][];
  return Object.fromEntries(
    parts.map(([name, value]) => {
      const { schema, absent } = PARTS[name];
      const read = schema.label(name).validate(value, { errors: { wrap: { label: false } } });
      if (read.error && absent) throw new Refusal(404, absent);
      if (read.error) throw new Refusal(422, `${read.error.message}. Nothing was changed.`);
      return [name, read.value];
    }),
  );
}

const isFile = (answer: unknown): answer is File =>
  typeof answer === 'object' && answer !== null && 'file' in answer;

function fileResponse(wire: Wire, { file, type, name }: File): Response {
  return wire.body(typeof file === 'string' ? file : new Uint8Array(file), 200, {
    'content-type': type,
    'content-disposition': `attachment; filename="${name}"`,
  });
}
