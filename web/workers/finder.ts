import MiniSearch from 'minisearch';
import { wordsIn } from '../../core/library/index.ts';
import { FOUND_FIELDS } from './findable.ts';
import type { FindableEntry, Found } from './findable.ts';

/** An index over the whole library; a word may be half typed or have a letter wrong in five. */
export class Finder {
  private readonly index = new MiniSearch<FindableEntry>({
    fields: [...FOUND_FIELDS],
    tokenize: wordsIn,
    // Already small letters without accents.
    processTerm: (term) => term,
    searchOptions: {
      boost: { title: 5, words: 2 },
      combineWith: 'AND',
      prefix: true,
      fuzzy: (term) => (term.length > 3 ? 0.2 : false),
    },
  });

  constructor(entries: readonly FindableEntry[]) {
    this.index.addAll(entries);
  }

  /** Everything that has all the words, best first. */
  find(text: string): Found[] {
    return this.index.search(text).map((r) => {
      const fields = new Set(Object.values(r.match).flat());
      const own = fields.has('title') || fields.has('words');
      const other = (['cues', 'faults', 'equipment'] as const).find((f) => fields.has(f));
      return { id: r.id as string, foundIn: own ? null : (other ?? null) };
    });
  }
}
