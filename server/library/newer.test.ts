import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { EntryInForce, LibraryList, NewerDocument, NewerEdition } from '../../contract/library.ts';
import { writeLibraryFile } from '../../core/exchange/index.ts';
import type { LibraryFile } from '../../core/exchange/index.ts';
import { mergeEdits } from '../../core/library/index.ts';
import type { Body, Cue, Variation } from '../../core/library/index.ts';
import { PATTERNS } from '../../core/terms/index.ts';
import { clientOf, hallOn, testHall } from '../testing/hall.ts';
import type { Client, TestHall } from '../testing/hall.ts';
import { shippedLibraryFile } from './index.ts';

/** The shipped library some time on: a cue reworded, a sheet reworded that names a new cue, a new sheet. */
let folder: string;
let newer: string;
let hall: TestHall;
let head: Client;
const clock = () => new Date('2026-11-24T12:00:00Z');

const text = (v: Variation, words: string) => ({ ...v, purpose: [{ text: words }] });

beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'newer-'));
  newer = path.join(folder, 'library.json');
  const { edition, documents } = JSON.parse(await readFile(shippedLibraryFile, 'utf8')) as LibraryFile;
  const goblet = documents.find((d) => d.slug === 'goblet-squat') as Variation;
  const later: Body[] = documents.map((d) => {
    if (d.kind === 'cue' && d.slug === 'headlights')
      return { ...d, line: { text: 'Headlights on the wall.' } };
    if (d.slug === 'goblet-squat')
      return { ...text(goblet, 'A first weight, held in front.'), cues: [...goblet.cues, 'new-cue'] };
    return d;
  });
  const cue = documents.find((d) => d.kind === 'cue' && d.slug === 'headlights') as Cue;
  later.push({ ...cue, slug: 'new-cue', line: { text: 'Hold the bell like a bowl of soup.' } });
  later.push({
    ...goblet,
    slug: 'brand-new',
    name: 'Brand new squat',
    shortName: 'Brand new',
    alsoCalled: [],
  });
  await writeFile(
    newer,
    writeLibraryFile({ ...edition, number: edition.number + 1, date: '2026-11-20' }, later),
  );
  hall = await testHall({ library: false });
  await hall.as('head').ok('POST', '/api/library/shipped', {});
  head = clientOf(hallOn(hall.db, clock, { shipped: newer }), hall.cookie('head'));
}, 60_000);
afterAll(async () => {
  await hall.close();
  await rm(folder, { recursive: true, force: true });
});

const news = () => head.get<NewerEdition>('/api/library/newer');
const what = async () => Object.fromEntries((await news()).items.map((i) => [i.slug, i.what]));
const inForce = (kind: string, slug: string) => head.get<EntryInForce>(`/api/library/${kind}/${slug}`);

describe('a newer edition of the library that comes along', () => {
  it('is none while the file is the one that the hall began with', async () => {
    expect((await hall.as('head').get<NewerEdition>('/api/library/newer')).items).toEqual([]);
  });

  it('names what is new, what only it changed, and what the hall changed too; for the head coach alone', async () => {
    expect(await what()).toEqual({
      headlights: 'theirs alone',
      'goblet-squat': 'theirs alone',
      'new-cue': 'new',
      'brand-new': 'new',
    });
    const { body, revision } = await inForce('variation', 'goblet-squat');
    const own = { ...(body as Variation), hands: [{ text: 'Own words about the hands.' }] };
    await head.ok('PUT', '/api/library/variation/goblet-squat', { body: own, base: revision, reason: '' });
    expect(await what()).toMatchObject({ 'goblet-squat': 'both', headlights: 'theirs alone' });
    for (const who of ['coach', 'viewer'] as const) {
      const client = clientOf(hallOn(hall.db, clock, { shipped: newer }), hall.cookie(who));
      expect((await client.refused('GET', '/api/library/newer')).status).toBe(403);
      expect((await client.refused('POST', '/api/library/newer', { items: [] })).status).toBe(403);
    }
  });

  it('is put together with own changes without losing one, and brings along what it names', async () => {
    const doc = await head.get<NewerDocument>('/api/library/newer/variation/goblet-squat');
    expect(doc).toMatchObject({ revision: 2, origin: { slug: 'goblet-squat' } });
    const { body, conflicts } = mergeEdits(doc.origin!, doc.now!, doc.newer);
    expect(conflicts).toEqual([]);
    const items = [{ kind: 'variation', slug: 'goblet-squat', base: 2, body }];
    expect(await head.ok('POST', '/api/library/newer', { items })).toMatchObject({ outcome: 'accepted' });
    const after = (await inForce('variation', 'goblet-squat')).body as Variation;
    expect(after.hands).toEqual([{ text: 'Own words about the hands.' }]);
    expect(after.purpose).toEqual([{ text: 'A first weight, held in front.' }]);
    expect(after.cues).toContain('new-cue');
    expect((await inForce('cue', 'new-cue')).revision).toBe(1);
    // It is not asked about again, and an own change afterwards is the hall's alone.
    expect(await what()).toEqual({ headlights: 'theirs alone', 'brand-new': 'new' });
  });

  it('is left where the hall wants its own, and is not asked about again', async () => {
    const items = [{ kind: 'cue', slug: 'headlights', base: 1, body: null }];
    expect(await head.ok('POST', '/api/library/newer', { items })).toMatchObject({ outcome: 'unchanged' });
    expect(((await inForce('cue', 'headlights')).body as Cue).line.text).toBe('Headlights straight ahead.');
    expect(await what()).toEqual({ 'brand-new': 'new' });
  });

  it('is a file that is one, or nothing of it is read', async () => {
    const broken = path.join(folder, 'broken.json');
    const client = clientOf(hallOn(hall.db, clock, { shipped: broken }), hall.cookie('head'));
    for (const [text, says] of [
      ['{', /not JSON|JSON/],
      ['{"documents": []}', /required|format/],
    ] as const) {
      await writeFile(broken, text);
      const problem = await client.refused('GET', '/api/library/newer');
      expect([400, 422]).toContain(problem.status);
      expect(problem.detail).toMatch(says);
    }
  });

  it('is refused whole when a document was changed meanwhile, or is not in it', async () => {
    const wrong = [
      { kind: 'variation', slug: 'brand-new', base: 0 },
      { kind: 'variation', slug: 'goblet-squat', base: 1 },
    ];
    expect((await head.refused('POST', '/api/library/newer', { items: wrong })).status).toBe(409);
    const none = [{ kind: 'cue', slug: 'no-such-cue', base: 0 }];
    expect((await head.refused('POST', '/api/library/newer', { items: none })).status).toBe(404);
    const other = [
      { kind: 'cue', slug: 'headlights', base: 1, body: (await inForce('cue', 'new-cue')).body },
    ];
    expect((await head.refused('POST', '/api/library/newer', { items: other })).status).toBe(422);
    const { entries } = await head.get<LibraryList>('/api/library');
    expect(entries.some((e) => e.slug === 'brand-new')).toBe(false);
    expect(await head.ok('POST', '/api/library/newer', { items: wrong.slice(0, 1) })).toMatchObject({
      outcome: 'accepted',
    });
    expect(await what()).toEqual({});
  });
});

describe('one pattern of the library that comes along', () => {
  it.each(PATTERNS)(
    '%s: is begun with whole in itself, and compared with its own cut afterwards',
    async (only) => {
      const other = await testHall({ library: false });
      try {
        const own = other.as('head');
        const { documents } = await own.ok<{ documents: number }>('POST', '/api/library/shipped', { only });
        const { entries } = await own.get<LibraryList>('/api/library');
        expect(entries).toHaveLength(documents);
        expect(new Set(entries.flatMap((e) => (e.kind === 'ladder' ? [e.pattern] : [])))).toEqual(
          new Set([only]),
        );
        expect((await own.get<NewerEdition>('/api/library/newer')).items).toEqual([]);
        const { findings } = await own.get<{ findings: { kind: string }[] }>('/api/library/health');
        expect(
          findings.filter((f) => ['contradiction', 'no easier variation', 'missing field'].includes(f.kind)),
        ).toEqual([]);
        expect((await own.refused('POST', '/api/library/shipped', {})).status).toBe(409);
      } finally {
        await other.close();
      }
    },
  );
});
