import { sql } from 'drizzle-orm';
import type { Db } from './db.ts';

/**
 * Documents of a version before said how many of a piece the hall had and where they stood: that becomes rows of the
 * hall, and leaves the documents with all their revisions. Does nothing where there is nothing of the kind.
 */
export async function kitApart(db: Db): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.execute(sql`
      insert into kit (equipment, count, place)
      select r.slug, (r.body->>'inHall')::int, coalesce(r.body->>'where', '')
      from revision r join entry e on e.kind = r.kind and e.slug = r.slug and e.revision = r.number
      where r.kind = 'equipment' and jsonb_exists(r.body, 'inHall')
      on conflict (equipment) do nothing`);
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
