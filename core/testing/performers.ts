import { priorOf } from '../ladder/belief.ts';
import { CEILING, MEAN } from '../ladder/placement.ts';
import { placementStep, EXPERIENCES } from '../ladder/index.ts';
import type { Experience, PlacementInput, PlacementWay, Trial } from '../ladder/index.ts';
import { seeded } from './seeded.ts';

/** Somebody who is placed: what they master, and how surely that shows. */
export interface Performers {
  name: string;
  /** Levels over which passing goes from 27 to 73 %. */
  slope: number;
  /** Share of trials that turn out oddly. */
  odd: number;
  /** How far those who say the same of themselves stand above what is assumed. */
  off: number;
}

export const PERFORMERS: readonly Performers[] = [
  { name: 'usual', slope: 0.6, odd: 0.03, off: 0 },
  { name: 'assumed 2.5 levels wrong', slope: 0.6, odd: 0.03, off: 2.5 },
  { name: 'noisy', slope: 1, odd: 0.08, off: 0 },
  { name: 'never in doubt', slope: 0.15, odd: 0, off: 0 },
];

export interface Placed {
  people: number;
  /** Mean number of trials a person. */
  trials: number;
  /** Shares, 0 to 1, of the people. */
  exact: number;
  within: number;
  above: number;
  farAbove: number;
  /** Share, 0 to 1, of the trials. */
  tooHard: number;
}

/** Places invented people, experience in equal parts, each at the highest level that the ceiling of experience lets them reach. */
export function placed(
  about: (experience: Experience) => Omit<PlacementInput, 'trials' | 'experience' | 'way'>,
  { slope, odd, off }: Performers,
  { people, way, seed }: { people: number; way: PlacementWay; seed: number },
): Placed {
  const random = seeded(seed);
  const drawn = (shares: readonly number[]): number => {
    let left = random();
    return Math.max(
      0,
      shares.findIndex((x) => (left -= x) <= 0),
    );
  };
  const count = { trials: 0, exact: 0, within: 0, above: 0, farAbove: 0, tooHard: 0 };
  for (let n = 0; n < people; n++) {
    const experience = EXPERIENCES[n % EXPERIENCES.length]!;
    const input = about(experience);
    const { levels } = input;
    const at = (id: string) => levels.findIndex((l) => l.id === id);
    const wrong = off === 0 ? 0 : random() < 0.5 ? off : -off;
    const can = drawn(priorOf(levels.length, MEAN[experience] + wrong));
    const trials: Trial[] = [];
    for (;;) {
      const step = placementStep({ ...input, experience, way, trials });
      if (step.step === 'stop') throw new Error('Nobody is in pain here.');
      if (step.step === 'place') {
        const reach = levels.findLastIndex((l) => CEILING[experience].includes(l.stage));
        const by = at(step.level) - Math.min(can, reach);
        if (by === 0) count.exact++;
        if (Math.abs(by) <= 1) count.within++;
        if (by > 0) count.above++;
        if (by > 1) count.farAbove++;
        break;
      }
      const l = at(step.level);
      const chance = odd + (1 - 2 * odd) / (1 + Math.exp(-(can + 0.5 - l) / slope));
      count.trials++;
      if (l - can > 2) count.tooHard++;
      const result = random() < chance ? 'passed' : 'fault';
      trials.push({ level: step.level, variation: step.variation, result, note: '' });
    }
  }
  const { trials, tooHard, ...of } = count;
  return {
    people,
    trials: trials / people,
    exact: of.exact / people,
    within: of.within / people,
    above: of.above / people,
    farAbove: of.farAbove / people,
    tooHard: tooHard / trials,
  };
}
