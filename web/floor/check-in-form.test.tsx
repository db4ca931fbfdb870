import { outbox } from '../log/index.ts';
import 'fake-indexeddb/auto';
import { screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { TodayPerson } from '../../contract/session.ts';
import { inHall } from '../testing/in-hall.tsx';
import { CheckInForm } from './check-in-form.tsx';
import { doorFor } from '../../core/floor/index.ts';

const person = (change: Partial<TodayPerson> = {}): TodayPerson => ({
  personId: 'ida',
  expected: true,
  checkIn: null,
  ask: 'Never asked.',
  lastSession: null,
  covered: false,
  emergency: '',
  firstAid: '',
  stops: [],
  sets: [],
  lines: [],
  ...change,
});
const run = vi.spyOn(outbox, 'run').mockResolvedValue();
beforeEach(() => run.mockClear());
const sent = () => run.mock.calls.map(([id, , errand]) => ({ id, path: errand.path, body: errand.body }));

function form(of: TodayPerson) {
  const onDone = vi.fn();
  const shown = inHall(<CheckInForm person={of} date="2026-11-24" onDone={onDone} />);
  const scale = (name: RegExp) => within(screen.getByRole('group', { name }));
  return { ...shown, onDone, scale };
}

const NOWHERE = { painRegion: null, painSide: null };

describe('the questions before work', () => {
  it('leave unknown what was not asked', async () => {
    const { user, onDone } = form(person());
    await user.click(screen.getByRole('button', { name: 'Keep the answers' }));
    expect(sent()).toEqual([
      {
        id: 'check-in ida 2026-11-24',
        path: '/api/people/ida/check-in/2026-11-24',
        body: { here: true, ...NOWHERE, pain: null, sleepH: null, atEase: null, sore: null, note: '' },
      },
    ]);
    expect(onDone).toHaveBeenCalledTimes(1);
  });

  it('caution where there is pain, and none where there is none', async () => {
    const { user, scale } = form(person());
    await user.click(scale(/^Pain now/).getByRole('button', { name: '0' }));
    expect(screen.queryByText(/No move up while pain is fresh/)).toBeNull();
    await user.click(scale(/^Pain now/).getByRole('button', { name: '3' }));
    expect(screen.getByText(/No move up while pain is fresh/)).toBeTruthy();
    await user.selectOptions(screen.getAllByLabelText('Where, from the list')[0]!, 'low back');
    expect(screen.getByText('Where does it hurt? low back.')).toBeTruthy();
    // Sore is no pain: it is told by itself, with its days.
    await user.click(screen.getByText(/^Sore since last time/));
    const [, soreList] = screen.getAllByLabelText('Where, from the list');
    await user.selectOptions(soreList!, 'calf');
    await user.click(screen.getByRole('button', { name: 'calf, days: 1 more' }));
    await user.click(screen.getByRole('button', { name: 'Ask about sleep' }));
    await user.click(screen.getByRole('button', { name: 'Hours slept: 0.5 fewer' }));
    await user.click(scale(/^At ease/).getByRole('button', { name: '8' }));
    await user.type(screen.getByLabelText('A word, if any'), 'Late shift.');
    await user.click(screen.getByRole('button', { name: 'Keep the answers' }));
    expect(sent()[0]!.body).toEqual({
      here: true,
      pain: 3,
      painRegion: 'low back',
      painSide: null,
      sleepH: 7.5,
      atEase: 8,
      sore: [{ region: 'calf', side: null, days: 2 }],
      note: 'Late shift.',
    });
  });

  it('begin with what was answered that day', async () => {
    const checkIn = { here: false, ...NOWHERE, pain: 2, sleepH: 6, atEase: null, sore: null, note: 'Sore.' };
    const { user } = form(person({ checkIn: doorFor(true).checkIn({ ...checkIn, recordedBy: 'Jo' }) }));
    expect(screen.getByRole('textbox', { name: 'Hours slept' })).toHaveProperty('value', '6');
    await user.click(screen.getByRole('button', { name: 'Keep the answers' }));
    expect(sent()[0]!.body).toEqual(checkIn);
  });

  it('keep nothing when left', async () => {
    const { user, onDone } = form(person());
    await user.click(screen.getByRole('button', { name: 'Not now' }));
    expect(sent()).toEqual([]);
    expect(onDone).toHaveBeenCalledTimes(1);
  });
});
