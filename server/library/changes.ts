import { randomUUID } from 'node:crypto';
import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import {
  canonicalJson,
  breachesOf,
  documentId,
  KIND_WORDS,
  titleOf,
  withChanges,
} from '../../core/library/index.ts';
import type { Body, HouseQuestion, Kind, Ladder } from '../../core/library/index.ts';
import type {
  ChangeDetail,
  ChangeSummary,
  DecideChangeRequest,
  Proposal,
  SaveRequest,
  SaveResult,
} from '../../contract/library.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { Context } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { peopleAnswering } from '../people/index.ts';
import { withoutKit } from './kit.ts';
import { inForce, shelfInForce } from './shelf.ts';

const { change, changeItem, draft, entry, hall, revision, standing } = schema;

const ROWS_A_STATEMENT = 500;

interface Accepting {
  changeId: string;
  items: readonly Proposal[];
  author: string;
  at: Date;
}

/** Writes down what a change proposes. */
export async function proposeItems(tx: Db, changeId: string, items: readonly Proposal[]): Promise<void> {
  for (let from = 0; from < items.length; from += ROWS_A_STATEMENT) {
    await tx.insert(changeItem).values(
      items.slice(from, from + ROWS_A_STATEMENT).map(({ body, base }) => ({
        changeId,
        kind: body.kind,
        slug: body.slug,
        base,
        proposed: body,
      })),
    );
  }
}

/**
 * Puts bodies in force as one change: checks bases and integrity, gives consecutive revision numbers
 * and advances the hall's state by one. Must run inside a transaction.
 * @throws Refusal 409 for a stale base, 422 with every breach of integrity
 */
export async function putInForce(tx: Db, { changeId, items, author, at }: Accepting): Promise<number> {
  // One acceptance at a time, so that state numbers are consecutive.
  await tx.execute(sql`select id from ${hall} for update`);
  const { shelf, revisions, state } = await shelfInForce(tx);
  for (const { body, base } of items) {
    const now = revisions.get(documentId(body)) ?? 0;
    if (now !== base) {
      throw new Refusal(
        409,
        `"${titleOf(body)}" has changed since: it is at revision ${now}, the edit started from ${base}.`,
        { yours: body, inForce: (await inForce(tx, body.kind, body.slug))?.body },
      );
    }
  }
  const breaches = breachesOf(
    withChanges(
      shelf,
      items.map((i) => i.body),
    ),
  );
  if (breaches.length > 0) {
    throw new Refusal(
      422,
      `${breaches[0]!.document}, ${breaches[0]!.path}: ${breaches[0]!.problem} Nothing was changed.`,
      {
        errors: breaches.map((b) => ({ field: `${b.document} ${b.path}`, detail: b.problem })),
      },
    );
  }
  for (const { body } of items) {
    if (body.kind === 'ladder') await refuseRemovingHeldLevels(tx, body);
    if (body.kind === 'houseQuestion') await refuseRemovingOwnAnswers(tx, body);
  }
  const next = state + 1;
  // Many at a time: an import has thousands, and each statement costs the same.
  for (let from = 0; from < items.length; from += ROWS_A_STATEMENT) {
    const some = items.slice(from, from + ROWS_A_STATEMENT);
    await tx
      .insert(entry)
      .values(some.map(({ body, base }) => ({ kind: body.kind, slug: body.slug, revision: base + 1 })))
      .onConflictDoUpdate({
        target: [entry.kind, entry.slug],
        set: { revision: sql`excluded.revision` },
      });
    await tx.insert(revision).values(
      some.map(({ body, base }) => ({
        kind: body.kind,
        slug: body.slug,
        number: base + 1,
        body,
        author,
        at: at.toISOString(),
        changeId,
        stateNumber: next,
      })),
    );
  }
  await tx.update(change).set({ stateNumber: next }).where(eq(change.id, changeId));
  await tx.update(hall).set({ stateNumber: next });
  return next;
}

/** A level that somebody stands on cannot be taken away or renamed under their feet. */
async function refuseRemovingHeldLevels(tx: Db, ladder: Ladder): Promise<void> {
  const standings = await tx.select().from(standing).where(eq(standing.ladder, ladder.slug));
  // Who stands on a ladder that is retired would stand on nothing.
  const known = new Set(ladder.retired ? [] : ladder.levels.map((l) => l.id));
  const held = new Map<string, number>();
  for (const { moves } of standings) {
    const level = moves.at(-1)!.toLevel;
    if (!known.has(level)) held.set(level, (held.get(level) ?? 0) + 1);
  }
  for (const [level, people] of held) {
    throw new Refusal(
      422,
      `levels: ${people} ${people === 1 ? 'person stands' : 'people stand'} on the level "${level}". Move them first; nothing was changed.`,
    );
  }
}

/** An answer that somebody has of their own cannot be taken out of the question. */
async function refuseRemovingOwnAnswers(tx: Db, question: HouseQuestion): Promise<void> {
  const known = new Set(question.answers.map((a) => a.id));
  const lost = (await peopleAnswering(tx, question.slug)).filter(
    (a) => question.retired || !known.has(a.answer),
  );
  if (lost.length === 0) return;
  throw new Refusal(
    422,
    `answers: ${lost.length} ${lost.length === 1 ? 'person has' : 'people have'} the answer "${lost[0]!.answer}" of their own. Change theirs first; nothing was changed.`,
  );
}

/** One save: in force at once for the head coach, a proposed change for a coach. */
export async function save(tx: Context, request: SaveRequest): Promise<SaveResult> {
  const { body, base, reason, also = [] } = request;
  const { me } = tx;
  const result = await saveTogether(tx, [{ body, base }, ...also], reason);
  if (result.outcome !== 'unchanged') {
    await tx.db
      .delete(draft)
      .where(and(eq(draft.staffId, me.id), eq(draft.kind, body.kind), eq(draft.slug, body.slug)));
  }
  return result;
}

/**
 * Documents saved as one change; those that say what is in force already are left out of it.
 * @throws Refusal 409 with both versions when one has changed since its edit started, 422 for one given twice
 */
export async function saveTogether(
  { db: tx, me, at }: Context,
  proposals: readonly Proposal[],
  reason: string,
): Promise<SaveResult> {
  const ids = proposals.map((p) => documentId(p.body));
  const twice = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twice) throw new Refusal(422, `also: "${twice}" is given twice. Nothing was changed.`);
  const items: Proposal[] = [];
  let revision: number | null = null;
  for (const [i, { body: given, base }] of proposals.entries()) {
    const body = withoutKit(given);
    const now = await inForce(tx, body.kind, body.slug);
    if ((now?.revision ?? 0) !== base) {
      throw new Refusal(409, staleSentence(body, base, now?.revision ?? null), {
        yours: body,
        inForce: now?.body,
      });
    }
    const unchanged = now !== null && canonicalJson(now.body) === canonicalJson(body);
    if (!unchanged) items.push({ body, base });
    if (i === 0) revision = unchanged ? base : base + 1;
  }
  if (items.length === 0) return { outcome: 'unchanged', change: null, revision };
  const id = randomUUID();
  const accepted = me.role === 'head coach';
  await tx.insert(change).values({
    id,
    author: me.name,
    authorId: me.id,
    reason,
    state: accepted ? 'accepted' : 'proposed',
    createdAt: at.toISOString(),
    ...(accepted ? { decidedBy: me.name, decidedAt: at.toISOString() } : {}),
  });
  await proposeItems(tx, id, items);
  if (accepted) await putInForce(tx, { changeId: id, items, author: me.name, at });
  return { outcome: accepted ? 'accepted' : 'proposed', change: id, revision: accepted ? revision : null };
}

function staleSentence(body: Body, base: number, now: number | null): string {
  const word = KIND_WORDS[body.kind];
  if (now === null) return `There is no ${word} "${body.slug}" any more.`;
  if (base === 0) return `There is a ${word} "${body.slug}" already. Yours is kept as your draft.`;
  return `Somebody else changed this ${word}: it is at revision ${now}, you started from ${base}. Yours is kept as your draft.`;
}

/** Changes, newest first; a list for the page, not the whole history. */
export async function changeList(db: Db): Promise<ChangeSummary[]> {
  const changes = await db.select().from(change).orderBy(desc(change.createdAt)).limit(200);
  if (changes.length === 0) return [];
  const items = await db
    .select()
    .from(changeItem)
    .where(
      inArray(
        changeItem.changeId,
        changes.map((c) => c.id),
      ),
    );
  return changes.map((c) => ({
    ...summaryOf(c),
    documents: items
      .filter((i) => i.changeId === c.id)
      .map((i) => ({ kind: i.kind, slug: i.slug, title: titleOf(i.proposed) })),
  }));
}

const summaryOf = (c: typeof change.$inferSelect): Omit<ChangeSummary, 'documents'> => ({
  id: c.id,
  state: c.state,
  author: c.author,
  reason: c.reason,
  at: c.createdAt,
  decidedBy: c.decidedBy,
  decidedAt: c.decidedAt,
  decision: c.decision,
});

export async function changeDetail(db: Db, id: string): Promise<ChangeDetail> {
  const [row] = await db.select().from(change).where(eq(change.id, id));
  if (!row) throw new Refusal(404, 'There is no such change.');
  const rows = await db.select().from(changeItem).where(eq(changeItem.changeId, id));
  const items: ChangeDetail['items'] = [];
  for (const item of rows) {
    items.push({
      kind: item.kind,
      slug: item.slug,
      base: item.base,
      baseBody: await bodyAt(db, item.kind, item.slug, item.base),
      inForce: await inForce(db, item.kind, item.slug),
      proposed: item.proposed,
      accepted: item.accepted,
    });
  }
  return {
    ...summaryOf(row),
    documents: rows.map((i) => ({ kind: i.kind, slug: i.slug, title: titleOf(i.proposed) })),
    items,
  };
}

export async function bodyAt(db: Db, kind: Kind, slug: string, number: number): Promise<Body | null> {
  const [row] = await db
    .select({ body: revision.body })
    .from(revision)
    .where(and(eq(revision.kind, kind), eq(revision.slug, slug), eq(revision.number, number)));
  return row?.body ?? null;
}

/** Accepts a proposed change whole, as it is or as the head coach edited it, or declines it. */
export async function decideChange(
  { db: tx, me, at }: Context,
  id: string,
  request: DecideChangeRequest,
): Promise<void> {
  const [row] = await tx.select().from(change).where(eq(change.id, id)).for('update');
  if (!row) throw new Refusal(404, 'There is no such change.');
  if (row.state !== 'proposed') {
    throw new Refusal(409, `This change has been ${row.state} by ${row.decidedBy ?? 'somebody'} already.`);
  }
  await tx
    .update(change)
    .set({
      state: request.accept ? 'accepted' : 'declined',
      decidedBy: me.name,
      decidedAt: at.toISOString(),
      decision: request.word,
    })
    .where(eq(change.id, id));
  if (!request.accept) return;
  const rows = await tx.select().from(changeItem).where(eq(changeItem.changeId, id));
  const items: Proposal[] = [];
  for (const item of rows) {
    const edited = request.edited?.find((e) => documentId(e.body) === documentId(item));
    if (edited) {
      await tx
        .update(changeItem)
        .set({ accepted: edited.body, editor: me.name })
        .where(
          and(eq(changeItem.changeId, id), eq(changeItem.kind, item.kind), eq(changeItem.slug, item.slug)),
        );
    }
    items.push(edited ?? { body: item.proposed, base: item.base });
  }
  await putInForce(tx, { changeId: id, items, author: row.author, at });
}
