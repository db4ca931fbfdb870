import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';

const cacheFolder = fileURLToPath(new URL('../../.cache', import.meta.url));

/**
 * An empty database cluster as a tar file, made once per version of the embedded database and kept
 * in `.cache/`: a fresh cluster takes many seconds, loading this one about a second.
 */
export async function emptyTemplate(): Promise<Blob> {
  const require = createRequire(import.meta.url);
  const entry = require.resolve('@electric-sql/pglite');
  const manifest = path.join(entry.slice(0, entry.lastIndexOf('pglite') + 'pglite'.length), 'package.json');
  const { version } = JSON.parse(await readFile(manifest, 'utf8')) as { version: string };
  const file = path.join(cacheFolder, `empty-${version}.tar`);
  try {
    return new Blob([await readFile(file)]);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
  }
  const client = new PGlite();
  await client.waitReady;
  const dump = await client.dumpDataDir('none');
  await client.close();
  await mkdir(cacheFolder, { recursive: true });
  // Written beside and renamed, so that a second process never reads half a file.
  const partial = `${file}.${process.pid}`;
  await writeFile(partial, Buffer.from(await dump.arrayBuffer()));
  await rename(partial, file);
  return dump;
}
