import MiniSearch from 'minisearch';
import type { SearchResult } from 'minisearch';
import { plainName, wordsIn } from '../../core/library/index.ts';
import { FOUND_FIELDS } from './findable.ts';
import type { FindableEntry, Found } from './findable.ts';

/** Letters that may be wrong in a word of so many; two, because two letters in each other's place are two. */
const forgiven = (term: string) => (term.length < 3 ? false : term.length < 5 ? 1 : 2);

/** Of what is called alike a movement comes first, then what is seen of it, then the things. */
const KIND_ORDER = ['variation', 'fault', 'equipment', 'cue', 'ladder'];
const kindOrder = (id: string) => {
  const at = KIND_ORDER.indexOf(id.slice(0, id.indexOf('/')));
  return at === -1 ? KIND_ORDER.length : at;
};

/** How a name answers what was typed: the same, beginning so, with all the words as they are, with all of them begun. */
const HOW = ['same', 'begins', 'words', 'begun'] as const;

function answers(name: string, asked: string): number {
  if (name === asked) return HOW.indexOf('same');
  if (name.startsWith(asked)) return HOW.indexOf('begins');
  const [has, wants] = [name.split(' '), asked.split(' ')];
  if (wants.every((w) => has.includes(w))) return HOW.indexOf('words');
  return wants.every((w) => has.some((h) => h.startsWith(w))) ? HOW.indexOf('begun') : HOW.length;
}

/** An index over the whole library; a word may be half typed, and where nothing has all the words, mistyped. */
export class Finder {
  private readonly index = new MiniSearch<FindableEntry>({
    fields: [...FOUND_FIELDS],
    extractField: (entry, field) => {
      const value = entry[field as keyof FindableEntry];
      return typeof value === 'string' ? value : value.join(' ');
    },
    tokenize: wordsIn,
    // Already small letters without accents.
    processTerm: (term) => term,
    searchOptions: { boost: { title: 5, called: 4, words: 2 }, combineWith: 'AND', prefix: true },
  });

  /** What an entry is called: its own name first, then every other. */
  private readonly names = new Map<string, { plain: string; name: string }[]>();

  constructor(entries: readonly FindableEntry[]) {
    this.index.addAll(entries);
    for (const e of entries) {
      this.names.set(
        e.id,
        [e.title, ...e.called].map((name) => ({ plain: plainName(name), name })),
      );
    }
  }

  /**
   * Everything that has all the words, best first: what is called so, by its own name or another, before what only begins
   * so, before what only mentions it; shorter names before longer ones that are alike.
   */
  find(text: string): Found[] {
    const asked = plainName(text);
    const asTyped = this.index.search(text);
    if (asTyped.length > 0) return this.ranked(asTyped, asked);
    return this.nearest(this.index.search(text, { fuzzy: forgiven }), asked);
  }

  /** With letters wrong: what has a name that is spelt most like it. */
  private nearest(found: readonly SearchResult[], asked: string): Found[] {
    return found
      .map((r, nth) => {
        const id = r.id as string;
        const names = this.names.get(id)!;
        const far = names.map((n) => apart(asked, n.plain));
        const best = Math.min(...far);
        const at = far.indexOf(best);
        const calledSo = at > 0 ? names[at]!.name : null;
        return {
          found: { id, foundIn: viaOf(r), calledSo, mistyped: true as const },
          best,
          kind: kindOrder(id),
          at,
          nth,
        };
      })
      .sort((a, b) => a.best - b.best || a.kind - b.kind || a.at - b.at || a.nth - b.nth)
      .map((x) => x.found);
  }

  private ranked(found: readonly SearchResult[], asked: string): Found[] {
    return found
      .map((r, nth) => {
        const id = r.id as string;
        const names = this.names.get(id)!;
        const how = names.map((n) => answers(n.plain, asked));
        const best = Math.min(...how);
        const at = how.indexOf(best);
        const called = best < HOW.length;
        const foundIn = called ? null : viaOf(r);
        return {
          found: { id, foundIn, calledSo: called && at > 0 ? names[at]!.name : null },
          best,
          kind: best === 0 ? kindOrder(id) : 0,
          mentions: Number(foundIn !== null),
          // Of names that answer alike its own counts before another, and the one with least besides.
          besides: called ? Number(at > 0 && best > 0) * 8 + names[at]!.plain.length / 100 : 0,
          nth,
        };
      })
      .sort(
        (a, b) =>
          a.best - b.best ||
          a.kind - b.kind ||
          a.mentions - b.mentions ||
          a.besides - b.besides ||
          a.nth - b.nth,
      )
      .map((x) => x.found);
  }
}

/** What named by it led to an entry, where none of its own words did. */
function viaOf(r: SearchResult): Found['foundIn'] {
  const fields = new Set(Object.values(r.match).flat());
  if (fields.has('title') || fields.has('called') || fields.has('words')) return null;
  return (['cues', 'faults', 'equipment'] as const).find((f) => fields.has(f)) ?? null;
}

/** Letters that differ between two texts (Levenshtein 1966); the second may go on where the first ends. */
function apart(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      next[j] = Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + Number(a[i - 1] !== b[j - 1]));
    }
    row = next;
  }
  // What follows counts a little, so that the shorter of two names comes first.
  return Math.min(...row.map((n, j) => n + GOES_ON * (b.length - j)));
}
const GOES_ON = 0.1;
