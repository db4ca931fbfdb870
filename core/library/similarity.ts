/**
 * How alike two short texts are, and which of many are alike: for cues in other words.
 *
 * Words: Jaccard's index (1901) over the sets of words, without words that carry no meaning of their own.
 * Letters: Jaccard's index over trigrams of each word, padded as in PostgreSQL's pg_trgm (two blanks before, one after).
 * Similarity is the mean of the two, 0 to 1. Word order, case, accents and punctuation do not count.
 */

/** Words that say nothing of what to do: our own list. */
const STOP = new Set(
  'a an and as at be for from in into is it its of on or so the then to with your you'.split(' '),
);

/** At this similarity and above two cues are taken for one cue in other words: a judgement, tuned on the demo's cues. */
export const NEAR_DUPLICATE = 0.6;

/** Words of a text: small letters and digits, accents dropped. */
export function wordsIn(text: string): string[] {
  return (
    text
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .match(/[\p{L}\p{N}]+/gu) ?? []
  );
}

/** The words that carry meaning; all of them where none does. */
export function tokensOf(text: string): Set<string> {
  const words = wordsIn(text);
  const meaning = words.filter((w) => !STOP.has(w));
  return new Set(meaning.length > 0 ? meaning : words);
}

/** Trigrams of each word, `word` giving "  w", " wo", "wor", "ord", "rd ". */
export function trigramsOf(text: string): Set<string> {
  const found = new Set<string>();
  for (const word of wordsIn(text)) {
    const padded = `  ${word} `;
    for (let i = 0; i + 3 <= padded.length; i++) found.add(padded.slice(i, i + 3));
  }
  return found;
}

const jaccard = (shared: number, a: number, b: number) => (a + b === 0 ? 0 : shared / (a + b - shared));

function sharedBetween<T>(a: ReadonlySet<T>, b: ReadonlySet<T>): number {
  const [small, large] = a.size < b.size ? [a, b] : [b, a];
  let shared = 0;
  for (const x of small) if (large.has(x)) shared++;
  return shared;
}

/** 1 for the same words, 0 for nothing in common. */
export function similarity(a: string, b: string): number {
  const [x, y] = [featuresOf(a), featuresOf(b)];
  return (wordsOf(x, y) + lettersOf(x, y)) / 2;
}

interface Features {
  tokens: ReadonlySet<string>;
  trigrams: ReadonlySet<string>;
}
const featuresOf = (text: string): Features => ({ tokens: tokensOf(text), trigrams: trigramsOf(text) });
const wordsOf = (a: Features, b: Features) =>
  jaccard(sharedBetween(a.tokens, b.tokens), a.tokens.size, b.tokens.size);
const lettersOf = (a: Features, b: Features) =>
  jaccard(sharedBetween(a.trigrams, b.trigrams), a.trigrams.size, b.trigrams.size);

export interface Alike {
  id: string;
  text: string;
  /** 0 to 1. */
  similarity: number;
}

/** Texts with an inverted index over their words and trigrams: asking looks only at those that share something. */
export class SimilarityIndex {
  private readonly entries: (Features & { id: string; text: string })[] = [];
  private readonly byTrigram = new Map<string, number[]>();
  private readonly tokenCounts = new Map<string, number>();

  constructor(texts: Iterable<{ id: string; text: string }>) {
    for (const { id, text } of texts) {
      const features = featuresOf(text);
      const at = this.entries.push({ id, text, ...features }) - 1;
      for (const t of features.trigrams) {
        const list = this.byTrigram.get(t);
        if (list) list.push(at);
        else this.byTrigram.set(t, [at]);
      }
      for (const t of features.tokens) this.tokenCounts.set(t, (this.tokenCounts.get(t) ?? 0) + 1);
    }
  }

  /**
   * The texts most like this one, best first; the same order for the same texts.
   * @param least similarity from which a text counts
   * @param most how many are given
   */
  nearest(text: string, least: number, most: number): Alike[] {
    const asked = featuresOf(text);
    const shared = new Map<number, number>();
    for (const t of asked.trigrams) {
      for (const at of this.byTrigram.get(t) ?? []) shared.set(at, (shared.get(at) ?? 0) + 1);
    }
    const found: Alike[] = [];
    for (const [at, n] of shared) {
      const e = this.entries[at]!;
      const letters = jaccard(n, asked.trigrams.size, e.trigrams.size);
      // Even with all words shared the mean could not reach what is asked.
      if ((letters + 1) / 2 < least) continue;
      const similarity = (letters + wordsOf(asked, e)) / 2;
      if (similarity >= least) found.push({ id: e.id, text: e.text, similarity });
    }
    found.sort((a, b) => b.similarity - a.similarity || (a.id < b.id ? -1 : 1));
    return found.slice(0, most);
  }

  /**
   * All pairs at least so alike, best first.
   *
   * A pair of similarity s shares words of at least 2s − 1 by Jaccard, since the letters give 1 at most. So it shares
   * one of the rarest words of either: all but the last ⌈(2s − 1)·n⌉ − 1 of n words in order of rarity (prefix
   * filtering, Chaudhuri, Ganti and Kaushik 2006). Only those are indexed.
   * @param least above 0.5
   * @throws RangeError for 0.5 and less, where pairs need share no word
   */
  pairs(least: number): { a: string; b: string; similarity: number }[] {
    if (least <= 0.5) throw new RangeError('Pairs are found from a similarity above 0.5.');
    const words = 2 * least - 1;
    const order = [...this.tokenCounts].sort(([a, n], [b, m]) => n - m || (a < b ? -1 : 1));
    const rank = new Map(order.map(([t], i) => [t, i]));
    const byToken = new Map<string, number[]>();
    const found: { a: string; b: string; similarity: number }[] = [];
    this.entries.forEach((e, at) => {
      const rare = [...e.tokens].sort((x, y) => rank.get(x)! - rank.get(y)!);
      const prefix = rare.slice(0, rare.length - Math.ceil(words * rare.length - 1e-9) + 1);
      const seen = new Set<number>();
      for (const t of prefix) {
        const list = byToken.get(t);
        if (!list) {
          byToken.set(t, [at]);
          continue;
        }
        for (const other of list) seen.add(other);
        list.push(at);
      }
      for (const other of seen) {
        const o = this.entries[other]!;
        const inWords = wordsOf(o, e);
        // Most candidates share one word of many: their letters need not be looked at.
        if (inWords < words) continue;
        const s = (inWords + lettersOf(o, e)) / 2;
        if (s >= least) found.push({ a: o.id, b: e.id, similarity: s });
      }
    });
    return found.sort((x, y) => y.similarity - x.similarity || (x.a + x.b < y.a + y.b ? -1 : 1));
  }
}
