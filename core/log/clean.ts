import type { Severity } from '../terms/index.ts';
import type { VariationFacts } from './facts.ts';
import type { LoggedSet } from './set.ts';

/** How severe faults are on each variation. */
export type Severities = ReadonlyMap<string, Pick<VariationFacts, 'severities'>>;

/** Severity of a fault on a variation; an unknown fault is taken to make the repetition unclean. */
export function severityOf(facts: Severities, variation: string, fault: string): Severity {
  return facts.get(variation)?.severities[fault] ?? 2;
}

/** Repetitions of a set that carried a fault of at least the given severity (an upper bound: faults may share one). */
export function faultyReps(set: LoggedSet, facts: Severities, severity: Severity): number {
  return set.faults.reduce(
    (n, f) => (severityOf(facts, set.variation, f.fault) >= severity ? n + f.reps : n),
    0,
  );
}

/** Clean repetitions of a watched set, by faults that spoil one; null when it was not watched or not counted. */
export function cleanReps(set: LoggedSet, facts: Severities): number | null {
  if (!set.watched || set.doneReps === null) return null;
  return Math.max(0, set.doneReps - faultyReps(set, facts, 2));
}

/** Faults of the set were seen: by somebody who watched it, or by what it was measured with. */
export const showsFaults = (set: Pick<LoggedSet, 'watched' | 'measuredBy' | 'faults'>): boolean =>
  set.watched || (set.measuredBy !== null && set.faults.length > 0);

/** Load of a set in all: what one weight says, times the weights that are held; null where it was not noted. */
export const totalKg = (
  set: Pick<LoggedSet, 'loadKg' | 'variation'>,
  facts: ReadonlyMap<string, Pick<VariationFacts, 'weights'>>,
): number | null => (set.loadKg === null ? null : set.loadKg * (facts.get(set.variation)?.weights ?? 1));
