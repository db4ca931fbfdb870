import { AMOUNT_FIELD, SET_FIELDS, amountIn } from '../log/index.ts';
import type { AmountField, LoggedSet } from '../log/index.ts';
import type { CountedIn } from '../terms/index.ts';

/** What a row says was done. */
export type PaperAmount = Pick<LoggedSet, AmountField | 'workS' | 'breaths'>;

/** How the cell is written where it is done otherwise than the sheet counts. */
export const AMOUNT_HINT =
  'Counted otherwise: 3 r for rounds, 3 r 40 s with the seconds of each, 60 s, 5 b 24 s for breaths.';

/** Rounds, seconds, breaths. */
type Unit = 'r' | 's' | 'b';

/**
 * The amount of a row: a bare number is in what the sheet counts; a letter behind it says rounds, seconds or breaths, and
 * seconds behind rounds are those of a round.
 */
export function readAmount(text: string, counted: CountedIn): PaperAmount | { problem: string } {
  const words = text.trim().toLowerCase();
  const wrong = { problem: `“${text.trim()}” is no amount: a number, or one like 3 r, 60 s or 5 b 24 s.` };
  const number = (t: string) => Number(t.replace(',', '.'));
  const none = { ...amountIn(counted, null), workS: null, breaths: null };
  const fits = (field: AmountField | 'workS' | 'breaths', n: number) => {
    const { from, to, whole } = SET_FIELDS[field];
    return Number.isFinite(n) && n >= from && n <= to && (!whole || Number.isInteger(n));
  };
  if (/^[\d.,]+$/.test(words)) {
    const field = AMOUNT_FIELD[counted];
    const n = number(words);
    if (fits(field, n)) return { ...none, ...amountIn(counted, n) };
    return {
      problem: `“${text.trim()}” is no number from ${SET_FIELDS[field].from} to ${SET_FIELDS[field].to}.`,
    };
  }
  const told: Partial<Record<Unit, number>> = {};
  const rest = words.replace(/([\d.,]+)\s*(r|s|b)[a-z]*\s*,?\s*/g, (_, n: string, unit: Unit) => {
    told[unit] = unit in told ? NaN : number(n);
    return '';
  });
  const { r, s, b } = told;
  if (rest !== '' || (r !== undefined && b !== undefined) || (b !== undefined && s === undefined)) {
    return b !== undefined && s === undefined && rest === ''
      ? { problem: 'Breaths are written with their seconds: 5 b 24 s.' }
      : wrong;
  }
  const read: PaperAmount =
    r !== undefined
      ? { ...none, ...amountIn('rounds', r), workS: s ?? null }
      : { ...none, ...amountIn('seconds held', s ?? null), breaths: b ?? null };
  const sound = (Object.entries(read) as [keyof PaperAmount, number | null][]).every(
    ([field, n]) => n === null || fits(field, n),
  );
  return sound ? read : wrong;
}
