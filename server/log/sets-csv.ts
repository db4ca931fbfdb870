import { createHash } from 'node:crypto';
import { and, eq, gte, isNull, lte } from 'drizzle-orm';
import Papa from 'papaparse';
import { NEEDED_COLUMNS, SET_COLUMNS, setOfRow } from '../../core/exchange/index.ts';
import type { ReadSet, SetRowProblem } from '../../core/exchange/index.ts';
import { canonicalJson, variationNamed } from '../../core/library/index.ts';
import { bySetOrder } from '../../core/log/index.ts';
import type { Query } from '../../contract/endpoints.ts';
import type { Person } from '../../contract/people.ts';
import type { CsvPreview, CsvResult } from '../../contract/session.ts';
import { among, refreshSummariesOf, schema } from '../db/index.ts';
import { inTurn } from '../endpoint.ts';
import type { Context, Mine } from '../endpoint.ts';
import { Refusal } from '../http.ts';
import { referWhereDue } from './reports.ts';
import { sessionFor } from './sets.ts';
import { tell } from './stops.ts';

const { loggedSet, session } = schema;
const MOST_ROWS = 3000;

/** An id out of what a row says, so that the same file read twice brings nothing in twice. */
function idOfRow(s: ReadSet): string {
  const hex = createHash('sha256')
    .update(canonicalJson([s.personId, s.date, s.ordinal, s.variation, s.side]))
    .digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-5${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

interface ReadRow {
  line: number;
  id: string;
  set: ReadSet;
  known: boolean;
}

/** Reads a file of sets against the hall; nothing is kept. */
async function readSetsCsv(
  { db, inForce, today, mine }: Context & Mine,
  text: string,
): Promise<{ rows: ReadRow[]; problems: SetRowProblem[]; people: Map<string, Person> }> {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
    transformHeader: (h) => h.trim().toLowerCase(),
    transform: (value) => value.replace(/^'(?=[=+\-@\t\r])/, ''),
  });
  const problems: SetRowProblem[] = [];
  const say = (line: number, column: SetRowProblem['column'], problem: string) =>
    problems.push({ line, column, problem });
  const fields = parsed.meta.fields ?? [];
  for (const c of NEEDED_COLUMNS) if (!fields.includes(c)) say(1, c, `The column "${c}" is missing.`);
  for (const f of fields) {
    if (!SET_COLUMNS.some((c) => c === f)) say(1, null, `There is no column "${f}".`);
  }
  for (const e of parsed.errors) {
    if (e.type === 'FieldMismatch' || e.type === 'Quotes') say((e.row ?? 0) + 2, null, `${e.message}.`);
  }
  if (parsed.data.length === 0 && problems.length === 0) say(1, null, 'There is no row below the header.');
  if (parsed.data.length > MOST_ROWS) {
    say(
      1,
      null,
      `There are ${parsed.data.length} rows; at most ${MOST_ROWS} come in at once. Split the file.`,
    );
  }
  const everybody = mine.map((m) => m.person);
  const people = new Map(everybody.map((p) => [p.id, p]));
  if (problems.length > 0) return { rows: [], problems, people };

  const { shelf, revisions } = inForce;
  const count = new Map<string, number>();
  const read = parsed.data.flatMap((row, i): Omit<ReadRow, 'known'>[] => {
    const line = i + 2;
    const key = `${row.person?.trim()} ${row.date?.trim()}`;
    count.set(key, (count.get(key) ?? 0) + 1);
    const result = setOfRow(row, line, count.get(key)!, {
      person: (name) => {
        const named = everybody.filter((p) => p.name === name);
        return named.length > 1 ? 'several' : (named[0] ?? null);
      },
      variation: (name) => {
        const v = variationNamed(shelf, name);
        if (v === null || v === 'several') return v;
        const { slug, loadKind } = v;
        return { slug, revision: revisions.get(`variation/${slug}`) ?? 1, loadKind };
      },
      hasFault: (slug) => shelf.get('fault', slug) !== undefined,
      today,
    });
    if ('problems' in result) {
      problems.push(...result.problems);
      return [];
    }
    const { set } = result;
    return [{ line, id: set.id ?? idOfRow(set), set }];
  });

  const lines = new Map<string, number>();
  for (const { id, line } of read) {
    const first = lines.get(id);
    if (first !== undefined) say(line, 'id', `This is the same set as in line ${first}.`);
    else lines.set(id, line);
  }
  const stored = new Map<string, typeof loggedSet.$inferSelect & { date: string; personId: string }>();
  const ids = read.map((r) => r.id);
  for (let i = 0; i < ids.length; i += 1000) {
    const found = await db
      .select({ set: loggedSet, date: session.date, personId: session.personId })
      .from(loggedSet)
      .innerJoin(session, eq(session.id, loggedSet.sessionId))
      .where(among(loggedSet.id, ids.slice(i, i + 1000)));
    for (const { set, ...rest } of found) stored.set(set.id, { ...set, ...rest });
  }
  const rows = read.map((r): ReadRow => {
    const there = stored.get(r.id);
    if (there && (there.deletedAt !== null || contentOf(there) !== contentOf({ ...r.set, id: r.id }))) {
      const why = there.deletedAt !== null ? 'was deleted here' : 'is here already and says something else';
      say(r.line, 'id', `This set ${why}: correct it in the log instead.`);
    }
    return { ...r, known: there !== undefined };
  });
  return { rows, problems: problems.sort((a, b) => a.line - b.line), people };
}

/** A set without what the hall adds to it: equal for the same content. */
function contentOf(set: object): string {
  const {
    edit: _e,
    loggedBy: _l,
    loggedById: _li,
    own: _o,
    deletedAt: _d,
    sessionId: _s,
    variationRevision: _r,
    ...same
  } = set as Record<string, unknown>;
  return canonicalJson(same);
}

/** What the file would bring in, row by row, and everything that is wrong with it. */
export async function previewSetsCsv(c: Context & Mine, text: string): Promise<CsvPreview> {
  const { rows, problems, people } = await readSetsCsv(c, text);
  return {
    rows: rows.map(({ line, set, known }) => ({
      line,
      person: people.get(set.personId)?.name ?? '',
      date: set.date,
      variation: c.inForce.shelf.get('variation', set.variation)?.name ?? set.variation,
      set,
      known,
    })),
    problems,
  };
}

/** Brings the whole file in, or, if anything is wrong with it, nothing. Must run inside a transaction. */
export async function importSetsCsv(c: Context & Mine, text: string): Promise<CsvResult> {
  const { rows, problems } = await readSetsCsv(c, text);
  const { db: tx, me } = c;
  if (problems.length > 0) {
    const first = problems[0]!;
    throw new Refusal(422, `Line ${first.line}: ${first.problem} Nothing was brought in.`, {
      errors: problems.slice(0, 50).map((p) => ({ field: `line ${p.line}`, detail: p.problem })),
    });
  }
  const fresh = rows.filter((r) => !r.known);
  await inTurn(tx, [...new Set(fresh.map(({ set }) => set.personId))]);
  const sessions = new Map<string, string>();
  for (const { set } of fresh) {
    const key = `${set.personId} ${set.date}`;
    if (!sessions.has(key)) sessions.set(key, await sessionFor(tx, set.personId, set.date));
  }
  for (let i = 0; i < fresh.length; i += 200) {
    await tx.insert(loggedSet).values(
      fresh.slice(i, i + 200).map(({ id, set: { personId, date, id: _id, ...fields } }) => ({
        ...fields,
        id,
        sessionId: sessions.get(`${personId} ${date}`)!,
        loggedBy: me.name,
        loggedById: me.id,
        edit: 1,
      })),
    );
  }
  await refreshSummariesOf(tx, [...new Set(sessions.values())]);
  const painful = fresh.filter(({ set }) => set.pain);
  for (const { id, set } of painful) {
    const { personId, date, pain, sensations, variation } = set;
    const source = `set ${id}`;
    await tell(c, me, { personId, source, date, told: 'set', pain, felt: sensations, variation });
  }
  await referWhereDue(c, me, [...new Set(painful.map(({ set }) => set.personId))]);
  return { added: fresh.length, known: rows.length - fresh.length };
}

/** Sets as a file, by person, date and place; pain only for those who may see it. */
export async function exportSetsCsv(
  { db, mine, work, inForce }: Context & Mine,
  of: Query<'setsCsv'>,
): Promise<string> {
  const looked = mine;
  const people = new Map(looked.map(({ person }) => [person.id, person]));
  const doors = new Map(looked.map(({ person, door }) => [person.id, door]));
  const ids = [...people.values()].flatMap((p) =>
    (of.squad === undefined || p.squadId === of.squad) && (of.person === undefined || p.id === of.person)
      ? [p.id]
      : [],
  );
  const rows = ids.length
    ? await db
        .select({ set: loggedSet, date: session.date, personId: session.personId })
        .from(loggedSet)
        .innerJoin(session, eq(session.id, loggedSet.sessionId))
        .where(
          and(
            among(session.personId, ids),
            isNull(loggedSet.deletedAt),
            of.from === undefined ? undefined : gte(session.date, of.from),
            of.to === undefined ? undefined : lte(session.date, of.to),
          ),
        )
    : [];
  const name = (id: string) => people.get(id)?.name ?? '';
  const sets = rows
    .map(({ set, date, personId }) => ({ personId, set: { ...set, date } }))
    .sort(
      (a, b) =>
        name(a.personId).localeCompare(name(b.personId)) ||
        (a.set.date < b.set.date ? -1 : a.set.date > b.set.date ? 1 : bySetOrder(a.set, b.set)),
    );
  return work('setsFile', inForce, {
    rows: sets.map(({ personId, set }) => ({ name: name(personId), set: doors.get(personId)!.set(set) })),
  });
}
