import type { LoggedSet } from '../log/index.ts';
import type { IsoDate, Pattern } from '../terms/index.ts';
import { daysAfter } from '../terms/index.ts';

/**
 * From this pain on, of 10, nothing at all is proposed until it is cleared (judgement; "severe" begins here in Serlin et
 * al., When is cancer pain mild, moderate or severe?, Pain 61, 1995, 277-284; from memory).
 */
export const STOPPING_PAIN = 7;
/** Whoever is alone ends there from this on (judgement): nobody is there to look. */
export const ENDING_PAIN_ALONE = 5;

/** What was told of longer ago says nothing about today (judgement). */
export const TELLING_DAYS = 120;

/** How somebody came to be stopped, or pain to be told. */
export const TOLD_BY = ['set', 'check-in', 'desk', 'trial', 'press', 'alone', 'outcome'] as const;
export type ToldBy = (typeof TOLD_BY)[number];

/** What a stop reaches: nothing of one pattern, or nothing at all, is proposed until it is cleared. */
export type Reach = Pattern | 'everything';

/** Work was stopped, and nobody has cleared it: it stays whatever becomes of the set that it came from. */
export interface Stop {
  id: string;
  date: IsoDate;
  reach: Reach;
  told: ToldBy;
  /** 0 to 10; null: nobody asked. */
  pain: number | null;
}

/** A clearance closes the evidence: what was logged before it counts for no outcome. */
export interface Clearance {
  reaches: Reach[];
  date: IsoDate;
  /** Sets of that day that were there already. */
  setIds: string[];
}

export const reaches = (reach: Reach, pattern: Pattern): boolean =>
  reach === 'everything' || reach === pattern;

/** The stops among those given that hold for a pattern. */
export const stopsFor = (stops: readonly Stop[], pattern: Pattern): Stop[] =>
  stops.filter((s) => reaches(s.reach, pattern));

/** The newest clearance for a pattern; null: nothing is closed. */
export function clearanceFor(clearances: readonly Clearance[], pattern: Pattern): Clearance | null {
  const of = clearances.filter((c) => c.reaches.some((r) => reaches(r, pattern)));
  return of.reduce<Clearance | null>((a, c) => (a === null || a.date <= c.date ? c : a), null);
}

/** Whether a set still counts after the clearance. */
export const countsAfter = (c: Clearance | null, set: Pick<LoggedSet, 'id' | 'date'>): boolean =>
  c === null || set.date > c.date || (set.date === c.date && !c.setIds.includes(set.id));

/** Whether pain that is told of on a day stops: strong enough, and not of long ago. */
export const stopsNow = (pain: number | null, date: IsoDate, today: IsoDate): boolean =>
  pain !== null && pain >= STOPPING_PAIN && date > daysAfter(today, -TELLING_DAYS);

export const TOLD_WORDS: Record<ToldBy, string> = {
  set: 'in a set',
  'check-in': 'before work',
  desk: 'while a fault was worked on',
  trial: 'in a trial',
  press: 'stop was pressed',
  alone: 'told from home',
  outcome: 'no easier level was left',
};

/** Why somebody is stopped, e.g. "Stopped on 2026-11-20: pain 8 of 10, in a set". */
export function stopSentence(s: Stop): string {
  const pain = s.pain === null ? '' : `pain ${s.pain} of 10, `;
  return `Stopped on ${s.date}: ${pain}${TOLD_WORDS[s.told]}`;
}

export const reachWords = (reach: Reach): string =>
  reach === 'everything' ? 'Nothing at all' : `No ${reach}`;

/** What some stops reach together, of those that hold for one pattern. */
export const widest = (stops: readonly Stop[]): Reach =>
  stops.some((s) => s.reach === 'everything') ? 'everything' : stops[0]!.reach;
