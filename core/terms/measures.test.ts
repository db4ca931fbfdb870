import { describe, expect, it } from 'vitest';
import { measureWords, MEASURES, SET_UP_MEASURES } from './measures.ts';
import { SETTING_NAMES } from './settings.ts';

describe('a set-up measure', () => {
  it('is said with its rounding, and with the note of the variation', () => {
    expect(measureWords({ measure: 'rack hooks, shoulder' })).toBe(
      'Hooks a little below the shoulder, both at one number; rounded down.',
    );
    expect(
      measureWords({ measure: 'heel to wall', rounding: 'up', note: ' Half a shoe more each week. ' }),
    ).toBe('Heel to the wall behind; rounded up. Half a shoe more each week.');
  });
  // A bar that is lifted out on tiptoe, or a step above level, is the danger (common practice, no source).
  it.each([
    'rack hooks, shoulder',
    'rack hooks, mid-thigh',
    'safeties',
    'step-up',
    'rear-foot seat',
  ] as const)('%s is never rounded up', (name) => expect(MEASURES[name].rounding).toBe('down'));
  it('is noted with a set by a setting that there is', () => {
    const noted = SET_UP_MEASURES.flatMap((m) => MEASURES[m].setting ?? []);
    expect(SETTING_NAMES).toEqual(expect.arrayContaining(noted));
  });
});
