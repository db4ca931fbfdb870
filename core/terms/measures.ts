import type { Setting } from './settings.ts';

/** How a computed measure becomes one that can be set. */
export const ROUNDINGS = ['to the nearest', 'down', 'up'] as const;
export type Rounding = (typeof ROUNDINGS)[number];

interface Measure {
  /** What is measured, as it is said on the sheet. */
  words: string;
  /** The setting that notes it with a set; null: it is marked on the floor or looked at. */
  setting: Setting | null;
  rounding: Rounding;
}

/**
 * What is set to the body of a person, on kit or on the floor. A variation names those that it needs; how each follows
 * from the body is computed, never written.
 */
export const MEASURES = {
  'box, full sit': {
    words: 'height of the box for a full sit, thighs level',
    setting: 'box height',
    rounding: 'to the nearest',
  },
  'box, touched': {
    words: 'height of the box that is touched with the thighs level',
    setting: 'box height',
    rounding: 'to the nearest',
  },
  'box, below level': {
    words: 'height of the box a little below level',
    setting: 'box height',
    rounding: 'down',
  },
  'thrust bench': {
    words: 'height of the bench for a level line at the top',
    setting: 'bench height',
    rounding: 'to the nearest',
  },
  'rack hooks, shoulder': {
    words: 'hooks a little below the shoulder, both at one number',
    setting: 'rack hooks',
    rounding: 'down',
  },
  'rack hooks, mid-thigh': {
    words: 'hooks at mid-thigh, both at one number',
    setting: 'rack hooks',
    rounding: 'down',
  },
  safeties: {
    words: 'safeties just below the lowest point of the bar, both at one number',
    setting: 'safeties',
    rounding: 'down',
  },
  'step-up': {
    words: 'height of the step, front thigh level at most',
    setting: 'step height',
    rounding: 'down',
  },
  'step-up, learning': {
    words: 'height of the step to learn on, front thigh at 60°',
    setting: 'step height',
    rounding: 'down',
  },
  'raised feet': { words: 'height under the feet', setting: 'step height', rounding: 'to the nearest' },
  'lunge step': {
    words: 'step with a right angle at both knees',
    setting: null,
    rounding: 'to the nearest',
  },
  'side-lunge step': {
    words: 'step to the side, foot to foot',
    setting: null,
    rounding: 'to the nearest',
  },
  'rear-foot seat': {
    words: 'height of the seat behind, knee height at most',
    setting: 'bench height',
    rounding: 'down',
  },
  'extension pad': {
    words: 'foot plate to the upper edge of the pad',
    setting: 'pad height',
    rounding: 'down',
  },
  'machine platform': {
    words: 'platform of the hip machine, the hip at the axle',
    setting: 'machine notch',
    rounding: 'to the nearest',
  },
  'heel to wall': { words: 'heel to the wall behind', setting: 'heel to wall', rounding: 'to the nearest' },
  'toe to wall': { words: 'toe to the wall in front', setting: 'toe to wall', rounding: 'to the nearest' },
  'heel wedge': { words: 'height of the heel wedge', setting: 'wedge height', rounding: 'up' },
  'eye mark': { words: 'distance of the mark for the eyes', setting: null, rounding: 'to the nearest' },
  'ball seat': {
    words: 'height of the ball under the person',
    setting: 'ball seat',
    rounding: 'to the nearest',
  },
  'strap handles': {
    words: 'height of the handles, the lowest ribs',
    setting: 'strap height',
    rounding: 'to the nearest',
  },
  'anchor distance': {
    words: 'distance from the anchor of the band',
    setting: 'anchor distance',
    rounding: 'to the nearest',
  },
  'band pull': {
    words: 'band by its measured pull at this stretch',
    setting: 'band',
    rounding: 'down',
  },
  'heel distance': {
    words: 'heels from the seat, shins upright at the top',
    setting: 'heel distance',
    rounding: 'to the nearest',
  },
  'start height': {
    words: 'height of the weight at the start, so high that the back is long',
    setting: null,
    rounding: 'up',
  },
} as const satisfies Record<string, Measure>;
export type SetUpMeasure = keyof typeof MEASURES;
export const SET_UP_MEASURES = Object.keys(MEASURES) as SetUpMeasure[];

export const aboutMeasure = (name: SetUpMeasure): Measure => MEASURES[name];

const ROUNDED: Record<Rounding, string> = {
  'to the nearest': 'to the nearest there is',
  down: 'rounded down',
  up: 'rounded up',
};

/** A measure as the sheet says it, e.g. "Hooks a little below the shoulder, both at one number; rounded down." */
export function measureWords(of: {
  measure: SetUpMeasure;
  rounding?: Rounding | undefined;
  note?: string;
}): string {
  const { words, rounding } = aboutMeasure(of.measure);
  const first = words.charAt(0).toUpperCase() + words.slice(1);
  const note = of.note?.trim();
  return `${first}; ${ROUNDED[of.rounding ?? rounding]}.${note ? ` ${note}` : ''}`;
}
