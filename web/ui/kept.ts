import { useSyncExternalStore } from 'react';

/** A value that this device keeps: over a reload (`session`: as long as the tab is open), and told to whoever shows it. */
export interface Kept<T> {
  current: () => T;
  put: (next: T) => void;
  subscribe: (listener: () => void) => () => void;
}

interface Options<T> {
  /** What it is before anything was kept, and where what is kept cannot be read. */
  none: T;
  in?: 'local' | 'session';
  /** @throws or undefined: it cannot be read */
  read?: (text: string) => T | undefined;
  write?: (value: T) => string;
}

/**
 * The one way to keep something on the device beside the outbox. A store that is full or closed costs the memory over a
 * reload, nothing else.
 */
export function kept<T>(key: string, { none, in: where = 'local', read, write }: Options<T>): Kept<T> {
  const listeners = new Set<() => void>();
  const store = () => (where === 'local' ? localStorage : sessionStorage);
  let last: { text: string | null; value: T } | null = null;
  /** What the store would not take. */
  let unkept: { value: T } | null = null;
  const parse = (text: string | null): T => {
    if (text === null) return none;
    try {
      return (read ?? ((t: string) => JSON.parse(t) as T))(text) ?? none;
    } catch {
      return none;
    }
  };
  return {
    // Read each time: another tab may have put something there. The same text is the same value.
    current() {
      if (unkept) return unkept.value;
      let text: string | null;
      try {
        text = store().getItem(key);
      } catch {
        return last?.value ?? none;
      }
      if (last?.text !== text || !last) last = { text, value: parse(text) };
      return last.value;
    },
    put(next) {
      const text = (write ?? JSON.stringify)(next);
      try {
        store().setItem(key, text);
        [last, unkept] = [{ text, value: next }, null];
      } catch {
        unkept = { value: next };
      }
      listeners.forEach((l) => l());
    },
    subscribe(listener) {
      listeners.add(listener);
      addEventListener('storage', listener);
      return () => {
        listeners.delete(listener);
        removeEventListener('storage', listener);
      };
    },
  };
}

/** The value, drawn anew when it changes. */
export const useKept = <T>({ current, subscribe }: Kept<T>): T => useSyncExternalStore(subscribe, current);
