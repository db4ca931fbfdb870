import { schema } from '../db/index.ts';
import { makeDemoTemplate } from './demo.ts';
import { makeHallTemplate, makeServerTemplate } from './hall.ts';
import { missingMigration } from './migrations.ts';
import { hasPostgres, startPostgres } from './postgres.ts';

/**
 * Makes, once before any test needs them, the halls that each test file begins from: that of the tests, and the demo.
 * `TEST_ON=postgresql` puts every test hall on a PostgreSQL server.
 */
export default async function setup(): Promise<(() => Promise<void>) | undefined> {
  const missing = await missingMigration(schema);
  if (missing.length > 0) {
    throw new Error(
      `server/db/schema.ts and the migrations disagree; "npm run migrations -- --name …" writes what is missing:\n${missing.join('\n')}`,
    );
  }
  await makeHallTemplate();
  await makeDemoTemplate();
  if (process.env.TEST_ON !== 'postgresql') return undefined;
  if (!hasPostgres)
    throw new Error('This machine has no PostgreSQL server (Debian: apt-get install postgresql).');
  const server = await startPostgres();
  await makeServerTemplate(server.url);
  return server.close;
}
