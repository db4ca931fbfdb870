import { useMemo } from 'react';
import type { EntrySummary } from '../../contract/library.ts';
import type { Kind } from '../../core/library/index.ts';
import { useAsk } from './api.ts';

const NONE: EntrySummary[] = [];

/** The list of the library, and what can be looked up in it; empty until it has been read. */
export function useLibrary(asked = true) {
  const query = useAsk('library', asked ? {} : null);
  const entries = query.data?.entries ?? NONE;
  const lookup = useMemo(() => {
    const byId = new Map(entries.map((e) => [`${e.kind}/${e.slug}`, e]));
    return {
      find: (kind: Kind, slug: string | null | undefined): EntrySummary | undefined =>
        slug == null ? undefined : byId.get(`${kind}/${slug}`),
      /** What it is called; its slug where it is not in the library. */
      titleOf: (kind: Kind, slug: string): string => byId.get(`${kind}/${slug}`)?.title ?? slug,
    };
  }, [entries]);
  return { query, entries, ...lookup };
}
