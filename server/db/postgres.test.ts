import { doorFor } from '../../core/floor/index.ts';
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { eq, sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { loadDemo } from '../demo/index.ts';
import { importLibrary, shelfInForce, shippedLibraryFile } from '../library/index.ts';
import { overview } from '../log/evidence.ts';
import { personList } from '../people/index.ts';
import { root } from '../root.ts';
import { backupLines } from '../testing/backup.ts';
import { clientOf, hallOn, setOf, signIn } from '../testing/hall.ts';
import { openServer, schema } from './index.ts';
import type { Db, OpenDatabase } from './index.ts';
import { DEMO_NOW as NOW, demoDatabase } from '../testing/demo.ts';
import { hasPostgres, startPostgres } from '../testing/postgres.ts';
import type { TestServer } from '../testing/postgres.ts';

describe.runIf(hasPostgres)('a PostgreSQL server instead', () => {
  let postgres: TestServer;
  let server: OpenDatabase;
  let embedded: OpenDatabase;
  const url = (name: string) => postgres.url(name);

  beforeAll(async () => {
    postgres = await startPostgres();
    server = await openServer(url('postgres'));
    embedded = await demoDatabase();
    await loadDemo(server.db, NOW);
  });
  afterAll(async () => {
    await server?.close();
    await embedded?.close();
    await postgres.close();
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

  /** A hall of its own in a new database, with its head coach signed in. */
  async function newHall(name: string) {
    await server.db.execute(sql.raw(`create database ${name}`));
    const own = await openServer(url(name));
    const app = hallOn(own.db, () => new Date('2026-11-24T12:00:00Z'));
    await clientOf(app, null).ok('POST', '/api/first-account', FIRST);
    const cookie = await signIn(app, FIRST.login, FIRST.password);
    return { ...own, app, head: clientOf(app, cookie) };
  }

  it('keeps every one of many sets of one person that arrive at once, in one sum', async () => {
    const { db, head, close } = await newHall('crowd');
    await db.transaction(async (tx) =>
      importLibrary(tx, await readFile(shippedLibraryFile, 'utf8'), 'Ida', NOW),
    );
    const { id } = await head.ok<{ id: string }>('POST', '/api/people', {
      name: 'Piet',
      squadId: null,
      statureM: null,
      massKg: null,
      note: '',
    });
    await head.ok('POST', `/api/people/${id}/place`, { ladder: 'bridge-ladder', level: 'lift', reason: 'x' });
    const sets = Array.from({ length: 180 }, (_, n) =>
      setOf(id, { ordinal: n + 1, pain: n % 9 === 0 ? 2 : 0 }),
    );
    const ids = sets.map(() => randomUUID());
    const answers = await Promise.all(
      sets.flatMap((s, n) => [
        head.send('PUT', `/api/sets/${ids[n]}`, s),
        // Every third is corrected and every fifth deleted meanwhile.
        ...(n % 3 === 0 ? [head.send('PUT', `/api/sets/${ids[n]}`, { ...s, edit: 2, doneReps: 9 })] : []),
        ...(n % 5 === 0 ? [head.send('DELETE', `/api/sets/${ids[n]}`, { edit: 3 })] : []),
      ]),
    );
    expect(answers.map((a) => a.status).filter((s) => s !== 200)).toEqual([]);
    const kept = await db.select().from(schema.setSummary);
    expect(kept.flatMap((s) => s.sets)).toHaveLength(180 - 36);
    await close();
  });

  it('goes on after the database was stopped and started, and says meanwhile that it cannot', async () => {
    const { head, close } = await newHall('restarted');
    const said = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    postgres.stop();
    expect(await head.refused('GET', '/api/people')).toMatchObject({ status: 503, retryAfterS: 5 });
    postgres.start();
    expect(await head.get('/api/people')).toEqual([]);
    said.mockRestore();
    await close();
  });

  it('keeps a head coach when two take each other’s role at once', async () => {
    const { head, app, db, close } = await newHall('two_heads');
    await head.ok('POST', '/api/me/sure', { password: FIRST.password });
    const other = { login: 'piet', name: 'Piet', role: 'head coach', squadIds: [] as string[] };
    const { id } = await head.ok<{ id: string }>('POST', '/api/staff', {
      ...other,
      password: FIRST.password,
    });
    const second = clientOf(app, await signIn(app, 'piet', FIRST.password));
    await second.ok('POST', '/api/me/sure', { password: FIRST.password });
    const [ida] = await db.select().from(schema.staff).where(eq(schema.staff.login, FIRST.login));
    const coach = { role: 'coach', squadIds: [], active: true };
    for (let n = 0; n < 5; n++) {
      await Promise.all([
        head.send('PUT', `/api/staff/${id}`, { ...coach, login: 'piet', name: 'Piet' }),
        second.send('PUT', `/api/staff/${ida!.id}`, { ...coach, login: FIRST.login, name: FIRST.name }),
      ]);
      const heads = await db.select().from(schema.staff).where(eq(schema.staff.role, 'head coach'));
      expect(heads).toHaveLength(1);
      await db.update(schema.staff).set({ role: 'head coach' });
    }
    await close();
  });

  it('is begun by two servers at once, and takes a backup by its address', async () => {
    await server.db.execute(sql.raw('create database begun_twice'));
    const both = await Promise.all([openServer(url('begun_twice')), openServer(url('begun_twice'))]);
    expect(await both[0].db.select().from(schema.hall)).toEqual([]);
    await Promise.all(both.map((b) => b.close()));
    const folder = await mkdtemp(path.join(tmpdir(), 'meister-backup-'));
    const file = path.join(folder, 'backup.ndjson.gz');
    await writeFile(file, gzipSync((await backupLines(embedded.db, NOW)).join('\n')));
    const restore = (to: string) =>
      spawnSync(process.execPath, ['--import', 'tsx', 'server/restore.ts', file, '--to', url(to)], {
        cwd: root,
        encoding: 'utf8',
      });
    expect(restore('begun_twice').stdout).toContain('Restored');
    const again = await openServer(url('begun_twice'));
    expect((await personList(again.db)).length).toBe((await personList(embedded.db)).length);
    await again.close();
    expect(restore('begun_twice').stderr).toContain('There is a hall in that database');
    await rm(folder, { recursive: true, force: true });
  });
});

const FIRST = { hallName: 'Boathouse', name: 'Ida', login: 'ida', password: 'seven-grey-herons' };
