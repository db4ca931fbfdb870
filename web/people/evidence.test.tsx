import { screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { decide } from '../../core/ladder/index.ts';
import type { Criterion } from '../../core/criterion/index.ts';
import { input, ladder, level, set } from '../../core/testing/samples.ts';
import { inHall } from '../testing/in-hall.tsx';
import { Evidence } from './evidence.tsx';

/** The rows of the table for somebody with one session of one set. */
function rows(advance: Criterion, change: Parameters<typeof set>[1] = {}, wanted = true) {
  const steps = ladder([level('one', advance)]);
  const { advance: judged } = decide(
    input({ ladder: steps, today: '2026-11-24', sets: [set('2026-11-20', change)] }),
  );
  inHall(<Evidence judged={judged} today="2026-11-24" wanted={wanted} />);
  return screen
    .getAllByRole('row')
    .slice(1)
    .map((r) =>
      within(r)
        .getAllByRole('cell')
        .map((c) => c.textContent.replace(/\s+/g, ' ').trim()),
    );
}

it('gives each part with what was seen, when, by how much, and whether it is met', () => {
  const found = rows(
    {
      kind: 'all',
      of: [
        { kind: 'cleanReps', reps: 12, sets: 1 },
        { kind: 'effortAtMost', effort: 7 },
        { kind: 'painAtMost', pain: 0 },
      ],
    },
    { doneReps: 10, pain: null },
  );
  expect(found.map((r) => [r[2], r[3], r[4]])).toEqual([
    ['Fri 20 Nov', '2 repetitions off', '— not met'],
    ['Fri 20 Nov', '1 point to spare', '✓ met'],
    [expect.any(String), '', '? not known'],
  ]);
  expect(found[0]![0]).toMatch(/^1 set of 12 clean repetitions/);
});

it('indents what must hold in each of the sessions running under the run', () => {
  const found = rows({
    kind: 'all',
    of: [{ kind: 'sessionsRunning', sessions: 2, of: { kind: 'cleanReps', reps: 8, sets: 1 } }],
  });
  expect(found).toHaveLength(2);
  expect(found[0]![3]).toBe('1 session off');
});

it('words a step back the other way round, where met is the bad news', () => {
  const found = rows({ kind: 'not', of: { kind: 'cleanReps', reps: 12, sets: 1 } }, { doneReps: 10 }, false);
  expect(found[0]![4]).toBe('✓ holds');
  expect(screen.getByText('Steps back when')).toBeTruthy();
});

it('says just where nothing is to spare', () => {
  expect(rows({ kind: 'cleanReps', reps: 10, sets: 1 })[0]![3]).toBe('exactly met');
});
