import { and, eq, gt, inArray, lte, or } from 'drizzle-orm';
import type { ChangedSince, PrintedState } from '../../contract/sheets.ts';
import { criterionEffects } from '../../core/review/index.ts';
import { documentId, titleOf } from '../../core/library/index.ts';
import type { Body } from '../../core/library/index.ts';
import { differsOnPaper, sheetDocuments } from '../../core/sheets/index.ts';
import type { JobItem } from '../../core/sheets/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { OpenContext } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { shelfAt } from '../library/index.ts';

const { revision, change } = schema;

/**
 * Whether a sheet printed at a state of the library is still right, and what has changed since: it is outdated
 * only if a document that it draws on, then or now, has a newer revision.
 * @throws Refusal 422 for a state that has not been reached, 404 when what it prints is in no library of then or now
 */
export async function stateOf(
  { db, inForce: now }: OpenContext,
  item: JobItem,
  printed: number,
): Promise<PrintedState> {
  if (printed > now.state) {
    throw new Refusal(
      422,
      `This sheet says it was printed at state ${printed}; this hall is at ${now.state}. It comes from another hall, or from a backup that was not restored here.`,
    );
  }
  const before = await shelfAt(db, printed);
  const subject = item.kind === 'poster' ? 'ladder' : 'variation';
  const titles = item.of.map((slug) => {
    const body = now.shelf.get(subject, slug) ?? before.shelf.get(subject, slug);
    if (!body) throw new Refusal(404, `There is no ${subject} "${slug}" here.`);
    return body.name;
  });
  const ids = new Set([...sheetDocuments(item, before.shelf), ...sheetDocuments(item, now.shelf)]);
  const newer = [...ids].filter((id) => now.revisions.get(id) !== before.revisions.get(id));
  const changed = await lastChanges(db, newer, before.revisions, printed, now.state);
  const drawn = [...ids].flatMap((id) =>
    id.startsWith('variation/') ? [id.slice('variation/'.length)] : [],
  );
  const ladders = now.shelf.all('ladder').filter((l) => item.kind === 'poster' && l.slug === item.of[0]);
  return {
    verdict: changed.length === 0 ? 'current' : 'outdated',
    item,
    title: titles.join(', '),
    printed,
    now: now.state,
    changed,
    differs: changed.length === 0 ? [] : differsOnPaper(item.kind, drawn, before.shelf, now.shelf),
    criteria: changed.length === 0 ? [] : criterionEffects(before.shelf, now.shelf, ladders),
  };
}

/** The newest change of each document since a state, newest first. */
async function lastChanges(
  db: Db,
  ids: readonly string[],
  before: ReadonlyMap<string, number>,
  from: number,
  to: number,
): Promise<ChangedSince[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select({
      body: revision.body,
      number: revision.number,
      at: revision.at,
      author: revision.author,
      reason: change.reason,
    })
    .from(revision)
    .innerJoin(change, eq(change.id, revision.changeId))
    .where(
      and(
        gt(revision.stateNumber, from),
        lte(revision.stateNumber, to),
        or(
          ...bySlug(ids).map(([kind, slugs]) => and(eq(revision.kind, kind), inArray(revision.slug, slugs))),
        ),
      ),
    );
  const newest = new Map<string, (typeof rows)[number]>();
  for (const row of rows) {
    const id = documentId(row.body);
    if ((newest.get(id)?.number ?? 0) < row.number) newest.set(id, row);
  }
  return [...newest]
    .map(([id, row]): ChangedSince => ({
      kind: row.body.kind,
      slug: row.body.slug,
      title: titleOf(row.body),
      from: before.get(id) ?? 0,
      to: row.number,
      at: new Date(row.at).toISOString(),
      author: row.author,
      reason: row.reason,
    }))
    .sort((a, b) => b.at.localeCompare(a.at) || a.title.localeCompare(b.title));
}

function bySlug(ids: readonly string[]): [Body['kind'], string[]][] {
  const found = new Map<Body['kind'], string[]>();
  for (const id of ids) {
    const [kind, slug] = id.split('/') as [Body['kind'], string];
    found.set(kind, [...(found.get(kind) ?? []), slug]);
  }
  return [...found];
}
