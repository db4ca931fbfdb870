import type { Observed } from '../log/index.ts';
import { useRef, useState } from 'react';
import { kept } from '../ui/index.ts';

const drafts = kept<Record<string, Observed>>('meister-set-drafts', { none: {}, in: 'session' });

/** What has been tapped of a set not done yet: it outlives looking at somebody else, and a reload. */
export function useSetDraft(key: string, start: () => Observed) {
  const [set, setSet] = useState<Observed>(() => drafts.current()[key] ?? start());
  // Two taps before the next drawing both count.
  const latest = useRef(set);
  return {
    set,
    change: (part: Partial<Observed> | ((now: Observed) => Partial<Observed>)) => {
      const now = latest.current;
      latest.current = { ...now, ...(typeof part === 'function' ? part(now) : part) };
      drafts.put({ ...drafts.current(), [key]: latest.current });
      setSet(latest.current);
    },
    /** The set is done: nothing of it is left over. */
    clear: () => {
      const { [key]: _done, ...others } = drafts.current();
      drafts.put(others);
    },
  };
}
