import type { FaultCase, TryOutcome } from './case.ts';
import { kappa } from './agreement.ts';
import type { Agreement } from './agreement.ts';
import { wilson } from './proportion.ts';
import type { Proportion } from './proportion.ts';

/** An answer that was tried this often and never once helped is worth rewriting (judgement, no source). */
export const NEVER_HELPED_TRIES = 4;

export interface WhereRow {
  fault: string;
  variation: string;
  /** Of the watched sets of the variation, those that showed it. */
  sets: Proportion;
  people: number;
}

/** Which faults appear where, the most frequent first. */
export function faultsWhere(
  counts: readonly { fault: string; variation: string; sets: number; people: number }[],
  watched: ReadonlyMap<string, number>,
): WhereRow[] {
  return counts
    .flatMap(({ fault, variation, sets, people }) => {
      const of = wilson(sets, Math.max(sets, watched.get(variation) ?? 0));
      return of ? [{ fault, variation, people, sets: of }] : [];
    })
    .sort((a, b) => b.sets.share * b.sets.n - a.sets.share * a.sets.n);
}

export interface AnswerRow {
  fault: string;
  answer: string;
  outcomes: Record<TryOutcome, number>;
  helped: Proportion;
  /** Tried often enough and never of any help. */
  rewrite: boolean;
}

/** Which answers help, the surest first by the lower end of the interval. */
export function answersReport(cases: readonly Pick<FaultCase, 'tried'>[]): AnswerRow[] {
  const rows = new Map<string, Omit<AnswerRow, 'helped' | 'rewrite'>>();
  for (const t of cases.flatMap((c) => c.tried)) {
    const key = `${t.fault}\n${t.answer}`;
    const row = rows.get(key) ?? {
      fault: t.fault,
      answer: t.answer,
      outcomes: { better: 0, same: 0, worse: 0 },
    };
    row.outcomes[t.outcome] += 1;
    rows.set(key, row);
  }
  return [...rows.values()]
    .map((r): AnswerRow => {
      const { better, same, worse } = r.outcomes;
      const helped = wilson(better, better + same + worse)!;
      return { ...r, helped, rewrite: better === 0 && helped.n >= NEVER_HELPED_TRIES };
    })
    .sort((a, b) => b.helped.low - a.helped.low || b.helped.n - a.helped.n);
}

/** What two coaches saw of one set, each without knowing what the other saw. */
export interface RatedTwice {
  setId: string;
  date: string;
  variation: string;
  personId: string;
  /** Faults that could have been seen: those of the variation. */
  possible: readonly string[];
  first: { by: string; faults: readonly string[] };
  second: { by: string; faults: readonly string[] };
}

export interface AgreementRow {
  fault: string;
  /** Both, the first alone, the second alone, neither. */
  counts: { both: number; first: number; second: number; neither: number };
  agreement: Agreement;
}

/** Seen on fewer sets than this by either, no interval is given: the formula is one for many (judgement, no source). */
const LEAST_SEEN = 5;

/** Agreement per fault, over the sets on which it could have been seen; the least agreed first. */
export function agreementReport(rated: readonly RatedTwice[]): AgreementRow[] {
  const faults = [...new Set(rated.flatMap((r) => r.possible))].sort();
  return faults
    .flatMap((fault): AgreementRow[] => {
      const counts = { both: 0, first: 0, second: 0, neither: 0 };
      for (const r of rated.filter((x) => x.possible.includes(fault))) {
        const [a, b] = [r.first.faults.includes(fault), r.second.faults.includes(fault)];
        counts[a && b ? 'both' : a ? 'first' : b ? 'second' : 'neither'] += 1;
      }
      const agreement = kappa([
        [counts.both, counts.first],
        [counts.second, counts.neither],
      ]);
      const seen = counts.both + counts.first + counts.second;
      // What nobody saw says nothing about agreement on it.
      if (!agreement || seen === 0) return [];
      const few = seen < LEAST_SEEN;
      return [{ fault, counts, agreement: few ? { ...agreement, low: null, high: null } : agreement }];
    })
    .sort((a, b) => (a.agreement.kappa ?? 2) - (b.agreement.kappa ?? 2));
}

/** The sets on which the two part over a fault, newest first. */
export const partedOn = (rated: readonly RatedTwice[], fault: string): RatedTwice[] =>
  rated
    .filter((r) => r.first.faults.includes(fault) !== r.second.faults.includes(fault))
    .sort((a, b) => b.date.localeCompare(a.date));
