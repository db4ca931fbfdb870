import { describe, expect, it } from 'vitest';
import { clipDraw, coachesAgree, dPrimeOf, eyeScores, nextAmount, normalQuantile } from './eye-training.ts';
import type { EyeTrial } from './eye-training.ts';

describe('the normal quantile', () => {
  // Handbook tables of the standard normal distribution.
  it.each([
    [0.5, 0],
    [0.8413447, 1],
    [0.975, 1.959964],
    [0.025, -1.959964],
    [0.999, 3.090232],
    [0.01, -2.326348],
  ])('of %d is %d', (p, z) => expect(normalQuantile(p)).toBeCloseTo(z, 5));

  it('has none beyond', () => {
    expect(() => normalQuantile(0)).toThrow(RangeError);
    expect(() => normalQuantile(1)).toThrow(RangeError);
  });
});

describe('sensitivity', () => {
  it('is what signal detection has for rates of 0.8 and 0.2, and nothing for equal rates', () => {
    // z(0.8) − z(0.2) = 1.6832 (worked example of textbooks of signal detection); counts so large that the half does not show.
    expect(dPrimeOf(8000, 10_000, 2000, 10_000).value).toBeCloseTo(1.6832, 3);
    expect(dPrimeOf(5, 10, 5, 10).value).toBeCloseTo(0, 9);
  });

  it('stays finite where everything is right, and its interval narrows with clips', () => {
    const few = dPrimeOf(5, 5, 0, 5);
    const many = dPrimeOf(50, 50, 0, 50);
    expect(Number.isFinite(few.value)).toBe(true);
    expect(many.low).toBeGreaterThan(few.low);
  });
});

let clips = 0;
const trial = (shown: string | null, said: string | null, of: Partial<EyeTrial> = {}): EyeTrial => ({
  coach: 'jo',
  clip: String(clips++),
  shown,
  amount: 1,
  offered: ['heels', 'knees'],
  said,
  ...of,
});
const times = (n: number, shown: string | null, said: string | null) =>
  Array.from({ length: n }, () => trial(shown, said));

describe('the scores of a coach', () => {
  const trials = [
    ...times(8, 'heels', 'heels'),
    ...times(2, 'heels', null),
    ...times(9, null, null),
    ...times(1, null, 'heels'),
    ...times(5, 'knees', null),
  ];

  it('count hits and false alarms by fault, the one to practise first', () => {
    const [worst, best] = eyeScores(trials);
    expect(worst).toMatchObject({ fault: 'knees', shown: 5, hits: 0, absent: 20, falseAlarms: 0 });
    expect(best).toMatchObject({ fault: 'heels', shown: 10, hits: 8, absent: 15, falseAlarms: 1 });
    expect(best!.dPrime!.value).toBeGreaterThan(1.5);
    // po = 22/25, pe = (10·9 + 15·16)/625 = 0.528: (0.88 − 0.528)/0.472.
    expect(best!.agreement!.kappa).toBeCloseTo(0.7458, 3);
  });

  it('say nothing of a fault that was hardly shown', () => {
    expect(eyeScores(times(2, 'heels', 'heels')).every((s) => s.dPrime === null)).toBe(true);
  });
});

it('compares two coaches on the clips that both saw', () => {
  const both = (clip: string, jo: string | null, ash: string | null) => [
    trial('heels', jo, { clip }),
    trial('heels', ash, { clip, coach: 'ash' }),
  ];
  const trials = [
    ...both('1', 'heels', 'heels'),
    ...both('2', null, null),
    ...both('3', 'heels', null),
    ...both('4', null, null),
    trial(null, null),
  ];
  expect(coachesAgree(trials, 'jo', 'ash')).toMatchObject({ n: 4, observed: 0.75 });
  expect(coachesAgree(trials, 'jo', 'nobody')).toBeNull();
});

it('draws clips that are the same for everybody, with nothing wrong in a third, in no order that could be guessed', () => {
  const draws = Array.from({ length: 300 }, (_, n) => clipDraw(n));
  expect(draws).toEqual(Array.from({ length: 300 }, (_, n) => clipDraw(n)));
  const sound = draws.filter((d) => d.sound).length / 300;
  expect(sound).toBeGreaterThan(0.25);
  expect(sound).toBeLessThan(0.42);
  const after = draws.filter((_, n) => draws[n - 1]?.sound).filter((d) => d.sound).length;
  expect(after / draws.filter((d) => d.sound).length).toBeGreaterThan(0.15);
  for (const part of ['movement', 'fault'] as const)
    for (const fifth of [0, 1, 2, 3, 4])
      expect(draws.filter((d) => Math.floor(5 * d[part]) === fifth).length).toBeGreaterThan(35);
});

describe('the staircase', () => {
  it('goes down after two right in a row and up after one missed', () => {
    expect(nextAmount([], 'heels')).toBe(1);
    expect(nextAmount(times(1, 'heels', 'heels'), 'heels')).toBe(1);
    expect(nextAmount(times(2, 'heels', 'heels'), 'heels')).toBe(0.8);
    expect(nextAmount([...times(4, 'heels', 'heels'), ...times(1, 'heels', null)], 'heels')).toBe(0.8);
  });

  // A coach who sees everything above 0.5 and nothing below is led there and kept near it, over many clips.
  it('leads whoever follows it to what they can just see', () => {
    const trials: EyeTrial[] = [];
    for (let i = 0; i < 60; i++) {
      const amount = nextAmount(trials, 'heels');
      trials.push(trial('heels', amount > 0.5 ? 'heels' : null, { amount }));
    }
    const late = trials.slice(20).map((t) => t.amount);
    expect(Math.min(...late)).toBeGreaterThan(0.35);
    expect(Math.max(...late)).toBeLessThan(0.75);
  });

  it('never leaves its ends', () => {
    expect(nextAmount(times(200, 'heels', 'heels'), 'heels')).toBe(0.15);
    expect(nextAmount(times(50, 'heels', null), 'heels')).toBe(1.5);
  });
});
