import MiniSearch from 'minisearch';
import type { SearchResult } from 'minisearch';
import { wordsIn } from '../../core/library/index.ts';
import { FOUND_FIELDS } from './findable.ts';
import type { FindableEntry, Found } from './findable.ts';

/** Letters that may be wrong in a word of so many; two, because two letters in each other's place are two. */
const forgiven = (term: string) => (term.length < 4 ? false : term.length < 5 ? 1 : 2);

const plain = (text: string) => wordsIn(text).join(' ');

/** An index over the whole library; a word may be half typed, and where nothing has all the words, mistyped. */
export class Finder {
  private readonly index = new MiniSearch<FindableEntry>({
    fields: [...FOUND_FIELDS],
    tokenize: wordsIn,
    // Already small letters without accents.
    processTerm: (term) => term,
    searchOptions: { boost: { title: 5, words: 2 }, combineWith: 'AND', prefix: true },
  });

  /** What an entry is called, name and short name, word for word. */
  private readonly called = new Map<string, string[]>();

  constructor(entries: readonly FindableEntry[]) {
    this.index.addAll(entries);
    for (const e of entries) this.called.set(e.id, [plain(e.title), plain(e.words)]);
  }

  /** Everything that has all the words, best first: what is called exactly so stands before what is only like it. */
  find(text: string): Found[] {
    const asTyped = this.index.search(text);
    const found = asTyped.length > 0 ? asTyped : this.index.search(text, { fuzzy: forgiven });
    const name = plain(text);
    const exact = (r: SearchResult) => this.called.get(r.id as string)!.includes(name);
    return [...found.filter(exact), ...found.filter((r) => !exact(r))].map((r) => {
      const fields = new Set(Object.values(r.match).flat());
      const own = fields.has('title') || fields.has('words');
      const other = (['cues', 'faults', 'equipment'] as const).find((f) => fields.has(f));
      return { id: r.id as string, foundIn: own ? null : (other ?? null) };
    });
  }
}
