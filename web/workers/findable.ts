import type { EntrySummary } from '../../contract/library.ts';

/** One entry as it is searched: its own words, and those of what it names. */
export interface FindableEntry {
  id: string;
  title: string;
  /** Every other name. */
  called: string[];
  words: string;
  cues: string;
  faults: string;
  equipment: string;
}

export const FOUND_FIELDS = ['title', 'called', 'words', 'cues', 'faults', 'equipment'] as const;
export type FoundIn = (typeof FOUND_FIELDS)[number];

export interface Found {
  /** `kind/slug`, best first. */
  id: string;
  /** Where the words stand when they are not in the title. */
  foundIn: Exclude<FoundIn, 'title' | 'called' | 'words'> | null;
  /** The other name that it was found by; null: by its own, or by none. */
  calledSo: string | null;
  /** Nothing has the words as they were typed: this is spelt like them. */
  mistyped?: true;
}

export const entryId = (e: Pick<EntrySummary, 'kind' | 'slug'>) => `${e.kind}/${e.slug}`;

/** What is searched, made of the compact list: names, and the cues, faults and equipment that each names. */
export function findableOf(entries: readonly EntrySummary[]): FindableEntry[] {
  const titles = new Map(entries.map((e) => [entryId(e), e.title]));
  return entries.map((e) => {
    const named = (kind: string) =>
      e.uses
        .filter((id) => id.startsWith(`${kind}/`))
        .map((id) => titles.get(id) ?? '')
        .join(' ');
    return {
      id: entryId(e),
      title: e.title,
      called: e.alsoCalled,
      words: e.words,
      cues: named('cue'),
      faults: named('fault'),
      equipment: named('equipment'),
    };
  });
}
