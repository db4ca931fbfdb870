import { doorFor } from '../../core/floor/index.ts';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { Readable } from 'node:stream';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Today } from '../../contract/session.ts';
import { openEmbedded, restoreBackup } from '../db/index.ts';
import type { EmbeddedDatabase } from '../db/index.ts';
import { shelfInForce } from '../library/index.ts';
import { personList } from '../people/index.ts';
import { root } from '../root.ts';
import { placedPerson, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';
import { personOnLadders } from './evidence.ts';

// What a tablet or a backup of the version before holds, as that version wrote it: these texts are not to be changed.
const parcels = (personId: string): [method: string, path: string, body: object | null][] => [
  [
    'PUT',
    '/api/sets/6a0f6f0c-52f7-4c6e-8d5e-0b6e8f3d1a01',
    {
      personId,
      date: '2026-11-24',
      edit: 1,
      ordinal: 1,
      variation: 'floor-lift',
      variationRevision: 1,
      role: 'work',
      plannedReps: 10,
      loadKind: 'none',
      doneReps: 10,
      holdS: null,
      rounds: null,
      side: null,
      sideTest: false,
      warmUp: false,
      watched: true,
      loadKg: null,
      effort: 6,
      pain: 0,
      faults: [{ fault: 'pelvis-drops', side: null, reps: 1 }],
      sensations: [{ region: 'back of hip', kind: 'work', side: 'left' }],
      atEase: null,
      tempoKept: true,
      rangeReached: null,
      rangeDeg: null,
      aids: [{ name: 'pads', setting: '2' }],
    },
  ],
  ['DELETE', '/api/sets/6a0f6f0c-52f7-4c6e-8d5e-0b6e8f3d1a02', { edit: 2 }],
  [
    'PUT',
    `/api/people/${personId}/check-in/2026-11-24`,
    { here: true, pain: null, sleepH: 7, atEase: 8, note: '' },
  ],
  [
    'PUT',
    '/api/cues-tried/6a0f6f0c-52f7-4c6e-8d5e-0b6e8f3d1a03',
    { personId, date: '2026-11-24', variation: 'floor-lift', cue: 'push-the-floor', outcome: 'better' },
  ],
  [
    'PUT',
    '/api/fault-cases/6a0f6f0c-52f7-4c6e-8d5e-0b6e8f3d1a04',
    {
      personId,
      date: '2026-11-24',
      edit: 1,
      variation: 'floor-lift',
      variationRevision: 1,
      signs: [{ fault: 'pelvis-drops', side: null }],
      felt: [],
      checks: [],
      tried: [],
      end: null,
      easier: null,
      pain: null,
      note: '',
    },
  ],
  ['PUT', '/api/ratings/6a0f6f0c-52f7-4c6e-8d5e-0b6e8f3d1a01', { faults: [] }],
];

describe('a tablet of the version before', () => {
  let hall: TestHall;
  beforeAll(async () => void (hall = await testHall()));
  afterAll(() => hall.close());

  it('has all that waits on it taken', async () => {
    const id = await placedPerson(hall);
    const told = [];
    for (const [method, to, body] of parcels(id)) {
      // The second pair of eyes is not the one who logged.
      const who = to.startsWith('/api/ratings') ? 'head' : 'coach';
      const answer = await hall.as(who).send(method, to, body ?? undefined);
      told.push(`${answer.status} ${answer.ok ? '' : await answer.text()}`.trim());
    }
    expect(told).toEqual(parcels(id).map(() => '200'));
    const { people } = await hall.as('coach').get<Today>(`/api/today?people=${id}`);
    expect(people[0]!.sets).toMatchObject([{ doneReps: 10, sensations: [{ region: 'back of hip' }] }]);
  });
});

describe('a backup of the version before', () => {
  let database: EmbeddedDatabase;
  beforeAll(async () => void (database = await openEmbedded(null)));
  afterAll(() => database.close());

  it('comes back whole: sets count, and a move keeps the evidence that it stood on', async () => {
    const text = await readFile(path.join(root, 'server/testing/backup-before.ndjson'), 'utf8');
    await restoreBackup(database.db, Readable.from(gzipSync(text.trimEnd())));
    const { db } = database;
    const [person] = await personList(db);
    const inForce = await shelfInForce(db);
    const read = await personOnLadders(db, { inForce, today: '2026-11-24' }, person!.id, doorFor(true));
    expect(read.sets).toHaveLength(6);
    expect(read.ladders.find((l) => l.ladder.slug === 'squat-ladder')?.standing).toMatchObject({
      level: 'paused',
      since: '2026-11-24',
    });
    const [moved] = read.moves;
    expect(moved).toMatchObject({ kind: 'move up', fromLevel: 'plain', toLevel: 'paused', by: 'Ada Head' });
    expect(moved!.evidence!.reasons[0]!.text).toBe('All that Plain asks has been met.');
    expect(moved!.evidence!.advance.judgement).toBe('met');
  });
});
