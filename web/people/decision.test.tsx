import type { OnLadder } from '../../core/floor/index.ts';
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { decide } from '../../core/ladder/index.ts';
import type { DecisionInput } from '../../core/ladder/index.ts';
import { input, set } from '../../core/testing/samples.ts';
import { inHall, No } from '../testing/in-hall.tsx';
import { doorFor } from '../../core/floor/index.ts';
import { DecisionPanel } from './decision.tsx';

/** A person on the sample ladder, with the decision that the log leads to. */
function onLadder(change: Partial<DecisionInput> = {}, more: Partial<OnLadder> = {}): OnLadder {
  const about = input({ today: '2026-11-24', ...change });
  return {
    ladder: about.ladder,
    ladderRevision: 1,
    standing: about.standing,
    branch: null,
    stay: { weeks: 2, beyond: false },
    target: null,
    decision: doorFor(true).decision(decide(about)),
    failure: null,
    names: {},
    facts: {},
    ...more,
  };
}
const day = (date: string, reps: number) => [
  set(date, { doneReps: reps, ordinal: 1 }),
  set(date, { doneReps: reps, ordinal: 2 }),
];
const ready = () => ({
  standing: { level: 'one', since: '2026-11-01', taken: [] },
  sets: [...day('2026-11-20', 12), ...day('2026-11-22', 12)],
});
const show = (on: OnLadder, { mayDecide = true, answers = {} } = {}) =>
  inHall(<DecisionPanel personId="p" on={on} signOffs={[]} mayDecide={mayDecide} />, { answers });

describe('the decision', () => {
  it('says the outcome and where it leads, and is confirmed as it was seen', async () => {
    const { user, sent } = show(onLadder(ready()), { answers: { 'POST /api/people/p/moves': { id: 'm' } } });
    expect(screen.getByText('Move up to two')).toBeTruthy();
    expect(screen.getByText(/^All that .* asks has been met\.$/)).toBeTruthy();
    expect(screen.getByText(/level 1 of 3: one, for 23 days/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Confirm: move up to two' }));
    expect(await screen.findByText('Kept, with the evidence.')).toBeTruthy();
    expect(sent.map((s) => s.body)).toEqual([
      { ladder: 'steps', proposed: 'move up', chosen: 'move up', level: null, reason: '' },
    ]);
  });

  it('is decided otherwise with a level and a reason', async () => {
    const poor = ['2026-11-20', '2026-11-22'].flatMap((d) =>
      day(d, 3).map((x) => ({ ...x, variation: 'two-main' })),
    );
    const { user, sent } = show(
      onLadder({ standing: { level: 'two', since: '2026-11-01', taken: [] }, sets: poor }),
      { answers: { 'POST /api/people/p/moves': { id: 'm' } } },
    );
    expect(screen.getByText('Step back to one')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Decide otherwise' }));
    await user.selectOptions(screen.getByLabelText('Instead'), 'Move up');
    expect(
      [...screen.getByLabelText<HTMLSelectElement>('To level').options].map((o) => o.textContent),
    ).toEqual(['the next', 'three']);
    await user.selectOptions(screen.getByLabelText('To level'), 'three');
    await user.type(screen.getByLabelText(/^Why/), 'Did it last year.');
    await user.click(screen.getByRole('button', { name: 'Keep this decision' }));
    await screen.findByText('Kept, with the evidence.');
    expect(sent[0]!.body).toMatchObject({ proposed: 'step back', chosen: 'move up', level: 'three' });
    await user.selectOptions(screen.getByLabelText('Instead'), 'Hold');
    expect(screen.queryByLabelText('To level')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Keep this decision' }));
    expect(sent[1]!.body).toMatchObject({ chosen: 'hold', level: null, reason: 'Did it last year.' });
  });

  it('goes farther than was proposed, with the level that was chosen', async () => {
    const { user, sent } = show(onLadder(ready()), { answers: { 'POST /api/people/p/moves': { id: 'm' } } });
    await user.click(screen.getByRole('button', { name: 'Decide otherwise' }));
    await user.selectOptions(screen.getByLabelText('To level'), 'three');
    await user.type(screen.getByLabelText(/^Why/), 'Did it last year.');
    await user.click(screen.getByRole('button', { name: 'Keep this decision' }));
    await screen.findByText('Kept, with the evidence.');
    expect(sent[0]!.body).toMatchObject({ proposed: 'move up', chosen: 'move up', level: 'three' });
  });

  it('is less of the same where nothing below asks less of what hurts', () => {
    const hurt = day('2026-11-22', 12).map((x) => ({ ...x, pain: 5, variation: 'two-main' }));
    show(onLadder({ standing: { level: 'two', since: '2026-11-01', taken: [] }, sets: hurt }));
    expect(screen.getByText('Less of the same')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Confirm: less of the same' })).toBeTruthy();
  });

  it('tells what the server says when the evidence has changed', async () => {
    const { user } = show(onLadder(ready()), {
      answers: { 'POST /api/people/p/moves': new No(409, 'The evidence has changed. Nothing was decided.') },
    });
    await user.click(screen.getByRole('button', { name: 'Confirm: move up to two' }));
    expect((await screen.findByRole('alert')).textContent).toContain('Nothing was decided');
    expect(screen.queryByText('Kept, with the evidence.')).toBeNull();
  });

  it('cannot be set against a stop', () => {
    const bars = {
      id: 'r',
      bars: [{ bars: 'all' as const }],
      from: '2026-11-01',
      until: null,
      saidBy: 'the doctor',
    };
    show(onLadder({ ...ready(), restrictions: [bars] }));
    expect(screen.getByText('Stop and refer')).toBeTruthy();
    expect(screen.getByText(/Refer to a doctor or physiotherapist/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Decide otherwise' })).toBeNull();
  });

  it('is only read by those who do not see the whole evidence', () => {
    show(onLadder(ready()), { mayDecide: false });
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByText(/Staff of the squad and the head coach decide/)).toBeTruthy();
  });

  it('names a stay beyond the usual, and how soon the level can be met', () => {
    const standing = { level: 'one', since: '2026-11-01', taken: [] };
    show(onLadder({ standing, sets: day('2026-11-22', 12) }, { stay: { weeks: 9, beyond: true } }));
    expect(screen.getByText(/9 weeks here: beyond the usual stay/)).toBeTruthy();
    expect(screen.getByText('It can be met in one more session at the earliest.')).toBeTruthy();
  });

  it('that could not be computed says so in its place', () => {
    show(onLadder({}, { decision: null, failure: 'The decision could not be computed.' }));
    expect(screen.getByRole('alert').textContent).toBe('The decision could not be computed.');
  });

  it('keeps a coach’s word on the level', async () => {
    const { user, sent } = show(onLadder(ready()), {
      answers: { 'POST /api/people/p/sign-offs': { id: 's' } },
    });
    await user.click(screen.getByRole('button', { name: 'Sign this level off' }));
    expect(sent.map((s) => s.body)).toEqual([{ ladder: 'steps', level: 'one', word: '' }]);
  });
});
