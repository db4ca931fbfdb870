import { useEffect, useState } from 'react';

/** The wall clock, read again so often; null: not at all. Every screen of an hour goes by it, so that they agree. */
export function useWallClock(everyMs: number | null): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (everyMs === null) return;
    const tick = () => setNow(Date.now());
    const timer = setInterval(tick, everyMs);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [everyMs]);
  return now;
}

/** Seconds since it began; null: it has not. */
export const secondsInto = (startedAt: string | null, now: number): number | null =>
  startedAt === null ? null : (now - new Date(startedAt).getTime()) / 1000;
