import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { Person } from '../contract/people.ts';
import { openEmbedded, schema } from './db/index.ts';
import { root } from './root.ts';
import { setOf } from './testing/hall.ts';
import { demoDatabase } from './testing/demo.ts';
import { freePort } from './testing/free-port.ts';

let folder: string;
let server: ChildProcess;
let port: number;

async function start(): Promise<void> {
  server = spawn(process.execPath, ['dist-server/main.js'], {
    cwd: root,
    env: { ...process.env, MEISTER_DATA: folder, PORT: String(port), HOST: '127.0.0.1', PUBLIC_URL: '' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((done, fail) => {
    server.stdout!.on('data', (chunk: Buffer) => chunk.toString().includes('Meister is at') && done());
    server.on('exit', (code) => fail(new Error(`The server ended with ${code}.`)));
  });
}

beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'meister-killed-'));
  port = await freePort();
  await (await demoDatabase(path.join(folder, 'db'))).close();
});
afterAll(async () => {
  server.kill('SIGKILL');
  await rm(folder, { recursive: true, force: true });
});

it('loses no acknowledged set when it is killed in the middle of a stream', async () => {
  await start();
  const base = `http://127.0.0.1:${port}`;
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
        server.kill('SIGKILL');
      }
    }
  };
  await Promise.all(people.slice(0, 3).map(stream));
  expect(killed).toBe(true);
  await new Promise((done) =>
    server.exitCode === null && server.signalCode === null ? server.on('exit', done) : done(0),
  );

  const { db, close } = await openEmbedded(path.join(folder, 'db'));
  const stored = new Set(
    (await db.select({ id: schema.loggedSet.id }).from(schema.loggedSet)).map((r) => r.id),
  );
  await close();
  expect(acknowledged.length).toBeGreaterThanOrEqual(150);
  expect(acknowledged.filter((id) => !stored.has(id))).toEqual([]);

  // The stale lock of the killed server does not keep the next one out.
  await start();
  expect((await fetch(`${base}/api/start`)).status).toBe(200);
});
