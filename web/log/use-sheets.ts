import { useQueries } from '@tanstack/react-query';
import type { Sheet } from '../../contract/library.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { request } from '../shell/index.ts';

/** The sheets of some variations, as they come in; what is at hand stays so without a connection. */
export function useSheetsOf(variations: readonly string[]): ReadonlyMap<string, ResolvedVariation> {
  const slugs = [...new Set(variations)];
  return useQueries({
    queries: slugs.map((slug) => {
      const path = `/api/sheets/${slug}`;
      return { queryKey: [path], queryFn: () => request<Sheet>('GET', path), staleTime: 60_000 };
    }),
    combine: (results) =>
      new Map(
        results.flatMap((r) => (r.data ? [[r.data.resolved.source.slug, r.data.resolved] as const] : [])),
      ),
  });
}
