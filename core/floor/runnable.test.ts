import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildOf } from '../body/index.ts';
import type { LibraryFile } from '../exchange/index.ts';
import { shelfOf } from '../library/index.ts';
import type { ShelfInForce } from '../library/index.ts';
import { recount } from '../kit/index.ts';
import type { Wish } from '../kit/index.ts';
import { PIECE_FORM_NAMES } from '../terms/index.ts';
import type { Piece } from '../terms/index.ts';
import { kitOf, piece } from '../testing/kit.ts';
import { runs } from '../testing/runs.ts';
import { holesFor, lostBetween, runsFor } from './runnable.ts';
import type { RunPerson } from './runnable.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const TODAY = '2026-11-24';
const hall = (pieces: readonly Piece[]): ShelfInForce => ({
  state: 1,
  shelf: shelfOf(documents, kitOf(...pieces)),
  revisions: new Map(),
});
const person = (id: string, statureM: number, more: Partial<RunPerson> = {}): RunPerson => ({
  id,
  body: { build: buildOf({ statureM, massKg: 24 * statureM ** 2 }), worn: { soleM: 0 } },
  restrictions: [],
  answers: {},
  levels: {},
  ...more,
});
const PEOPLE = [person('short', 1.52), person('middle', 1.75), person('tall', 1.98)];
const THINGS = documents.flatMap((d) => (d.kind === 'equipment' ? [d.slug] : []));
const NONE = THINGS.map((slug) => piece(slug, { count: 0 }));
const bench = (heightM: number) => piece('thrust-bench', { form: 'height', sizes: { heightM } });
const cell = (inForce: ShelfInForce, ladder: string, level: string, who: RunPerson) =>
  runsFor(inForce, [who], TODAY).find((l) => l.ladder === ladder && l.level === level)!.cells[0]!;

/** Any piece of any kind, mostly of a size that somebody could use. */
const anyPiece: fc.Arbitrary<Piece> = fc
  .record({
    equipment: fc.constantFrom(...THINGS),
    form: fc.constantFrom(...PIECE_FORM_NAMES),
    count: fc.integer({ min: 1, max: 4 }),
    cm: fc.integer({ min: 5, max: 90 }),
    out: fc.integer({ min: 0, max: 9 }),
  })
  .map(({ equipment, form, count, cm, out }) => {
    const m = cm / 100;
    const sizes = {
      height: { heightM: m },
      adjustable: { fromM: m, toM: m + 0.3, stepM: 0.05 },
      pad: { thicknessM: 0.05 },
      rack: { firstM: 0.3, spacingM: 0.05, notches: 10 + (cm % 25) },
      ball: { seatM: m },
      machine: { axleM: 1.248, fromM: 0.05, toM: m + 0.05, stepM: 0.05 },
    };
    return piece(equipment, {
      form,
      count,
      sizes: form in sizes ? sizes[form as keyof typeof sizes] : {},
      condition: out === 0 ? 'out' : 'good',
    });
  });

describe('what can be run', () => {
  it('follows the kit and the body', () => {
    const [short, middle] = PEOPLE as [RunPerson, RunPerson];
    const with40 = hall([
      ...NONE.filter((p) => p.equipment === 'chair' || p.equipment === 'plyo-box'),
      bench(0.4),
    ]);
    expect(cell(with40, 'bridge-ladder', 'thrust', middle).result).toBe('open');
    // 40 cm is 4.3 cm too high for 1.52 m.
    expect(cell(with40, 'bridge-ladder', 'thrust', short)).toMatchObject({
      result: 'with a note',
      why: [{ what: 'with a note', measure: 'thrust bench', misfit: { what: 'slope' } }],
    });
    const without = hall(NONE);
    expect(cell(without, 'bridge-ladder', 'thrust', middle)).toMatchObject({ result: 'hole' });
    expect(cell(without, 'bridge-ladder', 'lift', middle).why).toContainEqual({
      what: 'missing',
      equipment: 'mat',
    });
    // A level that needs nothing stays open.
    expect(cell(without, 'squat-ladder', 'plain', middle).result).toBe('open');
  });

  it('is barred where a restriction bars every way of it', () => {
    const barred = person('barred', 1.75, {
      restrictions: [
        {
          id: 'r',
          bars: [{ bars: 'pattern', pattern: 'squat' }],
          from: '2026-11-01',
          until: null,
          saidBy: 'A physiotherapist',
        },
      ],
    });
    expect(cell(hall([]), 'squat-ladder', 'plain', barred)).toEqual({
      result: 'hole',
      why: [{ what: 'barred' }],
    });
  });

  it('never closes a level by more kit', () => {
    fc.assert(
      fc.property(fc.array(anyPiece, { maxLength: 25 }), anyPiece, (some, more) => {
        const before = runsFor(hall([...NONE, ...some]), PEOPLE, TODAY);
        const after = runsFor(hall([...NONE, ...some, { ...more, condition: 'good' }]), PEOPLE, TODAY);
        for (const [i, level] of before.entries())
          for (const [j, c] of level.cells.entries())
            if (c.result !== 'hole')
              expect(after[i]!.cells[j]!.result, `${level.ladder}/${level.level} ${PEOPLE[j]!.id}`).not.toBe(
                'hole',
              );
      }),
      { numRuns: runs(40) },
    );
  });

  it('is lost to those who stand there when the only piece goes', () => {
    const at = person('at', 1.75, { levels: { 'bridge-ladder': 'thrust', 'squat-ladder': 'plain' } });
    // Of everything else nobody has said anything: it is taken to be there.
    const seats = NONE.filter((p) =>
      ['chair', 'plyo-box', 'flat-seat', 'thrust-bench'].includes(p.equipment),
    );
    const [before, after] = [hall([...seats, bench(0.4)]), hall(seats)];
    expect(lostBetween(before, after, [at], TODAY)).toMatchObject([
      { ladder: 'bridge-ladder', level: 'thrust' },
    ]);
    expect(lostBetween(before, before, [at], TODAY)).toEqual([]);
  });
});

describe('what a purchase opens', () => {
  const at = {
    levels: Object.fromEntries(
      documents.flatMap((d) => (d.kind === 'ladder' ? [[d.slug, d.levels[0]!.id]] : [])),
    ),
  };
  const people = PEOPLE.map((p) => ({ ...p, ...at }));
  it('is what stands open once it is bought', () => {
    fc.assert(
      fc.property(
        fc.array(anyPiece, { maxLength: 12 }),
        fc.array(anyPiece, { minLength: 1, maxLength: 5 }),
        (some, list) => {
          const wishes: Wish[] = list.map((p, i) => ({
            id: String(i),
            price: 1,
            piece: { ...p, condition: 'good' },
          }));
          const holes = holesFor(hall([...NONE, ...some]), people, wishes, TODAY);
          const all = recount(
            holes,
            wishes,
            wishes.map((_, i) => i),
          );
          const bought = runsFor(hall([...NONE, ...some, ...wishes.map((w) => w.piece)]), people, TODAY);
          for (const { level, people: who } of all.opens)
            for (const id of who) {
              const runsAt = bought.find((l) => `${l.ladder}/${l.level}` === level)!;
              expect(runsAt.cells[people.findIndex((p) => p.id === id)]!.result, `${level} ${id}`).not.toBe(
                'hole',
              );
            }
        },
      ),
      { numRuns: runs(25) },
    );
  });
});
