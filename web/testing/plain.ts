/** Words as they are read: the blanks that keep a number with its unit are blanks. */
export const plain = (words: string): string => words.replaceAll('\u00a0', ' ');
