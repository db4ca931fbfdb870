import { doseFor } from '../dose/index.ts';
import type { Dose, Laterality, Side } from '../library/index.ts';

/** Letters of the faults on a log sheet, in the order of its variation. */
export const FAULT_LETTERS = 'abcdefghijklmnopqrstuvwxyz';

/**
 * The rows that a blank log sheet has for a variation, set by set: one, or one a side. There is a set more than is
 * asked for, since some do more; the page where the sheet is entered has the same rows.
 */
export function logRows(
  v: { laterality: Laterality; dose: readonly Pick<Dose, 'role' | 'sets'>[] },
  target: { sets: number } | null,
): (Side | null)[][] {
  const sets = (target?.sets ?? doseFor(v)?.sets ?? 2) + 1;
  return Array.from({ length: sets }, () => (v.laterality === 'two legs' ? [null] : ['left', 'right']));
}
