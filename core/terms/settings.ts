import type { Side } from './lists.ts';

/**
 * What is set on the floor or on a piece of kit before a set, is noted with it and comes back the next time: numbers
 * with a unit, or one word of a few. Help that is meant to fade is none of them (see AIDS).
 */
interface NumberSetting {
  is: 'number';
  /** Metres are shown in the hall's unit of length; a notch, a hole or a plate is only counted. */
  unit: 'm' | 'kg' | 'notch' | 'plate';
  from: number;
  to: number;
  /** What one press changes, in the unit. */
  step: number;
  /** Where it begins when nothing is known. */
  blank: number;
  /** Set left and right, and never at two numbers. */
  paired?: true;
}
interface WordSetting {
  is: 'word';
  of: readonly string[];
  /** Any other short word will do too: the hall’s own names. */
  open?: true;
}
export type SettingAbout = NumberSetting | WordSetting;

const metres = (from: number, to: number, blank: number, step = 0.01): NumberSetting => ({
  is: 'number',
  unit: 'm',
  from,
  to,
  step,
  blank,
});
const counted = (unit: 'notch' | 'plate', blank: number): NumberSetting => ({
  is: 'number',
  unit,
  from: 1,
  to: 60,
  step: 1,
  blank,
});

export const SETTINGS = {
  'rack hooks': { ...counted('notch', 10), paired: true },
  safeties: { ...counted('notch', 5), paired: true },
  'box height': metres(0.05, 1.2, 0.4, 0.05),
  'bench height': metres(0.1, 1.2, 0.4, 0.01),
  'pad height': metres(0.2, 1.5, 0.9, 0.05),
  'machine notch': counted('notch', 5),
  lever: counted('notch', 5),
  'weight stack': counted('plate', 3),
  'step height': metres(0.02, 1, 0.2, 0.05),
  'ball seat': metres(0.2, 0.9, 0.45, 0.01),
  'strap height': metres(0.2, 2.5, 1, 0.05),
  'wedge height': metres(0.005, 0.15, 0.02, 0.005),
  'heel to wall': metres(0, 3, 0.2),
  'toe to wall': metres(0, 1, 0.1),
  'anchor distance': metres(0.2, 6, 1.5, 0.1),
  'heel distance': metres(0, 2, 0.3, 0.05),
  band: { is: 'word', of: ['light', 'middle', 'strong', 'very strong'], open: true },
  'band pull': { is: 'number', unit: 'kg', from: 0.1, to: 200, step: 0.5, blank: 5 },
  'band place': { is: 'word', of: ['above the knees', 'below the knees', 'ankles', 'feet', 'hips'] },
  footwear: { is: 'word', of: ['barefoot', 'flat shoe', 'raised heel', 'soft shoe'] },
} as const satisfies Record<string, SettingAbout>;
export type Setting = keyof typeof SETTINGS;
export const SETTING_NAMES = Object.keys(SETTINGS) as Setting[];

/** A setting as it was: a number in its unit, or one of its words; the side where left and right are set apart. */
export interface SettingUsed {
  name: Setting;
  value: number | string;
  side: Side | null;
  /** Taken as it was computed, not chosen against it: it never becomes somebody’s own, so that it follows the body. */
  as?: 'computed';
}

export const aboutSetting = (name: Setting): SettingAbout => SETTINGS[name];

/** Whether a setting has a number for the left and one for the right. */
export const isPaired = (name: Setting): boolean => {
  const about = aboutSetting(name);
  return about.is === 'number' && about.paired === true;
};

/** A name of the hall; what parts settings in a file is none. */
const OWN_NAME = /^(?!.*\((?:left|right|computed)\)$)[^=;\n]{1,60}$/;
/** A name as it can be noted. */
export const notedName = (name: string): string =>
  name
    .replace(/[=;\n]/g, ' ')
    .replace(/\((left|right|computed)\)$/, '$1')
    .trim()
    .slice(0, 60);

/** Why such settings are not kept, as a sentence; null where they are sound. */
export function settingsRefused(used: readonly SettingUsed[]): string | null {
  const seen = new Set<string>();
  for (const { name, value, side } of used) {
    const about = aboutSetting(name);
    const key = `${name} ${side}`;
    if (seen.has(key)) return `${name} is told twice${side ? ` for the ${side}` : ''}.`;
    seen.add(key);
    if (about.is === 'word') {
      const own = about.open && typeof value === 'string' && OWN_NAME.test(value);
      if (!own && !about.of.includes(String(value)))
        return `${name}: "${value}" is none of ${about.of.join(', ')}.`;
    } else if (typeof value !== 'number' || !(value >= about.from && value <= about.to)) {
      return `${name}: ${value} is not between ${about.from} and ${about.to}${about.unit === 'm' || about.unit === 'kg' ? ` ${about.unit}` : ''}.`;
    } else if (about.unit !== 'm' && about.unit !== 'kg' && !Number.isInteger(value)) {
      return `${name}: ${value} is not a whole number.`;
    }
    if (side !== null && !isPaired(name)) return `${name} has no left and right.`;
  }
  return unevenSettings(used);
}

/** A bar on uneven hooks rolls: which pair stands at two numbers, as a sentence; null: none. */
export function unevenSettings(used: readonly SettingUsed[]): string | null {
  for (const name of SETTING_NAMES.filter(isPaired)) {
    const at = (side: Side) => used.find((s) => s.name === name && s.side === side)?.value;
    const [left, right] = [at('left'), at('right')];
    if (left === right) continue;
    return left === undefined || right === undefined
      ? `${name}: the number of the ${left === undefined ? 'left' : 'right'} is missing. Read both sides.`
      : `${name}: left ${left}, right ${right}. The bar would lie uneven: set both to one number.`;
  }
  return null;
}

/** "Rack hooks 7", "box height 0.45 m", "band strong": how far a length is written otherwise is for whoever shows it. */
export function settingWords(
  used: readonly SettingUsed[],
  metresAs: (m: number) => string = (m) => `${m} m`,
  kgAs: (kg: number) => string = (kg) => `${kg} kg`,
): string {
  return [...used]
    .filter((s) => s.side !== 'right')
    .sort((a, b) => SETTING_NAMES.indexOf(a.name) - SETTING_NAMES.indexOf(b.name))
    .map(({ name, value }) => {
      const about = aboutSetting(name);
      const unit = about.is === 'number' && typeof value === 'number' ? about.unit : null;
      return `${name} ${unit === 'm' ? metresAs(Number(value)) : unit === 'kg' ? kgAs(Number(value)) : value}`;
    })
    .join(', ');
}
