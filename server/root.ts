import { existsSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

function findRoot(): string {
  let folder = path.dirname(fileURLToPath(import.meta.url));
  while (!existsSync(path.join(folder, 'package.json'))) folder = path.dirname(folder);
  return folder;
}

/** The project's folder: the same from the source and from the built server. */
export const root = findRoot();
