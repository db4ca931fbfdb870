import { mkdir, open, readdir, rename, rm, unlink } from 'node:fs/promises';
import path from 'node:path';
import { complaintOf } from '../complaint.ts';
import type { TakeBackup } from './apart.ts';

/** Newest kept in any case, and beyond them the last of each day. */
const KEEP_NEWEST = 12;
const KEEP_DAYS = 14;

export interface Snapshots {
  /** Something was written: the next round takes a snapshot. */
  changed(): void;
  /** Everything acknowledged before this moment is in a snapshot; null while there is none. */
  coveredUntil(): string | null;
  /** Takes one now, if anything changed since the last. */
  take(): Promise<void>;
  stop(): Promise<void>;
}

/**
 * Keeps snapshots of the database in a folder. The embedded database runs without fsync; a snapshot
 * is synced to the disk and only then renamed, so the newest one always survives a power cut.
 */
export function keepSnapshots(
  takeBackup: TakeBackup,
  folder: string,
  clock: () => Date,
  everyMs: number,
): Snapshots {
  let dirty = true;
  let covered: string | null = null;
  let running: Promise<void> = Promise.resolve();

  const takeOne = async () => {
    if (!dirty) return;
    dirty = false;
    const at = clock();
    try {
      await mkdir(folder, { recursive: true, mode: 0o700 });
      const next = Math.max(0, ...(await names(folder)).map(numberOf)) + 1;
      const name = `meister-${at.toISOString().replaceAll(':', '-')}-${String(next).padStart(8, '0')}.ndjson.gz`;
      const partial = path.join(folder, `.${name}.part`);
      await rm(partial, { force: true });
      await takeBackup(at, partial);
      await rename(partial, path.join(folder, name));
      await syncFolder(folder);
      covered = at.toISOString();
      await rotate(folder);
    } catch (error) {
      dirty = true;
      throw error;
    }
  };
  const take = () => {
    running = running.catch(() => undefined).then(takeOne);
    return running;
  };
  const timer = setInterval(() => {
    take().catch((error: unknown) => console.error('A snapshot could not be written:', complaintOf(error)));
  }, everyMs);
  timer.unref();

  return {
    changed: () => void (dirty = true),
    coveredUntil: () => covered,
    take,
    stop: async () => {
      clearInterval(timer);
      await take();
    },
  };
}

async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r');
  await handle.sync();
  await handle.close();
}

/**
 * Snapshots are counted: which is newer does not hang on the clock, which may have run ahead and been put back. One of a
 * version that did not count is older than all that are.
 */
const numberOf = (name: string): number => Number(/Z-(\d+)\.ndjson\.gz$/.exec(name)?.[1] ?? 0);
const newestFirst = (all: readonly string[]): string[] =>
  [...all].sort((a, b) => numberOf(b) - numberOf(a) || (a < b ? 1 : -1));

async function names(folder: string): Promise<string[]> {
  const all = await readdir(folder).catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return [];
    throw error;
  });
  return all.filter((n) => n.startsWith('meister-') && n.endsWith('.ndjson.gz'));
}

/** The path of the newest snapshot in a folder; null: there is none. */
export async function newestSnapshot(folder: string): Promise<string | null> {
  const [newest] = newestFirst(await names(folder));
  return newest ? path.join(folder, newest) : null;
}

/** Names to delete, given all names: keeps the newest ones and the last of each of the newest days. */
export function toDelete(all: readonly string[]): string[] {
  const ordered = newestFirst(all);
  const lastOfDay = new Map<string, string>();
  for (const name of ordered) {
    const day = name.slice('meister-'.length, 'meister-2026-11-24'.length);
    if (!lastOfDay.has(day)) lastOfDay.set(day, name);
  }
  const kept = new Set([...ordered.slice(0, KEEP_NEWEST), ...[...lastOfDay.values()].slice(0, KEEP_DAYS)]);
  return ordered.filter((name) => !kept.has(name));
}

async function rotate(folder: string): Promise<void> {
  for (const name of toDelete(await names(folder))) await unlink(path.join(folder, name));
}
