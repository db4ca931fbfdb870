import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { cruise } from 'dependency-cruiser';
import type { ICruiseResult } from 'dependency-cruiser';
import extractDepcruiseConfig from 'dependency-cruiser/config-utl/extract-depcruise-config';
import { ESLint, Linter } from 'eslint';
import tseslint from 'typescript-eslint';
import { expect, it } from 'vitest';
import { root } from '../server/root.ts';
import { noCastToContract, noPathLiterals } from './lint-rules.mjs';

const linted = (code: string): string[] =>
  new Linter()
    .verify(code, {
      languageOptions: { parser: tseslint.parser },
      plugins: { house: { rules: { 'no-cast-to-contract': noCastToContract } } },
      rules: { 'house/no-cast-to-contract': 'error', 'no-restricted-syntax': ['error', ...noPathLiterals] },
    })
    .map((m) => m.message);

it.each([
  [
    "import type { Person } from '../../contract/people.ts'; export const a = (x: unknown) => x as Person[];",
    'No cast to Person',
  ],
  [
    "import type * as P from '../contract/people.ts'; export const a = (x: unknown) => <P.Person>x;",
    'No cast to P',
  ],
  [
    "import type { Shown } from '../../core/floor/index.ts'; export const a = (x: object) => x as Shown<object>;",
    'No cast to Shown',
  ],
  ["export const a = '/api/people';", 'Addresses stand in'],
  ['export const a = (id: string) => `/api/people/${id}`;', 'Addresses stand in'],
])('a planted cast or address is found: %s', (code, message) => {
  expect(linted(code)).toEqual([expect.stringContaining(message)]);
});

it('says nothing of casts to what does not cross the wire', () => {
  expect(
    linted(
      "import type { Body } from '../../core/library/index.ts'; export const a = (x: unknown) => x as Body;",
    ),
  ).toEqual([]);
});

it.each([
  ['web/floor/today-page.tsx', true, true],
  ['server/log/routes.ts', true, true],
  ['core/ladder/decide.ts', true, true],
  ['contract/endpoints.ts', false, false],
  ['web/shell/api.ts', true, false],
  ['server/log/log.test.ts', false, false],
])('holds in %s', async (file, paths, casts) => {
  const { rules } = (await new ESLint({ cwd: root }).calculateConfigForFile(path.join(root, file))) as {
    rules: Record<string, [number, ...unknown[]] | undefined>;
  };
  const told = JSON.stringify(rules['no-restricted-syntax'] ?? []);
  expect({
    paths: told.includes('contract/endpoints.ts'),
    casts: rules['house/no-cast-to-contract']?.[0] === 2,
  }).toEqual({
    paths,
    casts,
  });
});

/** Which rules of who may import whom some planted files break. */
async function broken(files: Record<string, string>): Promise<string[]> {
  const imports = await extractDepcruiseConfig(path.join(root, '.dependency-cruiser.mjs'));
  const folder = await mkdtemp(path.join(tmpdir(), 'planted-'));
  try {
    for (const [name, code] of Object.entries(files)) {
      await mkdir(path.dirname(path.join(folder, name)), { recursive: true });
      await writeFile(path.join(folder, name), code);
    }
    const { output } = await cruise(
      ['core', 'contract', 'server', 'web'].filter((l) => Object.keys(files).some((f) => f.startsWith(l))),
      {
        baseDir: folder,
        ruleSet: { forbidden: imports.forbidden ?? [] },
        validate: true,
        tsPreCompilationDeps: true,
        doNotFollow: { path: 'node_modules' },
      },
    );
    return [...new Set((output as ICruiseResult).summary.violations.map((v) => v.rule.name))].sort();
  } finally {
    await rm(folder, { recursive: true });
  }
}

it.each([
  [
    'a circle of files',
    { 'core/body/a.ts': "import './b.ts';", 'core/body/b.ts': "import './a.ts';" },
    ['no-circle-of-files'],
  ],
  [
    'a room that imports one above it',
    { 'core/body/a.ts': "import '../sheets/index.ts';", 'core/sheets/index.ts': 'export {};' },
    ['core-body-imports-rooms-below'],
  ],
  [
    'a room without a place in the order',
    { 'core/newroom/a.ts': "import './b.ts';", 'core/newroom/b.ts': 'export {};' },
    ['every-room-has-its-place'],
  ],
  [
    'Joi on its way into the bundle',
    {
      'web/log/a.ts': "import { setSchema } from '../../contract/log.ts'; export { setSchema };",
      'contract/log.ts': 'export const setSchema = 1;',
    },
    ['web-takes-types-from-contract'],
  ],
  [
    'a value in the table of endpoints',
    {
      'contract/endpoints.ts': "import { STAFF_ROLES } from './access.ts'; export { STAFF_ROLES };",
      'contract/access.ts': 'export const STAFF_ROLES = 1;',
    },
    ['endpoints-take-types-only'],
  ],
])('%s is found', async (_what, files, rules) => {
  expect(await broken(files)).toEqual(rules);
});
