import { createReadStream } from 'node:fs';
import { access, mkdir, readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { BadBackup, lockFolder, openEmbedded, openServer, restoreBackup, schema } from './db/index.ts';
import type { RestoreOptions } from './db/index.ts';

const USE = `Use: npm run restore -- BACKUP.ndjson.gz NEW-FOLDER [--keep-access]
     npm run restore -- BACKUP.ndjson.gz --to postgres://… [--keep-access]
--keep-access brings passwords and links back as well: for the newest snapshot after a power cut.`;

/** Reads a backup into a new data folder, or into an empty database of a server. */
async function main(): Promise<void> {
  process.umask(0o077);
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { to: { type: 'string' }, 'keep-access': { type: 'boolean', default: false } },
  });
  const [file, folder] = positionals;
  const options = { keepAccess: values['keep-access'] };
  if (!file || (folder === undefined) === (values.to === undefined)) throw new BadBackup(USE);
  await access(file).catch(() => {
    throw new BadBackup(`There is no file ${file}.`);
  });
  const { rows, at } = values.to
    ? await toServer(file, values.to, options)
    : await toFolder(file, folder!, options);
  console.log(`Restored ${rows} rows as they were at ${at}.`);
  console.log(
    values.to ? 'Start with DATABASE_URL set to it.' : `Start with: MEISTER_DATA=${folder} npm start`,
  );
  if (!options.keepAccess) {
    console.log('Passwords and links of the backup open nothing. Give the head coach a new password with:');
    console.log(`  ${values.to ? '' : `MEISTER_DATA=${folder} `}npm run reset -- SIGN-IN-NAME`);
  }
}

async function toFolder(file: string, folder: string, options: RestoreOptions) {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  if ((await readdir(folder)).length > 0) {
    throw new BadBackup(`The folder ${folder} is not empty. Name a new one.`);
  }
  const unlock = await lockFolder(folder);
  const database = await openEmbedded(path.join(folder, 'db'));
  try {
    const restored = await restoreBackup(database.db, createReadStream(file), options);
    await database.close();
    await unlock();
    return restored;
  } catch (error) {
    await database.close();
    await rm(folder, { recursive: true, force: true });
    throw error;
  }
}

async function toServer(file: string, url: string, options: RestoreOptions) {
  const { db, close } = await openServer(url);
  try {
    const [hall] = await db.select({ id: schema.hall.id }).from(schema.hall);
    if (hall) throw new BadBackup('There is a hall in that database. Name an empty one.');
    return await restoreBackup(db, createReadStream(file), options);
  } finally {
    await close();
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
