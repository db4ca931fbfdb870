import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { Problem } from '../contract/problem.ts';
import { complaintOf } from './complaint.ts';
import { clientOf, placedPerson, testHall } from './testing/hall.ts';
import type { TestHall } from './testing/hall.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

describe('what a log says of an error', () => {
  it('is its kind, its code and where it arose, and nothing of what was asked or sent', () => {
    const cause = Object.assign(new Error('duplicate key (name)=(Ida Farrow)'), { code: '23505' });
    const error = new RangeError('Failed query: insert ... params: Ida Farrow, pain 8', { cause });
    const words = complaintOf(error);
    expect(words.split('\n')[0]).toBe('RangeError < Error 23505');
    expect(words).toContain('complaint.test.ts');
    for (const secret of ['Ida', 'Farrow', 'pain', 'insert']) expect(words).not.toContain(secret);
    expect(complaintOf('Ida Farrow')).toBe('a thrown string');
    expect(complaintOf(Object.assign(new Error('x'), { code: 'Ida Farrow is not a code' }))).not.toContain(
      'Ida',
    );
  });

  it('stands under a number that whoever asked sees too, with the pattern of the route', async () => {
    const person = await placedPerson(hall);
    const broken = new Proxy(hall.db, {
      get: (db, key, self) => {
        if (key === 'transaction') throw new Error(`planted: ${person}`);
        return Reflect.get(db, key, self) as unknown;
      },
    });
    const app = hall.server({ db: broken });
    const said = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const coach = clientOf(app, hall.cookie('coach'));
    const response = await coach.send('PUT', `/api/people/${person}/check-in/2026-11-24`, {
      here: true,
      pain: null,
      sleepH: null,
      atEase: null,
      note: 'planted-note',
    });
    const problem = (await response.json()) as Problem;
    expect([response.status, problem.requestId]).toEqual([500, expect.stringMatching(/^[A-Z2-9]{8}$/)]);
    expect(problem.detail).toContain(problem.requestId!);
    const log = said.mock.calls.flat().join(' ');
    said.mockRestore();
    expect(log).toContain(`${problem.requestId} PUT /api/people/:person/check-in/:date 500: Error`);
    for (const secret of [person, 'planted', '2026-11-24']) expect(log).not.toContain(secret);
  });
});
