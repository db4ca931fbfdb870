import { readFile, stat } from 'node:fs/promises';
import path from 'node:path';
import { libraryFileSchema } from '../../contract/library.ts';
import type { EditionHeader, LibraryFile } from '../../core/exchange/index.ts';
import { cutToPattern } from '../../core/library/index.ts';
import type { Body } from '../../core/library/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import { LIBRARY_FILE } from '../bounds.ts';
import { check, readJson } from '../http.ts';
import { root } from '../root.ts';
import { withoutKit } from './kit.ts';

/** The library that comes with the application: a hall's own from the moment it begins with it. */
export const shippedLibraryFile = path.join(root, 'server/library/shipped.json');

/** The shipped library, read once for each version of its file. */
interface Shipped {
  edition: EditionHeader;
  documents: Body[];
}
interface Version {
  changed: number;
  whole: Promise<Shipped>;
  cuts: Map<Pattern, Body[]>;
}
const read = new Map<string, Version>();

/** What the library that comes with the application holds; of one pattern only, where the hall began with that. */
export async function shippedIn(file: string, only: Pattern | null): Promise<Shipped> {
  const { mtimeMs } = await stat(file);
  const known = read.get(file);
  const version: Version =
    known?.changed === mtimeMs ? known : { changed: mtimeMs, whole: parsed(file), cuts: new Map() };
  read.set(file, version);
  const { edition, documents } = await version.whole;
  if (only === null) return { edition, documents };
  const cut = version.cuts.get(only) ?? cutToPattern(documents, only);
  version.cuts.set(only, cut);
  return { edition, documents: cut };
}

/** @throws Refusal 422 when the file that the hall was given is none, with what is wrong in it */
async function parsed(file: string): Promise<Shipped> {
  const text = await readFile(file, 'utf8');
  // The one that comes along is held sound by its tests.
  const { edition, documents } =
    file === shippedLibraryFile
      ? (JSON.parse(text) as LibraryFile)
      : check<LibraryFile>(libraryFileSchema, readJson(text, LIBRARY_FILE));
  return { edition, documents: documents.map(withoutKit) };
}
