import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { expect, it } from 'vitest';
import { NumberBox } from './number-box.tsx';

function Held({ told }: { told: (n: number) => void }) {
  const [n, set] = useState(12);
  return (
    <>
      <NumberBox
        label="clean repetitions"
        value={n}
        min={1}
        max={100}
        onChange={(to) => {
          told(to);
          set(to);
        }}
      />
      <button type="button" onClick={() => set(12)}>
        Undo
      </button>
    </>
  );
}

it('can be emptied and typed anew; what lies outside the bounds is marked and not taken', async () => {
  const told: number[] = [];
  render(<Held told={(n) => told.push(n)} />);
  const box = screen.getByRole<HTMLInputElement>('spinbutton', { name: 'clean repetitions' });
  const user = userEvent.setup();
  await user.type(box, '{Backspace}{Backspace}');
  expect(box.value).toBe('');
  expect(box.getAttribute('aria-invalid')).toBe('true');
  // "1" on the way, then the empty box told nothing.
  expect(told).toEqual([1]);
  await user.type(box, '8');
  expect(box.value).toBe('8');
  expect(told).toEqual([1, 8]);
  await user.type(box, '00');
  expect(told).toEqual([1, 8, 80]);
  expect(box.title).toBe('From 1 to 100; 80 stands until then.');
  // Left like that, the number that stands is shown again; an undo is shown too.
  await user.click(screen.getByRole('button', { name: 'Undo' }));
  expect(box.value).toBe('12');
});
