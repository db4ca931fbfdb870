import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CaseRequest, DeskKnowledge, FaultReport, SetToRate } from '../../contract/fault.ts';
import type { Fault } from '../../core/library/index.ts';
import { documentIn, placedPerson, setOf, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
let person: string;
beforeAll(async () => {
  hall = await testHall();
  person = await placedPerson(hall);
});
afterAll(() => hall.close());

const caseOf = (change: Partial<CaseRequest> = {}): CaseRequest => ({
  personId: person,
  date: '2026-11-24',
  edit: 1,
  variation: 'floor-lift',
  variationRevision: 1,
  signs: [{ fault: 'ribs-flare', side: null }],
  felt: [],
  checks: [],
  tried: [],
  end: null,
  easier: null,
  pain: null,
  note: '',
  ...change,
});
const desk = async (who: 'head' | 'coach' | 'stand-in', id = person) =>
  hall.as(who).get<DeskKnowledge>(`/api/faults/desk?people=${id}`);
const mine = async (who: 'head' | 'coach' | 'stand-in', id = person) => (await desk(who, id)).people[0]!;
const tried = (answer: string, outcome: 'better' | 'same' | 'worse', causes: string[] | null = null) => ({
  fault: 'ribs-flare',
  answer,
  causes,
  outcome,
});

describe('a case worked on at the desk', () => {
  it('is kept whole, and the greatest edit stands whatever order they come in', async () => {
    const id = randomUUID();
    const coach = hall.as('coach');
    const put = (change: Partial<CaseRequest>) => coach.ok('PUT', `/api/fault-cases/${id}`, caseOf(change));
    const measured = { angle: 'Shin from upright', before: 38, after: 31, band: 3.5 };
    const checks = [
      { fault: 'ribs-flare', check: 'c', result: 'r', measured },
      { fault: 'ribs-flare', check: 'd', result: null },
    ];
    await put({ edit: 1, checks });
    await put({ edit: 3, checks, tried: [tried('Answer', 'better', ['no-brace'])], end: 'better' });
    await put({ edit: 2, note: 'late' });
    await put({ edit: 3, checks, tried: [tried('Answer', 'better', ['no-brace'])], end: 'better' });
    const { cases } = await mine('coach');
    expect(cases.filter((c) => c.id === id)).toEqual([
      expect.objectContaining({
        end: 'better',
        note: '',
        by: 'coach',
        checks,
        tried: [expect.objectContaining({ outcome: 'better' })],
      }),
    ]);
    expect((await desk('coach')).experience.causes['ribs-flare']).toEqual({ 'no-brace': 1 });
  });

  it('of two tablets with the same edit ends the same whichever was first', async () => {
    const coach = hall.as('coach');
    const [one, other] = [caseOf({ note: 'a' }), caseOf({ note: 'b' })];
    const ends: string[] = [];
    for (const order of [
      [one, other],
      [other, one],
    ]) {
      const id = randomUUID();
      for (const body of order) await coach.ok('PUT', `/api/fault-cases/${id}`, body);
      ends.push((await mine('coach')).cases.find((c) => c.id === id)!.note);
    }
    expect(ends).toEqual(['b', 'b']);
  });

  it('refuses what cannot be, keeps nothing of it, and says what was wrong', async () => {
    const coach = hall.as('coach');
    const before = (await mine('coach')).cases.length;
    const refused = (change: object) =>
      coach.refused('PUT', `/api/fault-cases/${randomUUID()}`, { ...caseOf(), ...change });
    expect((await refused({ signs: [] })).detail).toMatch(/nothing was seen, heard or felt/);
    expect((await refused({ variationRevision: 99 })).detail).toMatch(/no revision 99 of "floor-lift"/);
    expect((await refused({ date: '2026-12-24' })).detail).toMatch(/future/);
    expect((await refused({ personId: randomUUID() })).status).toBe(404);
    expect((await refused({ end: 'cured' })).status).toBe(422);
    expect((await refused({ pain: 11 })).status).toBe(422);
    expect((await refused({ tried: [tried('x', 'healed' as 'same')] })).status).toBe(422);
    expect((await mine('coach')).cases.length).toBe(before);
  });

  it('belongs to one person, and only staff who log may write it', async () => {
    const id = randomUUID();
    await hall.as('coach').ok('PUT', `/api/fault-cases/${id}`, caseOf());
    const other = await placedPerson(hall);
    expect(
      (await hall.as('coach').refused('PUT', `/api/fault-cases/${id}`, caseOf({ personId: other }))).status,
    ).toBe(409);
    for (const who of ['viewer', 'nobody'] as const) {
      expect((await hall.as(who).send('PUT', `/api/fault-cases/${id}`, caseOf())).ok).toBe(false);
      expect((await hall.as(who).send('GET', `/api/faults/desk?people=${person}`)).ok).toBe(false);
    }
  });

  it('is for those who look after the person: others neither read it nor add to it', async () => {
    const id = randomUUID();
    const pain = { region: 'low back', kind: 'pain', side: null } as const;
    await hall
      .as('coach')
      .ok(
        'PUT',
        `/api/fault-cases/${id}`,
        caseOf({ pain: 6, felt: [pain], end: 'stopped', note: 'said so' }),
      );
    expect((await desk('stand-in')).people).toEqual([]);
    const other = hall.as('stand-in').refused('PUT', `/api/fault-cases/${id}`, caseOf({ edit: 2 }));
    expect((await other).status).toBe(403);
    expect((await mine('head')).cases.find((c) => c.id === id)!).toMatchObject({ pain: 6, felt: [pain] });
  });
});

describe('what the desk knows of somebody', () => {
  it('names a fault that comes in three sessions running, and variations that are barred', async () => {
    const who = await placedPerson(hall);
    for (const date of ['2026-11-18', '2026-11-20', '2026-11-23']) {
      await hall
        .as('coach')
        .ok(
          'PUT',
          `/api/sets/${randomUUID()}`,
          setOf(who, { date, faults: [{ fault: 'ribs-flare', side: null, reps: 2 }] }),
        );
    }
    expect((await mine('coach', who)).recurring).toEqual([
      expect.objectContaining({ fault: 'ribs-flare', variation: 'floor-lift' }),
    ]);
    expect((await mine('coach', who)).barred).toEqual({});
    await hall.as('head').ok('POST', `/api/people/${who}/restrictions`, {
      bars: [{ bars: 'pattern', pattern: 'bridge' }],
      from: '2026-11-01',
      until: null,
      saidBy: 'a physiotherapist',
    });
    expect((await mine('coach', who)).barred['floor-lift']).toBe('every bridge');
  });

  it('keeps tries at the gates of a chain, once each, and refuses a step the chain does not have', async () => {
    const { body } = await documentIn<Fault>(hall, 'fault', 'ribs-flare');
    const step = body.chain[0]!.line.text;
    const sent = {
      personId: person,
      fault: 'ribs-flare',
      side: null,
      step,
      date: '2026-11-24',
      passed: false,
    };
    const id = randomUUID();
    const coach = hall.as('coach');
    await coach.ok('PUT', `/api/chain-tries/${id}`, sent);
    await coach.ok('PUT', `/api/chain-tries/${id}`, { ...sent, passed: true });
    expect((await mine('coach')).chain).toEqual([expect.objectContaining({ step, passed: true })]);
    const refused = await coach.refused('PUT', `/api/chain-tries/${randomUUID()}`, {
      ...sent,
      step: 'Dance.',
    });
    expect(refused.detail).toMatch(/has no such step any more/);
  });
});

describe('a second pair of eyes', () => {
  it('is shown the watched sets of others without what they saw, and rates each once', async () => {
    const who = await placedPerson(hall);
    const [watched, own, blind] = [randomUUID(), randomUUID(), randomUUID()];
    const coach = hall.as('coach');
    const head = hall.as('head');
    const faults = [{ fault: 'ribs-flare', side: null, reps: 3 }];
    await coach.ok('PUT', `/api/sets/${watched}`, setOf(who, { faults }));
    await coach.ok('PUT', `/api/sets/${blind}`, setOf(who, { ordinal: 2, watched: false }));
    await head.ok('PUT', `/api/sets/${own}`, setOf(who, { ordinal: 3 }));
    const list = await head.get<SetToRate[]>(`/api/ratings?people=${who}`);
    expect(list.map((s) => s.id)).toEqual([watched]);
    expect(JSON.stringify(list)).not.toContain('ribs-flare');
    expect(list[0]).not.toHaveProperty('pain');

    expect((await head.refused('PUT', `/api/ratings/${own}`, { faults: [] })).detail).toMatch(/yourself/);
    expect((await head.refused('PUT', `/api/ratings/${blind}`, { faults: [] })).status).toBe(409);
    expect((await head.refused('PUT', `/api/ratings/${randomUUID()}`, { faults: [] })).status).toBe(404);
    const foreign = { faults: [{ fault: 'arms-lift', side: null, reps: 1 }] };
    expect((await head.refused('PUT', `/api/ratings/${watched}`, foreign)).detail).toMatch(
      /no fault of this variation/,
    );

    await head.ok('PUT', `/api/ratings/${watched}`, { faults: [] });
    // The first word stands: after it the other's may have been seen.
    await head.ok('PUT', `/api/ratings/${watched}`, { faults });
    expect(await head.get<SetToRate[]>(`/api/ratings?people=${who}`)).toEqual([]);
    const report = await head.get<FaultReport>('/api/faults/report?days=30');
    const rated = report.rated.find((r) => r.setId === watched)!;
    expect([rated.first.faults, rated.second.faults]).toEqual([['ribs-flare'], []]);
    expect(report.names.people[who]).toMatch(/^Person/);
  });
});

describe('the report', () => {
  it('counts faults over watched sets of work, answers and agreement, for the head coach alone', async () => {
    const fresh = await testHall();
    const who = await placedPerson(fresh);
    const coach = fresh.as('coach');
    const set = (change: Parameters<typeof setOf>[1]) =>
      coach.ok('PUT', `/api/sets/${randomUUID()}`, setOf(who, change));
    const faults = [{ fault: 'ribs-flare', side: null, reps: 1 }];
    await set({ faults });
    await set({ ordinal: 2, date: '2026-10-20', faults });
    await set({ ordinal: 3 });
    await set({ ordinal: 4, watched: false });
    await set({ ordinal: 5, warmUp: true, role: 'prepare', faults });
    await set({ ordinal: 6, date: '2026-06-01', faults });
    const report = await fresh.as('head').get<FaultReport>('/api/faults/report');
    expect(report.where).toHaveLength(1);
    expect(report.where[0]).toMatchObject({
      fault: 'ribs-flare',
      variation: 'floor-lift',
      people: 1,
      sets: { n: 3, share: 2 / 3 },
    });
    expect(report.names.faults['ribs-flare']).toBe('Ribs flare, back arches at the top of a bridge');
    expect((await fresh.as('head').get<FaultReport>('/api/faults/report?days=365')).where[0]!.sets.n).toBe(4);
    expect((await coach.refused('GET', '/api/faults/report')).status).toBe(403);
    expect((await fresh.as('head').refused('GET', '/api/faults/report?days=ten')).detail).toMatch(
      /whole number/,
    );
    await fresh.close();
  });
});
