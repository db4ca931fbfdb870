import { blankPiece } from '../../core/terms/index.ts';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { addressOf, ENDPOINTS } from '../../contract/endpoints.ts';
import type { Body, Endpoint, Of, SentTo } from '../../contract/endpoints.ts';
import { runs } from '../../core/testing/runs.ts';
import { seeded } from '../../core/testing/seeded.ts';
import { deviceOf, documentIn, placedPerson, measurementOf, setOf, testHall } from '../testing/hall.ts';
import type { Client, TestHall } from '../testing/hall.ts';

const TODAY = '2026-11-24';
let hall: TestHall;
let requests: Requests;
let device: Client;
beforeAll(async () => {
  hall = await testHall();
  requests = await requestsOf();
}, 60_000);
afterAll(() => hall.close());

/** A request that each address takes, to begin from: a new address has to be added here. */
type Requests = { [K in SentTo]: { of: Of<K>; body: Body<K> } };

async function requestsOf(): Promise<Requests> {
  const [head, coach] = [hall.as('head'), hall.as('coach')];
  const person = await placedPerson(hall);
  const set = randomUUID();
  await coach.ok('PUT', `/api/sets/${set}`, setOf(person));
  const link = await coach.ok<{ id: string; url: string }>('POST', `/api/people/${person}/own-links`, {
    days: 5,
  });
  device = await deviceOf(hall.app, link.url);
  const cue = await documentIn<Body<'saveDocument'>['body']>(hall, 'cue', 'small-breaths');
  const ladder = await documentIn<Body<'tryLadder'>['ladder']>(hall, 'ladder', 'bridge-ladder');
  const variation = await documentIn<Body<'saveDocument'>['body']>(hall, 'variation', 'floor-lift');
  const id = randomUUID();
  const settings = {
    name: 'Hall',
    timeZone: 'UTC',
    paper: 'A4',
    massUnit: 'kg',
    lengthUnit: 'cm',
    dates: 'en-GB',
    growsByItself: false,
    placementWay: 'halving',
    soleM: 0.02,
  } as const;
  const member = { login: 'new', name: 'New', role: 'coach', squadIds: [hall.squadId] } as const;
  const about = { name: 'Ida', squadId: hall.squadId, statureM: 1.7, massKg: 60, note: '' };
  const trials = {
    ladder: 'squat-ladder',
    experience: 'new',
    atEase: 5,
    careful: false,
    trials: [],
  } as const;
  const seen = [{ fault: 'ribs-flare', side: null }];
  const kase = {
    personId: person,
    date: TODAY,
    edit: 1,
    variation: 'floor-lift',
    variationRevision: 1,
    signs: seen,
  };
  const staff = (await head.get<{ id: string }[]>('/api/staff'))[0]!.id;
  return {
    makeFirstAccount: {
      of: {},
      body: { hallName: 'A', name: 'B', login: 'cc', password: 'seven-grey-herons' },
    },
    signIn: { of: {}, body: { login: 'nobody', password: 'x', code: '123456' } },
    signOut: { of: {}, body: undefined },
    savePassword: { of: {}, body: { old: 'x', password: 'seven-grey-herons' } },
    makeSure: { of: {}, body: { password: 'x' } },
    endSession: { of: { id }, body: undefined },
    offerCodes: { of: {}, body: undefined },
    startCodes: { of: {}, body: { code: '123456' } },
    dropCodes: { of: {}, body: undefined },
    savePin: { of: {}, body: { pin: '4719' } },
    changeCoach: { of: {}, body: { staff, pin: '4719' } },
    saveHall: { of: {}, body: settings },
    addStaff: { of: {}, body: { ...member, squadIds: [...member.squadIds], password: 'seven-grey-herons' } },
    saveStaff: { of: { id: randomUUID() }, body: { ...member, squadIds: [], active: true } },
    addSquad: { of: {}, body: { name: 'Squad X', trainingDays: [1] } },
    saveSquad: { of: { id: hall.squadId }, body: { name: 'Squad' } },
    savePieces: {
      of: {},
      body: { pieces: [{ ...blankPiece(randomUUID(), 'mat', { count: 3, place: 'Wall' }), edit: 0 }] },
    },
    removePiece: { of: { id }, body: undefined },
    saveWish: {
      of: { id: randomUUID() },
      body: { piece: blankPiece(randomUUID(), 'mat'), price: 20 },
    },
    dropWish: { of: { id: randomUUID() }, body: undefined },
    flagPiece: { of: { id }, body: { condition: 'out', why: 'A crack' } },
    checkDocuments: { of: {}, body: { items: [variation.body] } },
    importLibrary: { of: {}, body: '{"documents":[]}' },
    beginWithShipped: { of: {}, body: { only: 'hinge' } },
    takeOver: { of: {}, body: { items: [{ kind: 'cue', slug: 'small-breaths', base: 1 }] } },
    mergeCues: { of: { slug: 'small-breaths', keep: 'long-shin' }, body: { reason: 'Alike', state: 1 } },
    saveDocument: {
      of: { kind: 'cue', slug: 'small-breaths' },
      body: { body: cue.body, base: cue.revision, reason: 'Clearer' },
    },
    decideChange: { of: { id }, body: { accept: true, word: '' } },
    saveDraft: {
      of: { kind: 'cue', slug: 'small-breaths' },
      body: { body: cue.body, base: 1, also: [], since: null },
    },
    dropDraft: { of: { kind: 'cue', slug: 'small-breaths' }, body: undefined },
    nameEdition: { of: {}, body: { name: 'Autumn' } },
    addPeople: {
      of: {},
      body: { people: [{ name: 'Fuzz Listed', squad: 'Fuzz', statureM: 1.7, massKg: 70, note: '' }] },
    },
    addPerson: { of: {}, body: { ...about, coachIds: [staff], emergency: '', firstAid: '' } },
    savePerson: { of: { person }, body: about },
    erasePerson: { of: { person }, body: { name: 'Nobody' } },
    saveAnswer: { of: { person, question: 'depth' }, body: { answer: 'level-for-all', why: 'Knee' } },
    dropAnswer: { of: { person, question: 'depth' }, body: undefined },
    saveBuild: { of: { person }, body: { massSet: 'reference', measured: { thigh: 0.42 } } },
    addRangeTest: { of: { person }, body: { date: TODAY, method: 'knee to wall', side: 'left', value: 0.1 } },
    dropRangeTest: { of: { id }, body: undefined },
    addFootLoad: {
      of: { person },
      body: { date: TODAY, front: null, leftKg: 38, rightKg: 37, shiftCm: null },
    },
    dropFootLoad: { of: { id }, body: undefined },
    addRestriction: {
      of: { person },
      body: { bars: [{ bars: 'impact' }], from: TODAY, until: null, saidBy: 'x' },
    },
    liftRestriction: { of: { id }, body: { source: 'x' } },
    takeCover: { of: {}, body: { people: [person], reason: 'x' } },
    endCover: { of: { id }, body: undefined },
    takeNote: { of: {}, body: { reports: [id] } },
    keepStop: { of: { id }, body: { personId: person, date: TODAY, reach: 'squat', pain: 3, words: '' } },
    clear: { of: { person }, body: { saidBy: 'x', what: 'y', until: TODAY } },
    place: {
      of: { person },
      body: { ladder: 'bridge-ladder', level: 'lift', reason: 'x', stage: 'learning' },
    },
    changeForm: { of: { person }, body: { ladder: 'bridge-ladder', form: 'intervals', reason: '' } },
    confirm: {
      of: { person },
      body: { ladder: 'bridge-ladder', proposed: 'hold', chosen: 'hold', level: null, reason: '' },
    },
    signOff: { of: { person }, body: { ladder: 'bridge-ladder', level: 'lift', word: '' } },
    nextTrial: { of: { person }, body: { ...trials, trials: [] } },
    keepPlacement: { of: { person }, body: { ...trials, trials: [] } },
    saveCheckIn: {
      of: { person, date: TODAY },
      body: {
        here: true,
        pain: 2,
        painRegion: 'low back',
        painSide: null,
        sleepH: 7,
        atEase: 8,
        sore: [{ region: 'calf', side: 'left', days: 2 }],
        note: '',
      },
    },
    keepCueTried: {
      of: { id },
      body: {
        personId: person,
        date: TODAY,
        variation: 'floor-lift',
        cue: 'small-breaths',
        outcome: 'better',
      },
    },
    keepSet: {
      of: { id: set },
      body: setOf(person, { edit: 2, faults: [{ fault: 'ribs-flare', side: null, reps: 1 }] }),
    },
    deleteSet: { of: { id: set }, body: { edit: 3 } },
    previewCsv: { of: {}, body: { text: `person,date,variation,repetitions\nIda,${TODAY},floor-lift,8` } },
    importCsv: { of: {}, body: { text: `person,date,variation,repetitions\nIda,${TODAY},floor-lift,8` } },
    tryLadder: { of: {}, body: { ladder: ladder.body, personId: person, level: 'lift' } },
    makeOwnLink: { of: { person }, body: { days: 5 } },
    revokeOwnLink: { of: { id }, body: undefined },
    openOwn: { of: {}, body: { token: 'x'.repeat(32) } },
    keepOwnSet: { of: { link: link.id, id }, body: setOf(person) },
    keepOwnStop: { of: { link: link.id, id }, body: { words: '' } },
    deleteOwnSet: { of: { link: link.id, id }, body: { edit: 2 } },
    keepCase: {
      of: { id },
      body: { ...kase, felt: [], checks: [], tried: [], end: null, easier: null, pain: null, note: '' },
    },
    keepChainTry: {
      of: { id },
      body: { personId: person, fault: 'ribs-flare', side: null, step: 'x', date: TODAY, passed: true },
    },
    keepConsent: { of: { person }, body: { given: true, minor: false, pictures: true, guardian: '' } },
    keepMeasurement: { of: { id }, body: measurementOf(person) },
    keepTrial: {
      of: { id },
      body: { clip: 'x', shown: null, amount: 1, offered: ['ribs-flare'], said: null },
    },
    dropMeasurement: { of: { id }, body: { personId: person } },
    saveHour: {
      of: { id },
      body: {
        edit: 0,
        name: 'x',
        startedAt: null,
        endedAt: null,
        people: [{ id: person, from: 0 }],
        pieces: [],
        places: [],
        floorPlaces: 5,
        totalS: 3600,
        warmUpS: 600,
        changeS: 60,
        share: 0.8,
        watchers: [{ name: 'x', atOnce: 3 }],
        plan: { rounds: [], times: { lengthS: 0, capS: 0 }, dropped: [], points: 0 },
        spans: [],
        bound: null,
        gone: [],
      },
    },
    dropHour: { of: { id }, body: { edit: 1 } },
    rateSet: { of: { id: set }, body: { faults: [] } },
    makeShare: { of: {}, body: { job: 'floor:floor-lift', person, days: 5 } },
    revokeShare: { of: { id }, body: undefined },
    openShared: { of: {}, body: { token: 'x'.repeat(32) } },
  };
}

const deep = (n: number): unknown => (n === 0 ? 1 : [deep(n - 1)]);
const NASTY: readonly (() => unknown)[] = [
  () => null,
  () => true,
  () => '',
  () => ' ',
  () => '\0',
  () => 'a\u0000b',
  () => '\ud800',
  () => '\u202e\ufeff',
  () => 'x'.repeat(70_000),
  () => '<img src=x onerror=alert(1)>',
  () => "'; drop table person; --",
  () => -1,
  () => 0,
  () => 0.5,
  () => 1e308,
  () => 9007199254740993,
  () => 2147483648,
  () => 'NaN',
  () => [],
  () => ({}),
  () => [null],
  () => [[[]]],
  () => deep(40),
  () => Array.from({ length: 6000 }, () => 0),
  () => Object.fromEntries(Array.from({ length: 400 }, (_, i) => [`k${i}`, i])),
  () => JSON.parse('{"__proto__":{"x":1},"constructor":1}') as unknown,
  () => '2026-02-31',
  () => '0000-01-01',
  () => '9999-12-31',
  () => '1899-12-31',
  () => '2026-11-24',
  () => '00000000-0000-0000-0000-000000000000',
  () => randomUUID(),
  () => 'no-such-thing',
  () => 'floor-lift',
  () => '../../etc/passwd',
];

type Pick = <T>(list: readonly T[]) => T;

/** The value with one place in it changed: replaced, taken away, doubled or added to. */
function mutated(value: unknown, pick: Pick, chance: () => number): unknown {
  const nasty = () => pick(NASTY)();
  if (typeof value !== 'object' || value === null || chance() < 0.12) return nasty();
  if (Array.isArray(value)) {
    if (value.length === 0 || chance() < 0.3) return [...(value as unknown[]), nasty()];
    const i = Math.floor(chance() * value.length);
    const list = [...(value as unknown[])];
    if (chance() < 0.2) list.splice(i, 1);
    else if (chance() < 0.2) list.splice(i, 0, list[i]);
    else list[i] = mutated(list[i], pick, chance);
    return list;
  }
  const keys = Object.keys(value);
  const key = keys.length > 0 ? pick(keys) : 'x';
  const copy: Record<string, unknown> = { ...value };
  const what = chance();
  if (what < 0.12) delete copy[key];
  else if (what < 0.2) copy[pick(['x', '__proto__', 'constructor', '', 'personId', 'id'])] = nasty();
  else copy[key] = mutated(copy[key], pick, chance);
  return copy;
}

describe('whatever is sent', () => {
  const NAMES = Object.keys(ENDPOINTS).filter(
    (n) => (ENDPOINTS as Record<string, Endpoint>)[n]!.method !== 'GET',
  ) as SentTo[];

  it('never breaks anything: a clear no, or it is done', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const chance = seeded(20_261_124);
    const pick: Pick = (list) => list[Math.floor(chance() * list.length)]!;
    // Signing out, a changed password and the like would end the walk.
    const kept = NAMES.filter(
      (n) => !['signOut', 'savePassword', 'changeCoach', 'saveStaff', 'endSession'].includes(n),
    );
    const broken: unknown[] = [];
    const cases = Math.min(runs(1000), 10_000);
    const counts = new Map<number, number>();
    for (let n = 0; n < cases; n++) {
      const name = pick(kept);
      const { of, body } = requests[name] as { of: Record<string, string>; body: unknown };
      const own = name === 'keepOwnSet' || name === 'keepOwnStop' || name === 'deleteOwnSet';
      const client = own ? device : hall.as(pick(['head', 'head', 'coach', 'nobody'] as const));
      let where = { ...of };
      const parts = Object.keys(where);
      if (parts.length > 0 && chance() < 0.15)
        where = { ...where, [pick(parts)]: String(pick(NASTY)()).replace(/[\ud800-\udfff]/g, '?') };
      let address = addressOf(name, where as never);
      if (chance() < 0.05) address += pick(['?x=%00', '?person=%ED%A0%80', '/%00', '?', '%', '?a=1&a=2']);
      let sent: unknown = body;
      const times = 1 + Math.floor(chance() * 3);
      for (let t = 0; t < times; t++) sent = mutated(sent, pick, chance);
      const text = typeof sent === 'string' && chance() < 0.5 ? sent : JSON.stringify(sent);
      const response = await client.send(
        ENDPOINTS[name].method,
        address.slice(0, 4000),
        chance() < 0.03 ? `${text}]` : text,
      );
      counts.set(response.status, (counts.get(response.status) ?? 0) + 1);
      const answer = await response.text();
      if (response.status >= 500)
        broken.push({ name, address: address.slice(0, 200), text: text.slice(0, 400), answer });
      // A no says why, in a sentence.
      if (response.status >= 400 && response.status < 500) {
        expect(String((JSON.parse(answer) as { detail: string }).detail).length).toBeGreaterThan(8);
      }
    }
    expect(broken).toEqual([]);
    // Somewhat of everything was met with: done, refused as unfit, refused as somebody else's.
    for (const status of [200, 400, 401, 413, 422])
      expect([status, (counts.get(status) ?? 0) > 0]).toEqual([status, true]);
    said.mockRestore();
  }, 600_000);
});
