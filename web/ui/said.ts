import { day } from './dates.ts';
import { mass } from './units.ts';

// Units and words that a number is read with; longer ones first.
const READ_WITH =
  /(\d) (repetitions?|rounds?|sessions?|seconds?|minutes?|weeks?|days?|sets?|points?|breaths?|steps?|people|person|N·m|kg|lb|cm|mm|min|in|of|%|°|m|s)(?![\w-])/g;

/** The same words with every number kept on one line with what it counts. */
export const keptTogether = (words: string): string =>
  words.replace(READ_WITH, '$1\u00a0$2').replace(/(\d) (×) (\d)/g, '$1\u00a0$2\u00a0$3');

/**
 * A sentence of the computation in the style of the reader. Computed sentences name days as ISO dates and masses as a
 * number and kg, and nothing else of that form.
 */
export const written = (sentence: string, today: string, unit: 'kg' | 'lb'): string =>
  keptTogether(
    sentence
      .replace(/\b\d{4}-\d\d-\d\d\b/g, (iso) => day(iso, today))
      .replace(/(?<![\w.])(\d+(?:\.\d+)?) kg\b/g, (found, kg: string) =>
        // A load in whole pounds is no round number of kilograms.
        unit === 'kg' && !/\.\d{3}/.test(kg) ? found : mass(Number(kg), unit),
      ),
  );
