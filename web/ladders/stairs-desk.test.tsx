import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Ladder } from '../../core/library/index.ts';
import { ladder, level } from '../../core/testing/samples.ts';
import { inHall, No } from '../testing/in-hall.tsx';
import { StairsDesk } from './stairs-desk.tsx';

const asks = { kind: 'cleanReps', reps: 10, sets: 1 } as const;
const stairs = ladder([
  level('one', asks, { equals: ['one-other'] }),
  level('two', asks),
  level('three', asks),
]) as Ladder;

function desk(answers: Record<string, unknown> = {}, as: 'head coach' | 'coach' = 'head coach') {
  const onDone = vi.fn();
  const shown = inHall(
    <StairsDesk ladder={stairs} revision={4} standing={new Map()} level="one" onDone={onDone} />,
    {
      as,
      answers: {
        'GET /api/library': { edition: {}, entries: [] },
        'GET /api/people': [],
        'PUT /api/library/ladder/steps': { outcome: 'accepted', revision: 5, change: 'c' },
        ...answers,
      },
    },
  );
  const steps = () =>
    within(screen.getByRole('list', { name: 'Steps, from the easiest' }))
      .getAllByRole('button', { name: /^\d\. / })
      .map((b) => b.textContent.replace(/^\d\. /, ''));
  const press = (name: string | RegExp) => shown.user.click(screen.getByRole('button', { name }));
  return { ...shown, onDone, steps, press };
}

describe('the stairs taken apart', () => {
  it('move a step, and back and forth through what was done', async () => {
    const { steps, press } = desk();
    expect(steps()).toEqual(['one', 'two', 'three']);
    await press('Move step 3 down the stairs');
    expect(steps()).toEqual(['one', 'three', 'two']);
    await press('Move step 1 up the stairs');
    expect(steps()).toEqual(['three', 'one', 'two']);
    expect(screen.getByText('2 changes, none in force yet.')).toBeTruthy();
    await press('Undo');
    await press('Undo');
    expect(steps()).toEqual(['one', 'two', 'three']);
    expect(screen.getByRole('button', { name: 'Undo' })).toHaveProperty('disabled', true);
    await press('Redo');
    expect(steps()).toEqual(['one', 'three', 'two']);
  });

  it('forget what was undone once something else is done', async () => {
    const { steps, press } = desk();
    await press('Move step 3 down the stairs');
    await press('Undo');
    await press('Move step 1 up the stairs');
    expect(steps()).toEqual(['two', 'one', 'three']);
    expect(screen.getByRole('button', { name: 'Redo' })).toHaveProperty('disabled', true);
  });

  it('undo and redo by keys, but not from a field, where the keys are its own', async () => {
    const { steps, press } = desk();
    await press('Move step 3 down the stairs');
    fireEvent.keyDown(screen.getByLabelText('Why this change'), { key: 'z', ctrlKey: true });
    expect(steps()).toEqual(['one', 'three', 'two']);
    fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true });
    expect(steps()).toEqual(['one', 'two', 'three']);
    fireEvent.keyDown(document.body, { key: 'Z', ctrlKey: true, shiftKey: true });
    expect(steps()).toEqual(['one', 'three', 'two']);
  });

  it('are put in force whole, with the reason, on the revision they began from', async () => {
    const { press, user, sent, onDone } = desk();
    expect(screen.getByRole('button', { name: 'Put in force' })).toHaveProperty('disabled', true);
    await press('Move step 3 down the stairs');
    await user.type(screen.getByLabelText('Why this change'), 'Three comes easier.');
    await press('Put in force');
    await waitFor(() => expect(onDone).toHaveBeenCalledTimes(1));
    const body = sent.find((s) => s.method === 'PUT')!.body as { body: Ladder; base: number; reason: string };
    expect(body).toMatchObject({ base: 4, reason: 'Three comes easier.' });
    expect(body.body.levels.map((l) => l.id)).toEqual(['one', 'three', 'two']);
  });

  it('stay as they stand when the server refuses', async () => {
    const { press, steps, onDone } = desk({
      'PUT /api/library/ladder/steps': new No(409, 'Somebody else changed this ladder.'),
    });
    await press('Move step 3 down the stairs');
    await press('Put in force');
    expect((await screen.findByRole('alert')).textContent).toContain('Somebody else changed this ladder');
    expect(steps()).toEqual(['one', 'three', 'two']);
    expect(onDone).not.toHaveBeenCalled();
  });

  it('are left behind only when that is meant', async () => {
    const { press, onDone } = desk();
    const ask = vi.spyOn(window, 'confirm').mockReturnValue(false);
    await press('Move step 3 down the stairs');
    await press('Leave as it was');
    expect(ask).toHaveBeenCalledWith('Leave 1 change behind?');
    expect(onDone).not.toHaveBeenCalled();
    ask.mockReturnValue(true);
    await press('Leave as it was');
    expect(onDone).toHaveBeenCalledTimes(1);
    ask.mockRestore();
  });

  it('of a coach are proposed', () => {
    desk({}, 'coach');
    expect(screen.getByRole('button', { name: 'Propose' })).toBeTruthy();
  });
});
