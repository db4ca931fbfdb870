import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Instead } from '../../core/demand/index.ts';
import { BLOCKING } from '../../core/review/index.ts';
import type { Cue, Fault, HouseQuestion, Variation } from '../../core/library/index.ts';
import type { PersonOnLadders } from '../../contract/log.ts';
import type {
  ChangeDetail,
  CheckResult,
  EntryInForce,
  Health,
  LibraryList,
  MergePlan,
  SaveResult,
  Sheet,
} from '../../contract/library.ts';
import { documentIn, placedPerson, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const entryOf = <T>(kind: string, slug: string) => documentIn<T>(hall, kind, slug);

describe('one answer changed, end to end', () => {
  const read = async () => {
    const head = hall.as('head');
    const { resolved } = await head.get<Sheet>('/api/sheets/plain-squat');
    const { settled } = await head.get<EntryInForce>('/api/library/ladder/squat-ladder');
    const advance = settled!.levels.find((l) => l.main === 'plain-squat')!.advance;
    return {
      cues: resolved.cues.map((c) => c.text),
      thighDeg: resolved.mechanics.type === 'squat' ? resolved.mechanics.thighDeg : null,
      faults: resolved.faults.map((f) => f.slug),
      advance: JSON.stringify(advance),
    };
  };

  it('changes sheet, figure, fault list and a criterion, and the check had said so before', async () => {
    const before = await read();
    const { body, revision } = await entryOf<HouseQuestion>('houseQuestion', 'depth');
    const deeper = { ...body, hall: { answer: 'as-deep-as-neutral', why: 'Tried for a season.' } };
    const check = await hall.as('coach').ok<CheckResult>('POST', '/api/library/check', { items: [deeper] });
    const sheet = check.effects!.sheets.find((s) => s.variation === 'plain-squat')!;
    expect(sheet.faultsGone).toEqual(['Goes deeper than this level asks']);
    expect(check.effects!.criteria.map((c) => c.after)).toEqual([
      '2 sets of 12 clean repetitions, in 2 sessions running; and no pain',
    ]);
    expect(await read()).toEqual(before);

    await hall
      .as('head')
      .ok('PUT', '/api/library/houseQuestion/depth', { body: deeper, base: revision, reason: '' });
    const after = await read();
    expect(after.cues).not.toEqual(before.cues);
    expect([before.thighDeg, after.thighDeg]).toEqual([90, 105]);
    expect(before.faults).toContain('below-level');
    expect(after.faults).not.toContain('below-level');
    expect([before.advance, after.advance].map((a) => /"reps":(\d+)/.exec(a)![1])).toEqual(['15', '12']);
    await hall
      .as('head')
      .ok('PUT', '/api/library/houseQuestion/depth', { body, base: revision + 1, reason: 'Back.' });
    expect(await read()).toEqual(before);
  });

  it('reaches one athlete alone by an answer of their own: sheet, ladder and what else can be given', async () => {
    const id = await placedPerson(hall);
    const head = hall.as('head');
    const hallsSheet = await head.get<Sheet>('/api/sheets/plain-squat');
    await head.ok('PUT', `/api/people/${id}/answers/depth`, {
      answer: 'as-deep-as-neutral',
      why: 'Rows from a deep catch.',
    });
    const own = await head.get<Sheet>(`/api/sheets/plain-squat?person=${id}`);
    expect(own.resolved.answers.depth).toEqual({ answer: 'as-deep-as-neutral', scope: 'athlete' });
    expect(own.resolved.faults.map((f) => f.slug)).not.toContain('below-level');
    expect((await head.get<Sheet>('/api/sheets/plain-squat')).resolved).toEqual(hallsSheet.resolved);
    const { ladders } = await head.get<PersonOnLadders>(`/api/people/${id}/ladders`);
    const squat = ladders.find((l) => l.ladder.slug === 'squat-ladder')!.ladder;
    expect(JSON.stringify(squat.levels.find((l) => l.id === 'plain')!.advance)).toContain('"reps":12');
    const people = await head.get<{ personId: string; answer: string }[]>(
      '/api/library/houseQuestion/depth/people',
    );
    expect(people).toMatchObject([{ personId: id, answer: 'as-deep-as-neutral' }]);

    // The answer cannot be taken out of the question under their feet.
    const { body, revision } = await entryOf<HouseQuestion>('houseQuestion', 'depth');
    const without = { ...body, answers: body.answers.filter((a) => a.id !== 'as-deep-as-neutral') };
    const refused = await head.refused('PUT', '/api/library/houseQuestion/depth', {
      body: without,
      base: revision,
      reason: '',
    });
    expect(refused.status).toBe(422);
    await head.ok('DELETE', `/api/people/${id}/answers/depth`);
    expect((await head.refused('DELETE', `/api/people/${id}/answers/depth`)).status).toBe(404);
  });

  it('refuses an own answer to a question or with an answer that there is not, and from a coach', async () => {
    const id = await placedPerson(hall);
    const put = (who: 'head' | 'coach', question: string, answer: string) =>
      hall.as(who).refused('PUT', `/api/people/${id}/answers/${question}`, { answer, why: 'x' });
    expect((await put('head', 'no-question', 'a')).detail).toContain('there is no house question');
    expect((await put('head', 'depth', 'no-answer')).detail).toContain('has no answer "no-answer"');
    expect((await put('coach', 'depth', 'level-first')).status).toBe(403);
    expect(await hall.as('coach').get(`/api/people/${id}/answers`)).toEqual([]);
  });
});

describe('the check', () => {
  it('keeps nothing, and tells wrong fields, broken references and findings apart', async () => {
    const { body, revision } = await entryOf<Variation>('variation', 'back-squat');
    const check = (...items: object[]) =>
      hall.as('coach').ok<CheckResult>('POST', '/api/library/check', { items });
    expect(await check(body)).toEqual({
      errors: [],
      breaches: [],
      findings: [],
      effects: { sheets: [], criteria: [], looked: 1 },
    });
    const wrong = await check({ ...body, tempo: { ...body.tempo, topS: 'long' } });
    expect(wrong.errors).toMatchObject([{ document: 'variation/back-squat', field: 'tempo.topS' }]);
    const broken = await check({ ...body, cues: ['gone'] });
    expect(broken.breaches).toMatchObject([{ path: 'cues[0]', problem: 'There is no cue "gone".' }]);
    const bare = await check({ ...body, breathing: [] });
    expect(bare.findings).toMatchObject([{ kind: 'missing field' }]);
    expect(bare.effects!.sheets[0]!.dropped.length).toBeGreaterThan(0);
    // What another document makes wrong elsewhere is told too: a rule under which a sheet falls silent.
    const { body: depth } = await entryOf<HouseQuestion>('houseQuestion', 'depth');
    const fourth = { id: 'no-rule', name: 'No rule', reasons: [{ text: 'None.' }] };
    const silent = await check({
      ...depth,
      answers: [...depth.answers, fourth],
      hall: { answer: 'no-rule', why: 'To see what falls silent.' },
    });
    expect(silent.findings.map((f) => [f.kind, f.document?.slug])).toContainEqual([
      'contradiction',
      'plain-squat',
    ]);
    expect((await check({ kind: 'song' })).errors[0]!.document).toBe('document');
    expect((await entryOf('variation', 'back-squat')).revision).toBe(revision);
  });
});

describe('health', () => {
  it('finds nothing that blocks in the demo, and what a change breaks at once', async () => {
    const read = () => hall.as('coach').get<Health>('/api/library/health');
    const sound = await read();
    expect(sound.documents).toBeGreaterThan(100);
    expect(sound.findings.filter((f) => BLOCKING.has(f.kind))).toEqual([]);
    const { body, revision } = await entryOf<Fault>('fault', 'ribs-flare');
    const save = (b: Fault, base: number) =>
      hall.as('head').ok('PUT', '/api/library/fault/ribs-flare', { body: b, base, reason: '' });
    await save({ ...body, checks: [] }, revision);
    expect((await read()).findings.map((f) => [f.kind, f.document?.slug])).toContainEqual([
      'fault without a check',
      'ribs-flare',
    ]);
    await save(body, revision + 1);
    expect((await read()).findings).toEqual(sound.findings);
    expect((await hall.as('viewer').send('GET', '/api/library/health')).status).toBe(403);
  });
});

describe('merging two cues', () => {
  const plan = () =>
    hall.as('coach').get<MergePlan>('/api/library/cue/floor-away-one-heel/merge/push-floor-away');

  it('is planned first, refused when the library has moved on, and made as one change', async () => {
    const first = await plan();
    expect(first.documents.map((d) => d.slug)).toEqual(['rear-foot-up']);
    expect(first.effects.sheets).toMatchObject([
      {
        variation: 'rear-foot-up',
        dropped: [
          { text: 'Push the floor away with one heel.' },
          { text: 'Push the floor away with the heel that is down.' },
        ],
        takenUp: [
          { text: 'Push the floor away through one heel.' },
          { text: 'Push through one heel to come up.' },
        ],
      },
    ]);
    const { body, revision } = await entryOf<Cue>('cue', 'tray');
    await hall
      .as('head')
      .ok('PUT', '/api/library/cue/tray', { body: { ...body, view: 'behind' }, base: revision, reason: '' });
    const path = '/api/library/cue/floor-away-one-heel/merge/push-floor-away';
    const stale = await hall.as('head').refused('POST', path, { reason: '', state: first.state });
    expect(stale).toMatchObject({ status: 409 });

    // A coach's merge is a proposal; nothing moves until it is accepted.
    const { state } = await plan();
    const proposed = await hall.as('coach').ok<SaveResult>('POST', path, { reason: 'The same.', state });
    expect(proposed.outcome).toBe('proposed');
    expect((await entryOf<Cue>('cue', 'floor-away-one-heel')).body.retired).toBe(false);
    const check = await hall.as('coach').get<CheckResult>(`/api/changes/${proposed.change}/check`);
    expect(check.effects!.sheets.map((s) => s.variation)).toEqual(['rear-foot-up']);
    const detail = await hall.as('head').get<ChangeDetail>(`/api/changes/${proposed.change}`);
    expect(detail.items.map((i) => `${i.kind}/${i.slug}`).sort()).toEqual([
      'cue/floor-away-one-heel',
      'variation/rear-foot-up',
    ]);
    const before = (await hall.as('head').get<LibraryList>('/api/library')).edition.changesSince;
    await hall.as('head').ok('POST', `/api/changes/${proposed.change}/decision`, { accept: true, word: '' });
    expect((await hall.as('head').get<LibraryList>('/api/library')).edition.changesSince).toBe(before + 1);
    expect((await entryOf<Cue>('cue', 'floor-away-one-heel')).body.retired).toBe(true);
    const { cues } = (await entryOf<Variation>('variation', 'rear-foot-up')).body;
    expect(cues).toContain('push-floor-away');
    expect(cues).not.toContain('floor-away-one-heel');
  });

  it('says what cannot be merged', async () => {
    const head = hall.as('head');
    const refused = (a: string, b: string) => head.refused('GET', `/api/library/cue/${a}/merge/${b}`);
    expect((await refused('tray', 'tray')).detail).toContain('itself');
    expect((await refused('tray', 'gone')).detail).toContain('There is no cue "gone".');
  });
});

describe('what can be given instead', () => {
  const ask = (who: 'head' | 'coach' | 'viewer', query = '') =>
    hall.as(who).get<Instead>(`/api/instead/back-squat${query}`);
  const slugs = (i: Instead, group: string) =>
    i.groups.find((g) => g.group === group)!.entries.map((e) => e.slug);

  it('needs nothing that is taken, and knows what bars a person', async () => {
    expect(slugs(await ask('viewer', '?without=bar-and-rack'), 'without the equipment')).toContain(
      'goblet-squat',
    );
    const id = await placedPerson(hall);
    await hall.as('head').ok('POST', `/api/people/${id}/restrictions`, {
      bars: [{ bars: 'depth' }],
      from: '2026-11-01',
      until: null,
      saidBy: 'the physiotherapist',
    });
    const { leftOut } = await ask('coach', `?person=${id}`);
    expect(leftOut).toContainEqual(
      expect.objectContaining({
        slug: 'goblet-squat',
        why: 'barred: deep positions (the physiotherapist)',
      }),
    );
  });

  it('tells a viewer nothing about people, and names what it does not know', async () => {
    const id = await placedPerson(hall);
    expect((await hall.as('viewer').refused('GET', `/api/instead/back-squat?person=${id}`)).status).toBe(403);
    expect((await hall.as('viewer').refused('GET', `/api/sheets/back-squat?person=${id}`)).status).toBe(403);
    const head = hall.as('head');
    expect((await head.refused('GET', '/api/instead/gone')).status).toBe(404);
    expect((await head.refused('GET', '/api/instead/back-squat?without=gone')).status).toBe(422);
    expect((await head.refused('GET', '/api/instead/back-squat?person=me')).status).toBe(400);
  });
});

describe('the compact list', () => {
  it('carries what a list is narrowed by, and no line of a sheet', async () => {
    const text = await (await hall.as('viewer').send('GET', '/api/library')).text();
    const { entries } = JSON.parse(text) as LibraryList;
    const squat = entries.find((e) => e.slug === 'plain-squat')!;
    expect(squat.facets).toMatchObject({
      dominance: 'balanced',
      felt: ['front of thigh', 'back of hip'],
      levels: ['squat-ladder/5'],
      equipmentAll: [],
    });
    expect(squat.facets!.cautions).toContain('pain-ends-the-set');
    const { body } = await entryOf<Variation>('variation', 'plain-squat');
    expect(text).not.toContain(body.purpose[0]!.text);
    expect(text.length / entries.length).toBeLessThan(900);
  });
});
