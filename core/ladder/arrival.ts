import { shareKg } from '../criterion/index.ts';
import type { SettledLadder, SettledLevel } from '../library/index.ts';
import type { FactsBySlug, VariationFacts } from '../log/index.ts';
import { loadsOf } from './loads.ts';
import type { Loads } from './loads.ts';
import { EXPERIENCES } from './placement.ts';
import type { Experience } from './placement.ts';

/** Whose load it is. */
export interface Carrier {
  massKg?: number | null | undefined;
  /** Not said: the lightest of the shares. */
  experience?: Experience | null | undefined;
  loads?: Loads | undefined;
}

/** The first load of a level in words for somebody, e.g. "12 kg: the nearest to 16 % of 75 kg (12 kg)"; null without. */
export function arrivalLoad(
  level: Pick<SettledLevel, 'dose'>,
  main: Pick<VariationFacts, 'weights' | 'loadKind'> | undefined,
  { massKg, experience, loads }: Carrier,
): { kg: number; words: string } | null {
  const shares = level.dose.loadPercent;
  if (!shares || !massKg || !main) return null;
  const percent = shares[experience ?? EXPERIENCES[0]];
  const { kg, exactKg } = shareKg(percent, massKg, main.weights, loadsOf(main.loadKind, loads));
  const exact = `${Math.round(10 * exactKg) / 10} kg${main.weights === 2 ? ' in each hand' : ''}`;
  return { kg, words: `The first load is ${percent} % of ${massKg} kg, ${exact}: ${kg} kg is the nearest.` };
}

/**
 * A ladder with the first loads as somebody lifts them: shares of the body mass as the nearest weight that there is.
 * Without a body mass the kilograms of the level stand.
 */
export function ladderForMass(ladder: SettledLadder, facts: FactsBySlug, who: Carrier): SettledLadder {
  if (!who.massKg || !ladder.levels.some((l) => l.dose.loadPercent)) return ladder;
  return {
    ...ladder,
    levels: ladder.levels.map((level) => {
      const load = arrivalLoad(level, facts.get(level.main), who);
      return load ? { ...level, dose: { ...level.dose, loadKg: load.kg } } : level;
    }),
  };
}
