import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Ladder } from '../../core/library/index.ts';
import type { PersonOnLadders, SetRequest, SetResult } from '../../contract/log.ts';
import type {
  CsvPreview,
  CsvResult,
  OwnDay,
  OwnLinkMade,
  OwnLinkRow,
  PersonHistory,
  PlacementAnswer,
  PlacementRow,
  Today,
  TryResult,
} from '../../contract/session.ts';
import { schema } from '../db/index.ts';
import { documentIn, deviceOf, placedPerson as placedToday, setOf, testHall } from '../testing/hall.ts';
import type { TestHall, Who } from '../testing/hall.ts';

const TODAY = '2026-11-24';
let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

/** Placed some weeks ago, so that sets of days before count. */
async function placedPerson(of: TestHall, level?: string, ladder?: string): Promise<string> {
  of.setNow('2026-11-01T12:00:00Z');
  const id = await placedToday(of, level, ladder);
  of.setNow(`${TODAY}T12:00:00Z`);
  return id;
}

const log = (set: SetRequest, id: string = randomUUID(), who: Who = 'coach') =>
  hall.as(who).ok<SetResult>('PUT', `/api/sets/${id}`, set);
const todayOf = async (id: string, who: Who = 'coach') =>
  (await hall.as(who).get<Today>(`/api/today?people=${id}`)).people[0]!;
const ladders = (id: string, who: Who = 'coach') =>
  hall.as(who).get<PersonOnLadders>(`/api/people/${id}/ladders`);
const nameOf = async (id: string) =>
  (await hall.as('head').get<{ id: string; name: string }[]>('/api/people')).find((p) => p.id === id)!.name;

describe('today', () => {
  it('gives the next set with target, aids and settings of last time, and cues', async () => {
    const id = await placedPerson(hall);
    await log(setOf(id, { date: '2026-11-22', aids: [{ name: 'Band', setting: '12 kg pull' }] }));
    const person = await todayOf(id);
    expect(person).toMatchObject({ expected: true, lastSession: '2026-11-22' });
    const [line] = person.lines;
    expect(line).toMatchObject({
      ladder: 'bridge-ladder',
      levelNumber: 1,
      variation: 'floor-lift',
      target: { sets: 2, reps: 8 },
      next: {
        number: 1,
        of: 2,
        reps: 8,
        aids: [{ name: 'Band', setting: '12 kg pull' }],
        settingsFrom: '2026-11-22',
      },
      wayOn: '10 repetitions a set',
      wayOnDue: false,
    });
    expect(line!.cues).toHaveLength(3);
    await log(setOf(id, { doneReps: 12 }));
    expect((await todayOf(id)).lines[0]!.next).toMatchObject({ number: 2, done: false });
    expect((await ladders(id)).settings).toEqual([
      {
        variation: 'floor-lift',
        date: '2026-11-22',
        aids: [{ name: 'Band', setting: '12 kg pull' }],
        settings: [],
      },
    ]);
  });

  it('gives back the settings of last time, however long ago, and takes no uneven rack', async () => {
    const id = await placedPerson(hall);
    const rack = (left: number, right: number) => ({
      settings: [
        { name: 'rack hooks' as const, value: left, side: 'left' as const },
        { name: 'rack hooks' as const, value: right, side: 'right' as const },
        { name: 'footwear' as const, value: 'flat shoe', side: null },
        { name: 'box height' as const, value: 0.45, side: null, as: 'computed' as const },
      ],
    });
    await log(setOf(id, { date: '2026-11-02', ...rack(9, 9) }));
    for (const day of ['05', '09', '12', '16', '19']) await log(setOf(id, { date: `2026-11-${day}` }));
    const { next } = (await todayOf(id)).lines[0]!;
    expect(next).toMatchObject({ ...rack(9, 9), settingsFrom: '2026-11-02', aids: null });
    const refused = await hall
      .as('coach')
      .refused('PUT', `/api/sets/${randomUUID()}`, setOf(id, rack(9, 10)));
    expect(refused.detail).toContain('rack hooks: left 9, right 10. The bar would lie uneven');
    const words = [{ name: 'footwear', value: 'stilts', side: null }];
    const odd = await hall
      .as('coach')
      .refused('PUT', `/api/sets/${randomUUID()}`, { ...setOf(id), settings: words });
    expect(odd.detail).toContain('"stilts" is none of');
    expect((await ladders(id)).settings[0]).toMatchObject({ variation: 'floor-lift', ...rack(9, 9) });
  });

  it('begins one-sided work with the weaker side', async () => {
    const id = await placedPerson(hall, 'lift', 'one-leg-bridge-ladder');
    const oneLeg = async () =>
      (await todayOf(id)).lines.find((l) => l.ladder === 'one-leg-bridge-ladder')!.next;
    const set = { date: '2026-11-22', variation: 'one-leg-lift' };
    await log(setOf(id, { ...set, side: 'left', doneReps: 10 }));
    await log(setOf(id, { ...set, side: 'right', doneReps: 7, ordinal: 2 }));
    expect(await oneLeg()).toMatchObject({ side: 'right' });
    await log(setOf(id, { ...set, date: TODAY, side: 'right', doneReps: 8 }));
    // No more than is asked, though the weaker side did more.
    expect(await oneLeg()).toMatchObject({ side: 'left', reps: 6 });
  });

  it('says what to watch: a fault again and again, a restriction, cues that worked and failed', async () => {
    const id = await placedPerson(hall);
    for (const date of ['2026-11-18', '2026-11-20', '2026-11-22']) {
      await log(setOf(id, { date, faults: [{ fault: 'rolls-up', side: null, reps: 1 }] }));
    }
    const [worked, failed] = (await todayOf(id)).lines[0]!.cues;
    const tried = (cue: string, outcome: string) =>
      hall.as('coach').ok('PUT', `/api/cues-tried/${randomUUID()}`, {
        personId: id,
        date: TODAY,
        variation: 'floor-lift',
        cue,
        outcome,
      });
    await tried(worked!.slug, 'same');
    await tried(failed!.slug, 'better');
    await hall.as('head').ok('POST', `/api/people/${id}/restrictions`, {
      bars: [{ bars: 'impact' }],
      from: '2026-11-01',
      until: '2026-12-01',
      saidBy: 'a parent',
    });
    const { lines, ask } = await todayOf(id);
    expect(lines[0]!.watch.map((w) => w.kind).sort()).toEqual([
      'cue failed',
      'cue works',
      'fault',
      'restriction',
    ]);
    expect(lines[0]!.cues[0]).toMatchObject({ slug: failed!.slug, record: 'works' });
    expect(lines[0]!.cues.map((c) => c.slug)).not.toContain(worked!.slug);
    expect(ask).toBe('A restriction is in force.');
  });

  it('knows who is expected: the days of the squad, and who said they are away', async () => {
    const head = hall.as('head');
    const id = await placedPerson(hall);
    // 24 November 2026 is a Tuesday.
    await head.ok('PUT', `/api/squads/${hall.squadId}`, { name: 'Squad', trainingDays: [1, 3] });
    expect((await todayOf(id)).expected).toBe(false);
    const answers = { here: true, pain: null, sleepH: null, atEase: null, note: '' };
    await hall.as('coach').ok('PUT', `/api/people/${id}/check-in/${TODAY}`, answers);
    expect((await todayOf(id)).expected).toBe(true);
    await head.ok('PUT', `/api/squads/${hall.squadId}`, { name: 'Squad', trainingDays: [2] });
    await hall.as('coach').ok('PUT', `/api/people/${id}/check-in/${TODAY}`, { ...answers, here: false });
    expect((await todayOf(id)).expected).toBe(false);
    await head.ok('PUT', `/api/squads/${hall.squadId}`, { name: 'Squad', trainingDays: [] });
    const odd = await head.refused('PUT', `/api/squads/${hall.squadId}`, {
      name: 'Squad',
      trainingDays: [8],
    });
    expect(odd.detail).toContain('less than or equal to 7');
  });

  it('takes as many queries for a squad as for one', async () => {
    await Promise.all([placedPerson(hall), placedPerson(hall)]);
    const all = await hall.as('coach').get<Today>(`/api/today?squad=${hall.squadId}`);
    expect(all.people.length).toBeGreaterThan(2);
    expect((await hall.as('nobody').refused('GET', '/api/today')).status).toBe(401);
    expect((await hall.as('viewer').refused('GET', '/api/today')).status).toBe(403);
  });
});

describe('the questions before work', () => {
  const answers = { here: true, pain: 3, sleepH: 7, atEase: 8, note: 'stairs' };
  it('are kept for the day, stop a move up while pain is fresh, and hide pain from others', async () => {
    const id = await placedPerson(hall);
    for (const date of ['2026-11-22', '2026-11-23']) {
      for (const ordinal of [1, 2]) await log(setOf(id, { date, ordinal, doneReps: 14 }));
    }
    const outcome = async () => (await ladders(id)).ladders[0]!.decision!.outcome;
    expect(await outcome()).toBe('move up');
    await hall.as('coach').ok('PUT', `/api/people/${id}/check-in/${TODAY}`, answers);
    expect(await outcome()).toBe('hold');
    expect(await todayOf(id)).toMatchObject({ ask: null, checkIn: { pain: 3, recordedBy: 'coach' } });
    expect(await todayOf(id, 'stand-in')).toBeUndefined();
    const without = { ...answers, pain: null, sleepH: 6 };
    for (const body of [answers, without]) {
      const denied = await hall.as('stand-in').refused('PUT', `/api/people/${id}/check-in/${TODAY}`, body);
      expect(denied.status).toBe(403);
    }
    expect((await todayOf(id)).checkIn).toMatchObject({ pain: 3, sleepH: answers.sleepH });
  });
  it.each([
    ['2026-11-25', answers, 'no day up to today'],
    ['yesterday', answers, 'no day up to today'],
    [TODAY, { ...answers, pain: 11 }, 'less than or equal to 10'],
    [TODAY, { ...answers, sleepH: -1 }, 'greater than or equal to 0'],
  ] as [string, object, string][])('refuse %s %j', async (date, body, words) => {
    const id = await placedPerson(hall);
    expect(
      (await hall.as('coach').refused('PUT', `/api/people/${id}/check-in/${date}`, body)).detail,
    ).toContain(words);
  });
});

describe('a sign-off', () => {
  it('is for staff of the squad, and counts for the level from that day', async () => {
    const id = await placedPerson(hall);
    const request = { ladder: 'bridge-ladder', level: 'lift', word: 'Clean and calm.' };
    expect((await hall.as('stand-in').refused('POST', `/api/people/${id}/sign-offs`, request)).status).toBe(
      403,
    );
    const wrong = await hall
      .as('coach')
      .refused('POST', `/api/people/${id}/sign-offs`, { ...request, level: 'roof' });
    expect(wrong.detail).toContain('has no level "roof"');
    await hall.as('coach').ok('POST', `/api/people/${id}/sign-offs`, request);
    expect((await ladders(id)).signOffs).toMatchObject([
      { level: 'lift', role: 'coach', by: 'coach', date: TODAY },
    ]);
  });
});

describe('placing by trials', () => {
  const start = {
    ladder: 'squat-ladder',
    experience: 'some',
    atEase: null,
    careful: false,
    trials: [] as object[],
  };
  const next = (id: string, request: object) =>
    hall.as('coach').ok<PlacementAnswer>('POST', `/api/people/${id}/placements/next`, request);
  it('goes from trial to trial, places at the end and leaves its evidence', async () => {
    const id = await placedPerson(hall);
    const trials: object[] = [];
    for (let n = 0; n < 5; n++) {
      const step = await next(id, { ...start, trials });
      if (step.step !== 'try') break;
      expect(step.variationName).not.toBeNull();
      const early = await hall
        .as('coach')
        .refused('POST', `/api/people/${id}/placements`, { ...start, trials });
      expect(early.detail).toContain('not at their end');
      const passed = trials.length === 0;
      trials.push({
        level: step.level,
        variation: step.variation,
        result: passed ? 'passed' : 'fault',
        note: '',
      });
    }
    expect(trials.length).toBeGreaterThanOrEqual(2);
    const kept = await hall
      .as('coach')
      .ok<{ outcome: string; level: string }>('POST', `/api/people/${id}/placements`, {
        ...start,
        trials,
      });
    expect(kept.outcome).toBe('placed');
    const { ladders: on, moves } = await ladders(id);
    expect(on.find((l) => l.ladder.slug === 'squat-ladder')!.standing!.level).toBe(kept.level);
    expect(moves[0]!.reason).toMatch(/^Placed by trials\. .*: passed; .*: a fault\.$/);
    const rows = await hall.as('coach').get<PlacementRow[]>(`/api/people/${id}/placements`);
    expect(rows).toMatchObject([{ outcome: 'placed', by: 'coach', trials }]);
  });

  it('stops on pain, keeps what was seen, and places nobody', async () => {
    const id = await placedPerson(hall);
    const first = await next(id, start);
    if (first.step !== 'try') throw new Error('no trial');
    const trials = [
      { level: first.level, variation: first.variation, result: 'pain', note: 'front of the knee' },
    ];
    const stopped = await next(id, { ...start, trials });
    expect(stopped).toMatchObject({ step: 'stop', passed: null });
    await hall.as('coach').ok('POST', `/api/people/${id}/placements`, { ...start, trials });
    expect((await ladders(id)).ladders.find((l) => l.ladder.slug === 'squat-ladder')!.standing).toBeNull();
    expect((await hall.as('stand-in').refused('GET', `/api/people/${id}/placements`)).status).toBe(403);
  });

  it('refuses those who do not see the whole evidence, and levels there are not', async () => {
    const id = await placedPerson(hall);
    expect(
      (await hall.as('stand-in').refused('POST', `/api/people/${id}/placements/next`, start)).status,
    ).toBe(403);
    const trials = [{ level: 'roof', variation: 'box-squat', result: 'passed', note: '' }];
    const odd = await hall
      .as('coach')
      .refused('POST', `/api/people/${id}/placements/next`, { ...start, trials });
    expect(odd.detail).toContain('no level "roof"');
  });
});

describe('trying a changed ladder on a log', () => {
  it('says what it would say, and keeps nothing', async () => {
    const id = await placedPerson(hall);
    for (const ordinal of [1, 2]) await log(setOf(id, { ordinal, doneReps: 9 }));
    const { body, revision } = await documentIn<Ladder>(hall, 'ladder', 'bridge-ladder');
    const changed = (advance: Ladder['levels'][number]['advance']) => ({
      ...body,
      levels: body.levels.map((l) => (l.id === 'lift' ? { ...l, advance } : l)),
    });
    const ask = (ladder: object, level = 'lift') =>
      hall.as('coach').ok<TryResult>('POST', '/api/ladders/try', { ladder, personId: id, level });
    expect((await ask(body)).decision!.outcome).toBe('hold');
    const easier = await ask(changed({ kind: 'cleanReps', reps: 9, sets: 2 }));
    expect(easier).toMatchObject({ standsHere: true, decision: { outcome: 'move up' } });
    expect(await ask(body, 'thrust')).toMatchObject({
      standsHere: false,
      since: null,
      decision: { outcome: 'hold' },
    });
    expect((await documentIn<Ladder>(hall, 'ladder', 'bridge-ladder')).revision).toBe(revision);
    const bad = await hall.as('coach').refused('POST', '/api/ladders/try', {
      ladder: changed({ kind: 'all', of: [] } as never),
      personId: id,
      level: 'lift',
    });
    expect(bad.status).toBe(422);
  });
});

describe('a failing computation', () => {
  it('on one ladder stops neither the others, nor the squad, nor logging', async () => {
    const id = await placedPerson(hall, 'band');
    await hall
      .as('head')
      .ok('POST', `/api/people/${id}/place`, { ladder: 'squat-ladder', level: 'box', reason: 'At ease.' });
    await log(setOf(id, { variation: 'band-lift', loadKind: 'band', pain: 4 }));
    const back = { date: '2026-11-24', toLevel: 'band', taken: null };
    await hall.db
      .update(schema.standing)
      .set({
        moves: [
          { ...back, kind: 'placed' },
          { ...back, kind: 'step back', cause: 'pain', painRegions: 5 as never },
        ],
      })
      .where(and(eq(schema.standing.personId, id), eq(schema.standing.ladder, 'bridge-ladder')));
    const other = await placedPerson(hall);
    const { people } = await hall.as('coach').get<Today>(`/api/today?squad=${hall.squadId}`);
    const lines = people.find((p) => p.personId === id)!.lines;
    expect(lines.find((l) => l.ladder === 'bridge-ladder')).toMatchObject({
      variation: 'band-lift',
      outcome: null,
    });
    expect(lines.find((l) => l.ladder === 'bridge-ladder')!.failure).toContain('Logging goes on');
    expect(lines.find((l) => l.ladder === 'squat-ladder')).toMatchObject({ failure: null, outcome: 'hold' });
    expect(people.find((p) => p.personId === other)!.lines[0]!.failure).toBeNull();
    await log(setOf(id));
    const on = (await ladders(id)).ladders.find((l) => l.ladder.slug === 'bridge-ladder')!;
    expect([on.decision, on.target?.reps]).toEqual([null, 10]);
    expect(on.failure).toContain('Logging goes on');
  });
});

describe('older sessions', () => {
  it('come twelve at a time', async () => {
    const id = await placedPerson(hall);
    const dates = Array.from({ length: 15 }, (_, i) => `2026-10-${String(i + 1).padStart(2, '0')}`);
    for (const date of dates) await log(setOf(id, { date }));
    const first = await ladders(id);
    expect([first.sets.length, first.sessions, first.moreSessions]).toEqual([12, 15, '2026-10-04']);
    const rest = await hall
      .as('coach')
      .get<PersonHistory>(`/api/people/${id}/sets?before=${first.moreSessions}`);
    expect(rest.sets.map((s) => s.date)).toEqual(dates.slice(0, 3));
    expect(rest.more).toBeNull();
  });
});

describe('a personal link', () => {
  const linkFor = async (id: string) => {
    const made = await hall.as('coach').ok<OwnLinkMade>('POST', `/api/people/${id}/own-links`, { days: 7 });
    return { ...made, me: await deviceOf(hall.app, made.url) };
  };
  it('shows the day and lets its holder log, correct and take back own sets, never as watched', async () => {
    const id = await placedPerson(hall);
    const { me } = await linkFor(id);
    const day = await me.get<OwnDay>(me.base);
    expect(day.lines[0]).toMatchObject({ variation: 'floor-lift', next: { reps: 8 } });
    const setId = randomUUID();
    const own = setOf(randomUUID(), {
      doneReps: 15,
      watched: true,
      faults: [{ fault: 'rolls-up', side: null, reps: 1 }],
    });
    await me.ok('PUT', `${me.base}/sets/${setId}`, own);
    const [stored] = (await ladders(id)).sets;
    expect(stored).toMatchObject({ watched: false, faults: [], own: true, doneReps: 15 });
    expect(stored!.loggedBy).toContain('(own)');
    expect((await ladders(id)).ladders[0]!.decision!.advance.judgement).toBe('unknown');
    // A coach who corrects it did not watch it either.
    await log(setOf(id, { edit: 2, doneReps: 14, watched: true }), setId);
    expect((await ladders(id)).sets[0]).toMatchObject({ watched: false, doneReps: 14 });
    expect((await me.get<OwnDay>(me.base)).sets).toMatchObject([
      { id: setId, set: { doneReps: 14, watched: false } },
    ]);
    await me.ok('DELETE', `${me.base}/sets/${setId}`, { edit: 3 });
    expect((await ladders(id)).sets).toEqual([]);
  });

  it('opens nothing else: not a coach’s set, not another person, not old days', async () => {
    const id = await placedPerson(hall);
    const { me } = await linkFor(id);
    const theirs = randomUUID();
    await log(setOf(id), theirs);
    const put = (set: SetRequest, setId: string = randomUUID()) =>
      me.refused('PUT', `${me.base}/sets/${setId}`, set);
    expect((await put(setOf(id, { edit: 2 }), theirs)).detail).toContain('A coach wrote this set down');
    expect((await me.refused('DELETE', `${me.base}/sets/${theirs}`, { edit: 2 })).status).toBe(404);
    expect((await put(setOf(id, { date: '2026-11-10' }))).detail).toContain('last 7 days');
    const other = await placedPerson(hall);
    await me.ok('PUT', `${me.base}/sets/${randomUUID()}`, setOf(other));
    expect((await ladders(other)).sets).toEqual([]);
    const stranger = hall.as('nobody');
    const open = (token: string) => stranger.refused('POST', '/api/own', { token });
    expect((await open('x'.repeat(32))).status).toBe(404);
    expect((await open('x')).status).toBe(422);
    expect((await stranger.refused('GET', me.base)).status).toBe(401);
    expect((await me.refused('GET', `/api/own/${randomUUID()}`)).status).toBe(401);
    expect((await me.refused('GET', `/api/people/${id}/ladders`)).status).toBe(401);
  });

  it('opens on one device: whoever finds it later opens nothing', async () => {
    const id = await placedPerson(hall);
    const { url, me } = await linkFor(id);
    expect(url).toMatch(/\/own#[\w-]{32}$/);
    const token = url.split('#')[1]!;
    const { status, detail } = await hall.as('nobody').refused('POST', '/api/own', { token });
    expect([status, detail]).toEqual([409, expect.stringContaining('on another phone or tablet')]);
    // On its own device it opens as often as it is tapped.
    expect((await me.send('POST', '/api/own', { token })).status).toBe(200);
    const made = await hall.as('coach').ok<OwnLinkMade>('POST', `/api/people/${id}/own-links`, { days: 7 });
    const fresh = { token: made.url.split('#')[1]! };
    const both = await Promise.all([1, 2, 3].map(() => hall.as('nobody').send('POST', '/api/own', fresh)));
    expect(both.map((r) => r.status).sort()).toEqual([200, 409, 409]);
  });

  it('talks no pain down, and rewrites no set of a coach, of whatever day', async () => {
    const id = await placedPerson(hall);
    const { me } = await linkFor(id);
    const set = randomUUID();
    const at = `${me.base}/sets/${set}`;
    const knee = { region: 'front of knee', kind: 'pain', side: 'left' } as const;
    await me.ok('PUT', at, setOf(id, { pain: 9, sensations: [knee] }));
    await me.ok('PUT', at, setOf(id, { edit: 2, pain: 0, sensations: [], doneReps: 8 }));
    expect((await ladders(id)).sets[0]).toMatchObject({ pain: 9, doneReps: 8, sensations: [knee] });
    expect((await me.refused('PUT', at, setOf(id, { edit: 3, date: '2026-11-22', pain: 0 }))).status).toBe(
      403,
    );
    expect((await me.refused('DELETE', at, { edit: 4 })).detail).toContain('stays');
    expect((await ladders(id)).sets[0]).toMatchObject({ pain: 9, date: TODAY });
    // Nor a coach's set of an earlier day, sent as one of today.
    const theirs = randomUUID();
    await log(setOf(id, { date: '2026-11-20', pain: 8 }), theirs);
    const sly = me.refused('PUT', `${me.base}/sets/${theirs}`, setOf(id, { edit: 9, pain: 0 }));
    expect((await sly).status).toBe(403);
    const kept = (await ladders(id)).sets.find((s) => s.id === theirs);
    expect(kept).toMatchObject({ date: '2026-11-20', pain: 8, own: false });
  });

  it('ends when its maker leaves, or no longer looks after the person', async () => {
    const id = await placedPerson(hall);
    const { me } = await linkFor(id);
    const share = await hall
      .as('coach')
      .ok<{ url: string }>('POST', '/api/shares', { job: 'floor:floor-lift', person: id, days: 3 });
    const reader = await deviceOf(hall.app, share.url);
    const opens = async () =>
      Promise.all([me, reader].map(async (device) => (await device.send('GET', device.base)).status));
    expect(await opens()).toEqual([200, 200]);
    const about = { name: await nameOf(id), statureM: null, massKg: null, note: '' };
    await hall.as('head').ok('PUT', `/api/people/${id}`, { ...about, squadId: null });
    expect(await opens()).toEqual([410, 410]);
    await hall.as('head').ok('PUT', `/api/people/${id}`, { ...about, squadId: hall.squadId });
    expect(await opens()).toEqual([200, 200]);
    const staff = await hall.as('head').get<{ id: string; login: string }[]>('/api/staff');
    const coach = { login: 'coach', name: 'coach', role: 'coach' };
    const { id: coachId } = staff.find((s) => s.login === 'coach')!;
    await hall.as('head').ok('PUT', `/api/staff/${coachId}`, { ...coach, squadIds: [], active: true });
    expect(await opens()).toEqual([410, 410]);
    await hall
      .as('head')
      .ok('PUT', `/api/staff/${coachId}`, { ...coach, squadIds: [hall.squadId], active: true });
    expect(await opens()).toEqual([200, 200]);
    expect((await hall.as('coach').get<{ state: string }[]>(`/api/people/${id}/own-links`))[0]!.state).toBe(
      'open',
    );
  });

  it('is revoked, expires, and is given by staff of the squad only', async () => {
    const id = await placedPerson(hall);
    expect(
      (await hall.as('stand-in').refused('POST', `/api/people/${id}/own-links`, { days: 1 })).status,
    ).toBe(403);
    const first = await linkFor(id);
    await hall.as('coach').ok('POST', `/api/own-links/${first.id}/revoke`);
    expect((await first.me.refused('GET', first.me.base)).status).toBe(410);
    const second = await linkFor(id);
    hall.setNow('2026-12-02T12:00:00Z');
    expect((await second.me.refused('GET', second.me.base)).status).toBe(410);
    const rows = await hall.as('coach').get<OwnLinkRow[]>(`/api/people/${id}/own-links`);
    expect(rows.map((r) => r.state).sort()).toEqual(['expired', 'revoked']);
    hall.setNow(`${TODAY}T12:00:00Z`);
  });
});

describe('sets as a file', () => {
  const csv = async (path: string, who: Who = 'coach') => (await hall.as(who).send('GET', path)).text();
  const preview = (text: string, who: Who = 'coach') =>
    hall.as(who).ok<CsvPreview>('POST', '/api/sets/csv/preview', { text });
  const bringIn = (text: string) => hall.as('coach').ok<CsvResult>('POST', '/api/sets/csv', { text });

  it('carry no formula, and come back as they were', async () => {
    const id = await placedPerson(hall);
    const about = { squadId: hall.squadId, statureM: null, massKg: null, note: '' };
    await hall.as('head').ok('PUT', `/api/people/${id}`, { ...about, name: '=1+1 Ida' });
    const aids = [{ name: '@hook', setting: '-3' }];
    await log(setOf(id, { date: '2026-11-19', aids }));
    const text = await csv(`/api/sets.csv?person=${id}`);
    expect(text).toContain("'=1+1 Ida");
    expect(text).not.toMatch(/(^|,|")[=@]/m);
    const again = await preview(text);
    expect(again.problems).toEqual([]);
    expect(again.rows).toMatchObject([{ person: '=1+1 Ida', known: true, set: { aids } }]);
  });

  it('go out and come back the same, and twice the same file brings nothing twice', async () => {
    const id = await placedPerson(hall);
    await log(
      setOf(id, { date: '2026-11-20', pain: 2, sensations: [], aids: [{ name: 'pads', setting: '2' }] }),
    );
    await log(setOf(id, { date: '2026-11-22', faults: [{ fault: 'rolls-up', side: 'left', reps: 2 }] }));
    const out = await csv(`/api/sets.csv?person=${id}`);
    expect(out.split('\r\n')).toHaveLength(4);
    expect(await bringIn(out)).toEqual({ added: 0, known: 2 });
    // Into a hall where they have been taken out: under new names of sets, since the old ones are deleted.
    const other = await placedPerson(hall);
    const name = await nameOf(other);
    const moved = out
      .split('\r\n')
      .map((l, i) => (i === 0 || l === '' ? l : `${name},${l.split(',').slice(1, -1).join(',')},`))
      .join('\r\n');
    expect(await bringIn(moved)).toEqual({ added: 2, known: 0 });
    expect(await bringIn(moved)).toEqual({ added: 0, known: 2 });
    const strip = (text: string) => text.split('\r\n').map((l) => l.split(',').slice(1, -1).join(','));
    expect(strip(await csv(`/api/sets.csv?person=${other}`))).toEqual(strip(out));
    expect((await ladders(other)).sets).toHaveLength(2);
    // The decision reads them at once.
    expect((await ladders(other)).ladders[0]!.decision!.sessionDates).toEqual(['2026-11-20', '2026-11-22']);
  });

  it('tell every wrong row by line and column, and bring in nothing by half', async () => {
    const id = await placedPerson(hall);
    const name = await nameOf(id);
    const text = [
      'person,date,variation,repetitions,watched',
      `${name},2026-11-20,floor-lift,12,yes`,
      `${name},2026-11-20,floor-lift,twelve,yes`,
      `Nobody,2026-13-20,moon-walk,12,yes`,
    ].join('\n');
    const { rows, problems } = await preview(text);
    expect(rows).toMatchObject([
      { line: 2, person: name, set: { doneReps: 12, watched: true, faults: [] }, known: false },
    ]);
    expect(problems.map((p) => `${p.line} ${p.column}`)).toEqual([
      '3 repetitions',
      '4 person',
      '4 date',
      '4 variation',
    ]);
    const refused = await hall.as('coach').refused('POST', '/api/sets/csv', { text });
    expect(refused.detail).toBe('Line 3: "twelve" is no number. Nothing was brought in.');
    expect(refused.errors).toHaveLength(4);
    expect((await ladders(id)).sets).toEqual([]);
  });

  it.each([
    ['name,when\nA,2026-11-20', 'The column "person" is missing.'],
    ['person,date,variation,colour\n', 'There is no column "colour".'],
    ['person,date,variation\n', 'There is no row below the header.'],
  ])('tell what is wrong with %j', async (text, problem) => {
    expect((await preview(text)).problems.map((p) => p.problem)).toContain(problem);
  });

  it('tell a set that stands twice in the file, and one that says something else here', async () => {
    const id = await placedPerson(hall);
    const name = await nameOf(id);
    const setId = randomUUID();
    await log(setOf(id, { date: '2026-11-20' }), setId);
    const row = (reps: number) => `${name},2026-11-20,floor-lift,${reps},yes,${setId}`;
    const head = 'person,date,variation,repetitions,watched,id';
    const { problems } = await preview([head, row(12), row(12)].join('\n'));
    expect(problems.map((p) => p.problem)).toContain('This is the same set as in line 2.');
    const other = await preview([head, row(3)].join('\n'));
    expect(other.problems[0]!.problem).toContain('is here already and says something else');
  });

  it('carry pain only for those who may see it, and come in only for people of one’s own squads', async () => {
    const id = await placedPerson(hall);
    await log(setOf(id, { pain: 6 }));
    const pains = (text: string) => {
      const [head, row] = text.split('\r\n').map((line) => line.split(','));
      return row![head!.indexOf('pain')];
    };
    expect(pains(await csv(`/api/sets.csv?person=${id}`))).toBe('6');
    expect((await csv(`/api/sets.csv?person=${id}`, 'stand-in')).trim().split('\r\n')).toHaveLength(1);
    const text = `person,date,variation,repetitions\n${await nameOf(id)},2026-11-20,floor-lift,12`;
    // Whom one does not look after one cannot name.
    expect((await preview(text, 'stand-in')).problems[0]).toMatchObject({ column: 'person' });
  });
});

describe('what comes from outside', () => {
  it('is refused when it is nested beyond reading, before anything walks through it', async () => {
    const { body, revision } = await documentIn<Ladder>(hall, 'ladder', 'bridge-ladder');
    const nest = (n: number): unknown =>
      n === 0 ? { kind: 'painAtMost', pain: 0 } : { kind: 'all', of: [nest(n - 1)] };
    const put = (advance: unknown) =>
      hall.as('head').refused('PUT', '/api/library/ladder/bridge-ladder', {
        body: { ...body, levels: body.levels.map((l, i) => (i === 0 ? { ...l, advance } : l)) },
        base: revision,
        reason: '',
      });
    expect((await put(nest(7))).detail).toContain('nested 8 deep');
    expect((await put(nest(40))).detail).toContain('nested more than');
    const wide = {
      kind: 'all',
      of: Array.from({ length: 12 }, () => ({ kind: 'all', of: Array.from({ length: 4 }, () => nest(0)) })),
    };
    expect((await put(wide)).detail).toContain('asks 48 things');
  });
});
