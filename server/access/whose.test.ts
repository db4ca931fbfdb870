import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addressOf, ENDPOINTS } from '../../contract/endpoints.ts';
import type { Endpoint, EndpointName, Of } from '../../contract/endpoints.ts';
import type { Coverable, CoverRow, PersonRow } from '../../contract/people.ts';
import type { Today } from '../../contract/session.ts';
import { schema } from '../db/index.ts';
import { addStaff, saveSquad } from '../hall/index.ts';
import { clientOf, measurementOf, placedPerson, setOf, signIn, testHall } from '../testing/hall.ts';
import type { Client, TestHall } from '../testing/hall.ts';
import { hashPassword } from './passwords.ts';

const TODAY = '2026-11-24';
const DEPTH = 'level-for-all';
const PASSWORD = 'a-long-password';

/** Words that only those who look after the person may ever read; each is planted where one kind of record is kept. */
const SECRET = {
  note: 'planted-note',
  restriction: 'planted-physiotherapist',
  answer: 'planted-own-answer',
  checkIn: 'planted-check-in',
  placement: 'planted-trial',
  caseNote: 'planted-case',
  signOff: 'planted-sign-off',
  move: 'planted-reason',
  stop: 'planted-stop',
  aid: 'planted-old-setting',
  // As numbers that nothing else has.
  mass: '71.2345',
  stature: '1.8765',
  segment: '0.45678',
  onLeft: '40.12345',
  range: '0.12345',
  sleep: '7.3456',
  pain: '"pain":5.4321',
};
/** What whoever stands beside them has to know. */
const FIRST_AID = ['planted-first-aid', 'planted-contact'];
const NAME = 'Planted Person';

let hall: TestHall;
let person: string;
let other: Client;
let cover: Client;
let ids: {
  set: string;
  rating: string;
  rangeTest: string;
  footLoad: string;
  restriction: string;
  ownLink: string;
  share: string;
};

beforeAll(async () => {
  hall = await testHall();
  const [head, coach] = [hall.as('head'), hall.as('coach')];
  person = await placedPerson(hall, 'hold');
  await head.ok('PUT', `/api/people/${person}`, {
    name: NAME,
    squadId: hall.squadId,
    statureM: Number(SECRET.stature),
    massKg: Number(SECRET.mass),
    note: SECRET.note,
    emergency: FIRST_AID[1],
    firstAid: FIRST_AID[0],
  });
  const hash = await hashPassword(PASSWORD);
  const squadId = await saveSquad(hall.db, null, { name: 'Another squad' });
  for (const login of ['other', 'covering']) {
    await addStaff(hall.db, { login, name: login, role: 'coach', squadIds: [squadId], password: '' }, hash);
  }
  other = clientOf(hall.app, await signIn(hall.app, 'other', PASSWORD));
  cover = clientOf(hall.app, await signIn(hall.app, 'covering', PASSWORD));

  const set = randomUUID();
  const rating = randomUUID();
  await coach.ok(
    'PUT',
    `/api/sets/${set}`,
    setOf(person, {
      date: '2026-11-20',
      variation: 'floor-hold',
      doneReps: null,
      holdS: 12,
      pain: 5.4321,
      aids: [{ name: 'Rack hooks', setting: SECRET.aid }],
    }),
  );
  await coach.ok(
    'PUT',
    `/api/sets/${rating}`,
    setOf(person, { variation: 'floor-hold', doneReps: null, holdS: 20 }),
  );
  await head.ok('POST', `/api/people/${person}/restrictions`, {
    bars: [{ bars: 'load place', place: 'hip crease' }],
    from: '2026-11-01',
    until: null,
    saidBy: SECRET.restriction,
  });
  await head.ok('PUT', `/api/people/${person}/answers/depth`, { answer: DEPTH, why: SECRET.answer });
  await coach.ok('PUT', `/api/people/${person}/check-in/${TODAY}`, {
    here: true,
    pain: 2,
    sleepH: Number(SECRET.sleep),
    atEase: 4,
    note: SECRET.checkIn,
  });
  await coach.ok('PUT', `/api/people/${person}/build`, {
    massSet: 'reference',
    measured: { thigh: Number(SECRET.segment) },
  });
  const { id: rangeTest } = await coach.ok<{ id: string }>('POST', `/api/people/${person}/range-tests`, {
    date: '2026-11-10',
    method: 'knee to wall',
    side: 'left',
    value: Number(SECRET.range),
  });
  const { id: footLoad } = await coach.ok<{ id: string }>('POST', `/api/people/${person}/foot-loads`, {
    date: '2026-11-10',
    front: null,
    leftKg: Number(SECRET.onLeft),
    rightKg: 80,
    shiftCm: null,
  });
  await coach.ok('POST', `/api/people/${person}/sign-offs`, {
    ladder: 'bridge-ladder',
    level: 'hold',
    word: SECRET.signOff,
  });
  await coach.ok('POST', `/api/people/${person}/place`, {
    ladder: 'hinge-ladder',
    level: (await firstLevel('hinge-ladder'))!,
    reason: SECRET.move,
  });
  await coach.ok('PUT', `/api/fault-cases/${randomUUID()}`, {
    ...caseOf(),
    date: '2026-11-20',
    end: 'stopped',
    pain: 5.4321,
    note: SECRET.caseNote,
  });
  await coach.ok('PUT', `/api/stops/${randomUUID()}`, {
    personId: person,
    date: '2026-11-20',
    reach: 'lunge',
    pain: null,
    words: SECRET.stop,
  });
  await hall.db.insert(schema.placement).values({
    id: randomUUID(),
    personId: person,
    ladder: 'squat-ladder',
    date: '2026-11-02',
    by: 'coach',
    at: '2026-11-02T10:00:00Z',
    experience: 'new',
    atEase: 5,
    careful: true,
    trials: [{ level: 'box', variation: 'box-squat', result: 'pain', note: SECRET.placement }],
    outcome: 'stopped',
    level: null,
    stateNumber: 1,
  });
  const { id: ownLink } = await coach.ok<{ id: string }>('POST', `/api/people/${person}/own-links`, {
    days: 5,
  });
  const { id: share } = await coach.ok<{ id: string }>('POST', '/api/shares', {
    job: 'floor:floor-hold',
    person,
    days: 5,
  });
  const [restriction] = await hall.db.select().from(schema.restriction);
  ids = { set, rating, rangeTest, footLoad, restriction: restriction!.id, ownLink, share };
}, 60_000);
afterAll(() => hall.close());

/** A case of the person as the desk sends it. */
const caseOf = () => ({
  personId: person,
  date: TODAY,
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
});

async function firstLevel(slug: string): Promise<string | undefined> {
  const { body } = await hall
    .as('head')
    .get<{ body: { levels: { id: string }[] } }>(`/api/library/ladder/${slug}`);
  return body.levels[0]?.id;
}

const NAMES = Object.keys(ENDPOINTS) as EndpointName[];
/** Each thing of the person's, where an address names it by its own id. */
const OWN_ID = (): Partial<Record<EndpointName, string>> => ({
  deleteSet: ids.set,
  keepSet: ids.set,
  rateSet: ids.rating,
  dropRangeTest: ids.rangeTest,
  dropFootLoad: ids.footLoad,
  liftRestriction: ids.restriction,
  revokeOwnLink: ids.ownLink,
  revokeShare: ids.share,
});

/** The address of an endpoint as it is asked about the planted person. */
function about(name: EndpointName): string {
  const { path } = ENDPOINTS[name];
  const parts: Record<string, string | number> = {
    person,
    id: OWN_ID()[name] ?? randomUUID(),
    date: TODAY,
    slug: name === 'peopleAnswering' ? 'depth' : 'floor-hold',
    kind: 'variation',
    number: 1,
    question: 'depth',
    keep: 'no-such-cue',
    link: randomUUID(),
  };
  const QUERIES: Partial<Record<EndpointName, object>> = {
    sheet: { person },
    instead: { person },
    prints: { job: 'floor:floor-hold,log:floor-hold,poster:bridge-ladder', person },
    today: { people: [person] },
    desk: { people: [person] },
    setsToRate: { people: [person] },
    setsCsv: { person },
    measures: { of: ['floor-hold'] },
    printedState: { job: 'floor:floor-hold', state: 1 },
    sharedState: { job: 'floor:floor-hold', state: 1 },
  };
  const inPath = Object.fromEntries(
    [...path.matchAll(/:(\w+)/g)].map(([, part]) => [part!, parts[part!] ?? 'x']),
  );
  return addressOf(name, { ...inPath, ...QUERIES[name] } as Of<EndpointName>);
}

/** A body that the endpoint would take, about the planted person. */
const BODIES = (): Partial<Record<EndpointName, unknown>> => ({
  saveBuild: { massSet: 'reference', measured: {} },
  addRangeTest: { date: TODAY, method: 'knee to wall', side: 'left', value: 0.1 },
  addFootLoad: { date: TODAY, front: null, leftKg: 60, rightKg: 60, shiftCm: null },
  place: { ladder: 'bridge-ladder', level: 'lift', reason: 'x' },
  changeForm: { ladder: 'bridge-ladder', form: 'intervals', reason: '' },
  confirm: { ladder: 'bridge-ladder', proposed: 'hold', chosen: 'hold', level: null, reason: '' },
  signOff: { ladder: 'bridge-ladder', level: 'hold', word: '' },
  nextTrial: { ladder: 'squat-ladder', experience: 'new', atEase: null, careful: false, trials: [] },
  keepPlacement: { ladder: 'squat-ladder', experience: 'new', atEase: null, careful: false, trials: [] },
  saveCheckIn: { here: true, pain: null, sleepH: null, atEase: null, note: '' },
  keepCueTried: {
    personId: person,
    date: TODAY,
    variation: 'floor-hold',
    cue: 'small-breaths',
    outcome: 'better',
  },
  keepSet: setOf(person, { edit: 2, date: '2026-11-01', pain: 0 }),
  deleteSet: { edit: 2 },
  makeOwnLink: { days: 5 },
  makeShare: { job: 'floor:floor-hold', person, days: 300 },
  keepChainTry: { personId: person, fault: 'ribs-flare', side: null, step: 'x', date: TODAY, passed: true },
  keepCase: caseOf(),
  keepConsent: { given: true, minor: false, pictures: true, guardian: '' },
  keepMeasurement: measurementOf(person),
  dropMeasurement: { personId: person },
  keepStop: { personId: person, date: TODAY, reach: 'everything', pain: null, words: '' },
  rateSet: { faults: [] },
});

/** The rows of every table that holds something about people, to be compared before and after. */
async function everything(): Promise<string> {
  const { hall: _h, signIn: _s, failedSignIn: _f, ...tables } = schema;
  const rows = await Promise.all(
    Object.values(tables).map((t) => hall.db.select().from(t as typeof schema.person)),
  );
  return JSON.stringify(rows);
}

const secretsIn = (text: string) =>
  Object.entries(SECRET).flatMap(([of, word]) => (text.includes(word) ? [of] : []));

/** Everything that somebody can read of the planted person, answer by answer. */
async function readAll(client: Client): Promise<Map<EndpointName, string>> {
  const read = new Map<EndpointName, string>();
  for (const name of NAMES) {
    if (ENDPOINTS[name].method !== 'GET' || name === 'backup') continue;
    read.set(name, await (await client.send('GET', about(name))).text());
  }
  return read;
}

describe('whose it is', () => {
  it('every planted word is read by those who look after the person: the walk would find it', async () => {
    const found = new Set<string>();
    for (const text of (await readAll(hall.as('coach'))).values())
      secretsIn(text).forEach((s) => found.add(s));
    // Own answers of others, and the person's whole record, are the head coach's to read as well.
    expect([...found].sort()).toEqual(Object.keys(SECRET).sort());
  });

  it.each(['another squad’s coach', 'a coach of no squad', 'a viewer', 'nobody'] as const)(
    '%s reads nothing of it anywhere, and not the name but where cover is taken',
    async (who) => {
      const client =
        who === 'another squad’s coach'
          ? other
          : hall.as(who === 'a coach of no squad' ? 'stand-in' : who === 'a viewer' ? 'viewer' : 'nobody');
      for (const [name, text] of await readAll(client)) {
        expect({ name, secrets: secretsIn(text) }).toEqual({ name, secrets: [] });
        for (const word of FIRST_AID) expect(text).not.toContain(word);
        if (name !== 'coverable')
          expect({ name, named: text.includes(NAME) }).toEqual({ name, named: false });
      }
    },
  );

  it('another squad’s coach changes nothing of it, whatever is sent', async () => {
    const before = await everything();
    const bodies = BODIES();
    const tried: EndpointName[] = [];
    for (const name of NAMES) {
      const { method, whose, who } = ENDPOINTS[name] as Endpoint;
      if (method === 'GET' || (whose !== 'one' && whose !== 'perhaps one') || !who.includes('coach'))
        continue;
      if (name === 'endCover' || name === 'tryLadder') continue;
      const response = await other.send(method, about(name), bodies[name] ?? {});
      expect({ name, status: response.status }).toEqual({ name, status: 403 });
      tried.push(name);
    }
    expect(tried.length).toBeGreaterThan(14);
    expect(await everything()).toBe(before);
  });

  it('nobody is let through by naming another person beside', async () => {
    const { id: own } = await hall.as('head').ok<{ id: string }>('POST', '/api/people', {
      name: 'Own',
      squadId: null,
      statureM: null,
      massKg: null,
      note: '',
    });
    const [staff] = (await hall.as('head').get<{ id: string; login: string }[]>('/api/staff')).filter(
      (s) => s.login === 'other',
    );
    await hall.db.insert(schema.personCoach).values({ personId: own, staffId: staff!.id });
    const set = setOf(person, { edit: 7 });
    for (const [path, body] of [
      [`/api/sets/${ids.set}?person=${own}`, set],
      [`/api/sets/${ids.set}`, { ...set, person: own }],
      [`/api/sets/${ids.set}`, { ...set, personId: [own, person] }],
      // A set of somebody else's under a person of one's own.
      [`/api/sets/${ids.set}`, { ...set, personId: own }],
    ] as const) {
      expect((await other.send('PUT', path, body)).status).toBeGreaterThanOrEqual(400);
    }
    const [kept] = await hall.db.select().from(schema.loggedSet).where(eq(schema.loggedSet.id, ids.set));
    expect(kept).toMatchObject({ edit: 1, pain: 5.4321 });
    await hall.as('head').ok('DELETE', `/api/people/${own}`, { name: 'Own' });
  });
});

describe('cover', () => {
  it('is taken for who is expected today only, with a reason, and seen at once by their coach', async () => {
    const [squad] = await cover.get<Coverable[]>('/api/cover/expected');
    expect(squad!.people).toContainEqual({ id: person, name: NAME });
    expect((await cover.refused('POST', '/api/cover', { people: [person], reason: '' })).status).toBe(422);
    expect((await cover.refused('POST', '/api/cover', { people: [randomUUID()], reason: 'x' })).status).toBe(
      422,
    );
    await cover.ok('POST', '/api/cover', { people: [person], reason: 'Jo is ill.' });
    for (const who of ['coach', 'head'] as const) {
      expect(await hall.as(who).get<CoverRow[]>('/api/cover')).toMatchObject([
        { personId: person, by: 'covering', mine: false, reason: 'Jo is ill.' },
      ]);
    }
    expect(await other.get<CoverRow[]>('/api/cover')).toEqual([]);
  });

  it('shows what the floor needs: next set, cues, settings, what is barred without who, pain of today, first aid', async () => {
    const read = await readAll(cover);
    for (const [name, text] of read) {
      // How the kit was set up last is one of the things that the floor needs.
      const secrets = secretsIn(text).filter((s) => s !== 'aid');
      expect({ name, secrets }).toEqual({ name, secrets: [] });
    }
    const [row] = await cover.get<PersonRow[]>('/api/people');
    expect(row).toMatchObject({ name: NAME, covered: true, note: '', massKg: null, statureM: null });
    const { people } = await cover.get<Today>(`/api/today?people=${person}`);
    const line = people[0]!.lines.find((l) => l.ladder === 'bridge-ladder')!;
    expect(line.next).not.toBeNull();
    expect(line.cues.length).toBeGreaterThan(0);
    expect(line.watch.map((w) => w.text)).toContain('Barred: a load on the hip crease');
    expect(people[0]).toMatchObject({ emergency: FIRST_AID[1], firstAid: FIRST_AID[0], covered: true });
    expect(people[0]!.checkIn).toMatchObject({ pain: 2, sleepH: null, atEase: null, note: '' });
  });

  it('logs, reports pain, and corrects what is its own of today; nothing of other days or of others', async () => {
    const id = randomUUID();
    const of = (change: object) =>
      setOf(person, { variation: 'floor-hold', doneReps: null, holdS: 15, ...change });
    await cover.ok('PUT', `/api/sets/${id}`, of({ ordinal: 5, pain: 3 }));
    await cover.ok('PUT', `/api/sets/${id}`, of({ ordinal: 5, pain: 4, edit: 2 }));
    for (const [set, body] of [
      [randomUUID(), of({ date: '2026-11-23' })],
      [id, of({ date: '2026-11-23', edit: 3 })],
      [ids.set, of({ edit: 3, pain: 0 })],
      [ids.rating, of({ edit: 3 })],
    ] as const) {
      expect((await cover.refused('PUT', `/api/sets/${set}`, body)).status).toBe(403);
    }
    for (const set of [ids.set, ids.rating]) {
      expect((await cover.refused('DELETE', `/api/sets/${set}`, { edit: 9 })).status).toBe(403);
    }
    await cover.ok('DELETE', `/api/sets/${id}`, { edit: 9 });
    // What who covers was not shown stays, and pain is not talked down.
    await cover.ok('PUT', `/api/people/${person}/check-in/${TODAY}`, {
      here: true,
      pain: 1,
      sleepH: null,
      atEase: null,
      note: '',
    });
    const [kept] = await hall.db.select().from(schema.checkIn);
    expect(kept).toMatchObject({ pain: 2, sleepH: Number(SECRET.sleep), note: SECRET.checkIn });
    const early = { here: true, pain: 0, sleepH: null, atEase: null, note: '' };
    const past = cover.refused('PUT', `/api/people/${person}/check-in/2026-11-23`, early);
    expect((await past).status).toBe(403);
  });

  it('confirms a step back as it is proposed, and never anything up or otherwise', async () => {
    const hurt = setOf(person, { variation: 'floor-hold', doneReps: null, holdS: 15, ordinal: 6, pain: 6 });
    await cover.ok('PUT', `/api/sets/${randomUUID()}`, hurt);
    const { people } = await cover.get<Today>(`/api/today?people=${person}`);
    const { outcome } = people[0]!.lines.find((l) => l.ladder === 'bridge-ladder')!;
    expect(outcome).toBe('step back');
    const move = { ladder: 'bridge-ladder', proposed: 'step back', level: null, reason: 'I think so' };
    for (const chosen of ['move up', 'hold', 'grow', 'stop and refer']) {
      const refused = await cover.refused('POST', `/api/people/${person}/moves`, { ...move, chosen });
      expect({ chosen, status: refused.status }).toEqual({ chosen, status: 403 });
    }
    await cover.ok('POST', `/api/people/${person}/moves`, { ...move, chosen: 'step back', reason: '' });
    for (const path of ['place', 'sign-offs', 'placements', 'own-links']) {
      const body =
        BODIES()[
          (
            {
              place: 'place',
              'sign-offs': 'signOff',
              placements: 'keepPlacement',
              'own-links': 'makeOwnLink',
            } as const
          )[path as 'place']
        ];
      expect((await cover.refused('POST', `/api/people/${person}/${path}`, body)).status).toBe(403);
    }
  });

  it('ends at midnight of the hall, or when it is given back', async () => {
    hall.setNow('2026-11-25T00:00:01Z');
    expect(await cover.get<PersonRow[]>('/api/people')).toEqual([]);
    expect((await cover.get<Today>(`/api/today?people=${person}`)).people).toEqual([]);
    hall.setNow('2026-11-24T12:00:00Z');
    const [row] = await cover.get<CoverRow[]>('/api/cover');
    expect((await other.refused('POST', `/api/cover/${row!.id}/end`, {})).status).toBe(403);
    await hall.as('coach').ok('POST', `/api/cover/${row!.id}/end`, {});
    expect(await cover.get<PersonRow[]>('/api/people')).toEqual([]);
    expect(await hall.as('coach').get<CoverRow[]>('/api/cover')).toEqual([]);
    const [kept] = await hall.db.select().from(schema.cover);
    expect(kept).toMatchObject({ by: 'covering', endedBy: 'coach', reason: 'Jo is ill.' });
  });
});

describe('a coach named for a person', () => {
  it('looks after them as those of the squad do; without a squad they are the head coach’s and theirs', async () => {
    const head = hall.as('head');
    const [staff] = (await head.get<{ id: string; login: string }[]>('/api/staff')).filter(
      (s) => s.login === 'other',
    );
    const about = { name: 'Loner', squadId: null, statureM: null, massKg: null, note: 'planted-lonely' };
    const { id } = await head.ok<{ id: string }>('POST', '/api/people', about);
    expect((await hall.as('coach').refused('GET', `/api/people/${id}/ladders`)).status).toBe(403);
    await head.ok('PUT', `/api/people/${id}`, { ...about, coachIds: [staff!.id] });
    expect(await other.get<PersonRow[]>('/api/people')).toMatchObject([
      { id, note: 'planted-lonely', covered: false },
    ]);
    // What an older form does not know of stays as it is.
    await head.ok('PUT', `/api/people/${id}`, about);
    await other.get(`/api/people/${id}/ladders`);
    const [viewer] = (await head.get<{ id: string; role: string }[]>('/api/staff')).filter(
      (s) => s.role === 'viewer',
    );
    const wrong = await head.refused('PUT', `/api/people/${id}`, { ...about, coachIds: [viewer!.id] });
    expect(wrong.detail).toContain('no coach');
    await head.ok('PUT', `/api/people/${id}`, { ...about, coachIds: [] });
    expect((await other.refused('GET', `/api/people/${id}/ladders`)).status).toBe(403);
  });
});
