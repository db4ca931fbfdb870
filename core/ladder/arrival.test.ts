import { describe, expect, it } from 'vitest';
import { facts, ladder, level } from '../testing/samples.ts';
import { arrivalLoad, ladderForMass, sharesAt } from './arrival.ts';

const LOADS = { new: 12, some: 16, trained: 20 };
const goblet = { id: 'goblet', dose: { sets: 3, reps: 8, restS: 90, loadKg: 8, loadPercent: LOADS } };
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
    expect(
      arrivalLoad({ id: 'goblet', dose: { sets: 3, restS: 90, loadKg: 8 } }, bell, { massKg: 75 }),
    ).toBeNull();
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

describe('what the hall has', () => {
  const known = new Map([['one-main', facts('one-main', { loadKind: 'kettlebell' })]]);
  const advance = { kind: 'load', load: 16, unit: '% of body mass', reps: 8, sets: 1 } as const;

  it('fixes every share of a level on the day of arrival, and keeps it when bells are bought', () => {
    const one = level('one', advance, { dose: goblet.dose });
    const shares = sharesAt(one, known.get('one-main'), { massKg: 75, loads: { kettlebell: [6, 10, 14] } });
    // 12, 16 and 20 % of 75 kg are 9, 12 and 15 kg.
    expect(shares).toEqual({ 12: 10, 16: 10, 20: 14 });
    const now = { massKg: 75, experience: 'some', loads: { kettlebell: [6, 10, 12, 14] } } as const;
    const first = (fixed: { level: string; shares: Record<string, number> } | null) =>
      ladderForMass(ladder([one]), known, { ...now, fixed }).levels[0]!.dose.loadKg;
    expect(first(null)).toBe(12);
    expect(first({ level: 'one', shares: shares! })).toBe(10);
    // Of another level nothing is fixed yet.
    expect(first({ level: 'two', shares: shares! })).toBe(12);
  });

  it('gives the nearest of its own loads for the kilograms of a level, and never a heavier one alone', () => {
    const at = (kg: number, kettlebell: number[]) =>
      ladderForMass(ladder([level('one', advance, { dose: { sets: 3, restS: 90, loadKg: kg } })]), known, {
        loads: { kettlebell },
      }).levels[0]!.dose.loadKg;
    expect(at(8, [6, 10])).toBe(6);
    expect(at(9, [6, 10])).toBe(10);
    expect(at(8, [16, 20])).toBe(8);
    // 20 lb, not 8 kg as a fraction of pounds.
    expect(
      at(
        8,
        [15, 20, 25].map((lb) => lb * 0.45359237),
      ),
    ).toBeCloseTo(20 * 0.45359237, 9);
  });
});
