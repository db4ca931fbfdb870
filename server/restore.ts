import { createReadStream } from 'node:fs';
import { access, mkdir, readdir } from 'node:fs/promises';
import path from 'node:path';
import { BadBackup, lockFolder, openEmbedded, restoreBackup } from './db/index.ts';

/** Reads a backup into a new data folder; refuses a folder that holds anything. */
async function main(): Promise<void> {
  const [file, folder] = process.argv.slice(2);
  if (!file || !folder) {
    console.error('Use: npm run restore -- BACKUP.ndjson.gz NEW-FOLDER');
    process.exit(2);
  }
  await access(file).catch(() => {
    throw new BadBackup(`There is no file ${file}.`);
  });
  await mkdir(folder, { recursive: true });
  if ((await readdir(folder)).length > 0) {
    throw new BadBackup(`The folder ${folder} is not empty. Name a new one; nothing was changed.`);
  }
  const unlock = await lockFolder(folder);
  const { db, close } = await openEmbedded(path.join(folder, 'db'));
  try {
    const { rows, at } = await restoreBackup(db, createReadStream(file));
    console.log(`Restored ${rows} rows as they were at ${at}. Start with MEISTER_DATA=${folder} npm start`);
  } finally {
    await close();
    await unlock();
  }
}

main().catch((error: unknown) => {
  const broken = error instanceof BadBackup || (error as { code?: string }).code?.startsWith('Z_');
  console.error(
    broken ? `${(error as Error).message} Nothing usable was restored; delete the new folder.` : error,
  );
  process.exit(1);
});
