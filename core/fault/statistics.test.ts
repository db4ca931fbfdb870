import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { agreementReport, answersReport, faultsWhere, partedOn } from './report.ts';
import { kappa } from './agreement.ts';
import { wilson } from './proportion.ts';
import type { RatedTwice } from './report.ts';

describe('Wilson’s interval', () => {
  // Newcombe 1998, Statistics in Medicine 17:857–872, table I, method 3 (score without continuity correction);
  // values from memory.
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('of %i in %i', (hits, n, low, high) => {
    const got = wilson(hits, n)!;
    expect(got.low).toBeCloseTo(low, 4);
    expect(got.high).toBeCloseTo(high, 4);
  });

  it('holds the share, stays within 0 and 1, is mirrored, and narrows with n', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.double({ min: 0, max: 1, noNaN: true }), (n, part) => {
        const hits = Math.round(part * n);
        const got = wilson(hits, n)!;
        const mirror = wilson(n - hits, n)!;
        expect(got.low).toBeLessThanOrEqual(got.share + 1e-12);
        expect(got.high).toBeGreaterThanOrEqual(got.share - 1e-12);
        expect(got.low).toBeGreaterThanOrEqual(0);
        expect(got.high).toBeCloseTo(1 - mirror.low, 9);
        const more = wilson(4 * hits, 4 * n)!;
        expect(more.high - more.low).toBeLessThan(got.high - got.low);
      }),
    );
  });

  it('is not known of nothing, and refuses what is no share', () => {
    expect(wilson(0, 0)).toBeNull();
    expect(() => wilson(3, 2)).toThrow(RangeError);
    expect(() => wilson(-1, 2)).toThrow(RangeError);
  });
});

describe('Cohen’s kappa', () => {
  // Fleiss, Statistical Methods for Rates and Proportions (2nd ed., 1981), table 13.1: two raters, a hundred cases;
  // kappa .676, standard error for the interval .087; values from memory.
  it('with its interval, on the published table', () => {
    const got = kappa([
      [75, 1, 4],
      [5, 4, 1],
      [0, 0, 10],
    ])!;
    expect(got.observed).toBeCloseTo(0.89, 12);
    expect(got.expected).toBeCloseTo(0.66, 12);
    expect(got.kappa).toBeCloseTo(0.676, 3);
    expect((got.high! - got.low!) / (2 * 1.96)).toBeCloseTo(0.087, 2);
  });

  it('has the width that the delta method gives by numbers, without the formula', () => {
    const cell = fc.integer({ min: 1, max: 40 });
    fc.assert(
      fc.property(cell, cell, cell, cell, (a, b, c, d) => {
        const n = a + b + c + d;
        const got = kappa([
          [a, b],
          [c, d],
        ])!;
        if (got.low === null || got.low <= -1 || got.high! >= 1) return;
        const p = [a, b, c, d].map((x) => x / n);
        const of = ([w, x, y, z]: number[]) => {
          const sum = w! + x! + y! + z!;
          const po = (w! + z!) / sum;
          const pe = ((w! + x!) * (w! + y!) + (y! + z!) * (x! + z!)) / sum ** 2;
          return (po - pe) / (1 - pe);
        };
        const h = 1e-6;
        const slope = p.map((_, i) => {
          const moved = (by: number) => of(p.map((q, j) => (j === i ? q + by : q)));
          return (moved(h) - moved(-h)) / (2 * h);
        });
        const mean = p.reduce((sum, q, i) => sum + q * slope[i]!, 0);
        const variance = (p.reduce((sum, q, i) => sum + q * slope[i]! ** 2, 0) - mean ** 2) / n;
        expect((got.high! - got.low) / (2 * 1.959963984540054)).toBeCloseTo(Math.sqrt(variance), 5);
      }),
    );
  });

  it.each([
    // By hand: po .70, pe .5 · .6 + .5 · .4 = .50.
    [
      'half of what chance leaves',
      [
        [20, 5],
        [10, 15],
      ],
      0.4,
    ],
    [
      'chance alone',
      [
        [25, 25],
        [25, 25],
      ],
      0,
    ],
    [
      'never the same',
      [
        [0, 10],
        [10, 0],
      ],
      -1,
    ],
  ])('%s', (_, table, value) => {
    expect(kappa(table)!.kappa).toBeCloseTo(value, 12);
  });

  it('is not known where chance would agree wholly, and its width not where there is no spread', () => {
    expect(
      kappa([
        [0, 0],
        [0, 0],
      ]),
    ).toBeNull();
    expect(
      kappa([
        [8, 0],
        [0, 0],
      ])!.kappa,
    ).toBeNull();
    expect(
      kappa([
        [5, 0],
        [0, 7],
      ]),
    ).toMatchObject({ kappa: 1, low: null, high: null });
  });

  it('does not depend on who is called the first', () => {
    const cell = fc.integer({ min: 0, max: 40 });
    fc.assert(
      fc.property(cell, cell, cell, cell, (a, b, c, d) => {
        const [one, other] = [
          kappa([
            [a, b],
            [c, d],
          ]),
          kappa([
            [a, c],
            [b, d],
          ]),
        ];
        expect(one?.kappa ?? null).toEqual(
          other?.kappa == null ? (other?.kappa ?? null) : expect.closeTo(other.kappa, 9),
        );
        if (one?.low != null && other?.low != null) expect(one.low).toBeCloseTo(other.low, 9);
      }),
    );
  });
});

describe('the report', () => {
  it('puts what surely helps first and names what never does', () => {
    const tried = (answer: string, outcome: 'better' | 'same' | 'worse', n: number) =>
      Array.from({ length: n }, () => ({ tried: [{ fault: 'f', answer, causes: null, outcome }] }));
    const rows = answersReport([
      ...tried('once', 'better', 1),
      ...tried('often', 'better', 8),
      ...tried('often', 'same', 1),
      ...tried('never', 'same', 3),
      ...tried('never', 'worse', 1),
      ...tried('new', 'same', 3),
    ]);
    expect(rows.map((r) => [r.answer, r.rewrite])).toEqual([
      ['often', false],
      ['once', false],
      ['never', true],
      ['new', false],
    ]);
    expect(rows[0]!.outcomes).toEqual({ better: 8, same: 1, worse: 0 });
    expect(rows[2]!.outcomes).toEqual({ better: 0, same: 3, worse: 1 });
  });

  it('counts a fault against the watched sets of its variation', () => {
    const rows = faultsWhere(
      [
        { fault: 'f', variation: 'a', sets: 2, people: 1 },
        { fault: 'g', variation: 'b', sets: 5, people: 3 },
      ],
      new Map([
        ['a', 10],
        ['b', 5],
      ]),
    );
    expect(rows.map((r) => [r.fault, r.sets.share])).toEqual([
      ['g', 1],
      ['f', 0.2],
    ]);
  });

  const rated = (setId: string, first: string[], second: string[], date = '2026-11-01'): RatedTwice => ({
    setId,
    date,
    variation: 'v',
    personId: 'p',
    possible: ['f', 'g', 'h'],
    first: { by: 'A', faults: first },
    second: { by: 'B', faults: second },
  });

  it('says per fault how far two coaches agree, and where they part', () => {
    const list = [
      rated('1', ['f'], ['f']),
      rated('2', ['f'], [], '2026-11-02'),
      rated('3', [], ['f', 'g'], '2026-11-03'),
      rated('4', [], []),
    ];
    const rows = agreementReport(list);
    // Nobody saw h: nothing is said of it.
    expect(rows.map((r) => r.fault).sort()).toEqual(['f', 'g']);
    const f = rows.find((r) => r.fault === 'f')!;
    expect(f.counts).toEqual({ both: 1, first: 1, second: 1, neither: 1 });
    expect(f.agreement.kappa).toBeCloseTo(0, 12);
    // Three sets are too few for an interval, thirty are not.
    expect(f.agreement.low).toBeNull();
    const many = agreementReport(Array.from({ length: 10 }, () => list).flat());
    expect(many.find((r) => r.fault === 'f')!.agreement.low).toBeLessThan(0);
    expect(partedOn(list, 'f').map((p) => p.setId)).toEqual(['3', '2']);
    expect(partedOn(list, 'h')).toEqual([]);
  });
});
