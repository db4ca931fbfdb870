import type { Side, IsoDate } from '../terms/index.ts';
import { daysBetween } from '../terms/index.ts';
import type { LoggedSet } from '../log/index.ts';
import { isInForce } from './restriction.ts';
import type { Restriction } from './restriction.ts';

/** A fault in so many watched sessions running is a pattern, not a slip (common practice, no source). */
export const RECURRING_SESSIONS = 3;

export interface RecurringFault {
  variation: string;
  fault: string;
  /** The sessions it was seen in, newest first. */
  dates: IsoDate[];
  repetitions: number;
  /** The one side it is seen on; null where it is on both or the work has no sides. */
  side: Side | null;
}

/**
 * Faults seen in each of the last three watched sessions of a variation, or in two of them and always on the same
 * one side. The order of entry is irrelevant.
 */
export function recurringFaults(sets: readonly LoggedSet[]): RecurringFault[] {
  const byVariation = new Map<string, LoggedSet[]>();
  for (const s of sets) {
    if (!s.watched || s.warmUp) continue;
    byVariation.set(s.variation, [...(byVariation.get(s.variation) ?? []), s]);
  }
  return [...byVariation].flatMap(([variation, own]) => {
    const days = [...new Set(own.map((s) => s.date))].sort().reverse().slice(0, RECURRING_SESSIONS);
    const seen = own
      .filter((s) => days.includes(s.date))
      .flatMap((s) => s.faults.map((f) => ({ ...f, date: s.date, side: f.side ?? s.side })));
    return [...new Set(seen.map((f) => f.fault))].sort().flatMap((fault): RecurringFault[] => {
      const of = seen.filter((f) => f.fault === fault);
      const dates = days.filter((d) => of.some((f) => f.date === d));
      const sides = new Set(of.map((f) => f.side));
      const side = sides.size === 1 ? [...sides][0]! : null;
      const always = dates.length === RECURRING_SESSIONS;
      if (!always && !(side !== null && dates.length >= 2)) return [];
      return [{ variation, fault, dates, repetitions: of.reduce((n, f) => n + f.reps, 0), side }];
    });
  });
}

export const CUE_OUTCOMES = ['better', 'same', 'worse'] as const;
export type CueOutcome = (typeof CUE_OUTCOMES)[number];

/** A cue said to somebody, and what came of it. */
export interface CueTried {
  variation: string;
  cue: string;
  date: IsoDate;
  outcome: CueOutcome;
}

/** Which cues work for somebody on a variation and which have failed, by what came of the last try of each. */
export function cueRecord(
  tried: readonly CueTried[],
  variation: string,
): { works: string[]; failed: string[] } {
  const last = new Map<string, CueTried>();
  for (const t of tried) {
    if (t.variation !== variation) continue;
    const before = last.get(t.cue);
    if (!before || before.date <= t.date) last.set(t.cue, t);
  }
  const of = (keep: (o: CueOutcome) => boolean) =>
    [...last.values()]
      .filter((t) => keep(t.outcome))
      .map((t) => t.cue)
      .sort();
  return { works: of((o) => o === 'better'), failed: of((o) => o !== 'better') };
}

/** Cues in the order of the sheet, those that have worked first and those that have failed last. */
export function rankedCues<C extends { slug: string }>(
  cues: readonly C[],
  record: { works: readonly string[]; failed: readonly string[] },
): C[] {
  const rank = (c: C) => (record.works.includes(c.slug) ? 0 : record.failed.includes(c.slug) ? 2 : 1);
  return cues
    .map((c, i) => ({ c, i }))
    .sort((a, b) => rank(a.c) - rank(b.c) || a.i - b.i)
    .map(({ c }) => c);
}

/** Without anything special the questions before work come up so often (common practice, no source). */
const ASK_EVERY_DAYS = 7;
const AFTER_TROUBLE_DAYS = 14;

/** Why the questions before work are due today, or null where they are not. */
export function askBeforeWork(of: {
  today: IsoDate;
  lastAsked: IsoDate | null;
  painfulDays: readonly IsoDate[];
  restrictions: readonly Restriction[];
  lastSession: IsoDate | null;
}): string | null {
  const { today, lastAsked } = of;
  if (lastAsked === today) return null;
  const pain = of.painfulDays
    .filter((d) => d <= today && daysBetween(d, today) <= AFTER_TROUBLE_DAYS)
    .sort()
    .at(-1);
  if (pain) return `Pain was reported on ${pain}.`;
  if (of.restrictions.some((r) => isInForce(r, today))) return 'A restriction is in force.';
  const over = of.restrictions.find(
    (r) => r.until !== null && r.until < today && daysBetween(r.until, today) <= AFTER_TROUBLE_DAYS,
  );
  if (over) return `A restriction ended on ${over.until}.`;
  if (of.lastSession !== null && daysBetween(of.lastSession, today) >= AFTER_TROUBLE_DAYS) {
    return `Not here since ${of.lastSession}.`;
  }
  if (lastAsked === null) return 'Not asked yet.';
  return daysBetween(lastAsked, today) >= ASK_EVERY_DAYS ? `Last asked on ${lastAsked}.` : null;
}

/** How long somebody has stood on a level, and whether that is beyond the usual stay. */
export function stayOf(
  usual: { from: number; to: number },
  since: IsoDate,
  today: IsoDate,
): { weeks: number; beyond: boolean } {
  const days = Math.max(0, daysBetween(since, today));
  return { weeks: Math.floor(days / 7), beyond: days > 7 * usual.to };
}

/** Not seen for so long is worth a word (common practice, no source). */
export const LONG_UNSEEN_DAYS = 14;
