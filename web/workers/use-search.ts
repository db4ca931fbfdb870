import { wrap } from 'comlink';
import type { Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { EntrySummary } from '../../contract/library.ts';
import type { SearchApi } from './search.worker.ts';
import { findableOf } from './findable.ts';
import type { Found } from './findable.ts';

export interface Search {
  /** Best first; null while nothing is asked. The last answer stays until the next is there, so nothing blinks. */
  found: readonly Found[] | null;
  /** The answer to the words as they stand is on its way. */
  busy: boolean;
}

/** What the library has for some words. */
export function useSearch(entries: readonly EntrySummary[], text: string): Search {
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
  return { found: asked ? (found?.list ?? null) : null, busy: asked !== '' && found?.text !== asked };
}
