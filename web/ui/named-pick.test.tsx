import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { NamedPick } from './named-pick.tsx';

const options = [
  { value: 'bar-romanian', name: 'Romanian deadlift', also: ['RDL', 'stiff-leg deadlift'] },
  { value: 'bar-from-floor', name: 'Deadlift', also: ['conventional deadlift'] },
];
const shown = (value = '') => {
  const onChange = vi.fn();
  render(<NamedPick aria-label="Main variation" options={options} value={value} onChange={onChange} />);
  return { onChange, user: userEvent.setup() };
};

describe('one of many', () => {
  it('is found by another name in use, and chosen by key alone', async () => {
    const { onChange, user } = shown();
    await user.click(screen.getByRole('button', { name: 'Main variation: choose …' }));
    await user.keyboard('rdl');
    expect(screen.getAllByRole('option').map((o) => o.textContent)).toEqual(['Romanian deadlift']);
    await user.keyboard('{Enter}');
    expect(onChange).toHaveBeenCalledWith('bar-romanian');
  });
  it('says what is chosen, and when nothing goes by that name', async () => {
    const { user } = shown('bar-from-floor');
    await user.click(screen.getByRole('button', { name: 'Main variation: Deadlift' }));
    await user.keyboard('clam');
    expect(screen.getByText(/Nothing goes by that name/)).toBeTruthy();
  });
});
