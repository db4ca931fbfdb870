import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { blankPiece } from '../../core/terms/index.ts';
import type { Piece } from '../../core/terms/index.ts';
import type { Db } from './db.ts';

/** A row of a version that knew only how many of a kind there are, as a piece. */
export const pieceFormerly = ({
  equipment,
  count,
  place,
}: Pick<Piece, 'equipment' | 'count' | 'place'>): Piece =>
  blankPiece(randomUUID(), equipment, { count, place });

/**
 * Documents of a version before said how many of a piece the hall had and where they stood: that becomes rows of the
 * hall, and leaves the documents with all their revisions. Does nothing where there is nothing of the kind.
 */
export async function kitApart(db: Db): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.execute(sql`
      insert into piece (id, equipment, form, count, place)
      select gen_random_uuid(), r.slug, 'thing', (r.body->>'inHall')::int, coalesce(r.body->>'where', '')
      from revision r join entry e on e.kind = r.kind and e.slug = r.slug and e.revision = r.number
      where r.kind = 'equipment' and jsonb_exists(r.body, 'inHall')
        and not exists (select 1 from piece p where p.equipment = r.slug)`);
    await tx.execute(sql`
      update revision set body = body - 'inHall' - 'where'
      where kind = 'equipment' and jsonb_exists(body, 'inHall')`);
    await tx.execute(sql`
      update change_item set proposed = proposed - 'inHall' - 'where', accepted = accepted - 'inHall' - 'where'
      where kind = 'equipment' and jsonb_exists(proposed, 'inHall')`);
    await tx.execute(sql`
      update draft set body = body - 'inHall' - 'where'
      where kind = 'equipment' and jsonb_exists(body, 'inHall')`);
  });
}
