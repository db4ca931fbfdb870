import { mkdir, readdir } from 'node:fs/promises';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle as drizzlePglite } from 'drizzle-orm/pglite';
import { migrate as migratePglite } from 'drizzle-orm/pglite/migrator';
import { complaintOf } from '../complaint.ts';
import { copyFolder } from './copy-folder.ts';
import type { Db } from './db.ts';
import { makeMissingDerived } from './derived.ts';
import { root } from '../root.ts';
import * as schema from './schema.ts';
import { tellSlowQueries } from './slow.ts';
import type { Tell } from './slow.ts';
import { emptyTemplate } from './template.ts';

export interface OpenDatabase {
  db: Db;
  close: () => Promise<void>;
}

export interface EmbeddedDatabase extends OpenDatabase {
  /** The whole data folder as a tar file, from which another can begin. */
  dump: () => Promise<Blob>;
  /**
   * Copies its folder as it is between two statements, as after a power cut: what is committed is in it. Others wait
   * for what has changed while it was copied.
   */
  copyTo: (to: string) => Promise<void>;
}

const migrationsFolder = path.join(root, 'server/db/migrations');

/**
 * Opens the embedded database and brings its tables up to date.
 * @param folder where it lives; `null` for one in memory. The parent is made; a missing or empty
 *   folder is filled from a template, which is much faster than a new cluster.
 * @param options.template what a missing folder is filled from; the cached empty cluster if not given
 * @param options.tell is told of each slow query
 */
export async function openEmbedded(
  folder: string | null,
  { template, tell }: { template?: Blob; tell?: Tell | undefined } = {},
): Promise<EmbeddedDatabase> {
  const fresh = folder === null || (await isEmpty(folder));
  if (folder !== null) await mkdir(folder, { recursive: true });
  const options = fresh ? { loadDataDir: template ?? (await emptyTemplate()) } : {};
  const client = folder === null ? new PGlite(options) : new PGlite({ dataDir: folder, ...options });
  await client.waitReady;
  if (tell) tellSlowQueries(client, tell);
  const db = drizzlePglite(client, { schema });
  await migratePglite(db, { migrationsFolder });
  await makeMissingDerived(db);
  return {
    db,
    close: () => client.close(),
    dump: () => client.dumpDataDir('none'),
    copyTo: async (to) => {
      if (folder === null) throw new Error('A database in memory has no folder.');
      // What is in the files need not be read out of the log again by whoever opens the copy.
      await client.query('checkpoint');
      await copyFolder(folder, to, (work) => client.runExclusive(work));
    },
  };
}

/** A database as it stands, its tables not brought up to date: the embedded one of a folder, or a server. */
export async function openAsIs(where: { folder: string } | { url: string }): Promise<OpenDatabase> {
  if ('folder' in where) {
    const client = new PGlite({ dataDir: where.folder });
    await client.waitReady;
    return { db: drizzlePglite(client, { schema }), close: () => client.close() };
  }
  const { default: pg } = await import('pg');
  const { drizzle } = await import('drizzle-orm/node-postgres');
  const client = new pg.Pool({ connectionString: where.url, ...PATIENCE, max: 1 });
  return { db: drizzle(client, { schema }), close: () => client.end() };
}

/** How long anything may take on a server, ms: nobody waits for ever for what does not come. */
const PATIENCE = {
  max: 10,
  connectionTimeoutMillis: 10_000,
  statement_timeout: 60_000,
  lock_timeout: 20_000,
  idle_in_transaction_session_timeout: 60_000,
};
/** Any number that nobody else locks. */
const STARTING = 4_180_001;

/** Opens a PostgreSQL server (15 or newer) and brings its tables up to date; `tell` is told of each slow query. */
export async function openServer(url: string, tell?: Tell): Promise<OpenDatabase> {
  const { default: pg } = await import('pg');
  const { drizzle } = await import('drizzle-orm/node-postgres');
  const { migrate } = await import('drizzle-orm/node-postgres/migrator');
  const pool = new pg.Pool({ connectionString: url, ...PATIENCE });
  // A connection that lies idle when the database stops is gone; the next request opens another.
  pool.on('error', (error) => console.error(`A connection to the database ended: ${complaintOf(error)}`));
  if (tell) pool.on('connect', (client) => tellSlowQueries(client, tell));
  const db = drizzle(pool, { schema });
  // Of two servers that start on one empty database, one makes the tables and the other waits.
  const first = await pool.connect();
  try {
    await first.query('select pg_advisory_lock($1)', [STARTING]);
    const own = drizzle(first, { schema });
    await migrate(own, { migrationsFolder });
    await makeMissingDerived(own);
  } finally {
    await first.query('select pg_advisory_unlock($1)', [STARTING]).catch(() => undefined);
    first.release();
  }
  return { db, close: () => pool.end() };
}

async function isEmpty(folder: string): Promise<boolean> {
  try {
    return (await readdir(folder)).length === 0;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return true;
    throw error;
  }
}
