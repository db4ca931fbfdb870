import { integer, pgTable } from 'drizzle-orm/pg-core';
import { expect, it } from 'vitest';
import { missingMigration } from '../testing/migrations.ts';
import * as schema from './schema.ts';

it('is what the migrations lead to; `npm run migrations` writes the one that is missing', async () => {
  expect(await missingMigration(schema)).toEqual([]);
});

it('with one table more wants a migration', async () => {
  const planted = pgTable('planted', { id: integer().primaryKey() });
  expect((await missingMigration({ ...schema, planted })).join()).toContain('CREATE TABLE "planted"');
});
