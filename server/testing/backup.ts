import { readBackup } from '../db/index.ts';
import type { Db } from '../db/index.ts';

/** All lines of a backup, of a database that is small. */
export async function backupLines(db: Db, at: Date): Promise<string[]> {
  const all: string[] = [];
  await readBackup(db, at, (lines) => void all.push(...lines));
  return all;
}
