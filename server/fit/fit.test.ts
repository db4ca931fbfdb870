import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { FitForPerson } from '../../contract/fit.ts';
import type { SetRequest } from '../../contract/log.ts';
import type { Person } from '../../contract/people.ts';
import { blankPiece } from '../../core/terms/index.ts';
import type { SettingUsed } from '../../core/terms/index.ts';
import { placedPerson, setOf, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
let id: string;
beforeAll(async () => {
  hall = await testHall();
  id = await placedPerson(hall);
  const head = hall.as('head');
  const box = (heightM: number) => ({
    ...blankPiece(randomUUID(), 'plyo-box', { form: 'height', sizes: { heightM } }),
    edit: 0,
  });
  await head.ok('PUT', '/api/kit', { pieces: [box(0.3), box(0.4)] });
  await measured(1.75, null);
});
afterAll(() => hall.close());

async function measured(statureM: number | null, massKg: number | null) {
  const one = (await hall.as('head').get<Person[]>('/api/people')).find((p) => p.id === id)!;
  const { name, squadId, note } = one;
  await hall.as('head').ok('PUT', `/api/people/${id}`, { name, squadId, note, statureM, massKg });
}
const fit = (variation: string, who: 'coach' | 'head' | 'stand-in' | 'viewer' = 'coach') =>
  hall.as(who).get<FitForPerson>(`/api/people/${id}/fit/${variation}`);
const used = (value: number): SettingUsed[] => [{ name: 'box height', value, side: null }];
const noted = (date: string, value: number, more: Partial<SetRequest> = {}) =>
  hall
    .as('coach')
    .ok(
      'PUT',
      `/api/sets/${randomUUID()}`,
      setOf(id, { variation: 'box-squat', date, settings: used(value), ...more }),
    );

describe('how a variation is set to somebody', () => {
  it('is computed from stature, with the shoe of the hall, on the hall’s own boxes', async () => {
    const found = await fit('box-squat');
    const [row] = found.card!.rows;
    // 40.1 cm barefoot for 1.75 m, and 2.5 cm of sole.
    expect(row!.asked!.m).toBeCloseTo(0.426, 3);
    expect(row!.own).toMatchObject({ heightM: 0.4, setting: used(0.4) });
    expect(found).toMatchObject({ last: null, own: [] });
    expect(found.assumed).toContain('body mass');
  });

  it('stands beside what was used last, and becomes their own when it was set otherwise twice', async () => {
    hall.setNow('2026-11-24T12:00:00Z');
    await noted('2026-11-17', 0.45);
    expect(await fit('box-squat')).toMatchObject({
      last: { date: '2026-11-17', settings: used(0.45) },
      own: [],
    });
    await noted('2026-11-20', 0.45);
    expect((await fit('box-squat')).own).toEqual(used(0.45));
    await noted('2026-11-24', 0.4);
    expect(await fit('box-squat')).toMatchObject({ last: { settings: used(0.4) }, own: [] });
  });

  it('is barefoot where they were barefoot last', async () => {
    const barefoot = { settings: [{ name: 'footwear', value: 'barefoot', side: null }] as SettingUsed[] };
    await noted('2026-11-24', 0.4, { variation: 'touch-box-squat', ...barefoot });
    expect((await fit('touch-box-squat')).card!.soleM).toBe(0);
  });

  it('says nothing without a stature, and is shown to those who look after them alone', async () => {
    await measured(null, 70);
    expect((await fit('box-squat')).card).toBeNull();
    await measured(1.75, 70);
    expect((await hall.as('viewer').refused('GET', `/api/people/${id}/fit/box-squat`)).status).toBe(403);
    expect((await hall.as('stand-in').refused('GET', `/api/people/${id}/fit/box-squat`)).status).toBe(403);
    expect((await hall.as('coach').refused('GET', `/api/people/${id}/fit/a-boat`)).status).toBe(404);
  });
});
