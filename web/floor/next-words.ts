import type { TodayLine } from '../../core/floor/index.ts';
import type { NextSet } from '../../core/ladder/index.ts';
import { keptTogether, mass, tidy } from '../ui/index.ts';

/** "set 1 of 2, right, 10 repetitions with 12 kg" */
export function nextWords(next: NextSet, unit: 'kg' | 'lb'): string {
  if (next.sideTest) return `side test, ${next.side}: to the first repetition that is not clean`;
  const amount =
    next.reps !== null
      ? `${next.reps} repetitions`
      : next.holdS !== null
        ? `hold ${tidy(next.holdS)} s`
        : next.rounds !== null
          ? `${next.rounds} rounds`
          : null;
  return keptTogether(
    [
      `set ${next.number} of ${Math.max(next.of, next.number)}`,
      next.side,
      amount && next.loadKg ? `${amount} with ${mass(next.loadKg, unit)}` : amount,
    ]
      .filter(Boolean)
      .join(', '),
  );
}

/** Where an alternative is looked for when a piece of kit is taken. */
export const insteadPath = (line: TodayLine, personId: string): string =>
  `/library/variation/${line.variation}?${new URLSearchParams({
    instead: 'yes',
    for: personId,
    ...(line.kit.length > 0 ? { without: line.kit[0]!.slug } : {}),
  })}`;
