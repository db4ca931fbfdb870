import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type { ShippedLibrary } from '../../contract/library.ts';
import type { LibraryFile } from '../../core/exchange/index.ts';
import type { Db } from '../db/index.ts';
import { root } from '../root.ts';
import { importLibrary } from './exchange.ts';

/** The library that comes with the application: a hall's own from the moment it begins with it. */
export const shippedLibraryFile = path.join(root, 'server/library/shipped.json');

/** What the library that comes with the application holds, and who wrote it. */
export async function shippedLibrary(): Promise<ShippedLibrary> {
  const { edition, documents } = JSON.parse(await readFile(shippedLibraryFile, 'utf8')) as LibraryFile;
  const count = (kind: string) => documents.filter((d) => d.kind === kind).length;
  return {
    edition: { number: edition.number, name: edition.name, date: edition.date },
    authors: [...new Set(documents.map((d) => d.author))].sort(),
    variations: count('variation'),
    ladders: count('ladder'),
    faults: count('fault'),
  };
}

/** Begins an empty hall with it. @throws Refusal 409 when the hall has documents */
export const beginWithShipped = async (tx: Db, by: string, at: Date): Promise<number> =>
  importLibrary(tx, await readFile(shippedLibraryFile, 'utf8'), by, at);
