import { fireEvent, render } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { resolve } from '../../core/library/index.ts';
import { fault, shelf, variation } from '../../core/testing/samples.ts';
import { useSetKeys } from './use-set-keys.ts';

const v = variation('squat', { faults: [{ fault: 'first' }, { fault: 'second' }] as never });
const read = resolve(v, shelf(v, fault('first'), fault('second')));
const onAmount = vi.fn();
const onFault = vi.fn();
const onDone = vi.fn();

function Desk({ dialog = false }) {
  useSetKeys({ variation: read, onAmount, onFault, onDone });
  return (
    <main>
      <input aria-label="field" />
      <button type="button">button</button>
      {dialog && <div role="dialog" />}
    </main>
  );
}
const press = (key: string, on: Element | Document = document.body, more = {}) =>
  fireEvent.keyDown(on, { key, ...more });

beforeEach(() => vi.clearAllMocks());

describe('keys at the desk', () => {
  it('digits typed together are one number of at most three', () => {
    render(<Desk />);
    for (const digit of '1234') press(digit);
    expect(onAmount.mock.calls.flat()).toEqual([1, 12, 123, 234]);
  });

  it('a digit after a while begins a new number', () => {
    render(<Desk />);
    const at = (key: string, timeStamp: number) => {
      const event = new KeyboardEvent('keydown', { key, bubbles: true });
      Object.defineProperty(event, 'timeStamp', { value: timeStamp });
      document.body.dispatchEvent(event);
    };
    at('1', 10_000);
    at('2', 11_300);
    expect(onAmount.mock.calls.flat()).toEqual([1, 2]);
  });

  it('letters count the faults in the order in which they stand, and jump nowhere', () => {
    const jumps = vi.fn();
    addEventListener('keydown', jumps);
    render(<Desk />);
    press('b');
    press('c');
    expect(onFault.mock.calls).toEqual([['second']]);
    // Only the letter without a fault goes on to the shortcuts of the application.
    expect(jumps).toHaveBeenCalledTimes(1);
    removeEventListener('keydown', jumps);
  });

  it('Enter is done, but not on a button that it would press', () => {
    const { getByRole } = render(<Desk />);
    press('Enter', getByRole('button'));
    expect(onDone).not.toHaveBeenCalled();
    press('Enter');
    expect(onDone).toHaveBeenCalledTimes(1);
  });

  it('nothing counts in a field, with a control key, or under a dialog', () => {
    const { getByRole, unmount } = render(<Desk />);
    press('7', getByRole('textbox'));
    press('7', document.body, { ctrlKey: true });
    unmount();
    render(<Desk dialog />);
    press('7');
    press('a');
    press('Enter');
    expect([onAmount, onFault, onDone].map((f) => f.mock.calls.length)).toEqual([0, 0, 0]);
  });
});
