import fc from 'fast-check';
import Joi from 'joi';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { refuseCrowded, refuseNoText, REQUEST } from './bounds.ts';
import { readJson } from './http.ts';
import { Refusal } from './refusal.ts';
import { runs } from '../core/testing/runs.ts';

afterEach(() => void vi.restoreAllMocks());
const small = { deep: 3, values: 10, members: 4, items: 5 };
const refused = (work: () => unknown): [number, string] | null => {
  try {
    work();
    return null;
  } catch (error) {
    return error instanceof Refusal ? [error.status, error.message.split(':')[0]!] : [0, String(error)];
  }
};

describe('a crowd of values', () => {
  const CROWDS: [string, string][] = [
    ['keys', `{${Array.from({ length: 40_000 }, (_, i) => `"k${i}":1`).join()}}`],
    ['items', `[${'0,'.repeat(200_000)}0]`],
    ['lists', '[],'.repeat(150_000)],
    ['depth', '['.repeat(480_000)],
    ['small objects', `[${Array.from({ length: 4_000 }, () => `{${'"a":1,'.repeat(10)}"b":1}`).join()}]`],
  ];

  it.each(CROWDS)('of %s is counted and refused before anything is made of it', (_of, text) => {
    const parse = vi.spyOn(JSON, 'parse');
    const validate = vi.spyOn(Joi.object(), 'validate');
    expect(refused(() => readJson(text, REQUEST))).toEqual([413, expect.any(String)]);
    expect(parse).not.toHaveBeenCalled();
    expect(validate).not.toHaveBeenCalled();
  });

  it.each([
    ['{"a":1,"b":2,"c":3,"d":4}', null],
    ['{"a":1,"b":2,"c":3,"d":4,"e":5}', 'Something in it has more than 4 members'],
    ['[1,2,3,4,5]', null],
    ['[1,2,3,4,5,6]', 'A list in it has more than 5 items'],
    ['[[[1]]]', null],
    ['[[[[1]]]]', 'It is nested more than 3 deep'],
    ['[[1,2,3,4],[1,2,3,4],[1,2,3,4],[1,2,3,4]]', 'It holds more than 10 values'],
    // What stands in text is text.
    [JSON.stringify(['[[[[', '{,,,,,,,,,,,}', 'a"b,c\\', '\\"']), null],
  ])('%s', (text, says) => {
    expect(refused(() => refuseCrowded(text, small))?.[1] ?? null).toBe(says);
  });

  it('lets everything through that is within bounds', () => {
    fc.assert(
      fc.property(fc.json({ maxDepth: 4 }), (text) => {
        expect(readJson(text.replace(/\\u0000|\\ud[89a-f]../gi, 'x'), REQUEST)).toBeDefined();
      }),
      { numRuns: runs(200) },
    );
  });
});

describe('what is no text', () => {
  it.each([
    [{ a: 'b\0' }, 'a'],
    [{ a: [{ b: 'x' }, { b: '\ud800' }] }, 'a[1].b'],
    [{ a: '\udc00' }, 'a'],
    [{ '\0': 1 }, 'The request'],
    ['\0', 'The request'],
  ])('%j is refused with its place', (value, place) => {
    expect(refused(() => refuseNoText(value))).toEqual([400, place]);
  });

  it('leaves every character alone, whatever its script', () => {
    for (const value of [{ a: '😀 Ā ع 漢 👩‍👩‍👧' }, '', 0, null, [['x']]]) {
      expect(refused(() => refuseNoText(value))).toBeNull();
    }
  });
});
