import { useRef, useState } from 'react';
import type { Observed } from './observed.ts';

const KEY = 'meister-set-drafts';

type Drafts = Record<string, Observed>;
const read = (): Drafts => {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? '{}') as Drafts;
  } catch {
    return {};
  }
};
const write = (drafts: Drafts) => {
  try {
    sessionStorage.setItem(KEY, JSON.stringify(drafts));
  } catch {
    // Full: the draft lives on in the page.
  }
};

/** What has been tapped of a set not done yet: it outlives looking at somebody else, and a reload. */
export function useSetDraft(key: string, start: () => Observed) {
  const [set, setSet] = useState<Observed>(() => read()[key] ?? start());
  // Two taps before the next drawing both count.
  const latest = useRef(set);
  return {
    set,
    change: (part: Partial<Observed> | ((now: Observed) => Partial<Observed>)) => {
      const now = latest.current;
      latest.current = { ...now, ...(typeof part === 'function' ? part(now) : part) };
      write({ ...read(), [key]: latest.current });
      setSet(latest.current);
    },
    /** The set is done: nothing of it is left over. */
    clear: () => {
      const { [key]: _done, ...others } = read();
      write(others);
    },
  };
}
