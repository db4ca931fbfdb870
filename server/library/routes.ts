import { and, count, desc, eq } from 'drizzle-orm';
import { placesOn, resolve, resolveLadder, summariesOf } from '../../core/library/index.ts';
import type { Kind, Shelf } from '../../core/library/index.ts';
import { libraryJsonSchema } from '../../contract/library.ts';
import type { Draft, EntrySummary } from '../../contract/library.ts';
import { schema } from '../db/index.ts';
import { allOrNothing, handlers } from '../endpoint.ts';
import type { Context } from '../endpoint.ts';
import { editionHeader } from '../hall/index.ts';
import { Refusal } from '../http.ts';
import { bodyAt, changeDetail, changeList, decideChange, save } from './changes.ts';
import { exportLibrary, importLibrary } from './exchange.ts';
import { readerOf } from './reader.ts';
import { newerDocument, newerEdition, takeOver } from './newer.ts';
import { beginWithShipped, shippedLibrary } from './shipped.ts';
import { inForce as documentInForce } from './shelf.ts';

const { change, draft, edition, hall, revision } = schema;

/** Drafts of one coach. */
const MOST_DRAFTS = 100;

// A shelf never changes once read, so its list is made once.
const lists = new WeakMap<Shelf, EntrySummary[]>();

function listOf(shelf: Shelf, revisions: ReadonlyMap<string, number>): EntrySummary[] {
  let list = lists.get(shelf);
  if (!list) lists.set(shelf, (list = summariesOf(shelf, revisions)));
  return list;
}

interface OfDocument extends Context {
  params: { kind: Kind; slug: string };
}

const mine = ({ me, params: { kind, slug } }: OfDocument) =>
  and(eq(draft.staffId, me.id), eq(draft.kind, kind), eq(draft.slug, slug));

async function draftOf(c: OfDocument): Promise<Draft | null> {
  const [row] = await c.db.select().from(draft).where(mine(c));
  return row ? { body: row.body, base: row.base, also: row.also, at: new Date(row.at).toISOString() } : null;
}

export const libraryRoutes = handlers({
  library: async ({ db, inForce: { shelf, revisions } }) => ({
    entries: listOf(shelf, revisions),
    edition: await editionHeader(db),
  }),

  exportLibrary: async (c) => ({
    file: await exportLibrary(c),
    type: 'application/json; charset=utf-8',
    name: 'meister-library.json',
  }),

  librarySchema: () => libraryJsonSchema(),

  importLibrary: async (c) => ({
    documents: await allOrNothing(c, ({ db, body, me, at }) => importLibrary(db, body, me.name, at)),
  }),

  shippedLibrary: ({ shipped }) => shippedLibrary(shipped),

  newerEdition: (c) => newerEdition(c),

  newerDocument: (c) => newerDocument(c),

  takeOver: (c) => allOrNothing(c, (tx) => takeOver(tx)),

  beginWithShipped: async (c) => ({
    documents: await allOrNothing(c, ({ db, me, at, body, shipped }) =>
      beginWithShipped(db, me.name, at, { file: shipped, only: body.only ?? null }),
    ),
  }),

  document: async ({ db, inForce, params: { kind, slug } }) => {
    const found = await documentInForce(db, kind, slug);
    if (!found) throw new Refusal(404, `There is no document "${slug}" of this kind.`);
    return found.body.kind === 'ladder'
      ? { ...found, settled: resolveLadder(found.body, inForce.shelf) }
      : found;
  },

  saveDocument: async (c) => {
    const { kind, slug } = c.params;
    if (c.body.body.kind !== kind || c.body.body.slug !== slug) {
      throw new Refusal(422, 'body.slug: kind and slug of a document never change. Nothing was changed.');
    }
    return allOrNothing(c, (tx) => save(tx, tx.body));
  },

  revisions: ({ db, params: { kind, slug } }) =>
    db
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
      .orderBy(desc(revision.number)),

  revision: async ({ db, params: { kind, slug, number } }) => {
    const body = await bodyAt(db, kind, slug, number);
    if (!body) throw new Refusal(404, 'There is no such revision.');
    return { body };
  },

  sheet: async (c) => {
    const { shelf, revisions } = c.inForce;
    const { slug } = c.params;
    const variation = shelf.get('variation', slug);
    if (!variation) throw new Refusal(404, `There is no variation "${slug}".`);
    return {
      resolved: resolve(variation, shelf, await readerOf(c, c.query.stage)),
      revision: revisions.get(`variation/${slug}`) ?? 0,
      edition: await editionHeader(c.db),
      ladders: [...(placesOn(shelf).get(slug) ?? [])],
    };
  },

  changes: ({ db }) => changeList(db),

  change: ({ db, params }) => changeDetail(db, params.id),

  decideChange: async (c) => {
    await allOrNothing(c, (tx) => decideChange(tx, tx.params.id, tx.body));
    return { ok: true };
  },

  draft: (c) => draftOf(c),

  // A draft may be unfinished, so it is not held to the document's schema.
  saveDraft: async (c) => {
    const at = c.at.toISOString();
    const { body, base, also, since } = c.body;
    await allOrNothing(c, async (tx) => {
      const kept = await draftOf(tx);
      if (kept && kept.at !== since) {
        throw new Refusal(409, 'This draft was written on in another window. Nothing was overwritten.', {
          yours: body,
          inForce: kept.body,
        });
      }
      if (!kept) {
        const [own] = await tx.db.select({ n: count() }).from(draft).where(eq(draft.staffId, tx.me.id));
        if (own!.n >= MOST_DRAFTS) {
          throw new Refusal(
            409,
            `You have ${own!.n} drafts. Put some in force or discard them first; this one was not kept.`,
          );
        }
      }
      const set = { base, body, also, at };
      await tx.db
        .insert(draft)
        .values({ staffId: tx.me.id, ...tx.params, ...set })
        .onConflictDoUpdate({ target: [draft.staffId, draft.kind, draft.slug], set });
    });
    return { at };
  },

  dropDraft: async (c) => {
    await c.db.delete(draft).where(mine(c));
    return { ok: true };
  },

  editions: ({ db }) => db.select().from(edition).orderBy(desc(edition.number)),

  nameEdition: async (c) => ({
    number: await allOrNothing(c, async ({ db, body, today }) => {
      const [row] = await db.select({ state: hall.stateNumber }).from(hall).for('update');
      const last = (await db.select().from(edition).orderBy(desc(edition.number)).limit(1))[0];
      const next = (last?.number ?? 0) + 1;
      await db
        .insert(edition)
        .values({ number: next, name: body.name, date: today, stateNumber: row?.state ?? 0 });
      return next;
    }),
  }),
});
