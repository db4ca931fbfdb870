import { day } from './dates.ts';
import { mass } from './units.ts';

/**
 * A sentence of the computation in the style of the reader. Computed sentences name days as ISO dates and masses as a
 * number and kg, and nothing else of that form.
 */
export const written = (sentence: string, today: string, unit: 'kg' | 'lb'): string =>
  sentence
    .replace(/\b\d{4}-\d\d-\d\d\b/g, (iso) => day(iso, today))
    .replace(/(?<![\w.])(\d+(?:\.\d+)?) kg\b/g, (found, kg: string) =>
      unit === 'kg' ? found : mass(Number(kg), unit),
    );
