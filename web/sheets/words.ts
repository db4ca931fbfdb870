import type { PrintedSheet, PrintedVariation, PrintJob } from '../../contract/sheets.ts';
import { SHEET_WORDS } from '../../core/sheets/index.ts';
import { sideWorkOf } from '../../core/terms/index.ts';
import { homeLoad } from '../../core/kit/index.ts';
import { targetWords, usedLine } from '../log/index.ts';
import { mass } from '../ui/index.ts';

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
): string | null =>
  usedLine({ aids: lastAids, settings: lastSettings }, { length: hall.lengthUnit, mass: hall.massUnit }) ||
  null;

/** How it is set to the one it is printed for, "box height 40 cm"; null: nothing is. */
export const setToLine = ({ setTo }: PrintedVariation, { hall }: Pick<PrintJob, 'hall'>): string | null =>
  usedLine({ settings: setTo }, { length: hall.lengthUnit, mass: hall.massUnit }) || null;

/** What stands in at home for the load that is asked; null: nothing is lifted, or more than should be alone. */
export function atHomeLine(
  { resolved: r, target }: PrintedVariation,
  { hall }: Pick<PrintJob, 'hall'>,
): string | null {
  const kg = target?.loadKg;
  const inHands = r.source.loadPlace === 'at the sides';
  const found = kg && kg > 0 ? homeLoad(kg, inHands ? 2 : 1) : null;
  if (!found) return null;
  const bottles = [
    ...(found.large > 0 ? [`${found.large} × 1.5 l`] : []),
    ...(found.small > 0 ? [`${found.small} × 0.5 l`] : []),
  ].join(' and ');
  return found.each
    ? `a bag in each hand with ${bottles} of water: ${mass(found.kg, hall.massUnit)} each`
    : `a rucksack with ${bottles} of water: ${mass(found.kg, hall.massUnit)}`;
}

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
