import { doorFor } from '../../core/floor/index.ts';
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { chmod, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from '../demo/index.ts';
import { shelfInForce } from '../library/index.ts';
import { overview } from '../log/evidence.ts';
import { personList } from '../people/index.ts';
import { backupLines, openServer } from './index.ts';
import type { Db, OpenDatabase } from './index.ts';
import { DEMO_NOW as NOW, demoDatabase } from '../testing/demo.ts';
import { freePort } from '../testing/free-port.ts';

const versions = '/usr/lib/postgresql';
const newest = existsSync(versions)
  ? readdirSync(versions).sort((a, b) => Number(b) - Number(a))[0]
  : undefined;
const bin = (tool: string) => path.join(versions, newest ?? '', 'bin', tool);

// Only where the system brings a PostgreSQL server; the embedded database is tested everywhere.
describe.runIf(newest !== undefined && existsSync(bin('initdb')))('a PostgreSQL server instead', () => {
  let folder: string;
  let server: OpenDatabase;
  let embedded: OpenDatabase;
  // The server refuses to run as root.
  const run = (tool: string, ...args: string[]) =>
    process.getuid?.() === 0
      ? execFileSync('runuser', ['-u', 'postgres', '--', bin(tool), ...args], { cwd: '/', stdio: 'pipe' })
      : execFileSync(bin(tool), args, { cwd: '/', stdio: 'pipe' });

  beforeAll(async () => {
    folder = await mkdtemp(path.join(tmpdir(), 'meister-pg-'));
    await chmod(folder, 0o777);
    const port = await freePort();
    run('initdb', '-A', 'trust', '-U', 'meister', '-D', path.join(folder, 'data'));
    run(
      'pg_ctl',
      '-D',
      path.join(folder, 'data'),
      '-o',
      `-p ${port} -h 127.0.0.1 -k ${folder}`,
      '-l',
      path.join(folder, 'log'),
      '-w',
      'start',
    );
    server = await openServer(`postgres://meister@127.0.0.1:${port}/postgres`);
    embedded = await demoDatabase();
    await loadDemo(server.db, NOW);
  });
  afterAll(async () => {
    await server?.close();
    await embedded?.close();
    run('pg_ctl', '-D', path.join(folder, 'data'), '-m', 'immediate', 'stop');
    await rm(folder, { recursive: true, force: true });
  });

  it('takes the same schema, stores and decisions', async () => {
    const lines = async (db: Db) => {
      const people = await personList(db);
      return overview(
        db,
        { inForce: await shelfInForce(db), today: '2026-11-24' },
        people.map((person) => ({ person, hold: 'looks after' as const, door: doorFor(true) })),
      );
    };
    expect(await lines(server.db)).toEqual(await lines(embedded.db));
  });

  it('gives the same backup, row for row', async () => {
    const rows = async (db: Db) => {
      const all = await backupLines(db, NOW);
      // Ids made at random, and instants that the two drivers write differently, are left out.
      const kept = all.filter((l) => /"table":"(logged_set|session|person|entry)"/.test(l));
      return kept.map((l) => l.replace(/"(squadId|loggedById)":"[^"]+"/g, '')).sort();
    };
    expect(await rows(server.db)).toEqual(await rows(embedded.db));
  });
});
