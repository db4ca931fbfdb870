import type { IsoDate } from '../../core/terms/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';

/** A set as a summary keeps it: without what is not known. */
type KeptSet = Partial<Omit<LoggedSet, 'faults'>> & {
  id: string;
  ordinal: number;
  rev: number;
  faults?: { fault: string; side?: LoggedSet['side']; reps: number }[];
};

export interface SummaryRow {
  sessionId: string;
  date: IsoDate;
  variation: string;
  sets: unknown;
}

/** The sets of a summary, with null for what is not known. */
export function setsOfSummary({ sessionId, date, variation, sets }: SummaryRow): LoggedSet[] {
  return (sets as KeptSet[]).map((s) => ({
    id: s.id,
    sessionId,
    date,
    ordinal: s.ordinal,
    variation,
    variationRevision: s.rev,
    role: s.role ?? 'work',
    warmUp: s.warmUp ?? false,
    watched: s.watched ?? false,
    sideTest: s.sideTest ?? false,
    side: s.side ?? null,
    plannedReps: s.plannedReps ?? null,
    doneReps: s.doneReps ?? null,
    holdS: s.holdS ?? null,
    rounds: s.rounds ?? null,
    loadKg: s.loadKg ?? null,
    loadKind: s.loadKind ?? 'none',
    effort: s.effort ?? null,
    tempoKept: s.tempoKept ?? null,
    rangeReached: s.rangeReached ?? null,
    rangeDeg: s.rangeDeg ?? null,
    faults: (s.faults ?? []).map((f) => ({ ...f, side: f.side ?? null })),
    sensations: s.sensations?.map((f) => ({ ...f, side: f.side ?? null })) ?? null,
    pain: s.pain ?? null,
    atEase: s.atEase ?? null,
    aids: s.aids ?? null,
  }));
}

/** The rows of a raw query, from either driver. */
export const rowsOf = <T>(result: unknown): T[] => (result as { rows: T[] }).rows;
