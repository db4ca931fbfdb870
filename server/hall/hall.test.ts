import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Squad, Start } from '../../contract/hall.ts';
import type { Person, RestrictionRow } from '../../contract/people.ts';
import { testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';
import { dayIn } from './store.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const settings = {
  name: 'Test hall',
  timeZone: 'Europe/Lisbon',
  paper: 'Letter',
  massUnit: 'lb',
  lengthUnit: 'in',
};

describe('the hall', () => {
  it('keeps its settings, and refuses a time zone that is none', async () => {
    await hall.as('head').ok('PUT', '/api/hall', settings);
    expect((await hall.as('viewer').get<Start>('/api/start')).hall).toMatchObject(settings);
    const problem = await hall
      .as('head')
      .refused('PUT', '/api/hall', { ...settings, timeZone: 'Harbour/Time' });
    expect(problem.errors).toMatchObject([{ field: 'timeZone' }]);
    expect((await hall.as('viewer').get<Start>('/api/start')).hall).toMatchObject(settings);
  });
  it('has its own day', () => {
    const at = new Date('2026-11-24T23:30:00Z');
    expect([dayIn('UTC', at), dayIn('Asia/Tokyo', at), dayIn('America/Lima', at)]).toEqual([
      '2026-11-24',
      '2026-11-25',
      '2026-11-24',
    ]);
  });
  it('names each squad once', async () => {
    const head = hall.as('head');
    const { id } = await head.ok<{ id: string }>('POST', '/api/squads', { name: 'Novices' });
    expect((await head.refused('POST', '/api/squads', { name: 'Novices' })).detail).toContain('already');
    await head.ok('PUT', `/api/squads/${id}`, { name: 'Improvers' });
    expect((await hall.as('coach').get<Squad[]>('/api/squads')).map((s) => s.name)).toEqual([
      'Improvers',
      'Squad',
    ]);
    expect(
      (await head.refused('PUT', '/api/squads/00000000-0000-4000-8000-000000000000', { name: 'X' })).status,
    ).toBe(404);
  });
  it('hands out everything as one file, to the head coach', async () => {
    const response = await hall.as('head').send('GET', '/api/backup');
    expect(response.headers.get('content-disposition')).toContain('meister-2026-11-24.ndjson.gz');
    const lines = gunzipSync(Buffer.from(await response.arrayBuffer()))
      .toString()
      .trimEnd()
      .split('\n');
    expect(JSON.parse(lines[0]!)).toMatchObject({ format: 'meister-backup', version: 1 });
    expect(JSON.parse(lines.at(-1)!)).toEqual({ end: lines.length - 2 });
    expect((await hall.as('coach').send('GET', '/api/backup')).status).toBe(403);
  });
});

describe('people', () => {
  const person = { name: 'Wim Sallow', squadId: null, statureM: null, massKg: null, note: '' };
  it.each([
    ['a name that is empty', { name: '' }, 'name'],
    ['a stature in centimetres', { statureM: 178 }, 'statureM'],
    ['a mass below nought', { massKg: -3 }, 'massKg'],
    ['a squad that is no id', { squadId: 'juniors' }, 'squadId'],
    ['a member nobody knows', { birthday: '2010-01-01' }, 'birthday'],
  ])('are refused with %s', async (_what, change, field) => {
    const problem = await hall.as('head').refused('POST', '/api/people', { ...person, ...change });
    expect(problem.errors?.map((e) => e.field)).toContain(field);
    expect(await hall.as('head').get<Person[]>('/api/people')).toEqual([]);
  });
  it('take text as text, whatever it looks like', async () => {
    const name = `<script>alert(1)</script> "O'Neil" شِراع 🚣`;
    const { id } = await hall.as('head').ok<{ id: string }>('POST', '/api/people', { ...person, name });
    expect((await hall.as('head').get<Person[]>('/api/people'))[0]!.name).toBe(name);
    await hall.as('head').ok('PUT', `/api/people/${id}`, { ...person, name: 'Wim Sallow', statureM: 1.78 });
    expect((await hall.as('head').get<Person[]>('/api/people'))[0]).toMatchObject({
      name: 'Wim Sallow',
      statureM: 1.78,
    });
  });
  it('carry restrictions with who said so, and lift them once', async () => {
    const head = hall.as('head');
    const [someone] = await head.get<Person[]>('/api/people');
    const path = `/api/people/${someone!.id}/restrictions`;
    const bar = {
      bars: [{ bars: 'pattern', pattern: 'lunge' }],
      from: '2026-11-20',
      until: '2026-11-10',
      saidBy: 'a doctor',
    };
    expect((await head.refused('POST', path, bar)).detail).toContain('before the first');
    expect(
      (await head.refused('POST', path, { ...bar, bars: [{ bars: 'pattern', pattern: 'swim' }] })).status,
    ).toBe(422);
    const { id } = await head.ok<{ id: string }>('POST', path, { ...bar, until: null });
    await head.ok('POST', `/api/restrictions/${id}/lift`, { source: 'the doctor' });
    expect(
      (await head.refused('POST', `/api/restrictions/${id}/lift`, { source: 'again' })).detail,
    ).toContain('already');
    expect(await head.get<RestrictionRow[]>(path)).toMatchObject([
      { saidBy: 'a doctor', recordedBy: 'head', liftedOn: '2026-11-24', liftedSource: 'the doctor' },
    ]);
  });
});
