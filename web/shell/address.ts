import { useSearchParams } from 'react-router';

/** What the address asks for, and a change of some of it in place; nothing takes a part out. */
export function useAddress() {
  const [params, setParams] = useSearchParams();
  const set = (change: Readonly<Record<string, string | null>>) =>
    setParams(
      (p) => {
        for (const [key, value] of Object.entries(change)) {
          if (value) p.set(key, value);
          else p.delete(key);
        }
        return p;
      },
      { replace: true },
    );
  return { params, set };
}
