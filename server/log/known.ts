import { and, eq } from 'drizzle-orm';
import { daysAfter } from '../../core/terms/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../http.ts';

const { revision } = schema;

/** @throws Refusal 422 for a day in the future; `kept` says what is not kept then */
export function refuseFuture(date: string, today: string, kept: string): void {
  // One day of grace: a tablet may have rolled over to the next day just before the server.
  if (date > daysAfter(today, 1)) throw new Refusal(422, `date: ${date} lies in the future. ${kept}`);
}

/** @throws Refusal 422 where the variation has no such revision; `kept` says what is not kept then */
export async function refuseUnknownRevision(
  tx: Db,
  variation: string,
  number: number,
  kept: string,
): Promise<void> {
  const [known] = await tx
    .select({ number: revision.number })
    .from(revision)
    .where(and(eq(revision.kind, 'variation'), eq(revision.slug, variation), eq(revision.number, number)));
  if (!known) {
    throw new Refusal(422, `variation: there is no revision ${number} of "${variation}". ${kept}`);
  }
}
