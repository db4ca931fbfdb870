import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { PrintedState, PrintJob, ShareMade, ShareRow } from '../../contract/sheets.ts';
import type { Cue, Ladder, Variation } from '../../core/library/index.ts';
import { schema } from '../db/index.ts';
import { deviceOf, placedPerson, setOf, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const prints = (job: string, more = '', who: 'head' | 'coach' | 'viewer' = 'coach') =>
  hall.as(who).get<PrintJob>(`/api/prints?job=${encodeURIComponent(job)}${more}`);
const stateOf = (job: string, state: number) =>
  hall.as('viewer').get<PrintedState>(`/api/prints/state?job=${job}&state=${state}`);
const change = async <B extends { kind: string; slug: string }>(
  kind: string,
  slug: string,
  edit: (b: B) => B,
) => {
  const { body, revision } = await hall
    .as('head')
    .get<{ body: B; revision: number }>(`/api/library/${kind}/${slug}`);
  await hall
    .as('head')
    .ok('PUT', `/api/library/${kind}/${slug}`, { body: edit(body), base: revision, reason: 'Read aloud.' });
};

describe('a print job', () => {
  it('holds everything that its sheets print, in order, at one state', async () => {
    const job = await prints(
      'floor:box-squat,poster:squat-ladder,log:box-squat+bar-romanian,warm-up:box-squat',
    );
    expect(job.sheets.map((s) => s.kind)).toEqual(['floor', 'poster', 'log', 'warm-up']);
    expect(job).toMatchObject({ person: null, missing: [], until: null, publicUrl: 'http://localhost' });
    expect(job.state).toBeGreaterThan(0);
    const [floor, poster, log, warmUp] = job.sheets;
    expect(floor).toMatchObject({ of: { revision: 1, stage: null, target: null, lastAids: null } });
    if (poster?.kind !== 'poster' || log?.kind !== 'log' || warmUp?.kind !== 'warm-up')
      throw new Error('other kinds');
    expect(poster.levels).toHaveLength(poster.ladder.levels.length);
    expect(log.of.map((v) => v.resolved.source.slug)).toEqual(['box-squat', 'bar-romanian']);
    expect(warmUp.entries.length).toBeGreaterThan(2);
  });

  it('says what is not in the library any more, and prints the rest', async () => {
    const job = await prints('floor:no-such-thing,floor:box-squat');
    expect(job.sheets).toHaveLength(1);
    expect(job.missing).toEqual(['Floor sheet: no-such-thing']);
  });

  it('for a person has the cues of their stage, their target and their last aids', async () => {
    const id = await placedPerson(hall, 'hold');
    const aids = [{ name: 'Mat', setting: 'doubled' }];
    await hall.as('coach').ok('PUT', `/api/sets/${crypto.randomUUID()}`, {
      ...setOf(id, { variation: 'floor-hold', doneReps: null, holdS: 20 }),
      aids,
    });
    const { sheets, person } = await prints('floor:floor-hold,floor:bar-thrust', `&person=${id}`);
    expect(person?.id).toBe(id);
    const [own, other] = sheets;
    expect(own).toMatchObject({
      of: { stage: 'learning', target: { sets: 2, holdS: 20 }, lastAids: aids, lastSettings: null },
    });
    // A level that they are not on: read at its stage, with the dose of the sheet.
    expect(other).toMatchObject({ of: { stage: 'advanced', target: null, lastAids: null } });
  });

  it('says what is barred for the person, and neither which restriction nor who said so', async () => {
    const id = await placedPerson(hall);
    await hall.as('head').ok('POST', `/api/people/${id}/restrictions`, {
      bars: [{ bars: 'depth' }],
      from: '2026-11-01',
      until: null,
      saidBy: 'a knee surgeon',
    });
    const job = await prints('floor:deep-squat,floor:box-squat,warm-up:back-squat', `&person=${id}`);
    const [deep, box, warmUp] = job.sheets;
    expect([deep, box]).toMatchObject([{ of: { barred: true } }, { of: { barred: false } }]);
    if (warmUp?.kind !== 'warm-up') throw new Error('no warm-up');
    expect(warmUp.leftOut).toContainEqual(
      expect.objectContaining({ slug: 'deep-squat-sit', why: 'barred for now' }),
    );
    expect(warmUp.entries.map((e) => e.of.resolved.source.slug)).not.toContain('deep-squat-sit');
    expect(JSON.stringify(job)).not.toContain('surgeon');
  });

  it('is refused where it names nothing, too much, or a person to a viewer', async () => {
    const id = await placedPerson(hall);
    const viewer = hall.as('viewer');
    expect((await viewer.refused('GET', '/api/prints?job=')).detail).toContain('at least one sheet');
    expect((await viewer.refused('GET', '/api/prints?job=song:a')).detail).toContain('no kind of sheet');
    expect((await viewer.refused('GET', `/api/prints?job=floor:box-squat&person=${id}`)).status).toBe(403);
    expect((await hall.as('nobody').refused('GET', '/api/prints?job=floor:box-squat')).status).toBe(401);
  });
});

describe('a scanned sheet', () => {
  it('is current until a document that it draws on changes, and then says what reads differently', async () => {
    const { state } = await prints('full:split-squat');
    expect(await stateOf('full:split-squat', state)).toMatchObject({
      verdict: 'current',
      changed: [],
      differs: [],
    });

    // Another sheet's cue and another sheet are no matter of this one.
    await change<Cue>('cue', 'lift-cage', (b) => ({
      ...b,
      line: { ...b.line, text: 'Up like a lift cage, and down.' },
    }));
    await change<Variation>('variation', 'bar-thrust', (b) => ({ ...b, shortName: 'Bar thrust, heavy' }));
    expect((await stateOf('full:split-squat', state)).verdict).toBe('current');

    await change<Cue>('cue', 'front-foot-drives', (b) => ({
      ...b,
      line: { text: 'Drive the whole front shoe into the boards.' },
    }));
    const after = await stateOf('full:split-squat', state);
    expect(after).toMatchObject({
      verdict: 'outdated',
      title: 'Supported split squat',
      printed: state,
      now: state + 3,
      changed: [
        { kind: 'cue', slug: 'front-foot-drives', from: 1, to: 2, author: 'head', reason: 'Read aloud.' },
      ],
    });
    expect(after.differs).toHaveLength(1);
    expect(after.differs[0]).toMatchObject({
      dropped: [{ section: 'Cues', text: 'Drive up through the whole front foot.' }],
      takenUp: [{ section: 'Cues', text: 'Drive the whole front shoe into the boards.' }],
    });
    // Printed anew it is current again.
    expect((await stateOf('full:split-squat', after.now)).verdict).toBe('current');
  });

  it('is outdated, with every line as it was, when only its keeping changed', async () => {
    const { state } = await prints('floor:side-lunge');
    await change<Variation>('variation', 'side-lunge', (b) => ({ ...b, reviewBy: '2028-01-01' }));
    expect(await stateOf('floor:side-lunge', state)).toMatchObject({ verdict: 'outdated', differs: [] });
  });

  it('tells a caution that is new to it', async () => {
    const { state } = await prints('full:broad-jump');
    await hall.as('head').ok('PUT', '/api/library/caution/wet-deck', {
      body: {
        kind: 'caution',
        slug: 'wet-deck',
        name: 'Wet deck',
        lines: [{ text: 'No jump on wet boards.' }],
        appliesTo: { test: 'impact' },
        retired: false,
        author: 'head',
      },
      base: 0,
      reason: '',
    });
    const after = await stateOf('full:broad-jump', state);
    expect(after.differs[0]!.takenUp).toEqual([
      { section: 'Caution: Wet deck', text: 'No jump on wet boards.' },
    ]);
    expect((await stateOf('floor:box-squat', state)).verdict).toBe('current');
  });

  it('of a poster tells the criterion that reads differently', async () => {
    const { state } = await prints('poster:lunge-ladder');
    await change<Ladder>('ladder', 'lunge-ladder', (b) => ({
      ...b,
      levels: b.levels.map((l, i) =>
        i === 0
          ? {
              ...l,
              advance: {
                kind: 'all',
                of: [
                  { kind: 'cleanReps', reps: 9, sets: 2 },
                  { kind: 'painAtMost', pain: 0 },
                ],
              },
            }
          : l,
      ),
    }));
    const after = await stateOf('poster:lunge-ladder', state);
    expect(after.verdict).toBe('outdated');
    expect(after.criteria).toMatchObject([
      { level: 'Split squat, floor up', after: '2 sets of 9 clean repetitions; and no pain' },
    ]);
  });

  it('from another hall or of nothing known is told so', async () => {
    const viewer = hall.as('viewer');
    const far = await viewer.refused('GET', '/api/prints/state?job=floor:box-squat&state=9999');
    expect([far.status, far.detail]).toEqual([422, expect.stringContaining('another hall')]);
    expect((await viewer.refused('GET', '/api/prints/state?job=floor:box-squat&state=x')).status).toBe(400);
    expect((await viewer.refused('GET', '/api/prints/state?job=floor:no-such&state=1')).status).toBe(404);
  });
});

describe('a shared link', () => {
  const make = (who: 'head' | 'coach', more: Partial<{ person: string; days: number }> = {}) =>
    hall
      .as(who)
      .ok<ShareMade>('POST', '/api/shares', { job: 'handout:box-squat', person: null, days: 7, ...more });
  const tokenOf = (made: ShareMade) => made.url.split('#')[1]!;
  const device = (made: ShareMade) => deviceOf(hall.app, made.url);
  const open = async (made: ShareMade) => {
    const reader = await device(made);
    return reader.get<PrintJob>(reader.base);
  };
  const refused = (made: ShareMade) =>
    hall.as('nobody').refused('POST', '/api/shared', { token: tokenOf(made) });

  it('shows its sheets to whoever holds it, and nothing else', async () => {
    hall.setNow('2026-11-24T12:00:00Z');
    const id = await placedPerson(hall);
    const made = await make('coach', { person: id });
    const job = await open(made);
    expect(job).toMatchObject({ until: '2026-12-01T12:00:00.000Z', person: { id } });
    expect(job.sheets.map((s) => s.kind)).toEqual(['handout']);
    const reader = await device(made);
    const state = `${reader.base}/state?state=${job.state}`;
    expect(await reader.get<PrintedState>(`${state}&job=handout:box-squat`)).toMatchObject({
      verdict: 'current',
    });
    expect((await reader.refused('GET', `${state}&job=floor:back-squat`)).status).toBe(404);
    expect((await hall.as('nobody').refused('GET', reader.base)).status).toBe(401);
    expect((await hall.as('nobody').refused('GET', `/api/people/${id}/ladders`)).status).toBe(401);
  });

  it('is kept as a hash only: the table opens nothing', async () => {
    const made = await make('head');
    const [row] = await hall.db.select().from(schema.share).where(eq(schema.share.id, made.id));
    expect(JSON.stringify(row)).not.toContain(tokenOf(made));
    expect(row!.tokenHash).toMatch(/^[0-9a-f]{64}$/);
    expect((await hall.as('nobody').refused('POST', '/api/shared', { token: row!.tokenHash })).status).toBe(
      404,
    );
  });

  it('ends when it expires', async () => {
    hall.setNow('2026-11-24T12:00:00Z');
    const made = await make('coach', { days: 1 });
    hall.setNow('2026-11-25T11:59:59Z');
    await open(made);
    hall.setNow('2026-11-25T12:00:00Z');
    const ended = await refused(made);
    expect([ended.status, ended.title]).toEqual([410, 'It has ended']);
    const rows = await hall.as('coach').get<ShareRow[]>('/api/shares');
    expect(rows.find((r) => r.id === made.id)).toMatchObject({
      state: 'expired',
      opened: 1,
      titles: ['Handout: Box squat'],
    });
  });

  it('ends when it is revoked: by its maker or the head coach, not by another coach', async () => {
    hall.setNow('2026-11-24T12:00:00Z');
    const mine = await make('coach');
    const heads = await make('head');
    expect((await hall.as('stand-in').refused('POST', `/api/shares/${mine.id}/revoke`, {})).status).toBe(403);
    expect((await hall.as('stand-in').get<ShareRow[]>('/api/shares')).map((r) => r.id)).not.toContain(
      mine.id,
    );
    await open(mine);
    await hall.as('coach').ok('POST', `/api/shares/${mine.id}/revoke`, {});
    await hall.as('head').ok('POST', `/api/shares/${heads.id}/revoke`, {});
    for (const made of [mine, heads]) {
      expect((await refused(made)).status).toBe(410);
    }
    expect(
      (
        await hall
          .as('viewer')
          .refused('POST', '/api/shares', { job: 'floor:box-squat', person: null, days: 1 })
      ).status,
    ).toBe(403);
  });

  it('goes with the person it was made for', async () => {
    hall.setNow('2026-11-24T12:00:00Z');
    const id = await placedPerson(hall);
    const made = await make('head', { person: id });
    const name = (await open(made)).person!.name;
    await hall.as('head').ok('DELETE', `/api/people/${id}`, { name });
    expect((await refused(made)).status).toBe(404);
  });

  it('is refused for a job that says nothing, for no person, and for longer than a year', async () => {
    const head = hall.as('head');
    const none = { job: 'floor:box-squat', person: null, days: 30 };
    expect((await head.refused('POST', '/api/shares', { ...none, job: 'x' })).status).toBe(422);
    expect((await head.refused('POST', '/api/shares', { ...none, days: 366 })).status).toBe(422);
    expect((await head.refused('POST', '/api/shares', { ...none, person: crypto.randomUUID() })).status).toBe(
      404,
    );
  });
});
