import { useQueries } from '@tanstack/react-query';
import type { PersonLine } from '../../contract/log.ts';
import type { EntryInForce, LibraryList } from '../../contract/library.ts';
import type { NameOfLevel } from '../../core/ladder/index.ts';
import type { Person } from '../../contract/people.ts';
import type { Ladder, SettledLadder } from '../../core/library/index.ts';
import { request, useGet, useSigned } from '../shell/index.ts';

export function useLadder(slug: string) {
  const query = useGet<EntryInForce>(`/api/library/ladder/${slug}`);
  const data = query.data && {
    ladder: query.data.body as Ladder,
    /** With its criteria under the hall's answers: what is shown. */
    settled: query.data.settled as SettledLadder,
    revision: query.data.revision,
  };
  return { data, error: query.error };
}

/** Who stands where, by level number; nobody for viewers, who see no people. */
export function useStanding(slug: string): ReadonlyMap<number, Person[]> {
  const { me } = useSigned();
  const may = me.role !== 'viewer';
  const lines = useGet<PersonLine[]>(may ? '/api/overview' : null);
  const people = useGet<Person[]>(may ? '/api/people' : null);
  const map = new Map<number, Person[]>();
  for (const line of lines.data ?? []) {
    const person = people.data?.find((p) => p.id === line.personId);
    if (line.ladder !== slug || line.levelNumber === null || !person) continue;
    map.set(line.levelNumber, [...(map.get(line.levelNumber) ?? []), person]);
  }
  return map;
}

/** What levels of any ladder are called; their ids until they have been read. */
export function useLevelNames(): NameOfLevel {
  const library = useGet<LibraryList>('/api/library');
  const slugs = (library.data?.entries ?? []).flatMap((e) => (e.kind === 'ladder' ? [e.slug] : []));
  const ladders = useQueries({
    queries: slugs.map((slug) => {
      const path = `/api/library/ladder/${slug}`;
      return { queryKey: [path], queryFn: () => request<EntryInForce>('GET', path), staleTime: 60_000 };
    }),
    combine: (results) => results.flatMap((r) => (r.data ? [r.data.body as Ladder] : [])),
  });
  return (slug, id) => {
    const ladder = ladders.find((l) => l.slug === slug);
    const level = ladder?.levels.find((l) => l.id === id);
    return level ? `"${level.name}" of the ladder ${ladder!.name}` : `${id} on ${slug}`;
  };
}
