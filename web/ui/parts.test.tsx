import { act, render, renderHook, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Guard, Loaded, Notice, SelectField, TextField, useRested } from './index.ts';

afterEach(() => vi.useRealTimers());

describe('a field', () => {
  it('belongs to its label, and is described by its hint', () => {
    render(<TextField label="Stature" hint="May stay empty." />);
    const field = screen.getByLabelText('Stature');
    expect(document.getElementById(field.getAttribute('aria-describedby')!)!.textContent).toBe(
      'May stay empty.',
    );
    expect(field.getAttribute('aria-invalid')).toBeNull();
  });

  it('tells its error in place of the hint, and that it is wrong', () => {
    render(
      <SelectField label="Paper" hint="Of the printer." error="There is no such paper.">
        <option>A4</option>
      </SelectField>,
    );
    const field = screen.getByLabelText('Paper');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByText('There is no such paper.').id).toBe(field.getAttribute('aria-describedby'));
    expect(screen.queryByText('Of the printer.')).toBeNull();
  });

  it('has an id of its own, however often it stands on a page', () => {
    render(
      <>
        <TextField label="From" />
        <TextField label="To" />
      </>,
    );
    expect(screen.getByLabelText('From').id).not.toBe(screen.getByLabelText('To').id);
  });
});

describe('what is being loaded', () => {
  const show = (data: string | undefined, error: Error | null) =>
    render(
      <Loaded query={{ data, error }} what="the people">
        {(d) => <p>{d}</p>}
      </Loaded>,
    );
  it('says what is waited for', () => {
    show(undefined, null);
    expect(screen.getByText('Reading the people …')).toBeTruthy();
  });
  it('says what went wrong', () => {
    show(undefined, new Error('The hall’s computer cannot be reached.'));
    expect(screen.getByRole('alert').textContent).toContain('cannot be reached');
  });
  it('goes on showing what there is, though reading it anew has failed', () => {
    show('Ida', new Error('The hall’s computer cannot be reached.'));
    expect(screen.getByText('Ida')).toBeTruthy();
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

it('a notice speaks up only where it warns', () => {
  render(
    <>
      <Notice>Kept.</Notice>
      <Notice tone="warn">Refused.</Notice>
    </>,
  );
  expect(screen.getByRole('status').textContent).toBe('Kept.');
  expect(screen.getByRole('alert').textContent).toBe('Refused.');
});

it('what breaks is told in its place, and what stands around it goes on', () => {
  const quiet = vi.spyOn(console, 'error').mockImplementation(() => undefined);
  const Broken = (): never => {
    throw new Error('broken');
  };
  render(
    <>
      <button type="button">Set done</button>
      <Guard what="The chart">
        <Broken />
      </Guard>
    </>,
  );
  expect(screen.getByRole('alert').textContent).toContain('The chart broke. Logging goes on');
  expect(screen.getByRole('button', { name: 'Set done' })).toBeTruthy();
  quiet.mockRestore();
});

it('a value rests once it has not changed for a while', () => {
  vi.useFakeTimers();
  const { result, rerender } = renderHook(({ value }) => useRested(value, 300), {
    initialProps: { value: 's' },
  });
  rerender({ value: 'sq' });
  act(() => void vi.advanceTimersByTime(200));
  rerender({ value: 'squ' });
  act(() => void vi.advanceTimersByTime(200));
  expect(result.current).toBe('s');
  act(() => void vi.advanceTimersByTime(100));
  expect(result.current).toBe('squ');
});
