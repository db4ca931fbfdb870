import { blankSet } from '../../core/log/index.ts';
import type { LoggedSet, Sensation, SetValues } from '../../core/log/index.ts';
import type { IsoDate, Side } from '../../core/terms/index.ts';

export interface SummaryRow {
  sessionId: string;
  date: IsoDate;
  variation: string;
  sets: unknown;
}

/** A set as a summary keeps it: without what is not known. */
type KeptSet = Partial<SetValues> & { id: string; rev: number; own?: boolean };
const oneSide = <T extends { side: Side | null }>(of: readonly T[]) =>
  of.map((x) => ({ ...x, side: x.side ?? null }));
const legged = (of: readonly Sensation[]) => oneSide(of).map((x) => ({ ...x, leg: x.leg ?? null }));

// Made once: thousands of sets are read at a time, and each gets lists of its own below.
const BLANK = blankSet();

/** The sets of a summary, with null for what is not known. */
export function setsOfSummary({ sessionId, date, variation, sets }: SummaryRow): LoggedSet[] {
  return (sets as KeptSet[]).map(({ id, rev, ...kept }) => {
    const set = { id, sessionId, date, variation, variationRevision: rev, ...BLANK, ...kept };
    return {
      ...set,
      faults: oneSide(set.faults),
      sensations: set.sensations && legged(set.sensations),
      settings: set.settings && oneSide(set.settings),
    };
  });
}
