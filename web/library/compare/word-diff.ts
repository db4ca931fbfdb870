import { diffArrays, diffWordsWithSpace } from 'diff';

/** A run of words; `own` when the other version has not got them there. */
export interface Part {
  text: string;
  own: boolean;
}

/** Two versions of some lines beside each other; a missing side has no such line. */
export interface LinePair {
  before: Part[] | null;
  after: Part[] | null;
}

const whole = (text: string, own: boolean): Part[] => [{ text, own }];

/** Beyond this many characters a pair of lines is marked as a whole: comparing words costs the square of them. */
const LONGEST = 4000;

/** Lines that stay as they are stand beside each other; a changed line is compared word by word with its successor. */
export function comparedLines(before: readonly string[], after: readonly string[]): LinePair[] {
  const pairs: LinePair[] = [];
  let gone: string[] = [];
  const flush = (come: readonly string[]) => {
    for (let i = 0; i < Math.max(gone.length, come.length); i++) {
      const [b, a] = [gone[i], come[i]];
      if (b === undefined || a === undefined) {
        pairs.push({
          before: b === undefined ? null : whole(b, true),
          after: a === undefined ? null : whole(a, true),
        });
      } else pairs.push(comparedWords(b, a));
    }
    gone = [];
  };
  for (const { added, removed, value } of diffArrays([...before], [...after])) {
    if (removed) gone = [...gone, ...value];
    else if (added) flush(value);
    else {
      flush([]);
      for (const text of value) pairs.push({ before: whole(text, false), after: whole(text, false) });
    }
  }
  flush([]);
  return pairs;
}

function comparedWords(before: string, after: string): LinePair {
  if (before.length + after.length > LONGEST)
    return { before: whole(before, true), after: whole(after, true) };
  const changes = diffWordsWithSpace(before, after);
  return {
    before: changes.filter((c) => !c.added).map((c) => ({ text: c.value, own: c.removed })),
    after: changes.filter((c) => !c.removed).map((c) => ({ text: c.value, own: c.added })),
  };
}
