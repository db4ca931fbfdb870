import { observedOf } from '../log/index.ts';
import { act, renderHook } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { set } from '../../core/testing/samples.ts';
import { useSetDraft } from './set-draft.ts';

const start = () => observedOf({ ...set('2026-11-24'), edit: 1, loggedBy: 'x', own: false, unsent: false });
const draft = (key: string) => renderHook(() => useSetDraft(key, start)).result;

afterEach(() => {
  sessionStorage.clear();
  vi.restoreAllMocks();
});

describe('a set not done yet', () => {
  it('outlives looking at somebody else, each with their own', () => {
    const one = draft('ida');
    act(() => one.current.change({ doneReps: 7 }));
    const other = draft('rui');
    expect(other.current.set.doneReps).toBe(10);
    expect(draft('ida').current.set.doneReps).toBe(7);
  });

  it('counts two taps before the next drawing both', () => {
    const one = draft('ida');
    act(() => {
      one.current.change((now) => ({ doneReps: now.doneReps! + 1 }));
      one.current.change((now) => ({ doneReps: now.doneReps! + 1 }));
    });
    expect(one.current.set.doneReps).toBe(12);
  });

  it('leaves nothing of itself once it is done, and the others alone', () => {
    const one = draft('ida');
    const other = draft('rui');
    act(() => one.current.change({ doneReps: 7 }));
    act(() => other.current.change({ doneReps: 3 }));
    act(() => one.current.clear());
    expect(draft('ida').current.set.doneReps).toBe(10);
    expect(draft('rui').current.set.doneReps).toBe(3);
  });

  it('lives on in the page where the store is full or unreadable', () => {
    sessionStorage.setItem('meister-set-drafts', '{broken');
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const one = draft('ida');
    act(() => one.current.change({ doneReps: 4 }));
    expect(one.current.set.doneReps).toBe(4);
  });
});
