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
  // Most texts are plain: they need none of what follows, which costs several times as much.
  if (PLAIN.test(text)) return text.toLowerCase().match(PLAIN_WORDS) ?? [];
  return text.normalize('NFKD').replace(MARKS, '').toLowerCase().match(WORDS) ?? [];
}
const PLAIN = /^[ -~]*$/;
const PLAIN_WORDS = /[a-z0-9]+/g;
const MARKS = /\p{M}/gu;
const WORDS = /[\p{L}\p{N}]+/gu;

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

/** Numbers for words and trigrams, so that sets are compared as ascending lists of whole numbers. */
class Numbering {
  private readonly known = new Map<string, number>();
  of(strings: Iterable<string>): Uint32Array {
    const numbers: number[] = [];
    for (const s of strings) {
      let n = this.known.get(s);
      if (n === undefined) this.known.set(s, (n = this.known.size));
      numbers.push(n);
    }
    return Uint32Array.from(numbers).sort();
  }
}

interface Features {
  tokens: Uint32Array;
  trigrams: Uint32Array;
}
const featuresOf = (text: string, words: Numbering, letters: Numbering): Features => ({
  tokens: words.of(tokensOf(text)),
  trigrams: letters.of(trigramsOf(text)),
});

const jaccard = (shared: number, a: number, b: number) => (a + b === 0 ? 0 : shared / (a + b - shared));

/** Jaccard's index of two ascending lists without doubles. */
function alikeness(a: Uint32Array, b: Uint32Array): number {
  let shared = 0;
  for (let i = 0, j = 0; i < a.length && j < b.length;) {
    if (a[i] === b[j]) {
      shared++;
      i++;
      j++;
    } else if (a[i]! < b[j]!) i++;
    else j++;
  }
  return jaccard(shared, a.length, b.length);
}

/** 1 for the same words, 0 for nothing in common. */
export function similarity(a: string, b: string): number {
  const [words, letters] = [new Numbering(), new Numbering()];
  const [x, y] = [featuresOf(a, words, letters), featuresOf(b, words, letters)];
  return (alikeness(x.tokens, y.tokens) + alikeness(x.trigrams, y.trigrams)) / 2;
}

export interface Alike {
  id: string;
  text: string;
  /** 0 to 1. */
  similarity: number;
}

/** Texts with an inverted index over their words and trigrams: asking looks only at those that share something. */
export class SimilarityIndex {
  private readonly entries: (Features & { id: string; text: string })[] = [];
  private readonly words = new Numbering();
  private readonly letters = new Numbering();
  private readonly byWord: number[][] = [];
  private readonly byTrigram: number[][] = [];

  constructor(texts: Iterable<{ id: string; text: string }>) {
    for (const { id, text } of texts) {
      const features = featuresOf(text, this.words, this.letters);
      const at = this.entries.push({ id, text, ...features }) - 1;
      for (const t of features.tokens) (this.byWord[t] ??= []).push(at);
      for (const t of features.trigrams) (this.byTrigram[t] ??= []).push(at);
    }
  }

  /**
   * The texts most like this one, best first; the same order for the same texts.
   * @param least similarity from which a text counts
   * @param most how many are given
   */
  nearest(text: string, least: number, most: number): Alike[] {
    const asked = featuresOf(text, this.words, this.letters);
    const shared = new Map<number, number>();
    for (const t of asked.trigrams) {
      for (const at of this.byTrigram[t] ?? []) shared.set(at, (shared.get(at) ?? 0) + 1);
    }
    const found: Alike[] = [];
    for (const [at, n] of shared) {
      const e = this.entries[at]!;
      const letters = jaccard(n, asked.trigrams.length, e.trigrams.length);
      // Even with all words shared the mean could not reach what is asked.
      if ((letters + 1) / 2 < least) continue;
      const similarity = (letters + alikeness(asked.tokens, e.tokens)) / 2;
      if (similarity >= least) found.push({ id: e.id, text: e.text, similarity });
    }
    found.sort((a, b) => b.similarity - a.similarity || (a.id < b.id ? -1 : 1));
    return found.slice(0, most);
  }

  /**
   * All pairs at least so alike, best first.
   *
   * A pair of similarity s has words alike by 2s − 1 at least, since letters give 1 at most. Words shared are counted
   * over the lists of each word, and only the few pairs that can still reach s have their letters compared.
   * @param least above 0.5
   * @throws RangeError for 0.5 and less, where pairs need share no word
   */
  pairs(least: number): { a: string; b: string; similarity: number }[] {
    if (least <= 0.5) throw new RangeError('Pairs are found from a similarity above 0.5.');
    const found: { a: string; b: string; similarity: number }[] = [];
    const shared = new Uint16Array(this.entries.length);
    this.entries.forEach((e, at) => {
      const met: number[] = [];
      for (const t of e.tokens) {
        for (const other of this.byWord[t]!) {
          if (other >= at) break;
          if (shared[other]!++ === 0) met.push(other);
        }
      }
      for (const other of met) {
        const o = this.entries[other]!;
        const words = jaccard(shared[other]!, o.tokens.length, e.tokens.length);
        shared[other] = 0;
        if ((words + 1) / 2 < least) continue;
        const [m, n] = [o.trigrams.length, e.trigrams.length];
        if ((words + Math.min(m, n) / Math.max(m, n)) / 2 < least) continue;
        const similarity = (words + alikeness(o.trigrams, e.trigrams)) / 2;
        if (similarity >= least) found.push({ a: o.id, b: e.id, similarity });
      }
    });
    return found.sort((x, y) => y.similarity - x.similarity || (x.a + x.b < y.a + y.b ? -1 : 1));
  }
}
