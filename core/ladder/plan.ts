import type { Reason } from '../criterion/index.ts';
import { amountOf, dayOf } from '../log/index.ts';
import type { LoggedSet, VariationFacts, WeakerSide } from '../log/index.ts';
import type { Side } from '../terms/index.ts';
import { lighterThan } from './loads.ts';
import type { Loads } from './loads.ts';
import { amountAsked } from './target.ts';
import type { Target } from './target.ts';

/** What is to be done on a day at a level: the target as it is asked today, and why it is not more. */
export interface Plan {
  target: Target;
  /** What was done last, in words; null: nothing yet. */
  last: string | null;
  /** Why it is more or less than the target of the level, as sentences. */
  why: Reason[];
  /** To be marked as made lighter on purpose. */
  lighter: boolean;
  /** A side test is due. */
  sideTest: boolean;
  /** The side that does one set more. */
  extraSide: Side | null;
  /** Absent: as the sets at hand say. */
  weaker?: WeakerSide | null;
}

/** Just the target, where nothing else is known. */
export const planAt = (target: Target): Plan => ({
  target,
  last: null,
  why: [],
  lighter: false,
  sideTest: false,
  extraSide: null,
});

/** Without a lighter weight so much of the repetitions, seconds or rounds (judgement). */
const LESS = 0.8;

/** The target a step lower: the next lighter weight, else fewer, else a set less. */
export function aStepLower(target: Target, main: VariationFacts, loads: Loads | undefined): Target {
  const lighter = target.loadKg ? lighterThan(target.loadKg, main.loadKind, loads) : null;
  if (lighter !== null) return { ...target, loadKg: lighter };
  const asked = amountAsked(target);
  if (asked && asked.amount > 1)
    return { ...target, [asked.of]: Math.max(1, Math.floor(LESS * asked.amount)) };
  return { ...target, sets: Math.max(1, target.sets - 1) };
}

/** What was done on the last day of a movement before a date, e.g. "8, 8, 8 with 12 kg on 2026-02-27". */
export function lastDone(sets: readonly LoggedSet[], variation: string, date: string): string | null {
  const own = sets.filter((s) => s.variation === variation && !s.warmUp && !s.sideTest && s.date < date);
  const last = own.reduce((newest, s) => (s.date > newest ? s.date : newest), '');
  if (last === '') return null;
  const day = dayOf(own.filter((s) => s.date === last)).sets;
  const seconds = day.every((s) => s.holdS !== null && s.doneReps === null);
  const rounds = day.every((s) => s.rounds !== null && s.doneReps === null);
  const of = (list: readonly LoggedSet[]) => list.map((s) => amountOf(s) ?? '?').join(', ');
  const sides = (['left', 'right'] as const)
    .map((side) => [side, day.filter((s) => s.side === side)] as const)
    .filter(([, list]) => list.length > 0)
    .map(([side, list]) => `${side} ${of(list)}`);
  const amounts = sides.length > 0 ? sides.join('; ') : of(day);
  const unit = seconds ? ' s' : rounds ? ' rounds' : '';
  const loads = [...new Set(day.flatMap((s) => s.loadKg ?? []))];
  const load = loads.length ? ` with ${loads.map((kg) => `${kg} kg`).join(' and ')}` : '';
  return `${amounts}${unit}${load} on ${last}`;
}

/** Whether one target asks less than another: less load, or less of what it is counted in at the same load. */
export function asksLess(a: Target, b: Target): boolean {
  const load = (a.loadKg ?? 0) - (b.loadKg ?? 0);
  if (load !== 0) return load < 0;
  return (amountAsked(a)?.amount ?? 0) < (amountAsked(b)?.amount ?? 0);
}
