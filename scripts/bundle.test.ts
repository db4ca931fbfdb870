import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { expect, it } from 'vitest';
import { root } from '../server/root.ts';

const dist = path.join(root, 'dist');

// npm test builds before the unit tests; a bare `vitest run` needs `npm run build` first.
it('loads less than 160 kB of JavaScript first, and ships neither Joi nor a script in the page', () => {
  expect(existsSync(dist)).toBe(true);
  const html = readFileSync(path.join(dist, 'index.html'), 'utf8');
  const files = [...html.matchAll(/(?:src|href)="\/?(assets\/[^"]+\.js)"/g)].map((m) => m[1]!);
  expect(files.length).toBeGreaterThan(0);
  const code = files.map((f) => readFileSync(path.join(dist, f)));
  const bytes = code.reduce((sum, c) => sum + gzipSync(c).length, 0);
  expect(bytes).toBeLessThan(160_000);
  expect(Buffer.concat(code).includes('ValidationError')).toBe(false);
  expect(html).not.toMatch(/<script(?![^>]*\bsrc=)[^>]*>/);
});
