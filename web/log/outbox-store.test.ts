import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SetRequest } from '../../contract/log.ts';
import { set } from '../../core/testing/samples.ts';
import { outbox } from './outbox-store.ts';

type Answer = { status: number; body: unknown } | 'unreachable';
let answer: (method: string, path: string) => Answer | Promise<Answer>;
let sent: string[];

beforeEach(async () => {
  sent = [];
  vi.stubGlobal('navigator', { locks: { request: (_name: string, work: () => Promise<void>) => work() } });
  vi.stubGlobal('dispatchEvent', () => true);
  vi.stubGlobal('fetch', async (path: string, init: { method: string }) => {
    sent.push(`${init.method} ${path}`);
    const a = await answer(init.method, path);
    if (a === 'unreachable') throw new TypeError('no network');
    return { ok: a.status < 400, status: a.status, json: () => Promise.resolve(a.body) };
  });
  for (const p of outbox.current()) await outbox.discard(p.id);
});
afterEach(() => vi.unstubAllGlobals());

const received = (receivedAt: string): Answer => ({
  status: 200,
  body: { id: 'a', edit: 1, flaggedMoves: [], receivedAt },
});
const beat = (boot: string, snapshotAt: string | null): Answer => ({
  status: 200,
  body: { boot, snapshotAt, now: '' },
});

function request(change: Partial<SetRequest> = {}): SetRequest {
  const { id: _id, sessionId: _session, ...fields } = set('2026-11-24');
  return { ...fields, personId: 'p', edit: 1, ...change };
}
const put = async (id: string, edit = 1) => {
  await outbox.put({ id, personId: 'p', set: request({ edit }), edit });
  await outbox.flush();
};
const states = () => Object.fromEntries(outbox.current().map((p) => [p.id, p.state]));

describe('whose it is', () => {
  afterEach(() => outbox.signedInAs(undefined));

  it('goes out as the one who did it and waits while somebody else is signed in', async () => {
    answer = () => 'unreachable';
    outbox.signedInAs({ id: 'jo', name: 'Jo' });
    await put('a');
    outbox.signedInAs({ id: 'ash', name: 'Ash' });
    await put('b');
    answer = () => received('2026-11-24T10:00:00Z');
    sent = [];
    await outbox.flush();
    expect(sent).toEqual(['PUT /api/sets/b']);
    expect(states()).toEqual({ a: 'waiting', b: 'sent' });
    outbox.signedInAs({ id: 'jo', name: 'Jo' });
    await outbox.flush();
    expect(sent).toEqual(['PUT /api/sets/b', 'PUT /api/sets/a']);
  });

  it('says as whom it is sent, and what an older version kept goes out as before', async () => {
    const headers: unknown[] = [];
    vi.stubGlobal('fetch', (_path: string, init: { headers: Record<string, string> }) => {
      headers.push(init.headers['meister-sent-as']);
      return Promise.resolve({
        ok: true,
        status: 200,
        json: () => Promise.resolve({ id: 'a', edit: 1, flaggedMoves: [], receivedAt: 'x' }),
      });
    });
    await put('a');
    outbox.signedInAs({ id: 'jo', name: 'Jo' });
    await put('b');
    expect([...new Set(headers)]).toEqual([undefined, 'jo']);
  });
});

describe('the outbox', () => {
  it('keeps a set first and sends it then; without network it waits, in order, and is tried again', async () => {
    answer = () => 'unreachable';
    await put('a');
    await put('b');
    expect(states()).toEqual({ a: 'waiting', b: 'waiting' });
    answer = () => received('2026-11-24T10:00:00Z');
    sent = [];
    await outbox.flush();
    expect(sent).toEqual(['PUT /api/sets/a', 'PUT /api/sets/b']);
    expect(states()).toEqual({ a: 'sent', b: 'sent' });
  });

  it('waits while nobody is signed in or the server is broken, and keeps what is refused with the reason', async () => {
    for (const status of [401, 500, 503]) {
      answer = () => ({ status, body: { status, detail: 'no' } });
      await put('a');
      expect(states()).toEqual({ a: 'waiting' });
    }
    answer = () => ({ status: 422, body: { status: 422, detail: 'date: lies in the future.' } });
    await outbox.flush();
    expect(outbox.current()).toMatchObject([{ state: 'refused', error: 'date: lies in the future.' }]);
    await outbox.discard('a');
    expect(states()).toEqual({});
  });

  it('sends the correction that was made while the set was on its way', async () => {
    let release: (a: Answer) => void = () => undefined;
    answer = () => new Promise<Answer>((done) => (release = done));
    await outbox.put({ id: 'a', personId: 'p', set: request(), edit: 1 });
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    const first = release;
    answer = () => received('2026-11-24T10:00:01Z');
    await outbox.put({ id: 'a', personId: 'p', set: request({ edit: 2, doneReps: 4 }), edit: 2 });
    first(received('2026-11-24T10:00:00Z'));
    await outbox.flush();
    await vi.waitFor(() => expect(outbox.current()).toMatchObject([{ edit: 2, state: 'sent' }]));
    expect(sent.length).toBeGreaterThanOrEqual(2);
  });

  it('sends a deletion', async () => {
    answer = () => received('2026-11-24T10:00:00Z');
    await outbox.put({ id: 'a', personId: 'p', set: null, edit: 2 });
    await outbox.flush();
    expect(sent).toContain('DELETE /api/sets/a');
  });

  it('keeps sent sets until a snapshot covers them, and sends them again to a server started anew', async () => {
    answer = (_method, path) =>
      path === '/api/heartbeat' ? beat('one', null) : received('2026-11-24T10:00:00Z');
    await put('a');
    await outbox.check();
    expect(states()).toEqual({ a: 'sent' });
    answer = (_method, path) =>
      path === '/api/heartbeat' ? beat('two', '2026-11-24T09:59:00Z') : received('2026-11-24T10:01:00Z');
    sent = [];
    await outbox.check();
    expect(sent).toEqual(['GET /api/heartbeat', 'PUT /api/sets/a']);
    answer = () => beat('two', '2026-11-24T10:05:00Z');
    await outbox.check();
    expect(states()).toEqual({});
  });

  it('runs errands too: kept first, sent when it can be, a newer one in place of the older', async () => {
    const errand = (pain: number) => ({
      method: 'PUT' as const,
      path: '/api/people/p/check-in/2026-11-24',
      body: { pain },
      words: 'The questions before work',
    });
    answer = () => 'unreachable';
    await outbox.run('check-in p', 'p', errand(2));
    await outbox.run('check-in p', 'p', errand(0));
    await outbox.flush();
    expect(outbox.current()).toMatchObject([{ state: 'waiting', errand: { body: { pain: 0 } } }]);
    answer = () => received('2026-11-24T10:00:00Z');
    sent = [];
    await outbox.flush();
    expect(sent).toEqual(['PUT /api/people/p/check-in/2026-11-24']);
    expect(states()).toEqual({ 'check-in p': 'sent' });
  });

  it('keeps what a decision had stood on until it is seen, snapshot or not', async () => {
    answer = (_method, path) =>
      path === '/api/heartbeat'
        ? beat('one', '2026-11-24T11:00:00Z')
        : {
            status: 200,
            body: { id: 'a', edit: 2, flaggedMoves: ['m'], receivedAt: '2026-11-24T10:00:00Z' },
          };
    await put('a', 2);
    await vi.waitFor(() => expect(outbox.current()).toMatchObject([{ state: 'sent', flaggedMoves: 1 }]));
    await outbox.check();
    expect(states()).toEqual({ a: 'sent' });
    await outbox.seen('a');
    await outbox.check();
    expect(states()).toEqual({});
  });
});

it('forgets what one person sent long ago, or all of theirs, and nothing of others', async () => {
  answer = () => received('2026-11-24T10:00:00Z');
  await put('of another');
  const own = async (id: string) => {
    await outbox.run(id, 'own', { method: 'PUT', path: `/api/x/${id}`, body: {}, words: id });
    await outbox.flush();
  };
  await own('old');
  answer = () => received('2026-12-01T10:00:00Z');
  await own('new');
  answer = () => 'unreachable';
  await own('waits');
  await outbox.forget('own', '2026-11-25T00:00:00Z');
  expect(Object.keys(states()).sort()).toEqual(['new', 'of another', 'waits']);
  await outbox.forget('own');
  expect(Object.keys(states())).toEqual(['of another']);
});
