import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, mkdtemp, readdir, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { gzipSync } from 'node:zlib';
import { getTableName } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { root } from '../root.ts';
import {
  backupApart,
  backupHere,
  BadBackup,
  FolderInUse,
  keepSnapshots,
  leftOut,
  lockFolder,
  newestSnapshot,
  openEmbedded,
  restoreBackup,
  schema,
  tablesInOrder,
} from './index.ts';
import type { OpenDatabase } from './index.ts';
import { toDelete } from './snapshots.ts';
import { backupLines } from '../testing/backup.ts';
import { DEMO_NOW as NOW, demoDatabase } from '../testing/demo.ts';

let folder: string;
let demo: OpenDatabase;
beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'meister-'));
  demo = await demoDatabase();
});
afterAll(async () => {
  await demo.close();
  await rm(folder, { recursive: true, force: true });
});

const zipped = (lines: string[]) => Readable.from(gzipSync(lines.join('\n')));

describe('backup and restore', () => {
  it('bring every row of every table back, in a new database', async () => {
    const lines = await backupLines(demo.db, NOW);
    const other = await openEmbedded(null);
    try {
      const { rows } = await restoreBackup(other.db, zipped(lines), { keepAccess: true });
      let counted = 0;
      for (const table of tablesInOrder()) {
        const before = await demo.db.select().from(table);
        const after = await other.db.select().from(table);
        const sorted = (list: object[]) => list.map((r) => JSON.stringify(r)).sort();
        expect({ table: getTableName(table), rows: sorted(after) }).toEqual({
          table: getTableName(table),
          rows: sorted(before),
        });
        // Derived tables are not in the file: they are made anew, and come out the same.
        if (!leftOut(table)) counted += after.length;
      }
      expect(rows).toBe(counted);
      expect(counted).toBeGreaterThan(500);
    } finally {
      await other.close();
    }
  });

  it('refuse what is no backup or is cut short, and write nothing', async () => {
    const lines = await backupLines(demo.db, NOW);
    const other = await openEmbedded(null);
    try {
      await expect(restoreBackup(other.db, zipped(['{"format":"something"}']))).rejects.toThrow(
        'not a Meister backup',
      );
      await expect(restoreBackup(other.db, zipped(lines.slice(0, -1)))).rejects.toThrow('cut short');
      await expect(restoreBackup(other.db, zipped([...lines.slice(0, 3), '{"table":']))).rejects.toThrow(
        BadBackup,
      );
      for (const table of tablesInOrder()) expect(await other.db.select().from(table)).toEqual([]);
    } finally {
      await other.close();
    }
  });
});

describe('an older backup', () => {
  it('of a version that only counted its kit brings it as pieces', async () => {
    const other = await openEmbedded(null);
    try {
      const row = { equipment: 'mat', count: 9, place: 'rack' };
      const lines = [
        JSON.stringify({ format: 'meister-backup', version: 1, at: NOW.toISOString() }),
        JSON.stringify({ table: 'kit', row }),
        JSON.stringify({ end: 1 }),
      ];
      await restoreBackup(other.db, zipped(lines));
      expect(await other.db.select().from(schema.piece)).toMatchObject([{ ...row, form: 'thing', edit: 1 }]);
    } finally {
      await other.close();
    }
  });

  it('revives no sign-in, no link, no password, code or PIN', async () => {
    const one = await openEmbedded(null, {});
    const two = await openEmbedded(null);
    try {
      const id = crypto.randomUUID();
      const at = NOW.toISOString();
      await one.db.insert(schema.staff).values({
        id,
        login: 'ida',
        name: 'Ida',
        role: 'head coach',
        passwordHash: 'scrypt$old',
        pinHash: 'scrypt$pin',
        totpSecret: 'SECRET',
        recovery: ['code'],
      });
      const until = '2027-11-24T12:00:00Z';
      await one.db.insert(schema.signIn).values({ tokenHash: 'session', staffId: id, expiresAt: until });
      const made = { madeBy: 'Ida', madeById: id, madeAt: at, expiresAt: until };
      await one.db.insert(schema.share).values({ id, tokenHash: 'shared', job: 'floor:x', ...made });
      await one.db.insert(schema.linkDevice).values({ tokenHash: 'device', shareId: id, at });
      await restoreBackup(two.db, zipped(await backupLines(one.db, NOW)));
      expect(await two.db.select().from(schema.signIn)).toEqual([]);
      expect(await two.db.select().from(schema.linkDevice)).toEqual([]);
      expect((await two.db.select().from(schema.share))[0]!.revokedAt).not.toBeNull();
      expect((await two.db.select().from(schema.staff))[0]).toMatchObject({
        login: 'ida',
        passwordHash: '',
        pinHash: null,
        totpSecret: null,
        recovery: [],
      });
    } finally {
      await one.close();
      await two.close();
    }
  });

  it('that unpacks without end is refused before it fills anything', async () => {
    const other = await openEmbedded(null);
    try {
      const header = '{"format":"meister-backup","version":1,"at":"x"}\n';
      const oneLine = Readable.from(gzipSync(header + 'a'.repeat(40 * 1024 * 1024)));
      await expect(restoreBackup(other.db, oneLine)).rejects.toThrow('longer than any row');
      const row = JSON.stringify({ table: 'squad', row: { id: 'x', name: 'x'.repeat(1_000_000) } });
      const many = Readable.from(gzipSync(header + `${row.replace('squad', 'sign_in')}\n`.repeat(120)));
      await expect(restoreBackup(other.db, many)).rejects.toThrow('300 times its size');
      expect(await other.db.select().from(schema.squad)).toEqual([]);
    } finally {
      await other.close();
    }
  });
});

describe('snapshots', () => {
  it('are written when something changed, and say how far they reach', async () => {
    const here = path.join(folder, 'snapshots');
    let now = NOW;
    const snapshots = keepSnapshots(backupHere(demo.db), here, () => now, 1e9);
    expect(snapshots.coveredUntil()).toBeNull();
    await snapshots.take();
    expect(snapshots.coveredUntil()).toBe(NOW.toISOString());
    now = new Date('2026-11-24T12:05:00Z');
    await snapshots.take();
    expect(await readdir(here)).toHaveLength(1);
    snapshots.changed();
    await snapshots.stop();
    const files = await readdir(here);
    expect(files).toHaveLength(2);
    expect((await stat(path.join(here, files[0]!))).size).toBeGreaterThan(1000);
  });

  it('are for nobody else on the machine, and the newest is known after the clock was put back', async () => {
    const here = path.join(folder, 'ahead');
    let now = new Date('2031-01-01T00:00:00Z');
    const snapshots = keepSnapshots(backupHere(demo.db), here, () => now, 1e9);
    for (let n = 0; n < 14; n++) {
      snapshots.changed();
      now = new Date(now.getTime() + 1000);
      await snapshots.take();
    }
    now = NOW;
    snapshots.changed();
    await snapshots.take();
    const newest = await newestSnapshot(here);
    expect(newest).toContain('meister-2026-11-24');
    expect(await readdir(here)).toContain(path.basename(newest!));
    expect(snapshots.coveredUntil()).toBe(NOW.toISOString());
    expect((await stat(newest!)).mode & 0o777).toBe(0o600);
    expect((await stat(here)).mode & 0o777).toBe(0o700);
    await snapshots.stop();
    expect(await newestSnapshot(path.join(folder, 'no such folder'))).toBeNull();
  });

  it('rotate: the newest twelve, and the last of each of fourteen days', () => {
    const name = (day: number, hour: number) =>
      `meister-2026-11-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}.ndjson.gz`;
    const names = Array.from({ length: 20 }, (_, day) => [8, 12, 18].map((h) => name(day + 1, h))).flat();
    const gone = new Set(toDelete(names));
    const kept = names.filter((n) => !gone.has(n));
    expect(kept).toContain(name(20, 8));
    expect(kept).toContain(name(8, 18));
    expect(kept).not.toContain(name(8, 12));
    expect(kept).not.toContain(name(6, 18));
    expect(kept).toHaveLength(12 + 10);
  });
});

describe('a backup apart', () => {
  // The process that reads the copy steps back behind whatever else runs.
  it('is all that is committed when it is taken, and read while others write', async () => {
    const here = path.join(folder, 'apart');
    const database = await demoDatabase(path.join(here, 'db'));
    const take = backupApart({ copyTo: database.copyTo, copy: path.join(here, '.copy') });
    const named = (name: string) => database.db.insert(schema.squad).values({ id: randomUUID(), name });
    await named('Before');
    const file = path.join(here, 'backup.ndjson.gz');
    let copied = false;
    const taken = take(NOW, file).then(() => (copied = true));
    // While it is read, whoever asks gets an answer.
    for (let n = 0; !copied; n++) {
      await named(`Meanwhile ${n}`);
      await new Promise((go) => setTimeout(go, 50));
    }
    await taken;
    const squads = await database.db.select().from(schema.squad);
    const other = await openEmbedded(null);
    await restoreBackup(other.db, createReadStream(file));
    const names = (await other.db.select().from(schema.squad)).map((s) => s.name);
    expect(names).toContain('Before');
    const later = squads.filter((s) => s.name.startsWith('Meanwhile')).length;
    expect(later).toBeGreaterThan(5);
    expect(names.filter((n) => n.startsWith('Meanwhile')).length).toBeLessThan(later);
    expect(await other.db.$count(schema.loggedSet)).toBe(await database.db.$count(schema.loggedSet));
    expect((await stat(file)).mode & 0o777).toBe(0o600);
    expect(await readdir(here)).toEqual(expect.not.arrayContaining(['.copy']));
    await expect(take(NOW, path.join(here, 'no such folder', 'backup'))).rejects.toThrow('was not written');
    await other.close();
    await database.close();
  }, 240_000);
});

describe('a damaged folder', () => {
  it('names its newest snapshot and the command that goes on from it', async () => {
    const here = path.join(folder, 'damaged');
    await (
      await lockFolder(here)
    )();
    const snapshots = keepSnapshots(backupHere(demo.db), path.join(here, 'snapshots'), () => NOW, 1e9);
    await snapshots.stop();
    await mkdir(path.join(here, 'db'));
    await writeFile(path.join(here, 'db', 'PG_VERSION'), 'torn');
    const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
      cwd: root,
      env: { ...process.env, MEISTER_DATA: here, PORT: '0' },
    });
    let said = '';
    server.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
    expect(await new Promise((done) => server.on('exit', done))).toBe(1);
    const snapshot = await newestSnapshot(path.join(here, 'snapshots'));
    expect(said).toContain(`npm run restore -- ${snapshot} ${here}-again --keep-access`);
    expect((await stat(here)).mode & 0o777).toBe(0o700);
  });
});

describe('the lock on the data folder', () => {
  it('refuses a second process while the first lives', async () => {
    const here = path.join(folder, 'locked');
    const unlock = await lockFolder(here);
    await expect(lockFolder(here)).rejects.toThrow(FolderInUse);
    await expect(lockFolder(here)).rejects.toThrow(`in use by process ${process.pid}`);
    await unlock();
    await (
      await lockFolder(here)
    )();
  });

  it('takes over the lock of a dead process, and of one whose number was given to another', async () => {
    const here = path.join(folder, 'stale');
    await (
      await lockFolder(here)
    )();
    const dead = spawn(process.execPath, ['-e', '0']);
    await new Promise((done) => dead.on('exit', done));
    await writeFile(path.join(here, 'lock.json'), JSON.stringify({ pid: dead.pid, started: null }));
    await (
      await lockFolder(here)
    )();
    await writeFile(path.join(here, 'lock.json'), JSON.stringify({ pid: process.pid, started: 'long ago' }));
    await (
      await lockFolder(here)
    )();
  });

  it('shows in the message of a second server', async () => {
    const here = path.join(folder, 'second');
    const unlock = await lockFolder(here);
    const second = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
      cwd: root,
      env: { ...process.env, MEISTER_DATA: here, PORT: '0' },
    });
    let said = '';
    second.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
    const code = await new Promise((done) => second.on('exit', done));
    await unlock();
    expect(code).toBe(1);
    expect(said).toContain('is in use by process');
  });
});
