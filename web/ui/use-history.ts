import { useCallback, useState } from 'react';

interface History<T> {
  past: readonly T[];
  now: T;
  future: readonly T[];
}

/** Steps that can be taken back. */
const MOST_STEPS = 100;

/** Something that is edited, with every step to take back and to take again; the newest hundred. */
export function useHistory<T>(start: T) {
  const [{ past, now, future }, set] = useState<History<T>>({ past: [], now: start, future: [] });
  return {
    now,
    /** Steps that can be taken back. */
    steps: past.length,
    ahead: future.length,
    /** Stable. The same value again is no step. */
    change: useCallback((next: T | ((now: T) => T)) => {
      set((h) => {
        const to = typeof next === 'function' ? (next as (now: T) => T)(h.now) : next;
        return to === h.now ? h : { past: [...h.past, h.now].slice(-MOST_STEPS), now: to, future: [] };
      });
    }, []),
    /** Changes what is there without a step of its own: more of the stroke before. */
    amend: useCallback((next: (now: T) => T) => set((h) => ({ ...h, now: next(h.now) })), []),
    undo: useCallback(() => {
      set((h) =>
        h.past.length === 0
          ? h
          : { past: h.past.slice(0, -1), now: h.past.at(-1)!, future: [h.now, ...h.future] },
      );
    }, []),
    redo: useCallback(() => {
      set((h) =>
        h.future.length === 0
          ? h
          : { past: [...h.past, h.now], now: h.future[0]!, future: h.future.slice(1) },
      );
    }, []),
  };
}
