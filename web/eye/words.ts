import { BANDS, isMeasured } from '../../core/track/index.ts';
import type { Measure, NotMeasured, Quantity, Verdict, View } from '../../core/track/index.ts';
import type { CameraSign } from '../../core/terms/index.ts';
import { tidy } from '../ui/index.ts';

export const QUANTITY_WORDS: Record<Quantity, string> = {
  knee: 'Knee bent',
  trunk: 'Trunk leans',
  shin: 'Shin leans',
  hip: 'Hip bent',
  depth: 'Hip above knee',
  kneesApart: 'Knees apart, of the ankles',
  heel: 'Heel comes up, at least',
};

const NOT_WORDS: Record<NotMeasured, string> = {
  'not from this view': 'not measurable in this view',
  'points are missing': 'joints were not found',
  unsteady: 'one leg was taken for the other',
  'no scale': 'no scale: enter the height of the person',
  'not of this movement': 'not measured of this movement',
  'not followed': 'the heel was not followed',
};

/** "92° ± 5", or why there is none. */
export function measureWords(q: Quantity, m: Measure): string {
  if (!isMeasured(m)) return NOT_WORDS[m.not];
  const { unit } = BANDS[q];
  const digits = unit === '' ? 2 : q === 'heel' ? 1 : 0;
  return `${tidy(m.value, digits)}${unit === '°' ? '°' : unit ? ` ${unit}` : ''} ± ${tidy(m.band, unit === '' ? 2 : 1)}`;
}

export const VERDICT_WORDS: Record<Verdict, string> = {
  yes: 'reached',
  no: 'short',
  'too close': 'too close to call',
};

export const SIGN_WORDS: Record<CameraSign, string> = {
  'range short': 'short of the range',
  'trunk leans more': 'trunk leans more than in the first ones',
  'knees run ahead': 'knees farther forward than in the first ones',
  'knees fall in': 'knees closer than in the first ones',
  'heels lift': 'heel comes up',
  'lowered fast': 'lowered fast',
  'no stop at the bottom': 'no stop at the bottom',
};

/** What to change so that more can be measured. */
export const VIEW_HELP: Record<View, string | null> = {
  side: null,
  front: null,
  oblique:
    'Seen at an angle: only counted and timed. Turn the tablet until it looks from the side, or straight from the front.',
  unknown: 'Nobody is found yet. The whole body has to be in the picture, standing, in good light.',
};
export const VIEW_WORDS: Record<View, string> = {
  side: 'from the side',
  front: 'from the front',
  oblique: 'at an angle',
  unknown: 'not known',
};

/** Yes or no; null: not told, or too close to call. */
export const saidOf = (v: Verdict | null): boolean | null =>
  v === null || v === 'too close' ? null : v === 'yes';

export const TEMPO_WORDS: Record<Verdict, string> = {
  yes: 'kept',
  no: 'not kept',
  'too close': 'too close to call',
};
