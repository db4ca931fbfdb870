import { writeFile } from 'node:fs/promises';
import { writeLibraryFile } from '../core/exchange/index.ts';
import { madeUpLibrary } from '../core/testing/library.ts';
import { seeded } from '../core/testing/seeded.ts';

/**
 * Writes a made-up library file of any size, to be loaded into an empty hall:
 * `node --import tsx scripts/big-library.ts FILE [VARIATIONS] [CUES]`, by default 500 and 1,500.
 */
const [file, variations = '500', cues = '1500'] = process.argv.slice(2);
if (!file) {
  console.error('Say where to write it: scripts/big-library.ts FILE [VARIATIONS] [CUES]');
  process.exit(1);
}
const bodies = madeUpLibrary(seeded(1), { variations: Number(variations), cues: Number(cues) });
const edition = { number: 1, name: 'Made up', date: '2026-01-01', changesSince: 0 };
await writeFile(file, writeLibraryFile(edition, bodies));
console.log(`${bodies.length} documents written to ${file}.`);
