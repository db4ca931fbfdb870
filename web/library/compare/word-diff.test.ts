import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { comparedLines } from './word-diff.ts';
import type { Part } from './word-diff.ts';

const text = (parts: Part[] | null) => parts?.map((p) => p.text).join('') ?? null;
const own = (parts: Part[] | null) => parts?.filter((p) => p.own).map((p) => p.text) ?? [];

describe('lines compared word by word', () => {
  it('mark only the words that differ', () => {
    const [pair] = comparedLines(['Push the floor away.'], ['Push the wall away.']);
    expect(own(pair!.before)).toEqual(['floor']);
    expect(own(pair!.after)).toEqual(['wall']);
  });

  it('leave lines that stay beside each other, and give a new one no partner', () => {
    const pairs = comparedLines(['One.', 'Two.'], ['One.', 'Between.', 'Two.']);
    expect(pairs.map((p) => [text(p.before), text(p.after)])).toEqual([
      ['One.', 'One.'],
      [null, 'Between.'],
      ['Two.', 'Two.'],
    ]);
    expect(pairs.flatMap((p) => [...own(p.before), ...own(p.after)])).toEqual(['Between.']);
  });

  it('lose no word of either side, in their order', () => {
    const lines = fc.array(fc.stringMatching(/^[a-d ]{0,12}$/), { maxLength: 6 });
    fc.assert(
      fc.property(lines, lines, (before, after) => {
        const pairs = comparedLines(before, after);
        expect(pairs.flatMap((p) => (p.before ? [text(p.before)] : []))).toEqual(before);
        expect(pairs.flatMap((p) => (p.after ? [text(p.after)] : []))).toEqual(after);
        if (JSON.stringify(before) === JSON.stringify(after)) {
          expect(pairs.flatMap((p) => [...own(p.before), ...own(p.after)])).toEqual([]);
        }
      }),
    );
  });

  it('mark very long lines whole instead of counting their words for seconds', () => {
    const [pair] = comparedLines(['a '.repeat(3000)], ['b '.repeat(3000)]);
    expect(pair!.before).toHaveLength(1);
    expect(pair!.before![0]!.own).toBe(true);
  });
});
