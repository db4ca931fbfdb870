import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { ATOM_KINDS, sentenceOf } from '../../../../core/criterion/index.ts';
import type { RuledCriterion } from '../../../../core/criterion/index.ts';
import { facts } from '../../../../core/testing/samples.ts';
import { inHall } from '../../../testing/in-hall.tsx';
import type { EditContext } from './context.ts';
import { freshAtom } from './criterion-atom.tsx';
import { CriterionEditor } from './criterion.tsx';

const context: EditContext = {
  entries: [],
  errors: new Map(),
  facts: facts('squat'),
};

/** The editor as it stands on a level, with what it makes of the criterion. */
function edit(begin: RuledCriterion, { negated = false, of = context } = {}) {
  let now = begin;
  function Held() {
    const [value, setValue] = useState(begin);
    return (
      <CriterionEditor
        value={value}
        negated={negated}
        context={of}
        onChange={(next) => {
          now = next;
          setValue(next);
        }}
      />
    );
  }
  const shown = inHall(<Held />);
  return { ...shown, now: () => now };
}
const words = () => screen.getByText('In words:', { exact: false }).parentElement!.textContent;

describe('a criterion on the desk', () => {
  it.each(ATOM_KINDS)('says %s in the words in which it is judged', (kind) => {
    edit(freshAtom(kind));
    const sentence = sentenceOf(freshAtom(kind));
    expect(words()).toContain(sentence.slice(1));
  });

  it('changes a number, and the sentence follows', () => {
    const { now } = edit(freshAtom('cleanReps'));
    fireEvent.change(screen.getByLabelText('clean repetitions'), { target: { value: '8' } });
    expect(now()).toMatchObject({ kind: 'cleanReps', reps: 8, sets: 2 });
    expect(words()).toContain('2 sets of 8 clean repetitions');
  });

  it('turns round into its opposite and back', async () => {
    const { user, now } = edit(freshAtom('effortAtMost'));
    await user.selectOptions(screen.getByLabelText('Reached or not'), 'above');
    expect(now()).toEqual({ kind: 'not', of: freshAtom('effortAtMost') });
    await user.selectOptions(screen.getByLabelText('Reached or not'), 'at most');
    expect(now()).toEqual(freshAtom('effortAtMost'));
  });

  it('asks for a run of sessions, and for one again', () => {
    const { now } = edit(freshAtom('cleanReps'));
    const run = screen.getByLabelText('sessions running');
    fireEvent.change(run, { target: { value: '3' } });
    expect(now()).toEqual({ kind: 'sessionsRunning', sessions: 3, of: freshAtom('cleanReps') });
    fireEvent.change(run, { target: { value: '1' } });
    expect(now()).toEqual(freshAtom('cleanReps'));
  });

  it('joins parts, takes one out, and never the last', async () => {
    const { user, now } = edit(freshAtom('effortAtMost'));
    await user.click(screen.getByRole('button', { name: 'and also' }));
    expect(now()).toEqual({ kind: 'all', of: [freshAtom('effortAtMost'), freshAtom('cleanReps')] });
    await user.selectOptions(screen.getAllByLabelText('All or any')[0]!, 'any of these');
    expect(now()).toMatchObject({ kind: 'any' });
    await user.click(screen.getAllByRole('button', { name: 'Remove this part' })[0]!);
    expect(now()).toEqual({ kind: 'any', of: [freshAtom('cleanReps')] });
    expect(screen.queryByRole('button', { name: 'Remove this part' })).toBeNull();
  });

  it('nests a group of the other kind', async () => {
    const { user, now } = edit({ kind: 'all', of: [freshAtom('effortAtMost')] });
    await user.click(screen.getByRole('button', { name: 'Add a group' }));
    expect(now()).toEqual({
      kind: 'all',
      of: [freshAtom('effortAtMost'), { kind: 'any', of: [freshAtom('cleanReps')] }],
    });
  });

  it('says at once what nobody on the level can ever meet', async () => {
    const { user } = edit(freshAtom('cleanReps'));
    expect(screen.queryByText(/Nobody can ever meet this/)).toBeNull();
    await user.selectOptions(screen.getByLabelText('What is looked at'), 'holdS');
    expect(screen.getByText(/Nobody can ever meet this/)).toBeTruthy();
  });

  it('steps back by what is not reached', async () => {
    const { user, now } = edit(
      { kind: 'any', of: [{ kind: 'not', of: freshAtom('painAtMost') }] },
      { negated: true },
    );
    await user.click(screen.getByRole('button', { name: 'Add a part' }));
    expect(now()).toEqual({
      kind: 'any',
      of: [
        { kind: 'not', of: freshAtom('painAtMost') },
        { kind: 'not', of: freshAtom('cleanReps') },
      ],
    });
    expect(screen.getByLabelText('Start stepping back from')).toBeTruthy();
  });

  it('begins from a ready-made set', async () => {
    const { user, now } = edit(freshAtom('cleanReps'));
    const ready = screen.getByLabelText('Start moving up from');
    const choices = within(ready).getAllByRole('option').slice(1);
    expect(choices.length).toBeGreaterThan(3);
    await user.selectOptions(ready, choices[1]!);
    expect(now()).not.toEqual(freshAtom('cleanReps'));
    expect(words()).toContain(sentenceOf(now()).slice(1));
  });
});
