import { FAULT_REPS, SET_FIELDS } from '../log/index.ts';
import type { LoggedSet } from '../log/index.ts';
import type { ResolvedVariation } from '../library/index.ts';
import type { Target } from '../ladder/index.ts';
import type { Leg, Side } from '../terms/index.ts';
import { countedFor, countedWord, FAULT_LETTERS } from './log-rows.ts';
import { readAmount } from './paper-amount.ts';
import type { PaperAmount } from './paper-amount.ts';

/** One row of a log sheet as it is typed in; empty is not known. */
export interface PaperRow {
  side: Side | null;
  amount: string;
  load: string;
  effort: string;
  pain: string;
  watched: boolean;
  faults: string;
  /** `region|kind|leg`, or empty. */
  felt: string;
}

export const blankRow = (side: Side | null): PaperRow => ({
  side,
  amount: '',
  load: '',
  effort: '',
  pain: '',
  watched: false,
  faults: '',
  felt: '',
});

/** What a row says about the set; the rest of the set comes from where it is entered. */
export type RowSet = PaperAmount &
  Pick<LoggedSet, 'loadKg' | 'effort' | 'pain' | 'watched' | 'faults' | 'sensations' | 'side'>;

export type RowReading = { set: RowSet } | { problems: string[] } | null;

/** "a2 c1": letters of faults with repetitions; a letter alone is one repetition. */
export function readFaults(
  text: string,
  faults: readonly { slug: string }[],
  side: Side | null,
): { faults: LoggedSet['faults'] } | { problem: string } {
  const found: LoggedSet['faults'] = [];
  for (const part of text.toLowerCase().split(/[\s,;]+/)) {
    if (part === '') continue;
    const match = /^([a-z])[x×]?(\d{0,3})$/.exec(part);
    const fault = match && faults[FAULT_LETTERS.indexOf(match[1]!)];
    if (!match || !fault) return { problem: `Faults: “${part}” is no letter of this sheet with a number.` };
    const reps = match[2] === '' ? 1 : Number(match[2]);
    if (reps < FAULT_REPS.from || reps > FAULT_REPS.to)
      return { problem: `Faults: “${part}” counts no repetition.` };
    if (found.some((f) => f.fault === fault.slug))
      return { problem: `Faults: “${match[1]}” stands there twice.` };
    found.push({ fault: fault.slug, side, reps });
  }
  return { faults: found };
}

/**
 * One row read: null where nothing was done, else the set or what is wrong with it. Nothing is guessed:
 * an empty field is not known, and a set that was not watched counts no faults.
 * @param toKg turns the load as it is shown into kilograms
 */
export function readRow(
  row: PaperRow,
  v: Pick<ResolvedVariation, 'faults' | 'source'> & { target?: Pick<Target, 'rounds'> | null },
  toKg: (shown: number) => number,
): RowReading {
  const { side, watched } = row;
  if ([row.amount, row.load, row.effort, row.pain, row.faults, row.felt].every((t) => t.trim() === ''))
    return null;
  const problems: string[] = [];
  const number = (name: string, text: string, most: number): number | null => {
    if (text.trim() === '') return null;
    const n = Number(text.trim().replace(',', '.'));
    if (Number.isFinite(n) && n >= 0 && n <= most) return n;
    problems.push(`${name}: “${text.trim()}” is no number from 0 to ${most}.`);
    return null;
  };
  const counted = countedFor(v.source, v.target ?? null);
  const amount = row.amount.trim() === '' ? null : readAmount(row.amount, counted);
  if (amount === null) problems.push('Say how much was done; a row without it is no set.');
  else if ('problem' in amount) problems.push(`${countedWord({ countedIn: counted })}: ${amount.problem}`);
  const load = number('Load', row.load, Infinity);
  const loadKg = load === null ? null : toKg(load);
  if (loadKg !== null && loadKg > SET_FIELDS.loadKg.to) {
    problems.push(`Load: “${row.load.trim()}” is more than ${SET_FIELDS.loadKg.to} kg.`);
  }
  const faults = readFaults(row.faults, v.faults, side);
  if ('problem' in faults) problems.push(faults.problem);
  else if (faults.faults.length > 0 && !watched)
    problems.push('Faults are counted only where the set was watched.');
  else if (
    amount !== null &&
    !('problem' in amount) &&
    faults.faults.some((f) => amount.doneReps !== null && f.reps > amount.doneReps)
  ) {
    problems.push('More repetitions with a fault than were done.');
  }
  const effort = number('Effort', row.effort, SET_FIELDS.effort.to);
  const pain = number('Pain', row.pain, SET_FIELDS.pain.to);
  if (problems.length > 0 || amount === null || 'problem' in amount) return { problems };
  const [region, kind, leg] = row.felt.split('|') as [
    NonNullable<LoggedSet['sensations']>[number]['region'],
    NonNullable<LoggedSet['sensations']>[number]['kind'],
    Leg | '' | undefined,
  ];
  return {
    set: {
      side,
      watched,
      effort,
      pain,
      ...amount,
      loadKg,
      faults: 'faults' in faults ? faults.faults : [],
      sensations: row.felt === '' ? null : [{ region, kind, side, leg: leg || null }],
    },
  };
}
