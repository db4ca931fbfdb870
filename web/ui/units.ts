import { KG_PER_LB } from '../../core/terms/index.ts';

// International inch, exact by definition (1959 agreement).
const M_PER_IN = 0.0254;

export const toMass = (kg: number, unit: 'kg' | 'lb') => (unit === 'kg' ? kg : kg / KG_PER_LB);
export const fromMass = (shown: number, unit: 'kg' | 'lb') => (unit === 'kg' ? shown : shown * KG_PER_LB);
export const toLength = (m: number, unit: 'cm' | 'in') => (unit === 'cm' ? m * 100 : m / M_PER_IN);
export const fromLength = (shown: number, unit: 'cm' | 'in') =>
  unit === 'cm' ? shown / 100 : shown * M_PER_IN;

const FORMATS = [0, 1, 2, 3].map(
  (most) =>
    new Intl.NumberFormat('en-GB', {
      maximumFractionDigits: most,
      useGrouping: false,
      signDisplay: 'negative',
    }),
);
/** A number with at most the given decimals, without trailing zeros. */
export const tidy = (n: number, decimals: 0 | 1 | 2 | 3 = 1) => FORMATS[decimals]!.format(n);
/** A number and its unit never part at the end of a line. */
const NBSP = '\u00a0';
/** To a tenth; a load in quarters of a kilogram as it is marked. */
export const mass = (kg: number, unit: 'kg' | 'lb') =>
  `${tidy(toMass(kg, unit), unit === 'kg' && Number.isInteger(4 * kg) ? 2 : 1)}${NBSP}${unit}`;
export const length = (m: number, unit: 'cm' | 'in') => `${tidy(toLength(m, unit))}${NBSP}${unit}`;
/** A share as a whole percentage. */
export const percent = (share: number) => `${tidy(100 * share, 0)}${NBSP}%`;
