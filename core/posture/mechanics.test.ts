import { describe, expect, it } from 'vitest';
import { ruledAgain, settledUnder } from './mechanics.ts';
import type { Mechanics, SettledOf } from './mechanics.ts';

const ruled: Mechanics = {
  type: 'squat',
  legs: 2,
  thighDeg: { question: 'depth', byAnswer: { level: 90, deep: 110 }, otherwise: 80 },
  shinLimitDeg: 10,
  hands: 'forward',
  loadPlace: 'none',
};
const change = (shown: Record<string, string>, part: object) =>
  ruledAgain(ruled, shown, { ...settledUnder(ruled, shown), ...part });

describe('a block changed by its sliders', () => {
  it('is as it was where nothing was changed, whatever answer is shown', () => {
    const answers: Record<string, string>[] = [{}, { depth: 'deep' }, { depth: 'level' }, { depth: 'none' }];
    for (const shown of answers) expect(change(shown, {})).toEqual(ruled);
  });
  it('changes the number under the answer shown, and no other', () => {
    expect(change({ depth: 'deep' }, { thighDeg: 115 })).toEqual({
      ...ruled,
      thighDeg: { question: 'depth', byAnswer: { level: 90, deep: 115 }, otherwise: 80 },
    });
    expect(change({}, { thighDeg: 70 })).toMatchObject({
      thighDeg: { byAnswer: { level: 90, deep: 110 }, otherwise: 70 },
    });
  });
  it('keeps its rules when another member changes, and loses a member that was taken away', () => {
    expect(change({ depth: 'deep' }, { shinLimitDeg: 12 })).toEqual({ ...ruled, shinLimitDeg: 12 });
    const { shinLimitDeg: _off, ...rest } = settledUnder(ruled, {}) as SettledOf<'squat'>;
    expect(ruledAgain(ruled, {}, rest)).not.toHaveProperty('shinLimitDeg');
  });
  it('keeps the numbers of the other answers when a slider takes the member away', () => {
    const { thighDeg: _off, ...rest } = settledUnder(ruled, { depth: 'deep' }) as SettledOf<'squat'>;
    expect(ruledAgain(ruled, { depth: 'deep' }, rest as SettledOf<'squat'>)).toEqual(ruled);
  });
  it('is a new block when the kind of posture changes', () => {
    const bridge: Mechanics = { type: 'bridge', legs: 2, loadPlace: 'none', feetFartherDeg: 0, hold: false };
    expect(ruledAgain(ruled, { depth: 'deep' }, bridge as SettledOf<'bridge'>)).toEqual(bridge);
  });
});
