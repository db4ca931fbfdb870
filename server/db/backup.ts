import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import { createGunzip } from 'node:zlib';
import { getTableName, is, isNull, notInArray, sql } from 'drizzle-orm';
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core';
import type { Db } from './database.ts';
import { rebuildDerived } from './derived.ts';
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

const FORMAT = 'meister-backup';

/**
 * Everything in the database as lines of JSON: a header, then one line a row.
 * Read in one transaction, so that the tables belong together.
 */
export async function backupLines(db: Db, at: Date): Promise<string[]> {
  return db.transaction(
    async (tx) => {
      const lines = [JSON.stringify({ format: FORMAT, version: 1, at: at.toISOString() })];
      for (const table of tablesInOrder().filter((t) => !DERIVED.has(t))) {
        const name = getTableName(table);
        for (const row of await tx.select().from(table)) lines.push(JSON.stringify({ table: name, row }));
      }
      lines.push(JSON.stringify({ end: lines.length - 1 }));
      return lines;
    },
    { isolationLevel: 'repeatable read' },
  );
}

export class BadBackup extends Error {}

/**
 * Reads a gzipped backup into an empty database, whole or not at all.
 * @throws BadBackup when the file is not a backup, is cut short or names an unknown table
 */
export async function restoreBackup(db: Db, file: Readable): Promise<{ rows: number; at: string }> {
  const tables = new Map(tablesInOrder().map((t) => [getTableName(t), t]));
  const lines = createInterface({ input: file.pipe(createGunzip()), crlfDelay: Infinity });
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
      const table = tables.get(line.table as string);
      if (!table)
        throw new BadBackup(`The backup names a table that is not known here: ${String(line.table)}.`);
      if (batch && (batch.table !== table || batch.rows.length >= 200)) await flush();
      batch ??= { table, rows: [] };
      batch.rows.push(line.row as Record<string, unknown>);
      rows++;
    }
    await flush();
    if (!header) throw new BadBackup('The file is empty.');
    if (ended !== rows)
      throw new BadBackup(`The backup is cut short: ${rows} rows of ${ended ?? 'unknown'}.`);
    await rebuildDerived(tx);
    await knowStaff(tx);
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
