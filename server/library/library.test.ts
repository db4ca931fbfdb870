import { readFile } from 'node:fs/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LibraryFile } from '../../core/exchange/index.ts';
import type { Cue, Ladder, Variation } from '../../core/library/index.ts';
import type {
  ChangeDetail,
  ChangeSummary,
  LibraryList,
  RevisionSummary,
  SaveResult,
  Sheet,
} from '../../contract/library.ts';
import { shippedLibraryFile } from './index.ts';
import { schema } from '../db/index.ts';
import { documentIn, testHall } from '../testing/hall.ts';
import type { TestHall } from '../testing/hall.ts';

let hall: TestHall;
beforeAll(async () => void (hall = await testHall()));
afterAll(() => hall.close());

const entryOf = <T>(kind: string, slug: string) => documentIn<T>(hall, kind, slug);

async function saved(who: 'head' | 'coach', body: Cue | Ladder | Variation, base: number) {
  return hall
    .as(who)
    .ok<SaveResult>('PUT', `/api/library/${body.kind}/${body.slug}`, { body, base, reason: 'A test.' });
}

describe('saving', () => {
  it('puts the head coach’s save in force as the next revision and advances the state by one', async () => {
    const { body, revision } = await entryOf<Cue>('cue', 'tray');
    const before = (await hall.as('head').get<LibraryList>('/api/library')).edition.changesSince;
    const line = { text: 'Balance a tray on your hips.' };
    expect(await saved('head', { ...body, line }, revision)).toMatchObject({
      outcome: 'accepted',
      revision: revision + 1,
    });
    expect((await entryOf<Cue>('cue', 'tray')).body.line).toEqual(line);
    const { edition } = await hall.as('head').get<LibraryList>('/api/library');
    expect(edition.changesSince).toBe(before + 1);
    const old = await hall.as('viewer').get<{ body: Cue }>(`/api/library/cue/tray/revisions/${revision}`);
    expect(old.body).toEqual(body);
    const list = await hall.as('viewer').get<RevisionSummary[]>('/api/library/cue/tray/revisions');
    expect(list.map((r) => r.number)).toEqual([revision + 1, revision]);
    const sheet = await hall.as('viewer').get<Sheet>('/api/sheets/one-leg-lift');
    expect(sheet.resolved.cues.map((c) => c.text)).toContain(line.text);
  });

  it('makes no revision of a save that changes nothing', async () => {
    const { body, revision } = await entryOf<Cue>('cue', 'headlights');
    expect(await saved('head', body, revision)).toMatchObject({ outcome: 'unchanged', revision });
  });

  it('refuses a stale save with both versions, and changes nothing', async () => {
    const { body, revision } = await entryOf<Cue>('cue', 'one-plank');
    const first = { ...body, line: { text: 'First.' } };
    const second = { ...body, line: { text: 'Second.' } };
    await saved('head', first, revision);
    const problem = await hall
      .as('head')
      .refused('PUT', '/api/library/cue/one-plank', { body: second, base: revision, reason: '' });
    expect(problem).toMatchObject({ status: 409, yours: second, inForce: first });
    expect((await entryOf<Cue>('cue', 'one-plank')).body).toEqual(first);
  });

  it('refuses wrong types and broken references with the field, and keeps nothing of them', async () => {
    const { body, revision } = await entryOf<Variation>('variation', 'floor-lift');
    const head = hall.as('head');
    const wrong = await head.refused('PUT', '/api/library/variation/floor-lift', {
      body: { ...body, tempo: { ...body.tempo, topS: 'long' } },
      base: revision,
      reason: '',
    });
    expect(wrong).toMatchObject({ status: 422, errors: [{ field: 'body.tempo.topS' }] });
    const broken = await head.refused('PUT', '/api/library/variation/floor-lift', {
      body: { ...body, cues: [...body.cues, 'no-such-cue'] },
      base: revision,
      reason: '',
    });
    expect(broken.status).toBe(422);
    expect(broken.detail).toContain('There is no cue "no-such-cue"');
    expect((await entryOf('variation', 'floor-lift')).revision).toBe(revision);
    const changes = await head.get<ChangeSummary[]>('/api/changes');
    expect(
      changes.filter((c) => c.documents.some((d) => d.slug === 'floor-lift' && changes.length < 3)),
    ).toHaveLength(0);
  });

  it('never lets a slug change', async () => {
    const { body, revision } = await entryOf<Cue>('cue', 'headlights');
    const problem = await hall.as('head').refused('PUT', '/api/library/cue/headlights', {
      body: { ...body, slug: 'lamps' },
      base: revision,
      reason: '',
    });
    expect(problem.detail).toContain('never change');
  });
});

describe('proposing', () => {
  async function proposal(slug: string, text: string) {
    const { body, revision } = await entryOf<Cue>('cue', slug);
    const result = await saved('coach', { ...body, line: { text } }, revision);
    expect(result).toMatchObject({ outcome: 'proposed', revision: null });
    return { id: result.change!, body, revision };
  }
  const decide = (id: string, request: object) =>
    hall.as('head').ok('POST', `/api/changes/${id}/decision`, { word: 'Thanks.', ...request });

  it('leaves the sheet alone until the head coach accepts, and keeps who wrote it', async () => {
    const { id, body } = await proposal('flat-table', 'Set the table flat.');
    expect((await entryOf<Cue>('cue', 'flat-table')).body).toEqual(body);
    expect(
      (await hall.as('coach').send('POST', `/api/changes/${id}/decision`, { accept: true, word: '' })).status,
    ).toBe(403);
    const detail = await hall.as('head').get<ChangeDetail>(`/api/changes/${id}`);
    expect(detail).toMatchObject({ state: 'proposed', author: 'coach', items: [{ baseBody: body }] });
    await decide(id, { accept: true });
    expect((await entryOf<Cue>('cue', 'flat-table')).body.line.text).toBe('Set the table flat.');
    const [newest] = await hall.as('head').get<RevisionSummary[]>('/api/library/cue/flat-table/revisions');
    expect(newest!.author).toBe('coach');
  });

  it('can be declined with a word, once', async () => {
    const { id, body } = await proposal('arms-heavy', 'Arms like lead.');
    await decide(id, { accept: false });
    expect((await entryOf<Cue>('cue', 'arms-heavy')).body).toEqual(body);
    const problem = await hall
      .as('head')
      .refused('POST', `/api/changes/${id}/decision`, { accept: true, word: '' });
    expect(problem.detail).toContain('declined by head already');
  });

  it('can be edited on acceptance; original, edit and base are kept', async () => {
    const { id, body, revision } = await proposal('bench-kiss', 'Blades kiss the edge.');
    const edited = { ...body, line: { text: 'Blades touch the edge.' } };
    await decide(id, { accept: true, edited: [{ body: edited, base: revision }] });
    const detail = await hall.as('head').get<ChangeDetail>(`/api/changes/${id}`);
    expect(detail.items[0]).toMatchObject({
      base: revision,
      proposed: { line: { text: 'Blades kiss the edge.' } },
      accepted: edited,
    });
    expect((await entryOf<Cue>('cue', 'bench-kiss')).body).toEqual(edited);
  });

  it('is refused when the document has moved on, unless edited against what is in force', async () => {
    const { id, body, revision } = await proposal('eyes-follow', 'Eyes follow the chest.');
    await saved('head', { ...body, line: { text: 'Eyes travel with the chest.' } }, revision);
    const problem = await hall
      .as('head')
      .refused('POST', `/api/changes/${id}/decision`, { accept: true, word: '' });
    expect(problem.status).toBe(409);
    expect((await hall.as('head').get<ChangeDetail>(`/api/changes/${id}`)).state).toBe('proposed');
    const merged = { ...body, line: { text: 'Eyes follow.' } };
    await decide(id, { accept: true, edited: [{ body: merged, base: revision + 1 }] });
    expect(await entryOf<Cue>('cue', 'eyes-follow')).toMatchObject({ body: merged, revision: revision + 2 });
  });
});

describe('drafts', () => {
  const path = '/api/drafts/cue/tall-stride';

  it('are kept per person and document, with what is written along, and gone after saving', async () => {
    const { body, revision } = await entryOf<Cue>('cue', 'tall-stride');
    const draft = { body: { ...body, line: { text: '' } }, base: revision, also: [{ body, base: 0 }] };
    const { at } = await hall.as('coach').ok<{ at: string }>('PUT', path, { ...draft, since: null });
    expect(await hall.as('coach').get(path)).toEqual({ ...draft, at });
    expect(await hall.as('head').get(path)).toBeNull();
    await saved('coach', { ...body, line: { text: 'Taller.' } }, revision);
    expect(await hall.as('coach').get(path)).toBeNull();
  });

  it('written on in two windows are never overwritten by the one that does not know the other', async () => {
    const { body, revision } = await entryOf<Cue>('cue', 'tall-stride');
    const coach = hall.as('coach');
    const draft = (text: string, since: string | null) => ({
      body: { ...body, line: { text } },
      base: revision,
      also: [],
      since,
    });
    hall.setNow('2026-11-24T12:01:00Z');
    const one = await coach.ok<{ at: string }>('PUT', path, draft('In one window', null));
    const problem = await coach.refused('PUT', path, draft('In the other', null));
    expect(problem).toMatchObject({ status: 409, inForce: { line: { text: 'In one window' } } });
    hall.setNow('2026-11-24T12:02:00Z');
    await coach.ok('PUT', path, draft('In one window, on', one.at));
    expect(await coach.get(path)).toMatchObject({ body: { line: { text: 'In one window, on' } } });
    await coach.ok('DELETE', path);
    hall.setNow('2026-11-24T12:00:00Z');
  });
});

describe('several documents saved as one change', () => {
  it('are accepted whole: a sheet with a cue written along', async () => {
    const { body, revision } = await entryOf<Variation>('variation', 'floor-march');
    const cue = {
      ...(await entryOf<Cue>('cue', 'tray')).body,
      slug: 'fresh-cue',
      line: { text: 'Freshly said.' },
    };
    const head = hall.as('head');
    const next = { ...body, cues: [...body.cues, 'fresh-cue'] };
    const put = (also: object[]) =>
      head.send('PUT', '/api/library/variation/floor-march', {
        body: next,
        base: revision,
        reason: '',
        also,
      });
    const alone = await put([]);
    expect(alone.status).toBe(422);
    const twice = await put([
      { body: cue, base: 0 },
      { body: cue, base: 0 },
    ]);
    expect(((await twice.json()) as { detail: string }).detail).toContain('given twice');
    const before = (await head.get<LibraryList>('/api/library')).edition.changesSince;
    const done = (await (await put([{ body: cue, base: 0 }])).json()) as SaveResult;
    expect((await head.get<LibraryList>('/api/library')).edition.changesSince).toBe(before + 1);
    const sheet = await head.get<Sheet>('/api/sheets/floor-march');
    expect(sheet.resolved.cues.map((c) => c.text)).toContain('Freshly said.');
    const change = await head.get<ChangeDetail>(`/api/changes/${done.change}`);
    expect(change.documents.map((d) => d.slug).sort()).toEqual(['floor-march', 'fresh-cue']);
  });

  it('a new document under a slug that somebody else was quicker to take is told with both', async () => {
    const { body } = await entryOf<Cue>('cue', 'tray');
    const problem = await hall
      .as('head')
      .refused('PUT', '/api/library/cue/tray', { body, base: 0, reason: '' });
    expect(problem.detail).toContain('There is a cue "tray" already');
    expect(problem.inForce).toEqual(body);
  });
});

describe('text is text', () => {
  it.each([
    ['a script', '<script>alert(1)</script> & "quotes" \'too\''],
    ['right to left', 'כתפיים אחורה ולמטה'],
    ['emoji', 'Squeeze 🙂👩🏽‍🦽 now'],
    ['a formula', '=HYPERLINK("http://x","y")'],
  ])('%s comes back letter by letter', async (_what, text) => {
    const { body, revision } = await entryOf<Cue>('cue', 'small-breaths');
    await saved('head', { ...body, line: { text } }, revision);
    expect((await entryOf<Cue>('cue', 'small-breaths')).body.line.text).toBe(text);
    const response = await hall.as('head').send('GET', '/api/library/cue/small-breaths');
    expect(response.headers.get('content-type')).toContain('application/json');
  });

  it('ten thousand letters are refused with the field, and nothing is kept', async () => {
    const { body, revision } = await entryOf<Cue>('cue', 'small-breaths');
    const problem = await hall.as('head').refused('PUT', '/api/library/cue/small-breaths', {
      body: { ...body, line: { text: 'x'.repeat(10_000) } },
      base: revision,
      reason: '',
    });
    expect(problem.errors).toEqual([
      { field: 'body.line.text', detail: expect.stringContaining('less than or equal to 2000') as string },
    ]);
    expect((await entryOf<Cue>('cue', 'small-breaths')).revision).toBe(revision);
  });
});

describe('editions', () => {
  it('name the state of now', async () => {
    await hall.as('head').ok('POST', '/api/editions', { name: 'Winter' });
    const { edition } = await hall.as('viewer').get<LibraryList>('/api/library');
    expect(edition).toMatchObject({ number: 2, name: 'Winter', date: '2026-11-24', changesSince: 0 });
  });
});

describe('the library file', () => {
  it('goes into an empty hall and comes out with the same bytes', async () => {
    const text = await (await hall.as('viewer').send('GET', '/api/library/export')).text();
    const other = await testHall({ library: false });
    try {
      await other.as('head').ok('POST', '/api/library/import', text);
      const again = await (await other.as('head').send('GET', '/api/library/export')).text();
      expect(again).toBe(text);
      const full = await other.as('head').refused('POST', '/api/library/import', text);
      expect(full.detail).toContain('has a library already');
    } finally {
      await other.close();
    }
  });

  it('of the application is what an empty hall may begin with, once, by its head coach', async () => {
    const other = await testHall({ library: false });
    try {
      const head = other.as('head');
      const file = JSON.parse(await readFile(shippedLibraryFile, 'utf8')) as LibraryFile;
      const variations = file.documents.filter((d) => d.kind === 'variation').length;
      expect(await head.get('/api/library/shipped')).toMatchObject({
        edition: { number: file.edition.number, name: file.edition.name },
        variations,
      });
      for (const who of ['coach', 'viewer'] as const) {
        expect((await other.as(who).refused('POST', '/api/library/shipped', {})).status).toBe(403);
        expect((await other.as(who).refused('GET', '/api/library/shipped')).status).toBe(403);
      }
      expect((await head.get<LibraryList>('/api/library')).entries).toEqual([]);
      expect(await head.ok('POST', '/api/library/shipped', {})).toEqual({ documents: file.documents.length });
      expect((await head.refused('POST', '/api/library/shipped', {})).detail).toContain(
        'has a library already',
      );
      // It is the hall's own now, byte for byte what came.
      const out = await (await head.send('GET', '/api/library/export')).text();
      expect(out).toBe(await readFile(shippedLibraryFile, 'utf8'));
      // What the hall has is its own to say.
      expect(await head.get('/api/kit')).toEqual([]);
    } finally {
      await other.close();
    }
  });

  it('is refused whole, with the list of what is wrong', async () => {
    const empty = await testHall({ library: false });
    try {
      const head = empty.as('head');
      const file = JSON.parse(await readFile(shippedLibraryFile, 'utf8')) as LibraryFile;
      const variation = file.documents.find((d) => d.kind === 'variation')!;
      const broken = {
        ...file,
        documents: file.documents.map((d) => (d === variation ? { ...d, cues: ['gone', 'lost'] } : d)),
      };
      const problem = await head.refused('POST', '/api/library/import', broken);
      expect(problem.errors?.map((e) => e.detail)).toEqual([
        'There is no cue "gone".',
        'There is no cue "lost".',
      ]);
      const typed = {
        ...file,
        documents: file.documents.map((d) => (d === variation ? { ...d, impact: 'no' } : d)),
      };
      expect((await head.refused('POST', '/api/library/import', typed)).errors?.[0]?.detail).toBe(
        'Impact must be a boolean.'.replace(
          'Impact',
          'Documents[' + file.documents.indexOf(variation) + '].impact',
        ),
      );
      const twice = { ...file, documents: [...file.documents, variation] };
      expect((await head.refused('POST', '/api/library/import', twice)).detail).toContain(
        'stands in the file twice',
      );
      expect(
        (await head.refused('POST', '/api/library/import', '{"a":'.repeat(40) + '1' + '}'.repeat(40))).detail,
      ).toContain('nested more than');
      expect((await head.refused('POST', '/api/library/import', 'not json')).status).toBe(400);
      expect(await empty.db.select().from(schema.entry)).toEqual([]);
      expect(await empty.db.select().from(schema.change)).toEqual([]);
    } finally {
      await empty.close();
    }
  });

  it('publishes its JSON Schema to anyone', async () => {
    const answer = await hall.as('nobody').get<{ title: string }>('/api/library/schema');
    expect(answer.title).toContain('version 1');
  });
});

describe('a changed criterion', () => {
  it('changes the sentence’s numbers for every decision that follows', async () => {
    const { body, revision } = await entryOf<Ladder>('ladder', 'bridge-ladder');
    const [first, ...rest] = body.levels;
    const easier = { ...first!, advance: { kind: 'cleanReps' as const, reps: 4, sets: 1 } };
    await saved('head', { ...body, levels: [easier, ...rest] }, revision);
    expect((await entryOf<Ladder>('ladder', 'bridge-ladder')).body.levels[0]!.advance).toEqual(
      easier.advance,
    );
  });
});
