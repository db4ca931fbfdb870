import { randomUUID } from 'node:crypto';
import { mkdir, mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { Person } from '../contract/people.ts';
import { startHall } from '../scripts/hall-server.ts';
import type { HallServer } from '../scripts/hall-server.ts';
import { openEmbedded, schema } from './db/index.ts';
import { setOf } from './testing/hall.ts';
import { demoDatabase } from './testing/demo.ts';

let folder: string;
let server: HallServer;

beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'meister-killed-'));
  await (await demoDatabase(path.join(folder, 'db'))).close();
});
afterAll(async () => {
  await server.kill();
  await rm(folder, { recursive: true, force: true });
});

it('loses no acknowledged set when it is killed in the middle of a stream', async () => {
  server = await startHall(folder);
  const { base } = server;
  const headers: Record<string, string> = { 'content-type': 'application/json', origin: base };
  const signedIn = await fetch(`${base}/api/sign-in`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ login: 'head', password: 'kestrel-quay' }),
  });
  headers.cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
  const people = (await (await fetch(`${base}/api/people`, { headers })).json()) as Person[];
  const today = (
    (await (await fetch(`${base}/api/start`, { headers })).json()) as { hall: { today: string } }
  ).hall.today;

  const acknowledged: string[] = [];
  let killed = false;
  const stream = async (person: Person) => {
    for (let ordinal = 1; !killed && ordinal < 900; ordinal++) {
      const id = randomUUID();
      const body = JSON.stringify(setOf(person.id, { ordinal, date: today }));
      try {
        const response = await fetch(`${base}/api/sets/${id}`, { method: 'PUT', headers, body });
        if (response.ok) acknowledged.push(id);
      } catch {
        return;
      }
      if (acknowledged.length >= 150 && !killed) {
        killed = true;
        await server.kill();
      }
    }
  };
  await Promise.all(people.slice(0, 3).map(stream));
  expect(killed).toBe(true);

  const { db, close } = await openEmbedded(path.join(folder, 'db'));
  const stored = new Set(
    (await db.select({ id: schema.loggedSet.id }).from(schema.loggedSet)).map((r) => r.id),
  );
  await close();
  expect(acknowledged.length).toBeGreaterThanOrEqual(150);
  expect(acknowledged.filter((id) => !stored.has(id))).toEqual([]);

  // The stale lock of the killed server does not keep the next one out, and a copy it was taking is gone.
  await mkdir(path.join(folder, '.copy', 'db'), { recursive: true });
  server = await startHall(folder);
  expect(await readdir(folder)).not.toContain('.copy');
  expect((await fetch(`${server.base}/api/start`)).status).toBe(200);
});
