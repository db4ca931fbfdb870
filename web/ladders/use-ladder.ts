import { useQueries } from '@tanstack/react-query';
import type { NameOfLevel } from '../../core/criterion/index.ts';
import type { Person } from '../../contract/people.ts';
import { queryOf, useAsk, useLibrary, usePeople, useSigned } from '../shell/index.ts';

export function useLadder(slug: string) {
  const query = useAsk('document', { kind: 'ladder', slug });
  const { body, settled, revision } = query.data ?? {};
  const data =
    body?.kind === 'ladder' && settled && revision !== undefined
      ? {
          ladder: body,
          /** With its criteria under the hall's answers: what is shown. */
          settled,
          revision,
        }
      : undefined;
  return { data, error: query.error };
}

/** Who stands where, by level number; nobody for viewers, who see no people. */
export function useStanding(slug: string): ReadonlyMap<number, Person[]> {
  const { me } = useSigned();
  const may = me.role !== 'viewer';
  const lines = useAsk('overview', may ? {} : null);
  const { find } = usePeople();
  const map = new Map<number, Person[]>();
  for (const line of lines.data ?? []) {
    const person = find(line.personId);
    if (line.ladder !== slug || line.levelNumber === null || !person) continue;
    map.set(line.levelNumber, [...(map.get(line.levelNumber) ?? []), person]);
  }
  return map;
}

/** What levels of any ladder are called; their ids until they have been read. */
export function useLevelNames(): NameOfLevel {
  const { entries } = useLibrary();
  const slugs = entries.flatMap((e) => (e.kind === 'ladder' ? [e.slug] : []));
  const ladders = useQueries({
    queries: slugs.map((slug) => {
      return { ...queryOf('document', { kind: 'ladder', slug }), staleTime: 60_000 };
    }),
    combine: (results) => results.flatMap((r) => (r.data?.body.kind === 'ladder' ? [r.data.body] : [])),
  });
  return (slug, id) => {
    const ladder = ladders.find((l) => l.slug === slug);
    const level = ladder?.levels.find((l) => l.id === id);
    return level ? `"${level.name}" of the ladder ${ladder!.name}` : `${id} on ${slug}`;
  };
}
