import { diceCoefficient } from 'dice-coefficient';
import { diffWordsWithSpace } from 'diff';
import type { Page } from '@playwright/test';
import { REFERENCE_BUILD } from '../core/body/index.ts';
import { DemandMemory, TIE_POINTS } from '../core/demand/index.ts';
import { writeLibraryFile } from '../core/exchange/index.ts';
import {
  canonicalJson,
  NEAR_DUPLICATE,
  shelfOf,
  SimilarityIndex,
  summariesOf,
  withChanges,
} from '../core/library/index.ts';
import { effectsOf, healthOf } from '../core/review/index.ts';
import type { Body, Shelf } from '../core/library/index.ts';
import { madeUpLibrary } from '../core/testing/library.ts';
import { seeded } from '../core/testing/seeded.ts';
import { differingFields } from '../web/library/compare/readable.ts';
import { comparedLines } from '../web/library/compare/word-diff.ts';
import { findableOf } from '../web/workers/findable.ts';
import { Finder } from '../web/workers/finder.ts';
import { findChromium } from './chromium.mjs';
import { emptyServer } from './demo-server.ts';
import { high, median, middle, show } from './measure.ts';

const SIZES = [
  { variations: 500, cues: 1500 },
  { variations: 2000, cues: 6000 },
];
const TYPED = [
  'p',
  'pu',
  'pus',
  'push',
  'push t',
  'push the',
  'push the he',
  'push teh heels',
  'kneees',
  'squat',
  'piece 3',
];

function health(shelf: Shelf, memory: DemandMemory) {
  return healthOf(shelf, {
    today: '2026-11-25',
    tiePoints: TIE_POINTS,
    points: (_v, m) => {
      const d = memory.of(REFERENCE_BUILD, m);
      return d.kind === 'measured' ? d.points : null;
    },
  });
}

/** The library as a tool, at two sizes: health, likeness, difference, search, and the page in a real browser. */
export async function benchLibrary(): Promise<void> {
  for (const size of SIZES) {
    const bodies = madeUpLibrary(seeded(1), size);
    console.log(
      `\nA made-up library of ${size.variations} variations and ${size.cues} cues, ${bodies.length} documents`,
    );
    const shelf = shelfOf(bodies);
    const memory = new DemandMemory();
    const cold = performance.now();
    const findings = health(shelf, memory).length;
    show(`health, ${findings} findings, every demand computed`, performance.now() - cold);
    show('health, demands known', await median(5, () => health(shelf, memory)));
    const question = shelf.all('houseQuestion')[0]!;
    const other = question.answers.find((a) => a.id !== question.hall.answer)!;
    const turned = { ...question, hall: { answer: other.id, why: '' } };
    show(
      'effects of one changed answer on every sheet',
      await median(3, () => effectsOf(shelf, withChanges(shelf, [turned]), [turned])),
    );
    likeness(shelf);
    await searching(shelf);
    if (findChromium()) await inTheBrowser(bodies);
    else console.log('No Chromium: the page was not measured.');
  }
  await difference();
}

/** Near-duplicates and what is nearest, against comparing with each by a general library. */
function likeness(shelf: Shelf): void {
  const cues = shelf.all('cue').map((c) => ({ id: c.slug, text: c.line.text }));
  const timed = (work: () => unknown) => {
    const start = performance.now();
    work();
    return performance.now() - start;
  };
  const index = new SimilarityIndex(cues);
  show(
    'index over all cues',
    timed(() => new SimilarityIndex(cues)),
  );
  const some = cues.slice(0, 1000);
  const plain = timed(() => {
    for (let i = 0; i < some.length; i++) {
      for (let j = i + 1; j < some.length; j++) diceCoefficient(some[i]!.text, some[j]!.text);
    }
  });
  const few = new SimilarityIndex(some);
  show(
    'all near-duplicates among 1,000 cues',
    timed(() => few.pairs(NEAR_DUPLICATE)),
    ['each with each by a general library', plain],
  );
  show(
    'all near-duplicates',
    timed(() => index.pairs(NEAR_DUPLICATE)),
  );
  const asked = 'Push the floor away with the heels';
  const scan = timed(() => cues.map((c) => diceCoefficient(c.text, asked)));
  show(
    'what is nearest to words being typed',
    timed(() => index.nearest(asked, 0.1, 5)),
    ['a scan by a general library', scan],
  );
}

/** The search index as it stands in the worker, against a plain scan for the same words. */
async function searching(shelf: Shelf): Promise<void> {
  const entries = summariesOf(shelf, new Map());
  const findable = findableOf(entries);
  const built = performance.now();
  const finder = new Finder(findable);
  show('search index', performance.now() - built);
  const times: number[] = [];
  for (const typed of TYPED) times.push(await median(5, () => finder.find(typed)));
  const texts = findable.map((f) => Object.values(f).join(' ').toLowerCase());
  const plain = await median(5, () => texts.filter((t) => t.includes('push the')));
  show('one search: median', middle(times), ['a plain scan without tolerance', plain]);
  show('one search: worst', Math.max(...times));
}

/** One changed line in a long sheet: field by field and word by word, against words over the whole text. */
async function difference(): Promise<void> {
  console.log('\nDifference of two revisions');
  const v = madeUpLibrary(seeded(1), SIZES[0]!).find((b) => b.kind === 'variation')!;
  const after: Body = { ...v, gettingIn: [...v.gettingIn, { text: 'One line more, said at the end.' }] };
  const name = (_kind: string, slug: string) => slug;
  const plain = await median(15, () => diffWordsWithSpace(canonicalJson(v), canonicalJson(after)));
  const own = await median(15, () =>
    differingFields(v, after, name).map((f) => comparedLines(f.before, f.after)),
  );
  show('two revisions in reading order, word by word', own, ['words over the whole JSON', plain]);
}

/** The library page from a cold load, and keystrokes until the list has followed. */
async function inTheBrowser(bodies: readonly Body[]): Promise<void> {
  const { base, browser, close } = await emptyServer();
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const headers = { origin: base };
    await page.request.post(`${base}/api/first-account`, {
      headers,
      data: { hallName: 'Bench', name: 'B. Ench', login: 'bench', password: 'a long enough one' },
    });
    const edition = { number: 1, name: 'Made up', date: '2026-01-01', changesSince: 0 };
    const imported = performance.now();
    const answer = await page.request.post(`${base}/api/library/import`, {
      headers: { ...headers, 'content-type': 'application/json' },
      data: writeLibraryFile(edition, bodies),
      timeout: 600_000,
    });
    if (!answer.ok()) throw new Error(await answer.text());
    show('import of the file', performance.now() - imported);
    const loads: number[] = [];
    for (let i = 0; i < 5; i++) {
      // A page of its own without a cache: as on a tablet that opens the library for the first time.
      const fresh = await browser.newContext({ storageState: await context.storageState() });
      const cold = await fresh.newPage();
      const start = performance.now();
      await cold.goto(`${base}/library`, { waitUntil: 'commit' });
      await cold.getByRole('list', { name: 'Variations' }).getByRole('link').first().waitFor();
      await cold.getByRole('searchbox').waitFor();
      loads.push(performance.now() - start);
      await fresh.close();
    }
    show('library page, cold load until list and search are there', middle(loads));
    await page.goto(`${base}/library`);
    await page.getByRole('list', { name: 'Variations' }).getByRole('link').first().waitFor();
    const times = await keystrokes(page);
    show('first search, with the index being built', times[0]!);
    show('a keystroke until the list has followed: median', middle(times.slice(1)));
    show('a keystroke until the list has followed: 95th percentile', high(times.slice(1)));
    const health = await median(3, async () => {
      const r = await page.request.get(`${base}/api/library/health`);
      if (!r.ok()) throw new Error(await r.text());
    });
    show('health over the wire, state unchanged', health);
  } finally {
    await close();
  }
}

/** Types words letter by letter; for each the time until the list holds the answer to it and is laid out. */
const keystrokes = (page: Page): Promise<number[]> =>
  page.evaluate(async () => {
    const input = document.querySelector<HTMLInputElement>('input[type=search]')!;
    const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!;
    const list = () => document.querySelector('ul[aria-busy]')!;
    const taken: number[] = [];
    for (const word of ['push', 'knees', 'squat', 'spread']) {
      for (let n = 1; n <= word.length; n++) {
        const start = performance.now();
        value.set?.call(input, word.slice(0, n));
        // React has rendered the letter, and that the list is behind, before dispatching returns.
        input.dispatchEvent(new Event('input', { bubbles: true }));
        while (list().getAttribute('aria-busy') === 'true') {
          await new Promise<void>((next) => {
            const seen = new MutationObserver(() => {
              seen.disconnect();
              next();
            });
            seen.observe(list(), { attributes: true });
          });
        }
        document.body.getBoundingClientRect();
        taken.push(performance.now() - start);
        await new Promise((next) => setTimeout(next, 120));
      }
    }
    return taken;
  });
