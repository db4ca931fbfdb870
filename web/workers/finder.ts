import MiniSearch from 'minisearch';
import { wordsIn } from '../../core/library/index.ts';
import { FOUND_FIELDS } from './findable.ts';
import type { FindableEntry, Found } from './findable.ts';

/** Letters that may be wrong in a word of so many; two, because two letters in each other's place are two. */
const forgiven = (term: string) => (term.length < 4 ? false : term.length < 5 ? 1 : 2);

/** An index over the whole library; a word may be half typed, and where nothing has all the words, mistyped. */
export class Finder {
  private readonly index = new MiniSearch<FindableEntry>({
    fields: [...FOUND_FIELDS],
    tokenize: wordsIn,
    // Already small letters without accents.
    processTerm: (term) => term,
    searchOptions: { boost: { title: 5, words: 2 }, combineWith: 'AND', prefix: true },
  });

  constructor(entries: readonly FindableEntry[]) {
    this.index.addAll(entries);
  }

  /** Everything that has all the words, best first. */
  find(text: string): Found[] {
    const asTyped = this.index.search(text);
    const found = asTyped.length > 0 ? asTyped : this.index.search(text, { fuzzy: forgiven });
    return found.map((r) => {
      const fields = new Set(Object.values(r.match).flat());
      const own = fields.has('title') || fields.has('words');
      const other = (['cues', 'faults', 'equipment'] as const).find((f) => fields.has(f));
      return { id: r.id as string, foundIn: own ? null : (other ?? null) };
    });
  }
}
