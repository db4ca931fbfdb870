import { createReadStream } from 'node:fs';
import { access, mkdir, readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { BadBackup, lockFolder, openEmbedded, restoreBackup } from './db/index.ts';

/** Reads a backup into a new data folder; refuses a folder that holds anything. */
async function main(): Promise<void> {
  const [file, folder] = process.argv.slice(2);
  if (!file || !folder) throw new BadBackup('Use: npm run restore -- BACKUP.ndjson.gz NEW-FOLDER');
  await access(file).catch(() => {
    throw new BadBackup(`There is no file ${file}.`);
  });
  await mkdir(folder, { recursive: true });
  if ((await readdir(folder)).length > 0) {
    throw new BadBackup(`The folder ${folder} is not empty. Name a new one.`);
  }
  const unlock = await lockFolder(folder);
  const database = await openEmbedded(path.join(folder, 'db'));
  try {
    const { rows, at } = await restoreBackup(database.db, createReadStream(file));
    await database.close();
    await unlock();
    console.log(`Restored ${rows} rows as they were at ${at}.`);
    console.log(`Start with: MEISTER_DATA=${folder} npm start`);
  } catch (error) {
    await database.close();
    await rm(folder, { recursive: true, force: true });
    throw error;
  }
}

main().catch((error: unknown) => {
  const unreadable = (error as { code?: string }).code?.startsWith('Z_');
  if (error instanceof BadBackup) console.error(`${error.message} Nothing was restored.`);
  else if (unreadable)
    console.error('This file is not a gzipped backup, or it is damaged. Nothing was restored.');
  else console.error(error);
  process.exit(1);
});
