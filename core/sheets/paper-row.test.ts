import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { LibraryFile } from '../exchange/index.ts';
import { resolve, shelfOf } from '../library/index.ts';
import { blankRow, readFaults, readRow } from './paper-row.ts';
import type { PaperRow } from './paper-row.ts';

const { documents } = JSON.parse(
  readFileSync(new URL('../../server/library/shipped.json', import.meta.url), 'utf8'),
) as LibraryFile;
const shelf = shelfOf(documents);
const sheet = (slug: string) => resolve(shelf.get('variation', slug)!, shelf);
const kg = (n: number) => n;
const row = (part: Partial<PaperRow>): PaperRow => ({ ...blankRow(null), ...part });

describe('a row of a paper log', () => {
  const bell = sheet('goblet-squat');

  it('says only what stands in it; empty is not known', () => {
    expect(readRow(row({ amount: '10' }), bell, kg)).toEqual({
      set: {
        side: null,
        watched: false,
        effort: null,
        pain: null,
        doneReps: 10,
        holdS: null,
        rounds: null,
        workS: null,
        breaths: null,
        loadKg: null,
        faults: [],
        sensations: null,
      },
    });
  });

  it('reads load in the unit shown, decimals with comma or point, pain 0 as asked', () => {
    const read = readRow(
      row({
        amount: '8',
        load: '35,5',
        effort: '7.5',
        pain: '0',
        watched: true,
        faults: 'b2',
        felt: 'low back|work',
      }),
      bell,
      (shown) => shown * 0.45359237,
    );
    if (!read || !('set' in read)) throw new Error('refused');
    expect(read.set).toMatchObject({
      effort: 7.5,
      pain: 0,
      watched: true,
      sensations: [{ region: 'low back', kind: 'work', side: null }],
    });
    // International pound, 0.45359237 kg exactly (1959 agreement).
    expect(read.set.loadKg).toBeCloseTo(35.5 * 0.45359237, 10);
    expect(read.set.faults).toEqual([{ fault: bell.faults[1]!.slug, side: null, reps: 2 }]);
  });

  it('counts in what the sheet counts in, and keeps its side', () => {
    expect(readRow(row({ amount: '22.5' }), sheet('floor-hold'), kg)).toMatchObject({
      set: { holdS: 22.5, doneReps: null },
    });
    expect(
      readRow({ ...blankRow('left'), amount: '8', watched: true, faults: 'a' }, sheet('one-leg-lift'), kg),
    ).toMatchObject({
      set: { side: 'left', faults: [{ side: 'left', reps: 1 }] },
    });
  });

  it('is no set while it is empty, even when it is ticked', () => {
    expect(readRow(row({}), bell, kg)).toBeNull();
    expect(readRow(row({ watched: true }), bell, kg)).toBeNull();
  });

  it.each([
    [{ load: '16' }, 'Say how much was done'],
    [{ amount: 'ten' }, 'Repetitions: “ten”'],
    [{ amount: '8.5' }, 'Repetitions: “8.5”'],
    [{ amount: '-3' }, 'Repetitions: “-3”'],
    [{ amount: '10', effort: '11' }, 'Effort: “11”'],
    [{ amount: '10', pain: 'yes' }, 'Pain: “yes”'],
    [{ amount: '10', load: '1e9' }, 'Load: “1e9”'],
    [{ amount: '10', watched: true, faults: 'z2' }, 'Faults: “z2”'],
    [{ amount: '10', watched: true, faults: 'a0' }, 'counts no repetition'],
    [{ amount: '10', watched: true, faults: 'a1 a2' }, 'twice'],
    [{ amount: '10', faults: 'a1' }, 'only where the set was watched'],
    [{ amount: '3', watched: true, faults: 'a4' }, 'than were done'],
  ])('%j is told: %s', (part, problem) => {
    const read = readRow(row(part), bell, kg);
    expect(read && 'problems' in read ? read.problems.join(' ') : read).toContain(problem);
  });
});

describe('faults by letter', () => {
  const faults = [{ slug: 'one' }, { slug: 'two' }];
  it.each([
    ['', []],
    ['a', [['one', 1]]],
    ['b12, a x', 'problem'],
    [
      'B3 A2',
      [
        ['two', 3],
        ['one', 2],
      ],
    ],
    ['a×4', [['one', 4]]],
    ['c', 'problem'],
  ])('%j', (text, want) => {
    const read = readFaults(text, faults, null);
    expect('problem' in read ? 'problem' : read.faults.map((f) => [f.fault, f.reps])).toEqual(want);
  });
});
