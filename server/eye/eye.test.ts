import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { EyeChecked, MeasurementRequest, PersonEye, Trials } from '../../contract/eye.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { rangeOf } from '../../core/posture/index.ts';
import { squat } from '../../core/testing/repertoire.ts';
import { keptTrack, truthTrack } from '../../core/track/index.ts';
import { measurementOf, placedPerson, setOf, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

const TODAY = '2026-11-24';
const PICTURE = `data:image/jpeg;base64,${Buffer.from('not looked into').toString('base64')}`;

let hall: TestHall;
let person: string;
beforeAll(async () => {
  hall = await testHall();
  person = await placedPerson(hall, 'hold');
});
afterAll(() => hall.close());

const mechanics = squat();
const TRACK = keptTrack(
  truthTrack(
    {
      build: REFERENCE_BUILD,
      mechanics,
      range: rangeOf(REFERENCE_BUILD, mechanics as never),
      tempo: { loweringS: 1, bottomS: 0, risingS: 1, topS: 0 },
      reps: 1,
      view: 'side',
    },
    10,
    { pxPerM: 200, x: 320, y: 430 },
  ),
);
const measurement = (of: Partial<MeasurementRequest> = {}) =>
  measurementOf(person, { track: TRACK, pictures: [PICTURE], ...of });
const eye = () => hall.as('head').get<PersonEye>(`/api/people/${person}/eye`);
const consent = (given: boolean, of: { minor?: boolean; pictures?: boolean; guardian?: string } = {}) =>
  hall.as('coach').send('PUT', `/api/people/${person}/eye/consent`, {
    given,
    minor: false,
    pictures: true,
    guardian: '',
    ...of,
  });

describe('measuring somebody', () => {
  it('needs their word first, and a guardian’s of who is under age', async () => {
    const id = randomUUID();
    const before = await hall.as('coach').send('PUT', `/api/measurements/${id}`, measurement());
    expect(before.status).toBe(403);
    expect((await consent(true, { minor: true, guardian: ' ' })).status).toBe(422);
    expect((await eye()).consent).toBeNull();
    expect((await consent(true)).status).toBe(200);
    expect((await eye()).consent).toMatchObject({ given: true, minor: false, withdrawnOn: null });
    expect((await hall.as('coach').send('PUT', `/api/measurements/${id}`, measurement())).status).toBe(200);
    const [kept] = (await eye()).measurements;
    expect(kept).toMatchObject({ id, hasTrack: true, pictures: [PICTURE], range: true });
    const { track } = await hall.as('head').get<{ track: string }>(`/api/people/${person}/eye/${id}/track`);
    expect(track).toBe(TRACK);
  });

  it('sent twice it is one, and the id of somebody else is refused', async () => {
    const { id } = (await eye()).measurements[0]!;
    await hall.as('coach').ok('PUT', `/api/measurements/${id}`, measurement({ range: false }));
    expect((await eye()).measurements.map((m) => [m.id, m.range])).toEqual([[id, false]]);
    const other = await placedPerson(hall, 'hold');
    await hall.as('head').ok('PUT', `/api/people/${other}/eye/consent`, {
      given: true,
      minor: false,
      pictures: true,
      guardian: '',
    });
    const response = await hall
      .as('head')
      .send('PUT', `/api/measurements/${id}`, measurement({ personId: other }));
    expect(response.status).toBe(409);
    expect(
      (await hall.as('head').send('DELETE', `/api/measurements/${id}`, { personId: other })).status,
    ).toBe(404);
  });

  it('refuses a day to come, a track that is none, and pictures that are none', async () => {
    const put = (of: object) =>
      hall.as('coach').send('PUT', `/api/measurements/${randomUUID()}`, { ...measurement(), ...of });
    expect((await put({ date: '2026-12-24' })).status).toBe(422);
    expect((await put({ track: '0,1,2' })).status).toBe(422);
    expect((await put({ pictures: ['https://example.org/x.jpg'] })).status).toBe(422);
    expect((await eye()).measurements).toHaveLength(1);
  });

  it('taken back, track and pictures go at once and the numbers stay; all of it goes out with the person', async () => {
    expect((await consent(false)).status).toBe(200);
    const { consent: said, measurements } = await eye();
    // Who had agreed and when stays written down.
    expect(said).toMatchObject({ given: false, date: TODAY, withdrawnOn: TODAY, minor: false });
    expect(measurements).toHaveLength(1);
    expect(measurements[0]).toMatchObject({ hasTrack: false, pictures: [], rate: 15 });
    expect(
      (await hall.as('coach').send('PUT', `/api/measurements/${randomUUID()}`, measurement())).status,
    ).toBe(403);
  });

  it('tells how measuring and the eye agree, without a name', async () => {
    await consent(true);
    const by = (reps: number, range: boolean | null) =>
      measurement({ byEye: { reps, range, tempo: null }, reps: [] });
    for (const m of [by(0, true), by(2, false), by(0, null)])
      await hall.as('coach').ok('PUT', `/api/measurements/${randomUUID()}`, m);
    const checked = await hall.as('coach').get<EyeChecked>('/api/eye/checked');
    expect(checked).toEqual({
      sets: 3,
      reps: { of: 3, same: 2, meanOff: 2 / 3 },
      range: { of: 2, same: 1 },
      tempo: { of: 0, same: 0 },
    });
  });
});

describe('what became of it afterwards', () => {
  const one = (of: Partial<MeasurementRequest>) =>
    hall.as('coach').send('PUT', `/api/measurements/${randomUUID()}`, measurement({ pictures: null, ...of }));
  const shown = async () => (await eye()).measurements.map((m) => m.setId);

  it('counts for nothing once its set was taken back, or where the set is somebody else’s', async () => {
    await consent(true);
    const before = (await hall.as('coach').get<EyeChecked>('/api/eye/checked')).sets;
    const [own, foreign] = [randomUUID(), randomUUID()];
    await hall.as('coach').ok('PUT', `/api/sets/${own}`, setOf(person));
    const other = await placedPerson(hall, 'hold');
    await hall.as('head').ok('PUT', `/api/sets/${foreign}`, setOf(other));
    const byEye = { reps: 0, range: null, tempo: null };
    for (const setId of [own, foreign, randomUUID()]) expect((await one({ setId, byEye })).status).toBe(200);
    expect((await shown()).filter((s) => s !== null)).toEqual([own]);
    expect((await hall.as('coach').get<EyeChecked>('/api/eye/checked')).sets).toBe(before + 1);
    await hall.as('coach').ok('DELETE', `/api/sets/${own}`, { edit: 2 });
    expect((await shown()).filter((s) => s !== null)).toEqual([]);
    expect((await hall.as('coach').get<EyeChecked>('/api/eye/checked')).sets).toBe(before);
  });

  it('keeps no picture of who is under age, whatever is sent, and forgets no guardian on the way out', async () => {
    await consent(true, { minor: true, pictures: false, guardian: 'A parent, by letter' });
    expect((await one({ pictures: [PICTURE] })).status).toBe(403);
    expect((await one({})).status).toBe(200);
    await consent(false);
    expect((await eye()).consent).toMatchObject({
      minor: true,
      guardian: 'A parent, by letter',
      given: false,
    });
  });

  it('is told to whoever covers them no further than that they agreed', async () => {
    const { id: squadId } = await hall
      .as('head')
      .ok<{ id: string }>('POST', '/api/squads', { name: 'Elsewhere' });
    const apart = await hall.as('head').ok<{ id: string }>('POST', '/api/people', {
      name: 'Apart',
      squadId,
      statureM: null,
      massKg: null,
      note: '',
    });
    await hall.as('head').ok('PUT', `/api/people/${apart.id}/eye/consent`, {
      given: true,
      minor: false,
      pictures: true,
      guardian: '',
    });
    await hall
      .as('head')
      .ok('PUT', `/api/measurements/${randomUUID()}`, measurementOf(apart.id, { pictures: [PICTURE] }));
    expect((await hall.as('coach').send('GET', `/api/people/${apart.id}/eye`)).status).toBe(403);
    await hall.as('coach').ok('POST', `/api/cover`, { people: [apart.id], reason: 'Their coach is away.' });
    const told = await hall.as('coach').get<PersonEye>(`/api/people/${apart.id}/eye`);
    expect(told).toMatchObject({ consent: { given: true }, measurements: [] });
  });
});

describe('the coach’s eye', () => {
  const judged = {
    clip: 'squat side 1',
    shown: 'heels-go-light',
    amount: 0.8,
    offered: ['heels-go-light', 'chest-falls'],
    said: null,
  };
  const trials = async (who: 'head' | 'coach') => (await hall.as(who).get<Trials>('/api/eye/trials')).trials;

  it('keeps what was said as first said, and shows it to the coach and the head coach alone', async () => {
    const id = randomUUID();
    await hall.as('coach').ok('PUT', `/api/eye/trials/${id}`, judged);
    await hall.as('coach').ok('PUT', `/api/eye/trials/${id}`, { ...judged, said: 'heels-go-light' });
    expect(await trials('coach')).toMatchObject([judged]);
    await hall.as('head').ok('PUT', `/api/eye/trials/${randomUUID()}`, judged);
    expect(await trials('coach')).toHaveLength(1);
    expect(await trials('head')).toHaveLength(2);
    expect((await hall.as('head').send('PUT', `/api/eye/trials/${id}`, judged)).status).toBe(409);
  });

  it('refuses what could not be said', async () => {
    const response = await hall
      .as('coach')
      .send('PUT', `/api/eye/trials/${randomUUID()}`, { ...judged, said: 'ribs-flare' });
    expect(response.status).toBe(422);
  });
});
