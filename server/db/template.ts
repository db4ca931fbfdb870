import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { root } from '../root.ts';

const cacheFolder = path.join(root, '.cache');

/**
 * An empty database cluster as a tar file, made once per version of the embedded database and kept
 * in `.cache/`: a fresh cluster takes many seconds, loading this one about a second.
 */
export async function emptyTemplate(): Promise<Blob> {
  const manifest = path.join(root, 'node_modules/@electric-sql/pglite/package.json');
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
