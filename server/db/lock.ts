import { mkdir, open, readFile, rename, unlink } from 'node:fs/promises';
import path from 'node:path';

export class FolderInUse extends Error {}

interface Owner {
  pid: number;
  /** Start of the process in clock ticks, where the system tells: a reused pid is not the owner. */
  started: string | null;
}

async function startOf(pid: number): Promise<string | null> {
  try {
    const stat = await readFile(`/proc/${pid}/stat`, 'utf8');
    // Field 22, counted after the command name, which may hold blanks.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
}

async function alive(owner: Owner): Promise<boolean> {
  try {
    process.kill(owner.pid, 0);
  } catch (error) {
    // EPERM: it runs, but belongs to somebody else.
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  return owner.started === null || (await startOf(owner.pid)) === owner.started;
}

/**
 * Takes the data folder for this process; the embedded database has no lock of its own, and two
 * processes on one folder lose each other's rows. The lock of a dead process is taken over.
 * @returns a function that gives the folder back
 * @throws FolderInUse when a living process holds it
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  await mkdir(folder, { recursive: true });
  const file = path.join(folder, 'lock.json');
  const me: Owner = { pid: process.pid, started: await startOf(process.pid) };
  for (let attempt = 0; attempt < 5; attempt++) {
    try {
      const handle = await open(file, 'wx');
      await handle.writeFile(JSON.stringify(me));
      await handle.sync();
      await handle.close();
      return () => unlink(file).catch(() => undefined);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const owner = await readOwner(file);
    if (owner && (await alive(owner))) {
      throw new FolderInUse(
        `The data folder ${folder} is in use by process ${owner.pid}. ` +
          'Stop that one first, or set MEISTER_DATA to another folder.',
      );
    }
    // Moved aside rather than deleted: of two processes only one can move it.
    await rename(file, `${file}.stale.${process.pid}`).catch(() => undefined);
    await unlink(`${file}.stale.${process.pid}`).catch(() => undefined);
  }
  throw new FolderInUse(`The data folder ${folder} could not be locked.`);
}

async function readOwner(file: string): Promise<Owner | null> {
  for (let attempt = 0; attempt < 10; attempt++) {
    try {
      return JSON.parse(await readFile(file, 'utf8')) as Owner;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
      // Being written this very moment.
      await new Promise((done) => setTimeout(done, 20));
    }
  }
  return null;
}
