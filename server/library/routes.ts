import { and, desc, eq } from 'drizzle-orm';
import type { Context } from 'hono';
import { KINDS, placesOn, resolve, resolveLadder, summariesOf } from '../../core/library/index.ts';
import type { Kind, Shelf } from '../../core/library/index.ts';
import {
  decideChangeSchema,
  draftSchema,
  editionSchema,
  libraryJsonSchema,
  saveSchema,
} from '../../contract/library.ts';
import type {
  DecideChangeRequest,
  Draft,
  DraftRequest,
  EditionRow,
  EntryInForce,
  EntrySummary,
  LibraryList,
  RevisionSummary,
  SaveRequest,
  Sheet,
} from '../../contract/library.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { hallToday } from '../hall/index.ts';
import { bodyOf, idOf, meOf, Refusal } from '../http.ts';
import type { App, Env, Services } from '../http.ts';
import { bodyAt, changeDetail, changeList, decideChange, save } from './changes.ts';
import { exportLibrary, importLibrary } from './exchange.ts';
import { readerOf } from './reader.ts';
import { editionHeader, inForce, shelfInForce } from './shelf.ts';

const { change, draft, edition, hall, revision } = schema;

function documentOf(c: Context<Env>): { kind: Kind; slug: string } {
  const kind = c.req.param('kind') as Kind;
  if (!KINDS.includes(kind)) throw new Refusal(404, `There is no kind of document called "${kind}".`);
  return { kind, slug: c.req.param('slug') ?? '' };
}

// A shelf never changes once read, so its list is made once.
const lists = new WeakMap<Shelf, EntrySummary[]>();

function listOf(shelf: Shelf, revisions: ReadonlyMap<string, number>): EntrySummary[] {
  let list = lists.get(shelf);
  if (!list) lists.set(shelf, (list = summariesOf(shelf, revisions)));
  return list;
}

export function libraryRoutes(app: App, s: Services): void {
  app.get('/api/library', async (c) => {
    const { shelf, revisions } = await shelfInForce(s.db);
    const entries = listOf(shelf, revisions);
    const answer: LibraryList = { entries, edition: await editionHeader(s.db) };
    return c.json(answer);
  });

  app.get('/api/library/export', async (c) =>
    c.body(await exportLibrary(s.db), 200, {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': 'attachment; filename="meister-library.json"',
    }),
  );

  app.get('/api/library/schema', (c) => c.json(libraryJsonSchema()));

  app.post('/api/library/import', async (c) => {
    const text = await c.req.text();
    const documents = await s.db.transaction((tx) => importLibrary(tx, text, meOf(c).name, s.clock()));
    return c.json({ documents }, 201);
  });

  app.get('/api/library/:kind/:slug', async (c) => {
    const { kind, slug } = documentOf(c);
    const found = await inForce(s.db, kind, slug);
    if (!found) throw new Refusal(404, `There is no document "${slug}" of this kind.`);
    const answer: EntryInForce = found;
    if (found.body.kind === 'ladder') {
      answer.settled = resolveLadder(found.body, (await shelfInForce(s.db)).shelf);
    }
    return c.json(answer);
  });

  app.put('/api/library/:kind/:slug', async (c) => {
    const { kind, slug } = documentOf(c);
    const request = await bodyOf<SaveRequest>(c, saveSchema);
    if (request.body.kind !== kind || request.body.slug !== slug) {
      throw new Refusal(422, 'body.slug: kind and slug of a document never change. Nothing was changed.');
    }
    const me = meOf(c);
    const at = s.clock();
    return c.json(await s.db.transaction((tx) => save(tx, me, request, at)));
  });

  app.get('/api/library/:kind/:slug/revisions', async (c) => {
    const { kind, slug } = documentOf(c);
    const rows: RevisionSummary[] = await s.db
      .select({
        number: revision.number,
        at: revision.at,
        author: revision.author,
        reason: change.reason,
        state: revision.stateNumber,
      })
      .from(revision)
      .innerJoin(change, eq(change.id, revision.changeId))
      .where(and(eq(revision.kind, kind), eq(revision.slug, slug)))
      .orderBy(desc(revision.number));
    return c.json(rows);
  });

  app.get('/api/library/:kind/:slug/revisions/:number', async (c) => {
    const { kind, slug } = documentOf(c);
    const number = Number(c.req.param('number'));
    const body = Number.isInteger(number) ? await bodyAt(s.db, kind, slug, number) : null;
    if (!body) throw new Refusal(404, 'There is no such revision.');
    return c.json({ body });
  });

  app.get('/api/sheets/:slug', async (c) => {
    const slug = c.req.param('slug');
    const { shelf, revisions } = await shelfInForce(s.db);
    const variation = shelf.get('variation', slug);
    if (!variation) throw new Refusal(404, `There is no variation "${slug}".`);
    const answer: Sheet = {
      resolved: resolve(variation, shelf, await readerOf(c, s)),
      revision: revisions.get(`variation/${slug}`) ?? 0,
      edition: await editionHeader(s.db),
      ladders: [...(placesOn(shelf).get(slug) ?? [])],
    };
    return c.json(answer);
  });

  app.get('/api/changes', async (c) => c.json(await changeList(s.db)));

  app.get('/api/changes/:id', async (c) => c.json(await changeDetail(s.db, idOf(c))));

  app.post('/api/changes/:id/decision', async (c) => {
    const id = idOf(c);
    const request = await bodyOf<DecideChangeRequest>(c, decideChangeSchema);
    const me = meOf(c);
    const at = s.clock();
    await s.db.transaction((tx) => decideChange(tx, me, id, request, at));
    return c.json({ ok: true });
  });

  const mine = (c: Context<Env>) => {
    const { kind, slug } = documentOf(c);
    return and(eq(draft.staffId, meOf(c).id), eq(draft.kind, kind), eq(draft.slug, slug));
  };

  const draftOf = async (db: Db, c: Context<Env>): Promise<Draft | null> => {
    const [row] = await db.select().from(draft).where(mine(c));
    return row
      ? { body: row.body, base: row.base, also: row.also, at: new Date(row.at).toISOString() }
      : null;
  };

  app.get('/api/drafts/:kind/:slug', async (c) => c.json(await draftOf(s.db, c)));

  app.put('/api/drafts/:kind/:slug', async (c) => {
    const { kind, slug } = documentOf(c);
    // A draft may be unfinished, so it is not held to the document's schema.
    const { body, base, also, since } = await bodyOf<DraftRequest>(c, draftSchema);
    const at = s.clock().toISOString();
    await s.db.transaction(async (tx) => {
      const kept = await draftOf(tx, c);
      if (kept && kept.at !== since) {
        throw new Refusal(409, 'This draft was written on in another window. Nothing was overwritten.', {
          yours: body,
          inForce: kept.body,
        });
      }
      const set = { base, body, also, at };
      await tx
        .insert(draft)
        .values({ staffId: meOf(c).id, kind, slug, ...set })
        .onConflictDoUpdate({ target: [draft.staffId, draft.kind, draft.slug], set });
    });
    return c.json({ at });
  });

  app.delete('/api/drafts/:kind/:slug', async (c) => {
    await s.db.delete(draft).where(mine(c));
    return c.json({ ok: true });
  });

  app.get('/api/editions', async (c) => {
    const rows: EditionRow[] = await s.db.select().from(edition).orderBy(desc(edition.number));
    return c.json(rows);
  });

  app.post('/api/editions', async (c) => {
    const { name } = await bodyOf<{ name: string }>(c, editionSchema);
    const date = await hallToday(s.db, s.clock());
    const number = await s.db.transaction(async (tx) => {
      const [row] = await tx.select({ state: hall.stateNumber }).from(hall).for('update');
      const last = (await tx.select().from(edition).orderBy(desc(edition.number)).limit(1))[0];
      const next = (last?.number ?? 0) + 1;
      await tx.insert(edition).values({ number: next, name, date, stateNumber: row?.state ?? 0 });
      return next;
    });
    return c.json({ number }, 201);
  });
}
