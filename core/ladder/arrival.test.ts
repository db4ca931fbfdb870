import { describe, expect, it } from 'vitest';
import { facts, ladder, level } from '../testing/samples.ts';
import { arrivalLoad, ladderForMass } from './arrival.ts';

const LOADS = { new: 12, some: 16, trained: 20 };
const goblet = { dose: { sets: 3, reps: 8, restS: 90, loadKg: 8, loadPercent: LOADS } };
const bell = { loadKind: 'kettlebell' as const, weights: 1 as const };

describe('the first load', () => {
  // By hand: 12, 16, 20 % of 75 kg are 9, 12 and 15 kg; kettlebells go by 4 kg.
  it.each([
    ['new', 8],
    ['some', 12],
    ['trained', 16],
  ] as const)('of somebody who is %s is %i kg', (experience, kg) => {
    expect(arrivalLoad(goblet, bell, { massKg: 75, experience })?.kg).toBe(kg);
  });
  it('says the exact share beside the weight that there is', () => {
    expect(arrivalLoad(goblet, bell, { massKg: 62, experience: 'some' })?.words).toBe(
      'The first load is 16 % of 62 kg, 9.9 kg: 8 kg is the nearest.',
    );
  });
  it('is the lightest share where nobody said what they had done before, and the lighter of two as near', () => {
    expect(arrivalLoad(goblet, bell, { massKg: 75 })?.kg).toBe(8);
    expect(arrivalLoad(goblet, bell, { massKg: 50, experience: 'trained' })?.kg).toBe(8);
  });
  it('is shared by two hands where a weight is held in each', () => {
    // 16 % of 75 kg are 6 kg in each hand.
    const pair = { loadKind: 'dumbbell' as const, weights: 2 as const };
    expect(arrivalLoad(goblet, pair, { massKg: 75, experience: 'some' })?.kg).toBe(6);
  });
  it('is what the level says where nobody knows the body mass, or no share is given', () => {
    expect(arrivalLoad(goblet, bell, { massKg: null })).toBeNull();
    expect(arrivalLoad({ dose: { sets: 3, restS: 90, loadKg: 8 } }, bell, { massKg: 75 })).toBeNull();
  });
  it('is the nearest of the weights that a hall has', () => {
    const loads = { kettlebell: [6, 10, 14] };
    expect(arrivalLoad(goblet, bell, { massKg: 75, experience: 'some', loads })?.kg).toBe(10);
  });
});

it('changes a ladder only where a level names shares', () => {
  const known = new Map([['one-main', facts('one-main', { loadKind: 'kettlebell' })]]);
  const advance = { kind: 'painAtMost', pain: 0 } as const;
  const loaded = ladder([level('one', advance, { dose: goblet.dose })]);
  expect(ladderForMass(loaded, known, { massKg: 100, experience: 'trained' }).levels[0]!.dose.loadKg).toBe(
    20,
  );
  const plain = ladder([level('one', advance)]);
  expect(ladderForMass(plain, known, { massKg: 100 })).toBe(plain);
});
