import { appendFile, mkdir, mkdtemp, readdir, readFile, rm, utimes, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { copyFolder } from './copy-folder.ts';

let from: string;
let to: string;
beforeEach(async () => {
  [from, to] = [await mkdtemp(path.join(tmpdir(), 'from-')), await mkdtemp(path.join(tmpdir(), 'to-'))];
  await mkdir(path.join(from, 'base'));
  for (const name of ['old', 'recent', 'goes']) await writeFile(path.join(from, 'base', name), name);
  await utimes(path.join(from, 'base', 'old'), 1e9, 1e9);
});
afterEach(async () => {
  for (const folder of [from, to]) await rm(folder, { recursive: true });
});

const contents = async (folder: string) => {
  const found: Record<string, string> = {};
  for (const e of await readdir(folder, { recursive: true, withFileTypes: true })) {
    const file = path.join(e.parentPath, e.name);
    if (e.isFile()) found[path.relative(folder, file)] = await readFile(file, 'utf8');
  }
  return found;
};

it('is the folder as it is when nobody writes, whatever was written before', async () => {
  await copyFolder(from, to, async (work) => {
    // All of this happens after the first pass.
    await appendFile(path.join(from, 'base', 'old'), ' and more');
    await appendFile(path.join(from, 'base', 'recent'), ' and more');
    await rm(path.join(from, 'base', 'goes'));
    await mkdir(path.join(from, 'new'));
    await writeFile(path.join(from, 'new', 'file'), 'new');
    await work();
  });
  expect(await contents(to)).toEqual(await contents(from));
  expect(Object.keys(await contents(to))).toHaveLength(3);
});

it('sees a change of a recent file that shows in neither its size nor its time', async () => {
  const file = path.join(from, 'base', 'recent');
  const now = new Date();
  await utimes(file, now, now);
  await copyFolder(from, to, async (work) => {
    await writeFile(file, 'RECENT');
    await utimes(file, now, now);
    await work();
  });
  expect((await contents(to))[path.join('base', 'recent')]).toBe('RECENT');
});

it('copies only once what nobody touches', async () => {
  await copyFolder(from, to, async (work) => {
    await writeFile(path.join(to, 'base', 'old'), 'left as it is');
    await work();
  });
  expect((await contents(to))[path.join('base', 'old')]).toBe('left as it is');
});
