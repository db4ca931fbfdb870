import { readFile } from 'node:fs/promises';
import type { ShippedLibrary } from '../../contract/library.ts';
import { writeLibraryFile } from '../../core/exchange/index.ts';
import { PATTERNS } from '../../core/terms/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { importLibrary } from './exchange.ts';
import { keepOrigins } from './newer.ts';
import { shippedIn, shippedLibraryFile } from './shipped-file.ts';

/** What the library that comes with the application holds, in all and of each pattern, and who wrote it. */
export async function shippedLibrary(file: string): Promise<ShippedLibrary> {
  const { edition, documents } = await shippedIn(file, null);
  const count = (of: typeof documents, kind: string) => of.filter((d) => d.kind === kind).length;
  const counts = (of: typeof documents) => ({
    variations: count(of, 'variation'),
    ladders: count(of, 'ladder'),
    faults: count(of, 'fault'),
  });
  return {
    edition: { number: edition.number, name: edition.name, date: edition.date },
    authors: [...new Set(documents.map((d) => d.author))].sort(),
    ...counts(documents),
    patterns: await Promise.all(
      PATTERNS.map(async (pattern) => ({ pattern, ...counts((await shippedIn(file, pattern)).documents) })),
    ),
  };
}

/**
 * Begins an empty hall with it, whole or one pattern of it, and keeps what each document came from.
 * @throws Refusal 409 when the hall has documents
 */
export async function beginWithShipped(
  tx: Db,
  by: string,
  at: Date,
  { file = shippedLibraryFile, only = null }: { file?: string; only?: Pattern | null } = {},
): Promise<number> {
  const { edition, documents } = await shippedIn(file, only);
  const text = only === null ? await readFile(file, 'utf8') : writeLibraryFile(edition, documents);
  const imported = await importLibrary(tx, text, by, at);
  await keepOrigins(tx, documents);
  await tx.update(schema.hall).set({ beganWith: only });
  return imported;
}
