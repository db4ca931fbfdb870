import { cleanReps, totalKg } from '../../log/index.ts';
import type { FactsBySlug, LoggedSet } from '../../log/index.ts';
import type { EvaluationContext } from '../context.ts';

export const NOT_WATCHED_OR_COUNTED = 'not watched, or not counted';
export const WATCH_AND_COUNT = 'Watch the sets, and note how many';
/** Kilograms that come out of a share are compared to the gram. */
const GRAM = 0.001;

/** The most clean repetitions a set can have held: a number left blank could be any. */
export const mostReps = (s: LoggedSet, facts: FactsBySlug): number =>
  s.doneReps === null ? Infinity : s.watched ? (cleanReps(s, facts) ?? Infinity) : s.doneReps;

export const heavyEnough = (kg: number, neededKg: number): boolean => kg >= neededKg - GRAM;

/** Whether a set was done with as much as the level asks in all, of the kind it asks for. */
export function atLoad(
  s: LoggedSet,
  { floorKg, floorsOfEquals, main, facts }: EvaluationContext,
): 'enough' | 'too light' | 'not noted' | 'other kind' {
  if (floorKg === undefined) return 'enough';
  const own = floorsOfEquals?.get(s.variation);
  const kind = own === undefined ? main?.loadKind : facts.get(s.variation)?.loadKind;
  if (kind && s.loadKind !== kind) return 'other kind';
  const kg = totalKg(s, facts);
  if (kg === null) return 'not noted';
  return heavyEnough(kg, own ?? floorKg) ? 'enough' : 'too light';
}
