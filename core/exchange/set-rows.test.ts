import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rowOfSet, setOfRow, SET_COLUMNS } from './set-rows.ts';
import type { SetRow, SetRowContext } from './set-rows.ts';
import type { LoggedSet } from '../log/index.ts';
import { runs } from '../testing/runs.ts';
import { anySetValues } from '../testing/sets.ts';

const ID = '0a0b0c0d-1111-4222-8333-444455556666';
const ctx: SetRowContext = {
  person: (name) =>
    name === 'Ida' || name === '=Ida' || name === "'=Ida" ? { id: 'p1' } : name === 'Twin' ? 'several' : null,
  variation: (slug) => {
    if (slug === 'squat') return 'several';
    return slug === 'box-squat' || slug === 'Box squat'
      ? { slug: 'box-squat', revision: 3, loadKind: 'none' }
      : null;
  },
  hasFault: (slug) => slug.startsWith('knee'),
  today: '2026-11-24',
};
const anySet: fc.Arbitrary<LoggedSet> = anySetValues().map((s) => ({
  ...s,
  id: ID,
  sessionId: '',
  date: '2026-11-20',
  variation: 'box-squat',
  variationRevision: 3,
  doneReps: s.doneReps ?? 5,
  faults: s.watched ? s.faults : [],
}));

const row = (change: Partial<SetRow> = {}): Partial<SetRow> => ({
  person: 'Ida',
  date: '2026-11-20',
  variation: 'box-squat',
  repetitions: '12',
  ...change,
});
const problems = (change: Partial<SetRow>) => {
  const read = setOfRow(row(change), 2, 1, ctx);
  return 'problems' in read ? read.problems.map((p) => `${p.line} ${p.column}: ${p.problem}`) : [];
};

describe('sets as rows', () => {
  it('come back as they went out', () => {
    fc.assert(
      fc.property(anySet, (set) => {
        const { sessionId: _s, ...same } = set;
        expect(setOfRow(rowOfSet(set, 'Ida'), 2, 1, ctx)).toEqual({ set: { ...same, personId: 'p1' } });
        expect(Object.keys(rowOfSet(set, 'Ida'))).toEqual([...SET_COLUMNS]);
      }),
      { numRuns: runs(500) },
    );
  });

  it('are nothing that a spreadsheet would run', () => {
    for (const name of ['=Ida', "'=Ida"]) {
      const [set] = fc.sample(anySet, 1);
      const out = rowOfSet({ ...set!, aids: [{ name: '-cmd', setting: '1; rm' }] }, name);
      expect([out.person[0], out.aids[0]]).toEqual(["'", "'"]);
      expect(setOfRow(out, 2, 1, ctx)).toMatchObject({
        set: { aids: [{ name: '-cmd', setting: '1, rm' }], personId: 'p1' },
      });
    }
  });

  it('name a movement by its slug or by a name that only one has', () => {
    expect(setOfRow(row({ variation: 'Box squat' }), 2, 1, ctx)).toMatchObject({
      set: { variation: 'box-squat' },
    });
    expect(problems({ variation: 'squat' })).toEqual([
      '2 variation: More than one variation is called "squat".',
    ]);
  });

  it('take what is missing for not known, and the place in the file for the number of the set', () => {
    expect(setOfRow(row(), 7, 4, ctx)).toMatchObject({
      set: {
        id: null,
        ordinal: 4,
        watched: false,
        effort: null,
        pain: null,
        sensations: null,
        aids: null,
        loadKind: 'none',
      },
    });
    expect(setOfRow(row({ load_kg: '12,5', faults: 'knee-in', watched: 'y' }), 2, 1, ctx)).toMatchObject({
      set: { loadKg: 12.5, faults: [{ fault: 'knee-in', side: null, reps: 1 }] },
    });
    expect(setOfRow(row({ felt: 'nothing', aids: 'none' }), 2, 1, ctx)).toMatchObject({
      set: { sensations: [], aids: [] },
    });
  });

  it.each([
    [{ person: '' }, '2 person: Nobody is named.'],
    [{ person: 'Bo' }, '2 person: Nobody here is called "Bo".'],
    [{ person: 'Twin' }, '2 person: More than one person is called "Twin".'],
    [{ date: '24.11.2026' }, '2 date: "24.11.2026" is not a date like 2026-11-24.'],
    [{ date: '2026-02-30' }, '2 date: "2026-02-30" is not a date like 2026-11-24.'],
    [{ date: '2026-11-25' }, '2 date: 2026-11-25 lies in the future.'],
    [{ variation: 'moon-walk' }, '2 variation: The library has no variation "moon-walk".'],
    [{ repetitions: '' }, '2 repetitions: Neither repetitions nor seconds held nor rounds are given.'],
    [{ repetitions: 'twelve' }, '2 repetitions: "twelve" is no number.'],
    [{ repetitions: '12.5' }, '2 repetitions: 12.5 is not a whole number.'],
    [{ effort: '11' }, '2 effort: 11 is not between 0 and 10.'],
    [{ watched: 'perhaps' }, '2 watched: "perhaps" is neither yes nor no.'],
    [{ side: 'middle' }, '2 side: "middle" is none of left, right.'],
    [{ watched: 'yes', faults: 'hat-falls x1' }, '2 faults: The library has no fault "hat-falls".'],
    [{ watched: 'yes', faults: 'knee in' }, '2 faults: "knee in" is not a fault like "knee-in x2 (left)".'],
    [{ faults: 'knee-in x1' }, '2 faults: Faults are seen only in a watched or measured set.'],
    [{ felt: 'back of hip' }, '2 felt: "back of hip" is not a sensation like "work: back of hip".'],
    [{ felt: 'work: tail' }, '2 felt: There is no region "tail".'],
    [{ aids: 'pads' }, '2 aids: "pads" is not an aid like "pads=2".'],
    [{ id: 'seven' }, '2 id: "seven" is no valid id.'],
  ] as [Partial<SetRow>, string][])('%j is told with its line and column', (change, problem) => {
    expect(problems(change)).toContain(problem);
  });

  it('tell everything that is wrong with a row at once', () => {
    expect(problems({ person: 'Bo', effort: '11', pain: '-1' })).toHaveLength(3);
  });
});
