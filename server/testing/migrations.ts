import { readFileSync } from 'node:fs';
import path from 'node:path';
import * as kit from 'drizzle-kit/api';
import { root } from '../root.ts';

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

/** The statements that lead from the newest migration to the schema as it is written; none where the two agree. */
export async function missingMigration(schema: object): Promise<string[]> {
  const { entries } = json<{ entries: { idx: number }[] }>('_journal.json');
  const newest = String(entries.at(-1)!.idx).padStart(4, '0');
  const before = json<Snapshot>(`${newest}_snapshot.json`);
  return generateMigration(before, generateDrizzleJson(schema, before.id));
}
