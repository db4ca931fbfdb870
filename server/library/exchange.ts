import { randomUUID } from 'node:crypto';
import { breachesOf, documentId, shelfOf } from '../../core/library/index.ts';
import { libraryFileSchema } from '../../contract/library.ts';
import type { LibraryFile } from '../../core/exchange/index.ts';
import { pieceFormerly, schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import type { OpenContext } from '../endpoint.ts';
import { editionHeader } from '../hall/index.ts';
import { LIBRARY_FILE } from '../bounds.ts';
import { check, readJson, Refusal } from '../http.ts';
import { proposeItems, putInForce } from './changes.ts';
import { putPieces } from '../kit/index.ts';
import { kitFormerly, withoutKit } from './kit.ts';
import { shelfInForce } from './shelf.ts';

const { change, edition } = schema;

/** The library in force as one canonical text. */
export async function exportLibrary({
  db,
  inForce,
  work,
}: Pick<OpenContext, 'db' | 'inForce' | 'work'>): Promise<string> {
  return work('libraryFile', inForce, { edition: await editionHeader(db) });
}

/**
 * Loads a library file into a hall that has no documents yet: whole, as one accepted change.
 * The edition comes with it, so that exporting again gives the same bytes.
 * @throws Refusal 409 when the hall has documents, 422 with the list of what is wrong
 */
export async function importLibrary(tx: Db, text: string, by: string, at: Date): Promise<number> {
  const file = check<LibraryFile>(libraryFileSchema, readJson(text, LIBRARY_FILE));
  const ids = file.documents.map(documentId);
  const twice = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twice) throw new Refusal(422, `documents: "${twice}" stands in the file twice. Nothing was imported.`);
  // Told before the transaction writes anything, with all that is wrong rather than the first.
  const breaches = breachesOf(shelfOf(file.documents));
  if (breaches.length > 0) {
    throw new Refusal(
      422,
      `The file has ${breaches.length} broken references or names. Nothing was imported.`,
      {
        errors: breaches.slice(0, 200).map((b) => ({ field: `${b.document} ${b.path}`, detail: b.problem })),
      },
    );
  }
  const { shelf } = await shelfInForce(tx);
  if (shelf.everything().length > 0) {
    throw new Refusal(
      409,
      'This hall has a library already; a file is loaded into an empty hall only. Nothing was imported.',
    );
  }
  const changeId = randomUUID();
  await tx.insert(change).values({
    id: changeId,
    author: by,
    reason: `Imported: edition ${file.edition.number}, ${file.edition.name}`,
    state: 'accepted',
    createdAt: at.toISOString(),
    decidedBy: by,
    decidedAt: at.toISOString(),
  });
  const items = file.documents.map((body) => ({ body: withoutKit(body), base: 0 }));
  await proposeItems(tx, changeId, items);
  const state = await putInForce(tx, { changeId, items, author: by, at });
  await putPieces(
    tx,
    kitFormerly(file.documents).map((row) => ({ ...pieceFormerly(row), edit: 0 })),
    { by, byId: null, at },
  );
  await tx.delete(edition);
  await tx.insert(edition).values({
    number: file.edition.number,
    name: file.edition.name,
    date: file.edition.date,
    stateNumber: state - file.edition.changesSince,
  });
  return file.documents.length;
}
