import { fitting } from './answers.ts';
import type { DeskFault } from './causes.ts';
import type { Tried } from './case.ts';

export interface EasierChoice {
  variation: string;
  name: string;
  why: string;
}

/**
 * What to give when no answer is left, the first to be given first: the easier variations that the library names for
 * the faults seen and that have not been tried, then one level down on the person's ladder.
 * @param barred variations that may not be given, by slug
 */
export function easierChoices(
  faults: readonly DeskFault[],
  tried: readonly Tried[],
  below: { variation: string; name: string; levelName: string } | null,
  barred: Readonly<Record<string, string>>,
): EasierChoice[] {
  const named = faults.flatMap((f) =>
    fitting(f)
      .filter((a) => a.answerKind === 'easier variation' && a.variation !== null)
      .filter((a) => !tried.some((t) => t.fault === f.slug && t.answer === a.text))
      .map((a) => ({
        variation: a.variation!.slug,
        name: a.variation!.name,
        why: `The library’s own answer to “${f.name}”: ${a.text}`,
      })),
  );
  const down = below
    ? [
        {
          variation: below.variation,
          name: below.name,
          why: `One level down on the ladder: ${below.levelName}.`,
        },
      ]
    : [];
  const seen = new Set<string>();
  return [...named, ...down].filter(({ variation }) => {
    if (barred[variation] !== undefined || seen.has(variation)) return false;
    seen.add(variation);
    return true;
  });
}
