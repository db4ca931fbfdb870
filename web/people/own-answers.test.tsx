import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { question } from '../../core/testing/samples.ts';
import { inHall } from '../testing/in-hall.tsx';
import { OwnAnswers } from './own-answers.tsx';

const depth = question('depth', { name: 'How deep?' } as never);
const own = {
  question: 'depth',
  answer: 'b',
  why: 'Hip surgery; cleared to level.',
  recordedBy: 'Mirela',
  date: '2026-11-20',
};
const show = (answers: unknown[], as: 'head coach' | 'coach' = 'head coach') =>
  inHall(<OwnAnswers personId="p" />, {
    as,
    answers: {
      'GET /api/people/p/answers': answers,
      'GET /api/library': {
        edition: null,
        entries: [
          { kind: 'houseQuestion', slug: 'depth', title: 'How deep?', retired: false },
          { kind: 'houseQuestion', slug: 'old', title: 'Asked no more?', retired: true },
          { kind: 'cue', slug: 'tray', title: 'Carry a tray.', retired: false },
        ],
      },
      'GET /api/library/houseQuestion/depth': { body: depth, revision: 1 },
      'PUT /api/people/p/answers/depth': {},
      'DELETE /api/people/p/answers/depth': {},
    },
  });

describe('house rules of a person’s own', () => {
  it('say the question, the answer, and on whose word', async () => {
    show([own]);
    const item = await screen.findByRole('listitem');
    expect(await within(item).findByText('b')).toBeTruthy();
    expect(within(item).getByRole('link', { name: 'How deep?' })).toBeTruthy();
    expect(item.textContent).toContain('Hip surgery; cleared to level. (Mirela, Fri 20 Nov)');
  });

  it('are only read by a coach', async () => {
    show([own], 'coach');
    await screen.findByRole('listitem');
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('go back to the hall’s answer', async () => {
    const { user, sent } = show([own]);
    await user.click(await screen.findByRole('button', { name: 'Back to the hall’s answer' }));
    await waitFor(() =>
      expect(sent).toMatchObject([{ method: 'DELETE', path: '/api/people/p/answers/depth' }]),
    );
  });

  it('are given for a question that is still asked, with the reason', async () => {
    const { user, sent } = show([]);
    await user.click(await screen.findByRole('button', { name: 'Answer one otherwise' }));
    const questions = [...screen.getByLabelText<HTMLSelectElement>('Question').options].map(
      (o) => o.textContent,
    );
    expect(questions).toContain('How deep?');
    expect(questions.join()).not.toMatch(/Asked no more|tray/);
    await user.selectOptions(screen.getByLabelText('Question'), 'How deep?');
    await screen.findByRole('option', { name: 'c' });
    await user.selectOptions(screen.getByLabelText('Their answer'), 'c');
    await user.type(screen.getByLabelText('Why'), 'Said by the physiotherapist.');
    await user.click(screen.getByRole('button', { name: 'Keep it' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent).toMatchObject([
      {
        method: 'PUT',
        path: '/api/people/p/answers/depth',
        body: { answer: 'c', why: 'Said by the physiotherapist.' },
      },
    ]);
  });
});
