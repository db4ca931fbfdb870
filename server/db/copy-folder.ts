import type { Dirent } from 'node:fs';
import { copyFile, mkdir, readdir, rm, stat } from 'node:fs/promises';
import path from 'node:path';

/** Clocks of files tick coarsely: what was written so recently may be written again in the same tick. */
const RECENT_MS = 2_000;

interface Seen {
  size: number;
  writtenMs: number;
  /** So recently written that a further write might not show. */
  recent: boolean;
}

/**
 * Copies a folder in which others write, in two passes: everything, and then, while nobody writes, what has changed
 * meanwhile. Of a database of a thousand files that keeps others waiting for a tenth of the time or less.
 * @param alone runs what it is given while nobody writes
 */
export async function copyFolder(
  from: string,
  to: string,
  alone: (work: () => Promise<void>) => Promise<void>,
): Promise<void> {
  const copied = new Map<string, Seen>();
  const pass = async () => {
    const all = await readdir(from, { recursive: true, withFileTypes: true });
    const nameOf = (e: Dirent) => path.join(path.relative(from, e.parentPath), e.name);
    for (const e of all) if (e.isDirectory()) await mkdir(path.join(to, nameOf(e)), { recursive: true });
    const files = all.filter((e) => e.isFile()).map(nameOf);
    await Promise.all(files.map(copyOne));
    const there = new Set(files);
    for (const name of copied.keys()) if (!there.has(name)) await rm(path.join(to, name), { force: true });
  };
  const copyOne = async (name: string) => {
    try {
      const { size, mtimeMs } = await stat(path.join(from, name));
      const before = copied.get(name);
      if (before && !before.recent && before.size === size && before.writtenMs === mtimeMs) return;
      copied.set(name, { size, writtenMs: mtimeMs, recent: mtimeMs > Date.now() - RECENT_MS });
      await copyFile(path.join(from, name), path.join(to, name));
    } catch (error) {
      // Gone since the folder was read: the second pass takes it away here too.
      if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
    }
  };
  await pass();
  await alone(pass);
}
