import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addressOf, ENDPOINTS, permitted } from '../../contract/endpoints.ts';
import type { Endpoint, EndpointName } from '../../contract/endpoints.ts';
import type { Start } from '../../contract/hall.ts';
import { clientOf, signIn, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';
import { schema } from '../db/index.ts';
import { hashPassword } from './passwords.ts';
import { verifyPassword } from './passwords.ts';
import { delayAfter, passwordQueue } from './attempts.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

/** Every route the router itself knows. */
const routes = () =>
  hall.app.routes
    .filter((r) => r.method !== 'ALL' && r.path.startsWith('/api/'))
    .map((r) => `${r.method} ${r.path}`);

const NAMES = Object.keys(ENDPOINTS) as EndpointName[];
const SOMEBODY = '00000000-0000-4000-8000-000000000000';

const ROLE = { head: 'head coach', coach: 'coach', viewer: 'viewer', nobody: null } as const;

describe('the table of endpoints', () => {
  it('is what the router knows, each address once', () => {
    const inTable = Object.values<Endpoint>(ENDPOINTS).map((e) => `${e.method} ${e.path}`);
    expect([...new Set(routes())].sort()).toEqual(inTable.sort());
    expect(new Set(inTable).size).toBe(inTable.length);
  });

  it.each(Object.keys(ROLE) as (keyof typeof ROLE)[])('is what the server does for: %s', async (who) => {
    const client = hall.as(who);
    for (const name of NAMES) {
      // Signing out would end the walk; it is open to anyone and tested below.
      if (name === 'signOut') continue;
      const { method, path } = ENDPOINTS[name];
      const real = path
        .replace(/:(id|person)/g, SOMEBODY)
        .replace(':kind', 'cue')
        .replace(':slug', 'no-such-document')
        .replace(':number', '1');
      const response = await client.send(method, real, method === 'GET' ? undefined : {});
      const refused = response.status === (who === 'nobody' ? 401 : 403);
      expect({ name, refused }).toEqual({ name, refused: !permitted(name, ROLE[who]) });
    }
  });

  it('says of each address under a person that it is about a person', () => {
    for (const { path, whose } of Object.values<Endpoint>(ENDPOINTS)) {
      if (path.includes(':person')) expect({ path, whose }).toEqual({ path, whose: 'one' });
    }
  });

  it('fills addresses in', () => {
    expect(addressOf('revision', { kind: 'cue', slug: 'a/b', number: 3 })).toBe(
      '/api/library/cue/a%2Fb/revisions/3',
    );
    expect(addressOf('today', { people: ['a', 'b'], squad: undefined })).toBe('/api/today?people=a,b');
    expect(addressOf('today', { people: [] })).toBe('/api/today?people=');
    expect(addressOf('prints', { job: 'floor:a&b' })).toBe('/api/prints?job=floor%3Aa%26b');
  });

  it.each([
    ['/api/people/:person/sets?before=abc', 'before'],
    ['/api/people/:person/sets?before=2026-02-31', 'before'],
    ['/api/sets.csv?from=abc', 'from'],
    ['/api/sets.csv?squad=abc', 'squad'],
    ['/api/today?people=abc', 'people'],
    ['/api/today?squad=abc', 'squad'],
    ['/api/today?pepole=abc', 'pepole'],
    ['/api/faults/report?days=1.5', 'days'],
    ['/api/prints/state?job=floor:a&state=-1', 'state'],
    ['/api/library?kind=cue', 'kind'],
  ])('answers 400 with the field for %s', async (path, field) => {
    const id = (
      await hall.as('head').ok<{ id: string }>('POST', '/api/people', {
        name: 'Ida Query',
        squadId: null,
        statureM: null,
        massKg: null,
        note: '',
      })
    ).id;
    const problem = await hall.as('head').refused('GET', path.replace(':person', id));
    expect(problem).toMatchObject({ status: 400 });
    expect(problem.detail).toContain(field);
  });

  it('answers 422 for a set on a day that the calendar does not have', async () => {
    const refused = await hall.as('head').refused('PUT', `/api/people/${SOMEBODY}/check-in/2026-02-31`, {});
    expect(refused.status).toBe(422);
  });

  it('carries the state of the library as the tag of its list', async () => {
    const head = hall.as('head');
    const first = await head.send('GET', '/api/library');
    const tag = first.headers.get('etag')!;
    const ask = (known: string) =>
      hall.app.request('/api/library', { headers: { cookie: hall.cookie('head'), 'if-none-match': known } });
    const again = await ask(tag);
    expect(again.status).toBe(304);
    expect(await again.text()).toBe('');
    await head.ok('POST', '/api/editions', { name: 'Tagged' });
    expect((await ask(tag)).status).toBe(200);
    expect((await head.send('GET', '/api/people')).headers.get('etag')).toBeNull();
  });

  it('takes what is sent as somebody from nobody else', async () => {
    const staff = await hall.as('head').get<{ id: string; login: string }[]>('/api/staff');
    const as = (login: string) =>
      hall.app.request('/api/squads', {
        headers: {
          cookie: hall.cookie('coach'),
          'meister-sent-as': staff.find((s) => s.login === login)!.id,
        },
      });
    expect((await as('coach')).status).toBe(200);
    expect((await as('head')).status).toBe(401);
  });

  it('answers 404 for an unknown address of the interface to the data', async () => {
    expect((await hall.as('head').send('GET', '/api/nothing-here')).status).toBe(404);
    expect((await hall.as('nobody').send('GET', '/assets/nothing.js')).status).toBe(404);
    for (const path of ['/api/people', '/api/sheets/none', '/api/today?squad=x']) {
      const { headers } = await hall.as('viewer').send('GET', path);
      expect(headers.get('cache-control')).toBe('no-store');
    }
  });
});

describe('passwords', () => {
  it('verifies its own hash only', async () => {
    const hash = await hashPassword('right password');
    expect(hash).toMatch(/^scrypt\$32768\$8\$3\$/);
    expect(await verifyPassword('right password', hash)).toBe(true);
    expect(await verifyPassword('wrong password', hash)).toBe(false);
    expect(await verifyPassword('right password', 'plain')).toBe(false);
    expect(await hashPassword('right password')).not.toBe(hash);
  });
});

describe('signing in', () => {
  it('sets an HttpOnly, SameSite cookie and rotates it', async () => {
    const client = clientOf(hall.app, null);
    const first = await client.send('POST', '/api/sign-in', { login: 'head', password: 'a-long-password' });
    const cookie = first.headers.get('set-cookie')!;
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Strict/i);
    const old = cookie.split(';')[0]!;
    const again = clientOf(hall.app, old);
    const second = await again.send('POST', '/api/sign-in', { login: 'head', password: 'a-long-password' });
    const fresh = second.headers.get('set-cookie')!.split(';')[0]!;
    expect(fresh).not.toBe(old);
    expect((await again.get<Start>('/api/start')).me).toBeNull();
    expect((await clientOf(hall.app, fresh).get<Start>('/api/start')).me?.login).toBe('head');
  });

  it('ends the session at sign-out and after two weeks', async () => {
    const cookie = await signIn(hall.app, 'viewer', 'a-long-password');
    const client = clientOf(hall.app, cookie);
    expect((await client.get<Start>('/api/start')).me?.role).toBe('viewer');
    hall.setNow('2026-12-09T12:00:01Z');
    expect((await client.get<Start>('/api/start')).me).toBeNull();
    hall.setNow('2026-11-24T12:00:00Z');
    await client.ok('POST', '/api/sign-out', {});
    expect((await client.get<Start>('/api/start')).me).toBeNull();
  });

  it('waits longer with every failure, for unknown names as for known ones', async () => {
    expect([0, 1, 2, 3, 4, 5, 20].map((n) => delayAfter(n))).toEqual([0, 0, 0, 2, 4, 8, 300]);
    for (const login of ['coach', 'no-such-name']) {
      const client = clientOf(hall.app, null);
      const tries = [];
      for (let i = 0; i < 4; i++) {
        tries.push((await client.send('POST', '/api/sign-in', { login, password: 'wrong' })).status);
      }
      expect(tries).toEqual([401, 401, 401, 429]);
      const problem = await client.refused('POST', '/api/sign-in', { login, password: 'a-long-password' });
      expect(problem).toMatchObject({ status: 429, retryAfterS: 2 });
    }
    hall.setNow('2026-11-24T12:00:03Z');
    await signIn(hall.app, 'coach', 'a-long-password');
    hall.setNow('2026-11-24T12:00:00Z');
  });

  it('looks at no more passwords than it may, however many come at once', async () => {
    const client = clientOf(hall.app, null);
    const wrong = { login: 'viewer', password: 'wrong' };
    const answers = await Promise.all(
      Array.from({ length: 100 }, () => client.send('POST', '/api/sign-in', wrong)),
    );
    const of = (status: number) => answers.filter((a) => a.status === status).length;
    expect(of(401)).toBeLessThanOrEqual(3);
    expect(of(401) + of(429)).toBe(100);
  });

  // Many sign-ins, each as slow as a password has to be.
  it(
    'locks nobody out who only has a name that others try, and slows an address that tries many',
    { timeout: 240_000 },
    async () => {
      const from = (address: string, login: string, password: string) =>
        hall.app.request('/api/sign-in', {
          method: 'POST',
          headers: {
            'content-type': 'application/json',
            origin: 'http://localhost',
            'x-forwarded-for': address,
          },
          body: JSON.stringify({ login, password }),
        });
      for (let i = 0; i < 6; i++) await from('203.0.113.7', 'head', 'wrong');
      expect((await from('203.0.113.7', 'head', 'a-long-password')).status).toBe(429);
      // A name that reads like another's address counts against nobody else.
      for (let i = 0; i < 24; i++) await from(`203.0.113.${100 + i}`, 'address 198.51.100.2', 'x');
      // The head coach signs in from their own tablet at once.
      expect((await from('198.51.100.2', 'head', 'a-long-password')).status).toBe(200);
      const statuses = [];
      for (let i = 0; i < 24; i++) statuses.push((await from('203.0.113.9', `guess-${i}`, 'x')).status);
      expect(statuses.filter((s) => s === 401)).toHaveLength(21);
      expect(statuses.at(-1)).toBe(429);
      expect((await from('203.0.113.9', 'coach', 'a-long-password')).status).toBe(429);
      hall.setNow('2026-11-26T12:00:00Z');
      await from('198.51.100.2', 'nobody-here', 'x');
      // What is a day old is forgotten.
      expect(await hall.db.select().from(schema.failedSignIn)).toHaveLength(3);
      hall.setNow('2026-11-24T12:00:00Z');
    },
  );

  it('keeps a genuine one from waiting behind a crowd of one address', async () => {
    const queue = passwordQueue();
    const done: string[] = [];
    const look = (name: string) => async () => {
      await new Promise((turn) => setTimeout(turn, 5));
      done.push(name);
    };
    const crowd = Array.from({ length: 30 }, (_, i) => queue('203.0.113.7', look(`stranger ${i}`)));
    const genuine = queue('198.51.100.2', look('genuine'));
    const settled = await Promise.allSettled(crowd);
    await genuine;
    expect(settled.filter((s) => s.status === 'fulfilled')).toHaveLength(4);
    expect(done.indexOf('genuine')).toBeLessThanOrEqual(4);
  });

  it('shows accounts on the sign-in page of the demo only', async () => {
    expect((await hall.as('nobody').get<Start>('/api/start')).demoAccounts).toEqual([]);
  });
});

describe('the edge', () => {
  it('sends security headers without inline script', async () => {
    const { headers } = await hall.as('nobody').send('GET', '/api/start');
    const policy = headers.get('content-security-policy')!;
    // Compiled code of our own, and no text that becomes code.
    expect(policy).toMatch(/script-src 'self' 'wasm-unsafe-eval'(;|$)/);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('cache-control')).toBe('no-store');
  });

  it('refuses writes that come from another site', async () => {
    const cookie = await signIn(hall.app, 'head', 'a-long-password');
    const response = await hall.app.request('/api/squads', {
      method: 'POST',
      headers: { origin: 'http://elsewhere.example', cookie, 'content-type': 'text/plain' },
      body: '{"name":"Sneaked in"}',
    });
    expect(response.status).toBe(403);
    expect(await hall.as('head').get<unknown[]>('/api/squads')).toHaveLength(1);
  });

  it('names the field and says a plain sentence for bad input', async () => {
    const head = hall.as('head');
    expect(await head.refused('POST', '/api/squads', { name: 5 })).toMatchObject({
      status: 422,
      errors: [{ field: 'name', detail: 'Name must be a string.' }],
    });
    expect((await head.refused('POST', '/api/squads', '{broken')).status).toBe(400);
    expect((await head.refused('POST', '/api/squads', { name: 'x'.repeat(600_000) })).status).toBe(413);
    expect((await head.refused('PUT', '/api/people/not-an-id', {})).detail).toContain('not a valid id');
  });
});

describe('the first account', () => {
  it('is made once, in an empty hall, and never again', async () => {
    const request = { hallName: 'New hall', name: 'First', login: 'first', password: 'long enough now' };
    expect((await hall.as('nobody').refused('POST', '/api/first-account', request)).status).toBe(409);
  });
});

describe('staff', () => {
  it('are added by the head coach, and the last head coach stays', async () => {
    const head = hall.as('head');
    const { id } = await head.ok<{ id: string }>('POST', '/api/staff', {
      login: 'New',
      name: 'New coach',
      role: 'coach',
      squadIds: [hall.squadId],
      password: 'long enough now',
    });
    await signIn(hall.app, 'new', 'long enough now');
    await head.ok('PUT', `/api/staff/${id}`, {
      login: 'new',
      name: 'New coach',
      role: 'coach',
      squadIds: [],
      active: false,
    });
    await expect(signIn(hall.app, 'new', 'long enough now')).rejects.toThrow('401');
    const list = await head.get<{ id: string; login: string }[]>('/api/staff');
    const own = list.find((s) => s.login === 'head')!;
    const problem = await head.refused('PUT', `/api/staff/${own.id}`, {
      login: 'head',
      name: 'head',
      role: 'viewer',
      squadIds: [],
      active: true,
    });
    expect(problem.detail).toContain('at least one active head coach');
  });
});
