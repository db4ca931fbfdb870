import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { CsvPreview } from '../../contract/session.ts';
import { set } from '../../core/testing/samples.ts';
import { inHall, No } from '../testing/in-hall.tsx';
import { CsvPage } from './csv-page.tsx';

const row = (lineNumber: number, known = false) =>
  ({
    line: lineNumber,
    person: 'Ida Farrow',
    date: '2026-11-20',
    variation: 'Goblet squat',
    set: set('2026-11-20', { doneReps: 8 }),
    known,
  }) as unknown as CsvPreview['rows'][number];
const show = (preview: unknown, bring: unknown = { added: 1, known: 1 }) =>
  inHall(<CsvPage />, {
    answers: {
      'GET /api/squads': [{ id: 'a', name: 'Juniors' }],
      'GET /api/people': [{ id: 'ida', name: 'Ida Farrow' }],
      'POST /api/sets/csv/preview': preview,
      'POST /api/sets/csv': bring,
    },
  });
const paste = (text: string) =>
  fireEvent.change(screen.getByLabelText('Pasted lines'), { target: { value: text } });

describe('sets as a file', () => {
  it('are looked at first; those that are here already are told and not counted', async () => {
    const { user, sent } = show({ rows: [row(2), row(3, true)], problems: [] });
    expect(screen.getByRole('button', { name: 'Look at it first' })).toHaveProperty('disabled', true);
    paste('person,date\nIda');
    await user.click(screen.getByRole('button', { name: 'Look at it first' }));
    expect(await screen.findByText('2 lines read, 1 here already')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Bring in one set' }));
    expect(await screen.findByText(/1 brought in, 1 were here already/)).toBeTruthy();
    expect(sent.map((s) => [s.path, s.body])).toEqual([
      ['/api/sets/csv/preview', { text: 'person,date\nIda' }],
      ['/api/sets/csv', { text: 'person,date\nIda' }],
    ]);
    // Brought in once is brought in.
    expect(screen.getByRole('button', { name: 'Bring in one set' })).toHaveProperty('disabled', true);
  });

  it('with anything wrong come in not at all, each line told', async () => {
    const { user } = show({
      rows: [row(2)],
      problems: [
        { line: 3, column: 'repetitions', problem: '"dozen" is no number.' },
        { line: 4, column: null, problem: 'There is nobody called Nobody.' },
      ],
    });
    paste('x');
    await user.click(screen.getByRole('button', { name: 'Look at it first' }));
    expect((await screen.findByRole('alert')).textContent).toContain(
      '2 things are wrong. Nothing is brought in',
    );
    expect(screen.getByText('Line 3').closest('li')!.textContent).toBe(
      'Line 3 repetitions: "dozen" is no number.',
    );
    expect(screen.queryByRole('button', { name: /^Bring in/ })).toBeNull();
  });

  it('changed after the look have to be looked at again', async () => {
    const { user } = show({ rows: [row(2)], problems: [] });
    paste('x');
    await user.click(screen.getByRole('button', { name: 'Look at it first' }));
    await screen.findByRole('button', { name: 'Bring in one set' });
    paste('y');
    expect(screen.queryByRole('button', { name: /^Bring in/ })).toBeNull();
  });

  it('that the server refuses say why, and what was pasted stays', async () => {
    const { user } = show(new No(413, 'The request is too large. Nothing was changed.'));
    paste('x');
    await user.click(screen.getByRole('button', { name: 'Look at it first' }));
    expect((await screen.findByRole('alert')).textContent).toContain('too large');
    expect(screen.getByLabelText('Pasted lines')).toHaveProperty('value', 'x');
  });

  it('leave for a squad, a person, and some days', async () => {
    const { user } = show({ rows: [], problems: [] });
    const asked = async () => {
      const saved = vi.spyOn(globalThis, 'fetch');
      await user.click(screen.getByRole('button', { name: 'Download the sets' }));
      return saved.mock.calls.at(-1)![0] as string;
    };
    expect(await asked()).toBe('/api/sets.csv');
    await screen.findByRole('option', { name: 'Juniors' });
    await user.selectOptions(screen.getByLabelText('Whose'), 'Juniors');
    expect(await asked()).toBe('/api/sets.csv?squad=a');
    await user.selectOptions(screen.getByLabelText('Whose'), 'Ida Farrow');
    fireEvent.change(screen.getByLabelText('From'), { target: { value: '2026-11-01' } });
    fireEvent.change(screen.getByLabelText('To'), { target: { value: '2026-11-20' } });
    expect(await asked()).toBe('/api/sets.csv?person=ida&from=2026-11-01&to=2026-11-20');
  });
});
