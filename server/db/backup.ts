import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { open } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { getTableName, is, isNull, notInArray, sql } from 'drizzle-orm';
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core';
import type { Db } from './db.ts';
import { rebuildDerived } from './derived.ts';
import { kitApart, pieceFormerly } from './kit-apart.ts';
import { rowsOf } from './rows.ts';
import * as schema from './schema.ts';

/** Every table of the schema, each after those it refers to. */
export function tablesInOrder(): PgTable[] {
  const tables = Object.values(schema).filter((t): t is PgTable & typeof t => is(t, PgTable));
  const ordered: PgTable[] = [];
  const visit = (table: PgTable): void => {
    if (ordered.includes(table)) return;
    for (const key of getTableConfig(table).foreignKeys) {
      const target = key.reference().foreignTable;
      if (target !== table) visit(target);
    }
    if (!ordered.includes(table)) ordered.push(table);
  };
  tables.forEach(visit);
  return ordered;
}

/** Made anew on restoring. */
const DERIVED: ReadonlySet<PgTable> = new Set<PgTable>([schema.setSummary, schema.standing]);
/** Of the moment: no file brings a sign-in back, or the device of a link. */
const OF_THE_MOMENT: ReadonlySet<PgTable> = new Set<PgTable>([
  schema.signIn,
  schema.failedSignIn,
  schema.linkDevice,
]);
/** What a backup leaves out. */
export const leftOut = (table: PgTable): boolean => DERIVED.has(table) || OF_THE_MOMENT.has(table);

const MB = 1024 * 1024;
/** No row is longer; and no backup is packed tighter, beyond what fits into memory anyway. */
const LONGEST_LINE = 16 * MB;
const TIGHTEST = 300;
const LOOKED_AT_FROM = 64 * MB;

const FORMAT = 'meister-backup';

/** Tables of versions before, and what became of their rows. */
const FORMER_TABLES: Readonly<
  Record<string, { table: PgTable; row: (row: Record<string, unknown>) => Record<string, unknown> }>
> = {
  kit: { table: schema.piece, row: (row) => ({ ...pieceFormerly(row as never) }) },
};

/** So many blocks of a table are in memory at a time. */
const BLOCKS_AT_ONCE = 256;

/**
 * Everything in the database as lines of JSON, some at a time: a header, then one line a row.
 * Read in one transaction, so that the tables belong together.
 */
export async function readBackup(
  db: Db,
  at: Date,
  take: (lines: readonly string[]) => Promise<void> | void,
): Promise<void> {
  await db.transaction(
    async (tx) => {
      let rows = 0;
      await take([JSON.stringify({ format: FORMAT, version: 1, at: at.toISOString() })]);
      for (const table of tablesInOrder().filter((t) => !leftOut(t))) {
        const name = getTableName(table);
        const [size] = rowsOf<{ blocks: number }>(
          await tx.execute(
            sql`select (pg_relation_size(${name}::regclass) / current_setting('block_size')::int)::int as blocks`,
          ),
        );
        for (let from = 0; from < size!.blocks; from += BLOCKS_AT_ONCE) {
          const within = sql`${table}.ctid >= ${`(${from},0)`}::tid and ${table}.ctid < ${`(${from + BLOCKS_AT_ONCE},0)`}::tid`;
          const some = await tx.select().from(table).where(within);
          rows += some.length;
          await take(some.map((row) => JSON.stringify({ table: name, row })));
        }
      }
      await take([JSON.stringify({ end: rows })]);
    },
    { isolationLevel: 'repeatable read' },
  );
}

/** Writes a backup of everything, gzipped, into a new file, and has it on the disk before it is done. */
export async function writeBackup(db: Db, at: Date, file: string): Promise<void> {
  const gzip = createGzip();
  const written = pipeline(gzip, createWriteStream(file, { flags: 'wx', mode: 0o600 }));
  await Promise.all([
    written,
    readBackup(db, at, async (lines) => {
      for (const line of lines)
        if (!gzip.write(`${line}\n`)) await Promise.race([once(gzip, 'drain'), written]);
    }).then(
      () => gzip.end(),
      (error: Error) => gzip.destroy(error),
    ),
  ]);
  const out = await open(file, 'r+');
  await out.sync();
  await out.close();
}

export class BadBackup extends Error {}

/** Refuses what is small as a file and endless unpacked, before it fills memory or disk. */
async function* unpacked(file: Readable): AsyncGenerator<string> {
  let packed = 0;
  let whole = 0;
  let line: string[] = [];
  let length = 0;
  file.on('data', (chunk: Buffer) => (packed += chunk.length));
  const gunzip = createGunzip();
  file.on('error', (error) => gunzip.destroy(error));
  const text = file.pipe(gunzip).setEncoding('utf8') as AsyncIterable<string>;
  for await (const chunk of text) {
    whole += chunk.length;
    if (whole > LOOKED_AT_FROM && whole > TIGHTEST * packed) {
      throw new BadBackup(`The file unpacks to more than ${TIGHTEST} times its size: it is no backup.`);
    }
    const parts = chunk.split('\n');
    for (const [i, part] of parts.entries()) {
      line.push(part);
      length += part.length;
      if (length > LONGEST_LINE)
        throw new BadBackup('A line of the file is longer than any row: it is no backup.');
      if (i < parts.length - 1) {
        yield line.join('');
        line = [];
        length = 0;
      }
    }
  }
  if (length > 0) yield line.join('');
}

export interface RestoreOptions {
  /** Passwords, codes, PINs and links come back too: right after a power cut, not from an older backup. */
  keepAccess?: boolean;
}

/**
 * Reads a gzipped backup into an empty database, whole or not at all. No sign-in comes back; passwords and links only
 * where that is asked for, since one that was changed or revoked after the backup would be good again.
 * @throws BadBackup when the file is not a backup, is cut short or names an unknown table
 */
export async function restoreBackup(
  db: Db,
  file: Readable,
  { keepAccess = false }: RestoreOptions = {},
): Promise<{ rows: number; at: string }> {
  const tables = new Map(tablesInOrder().map((t) => [getTableName(t), t]));
  const lines = unpacked(file);
  return db.transaction(async (tx) => {
    let header: { format?: string; version?: number; at?: string } | null = null;
    let ended: number | null = null;
    let rows = 0;
    let batch: { table: PgTable; rows: Record<string, unknown>[] } | null = null;
    const flush = async () => {
      if (batch?.rows.length) await tx.insert(batch.table).values(batch.rows);
      batch = null;
    };
    for await (const text of lines) {
      const line = parseLine(text);
      if (!header) {
        header = line;
        if (header.format !== FORMAT || header.version !== 1) {
          throw new BadBackup('This file is not a Meister backup of version 1.');
        }
        continue;
      }
      if ('end' in line) {
        ended = line.end as number;
        continue;
      }
      const former = FORMER_TABLES[line.table as string];
      const table = former?.table ?? tables.get(line.table as string);
      if (!table)
        throw new BadBackup(`The backup names a table that is not known here: ${String(line.table)}.`);
      if (leftOut(table)) {
        // A version before wrote them down as well.
        rows++;
        continue;
      }
      if (batch && (batch.table !== table || batch.rows.length >= 200)) await flush();
      batch ??= { table, rows: [] };
      const row = line.row as Record<string, unknown>;
      batch.rows.push(former ? former.row(row) : row);
      rows++;
    }
    await flush();
    if (!header) throw new BadBackup('The file is empty.');
    if (ended !== rows)
      throw new BadBackup(`The backup is cut short: ${rows} rows of ${ended ?? 'unknown'}.`);
    await kitApart(tx);
    await rebuildDerived(tx);
    await knowStaff(tx);
    if (!keepAccess) await endAccess(tx, String(header.at));
    // What is counted up goes on after the highest one restored.
    for (const [table, column] of [
      ['move', 'sequence'],
      ['correction', 'id'],
    ] as const) {
      await tx.execute(
        sql`select setval(pg_get_serial_sequence(${table}, ${column}),
          (select coalesce(max(${sql.identifier(column)}), 0) + 1 from ${sql.identifier(table)}), false)`,
      );
    }
    return { rows, at: String(header.at) };
  });
}

/** No password, code, PIN or link of the backup opens anything. */
async function endAccess(tx: Db, at: string): Promise<void> {
  const none = { passwordHash: '', pinHash: null, totpSecret: null, totpPending: null, recovery: [] };
  await tx.update(schema.staff).set(none);
  for (const links of [schema.ownLink, schema.share]) {
    await tx.update(links).set({ revokedAt: at }).where(isNull(links.revokedAt));
  }
}

/**
 * A backup of a version that kept names alone: who wrote something down is told by the one name that only one of the
 * staff bears.
 */
export async function knowStaff(tx: Db): Promise<void> {
  const { faultCase, loggedSet, setRating, setVersion, staff } = schema;
  const unknown = notInArray(setRating.byId, tx.select({ id: staff.id }).from(staff));
  for (const [table, name, id, which] of [
    [loggedSet, loggedSet.loggedBy, 'logged_by_id', isNull(loggedSet.loggedById)],
    [setVersion, setVersion.loggedBy, 'logged_by_id', isNull(setVersion.loggedById)],
    [faultCase, faultCase.by, 'by_id', isNull(faultCase.byId)],
    [setRating, setRating.by, 'by_id', unknown],
  ] as const) {
    await tx.execute(sql`update ${table} set ${sql.identifier(id)} = s.id from staff s
      where s.name = ${name} and (select count(*) from staff x where x.name = s.name) = 1 and ${which}`);
  }
}

function parseLine(text: string): Record<string, unknown> {
  try {
    return JSON.parse(text) as Record<string, unknown>;
  } catch {
    throw new BadBackup('The backup holds a line that is not JSON; it may be cut short.');
  }
}
