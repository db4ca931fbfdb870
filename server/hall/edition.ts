import type { EditionHeader } from '../../core/exchange/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';

const { edition, hall } = schema;

/** The newest edition and how many changes were accepted since. */
export async function editionHeader(db: Db): Promise<EditionHeader> {
  const [row] = await db.select({ state: hall.stateNumber }).from(hall);
  const editions = await db.select().from(edition);
  const last = editions.sort((a, b) => b.number - a.number)[0];
  // Before the first edition is named, the empty library is edition 1.
  if (!last) return { number: 1, name: 'First', date: '1970-01-01', changesSince: row?.state ?? 0 };
  return {
    number: last.number,
    name: last.name,
    date: last.date,
    changesSince: (row?.state ?? 0) - last.stateNumber,
  };
}
