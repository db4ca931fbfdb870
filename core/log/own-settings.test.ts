import { describe, expect, it } from 'vitest';
import type { SettingUsed } from '../terms/index.ts';
import { ownSettings } from './own-settings.ts';

const box = (m: number): SettingUsed[] => [{ name: 'box height', value: m, side: null }];
const set = (date: string, settings: SettingUsed[] | null, more: object = {}) => ({
  date,
  ordinal: 0,
  variation: 'box-squat',
  settings,
  ...more,
});
const own = (...sets: ReturnType<typeof set>[]) => ownSettings(sets, 'box-squat');

describe('a setting becomes somebody’s own', () => {
  it('once the staff has noted it alike in two sessions', () => {
    expect(own(set('2026-11-01', box(0.45)))).toEqual([]);
    expect(own(set('2026-11-08', box(0.45)), set('2026-11-01', box(0.45)))).toEqual(box(0.45));
  });
  it('until it is set otherwise', () => {
    const twice = [set('2026-11-01', box(0.45)), set('2026-11-08', box(0.45))];
    expect(own(...twice, set('2026-11-15', box(0.4)))).toEqual([]);
    expect(own(...twice, set('2026-11-15', box(0.4)), set('2026-11-22', box(0.4)))).toEqual(box(0.4));
    // A session in which nobody noted it says nothing.
    expect(own(...twice, set('2026-11-15', null))).toEqual(box(0.45));
  });
  it('never by taking what is computed: whoever does what the tool says follows their body as it grows', () => {
    const taken = (m: number): SettingUsed[] => [{ ...box(m)[0]!, as: 'computed' }];
    // Noted again and again as it was filled in.
    expect(own(set('2026-11-01', taken(0.4)), set('2026-11-08', taken(0.4)))).toEqual([]);
    // Chosen against it twice it is theirs; taken again it is not.
    const chosen = [set('2026-11-15', box(0.45)), set('2026-11-22', box(0.45))];
    expect(own(set('2026-11-01', taken(0.4)), ...chosen)).toEqual(box(0.45));
    expect(own(...chosen, set('2026-11-29', taken(0.4)))).toEqual([]);
  });
  it('not by two sets of one session, by another variation or by the person alone', () => {
    expect(own(set('2026-11-01', box(0.45)), set('2026-11-01', box(0.45), { ordinal: 1 }))).toEqual([]);
    expect(
      own(set('2026-11-01', box(0.45)), set('2026-11-08', box(0.45), { variation: 'box-lift' })),
    ).toEqual([]);
    expect(own(set('2026-11-01', box(0.45)), set('2026-11-08', box(0.45), { own: true }))).toEqual([]);
  });
  it('with both sides of a rack, each setting for itself', () => {
    const hooks = (n: number): SettingUsed[] => [
      { name: 'rack hooks', value: n, side: 'left' },
      { name: 'rack hooks', value: n, side: 'right' },
    ];
    expect(
      own(set('2026-11-01', [...hooks(9), ...box(0.4)]), set('2026-11-08', [...hooks(9), ...box(0.35)])),
    ).toEqual(hooks(9));
  });
});
