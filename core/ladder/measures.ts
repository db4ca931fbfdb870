import type { Measure, Criterion } from '../criterion/index.ts';
import { aboutAtom, aidUsed, leavesOf } from '../criterion/index.ts';
import { AIDS, SETTING_NAMES, aboutSetting } from '../terms/index.ts';
import type { Aid, Setting, Side, IsoDate } from '../terms/index.ts';
import { bySetOrder, cleanReps, faultyReps } from '../log/index.ts';
import type { FactsBySlug, LoggedSet } from '../log/index.ts';

/** What a measure is called on an axis, with its unit. */
export const MEASURE_WORDS: Record<Measure, string> = {
  'clean repetitions': 'clean repetitions a set',
  'seconds held': 'held, s',
  rounds: 'rounds a set',
  load: 'load, kg',
  effort: 'effort of 10',
};
const MEASURES = Object.keys(MEASURE_WORDS) as Measure[];

/** What is drawn over time besides: how much help was used, and what was set in numbers. */
export type UsedMeasure = Aid | Setting;
const USED: readonly UsedMeasure[] = [
  ...AIDS,
  ...SETTING_NAMES.filter((name) => aboutSetting(name).is === 'number'),
];
export const isUsed = (m: Measure | UsedMeasure): m is UsedMeasure => (USED as readonly string[]).includes(m);

/** Amount of help (0 where it was noted that there was none), or the number that was set; null: not noted. */
function usedIn(m: UsedMeasure, s: LoggedSet): number | null {
  if ((AIDS as readonly string[]).includes(m)) return aidUsed(s, m as Aid);
  const value = s.settings?.find((x) => x.name === m)?.value;
  return typeof value === 'number' ? value : null;
}

export interface MeasurePoint {
  date: IsoDate;
  /** null: both sides at once, or a side that was not noted. */
  side: Side | null;
  value: number;
}

/** How much was done of what was planned on one day, in what the sets are counted in. */
export interface PlannedDone {
  date: IsoDate;
  sets: number;
  planned: number;
  done: number;
}

const valueOf = (measure: Measure | UsedMeasure, s: LoggedSet, facts: FactsBySlug): number | null => {
  if (isUsed(measure)) return usedIn(measure, s);
  switch (measure) {
    case 'clean repetitions':
      return cleanReps(s, facts);
    case 'seconds held':
      return s.watched && faultyReps(s, facts, 2) === 0 ? s.holdS : null;
    case 'rounds':
      return s.watched ? s.rounds : null;
    case 'load':
      return s.loadKg;
    case 'effort':
      return s.effort;
  }
};

/**
 * The best of each day and side (of effort the highest), and of help and settings the last; dates ascending, warm-up sets
 * are left out.
 */
export function measured(
  measure: Measure | UsedMeasure,
  sets: readonly LoggedSet[],
  facts: FactsBySlug,
): MeasurePoint[] {
  const best = new Map<string, MeasurePoint>();
  for (const s of isUsed(measure) ? [...sets].sort(bySetOrder) : sets) {
    if (s.warmUp) continue;
    const value = valueOf(measure, s, facts);
    if (value === null) continue;
    const key = `${s.date} ${s.side ?? ''}`;
    const before = best.get(key);
    if (!before || isUsed(measure) || value > before.value)
      best.set(key, { date: s.date, side: s.side, value });
  }
  return [...best.values()].sort((a, b) =>
    a.date < b.date ? -1 : a.date > b.date ? 1 : (a.side ?? '') < (b.side ?? '') ? -1 : 1,
  );
}

/** The measures of which there is any point. */
export const measuresIn = (sets: readonly LoggedSet[], facts: FactsBySlug): (Measure | UsedMeasure)[] => [
  ...MEASURES.filter((m) => measured(m, sets, facts).length > 0),
  // Help that was never used has no line.
  ...USED.filter((m) => measured(m, sets, facts).some((p) => p.value > 0)),
];

/** What the criterion asks of the measure: where the thresholds are drawn. Loads in % of body mass need the mass. */
export function thresholdsOf(measure: Measure, c: Criterion, massKg: number | null): number[] {
  const found = leavesOf(c).map((a) => aboutAtom(a.kind).threshold?.(a, massKg)[measure] ?? null);
  return [...new Set(found.filter((n) => n !== null))].sort((a, b) => a - b);
}

/** Planned against done, day by day, of sets that had a plan; dates ascending. */
export function plannedAgainstDone(sets: readonly LoggedSet[]): PlannedDone[] {
  const days = new Map<IsoDate, PlannedDone>();
  for (const s of sets) {
    if (s.warmUp || s.plannedReps === null || s.doneReps === null) continue;
    const day = days.get(s.date) ?? { date: s.date, sets: 0, planned: 0, done: 0 };
    days.set(s.date, {
      date: s.date,
      sets: day.sets + 1,
      planned: day.planned + s.plannedReps,
      done: day.done + s.doneReps,
    });
  }
  return [...days.values()].sort((a, b) => (a.date < b.date ? -1 : 1));
}
