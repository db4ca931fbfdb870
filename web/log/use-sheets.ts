import { useQueries } from '@tanstack/react-query';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { queryOf } from '../shell/index.ts';

/** The sheets of some variations, as they come in; what is at hand stays so without a connection. */
export function useSheetsOf(variations: readonly string[]): ReadonlyMap<string, ResolvedVariation> {
  const slugs = [...new Set(variations)];
  return useQueries({
    queries: slugs.map((slug) => ({ ...queryOf('sheet', { slug }), staleTime: 60_000 })),
    combine: (results) =>
      new Map(
        results.flatMap((r) => (r.data ? [[r.data.resolved.source.slug, r.data.resolved] as const] : [])),
      ),
  });
}
