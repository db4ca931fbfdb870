import { screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { resolve } from '../../core/library/index.ts';
import type { Variation } from '../../core/library/index.ts';
import { fault, shelf, variation } from '../../core/testing/samples.ts';
import { inHall } from '../testing/in-hall.tsx';
import { counted } from './fault-counts.tsx';
import { mostFaults, startOf, withAmount } from './observed.ts';
import type { Observed } from './observed.ts';
import { SetForm } from './set-form.tsx';

const NEXT = {
  number: 1,
  of: 3,
  side: null,
  reps: null,
  holdS: null,
  rounds: null,
  loadKg: null,
  aids: null,
  settingsFrom: null,
  done: false,
  basis: null,
} as unknown as Parameters<typeof startOf>[1];

function read(change: Partial<Variation> = {}) {
  const v = variation('squat', {
    faults: [{ fault: 'wobbles' }, { fault: 'sharp-pain' }],
    ...change,
  });
  return resolve(
    v,
    shelf(v, fault('wobbles', { name: 'Wobbles' }), fault('sharp-pain', { name: 'Sharp pain', severity: 3 })),
  );
}
const start = (v: ReturnType<typeof read>, change: Partial<Observed> = {}): Observed => ({
  ...startOf(v, NEXT),
  ...change,
});

function form(v = read(), change: Partial<Observed> = {}, { hall = {} } = {}) {
  const onLog = vi.fn<(set: Observed) => void>();
  const shown = inHall(<SetForm variation={v} start={start(v, change)} action="Set 1 done" onLog={onLog} />, {
    hall,
  });
  const press = (name: string | RegExp) => shown.user.click(screen.getAllByRole('button', { name })[0]!);
  return { ...shown, onLog, press };
}

describe('what a set begins with', () => {
  it('is the plan in what the variation is counted in, and nothing else', () => {
    const held = read({ countedIn: 'seconds held' });
    expect(startOf(held, { ...NEXT, holdS: 25 })).toMatchObject({ doneReps: null, holdS: 25, rounds: null });
    const rounds = read({ countedIn: 'rounds' });
    expect(startOf(rounds, NEXT)).toMatchObject({ doneReps: null, holdS: null, rounds: 2 });
    expect(startOf(read(), { ...NEXT, reps: 8 })).toMatchObject({ doneReps: 8, holdS: null, rounds: null });
  });

  it('has no load where the variation takes none, and a side only where one works', () => {
    expect(startOf(read(), { ...NEXT, loadKg: 20 })).toMatchObject({ loadKg: null, side: null });
    const one = read({ laterality: 'one leg', loadKind: 'dumbbell', loadPlace: 'at the chest' });
    expect(startOf(one, { ...NEXT, loadKg: 20 })).toMatchObject({ loadKg: 20, side: 'left' });
    expect(startOf(one, { ...NEXT, side: 'right' }).side).toBe('right');
  });

  it('takes nothing for granted that was not asked', () => {
    expect(startOf(read(), NEXT)).toMatchObject({ effort: null, pain: null, sensations: null, atEase: null });
  });

  it('takes an amount in what it is counted in', () => {
    expect(withAmount({ doneReps: 5, holdS: null }, 7)).toEqual({ doneReps: 7 });
    expect(withAmount({ doneReps: null, holdS: 5 }, 7)).toEqual({ holdS: 7 });
    expect(withAmount({ doneReps: null, holdS: null }, 7)).toEqual({ rounds: 7 });
  });
});

describe('faults counted', () => {
  it('go up to the repetitions done, down to none, and keep the side they were first seen on', () => {
    let faults = counted([], 'wobbles', 1, 'left', 2);
    faults = counted(faults, 'wobbles', 1, 'right', 2);
    faults = counted(faults, 'wobbles', 1, 'right', 2);
    expect(faults).toEqual([{ fault: 'wobbles', side: 'left', reps: 2 }]);
    expect(counted(faults, 'wobbles', -2, null, 2)).toEqual([]);
    expect(counted([], 'wobbles', -1, null, 2)).toEqual([]);
  });

  it('of a hold have no such bound', () => {
    expect(mostFaults({ doneReps: null })).toBe(500);
    expect(mostFaults({ doneReps: 6 })).toBe(6);
  });
});

describe('the form of a set', () => {
  it('logs as watched what was counted and asked', async () => {
    const { press, onLog } = form();
    await press('Repetitions done: 1 more');
    await press('One more: Wobbles');
    await press('One more: Wobbles, 1 so far');
    const effort = within(screen.getByRole('group', { name: /^Effort/ }));
    effort.getByRole('button', { name: '7' }).click();
    await press(/^Set 1 done: watched, faults as counted/);
    expect(onLog).toHaveBeenCalledExactlyOnceWith(
      expect.objectContaining({
        doneReps: 11,
        watched: true,
        faults: [{ fault: 'wobbles', side: null, reps: 2 }],
        effort: 7,
        pain: null,
      }),
    );
  });

  it('drops counted faults from a set that nobody watched', async () => {
    const { press, onLog } = form();
    await press('One more: Wobbles');
    await press(/^Set 1 done: not watched/);
    expect(onLog.mock.calls[0]![0]).toMatchObject({ watched: false, faults: [] });
  });

  it('cautions where pain is told, and takes it back to not asked', async () => {
    const { user, onLog, press } = form();
    const pain = within(screen.getByRole('group', { name: /^Pain/ }));
    await user.click(pain.getByRole('button', { name: '4' }));
    expect(screen.getByText(/Sharp or rising pain ends the set/)).toBeTruthy();
    await user.click(pain.getByRole('button', { name: '4' }));
    expect(screen.queryByText(/Sharp or rising pain ends the set/)).toBeNull();
    await press(/: watched/);
    expect(onLog.mock.calls[0]![0].pain).toBeNull();
  });

  it('keeps load in kilograms whatever unit is shown', async () => {
    const v = read({ loadKind: 'dumbbell', loadPlace: 'at the chest' });
    const { press, onLog } = form(v, { loadKg: 45.359237 }, { hall: { massUnit: 'lb' } });
    expect(screen.getByRole('textbox', { name: 'Load, lb' })).toHaveProperty('value', '100');
    await press('Load, lb: 5 more');
    await press(/: watched/);
    // 105 lb at 0.45359237 kg each.
    expect(onLog.mock.calls[0]![0].loadKg).toBeCloseTo(47.627, 3);
  });

  it('moves faults along with the side that worked', async () => {
    const { press, onLog } = form(read({ laterality: 'one leg' }));
    await press('One more: Wobbles');
    await press('right');
    await press(/: watched/);
    expect(onLog.mock.calls[0]![0]).toMatchObject({
      side: 'right',
      faults: [{ fault: 'wobbles', side: 'right', reps: 1 }],
    });
  });

  it('takes no angle that no joint has', async () => {
    const { user, press, onLog } = form();
    await user.click(screen.getByText('More about this set'));
    const angle = screen.getByRole('textbox', { name: /^Angle measured/ });
    await user.type(angle, '92');
    await user.type(angle, '5');
    await press(/: watched/);
    expect(onLog.mock.calls[0]![0].rangeDeg).toBe(92);
  });
});
