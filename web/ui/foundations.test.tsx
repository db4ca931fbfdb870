import { act, fireEvent, render, renderHook, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import {
  kept,
  moved,
  Segmented,
  SortableList,
  SortableRow,
  tidy,
  useHistory,
  useKept,
  useKeys,
} from './index.ts';

describe('keys', () => {
  const press = vi.fn<(what: string) => void>();
  const other = vi.fn<(e: KeyboardEvent) => false>(() => false);
  function Page({ dialog = false }) {
    useKeys({
      q: () => press('q'),
      '/': () => press('/'),
      'mod z': () => press('undo'),
      'mod shift z': () => press('redo'),
      'g l': () => press('library'),
      '*': other,
    });
    return (
      <>
        <input aria-label="a" />
        <select aria-label="b" />
        <div contentEditable="true" suppressContentEditableWarning>
          <span>c</span>
        </div>
        <button type="button">d</button>
        {dialog && <div role="dialog" />}
      </>
    );
  }
  const key = (key: string, on: Element = document.body, more: KeyboardEventInit = {}) =>
    fireEvent.keyDown(on, { key, ...more });
  const pressed = () => press.mock.calls.flat();
  beforeEach(() => vi.clearAllMocks());

  it('go into fields, and into whatever stands inside one', () => {
    render(<Page />);
    for (const on of [screen.getByLabelText('a'), screen.getByLabelText('b'), screen.getByText('c')]) {
      key('q', on);
    }
    expect(pressed()).toEqual([]);
    key('q', screen.getByText('d'));
    expect(pressed()).toEqual(['q']);
  });

  it('are meant by the character that they give, whatever is held for it', () => {
    render(<Page />);
    key('/');
    // As on keyboards on which it stands above the seven.
    key('/', document.body, { shiftKey: true });
    expect(pressed()).toEqual(['/', '/']);
  });

  it('with Control or Command, one after the other, and every other', () => {
    render(<Page />);
    key('z', document.body, { ctrlKey: true });
    key('Z', document.body, { metaKey: true, shiftKey: true });
    key('g');
    key('l');
    key('l');
    expect(pressed()).toEqual(['undo', 'redo', 'library']);
    expect(other.mock.calls.map(([e]) => e.key)).toEqual(['g', 'l']);
    key('q', document.body, { altKey: true });
    expect(pressed()).toHaveLength(3);
  });

  it('keep to themselves what they did, and leave the rest to others', () => {
    const jumps = vi.fn();
    addEventListener('keydown', jumps);
    render(<Page />);
    expect(key('q')).toBe(false);
    expect(key('x')).toBe(true);
    removeEventListener('keydown', jumps);
    expect(jumps).toHaveBeenCalledTimes(2);
  });

  it('do nothing while something lies over the page', () => {
    render(<Page dialog />);
    key('q');
    expect(pressed()).toEqual([]);
  });
});

describe('a history', () => {
  it('takes back and takes again, as a list of states does', () => {
    const step = fc.oneof(
      fc.record({ does: fc.constant('change' as const), to: fc.nat(5) }),
      fc.constantFrom({ does: 'undo' as const }, { does: 'redo' as const }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
        const { result, unmount } = renderHook(() => useHistory(0));
        let [states, at] = [[0], 0];
        for (const s of steps) {
          act(() => {
            if (s.does === 'change') result.current.change(s.to);
            else result.current[s.does]();
          });
          if (s.does === 'change' && s.to !== states[at]) {
            states = [...states.slice(0, at + 1), s.to];
            at++;
          } else if (s.does === 'undo') at = Math.max(0, at - 1);
          else if (s.does === 'redo') at = Math.min(states.length - 1, at + 1);
          expect(result.current).toMatchObject({ now: states[at], steps: at, ahead: states.length - 1 - at });
        }
        unmount();
      }),
      { numRuns: 40 },
    );
  });

  it('holds a hundred steps, and what is added to a stroke is taken back with it', () => {
    const { result } = renderHook(() => useHistory(0));
    act(() => {
      for (let i = 1; i <= 150; i++) result.current.change(i);
      result.current.amend((n) => n + 0.5);
    });
    expect(result.current).toMatchObject({ now: 150.5, steps: 100 });
    act(() => {
      result.current.undo();
    });
    expect(result.current.now).toBe(149);
  });
});

describe('what a device keeps', () => {
  afterEach(() => {
    localStorage.clear();
    vi.restoreAllMocks();
  });

  it('is there again, told to whoever shows it, and nothing where it cannot be read', () => {
    const first = kept('k', { none: { n: 0 } });
    const { result } = renderHook(() => useKept(first));
    act(() => first.put({ n: 2 }));
    expect(result.current).toEqual({ n: 2 });
    expect(kept('k', { none: { n: 0 } }).current()).toEqual({ n: 2 });
    localStorage.setItem('k', '{broken');
    expect(kept('k', { none: { n: 0 } }).current()).toEqual({ n: 0 });
    localStorage.setItem('k', 'violet');
    const word = kept('k', { none: 'red', read: (t) => ['red', 'blue'].find((w) => w === t), write: String });
    expect(word.current()).toBe('red');
    word.put('blue');
    expect(localStorage.getItem('k')).toBe('blue');
  });

  it('lives on in the page where the store is full', () => {
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const store = kept('full', { none: 1 });
    store.put(2);
    expect(store.current()).toBe(2);
  });
});

describe('one of a few', () => {
  it('says which is chosen, and picks another', async () => {
    const onPick = vi.fn();
    render(
      <Segmented
        label="Squad"
        options={['a', 'b', 'c']}
        value="b"
        onPick={onPick}
        disabled={(o) => o === 'c'}
      >
        {(o) => `Squad ${o}`}
      </Segmented>,
    );
    const group = screen.getByRole('group', { name: 'Squad' });
    expect([...group.children].map((b) => b.getAttribute('aria-pressed'))).toEqual([
      'false',
      'true',
      'false',
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Squad a' }));
    await userEvent.click(screen.getByRole('button', { name: 'Squad c' }));
    expect(onPick.mock.calls).toEqual([['a']]);
  });
});

describe('a list in order', () => {
  it('is moved by the arrows beside each, which end at its ends', async () => {
    const onMove = vi.fn<(from: number, to: number) => void>();
    render(
      <SortableList items={['x', 'y']} idOf={(s) => s} nameOf={(s) => s} onMove={onMove} label="Order">
        {(s, i) => (
          <SortableRow
            key={s}
            id={s}
            what={`step ${i + 1}`}
            named={s}
            first={i === 0}
            last={i === 1}
            onMove={(by) => onMove(i, i + by)}
          >
            {s}
          </SortableRow>
        )}
      </SortableList>,
    );
    expect(screen.getByRole('button', { name: 'Drag step 1, x' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Move step 1 up' })).toHaveProperty('disabled', true);
    await userEvent.click(screen.getByRole('button', { name: 'Move step 1 down' }));
    expect(onMove.mock.calls).toEqual([[0, 1]]);
    expect(moved(['x', 'y', 'z'], 0, 2)).toEqual(['y', 'z', 'x']);
  });
});

it('numbers have no zeros to carry and no minus before nought', () => {
  expect([12, 12.04, 12.06, -0.04, 1234.5, 0.125].map((n) => tidy(n))).toEqual([
    '12',
    '12',
    '12.1',
    '0',
    '1234.5',
    '0.1',
  ]);
  expect(tidy(2.345, 2)).toBe('2.35');
  expect(tidy(-3.2)).toBe('-3.2');
});
