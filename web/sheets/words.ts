import type { PrintedSheet, PrintedVariation, PrintJob } from '../../contract/sheets.ts';
import { doseFor, doseWords, tempoWords } from '../../core/dose/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { SHEET_WORDS } from '../../core/sheets/index.ts';
import { targetWords } from '../log/index.ts';

/** What is asked for: the person's own target, else the dose of the sheet. */
export function askedOf({ resolved: r, target }: PrintedVariation, unit: 'kg' | 'lb'): string {
  const oneSided = r.source.laterality !== 'two legs';
  if (target) return targetWords(target, unit, oneSided);
  const dose = doseFor(r);
  return dose
    ? `${doseWords(dose, oneSided)}${dose.restS > 0 ? `, rest ${dose.restS} s` : ''}`
    : 'as the coach says';
}

export const tempoLine = (r: ResolvedVariation): string => `Tempo ${tempoWords(r.source.tempo)} s`;

/** Aids and settings of last time, "Box 45 cm, Band green". */
export const aidsLine = ({ lastAids }: PrintedVariation): string | null =>
  lastAids && lastAids.aids.length > 0
    ? lastAids.aids.map((a) => `${a.name} ${a.setting}`.trim()).join(', ')
    : null;

/** When the set ends at once: the stop faults of the sheet. */
export const stopRules = (r: ResolvedVariation): string[] =>
  r.faults.filter((f) => f.severity === 3).map((f) => `${f.name}: ${f.whenToStop}`);

/** The kit in words: what is needed, and of each group of alternatives one. */
export const kitLines = (r: ResolvedVariation): string[] => [
  ...r.equipmentAll.map(
    (n) =>
      `${n.count > 1 ? `${n.count} × ` : ''}${n.equipment.name}${n.setUp.length ? `: ${n.setUp.join(' ')}` : ''}`,
  ),
  ...r.equipmentAny.map((g) => `One of: ${g.map((n) => n.equipment.name).join(', ')}.`),
];

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
