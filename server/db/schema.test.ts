import { readFileSync } from 'node:fs';
import path from 'node:path';
import * as kit from 'drizzle-kit/api';
import { expect, it } from 'vitest';
import { root } from '../root.ts';
import * as schema from './schema.ts';

interface Snapshot {
  id: string;
}
// The package's own types lean on drivers that are not installed here.
const { generateDrizzleJson, generateMigration } = kit as unknown as {
  generateDrizzleJson: (schema: object, before: string) => Snapshot;
  generateMigration: (before: Snapshot, after: Snapshot) => Promise<string[]>;
};

const meta = path.join(root, 'server/db/migrations/meta');
const json = <T>(file: string) => JSON.parse(readFileSync(path.join(meta, file), 'utf8')) as T;

it('is what the migrations lead to; `npm run migrations` writes the one that is missing', async () => {
  const { entries } = json<{ entries: { idx: number }[] }>('_journal.json');
  const last = String(entries.at(-1)!.idx).padStart(4, '0');
  const before = json<Snapshot>(`${last}_snapshot.json`);
  expect(await generateMigration(before, generateDrizzleJson(schema, before.id))).toEqual([]);
});
