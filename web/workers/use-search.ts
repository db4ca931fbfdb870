import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { EntrySummary } from '../../contract/library.ts';
import type { SearchApi } from './search.worker.ts';
import { findableOf } from './findable.ts';
import type { Found } from './findable.ts';

/**
 * What the library has for some words, best first; null while nothing is asked or the answer is on its way.
 * The answer of the last words stays until the next one is there, so that the list does not blink.
 */
export function useSearch(entries: readonly EntrySummary[], text: string): readonly Found[] | null {
  const worker = useRef<{ own: Worker; api: Remote<SearchApi>; of: readonly EntrySummary[] } | null>(null);
  const [found, setFound] = useState<{ text: string; list: Found[] } | null>(null);
  const asked = text.trim();
  useEffect(
    () => () => {
      worker.current?.own.terminate();
      worker.current = null;
    },
    [],
  );
  useEffect(() => {
    if (!asked) return;
    let gone = false;
    if (worker.current?.of !== entries) {
      worker.current?.own.terminate();
      const own = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' });
      worker.current = { own, api: wrap<SearchApi>(own), of: entries };
      void worker.current.api.load(findableOf(entries));
    }
    void worker.current.api.find(asked).then((list) => {
      if (!gone) setFound({ text: asked, list });
    });
    return () => {
      gone = true;
    };
  }, [entries, asked]);
  return asked ? (found?.list ?? null) : null;
}
