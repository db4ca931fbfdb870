import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { PersonOnLadders, SetRequest } from '../../contract/log.ts';
import type { ReportToRead, StopsOfPerson } from '../../contract/reports.ts';
import type { OwnDay, OwnLinkMade, Today } from '../../contract/session.ts';
import { schema } from '../db/index.ts';
import { clientOf, deviceOf, placedPerson, setOf, testHall } from '../testing/hall.ts';
import type { Client, TestHall } from '../testing/hall.ts';
import { reportsFromLog } from './stops.ts';

const TODAY = '2026-11-24';
const CLEARANCE = { saidBy: 'Physiotherapist', what: 'Bridges, no load', until: null };

let hall: TestHall;
let head: Client;
let coach: Client;
let person: string;
beforeAll(async () => {
  hall = await testHall();
  [head, coach] = [hall.as('head'), hall.as('coach')];
});
afterAll(() => hall.close());
beforeEach(async () => {
  hall.setNow(`${TODAY}T12:00:00Z`);
  person = await placedPerson(hall);
});

const put = (change: Partial<SetRequest> = {}, id: string = randomUUID()) =>
  coach.ok('PUT', `/api/sets/${id}`, setOf(person, change)).then(() => id);
const page = () => coach.get<PersonOnLadders>(`/api/people/${person}/ladders`);
const bridge = async () => (await page()).ladders.find((l) => l.ladder.slug === 'bridge-ladder')!.decision!;
const stops = () => coach.get<StopsOfPerson>(`/api/people/${person}/stops`);
const open = async () => (await stops()).reports.filter((r) => r.open);
const clear = (body: object = CLEARANCE) => head.ok('POST', `/api/people/${person}/clearances`, body);
const press = (reach: string, id = randomUUID()) =>
  coach.ok('PUT', `/api/stops/${id}`, { personId: person, date: TODAY, reach, pain: null, words: 'Dizzy' });

describe('a stop', () => {
  it('is made by pain of seven and by no less', async () => {
    await head.ok('POST', `/api/people/${person}/place`, {
      ladder: 'bridge-ladder',
      level: 'hold',
      reason: 'A level from which there is a step back.',
    });
    await put({ pain: 6.5, variation: 'floor-hold', doneReps: null, holdS: 20 });
    expect(await open()).toEqual([]);
    expect((await bridge()).outcome).toBe('step back');
    await put({ pain: 7 });
    expect(await open()).toMatchObject([
      { told: 'set', pain: 7, reach: 'everything', doing: 'Glute bridge' },
    ]);
    const decision = await bridge();
    expect(decision.outcome).toBe('stop and refer');
    expect(decision.reasons.map((r) => r.text)).toEqual([
      'Stopped on 2026-11-24: pain 7 of 10, in a set.',
      'Nothing at all until the head coach clears it.',
    ]);
  });

  it.each([
    ['deleted', (id: string) => coach.ok('DELETE', `/api/sets/${id}`, { edit: 2 })],
    ['moved to another day', (id: string) => put({ pain: 8, edit: 2, date: '2026-10-01' }, id)],
    ['corrected', (id: string) => put({ pain: 0, edit: 2 }, id)],
    [
      'corrected to another variation',
      (id: string) => put({ pain: 1, edit: 2, variation: 'floor-hold' }, id),
    ],
  ])('stands when its set is %s', async (_, change) => {
    const id = await put({ pain: 8 });
    await change(id);
    expect(await open()).toMatchObject([{ pain: 8, date: TODAY }]);
    expect((await bridge()).outcome).toBe('stop and refer');
  });

  it('is one, however often its set is sent, and rises with it', async () => {
    const id = await put({ pain: 3 });
    await put({ pain: 3 }, id);
    expect((await stops()).reports).toMatchObject([{ pain: 3, reach: null, open: false }]);
    const knee = { region: 'front of knee', kind: 'pain', side: 'left' } as const;
    await put({ pain: 4, edit: 2, sensations: [knee] }, id);
    await put({ pain: 9, edit: 3 }, id);
    await put({ pain: 9, edit: 3 }, id);
    await put({ pain: 2, edit: 4 }, id);
    // Where it hurt is not taken back by what leaves it out.
    expect((await stops()).reports.filter((r) => r.told === 'set')).toMatchObject([
      { felt: [knee], pain: 9, reach: 'everything', open: true },
    ]);
  });

  it('comes from the questions before work, and stands when they are answered anew', async () => {
    const answers = { here: true, pain: 8, sleepH: null, atEase: null, note: 'Back' };
    await coach.ok('PUT', `/api/people/${person}/check-in/${TODAY}`, answers);
    await coach.ok('PUT', `/api/people/${person}/check-in/${TODAY}`, { ...answers, pain: 0 });
    expect(await open()).toMatchObject([{ told: 'check-in', pain: 8, words: 'Back' }]);
  });

  it('comes from a file of sets', async () => {
    const name = (await head.get<{ id: string; name: string }[]>('/api/people')).find(
      (p) => p.id === person,
    )!.name;
    const text = `person,date,variation,repetitions,pain\n${name},${TODAY},floor-lift,8,7\n${name},2025-11-01,floor-lift,8,9`;
    await coach.ok('POST', '/api/sets/csv', { text });
    // What hurt a year ago is told, and stops nobody today.
    expect((await stops()).reports.map((r) => [r.date, r.pain, r.open])).toEqual([
      [TODAY, 7, true],
      ['2025-11-01', 9, false],
    ]);
  });

  it('is pressed for a pattern: the others go on', async () => {
    await press('squat');
    expect((await bridge()).outcome).not.toBe('stop and refer');
    const id = randomUUID();
    await press('bridge', id);
    await press('bridge', id);
    expect((await open()).map((r) => r.reach).sort()).toEqual(['bridge', 'squat']);
    expect((await bridge()).reasons.map((r) => r.text)).toEqual([
      'Stopped on 2026-11-24: stop was pressed.',
      'No bridge until the head coach clears it.',
    ]);
  });

  it('is made where pain asks for a step back and nothing easier is left, and outlives those sets', async () => {
    const ids = [];
    for (const ordinal of [1, 2, 3]) ids.push(await put({ pain: 6, ordinal }));
    expect(await open()).toMatchObject([{ told: 'outcome', reach: 'bridge', pain: null }]);
    for (const id of ids) await coach.ok('DELETE', `/api/sets/${id}`, { edit: 2 });
    expect((await bridge()).outcome).toBe('stop and refer');
  });

  it('is not overridden, by nobody: no move, no trial, no placement', async () => {
    await put({ pain: 8 });
    const { detail } = await head.refused('POST', `/api/people/${person}/moves`, {
      ladder: 'bridge-ladder',
      proposed: 'stop and refer',
      chosen: 'hold',
      level: null,
      reason: 'I know better.',
    });
    expect(detail).toContain('A stop is not overridden');
    const place = { ladder: 'bridge-ladder', level: 'lift', reason: 'Anew.' };
    expect(await head.refused('POST', `/api/people/${person}/place`, place)).toMatchObject({ status: 409 });
    const trial = { ladder: 'squat-ladder', experience: 'new', atEase: null, careful: false, trials: [] };
    for (const path of ['placements/next', 'placements']) {
      expect(await coach.refused('POST', `/api/people/${person}/${path}`, trial)).toMatchObject({
        status: 409,
      });
    }
    // What was done is still written down.
    await put({ ordinal: 2 });
  });
});

describe('a clearance', () => {
  it('is the head coach’s, names who gave it and what, and needs something to clear', async () => {
    expect(await head.refused('POST', `/api/people/${person}/clearances`, CLEARANCE)).toMatchObject({
      status: 409,
    });
    await put({ pain: 8 });
    expect(await coach.refused('POST', `/api/people/${person}/clearances`, CLEARANCE)).toMatchObject({
      status: 403,
    });
    for (const wrong of [
      { ...CLEARANCE, saidBy: '' },
      { ...CLEARANCE, what: '' },
      { ...CLEARANCE, until: '2026-11-23' },
    ]) {
      expect(await head.refused('POST', `/api/people/${person}/clearances`, wrong)).toMatchObject({
        status: 422,
      });
    }
    await clear();
    expect(await open()).toEqual([]);
    expect((await stops()).clearances).toMatchObject([
      { ...CLEARANCE, reaches: ['everything'], date: TODAY, by: 'head' },
    ]);
    expect((await bridge()).outcome).not.toBe('stop and refer');
  });

  it('closes the evidence: nothing before it counts, not for and not against', async () => {
    for (const date of ['2026-11-17', '2026-11-20']) {
      for (const ordinal of [1, 2, 3]) await put({ date, ordinal, effort: 4, pain: 0 });
    }
    const eight = await put({ pain: 8 });
    await clear();
    expect((await bridge()).sessionDates).toEqual([]);
    // Sent again, or corrected without more pain, the closed set opens nothing.
    await put({ pain: 8, doneReps: 5, edit: 2 }, eight);
    expect(await open()).toEqual([]);
    // What is done after it counts, the same day too.
    await put({ ordinal: 2 });
    expect((await bridge()).sessionDates).toEqual([TODAY]);
    expect((await bridge()).setIds).not.toContain(eight);
    // Stronger than it was cleared for, it stops anew.
    await put({ pain: 9, edit: 3 }, eight);
    expect(await open()).toMatchObject([{ pain: 9 }]);
  });

  it('moves somebody up again on what they do after it', async () => {
    await put({ pain: 8 });
    await clear();
    for (const date of ['2026-11-26', '2026-11-29', '2026-12-02']) {
      hall.setNow(`${date}T12:00:00Z`);
      for (const ordinal of [1, 2, 3]) await put({ date, ordinal });
    }
    expect((await bridge()).outcome).toBe('move up');
  });

  it('given until a day stops anew after it', async () => {
    await put({ pain: 8 });
    await clear({ ...CLEARANCE, until: '2026-11-26' });
    hall.setNow('2026-11-26T12:00:00Z');
    expect(await open()).toEqual([]);
    hall.setNow('2026-11-27T12:00:00Z');
    expect(await open()).toHaveLength(1);
    await clear();
    expect(await open()).toEqual([]);
  });

  it('that is renewed after its time takes nothing back of what was done meanwhile', async () => {
    await put({ pain: 8 });
    await clear({ ...CLEARANCE, until: '2026-12-01' });
    for (const date of ['2026-11-26', '2026-11-29', '2026-12-01']) {
      hall.setNow(`${date}T12:00:00Z`);
      for (const ordinal of [1, 2, 3]) await put({ date, ordinal });
    }
    expect((await bridge()).outcome).toBe('move up');
    hall.setNow('2026-12-02T12:00:00Z');
    expect((await open()).map((r) => r.lapsed)).toEqual([true]);
    expect((await bridge()).outcome).toBe('stop and refer');
    await clear();
    expect(await bridge()).toMatchObject({
      outcome: 'move up',
      sessionDates: ['2026-11-26', '2026-11-29', '2026-12-01'],
    });
  });

  it('is not undone by what was done before it and is sent late', async () => {
    await put({ pain: 8, date: '2026-11-20' });
    await clear();
    await put({ pain: 9, date: '2026-11-21' });
    expect(await open()).toEqual([]);
    await put({ pain: 9, date: TODAY });
    expect(await open()).toHaveLength(1);
  });
});

describe('alone at home', () => {
  it('pain and the press of stop are told to the coaches, and nothing more is proposed', async () => {
    const { url } = await coach.ok<OwnLinkMade>('POST', `/api/people/${person}/own-links`, { days: 5 });
    const alone = await deviceOf(hall.app, url);
    const { base } = alone;
    await alone.ok('PUT', `${base}/sets/${randomUUID()}`, setOf(person, { pain: 2 }));
    expect((await alone.get<OwnDay>(base)).stopped).toEqual([]);
    await alone.ok('PUT', `${base}/stops/${randomUUID()}`, { words: 'Sharp in the knee' });
    const day = await alone.get<OwnDay>(base);
    expect(day.stopped).toEqual(['everything']);
    expect(day.lines).toEqual([]);
    expect((await stops()).reports).toMatchObject([
      { told: 'alone', words: 'Sharp in the knee', reach: 'everything', open: true },
      { told: 'alone', pain: 2, reach: null },
    ]);
    const stranger = clientOf(hall.app, null);
    expect(await stranger.refused('PUT', `${base}/stops/${randomUUID()}`, { words: '' })).toMatchObject({
      status: 401,
    });
  });
});

describe('what was reported', () => {
  const unread = async (who: Client) =>
    (await who.get<ReportToRead[]>('/api/reports')).filter((r) => r.personId === person && r.unread);

  it('waits for each of those who look after the person until they take note; who told it knows', async () => {
    await put({ pain: 3, sensations: [{ region: 'front of knee', kind: 'pain', side: 'left' }] });
    expect(await unread(coach)).toEqual([]);
    const [told] = await unread(head);
    expect(told).toMatchObject({
      pain: 3,
      felt: [{ region: 'front of knee', side: 'left' }],
      by: 'coach',
      open: false,
    });
    await head.ok('POST', '/api/reports/read', { reports: [told!.id] });
    expect(await unread(head)).toEqual([]);
    // The same set, worse: it is new to everybody but who told it.
    const [stored] = await hall.db.select().from(schema.report).where(eq(schema.report.id, told!.id));
    await put({ pain: 5, edit: 2 }, stored!.source.replace('set ', ''));
    expect((await unread(head)).filter((r) => r.told === 'set')).toMatchObject([{ pain: 5 }]);
  });

  it('stays as long as it stops, read or not', async () => {
    await press('bridge');
    expect(await head.get<ReportToRead[]>('/api/reports')).toMatchObject(
      expect.arrayContaining([expect.objectContaining({ personId: person, open: true })]) as object,
    );
    const [told] = await unread(head);
    await head.ok('POST', '/api/reports/read', { reports: [told!.id] });
    const after = (await head.get<ReportToRead[]>('/api/reports')).filter((r) => r.personId === person);
    expect(after).toMatchObject([{ open: true, unread: false }]);
    const today = await coach.get<Today>(`/api/today?people=${person}`);
    expect(today.people[0]!.stops).toMatchObject([{ reach: 'bridge', told: 'press' }]);
  });

  it('is nobody’s to take note of who does not look after the person', async () => {
    await press('bridge');
    const [told] = await unread(head);
    await hall.as('stand-in').ok('POST', '/api/reports/read', { reports: [told!.id] });
    const rows = await hall.db
      .select()
      .from(schema.reportRead)
      .where(eq(schema.reportRead.reportId, told!.id));
    expect(rows).toHaveLength(1);
    expect(await hall.as('stand-in').get('/api/reports')).toEqual([]);
  });
});

describe('a log that was kept before there were reports', () => {
  it('is read once: strong pain of the last months stops, pain of the last days is told', async () => {
    const old = await testHall();
    const own = old.as('coach');
    const who = await placedPerson(old);
    const log = (date: string, pain: number) =>
      own.ok('PUT', `/api/sets/${randomUUID()}`, setOf(who, { date, pain }));
    await log('2026-11-22', 3);
    await log('2026-10-22', 4);
    await log('2026-10-23', 8);
    await log('2026-06-01', 9);
    await old.db.delete(schema.report);
    await reportsFromLog(old.db, TODAY);
    await reportsFromLog(old.db, TODAY);
    const told = await old.db.select().from(schema.report).orderBy(schema.report.date);
    expect(told.map((r) => [r.date, r.pain, r.reach])).toEqual([
      ['2026-10-23', 8, 'everything'],
      ['2026-11-22', 3, null],
    ]);
    // The set that it stands for is known: sent again, it is no second report.
    await own.ok(
      'PUT',
      `/api/sets/${told[0]!.source.replace('set ', '')}`,
      setOf(who, { date: '2026-10-23', pain: 8, edit: 2 }),
    );
    expect(await old.db.select().from(schema.report)).toHaveLength(2);
    await old.close();
  });
});
