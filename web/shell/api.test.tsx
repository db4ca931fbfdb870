import { afterEach, describe, expect, it, vi } from 'vitest';
import { answering, No } from '../testing/in-hall.tsx';
import { ask, queryClient, queryOf, Refused, refresh, refreshAfter, send, Unreachable } from './api.ts';

afterEach(() => vi.unstubAllGlobals());

const failing = async (work: Promise<unknown>) => {
  try {
    await work;
  } catch (error) {
    return error;
  }
  throw new Error('It did not fail.');
};

const NOBODY = { name: '', squadId: null, statureM: null, massKg: null, note: '' };

describe('a request', () => {
  it('gives the answer, and sends a body as JSON', async () => {
    const sent = answering({ 'POST /api/squads': (body: unknown) => ({ kept: body }) });
    expect(await send('addSquad', {}, { name: 'Quay' })).toEqual({ kept: { name: 'Quay' } });
    expect(sent).toEqual([{ method: 'POST', path: '/api/squads', body: { name: 'Quay' } }]);
  });

  it('that is refused says so in the server’s words, by field', async () => {
    answering({
      'POST /api/people': new No(422, 'name: Is empty. Nothing was changed.', {
        errors: [{ field: 'name', detail: 'Is empty.' }],
      }),
    });
    const error = (await failing(send('addPerson', {}, NOBODY))) as Refused;
    expect(error).toBeInstanceOf(Refused);
    expect(error.message).toBe('name: Is empty. Nothing was changed.');
    expect([error.field('name'), error.field('mass')]).toEqual(['Is empty.', undefined]);
  });

  it('without an answer, or with one that is no sentence, says that what was entered is kept', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    expect(await failing(ask('start'))).toBeInstanceOf(Unreachable);
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('<html>Bad gateway</html>', { status: 502 })));
    const error = (await failing(ask('start'))) as Error;
    expect(error).toBeInstanceOf(Unreachable);
    expect(error.message).toContain('What you entered is kept');
  });

  it('refused for want of a sign-in tells the shell, but not while signing in', async () => {
    const out = vi.fn();
    addEventListener('meister:signed-out', out);
    answering({
      'GET /api/people': new No(401, 'Sign in first.'),
      'POST /api/sign-in': new No(401, 'Wrong.'),
    });
    await failing(ask('people'));
    expect(out).toHaveBeenCalledTimes(1);
    await failing(send('signIn', {}, { login: '', password: '' }));
    expect(out).toHaveBeenCalledTimes(1);
    removeEventListener('meister:signed-out', out);
  });

  it('is asked again only where nobody answered, twice at the most', () => {
    const retry = queryClient.getDefaultOptions().queries!.retry as (n: number, e: Error) => boolean;
    expect([0, 1, 2].map((n) => retry(n, new Unreachable()))).toEqual([true, true, false]);
    expect(retry(0, new Refused(new No(403, 'No.').problem))).toBe(false);
  });
});

describe('what was touched', () => {
  const keys = () =>
    queryClient
      .getQueryCache()
      .findAll({ predicate: (q) => q.state.isInvalidated })
      .map((q) => q.queryKey.map((k) => (typeof k === 'string' ? k : JSON.stringify(k))).join(' '))
      .sort();
  const known = () => {
    queryClient.clear();
    for (const query of [
      queryOf('people'),
      queryOf('staff'),
      queryOf('library'),
      queryOf('answers', { person: 'a' }),
      queryOf('answers', { person: 'b' }),
      queryOf('personOnLadders', { person: 'a' }),
      queryOf('sheet', { slug: 'squat' }),
    ]) {
      queryClient.setQueryData<unknown>(query.queryKey, {});
    }
  };

  it('is asked for anew, of the person it was about, and nothing else is', async () => {
    known();
    await refreshAfter(queryClient, 'saveAnswer', { person: 'a', question: 'depth' });
    expect(keys()).toEqual([
      'answers {"person":"a"}',
      'personOnLadders {"person":"a"}',
      'sheet {"slug":"squat"}',
    ]);
    known();
    await refresh(queryClient, ['staff']);
    expect(keys()).toEqual(['staff {}']);
    known();
    await refreshAfter(queryClient, 'checkDocuments');
    expect(keys()).toEqual([]);
  });

  it('is everything where somebody signed in or out', async () => {
    known();
    await refreshAfter(queryClient, 'signOut');
    expect(keys()).toHaveLength(7);
  });
});
