import { SETTING_NAMES } from '../terms/index.ts';
import type { SettingUsed } from '../terms/index.ts';
import type { LoggedSet } from './set.ts';

type Told = Pick<LoggedSet, 'date' | 'ordinal' | 'variation' | 'settings' | 'own'>;

/** So many sessions running make a setting somebody's own (judgement). */
const SESSIONS = 2;

/**
 * Settings that are somebody's own by now: noted alike by the staff in the two newest sessions that noted them at all.
 * What somebody noted alone makes none, nor what was only taken as it was computed: a junior grows, a box is bought. Entry order is irrelevant.
 */
export function ownSettings(sets: readonly Told[], variation: string): SettingUsed[] {
  const noted = sets
    .filter((s) => s.variation === variation && s.settings !== null && s.own !== true)
    .sort((a, b) => a.date.localeCompare(b.date) || a.ordinal - b.ordinal);
  return SETTING_NAMES.flatMap((name) => {
    // Of each day what was noted last of it.
    const ofDay = new Map<string, SettingUsed[]>();
    for (const s of noted) {
      const used = s.settings!.filter((u) => u.name === name);
      if (used.some((u) => u.as === 'computed')) {
        // What was computed is followed again: what was chosen before it no longer stands.
        ofDay.clear();
        continue;
      }
      if (used.length > 0) ofDay.set(s.date, used);
    }
    const newest = [...ofDay.values()].slice(-SESSIONS);
    return newest.length === SESSIONS && sameSettings(newest[0]!, newest[1]!) ? newest[1]! : [];
  });
}

/** Whether two say the same of every side. */
export function sameSettings(a: readonly SettingUsed[], b: readonly SettingUsed[]): boolean {
  const text = (of: readonly SettingUsed[]) =>
    of
      .map((s) => `${s.name} ${s.side} ${s.value}`)
      .sort()
      .join('|');
  return text(a) === text(b);
}
