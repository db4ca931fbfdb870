import type { Dose, Tempo } from '../library/index.ts';
import { withSides } from '../terms/index.ts';
import type { Role, SideWork } from '../terms/index.ts';

const FIRST: readonly Role[] = ['work', 'teach', 'prepare'];

/** The dose that stands on paper where nobody has one of their own: of work, else of teaching, else of preparing. */
export const doseFor = <D extends Pick<Dose, 'role'>>({ dose }: { dose: readonly D[] }): D | null =>
  FIRST.map((role) => dose.find((d) => d.role === role)).find((d) => d !== undefined) ?? null;

/** "3–1–1–1": lowering, bottom, rising, top. */
export const tempoWords = (t: Tempo): string => `${t.loweringS}–${t.bottomS}–${t.risingS}–${t.topS}`;

const MINUTE_S = 60;
/** "20 s", or "4 min" where it is whole minutes, two or more. */
export const secondsWords = (s: number): string =>
  s >= 2 * MINUTE_S && s % MINUTE_S === 0 ? `${s / MINUTE_S} min` : `${s} s`;

/** "3 × 8–12 each side", "3 × 12 (6 each side)", "3 × 20 s" or "2 rounds". */
export function doseWords(d: Omit<Dose, 'notes'>, sides: SideWork): string {
  const amount =
    d.rounds !== undefined
      ? `${d.rounds} ${d.rounds === 1 ? 'round' : 'rounds'}`
      : d.holdS !== undefined
        ? d.sets === 1
          ? secondsWords(d.holdS)
          : `${d.sets} × ${secondsWords(d.holdS)}`
        : `${d.sets} × ${d.repsFrom === d.repsTo ? d.repsFrom : `${d.repsFrom}–${d.repsTo}`}`;
  const counted = d.rounds === undefined && d.holdS === undefined && d.repsFrom !== undefined;
  return withSides(amount, sides, counted ? { from: d.repsFrom!, to: d.repsTo ?? d.repsFrom! } : undefined);
}
