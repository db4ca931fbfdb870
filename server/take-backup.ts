import { openAsIs, writeBackup } from './db/index.ts';

/** A process of its own: writes a backup of a copy of the embedded database, or of a server, into a file. */
async function main(): Promise<void> {
  process.umask(0o077);
  const [at, file] = process.argv.slice(2);
  const { DATABASE_URL: url, MEISTER_COPY: folder } = process.env;
  if (!at || !file || (!url && !folder))
    throw new Error('Started by the server, with what to read and where to write.');
  const { db, close } = await openAsIs(url ? { url } : { folder: folder! });
  try {
    await writeBackup(db, new Date(at), file);
  } finally {
    await close();
  }
}

await main();
