import { Z95 } from './proportion.ts';

export interface Agreement {
  n: number;
  /** Share of cases on which both say the same. */
  observed: number;
  /** Share expected by chance from how often each says what. */
  expected: number;
  /** null where chance alone would agree wholly: both always say the same one thing. */
  kappa: number | null;
  /** null where the table has no spread to tell a width from. */
  low: number | null;
  high: number | null;
}

/**
 * Agreement of two raters beyond chance (Cohen 1960, Educational and Psychological Measurement 20) with the
 * large-sample interval of Fleiss, Cohen and Everitt (1969, Psychological Bulletin 72). The interval is rough for few
 * cases.
 * @param table counts: row what the first said, column what the second said; square
 * @returns null where nothing was rated
 */
export function kappa(table: readonly (readonly number[])[]): Agreement | null {
  const k = table.length;
  const n = table.flat().reduce((a, b) => a + b, 0);
  if (n === 0) return null;
  const p = table.map((row) => row.map((c) => c / n));
  const rows = p.map((row) => row.reduce((a, b) => a + b, 0));
  const columns = Array.from({ length: k }, (_, j) => p.reduce((sum, row) => sum + row[j]!, 0));
  const observed = p.reduce((sum, row, i) => sum + row[i]!, 0);
  const expected = rows.reduce((sum, r, i) => sum + r * columns[i]!, 0);
  if (expected >= 1) return { n, observed, expected, kappa: null, low: null, high: null };
  const value = (observed - expected) / (1 - expected);
  let a = 0;
  let b = 0;
  for (let i = 0; i < k; i++) {
    for (let j = 0; j < k; j++) {
      if (i === j) a += p[i]![i]! * (1 - (rows[i]! + columns[i]!) * (1 - value)) ** 2;
      else b += p[i]![j]! * (columns[i]! + rows[j]!) ** 2;
    }
  }
  b *= (1 - value) ** 2;
  const c = (value - expected * (1 - value)) ** 2;
  const se = Math.sqrt(Math.max(0, a + b - c)) / ((1 - expected) * Math.sqrt(n));
  // Without any spread in the table the formula gives no width at all, which would claim certainty.
  const known = se > 1e-9;
  return {
    n,
    observed,
    expected,
    kappa: value,
    low: known ? Math.max(-1, value - Z95 * se) : null,
    high: known ? Math.min(1, value + Z95 * se) : null,
  };
}
