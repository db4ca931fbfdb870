import { schema } from '../db/index.ts';
import { makeDemoTemplate } from './demo.ts';
import { makeHallTemplate } from './hall.ts';
import { missingMigration } from './migrations.ts';

/** Makes, once before any test needs them, the halls that each test file begins from: that of the tests, and the demo. */
export default async function setup(): Promise<void> {
  const missing = await missingMigration(schema);
  if (missing.length > 0) {
    throw new Error(
      `server/db/schema.ts and the migrations disagree; "npm run migrations -- --name …" writes what is missing:\n${missing.join('\n')}`,
    );
  }
  await makeHallTemplate();
  await makeDemoTemplate();
}
