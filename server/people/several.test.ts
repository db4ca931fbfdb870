import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Squad } from '../../contract/hall.ts';
import type { PeopleRequest, Person } from '../../contract/people.ts';
import { testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const row = (name: string, squad = ''): PeopleRequest['people'][number] => ({
  name,
  squad,
  statureM: null,
  massKg: null,
  note: '',
});
const add = (...people: PeopleRequest['people']) =>
  hall.as('head').ok('POST', '/api/people/several', { people });
const refused = (people: unknown) => hall.as('head').refused('POST', '/api/people/several', { people });
const people = () => hall.as('head').get<Person[]>('/api/people');

describe('several people at once', () => {
  it('come with their squads, which are made where they are missing', async () => {
    await hall.as('head').ok('POST', '/api/squads', { name: 'Eights' });
    expect(
      await add(row('Moss', 'Eights'), { ...row('Teal', 'Fours'), massKg: 71 }, row('Fern', 'Fours')),
    ).toEqual({
      added: 3,
    });
    const squads = await hall.as('head').get<Squad[]>('/api/squads');
    expect(squads.filter((s) => s.name === 'Eights')).toHaveLength(1);
    const fours = squads.filter((s) => s.name === 'Fours');
    expect(fours).toHaveLength(1);
    const teal = (await people()).find((p) => p.name === 'Teal');
    expect(teal).toMatchObject({ squadId: fours[0]!.id, massKg: 71, emergency: '' });
  });
  it('are added whole or not at all, with the row that is wrong', async () => {
    const before = (await people()).length;
    expect((await refused([row('Reed', 'Pairs'), row('Moss')])).detail).toBe(
      'Row 2: There is a "Moss" already. Nobody was added.',
    );
    expect((await refused([row('Reed'), row('Reed')])).detail).toContain('stands in the list twice');
    expect((await refused([{ ...row('Reed'), massKg: 4000 }])).errors).toMatchObject([
      { field: 'people[0].massKg' },
    ]);
    expect((await refused([])).status).toBe(422);
    expect((await refused(Array.from({ length: 501 }, (_, i) => row(`P${i}`)))).status).toBe(422);
    expect(await people()).toHaveLength(before);
    expect((await hall.as('head').get<Squad[]>('/api/squads')).some((s) => s.name === 'Pairs')).toBe(false);
  });
  it('are added by the head coach alone', async () => {
    for (const who of ['coach', 'stand-in', 'viewer'] as const) {
      const { status } = await hall.as(who).refused('POST', '/api/people/several', { people: [row('Reed')] });
      expect(status).toBe(403);
    }
  });
});
