import { spawn } from 'node:child_process';
import { mkdir, mkdtemp, readFile, rm } from 'node:fs/promises';
import { setPriority } from 'node:os';
import path from 'node:path';
import { root } from '../root.ts';
import { writeBackup } from './backup.ts';
import type { Db } from './db.ts';

/** Writes a backup of everything that is committed now into a new file. */
export type TakeBackup = (at: Date, file: string) => Promise<void>;

/** In this process: others wait for all of it. For small databases and those in memory. */
export const backupHere =
  (db: Db): TakeBackup =>
  (at, file) =>
    writeBackup(db, at, file);

/** Where the backup is read from: a copy of the embedded database, or a server. */
type Source = { copyTo: (to: string) => Promise<void>; copy: string } | { url: string };

/**
 * In a process of its own that steps back behind this one. Of the embedded database, which does one thing at a time, a
 * copy of the folder is read: others wait for the copy alone.
 */
export function backupApart(from: Source): TakeBackup {
  let running: Promise<void> = Promise.resolve();
  const one = async (at: Date, file: string) => {
    if ('url' in from) return run({ DATABASE_URL: from.url }, at, file);
    const { copy } = from;
    // One of a process that was killed may still be there.
    await rm(copy, { recursive: true, force: true });
    await mkdir(copy, { recursive: true, mode: 0o700 });
    try {
      await from.copyTo(copy);
      await run({ DATABASE_URL: '', MEISTER_COPY: copy }, at, file);
    } finally {
      await rm(copy, { recursive: true, force: true });
    }
  };
  return (at, file) => {
    running = running.catch(() => undefined).then(() => one(at, file));
    return running;
  };
}

/** A backup in memory, to be handed out; `folder` takes it for the moment. */
export async function backupFile(
  take: TakeBackup,
  at: Date,
  folder: string,
): Promise<Uint8Array<ArrayBuffer>> {
  const own = await mkdtemp(path.join(folder, '.backup-'));
  try {
    const file = path.join(own, 'backup.ndjson.gz');
    await take(at, file);
    return new Uint8Array(await readFile(file));
  } finally {
    await rm(own, { recursive: true, force: true });
  }
}

async function run(env: Record<string, string>, at: Date, file: string): Promise<void> {
  const source = import.meta.url.endsWith('.ts');
  const program = path.join(root, source ? 'server/take-backup.ts' : 'dist-server/take-backup.js');
  // It lives for seconds: the embedded database is not optimised, which would take half of them.
  const flags = [...(source ? ['--import', 'tsx'] : [])];
  const child = spawn(process.execPath, [...flags, program, at.toISOString(), file], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  const ended = new Promise<number | null>((done, fail) => {
    child.once('error', fail);
    child.once('exit', done);
  });
  try {
    if (child.pid !== undefined) setPriority(child.pid, STEPS_BACK);
  } catch {
    // Where that is not permitted it is only less considerate.
  }
  const code = await ended;
  if (code !== 0) throw new Error(`The backup was not written: ${said.trim().slice(-2_000) || code}`);
}

/** Of -20 to 19; 0 is usual. */
const STEPS_BACK = 10;
