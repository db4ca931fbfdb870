import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { FootLoadRow, PersonBuild } from '../../contract/people.ts';
import { placedPerson, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
let id: string;
beforeAll(async () => {
  hall = await testHall();
  id = await placedPerson(hall);
});
afterAll(() => hall.close());

const build = () => hall.as('coach').get<PersonBuild>(`/api/people/${id}/build`);
const test = { date: '2026-11-20', method: 'knee to wall', side: 'left', value: 0.08 };

describe("a person's build", () => {
  it('starts from stature and mass, with nothing measured', async () => {
    expect(await build()).toEqual({
      personId: id,
      statureM: 1.7,
      massKg: 65,
      massSet: 'reference',
      measured: {},
      tests: [],
    });
  });
  it('keeps measured segments and the table of masses, and replaces them whole', async () => {
    const coach = hall.as('coach');
    await coach.ok('PUT', `/api/people/${id}/build`, {
      massSet: 'women',
      measured: { thigh: 0.44, shank: 0.41 },
    });
    await coach.ok('PUT', `/api/people/${id}/build`, { massSet: 'women', measured: { thigh: 0.44 } });
    expect(await build()).toMatchObject({ massSet: 'women', measured: { thigh: 0.44 } });
    expect((await build()).measured).not.toHaveProperty('shank');
  });
  it('refuses a segment that does not go with the stature, and keeps what was there', async () => {
    const problem = await hall
      .as('coach')
      .refused('PUT', `/api/people/${id}/build`, { massSet: 'women', measured: { thigh: 0.95 } });
    expect(problem).toMatchObject({ status: 422 });
    expect(problem.detail).toContain('measured.thigh: 95.0 cm does not go with a stature of 170 cm');
    expect((await build()).measured).toEqual({ thigh: 0.44 });
    const odd = await hall.as('coach').refused('PUT', `/api/people/${id}/build`, {
      massSet: 'dwarves',
      measured: { tail: 1 },
    });
    expect(odd.errors?.map((e) => e.field).sort()).toEqual(['massSet', 'measured.tail']);
  });
});

describe('weight on the feet', () => {
  const load = { date: '2026-11-20', front: null, leftKg: 36, rightKg: 29, shiftCm: -1.5 };
  const at = () => `/api/people/${id}/foot-loads`;
  it('is kept newest first with who read it, and taken out again with a word in the corrections', async () => {
    const coach = hall.as('coach');
    const { id: old } = await coach.ok<{ id: string }>('POST', at(), load);
    await coach.ok('POST', at(), { ...load, date: '2026-11-21', front: 'right', shiftCm: null });
    expect(await coach.get<FootLoadRow[]>(at())).toMatchObject([
      { date: '2026-11-21', front: 'right', shiftCm: null },
      { ...load, recordedBy: 'coach' },
    ]);
    await coach.ok('DELETE', `/api/foot-loads/${old}`);
    expect((await coach.send('DELETE', `/api/foot-loads/${old}`)).status).toBe(404);
    expect(await coach.get<FootLoadRow[]>(at())).toHaveLength(1);
    expect(await coach.get(`/api/people/${id}/corrections`)).toContainEqual(
      expect.objectContaining({
        what: 'weight on the feet',
        before: { date: '2026-11-20', leftKg: 36, rightKg: 29, shiftCm: -1.5, recordedBy: 'coach' },
      }),
    );
  });
  it('is refused where a part of them stood on neither scale, or the day has not come', async () => {
    const refused = (of: object) => hall.as('coach').refused('POST', at(), { ...load, ...of });
    expect((await refused({ rightKg: 10 })).detail).toContain('they weigh 65');
    expect((await refused({ date: '2099-01-01' })).detail).toContain('future');
    expect((await refused({ leftKg: 1, rightKg: 1 })).detail).toContain('less than 10 kg');
  });
});

describe('range tests', () => {
  it('are kept with their dates and who recorded them, oldest first', async () => {
    const coach = hall.as('coach');
    await coach.ok('POST', `/api/people/${id}/range-tests`, test);
    await coach.ok('POST', `/api/people/${id}/range-tests`, { ...test, date: '2026-10-01', value: 0.05 });
    expect((await build()).tests.map((t) => [t.date, t.value, t.recordedBy])).toEqual([
      ['2026-10-01', 0.05, 'coach'],
      ['2026-11-20', 0.08, 'coach'],
    ]);
  });
  it('are refused where no ankle or hip gives such a value, or the day has not come', async () => {
    const coach = hall.as('coach');
    const refused = async (change: object) =>
      (await coach.refused('POST', `/api/people/${id}/range-tests`, { ...test, ...change })).detail;
    expect(await refused({ value: 8 })).toContain('between −5 and 25 cm');
    expect(await refused({ value: 0.24 })).toContain('no ankle bends that far');
    expect(await refused({ method: 'hip angle', value: 200 })).toContain('between 40° and 160°');
    expect(await refused({ date: '2026-11-25' })).toContain('in the future');
    expect((await build()).tests).toHaveLength(2);
  });
  it('can be taken back, once', async () => {
    const [first] = (await build()).tests;
    await hall.as('coach').ok('DELETE', `/api/range-tests/${first!.id}`);
    expect((await hall.as('coach').refused('DELETE', `/api/range-tests/${first!.id}`)).status).toBe(404);
    expect((await build()).tests).toHaveLength(1);
  });
  it('need a stature before a distance can be an angle', async () => {
    const head = hall.as('head');
    const { id: other } = await head.ok<{ id: string }>('POST', '/api/people', {
      name: 'Unmeasured',
      squadId: null,
      statureM: null,
      massKg: null,
      note: '',
    });
    expect((await head.refused('POST', `/api/people/${other}/range-tests`, test)).detail).toContain(
      'Note the stature first',
    );
    await head.ok('POST', `/api/people/${other}/range-tests`, { ...test, method: 'ankle angle', value: 30 });
  });
  it('go with the export and are gone with the person', async () => {
    const head = hall.as('head');
    const data = await head.get<{ build: PersonBuild }>(`/api/people/${id}/export`);
    expect(data.build.tests).toHaveLength(1);
    const people = await head.get<{ id: string; name: string }[]>('/api/people');
    const { name } = people.find((p) => p.id === id)!;
    await head.ok('DELETE', `/api/people/${id}`, { name });
    expect((await head.get<PersonBuild[]>('/api/builds')).some((b) => b.personId === id)).toBe(false);
  });
});
