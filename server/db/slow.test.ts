import { afterAll, beforeAll, expect, it } from 'vitest';
import { LASTING } from '../access/index.ts';
import { createApp } from '../app.ts';
import { atOnce } from '../tasks.ts';
import { clientOf, placedPerson, setOf, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';
import { tellSlowQueries } from './slow.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

it('tells a query and one inside a transaction by their text, never by what was asked about', async () => {
  const lines: string[] = [];
  const client = {
    query: (text: unknown, values?: unknown) => Promise.resolve([text, values]),
    transaction: (work: (tx: { query: (t: unknown) => Promise<unknown> }) => Promise<unknown>) =>
      work({ query: (text) => Promise.resolve(text) }),
  };
  tellSlowQueries(client, (line) => lines.push(line), 0);
  expect(await client.query('select $1', ['Oskar'])).toEqual(['select $1', ['Oskar']]);
  await client.query({ text: 'select\n  name\nfrom person' });
  await client.transaction((tx) => tx.query('update person'));
  expect(lines.map((l) => l.replace(/\d+ ms/, 'n ms'))).toEqual([
    '  query n ms: select $1',
    '  query n ms: select name from person',
    '  query n ms: update person',
  ]);
});

it('keeps quick queries to itself', async () => {
  const lines: string[] = [];
  const client = { query: (text: unknown) => Promise.resolve(text) };
  tellSlowQueries(client, (line) => lines.push(line), 10_000);
  await client.query('select 1');
  expect(lines).toEqual([]);
});

it('tells each request by its route, without person, token or body', async () => {
  const lines: string[] = [];
  const app = createApp({
    db: hall.db,
    clock: () => new Date('2026-11-24T12:00:00Z'),
    boot: 'one',
    snapshots: { changed: () => undefined, coveredUntil: () => null },
    backup: () => Promise.reject(new Error('not asked for')),
    proxies: 0,
    setUpCode: null,
    lasting: LASTING,
    work: atOnce,
    publicUrl: 'http://localhost',
    shipped: 'none',
    tell: (line) => lines.push(line),
  });
  const id = await placedPerson(hall);
  const cookie = hall.cookie('coach');
  const coach = clientOf(app, cookie);
  await coach.get(`/api/people/${id}/ladders`);
  await coach.refused('PUT', `/api/sets/${id}`, { ...setOf(id), doneReps: -5 });
  await coach.send('GET', '/api/own/7c1f9e3a-0000-4000-8000-000000000000');
  await coach.send('GET', '/api/nothing/here');
  expect(lines.map((l) => l.replace(/ \d+ ms$/, ''))).toEqual([
    'GET /api/people/:person/ladders 200',
    'PUT /api/sets/:id 422',
    'GET /api/own/:link 401',
    'GET no such route 404',
  ]);
  for (const secret of [id, '7c1f9e3a', cookie.split('=')[1]!, 'nothing', '-5']) {
    expect(lines.join()).not.toContain(secret);
  }
});
