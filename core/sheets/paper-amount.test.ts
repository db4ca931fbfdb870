import { describe, expect, it } from 'vitest';
import { readAmount } from './paper-amount.ts';

const NONE = { doneReps: null, holdS: null, rounds: null, workS: null, breaths: null };

describe('the amount on a paper row', () => {
  it.each([
    ['12', 'repetitions', { doneReps: 12 }],
    ['24,5', 'seconds held', { holdS: 24.5 }],
    ['3', 'rounds', { rounds: 3 }],
    ['3 r', 'repetitions', { rounds: 3 }],
    ['3r 40s', 'repetitions', { rounds: 3, workS: 40 }],
    ['2 rounds, 30 sec', 'seconds held', { rounds: 2, workS: 30 }],
    ['60 s', 'repetitions', { holdS: 60 }],
    ['5 b 24 s', 'seconds held', { holdS: 24, breaths: 5 }],
    ['5 breaths 24 s', 'repetitions', { holdS: 24, breaths: 5 }],
  ] as const)('%s, counted in %s', (text, counted, read) => {
    expect(readAmount(text, counted)).toEqual({ ...NONE, ...read });
  });
  it.each(['twelve', '12 x', '3 r 2 r', '3 r 5 b', '1.5 r', '12.5', '-3', '9999 s', '9999'])(
    '%s is refused with a sentence',
    (text) => {
      expect(readAmount(text, 'repetitions')).toHaveProperty('problem');
    },
  );
  it('asks for the seconds of breaths', () => {
    expect(readAmount('5 b', 'seconds held')).toEqual({
      problem: 'Breaths are written with their seconds: 5 b 24 s.',
    });
  });
});
