import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../exchange/index.ts';
import { carries, resolve, shelfOf } from '../library/index.ts';
import type { Body, Caution, HouseQuestion, Variation } from '../library/index.ts';
import { sheetDocuments } from './sheet-documents.ts';
import { logRows } from './log-rows.ts';
import { MOST_ITEMS, MOST_OF_DAY, readJob, SHEET_KINDS, writeJob } from './job.ts';
import { sheetLines } from './sheet-blocks.ts';
import { differsOnPaper } from './sheet-difference.ts';
import { WARM_UP_S, warmUpFor } from './warm-up.ts';
import type { JobItem } from './job.ts';
import { STAGES } from '../terms/index.ts';
import { runs } from '../testing/runs.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
const variation = (slug: string) => shelf.get('variation', slug)!;
const swapped = (...bodies: Body[]) => {
  const ids = new Set(bodies.map((b) => `${b.kind}/${b.slug}`));
  return shelfOf([...documents.filter((d) => !ids.has(`${d.kind}/${d.slug}`)), ...bodies]);
};

describe('a print job as text', () => {
  const slug = fc
    .array(fc.stringMatching(/^[a-z0-9]{1,6}$/), { minLength: 1, maxLength: 3 })
    .map((parts) => parts.join('-'));
  const item = fc
    .constantFrom(...SHEET_KINDS)
    .chain((kind) =>
      fc
        .array(slug, { minLength: 1, maxLength: kind === 'log' || kind === 'warm-up' ? MOST_OF_DAY : 1 })
        .map((of): JobItem => ({ kind, of })),
    );

  it('reads as what was written, also after an address has turned the plus into a blank', () => {
    fc.assert(
      fc.property(fc.array(item, { maxLength: MOST_ITEMS }), (items) => {
        expect(readJob(writeJob(items))).toEqual(items);
        expect(readJob(new URLSearchParams(`job=${writeJob(items)}`).get('job')!)).toEqual(items);
      }),
    );
  });

  it.each([
    ['song:box-squat', 'names no kind of sheet'],
    ['box-squat', 'names no kind of sheet'],
    ['floor:', 'names nothing to print'],
    ['floor:<script>', 'names nothing to print'],
    ['floor:a+b', 'about one thing only'],
    [`log:${Array.from({ length: MOST_OF_DAY + 1 }, (_, i) => `v${i}`).join('+')}`, 'at most'],
    [Array.from({ length: MOST_ITEMS + 1 }, (_, i) => `floor:v${i}`).join(','), 'at most'],
  ])('%j is refused with a reason', (text, why) => {
    expect(() => readJob(text)).toThrow(RangeError);
    expect(() => readJob(text)).toThrow(why);
  });
});

describe('what a sheet draws on', () => {
  const on = (kind: JobItem['kind'], ...of: string[]) => sheetDocuments({ kind, of }, shelf);

  it('full: the variation, its cues, faults, kit, drills, cautions and the house questions behind its lines', () => {
    for (const id of [
      'variation/box-squat',
      'cue/no-thud',
      'fault/drops-onto-box',
      // A cue that only an answer to a fault of it names.
      'cue/big-toe-down',
      'equipment/plyo-box',
      'variation/knee-lift-walk',
      'houseQuestion/knee-travel',
      'caution/pain-ends-the-set',
      'caution/solid-before-soft',
    ]) {
      expect(on('full', 'box-squat'), id).toContain(id);
    }
  });

  it('and nothing else: no other sheet, no caution that does not hold here, no question it does not ask', () => {
    const full = on('full', 'box-squat');
    expect(full).not.toContain('variation/back-squat');
    expect(full).not.toContain('caution/landings');
    expect(full).not.toContain('houseQuestion/thrust-path');
    expect(full).not.toContain('ladder/squat-ladder');
  });

  it('floor: the cues that lead for any stage, kit and stop faults, and no more', () => {
    const floor = on('floor', 'box-squat');
    expect(floor).toContain('cue/seat-first');
    expect(floor).toContain('fault/sharp-pain');
    expect(floor).toContain('equipment/pads');
    // The last cue of the sheet, a fault that ends no set, a caution: not on this paper.
    expect(floor).not.toContain('cue/belt-round');
    expect(floor).not.toContain('fault/drops-onto-box');
    expect([...floor].some((id) => id.startsWith('caution/'))).toBe(false);
  });

  it('handout: one cue and the cautions; log: the faults that are lettered', () => {
    const handout = on('handout', 'box-squat');
    // The first of learners, and the first of those whom it suits no more.
    expect([...handout].filter((id) => id.startsWith('cue/'))).toEqual([
      'cue/seat-first',
      'cue/knees-open-doors',
    ]);
    expect(handout).toContain('caution/pain-ends-the-set');
    const log = on('log', 'box-squat', 'bar-romanian');
    expect(log).toContain('fault/drops-onto-box');
    expect(log).toContain('variation/bar-romanian');
    expect([...log].some((id) => id.startsWith('cue/') || id.startsWith('caution/'))).toBe(false);
  });

  it('full holds every caution whose predicate holds, for every variation', () => {
    for (const v of shelf.all('variation')) {
      const ids = on('full', v.slug);
      for (const c of shelf.all('caution')) expect(ids.has(`caution/${c.slug}`)).toBe(carries(v, c));
    }
  });

  it('of a poster is the ladder and what stands on it', () => {
    const poster = on('poster', 'squat-ladder');
    expect(poster).toContain('ladder/squat-ladder');
    expect(poster).toContain('variation/low-bar-squat');
    expect(poster).toContain('houseQuestion/depth');
    expect([...poster].some((id) => id.startsWith('cue/'))).toBe(false);
  });

  it('of a warm-up begins with a drill for what lacks, felt where it is short', () => {
    const first = (lacking: 'ankle' | 'back of thigh' | 'front of hip') =>
      warmUpFor({ shelf, work: [variation('bar-romanian')], lacking: [lacking] }).entries.find((e) =>
        e.because.startsWith('for the range'),
      );
    expect(first('back of thigh')).toMatchObject({
      variation: { slug: 'heel-forward-hamstring' },
      because: 'for the range of the back of thigh',
    });
    expect(first('front of hip')!.variation.slug).toBe('half-kneeling-reach');
    expect(first('ankle')!.variation.joints).toContain('ankle');
  });

  it('of a warm-up is everything that it prints, light versions too, and what chose it', () => {
    const warmUp = on('warm-up', 'bar-romanian');
    for (const { variation: v } of warmUpFor({ shelf, work: [variation('bar-romanian')] }).entries) {
      expect(warmUp).toContain(`variation/${v.slug}`);
      expect(warmUp).toContain(`cue/${resolve(v, shelf).cues[0]!.slug}`);
    }
    expect(warmUp).toContain('drillList/before-hinges');
    expect(warmUp).toContain('houseQuestion/preparation');
    expect(warmUp).toContain('ladder/hinge-ladder');
    expect(warmUp).not.toContain('drillList/before-squats');
    // The cues of the work itself stand on other paper.
    expect(warmUp).not.toContain('cue/shave-thighs');
  });

  it('of what is in no library is nothing', () => {
    expect(on('floor', 'no-such')).toEqual(new Set());
  });

  it('leaves of a reading what stands on the paper', () => {
    const r = resolve(variation('box-squat'), shelf);
    const texts = (kind: JobItem['kind']) => sheetLines(kind, r).map((l) => `${l.section}: ${l.text}`);
    const floor = texts('floor');
    expect(floor.filter((l) => l.startsWith('Cues'))).toHaveLength(3);
    expect(floor.some((l) => l.startsWith('Breathing'))).toBe(false);
    expect(floor).toContain('Equipment: Foam pads, 5 cm: 2 × Foam pads, 5 cm');
    // What ends the set is on it with when, other faults are not.
    expect(floor.filter((l) => l.includes('Sharp or rising pain ends the set'))).toHaveLength(1);
    expect(floor.some((l) => l.includes('Drops the last part'))).toBe(false);
    expect(sheetLines('log', r).flatMap((l) => (l.of?.startsWith('fault/') ? [l.text] : []))).toEqual(
      r.faults.map((f) => f.name),
    );
    expect(texts('handout').some((l) => l.includes('Firm cushions or thick books'))).toBe(true);
    expect(texts('poster')).toEqual(['Name: Box squat with a seated pause']);
  });

  it('every line that comes from another document comes from one that the sheet draws on', () => {
    for (const kind of ['floor', 'full', 'handout', 'log'] as const) {
      for (const v of shelf.all('variation')) {
        const drawn = sheetDocuments({ kind, of: [v.slug] }, shelf);
        for (const l of sheetLines(kind, resolve(v, shelf))) {
          if (l.of !== null) expect(drawn, `${kind} ${v.slug}`).toContain(l.of);
        }
      }
    }
  });

  it('a document that it does not draw on changes no line of it, for nobody', () => {
    const reworded = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(reworded)
        : typeof value === 'object' && value !== null
          ? Object.fromEntries(
              Object.entries(value).map(([key, x]) => [
                key,
                ['text', 'name'].includes(key) && typeof x === 'string' ? `${x}!` : reworded(x),
              ]),
            )
          : value;
    const readers = [undefined, ...STAGES.map((stage) => ({ stage, answers: {} }))];
    let changedOnPaper = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...documents),
        fc.constantFrom(...shelf.all('variation')),
        fc.constantFrom('floor', 'full', 'handout', 'log'),
        (body, v, kind) => {
          const after = swapped(reworded(body) as Body);
          const drawn = sheetDocuments({ kind, of: [v.slug] }, shelf).has(`${body.kind}/${body.slug}`);
          for (const person of readers) {
            const was = sheetLines(kind, resolve(v, shelf, person));
            const is = sheetLines(kind, resolve(after.get('variation', v.slug)!, after, person));
            if (drawn) changedOnPaper += JSON.stringify(is) === JSON.stringify(was) ? 0 : 1;
            else expect(is).toEqual(was);
          }
        },
      ),
      { numRuns: runs(400) },
    );
    expect(changedOnPaper).toBeGreaterThan(0);
  });

  it('tells what differs on it for a stage alone, and nothing that stands on other paper', () => {
    const cue = (slug: string, text: string) => {
      const c = shelf.get('cue', slug)!;
      return differsOnPaper('floor', ['box-squat'], shelf, swapped({ ...c, line: { ...c.line, text } }));
    };
    // It leads for those who know the movement no longer, for the advanced only.
    expect(cue('knees-open-doors', 'Open two doors.')).toMatchObject([
      { stage: 'advanced', takenUp: [{ section: 'Cues', text: 'Open two doors.' }] },
    ]);
    expect(cue('seat-first', 'The seat starts.')).toMatchObject([
      { stage: null, takenUp: [{ text: 'The seat starts.' }] },
    ]);
    expect(cue('belt-round', 'Belt out.')).toEqual([]);
    const pain = shelf.get('fault', 'sharp-pain')!;
    const after = swapped({ ...pain, whenToStop: { text: 'Stop at once.' } });
    expect(differsOnPaper('floor', ['box-squat'], shelf, after)).toMatchObject([
      { takenUp: [{ section: 'Fault: Sharp pain', text: 'Stop at once.' }] },
    ]);
    expect(differsOnPaper('log', ['box-squat'], shelf, after)).toEqual([]);
  });
});

describe('the warm-up of the day', () => {
  const work = (...slugs: string[]) => slugs.map(variation);
  const slugsOf = (list: { entries: { variation: Variation }[] }) =>
    list.entries.map((e) => e.variation.slug);

  it('goes from pulse to mobility to activation to a light version, within its time', () => {
    const list = warmUpFor({ shelf, work: work('back-squat', 'bar-romanian') });
    const steps = list.entries.map((e) => e.step);
    expect([...new Set(steps)]).toEqual(['pulse', 'mobility', 'activation', 'light version']);
    expect(list.seconds).toBeLessThanOrEqual(WARM_UP_S);
    expect(list.seconds).toBeGreaterThan(list.entries.reduce((sum, e) => sum + e.seconds, 0));
    expect(list.entries[1]!.because).toBe('before Back squat, Romanian deadlift');
  });

  it('follows the house answers: a light version only, holds, no activation', () => {
    const under = (slug: string, answer: string) => {
      const q = shelf.get('houseQuestion', slug)!;
      const changed: HouseQuestion = {
        ...q,
        hall: { answer, why: 'Test.' },
        byLoad: [],
        byStage: [],
        byVariation: [],
      };
      return warmUpFor({ shelf: swapped(changed), work: work('back-squat') }).entries.map((e) => e.step);
    };
    expect(new Set(under('preparation', 'light-version'))).toEqual(new Set(['light version']));
    expect(under('preparation', 'holds')).not.toContain('pulse');
    expect(under('activation', 'movement-first')).not.toContain('activation');
  });

  it('leaves out what is barred for the person, and says so', () => {
    const list = warmUpFor({
      shelf,
      work: work('back-squat'),
      barred: (v) => (v.rangeTarget === 'full depth' ? 'barred: deep positions' : null),
    });
    expect(slugsOf(list)).not.toContain('deep-squat-sit');
    expect(list.leftOut).toContainEqual({
      slug: 'deep-squat-sit',
      name: variation('deep-squat-sit').name,
      why: 'barred: deep positions',
    });
  });

  it('is a list for every variation and every pair of patterns, each drill once, none of the work itself', () => {
    const all = shelf.all('variation').filter((v) => v.roles.includes('work'));
    for (const v of all) {
      const list = warmUpFor({ shelf, work: [v, all[0]!] });
      const slugs = slugsOf(list);
      expect(slugs.length).toBeGreaterThan(2);
      expect(new Set(slugs).size).toBe(slugs.length);
      expect(slugs).not.toContain(v.slug);
    }
  });

  it('is empty where nothing is named', () => {
    const bare: Variation = { ...variation('back-squat'), drills: [], pattern: 'lunge' };
    const none = shelfOf([bare, ...documents.filter((d): d is Caution => d.kind === 'caution')]);
    expect(warmUpFor({ shelf: none, work: [bare] }).entries).toEqual([]);
  });
});

describe('the rows of a blank log', () => {
  it('are a set more than is asked for, by sides where one leg works', () => {
    expect(logRows(variation('goblet-squat'), null)).toEqual([[null], [null], [null], [null]]);
    expect(logRows(variation('one-leg-lift'), { sets: 1 })).toEqual([
      ['left', 'right'],
      ['left', 'right'],
    ]);
    const bare = {
      laterality: 'two legs',
      sideOrder: 'both together',
      countedIn: 'repetitions',
      dose: [],
    } as const;
    expect(logRows(bare, null)).toHaveLength(3);
    // By the clock the sides change inside a round.
    expect(logRows(variation('one-leg-lift'), { sets: 1, rounds: 2 })).toEqual([[null], [null]]);
  });
});
