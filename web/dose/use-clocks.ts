import { useEffect, useState, useSyncExternalStore } from 'react';
import { clocks, readingNow } from './clock-store.ts';
import type { Reading } from '../../core/dose/index.ts';

export const useClocks = () => useSyncExternalStore(clocks.subscribe, clocks.current);

/** The time, read again so often while something runs. What is shown follows from it, nothing is added up. */
export function useNow(everyMs: number, running: boolean): Reading {
  const [now, setNow] = useState(readingNow);
  useEffect(() => {
    if (!running) return;
    const tick = () => setNow(readingNow());
    tick();
    const timer = setInterval(tick, everyMs);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [everyMs, running]);
  return now;
}
