import { wordsIn } from '../library/index.ts';

/** Syllables of an English word, counted by its groups of vowels: a rule of thumb, right for most common words. */
export function syllables(word: string): number {
  const groups = word.replace(/(?:[^laeiouy]es|[^td]ed|[^laeiouy]e)$/, '').match(/[aeiouy]{1,2}/g);
  return Math.max(1, groups?.length ?? 0);
}

/**
 * Flesch reading ease of some lines: 206.835 − 1.015 words a sentence − 84.6 syllables a word; 60 to 70 is plain English,
 * above 80 easy. Flesch, A new readability yardstick, Journal of Applied Psychology 32 (1948); figures from memory.
 */
export function readingEase(lines: readonly string[]): number {
  const sentences = lines.flatMap((l) => l.split(/[.:;!?]+/)).filter((s) => wordsIn(s).length > 0);
  const words = sentences.flatMap(wordsIn);
  if (words.length === 0) return 100;
  const all = words.reduce((sum, w) => sum + syllables(w), 0);
  return 206.835 - 1.015 * (words.length / sentences.length) - 84.6 * (all / words.length);
}
