import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';

/** What the address asks for, and a change of some of it in place; nothing takes a part out. */
export function useAddress() {
  const [params, setParams] = useSearchParams();
  // Two changes may come before the first is drawn: the second adds to it rather than to what is on the screen.
  const latest = useRef(params);
  useEffect(() => {
    latest.current = params;
  }, [params]);
  const set = (change: Readonly<Record<string, string | null>>) => {
    const next = new URLSearchParams(latest.current);
    for (const [key, value] of Object.entries(change)) {
      if (value) next.set(key, value);
      else next.delete(key);
    }
    latest.current = next;
    setParams(next, { replace: true });
  };
  return { params, set };
}
