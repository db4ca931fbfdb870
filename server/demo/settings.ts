import type { Variation } from '../../core/library/index.ts';
import { settingsNoted } from '../../core/ladder/index.ts';
import { SIDES, aboutSetting, isPaired } from '../../core/terms/index.ts';
import type { Setting, SettingUsed } from '../../core/terms/index.ts';

/** First hole of the made-up rack, and how far the holes are apart, m. */
const FIRST_HOLE_M = 0.4;
const HOLE_M = 0.05;
/** Shoulder height and depth of a squat's bar as shares of stature: for the made-up people only. */
const SHOULDER = 0.79;
const LOW_BAR = 0.45;

const notchAt = (heightM: number): number => Math.max(1, Math.floor((heightM - FIRST_HOLE_M) / HOLE_M) + 1);

/** What a made-up person has set for a movement. */
export function settingsFor(v: Variation, statureM: number): SettingUsed[] | null {
  const valueOf = (name: Setting): number | string => {
    if (name === 'rack hooks') return notchAt(SHOULDER * statureM);
    if (name === 'safeties') return notchAt(LOW_BAR * statureM);
    const about = aboutSetting(name);
    return about.is === 'word' ? about.of[name === 'footwear' ? 1 : 0]! : about.blank;
  };
  const found = settingsNoted(v).flatMap((name) =>
    (isPaired(name) ? SIDES : [null]).map((side) => ({ name, value: valueOf(name), side })),
  );
  return found.length > 0 ? found : null;
}
