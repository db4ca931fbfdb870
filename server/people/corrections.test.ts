import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CorrectionRow, PersonBuild } from '../../contract/people.ts';
import { addStaff } from '../hall/index.ts';
import { hashPassword } from '../access/index.ts';
import { clientOf, placedPerson, setOf, signIn, testHall } from '../testing/hall.ts';
import type { Client, TestHall } from '../testing/hall.ts';

let hall: TestHall;
let head: Client;
let coach: Client;
beforeAll(async () => {
  hall = await testHall();
  [head, coach] = [hall.as('head'), hall.as('coach')];
});
afterAll(() => hall.close());

const of = (id: string) => coach.get<CorrectionRow[]>(`/api/people/${id}/corrections`);
const TODAY = '2026-11-24';

describe('what is changed about a person', () => {
  it('keeps the fields that differ, as they were and as they are, and who changed them', async () => {
    const id = await placedPerson(hall);
    const [person] = (await head.get<{ id: string; name: string }[]>('/api/people')).filter(
      (p) => p.id === id,
    );
    const about = { name: person!.name, squadId: hall.squadId, statureM: 1.7, massKg: 65, note: '' };
    await head.ok('PUT', `/api/people/${id}`, about);
    expect(await of(id)).toEqual([]);
    await head.ok('PUT', `/api/people/${id}`, { ...about, massKg: 66.5, note: 'Rows bow side.' });
    expect(await of(id)).toMatchObject([
      {
        what: 'details',
        before: { massKg: 65, note: '' },
        after: { massKg: 66.5, note: 'Rows bow side.' },
        by: 'head',
      },
    ]);
  });

  it('in answers before work, builds, range tests, own answers, chains and cases', async () => {
    const id = await placedPerson(hall);
    const asked = { here: true, pain: 4, sleepH: 7, atEase: null, note: '' };
    await coach.ok('PUT', `/api/people/${id}/check-in/${TODAY}`, asked);
    await coach.ok('PUT', `/api/people/${id}/check-in/${TODAY}`, { ...asked, pain: 0 });
    await coach.ok('PUT', `/api/people/${id}/build`, { massSet: 'reference', measured: { thigh: 0.42 } });
    await coach.ok('PUT', `/api/people/${id}/build`, { massSet: 'reference', measured: { thigh: 0.43 } });
    const { id: test } = await coach.ok<{ id: string }>('POST', `/api/people/${id}/range-tests`, {
      date: TODAY,
      method: 'knee to wall',
      side: 'left',
      value: 0.1,
    });
    await coach.ok('DELETE', `/api/range-tests/${test}`);
    expect((await coach.get<PersonBuild>(`/api/people/${id}/build`)).tests).toEqual([]);
    expect((await coach.refused('DELETE', `/api/range-tests/${test}`)).status).toBe(404);
    await head.ok('PUT', `/api/people/${id}/answers/depth`, { answer: 'level-for-all', why: 'Knee' });
    await head.ok('DELETE', `/api/people/${id}/answers/depth`);
    const of1 = (await of(id)).map(({ what, before, after }) => [what, before, after]);
    expect(of1).toMatchObject([
      ['own answer', { answer: 'level-for-all', why: 'Knee' }, { answer: null, why: null }],
      ['range test', { method: 'knee to wall', value: 0.1, recordedBy: 'coach' }, { value: null }],
      ['build', { thigh: 0.42 }, { thigh: 0.43 }],
      ['questions before work', { pain: 4 }, { pain: 0 }],
    ]);
  });

  it('of one thing keeps the newest hundred', async () => {
    const id = await placedPerson(hall);
    const answers = { here: true, pain: null, sleepH: null, atEase: null };
    for (let n = 0; n <= 103; n++) {
      await coach.ok('PUT', `/api/people/${id}/check-in/${TODAY}`, { ...answers, note: `Word ${n}` });
    }
    const rows = await of(id);
    expect([rows.length, rows[0]!.after.note, rows.at(-1)!.before.note]).toEqual([100, 'Word 103', 'Word 3']);
  });

  it('is read by those who look after the person alone', async () => {
    const id = await placedPerson(hall);
    expect((await hall.as('stand-in').refused('GET', `/api/people/${id}/corrections`)).status).toBe(403);
  });
});

describe('who wrote something down', () => {
  it('is known by their id: a namesake is somebody else', async () => {
    const hash = await hashPassword('a-long-password');
    await addStaff(
      hall.db,
      { login: 'namesake', name: 'coach', role: 'coach', squadIds: [hall.squadId], password: '' },
      hash,
    );
    const namesake = clientOf(hall.app, await signIn(hall.app, 'namesake', 'a-long-password'));
    const id = await placedPerson(hall);
    const set = randomUUID();
    await coach.ok('PUT', `/api/sets/${set}`, setOf(id));
    expect((await coach.refused('PUT', `/api/ratings/${set}`, { faults: [] })).status).toBe(409);
    const toRate = async (who: Client) =>
      (await who.get<{ id: string }[]>(`/api/ratings?people=${id}`)).length;
    expect([await toRate(coach), await toRate(namesake)]).toEqual([0, 1]);
    await namesake.ok('PUT', `/api/ratings/${set}`, { faults: [] });
    expect(await toRate(namesake)).toBe(0);
    await head.ok('PUT', `/api/ratings/${set}`, { faults: [] });
  });
});
