import { describe, expect, it } from 'vitest';
import { SETTING_NAMES, aboutSetting, isPaired, settingWords, settingsRefused } from './settings.ts';
import type { SettingUsed } from './settings.ts';

const hooks = (left: number | null, right: number | null): SettingUsed[] => [
  ...(left === null ? [] : [{ name: 'rack hooks' as const, value: left, side: 'left' as const }]),
  ...(right === null ? [] : [{ name: 'rack hooks' as const, value: right, side: 'right' as const }]),
];
const box = (value: number | string): SettingUsed[] => [{ name: 'box height', value, side: null }];

describe('settings', () => {
  it('begin within their bounds, and words with one of theirs', () => {
    for (const name of SETTING_NAMES) {
      const about = aboutSetting(name);
      const value = about.is === 'word' ? about.of[0]! : about.blank;
      const sides = isPaired(name) ? (['left', 'right'] as const) : [null];
      expect(settingsRefused(sides.map((side) => ({ name, value, side })))).toBeNull();
    }
  });
  it.each<[string, SettingUsed[], RegExp]>([
    ['uneven hooks', hooks(7, 8), /left 7, right 8.*set both to one number/],
    ['one hook that nobody read', hooks(7, null), /number of the right is missing/],
    ['the other one', hooks(null, 7), /number of the left is missing/],
    ['half a notch', hooks(7.5, 7.5), /not a whole number/],
    ['a hook twice', [...hooks(7, 7), ...hooks(7, null)], /told twice for the left/],
    ['a box of three metres', box(3), /not between 0.05 and 1.2 m/],
    ['a box in words', box('high'), /high is not between/],
    ['no number at all', box(NaN), /not between/],
    ['a left box', [{ name: 'box height', value: 0.4, side: 'left' }], /has no left and right/],
    ['stilts', [{ name: 'footwear', value: 'stilts', side: null }], /"stilts" is none of barefoot/],
  ])('%s: refused with a sentence', (_, used, sentence) => {
    expect(settingsRefused(used)).toMatch(sentence);
  });
  it('are said once a pair, lengths as the reader has them', () => {
    const used = [...hooks(7, 7), ...box(0.45)];
    expect(settingsRefused(used)).toBeNull();
    expect(settingWords(used)).toBe('rack hooks 7, box height 0.45 m');
    expect(settingWords(used, (m) => `${m * 100} cm`)).toBe('rack hooks 7, box height 45 cm');
  });
});
