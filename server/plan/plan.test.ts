import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { HourNeeds, HourRequest, HourRow, StoredHour, WarmUps } from '../../contract/plan.ts';
import type { Person } from '../../contract/people.ts';
import type { Today } from '../../contract/session.ts';
import { improved, greedyPlan, prepared, roundTimes, roundsFor, steps } from '../../core/plan/index.ts';
import type { Hour } from '../../core/plan/index.ts';
import { brokenRules } from '../../core/testing/hour-rules.ts';
import { schema } from '../db/index.ts';
import type { OpenDatabase } from '../db/index.ts';
import { DEMO_NOW, demoDatabase } from '../testing/demo.ts';
import { clientOf, hallOn, placedPerson, setOf, signIn, testHall } from '../testing/hall.ts';
import type { Client, TestHall } from '../testing/hall.ts';

/** An hour of everything that these people need, with the hall to themselves. */
export function hourFrom(needs: HourNeeds, people: readonly string[], minutes = 60): Hour {
  return {
    people: people.map((id) => ({ id, from: 0 })),
    pieces: needs.pieces,
    places: needs.places,
    floorPlaces: 12,
    pools: needs.pools,
    totalS: minutes * 60,
    warmUpS: needs.warmUpS,
    changeS: 60,
    coach: { atOnce: 3, share: 0.8 },
  };
}

function requestOf(needs: HourNeeds, people: readonly string[], of: Partial<HourRequest> = {}): HourRequest {
  const hour = hourFrom(needs, people);
  const rounds = roundsFor(hour)[0]!;
  const p = prepared(hour, roundTimes(hour, rounds), rounds);
  const plan = improved(p, greedyPlan(p), 1, steps(60));
  return {
    edit: 0,
    name: 'Tuesday evening',
    startedAt: null,
    endedAt: null,
    people: [...hour.people],
    pieces: needs.pieces.map(({ id, priority, watched, mustWatch, heavy }) => ({
      id,
      priority,
      watched,
      mustWatch,
      heavy,
    })),
    places: needs.places.map(({ id, count, most, heightsM }) => ({ id, count, most, heightsM })),
    floorPlaces: hour.floorPlaces,
    totalS: hour.totalS,
    warmUpS: hour.warmUpS,
    changeS: hour.changeS,
    share: 0.8,
    watchers: [{ name: 'Jonas', atOnce: 3 }],
    plan,
    spans: plan.rounds.map((_, i) => ({
      fromS: hour.warmUpS + i * (plan.times.lengthS + hour.changeS),
      lengthS: plan.times.lengthS,
    })),
    bound: null,
    gone: [],
    ...of,
  };
}

describe('the hours of the demo hall', () => {
  let database: OpenDatabase;
  let head: Client;
  let people: Person[];
  let today: Today;
  beforeAll(async () => {
    database = await demoDatabase();
    const app = hallOn(database.db, () => DEMO_NOW);
    const [{ demoPassword }] = (await database.db.select().from(schema.hall)) as [
      typeof schema.hall.$inferSelect,
    ];
    head = clientOf(app, await signIn(app, 'head', demoPassword!));
    people = await head.get('/api/people');
    today = await head.get<Today>('/api/today');
  });
  afterAll(() => database.close());

  it('asks of everybody what their lines ask, at places that the hall has, and every hour of it can be planned', async () => {
    for (const squad of today.squads) {
      const ids = people
        .filter((p) => p.squadId === squad.id)
        .map((p) => p.id)
        .slice(0, 12);
      const needs = await head.get<HourNeeds>(`/api/plan/needs?people=${ids.join(',')}`);
      expect(needs.places.map((p) => p.form).sort()).toEqual(
        expect.arrayContaining(['bench', 'box', 'machine', 'rack']),
      );
      const lines = today.people
        .filter((p) => ids.includes(p.personId))
        .flatMap((p) => p.lines.filter((l) => l.variation));
      const asked = needs.pieces.filter((p) => p.ladder !== null);
      expect(asked.length).toBe(lines.length);
      for (const piece of needs.pieces) {
        expect(piece.options.length).toBeGreaterThan(0);
        for (const o of piece.options) {
          expect(o.workS).toBeGreaterThan(0);
          if (o.at !== null) expect(needs.places.map((p) => p.id)).toContain(o.at);
        }
      }
      const racks = needs.pieces.filter((p) => p.options[0]!.at === 'bar-and-rack');
      for (const r of racks) if (r.options[0]!.notch !== null) expect(r.options[0]!.notch).toBeGreaterThan(5);
      const hour = hourFrom(needs, ids);
      const rounds = roundsFor(hour)[0]!;
      const p = prepared(hour, roundTimes(hour, rounds), rounds);
      const plan = improved(p, greedyPlan(p), 1, steps(100));
      expect(brokenRules(hour, plan)).toEqual([]);
      expect(plan.dropped.length).toBeLessThan(needs.pieces.length / 2);
    }
  });

  it('keeps nobody’s work at a place where it cannot be done', async () => {
    const ids = people.filter((p) => p.squadId === today.squads[0]!.id).map((p) => p.id);
    const request = requestOf(await head.get(`/api/plan/needs?people=${ids.join(',')}`), ids);
    const round = request.plan.rounds.find((r) => r.floor.length > 0)!;
    round.shared.push({ kind: 0, number: 9, heightM: null, doing: [round.floor.pop()!] });
    const { status, detail } = await head.refused('PUT', `/api/plan/hours/${randomUUID()}`, request);
    expect([status, detail]).toEqual([422, expect.stringContaining('cannot be done')]);
  });

  it('leads everybody through a warm-up of ten minutes at most, and names what is barred', async () => {
    const all: WarmUps['people'] = [];
    for (let i = 0; i < people.length; i += 20) {
      const ids = people.slice(i, i + 20).map((p) => p.id);
      all.push(...(await head.get<WarmUps>(`/api/plan/warm-ups?people=${ids.join(',')}`)).people);
    }
    expect(all.filter((w) => w.drills.length > 2).length).toBeGreaterThan(10);
    for (const w of all) {
      expect(w.seconds).toBeLessThanOrEqual(600);
      for (const d of w.drills) expect(d.amount.reps ?? d.amount.holdS).toBeGreaterThan(0);
    }
    expect(all.some((w) => w.leftOut.some((l) => l.why.startsWith('barred')))).toBe(true);
  });

  it('takes a range that was tested and lacks into the warm-up, and tells it where it matters', async () => {
    const day = await head.get<Today>(
      `/api/today?people=${people
        .map((p) => p.id)
        .slice(0, 20)
        .join(',')}`,
    );
    const who = day.people.find((p) => p.lines.some((l) => l.pattern === 'hinge' && l.variation))!.personId;
    const of = async () => ({
      warmUp: (await head.get<WarmUps>(`/api/plan/warm-ups?people=${who}`)).people[0]!,
      line: (await head.get<Today>(`/api/today?people=${who}`)).people[0]!.lines.find(
        (l) => l.pattern === 'hinge',
      )!,
    });
    const because = 'for the range of the back of thigh';
    expect((await of()).warmUp.drills.some((d) => d.because === because)).toBe(false);
    await head.ok('POST', `/api/people/${who}/range-tests`, {
      date: day.date,
      method: 'straight-leg raise',
      side: 'left',
      value: 52,
    });
    const { warmUp, line } = await of();
    expect(warmUp.drills.filter((d) => d.because === because)).toHaveLength(1);
    expect(line.watch.filter((w) => w.kind === 'range')).toEqual([
      { kind: 'range', text: `back of thigh 52° on ${day.date}: stop where the back stays long` },
    ]);
  });
});

describe('whose an hour is', () => {
  let hall: TestHall;
  let own: string[];
  let needs: HourNeeds;
  const id = randomUUID();
  beforeAll(async () => {
    hall = await testHall();
    own = [await placedPerson(hall), await placedPerson(hall, 'hold')];
    needs = await hall.as('coach').get<HourNeeds>(`/api/plan/needs?people=${own.join(',')}`);
  });
  afterAll(() => hall.close());
  const put = (request: HourRequest, who: 'coach' | 'head' | 'stand-in' = 'coach', at = id) =>
    hall.as(who).ok<StoredHour>('PUT', `/api/plan/hours/${at}`, request);

  it('is kept by whoever looks after all of them, and read by nobody else', async () => {
    expect(needs.pieces.map((p) => p.person).sort()).toEqual([...own].sort());
    const kept = await put(requestOf(needs, own));
    expect(kept).toMatchObject({
      edit: 1,
      name: 'Tuesday evening',
      people: expect.arrayContaining(own) as string[],
    });
    expect(kept.body.hour.pieces.map((p) => p.id)).toEqual(needs.pieces.map((p) => p.id));
    expect(await hall.as('coach').get<HourRow[]>('/api/plan/hours')).toHaveLength(1);
    expect(await hall.as('head').get<StoredHour>(`/api/plan/hours/${id}`)).toEqual(kept);
    const other = hall.as('stand-in');
    expect(await other.get<HourRow[]>('/api/plan/hours')).toEqual([]);
    expect((await other.refused('GET', `/api/plan/hours/${id}`)).status).toBe(404);
    expect(
      (await other.refused('PUT', `/api/plan/hours/${id}`, requestOf(needs, own, { edit: 1 }))).status,
    ).toBe(403);
    expect((await other.refused('GET', `/api/plan/needs?people=${own[0]}`)).status).toBe(403);
    expect((await other.refused('DELETE', `/api/plan/hours/${id}`, { edit: 1 })).status).toBe(404);
    expect((await hall.as('viewer').refused('GET', `/api/plan/hours/${id}`)).status).toBe(403);
  });

  it('refuses an edit of an older one, work that is not theirs, and a plan that speaks of what is not there', async () => {
    const request = requestOf(needs, own, { edit: 1 });
    expect(
      (await hall.as('coach').refused('PUT', `/api/plan/hours/${id}`, { ...request, edit: 0 })).status,
    ).toBe(409);
    const strange = { ...request, pieces: request.pieces.map((p) => ({ ...p, id: `${p.id} more` })) };
    expect((await hall.as('coach').refused('PUT', `/api/plan/hours/${id}`, strange)).status).toBe(409);
    const twice = structuredClone(request);
    twice.plan.rounds[0]!.floor.push({ piece: 0, option: 0 }, { piece: 0, option: 0 });
    expect((await hall.as('coach').refused('PUT', `/api/plan/hours/${id}`, twice)).detail).toContain('twice');
    const wrong = structuredClone(request);
    wrong.plan.rounds[0]!.floor.push({ piece: 90, option: 0 });
    expect((await hall.as('coach').refused('PUT', `/api/plan/hours/${id}`, wrong)).status).toBe(422);
    const gone = { ...request, places: [{ id: 'sold', count: 1, most: 1, heightsM: [] }, ...request.places] };
    const { status, detail } = await hall.as('coach').refused('PUT', `/api/plan/hours/${id}`, gone);
    expect([status, detail]).toEqual([409, expect.stringContaining('sold')]);
    expect(
      (
        await hall
          .as('coach')
          .refused('PUT', `/api/plan/hours/${id}`, { ...request, people: request.people.slice(1) })
      ).status,
    ).toBe(422);
  });

  it('keeps its work while it runs, whatever is logged meanwhile', async () => {
    await hall.as('coach').ok('PUT', `/api/sets/${randomUUID()}`, setOf(own[0]!, { ordinal: 1 }));
    const now = await hall.as('coach').get<HourNeeds>(`/api/plan/needs?people=${own.join(',')}`);
    const setsOf = (of: readonly { person: string; options: readonly { sets: number }[] }[]) =>
      of.find((p) => p.person === own[0])!.options[0]!.sets;
    expect(setsOf(now.pieces)).toBe(setsOf(needs.pieces) - 1);
    const started = await put(requestOf(needs, own, { edit: 1, startedAt: '2026-11-24T12:00:00.000Z' }));
    expect(setsOf(started.body.hour.pieces)).toBe(setsOf(needs.pieces));
    expect((await hall.as('coach').refused('DELETE', `/api/plan/hours/${id}`, { edit: 2 })).status).toBe(422);
  });

  it('names what is not done any more once somebody is stopped, whoever planned it', async () => {
    const before = await hall.as('coach').get<StoredHour>(`/api/plan/hours/${id}`);
    expect(before.notNow).toEqual([]);
    await hall
      .as('coach')
      .ok(
        'PUT',
        `/api/sets/${randomUUID()}`,
        setOf(own[1]!, { ordinal: 1, pain: 8, variation: 'floor-hold', doneReps: null, holdS: 5 }),
      );
    const after = await hall.as('coach').get<StoredHour>(`/api/plan/hours/${id}`);
    expect(after.notNow).toEqual(after.body.hour.pieces.filter((p) => p.person === own[1]).map((p) => p.id));
    // Nor is it planned for them, or warmed up for.
    const now = await hall.as('coach').get<HourNeeds>(`/api/plan/needs?people=${own.join(',')}`);
    expect(now.pieces.map((p) => p.person)).not.toContain(own[1]);
    const warm = await hall.as('coach').get<WarmUps>(`/api/plan/warm-ups?people=${own.join(',')}`);
    expect(warm.people.find((p) => p.personId === own[1])!.drills).toEqual([]);
  });

  it('goes with a person who is erased', async () => {
    const all = await hall.as('head').get<Person[]>('/api/people');
    const { name } = all.find((p) => p.id === own[1])!;
    await hall.as('head').ok('DELETE', `/api/people/${own[1]}`, { name });
    expect(await hall.as('head').get<HourRow[]>('/api/plan/hours')).toEqual([]);
  });
});
