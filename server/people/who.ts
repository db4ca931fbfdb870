import { and, eq, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import type { SQL } from 'drizzle-orm';
import type { Me } from '../../contract/access.ts';

/**
 * Whether somebody wrote a row down: by their id; by their name only where a version before kept no id, since two of the
 * staff may bear one name.
 */
export const isBy = (me: Pick<Me, 'id' | 'name'>, byId: string | null, by: string): boolean =>
  byId === null ? by === me.name : byId === me.id;

/** The same, where the database looks. */
export const isBySql = (me: Pick<Me, 'id' | 'name'>, byId: AnyPgColumn, by: AnyPgColumn): SQL =>
  or(and(isNotNull(byId), eq(byId, me.id)), and(isNull(byId), eq(by, me.name))) ?? sql`false`;
