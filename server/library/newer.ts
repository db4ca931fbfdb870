import { createHash } from 'node:crypto';
import { and, eq, sql } from 'drizzle-orm';
import type { NewerDocument, NewerEdition, SaveResult, TakeOverRequest } from '../../contract/library.ts';
import { canonicalJson, documentId, titleOf, withAllNamed } from '../../core/library/index.ts';
import type { Body, Kind } from '../../core/library/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { saveTogether } from './changes.ts';
import { shippedIn } from './shipped-file.ts';

const { origin, revision } = schema;

// A body that was read never changes, so it is hashed once.
const hashes = new WeakMap<Body, string>();

function hashOf(body: Body): string {
  const known = hashes.get(body) ?? createHash('sha256').update(canonicalJson(body)).digest('hex');
  hashes.set(body, known);
  return known;
}

/** Parameters of a statement are counted: so many documents at a time. */
const PER_STATEMENT = 100;

/** From now on these are the bodies that the hall's documents came from. */
export async function keepOrigins(tx: Db, bodies: readonly Body[]): Promise<void> {
  for (let i = 0; i < bodies.length; i += PER_STATEMENT) {
    await tx
      .insert(origin)
      .values(
        bodies
          .slice(i, i + PER_STATEMENT)
          .map((body) => ({ kind: body.kind, slug: body.slug, body, hash: hashOf(body) })),
      )
      .onConflictDoUpdate({
        target: [origin.kind, origin.slug],
        set: { body: sql`excluded.body`, hash: sql`excluded.hash` },
      });
  }
}

type Asking = Pick<Context, 'db' | 'hall' | 'inForce' | 'shipped'>;

/** The documents of the shipped library that are new to the hall, or other than what its own came from. */
export async function newerEdition({ db, hall, inForce, shipped: file }: Asking): Promise<NewerEdition> {
  const { edition, documents } = await shippedIn(file, hall?.beganWith ?? null);
  const origins = new Map(
    (await db.select({ kind: origin.kind, slug: origin.slug, hash: origin.hash }).from(origin)).map((o) => [
      documentId(o),
      o.hash,
    ]),
  );
  // A hall that never began with the shipped library, or began before origins were kept, is offered what it lacks and
  // what differs from its own.
  const items = documents.flatMap((body): NewerEdition['items'] => {
    const id = documentId(body);
    const now = inForce.shelf.get(body.kind, body.slug);
    const hash = hashOf(body);
    if (origins.get(id) === hash || (now && canonicalJson(now) === canonicalJson(body))) return [];
    const own = now ? hashOf(now) : null;
    const what = own === null ? 'new' : own === origins.get(id) ? 'theirs alone' : 'both';
    return [
      {
        kind: body.kind,
        slug: body.slug,
        title: titleOf(body),
        what,
        revision: inForce.revisions.get(id) ?? 0,
      },
    ];
  });
  return { edition, began: origins.size > 0, items };
}

/** One document of the newer edition beside the hall's own and what both came from. @throws Refusal 404 for none */
export async function newerDocument(
  c: Asking & { params: { kind: Kind; slug: string } },
): Promise<NewerDocument> {
  const { kind, slug } = c.params;
  const newer = await shippedBody(c, kind, slug);
  const now = c.inForce.shelf.get(kind, slug) ?? null;
  return {
    origin: await originOf(c.db, kind, slug),
    now,
    revision: c.inForce.revisions.get(documentId({ kind, slug })) ?? 0,
    newer,
  };
}

async function shippedBody({ hall, shipped }: Asking, kind: Kind, slug: string): Promise<Body> {
  const { documents } = await shippedIn(shipped, hall?.beganWith ?? null);
  const body = documents.find((d) => d.kind === kind && d.slug === slug);
  if (!body)
    throw new Refusal(404, `The library that comes with Meister has no document "${slug}" of this kind.`);
  return body;
}

/** What the hall's document came from; where that was not kept, its first revision stands for it. */
async function originOf(db: Db, kind: Kind, slug: string): Promise<Body | null> {
  const [kept] = await db
    .select({ body: origin.body })
    .from(origin)
    .where(and(eq(origin.kind, kind), eq(origin.slug, slug)));
  if (kept) return kept.body;
  const [first] = await db
    .select({ body: revision.body })
    .from(revision)
    .where(and(eq(revision.kind, kind), eq(revision.slug, slug), eq(revision.number, 1)));
  return first?.body ?? null;
}

/**
 * Takes documents of the newer edition over as one change: as they came, put together with the hall's own, or not at
 * all; in each case they are not asked about again. What a taken document names and the hall lacks comes along.
 * @throws Refusal 409 for a document changed meanwhile, 404 for one that the shipped library has not
 */
export async function takeOver(c: Context & { body: TakeOverRequest }): Promise<SaveResult> {
  const { edition, documents } = await shippedIn(c.shipped, c.hall?.beganWith ?? null);
  const theirs = new Map(documents.map((d) => [documentId(d), d]));
  const settled = new Map<string, Body>();
  const proposals = new Map<string, { body: Body; base: number }>();
  for (const { kind, slug, base, body } of c.body.items) {
    const id = documentId({ kind, slug });
    const newer = theirs.get(id);
    if (!newer) throw new Refusal(404, `The library that comes with Meister has no "${slug}" of this kind.`);
    if (body && (body.kind !== kind || body.slug !== slug))
      throw new Refusal(422, 'items: kind and slug of a document never change. Nothing was changed.');
    settled.set(id, newer);
    if (body !== null) proposals.set(id, { body: body ?? newer, base });
  }
  // A new sheet may name new cues, and these a new fault: what the hall lacks of them comes along.
  const lacking = withAllNamed(
    [...proposals.values()].map((p) => p.body),
    (ref) => (c.inForce.shelf.get(ref.kind, ref.slug) ? undefined : theirs.get(documentId(ref))),
  );
  for (const body of lacking) {
    const id = documentId(body);
    if (proposals.has(id)) continue;
    proposals.set(id, { body, base: 0 });
    settled.set(id, body);
  }
  const result: SaveResult =
    proposals.size === 0
      ? { outcome: 'unchanged', change: null, revision: null }
      : await saveTogether(
          c,
          [...proposals.values()],
          `Taken over from the library that comes with Meister, edition ${edition.number} of ${edition.date}`,
        );
  await keepOrigins(c.db, [...settled.values()]);
  return result;
}
