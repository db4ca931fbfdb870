import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { Today } from '../contract/session.ts';
import type { PersonLine } from '../core/floor/index.ts';
import { PersonMemo } from './memo.ts';
import { placedPerson, setOf, testHall } from './testing/hall.ts';
import type { TestHall } from './testing/hall.ts';

describe('what was put together about people', () => {
  const make = () => vi.fn((ids: string[]) => Promise.resolve(new Map(ids.map((id) => [id, `of ${id}`]))));

  it('is made once, for many who ask at once, and anew for whom it is old', async () => {
    const memo = new PersonMemo();
    const work = make();
    const ask = (state = 'a') => memo.of('x', state, ['ida', 'piet'], work);
    const all = await Promise.all(Array.from({ length: 50 }, () => ask()));
    expect(work.mock.calls).toEqual([[['ida', 'piet']]]);
    expect([...all[7]!]).toEqual([
      ['ida', 'of ida'],
      ['piet', 'of piet'],
    ]);
    memo.changed('piet');
    await ask();
    expect(work.mock.calls.at(-1)).toEqual([['piet']]);
    memo.changed(null);
    await ask();
    await ask('b');
    expect(work.mock.calls.slice(2)).toEqual([[['ida', 'piet']], [['ida', 'piet']]]);
  });

  it('is not kept where it changed while it was made, or failed', async () => {
    const memo = new PersonMemo();
    const slow = vi.fn(async (ids: string[]) => {
      memo.changed('ida');
      await Promise.resolve();
      return new Map(ids.map((id) => [id, 'old']));
    });
    await memo.of('x', '', ['ida'], slow);
    const work = make();
    expect((await memo.of('x', '', ['ida'], work)).get('ida')).toBe('of ida');
    memo.changed('ida');
    await expect(memo.of('x', '', ['ida'], () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    expect((await memo.of('x', '', ['ida'], work)).get('ida')).toBe('of ida');
  });
});

describe('today and overview', () => {
  let hall: TestHall;
  beforeAll(async () => void (hall = await testHall()));
  afterAll(() => hall.close());

  it('say what is so now, whatever was changed and by which address', async () => {
    const [head, coach] = [hall.as('head'), hall.as('coach')];
    const id = await placedPerson(hall, 'hold');
    const said = async () => {
      const today = await coach.get<Today>(`/api/today?people=${id}`);
      const lines = (await coach.get<PersonLine[]>('/api/overview')).filter((l) => l.personId === id);
      return JSON.stringify([today, lines]);
    };
    let before = await said();
    expect(await said()).toBe(before);
    const steps: [string, string, unknown][] = [
      [
        'PUT',
        `/api/sets/${crypto.randomUUID()}`,
        setOf(id, { variation: 'floor-hold', doneReps: null, holdS: 20 }),
      ],
      [
        'PUT',
        `/api/people/${id}/check-in/2026-11-24`,
        { here: true, pain: 2, sleepH: 7, atEase: 8, note: '' },
      ],
      ['POST', `/api/people/${id}/place`, { ladder: 'bridge-ladder', level: 'lift', reason: 'x' }],
      [
        'PUT',
        `/api/stops/${crypto.randomUUID()}`,
        { personId: id, date: '2026-11-24', reach: 'bridge', pain: null, words: '' },
      ],
      ['POST', `/api/people/${id}/clearances`, { saidBy: 'x', what: 'y', until: null }],
      [
        'POST',
        `/api/people/${id}/restrictions`,
        { bars: [{ bars: 'all' }], from: '2026-11-01', until: null, saidBy: 'x' },
      ],
      ['PUT', `/api/squads/${hall.squadId}`, { name: 'Squad', trainingDays: [7] }],
      [
        'PUT',
        `/api/people/${id}`,
        { name: 'Ida', squadId: hall.squadId, statureM: 1.7, massKg: 60, note: '', firstAid: 'Asthma' },
      ],
    ];
    for (const [method, path, body] of steps) {
      await head.ok(method, path, body);
      const after = await said();
      expect({ path, changed: after !== before }).toEqual({ path, changed: true });
      before = after;
    }
    hall.setNow('2026-11-26T12:00:00Z');
    expect(await said()).not.toBe(before);
  });
});
