import { count, eq } from 'drizzle-orm';
import type { WishRequest } from '../../contract/kit.ts';
import { MOST_WISHES } from '../../core/kit/index.ts';
import type { Wish } from '../../core/kit/index.ts';
import { schema } from '../db/index.ts';
import type { Db } from '../db/index.ts';
import { Refusal } from '../refusal.ts';

const { wish } = schema;

export const wishesOf = (db: Db): Promise<Wish[]> => db.select().from(wish).orderBy(wish.price);

/** @throws Refusal 422 beyond what is worked out together */
export async function saveWish(tx: Db, id: string, request: WishRequest): Promise<void> {
  const [known] = await tx.select({ id: wish.id }).from(wish).where(eq(wish.id, id));
  const [all] = await tx.select({ n: count() }).from(wish);
  if (!known && (all?.n ?? 0) >= MOST_WISHES)
    throw new Refusal(422, `price: the list has ${MOST_WISHES} things already. Nothing was kept.`);
  await tx
    .insert(wish)
    .values({ id, ...request })
    .onConflictDoUpdate({ target: wish.id, set: request });
}

export async function dropWish(tx: Db, id: string): Promise<void> {
  await tx.delete(wish).where(eq(wish.id, id));
}
