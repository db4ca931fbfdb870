import { eq } from 'drizzle-orm';
import { schema } from './db/index.ts';
import type { Db } from './db/index.ts';
import type { Finders } from './endpoint.ts';

const { cover, footLoad, loggedSet, ownLink, rangeTest, restriction, session, share } = schema;

/** Whose a row is, by its id. */
const inTable =
  (
    table:
      typeof cover | typeof footLoad | typeof ownLink | typeof rangeTest | typeof restriction | typeof share,
  ) =>
  async (db: Db, id: string): Promise<string | null> => {
    const [row] = await db.select({ personId: table.personId }).from(table).where(eq(table.id, id));
    return row?.personId ?? null;
  };

async function ofSet(db: Db, id: string): Promise<string | null> {
  const [row] = await db
    .select({ personId: session.personId })
    .from(loggedSet)
    .innerJoin(session, eq(session.id, loggedSet.sessionId))
    .where(eq(loggedSet.id, id));
  return row?.personId ?? null;
}

/** For the guard: whose something is that an address names by the thing's own id. */
export const FINDERS: Finders = {
  deleteSet: ofSet,
  rateSet: ofSet,
  dropRangeTest: inTable(rangeTest),
  dropFootLoad: inTable(footLoad),
  endCover: inTable(cover),
  liftRestriction: inTable(restriction),
  revokeOwnLink: inTable(ownLink),
  revokeShare: inTable(share),
};
