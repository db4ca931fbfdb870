import type { PrintedSheet, PrintedVariation, PrintJob } from '../../contract/sheets.ts';
import { SHEET_WORDS } from '../../core/sheets/index.ts';
import { sideWorkOf } from '../../core/terms/index.ts';
import { targetWords, usedLine } from '../log/index.ts';

/** What is asked for: the person's own target, else the dose that stands on the paper. */
export const askedWords = (
  { resolved: r, target }: PrintedVariation,
  dose: string,
  unit: 'kg' | 'lb',
): string => (target ? targetWords(target, unit, sideWorkOf(r.source)) : dose || 'as the coach says');

/** Aids and settings of last time, "2 pads, rack hooks 7". */
export const aidsLine = (
  { lastAids, lastSettings }: PrintedVariation,
  { hall }: Pick<PrintJob, 'hall'>,
): string | null => usedLine({ aids: lastAids, settings: lastSettings }, hall.lengthUnit) || null;

/** What a sheet is called in a list. */
export function titleOfSheet(s: PrintedSheet): string {
  switch (s.kind) {
    case 'poster':
      return `${s.ladder.name}, ladder`;
    case 'log':
      return `Log: ${s.of.map((v) => v.resolved.source.shortName).join(', ')}`;
    case 'warm-up':
      return `Warm-up: ${s.of.join(', ')}`;
    default:
      return `${s.of.resolved.source.shortName}, ${SHEET_WORDS[s.kind].toLowerCase()}`;
  }
}

/** The contents line of a job with more than one sheet. */
export const contentsOf = (job: PrintJob): string | null =>
  job.sheets.length > 1 ? `${job.sheets.length} sheets: ${job.sheets.map(titleOfSheet).join(' · ')}` : null;
