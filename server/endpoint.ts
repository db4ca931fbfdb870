import { sql } from 'drizzle-orm';
import type { Context as Wire } from 'hono';
import type Joi from 'joi';
import type { Me } from '../contract/access.ts';
import { ENDPOINTS, permitted, SENT_AS } from '../contract/endpoints.ts';
import type {
  Answer,
  Body,
  Endpoint,
  EndpointName,
  File,
  Matter,
  Params,
  PartName,
  Query,
  WhoOf,
  WhoseOf,
} from '../contract/endpoints.ts';
import type { Person } from '../contract/people.ts';
import { PARTS, SCHEMAS } from '../contract/schemas.ts';
import type { Door } from '../core/floor/index.ts';
import type { ShelfInForce } from '../core/library/index.ts';
import type { Session } from './access/index.ts';
import type { Db, schema } from './db/index.ts';
import { refuseNoText } from './bounds.ts';
import { bodyOf, check, problemResponse, Refusal } from './http.ts';
import type { App, Services } from './http.ts';
import type { PersonMemo } from './memo.ts';

/** All that an answer is made from besides what was asked: read once for each request. */
export interface OpenContext extends Services {
  /** null: nobody is signed in. */
  me: Me | null;
  session: Session | null;
  at: Date;
  /** The hall's day, ISO 8601. */
  today: string;
  /** null before the first account. */
  hall: typeof schema.hall.$inferSelect | null;
  /** The library as it was when the request came in; a transaction that must not miss a change reads it anew. */
  inForce: ShelfInForce;
  /** What was put together about people before. */
  memo: PersonMemo;
  /** Is told of a computation that failed; the answer says so, the rest goes on. */
  told: (what: string, error: unknown) => void;
}

/** The context of somebody who is signed in. */
export interface Context extends OpenContext {
  me: Me;
  session: Session;
}

/** How somebody of the staff stands to a person: they look after them, or cover them for today. */
export type Hold = 'looks after' | 'covers';

/** Whom an address is about, and the door through which the one who asks sees them: let through by the guard alone. */
export interface About {
  person: Person;
  hold: Hold;
  door: Door;
}

/** Everybody whom the one who asks may see here. */
export interface Mine {
  mine: readonly About[];
}

/** Whom a personal link belongs to. */
export interface OwnHolder {
  link: typeof schema.ownLink.$inferSelect;
  person: Person;
}

/** What the guard gives to a handler, by whose the address is. */
interface Guarded {
  nobody: object;
  'own link': { own: OwnHolder };
  'shared link': { share: typeof schema.share.$inferSelect };
  one: About;
  'perhaps one': { about: About | null };
  some: Mine;
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
  Guarded[WhoseOf<K>];

export type Handler<K extends EndpointName> = (c: ContextOf<K>) => Answer<K> | Promise<Answer<K>>;
export type Handlers<K extends EndpointName = EndpointName> = { [N in K]: Handler<N> };

/** Handlers of a room, each held to what the table says of it. */
export const handlers = <K extends EndpointName>(of: Handlers<K>): Handlers<K> => of;

/** All of the work is kept, or nothing: its context reads and writes in one transaction. */
export const allOrNothing = <C extends OpenContext, T>(c: C, work: (c: C) => Promise<T>): Promise<T> =>
  c.db.transaction(async (tx) => {
    const personId = aboutWhom(c);
    if (personId) await inTurn(tx, [personId]);
    return work({ ...c, db: tx });
  });

/** Whoever changes something about the same person at the same time does so one after the other. */
export async function inTurn(tx: Db, personIds: readonly string[]): Promise<void> {
  // In one order, so that no two wait for each other.
  for (const id of [...personIds].sort()) {
    await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 0))`);
  }
}

/** Whom the guard let through to; null: nobody in particular. */
function aboutWhom(...guarded: object[]): string | null {
  const of = Object.assign({}, ...guarded) as { person?: Person; about?: About | null; own?: OwnHolder };
  return (of.person ?? of.about?.person ?? of.own?.person)?.id ?? null;
}

/** What the rooms give for every request. */
export interface Common {
  readMe: (wire: Wire, s: Services) => Promise<{ me: Me; session: Session } | null>;
  contextOf: (s: Services, signed: { me: Me; session: Session } | null) => Promise<OpenContext>;
  /** Whether the password was given again a moment ago. */
  isSure: (session: Session, s: Services) => boolean;
  /** @throws Refusal 404 without such a person, 403 where they are not looked after (or covered, where that is enough) */
  guard: (c: Context, personId: string, covered: boolean) => Promise<About>;
  peopleOf: (db: Db, me: Me, today: string, covered: boolean) => Promise<About[]>;
  /** @throws Refusal 401 on a device that has not opened the link, 410 when it has ended */
  ownLink: (c: OpenContext, wire: Wire, id: string) => Promise<OwnHolder>;
  /** @throws Refusal 401 on a device that has not opened the link, 410 when it has ended */
  sharedLink: (c: OpenContext, wire: Wire, id: string) => Promise<typeof schema.share.$inferSelect>;
  /** Whose something is that is named by its own id; null: of nobody. */
  finders: Finders;
  /** Names the state of the library that an answer is made from. */
  stateTag: (c: OpenContext) => Promise<string>;
}

type OfOne<K extends EndpointName> = K extends EndpointName
  ? WhoseOf<K> extends 'one' | 'perhaps one'
    ? K
    : never
  : never;
/** The names that say whose they are in themselves: a person in the path, the query or the body. */
type Named<K extends EndpointName> = K extends EndpointName
  ? 'person' extends keyof (Params<K> & Query<K>)
    ? K
    : Body<K> extends { person: unknown } | { personId: unknown }
      ? K
      : never
  : never;
/** For every other address about one person: whose the thing of that id is. */
export type Finders = {
  [K in Exclude<OfOne<EndpointName>, Named<OfOne<EndpointName>>>]: (
    db: Db,
    id: string,
  ) => Promise<string | null>;
};

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
      const signed = await common.readMe(wire, s);
      const me = signed?.me ?? null;
      const as = wire.req.header(SENT_AS);
      if (as !== undefined && as !== me?.id) {
        return problemResponse(
          401,
          'Somebody else is signed in now. What is theirs goes out when they are back.',
        );
      }
      if (!permitted(name, me?.role ?? null)) {
        return me
          ? problemResponse(403, `A ${me.role} may not do this. Ask the head coach.`)
          : problemResponse(401, 'Sign in first.');
      }
      if (me?.floorOnly && !row.floor && !row.who.includes('anyone')) {
        return problemResponse(
          403,
          'Changed to by PIN, only the floor is open. Sign in with the password for this.',
        );
      }
      if (row.sure && !common.isSure(signed!.session, s)) {
        return problemResponse(403, 'Give your password again first.', { needs: 'password again' });
      }
      const asked = wire.req.query();
      refuseNoText(asked);
      const params = partsOf(wire);
      const query = check(schemas.query ?? null, asked, 400);
      const context = await common.contextOf(s, signed);
      if (row.etag) {
        const tag = await common.stateTag(context);
        wire.header('etag', tag);
        wire.header('cache-control', 'private, no-cache');
        if (wire.req.header('if-none-match') === tag) return wire.body(null, 304);
      } else {
        wire.header('cache-control', 'no-store');
      }
      const held = await heldBy(row.whose, context, wire, String(params.link));
      const body: unknown = row.file
        ? await wire.req.text()
        : schemas.body && (await bodyOf(wire, schemas.body, row.who.includes('anyone')));
      const guarded = signed
        ? await guardedBy(row, name, { ...context, ...signed }, { params, query, body })
        : {};
      let answer: any;
      try {
        answer = await handler({ ...context, ...guarded, ...held, params, query, body, wire });
      } finally {
        if (row.method !== 'GET') tellMemo(row, context.memo, guarded, held);
      }
      if (row.method !== 'GET') s.snapshots.changed();
      if (isFile(answer)) return fileResponse(wire, answer);
      return wire.json(answer, row.makes ? 201 : 200);
    });
  }

  /** Whoever opens something by a link is held to it before anything that they send is read. */
  async function heldBy(whose: Endpoint['whose'], c: OpenContext, wire: Wire, id: string): Promise<object> {
    if (whose === 'own link') return { own: await common.ownLink(c, wire, id) };
    if (whose === 'shared link') return { share: await common.sharedLink(c, wire, id) };
    return {};
  }

  /** Lets through to whom the one who asks looks after, or covers where that is enough, and to nobody else. */
  async function guardedBy(
    { whose, cover }: Endpoint,
    name: EndpointName,
    c: Context,
    asked: { params: Record<string, unknown>; query: unknown; body: unknown },
  ): Promise<object> {
    if (whose === 'some') return { mine: await common.peopleOf(c.db, c.me, c.today, cover === true) };
    if (whose !== 'one' && whose !== 'perhaps one') return {};
    const find = (common.finders as Partial<Record<EndpointName, Finders[keyof Finders]>>)[name];
    const named = {
      ...part(asked.body, 'person', 'personId'),
      ...part(asked.query, 'person'),
      ...asked.params,
    };
    const personId = find ? await find(c.db, String(asked.params.id)) : (named.person ?? named.personId);
    if (typeof personId !== 'string' && whose === 'one') throw new Refusal(404, 'There is no such thing.');
    const about = typeof personId === 'string' ? await common.guard(c, personId, cover === true) : null;
    return whose === 'one' ? about! : { about };
  }
}
/* eslint-enable @typescript-eslint/no-explicit-any, @typescript-eslint/no-unsafe-assignment */

/** What is kept of people is made from these. */
const KEPT_FROM: ReadonlySet<Matter> = new Set([
  ...(ENDPOINTS.today.reads ?? []),
  ...(ENDPOINTS.overview.reads ?? []),
]);

/** After a change: whose answers are old now. Also after one that failed, since part of it may have been done. */
function tellMemo({ touches }: Endpoint, memo: PersonMemo, ...guarded: object[]): void {
  if (touches && !touches.some((m) => KEPT_FROM.has(m))) return;
  memo.changed(aboutWhom(...guarded));
}

/** The members of these names, where it has any. */
const part = (of: unknown, ...names: string[]): Record<string, unknown> =>
  typeof of === 'object' && of !== null
    ? Object.fromEntries(
        Object.entries(of).filter(([key, value]) => names.includes(key) && value !== undefined),
      )
    : {};

/** @throws Refusal 404 for a kind or number that there is not, 422 for what is no id, date … */
function partsOf(wire: Wire): Record<string, unknown> {
  const parts = Object.entries(wire.req.param()) as [PartName, string][];
  refuseNoText(Object.fromEntries(parts));
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
