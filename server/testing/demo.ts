import { mkdir, readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { openEmbedded } from '../db/index.ts';
import type { EmbeddedDatabase } from '../db/index.ts';
import { loadDemo } from '../demo/index.ts';
import { root } from '../root.ts';

/** The day on which the tests' demo hall stands. */
export const DEMO_TODAY = '2026-11-24';
export const DEMO_NOW = new Date(`${DEMO_TODAY}T12:00:00Z`);

const template = path.join(root, '.cache', 'test-demo.tar');

/** Writes the demo hall that test files begin from. */
export async function makeDemoTemplate(): Promise<void> {
  const { db, dump, close } = await openEmbedded(null);
  await loadDemo(db, DEMO_NOW);
  await mkdir(path.dirname(template), { recursive: true });
  await writeFile(template, Buffer.from(await (await dump()).arrayBuffer()));
  await close();
}

/** The demo hall in a database of its own: in a folder, or in memory. */
export const demoDatabase = async (folder: string | null = null): Promise<EmbeddedDatabase> =>
  openEmbedded(folder, { template: new Blob([await readFile(template)]) });
