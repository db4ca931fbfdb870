import type { App } from '../http.ts';
import type { PersonLine } from '../../core/floor/index.ts';
import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { Ladder } from '../../core/library/index.ts';
import type { PersonOnLadders, SetRequest, SetResult } from '../../contract/log.ts';
import { schema } from '../db/index.ts';
import { clientOf, placedPerson, setOf, testHall } from '../testing/hall.ts';
import type { TestHall, Who } from '../testing/hall.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const log = (set: SetRequest, id: string = randomUUID(), who: Who = 'coach') =>
  hall.as(who).ok<SetResult>('PUT', `/api/sets/${id}`, set);
const stateOf = (id: string, who: Who = 'coach') =>
  hall.as(who).get<PersonOnLadders>(`/api/people/${id}/ladders`);
const onBridge = (state: PersonOnLadders) => state.ladders.find((l) => l.ladder.slug === 'bridge-ladder')!;
const decisionOf = async (id: string, who: Who = 'coach') => onBridge(await stateOf(id, who)).decision!;

/** Two sessions with two clean sets of fourteen each. */
async function readyPerson() {
  hall.setNow('2026-11-24T12:00:00Z');
  const id = await placedPerson(hall);
  const dates = ['2026-11-24', '2026-11-25'];
  const ids: string[] = [];
  for (const date of dates) {
    for (const ordinal of [1, 2]) {
      ids.push(randomUUID());
      await log(setOf(id, { date, ordinal, doneReps: 14 }), ids.at(-1));
    }
  }
  hall.setNow('2026-11-25T18:00:00Z');
  return { id, ids };
}

describe('logging a set', () => {
  it('stores it once, however often it is sent', async () => {
    const id = await placedPerson(hall);
    const setId = randomUUID();
    for (let i = 0; i < 3; i++) expect((await log(setOf(id), setId)).edit).toBe(1);
    expect((await stateOf(id)).sets).toHaveLength(1);
  });

  it('takes a correction, and leaves aside an older edit that arrives late', async () => {
    const id = await placedPerson(hall);
    const setId = randomUUID();
    await log(setOf(id, { edit: 2, doneReps: 9 }), setId);
    await log(setOf(id, { edit: 1, doneReps: 12 }), setId);
    expect((await stateOf(id)).sets).toMatchObject([{ id: setId, doneReps: 9, edit: 2 }]);
    const clash = await hall
      .as('coach')
      .refused('PUT', `/api/sets/${setId}`, setOf(id, { edit: 2, doneReps: 7 }));
    expect(clash).toMatchObject({ status: 409, inForce: { doneReps: 9 }, yours: { doneReps: 7 } });
  });

  it('deletes for good, unless a newer edit brings it back', async () => {
    const id = await placedPerson(hall);
    const setId = randomUUID();
    await log(setOf(id), setId);
    for (let i = 0; i < 2; i++) await hall.as('coach').ok('DELETE', `/api/sets/${setId}`, { edit: 2 });
    await log(setOf(id, { edit: 1 }), setId);
    expect((await stateOf(id)).sets).toEqual([]);
    await log(setOf(id, { edit: 3 }), setId);
    expect((await stateOf(id)).sets).toHaveLength(1);
  });

  it('moves to another day when the date is corrected', async () => {
    const id = await placedPerson(hall);
    const setId = randomUUID();
    await log(setOf(id), setId);
    await log(setOf(id, { edit: 2, date: '2026-11-20' }), setId);
    expect((await stateOf(id)).sets).toMatchObject([{ date: '2026-11-20' }]);
  });

  it.each([
    ['a date in the future', { date: '2026-12-24' }, 'lies in the future'],
    ['an impossible date', { date: '2026-13-01' }, 'must be a date like'],
    ['a revision nobody knows', { variationRevision: 99 }, 'no revision 99'],
    ['repetitions below nought', { doneReps: -1 }, 'greater than or equal to 0'],
    ['effort above ten', { effort: 11 }, 'less than or equal to 10'],
    ['a region nobody has', { sensations: [{ region: 'tail', kind: 'work', side: null }] }, 'must be one of'],
  ] as [string, Partial<SetRequest>, string][])(
    'refuses %s with a plain sentence',
    async (_name, change, words) => {
      const id = await placedPerson(hall);
      const problem = await hall.as('coach').refused('PUT', `/api/sets/${randomUUID()}`, setOf(id, change));
      expect(problem.status).toBe(422);
      expect(problem.detail).toContain(words);
      expect((await stateOf(id)).sets).toEqual([]);
    },
  );

  it('keeps the hall’s date: the evening in one zone is the next day in another', async () => {
    const east = await testHall({ timeZone: 'Pacific/Auckland' });
    try {
      const start = await east.as('head').get<{ hall: { today: string } }>('/api/start');
      expect(start.hall.today).toBe('2026-11-25');
    } finally {
      await east.close();
    }
  });
});

describe('deciding', () => {
  it('proposes, is confirmed, and keeps decision, state and revisions', async () => {
    const { id } = await readyPerson();
    expect(await decisionOf(id)).toMatchObject({ outcome: 'move up', toLevel: 'hold' });
    await hall.as('coach').ok('POST', `/api/people/${id}/moves`, {
      ladder: 'bridge-ladder',
      proposed: 'move up',
      chosen: 'move up',
      level: null,
      reason: '',
    });
    const after = await stateOf(id);
    expect(onBridge(after).standing).toMatchObject({ level: 'hold', since: '2026-11-25', taken: [] });
    expect(after.moves[0]).toMatchObject({
      kind: 'move up',
      fromLevel: 'lift',
      toLevel: 'hold',
      by: 'coach',
    });
    expect(after.moves[0]!.evidence?.advance.judgement).toBe('met');
    const [row] = await hall.db.select().from(schema.move).where(eq(schema.move.id, after.moves[0]!.id));
    expect(row!.revisions['variation/floor-lift']).toBe(1);
    expect(row!.setIds).toHaveLength(4);
  });

  it('refuses what the coach did not see, and an override without a reason', async () => {
    const { id } = await readyPerson();
    const request = { ladder: 'bridge-ladder', proposed: 'hold', chosen: 'hold', level: null, reason: '' };
    const stale = await hall.as('coach').refused('POST', `/api/people/${id}/moves`, request);
    expect(stale.detail).toContain('it now says "move up"');
    const mute = await hall
      .as('coach')
      .refused('POST', `/api/people/${id}/moves`, { ...request, proposed: 'move up' });
    expect(mute.detail).toContain('Say why');
    await hall
      .as('coach')
      .ok('POST', `/api/people/${id}/moves`, { ...request, proposed: 'move up', reason: 'Regatta.' });
    expect((await stateOf(id)).moves[0]).toMatchObject({
      kind: 'hold',
      proposed: 'move up',
      reason: 'Regatta.',
    });
  });

  it('skips a level only upwards and only to one that exists', async () => {
    const { id } = await readyPerson();
    const skip = (level: string) => ({
      ladder: 'bridge-ladder',
      proposed: 'move up',
      chosen: 'move up',
      level,
      reason: 'Long trained.',
    });
    expect((await hall.as('coach').refused('POST', `/api/people/${id}/moves`, skip('roof'))).status).toBe(
      422,
    );
    expect(
      (await hall.as('coach').refused('POST', `/api/people/${id}/moves`, skip('lift'))).detail,
    ).toContain('not above');
    await hall.as('coach').ok('POST', `/api/people/${id}/moves`, skip('band'));
    expect(onBridge(await stateOf(id)).standing!.level).toBe('band');
  });

  it('flags the moves that stood on a set corrected or deleted afterwards', async () => {
    const { id, ids } = await readyPerson();
    await hall.as('coach').ok('POST', `/api/people/${id}/moves`, {
      ladder: 'bridge-ladder',
      proposed: 'move up',
      chosen: 'move up',
      level: null,
      reason: '',
    });
    const result = await log(setOf(id, { edit: 2, date: '2026-11-24', doneReps: 3 }), ids[0]);
    expect(result.flaggedMoves).toHaveLength(1);
    await hall.as('coach').ok('DELETE', `/api/sets/${ids[1]}`, { edit: 2 });
    const [move] = (await stateOf(id)).moves;
    expect(move!.flags.map((f) => f.what)).toEqual(['corrected', 'deleted']);
    expect(move!.evidence?.advance.judgement).toBe('met');
  });

  it('follows a criterion that the head coach changes', async () => {
    hall.setNow('2026-11-24T12:00:00Z');
    const id = await placedPerson(hall);
    await log(setOf(id, { doneReps: 5 }));
    expect((await decisionOf(id)).outcome).toBe('hold');
    const head = hall.as('head');
    const { body, revision } = await head.get<{ body: Ladder; revision: number }>(
      '/api/library/ladder/bridge-ladder',
    );
    const [first, ...rest] = body.levels;
    const levels = [{ ...first!, advance: { kind: 'cleanReps', reps: 5, sets: 1 } }, ...rest];
    await head.ok('PUT', '/api/library/ladder/bridge-ladder', {
      body: { ...body, levels },
      base: revision,
      reason: '',
    });
    expect((await decisionOf(id)).outcome).toBe('move up');
    await head.ok('PUT', '/api/library/ladder/bridge-ladder', { body, base: revision + 1, reason: '' });
    expect((await decisionOf(id)).outcome).toBe('hold');
  });

  it('stops on a restriction until the head coach lifts it', async () => {
    const { id } = await readyPerson();
    const head = hall.as('head');
    const bar = { bars: [{ bars: 'all' }], from: '2026-11-25', until: null, saidBy: 'the doctor' };
    expect((await hall.as('coach').send('POST', `/api/people/${id}/restrictions`, bar)).status).toBe(403);
    const { id: restriction } = await head.ok<{ id: string }>('POST', `/api/people/${id}/restrictions`, bar);
    expect((await decisionOf(id)).outcome).toBe('stop and refer');
    const upwards = {
      ladder: 'bridge-ladder',
      proposed: 'stop and refer',
      chosen: 'hold',
      level: null,
      reason: 'Looks fine.',
    };
    expect((await hall.as('head').refused('POST', `/api/people/${id}/moves`, upwards)).detail).toContain(
      'not overridden',
    );
    await head.ok('POST', `/api/restrictions/${restriction}/lift`, { source: 'the doctor, by letter' });
    expect((await decisionOf(id)).outcome).toBe('move up');
  });
});

describe('pain', () => {
  it('is seen by staff of the squad and the head coach only, in sets, decisions and moves', async () => {
    hall.setNow('2026-11-24T12:00:00Z');
    const id = await placedPerson(hall, 'hold');
    const setId = randomUUID();
    await log(setOf(id, { variation: 'floor-hold', doneReps: null, holdS: 12, pain: 6 }), setId);
    for (const who of ['coach', 'head'] as const) {
      const seen = await stateOf(id, who);
      expect(seen.sets[0]!.pain).toBe(6);
    }
    expect((await hall.as('stand-in').refused('GET', `/api/people/${id}/ladders`)).status).toBe(403);
    const lines = await hall.as('stand-in').get<PersonLine[]>('/api/overview');
    expect(lines.filter((l) => l.personId === id)).toEqual([]);
    const decide = {
      ladder: 'bridge-ladder',
      proposed: 'step back',
      chosen: 'step back',
      level: null,
      reason: '',
    };
    expect((await hall.as('stand-in').refused('POST', `/api/people/${id}/moves`, decide)).status).toBe(403);

    // Nor does another squad's coach correct, move or take away the set that told it.
    for (const [method, body] of [
      ['PUT', setOf(id, { edit: 2, variation: 'floor-hold', doneReps: null, holdS: 15, pain: null })],
      ['PUT', setOf(id, { edit: 2, variation: 'floor-hold', date: '2026-11-20', doneReps: null, holdS: 12 })],
      ['DELETE', { edit: 2 }],
    ] as const) {
      expect((await hall.as('stand-in').refused(method, `/api/sets/${setId}`, body)).status).toBe(403);
    }
    expect((await stateOf(id)).sets[0]).toMatchObject({ holdS: 12, pain: 6 });
  });
});

describe('one person’s data', () => {
  it('can be exported whole and erased whole', async () => {
    const { id } = await readyPerson();
    const head = hall.as('head');
    await head.ok('POST', `/api/people/${id}/restrictions`, {
      bars: [{ bars: 'impact' }],
      from: '2026-11-01',
      until: null,
      saidBy: 'a parent',
    });
    const data = await head.get<{
      person: { id: string; name: string };
      sets: unknown[];
      moves: unknown[];
      restrictions: unknown[];
    }>(`/api/people/${id}/export`);
    expect([data.sets.length, data.moves.length, data.restrictions.length]).toEqual([4, 1, 1]);
    expect((await head.refused('DELETE', `/api/people/${id}`, { name: 'Somebody else' })).detail).toContain(
      'Nothing was erased',
    );
    await head.ok('DELETE', `/api/people/${id}`, { name: data.person.name });
    expect((await head.send('GET', `/api/people/${id}/ladders`)).status).toBe(404);
    expect(await hall.db.select().from(schema.session).where(eq(schema.session.personId, id))).toEqual([]);
    expect(await hall.db.select().from(schema.move).where(eq(schema.move.personId, id))).toEqual([]);
  });
});

describe('a level that somebody stands on', () => {
  it('cannot be taken away or renamed', async () => {
    await placedPerson(hall, 'thrust');
    const head = hall.as('head');
    const { body, revision } = await head.get<{ body: Ladder; revision: number }>(
      '/api/library/ladder/bridge-ladder',
    );
    const levels = body.levels.filter((l) => l.id !== 'thrust');
    const problem = await head.refused('PUT', '/api/library/ladder/bridge-ladder', {
      body: { ...body, levels },
      base: revision,
      reason: '',
    });
    expect(problem.detail).toContain('1 person stands on the level "thrust"');
  });
});

describe('a failing computation', () => {
  it('is told and never stops logging', async () => {
    const id = await placedPerson(hall);
    await hall.db
      .update(schema.standing)
      .set({
        moves: [{ kind: 'placed', date: '2026-11-24', toLevel: 'a-level-that-is-gone', taken: null }],
      })
      .where(eq(schema.standing.personId, id));
    await log(setOf(id));
    const on = onBridge(await stateOf(id));
    expect(on.decision).toBeNull();
    expect(on.failure).toContain('Logging goes on');
  });
});

describe('reading', () => {
  it('takes as many queries for everybody as for one', async () => {
    const client = (hall.db as unknown as { $client: { query: () => Promise<unknown> } }).$client;
    const ask = (app: App) => clientOf(app, hall.cookie('head')).get('/api/overview');
    const count = async (app: App) => {
      const spy = vi.spyOn(client, 'query');
      await ask(app);
      const calls = spy.mock.calls.length;
      spy.mockRestore();
      return calls;
    };
    // A server that has just started has put nothing together yet.
    const started = () => hall.server({});
    await ask(started());
    const before = await count(started());
    await Promise.all([placedPerson(hall), placedPerson(hall), placedPerson(hall)]);
    const app = started();
    expect(await count(app)).toBe(before);
    expect(before).toBeLessThanOrEqual(14);
    // Asked again, what was put together stands: only who asks, and whom they look after, is read.
    expect(await count(app)).toBeLessThanOrEqual(5);
  });
});
