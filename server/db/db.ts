import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import type * as schema from './schema.ts';

/** Either driver, and a transaction of either. */
export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;
