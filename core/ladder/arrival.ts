import { leavesOf, shareKg } from '../criterion/index.ts';
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
  /** What shares became on arrival at the level they stand on; they stay so there. */
  fixed?: { level: string; shares: Readonly<Record<string, number>> } | null;
}

/** The first load of a level in words for somebody, e.g. "12 kg: the nearest to 16 % of 75 kg (12 kg)"; null without. */
export function arrivalLoad(
  level: Pick<SettledLevel, 'dose' | 'id'>,
  main: Pick<VariationFacts, 'weights' | 'loadKind'> | undefined,
  { massKg, experience, loads, fixed }: Carrier,
): { kg: number; words: string } | null {
  const shares = level.dose.loadPercent;
  if (!shares || !massKg || !main) return null;
  const percent = shares[experience ?? EXPERIENCES[0]];
  const own = fixed?.level === level.id ? fixed.shares : undefined;
  const { kg, exactKg } = shareKg(percent, massKg, main.weights, loadsOf(main.loadKind, loads), own);
  const exact = `${Math.round(10 * exactKg) / 10} kg${main.weights === 2 ? ' in each hand' : ''}`;
  return { kg, words: `The first load is ${percent} % of ${massKg} kg, ${exact}: ${kg} kg is the nearest.` };
}

/** The load that exists nearest to one that a level names, the lighter of two as near; itself where there is none as light. */
function existing(kg: number, list: readonly number[]): number {
  const best = [...list].sort((a, b) => Math.abs(a - kg) - Math.abs(b - kg) || a - b)[0];
  return best === undefined || list.every((l) => l > kg + 0.001) ? kg : best;
}

/**
 * A ladder with the first loads as somebody lifts them: shares of the body mass as the nearest weight that there is, and
 * kilograms of a level as the nearest weight of the hall, where its loads are given. Without a body mass the kilograms of
 * the level stand.
 */
export function ladderForMass(ladder: SettledLadder, facts: FactsBySlug, who: Carrier): SettledLadder {
  const loaded = ladder.levels.some(
    (l) => (l.dose.loadPercent && who.massKg) || (l.dose.loadKg && who.loads),
  );
  if (!loaded) return ladder;
  return {
    ...ladder,
    levels: ladder.levels.map((level) => {
      const main = facts.get(level.main);
      const share = arrivalLoad(level, main, who);
      const named = level.dose.loadKg;
      const kg = share
        ? share.kg
        : named && main && who.loads
          ? existing(named, loadsOf(main.loadKind, who.loads))
          : named;
      return kg === named ? level : { ...level, dose: { ...level.dose, loadKg: kg! } };
    }),
  };
}

/**
 * What every share of the body mass that a level asks becomes on the day of arrival, kg of one weight by the percentage;
 * null where it asks none. Kept with the move, so that what is bought later changes nothing of it.
 */
export function sharesAt(
  level: Pick<SettledLevel, 'dose' | 'advance' | 'stepBack' | 'variants'>,
  main: Pick<VariationFacts, 'weights' | 'loadKind'> | undefined,
  { massKg, loads }: Carrier,
): Record<string, number> | null {
  if (!massKg || !main) return null;
  const criteria = [level, ...(level.variants ?? [])].flatMap((l) => [l.advance, l.stepBack]);
  const asked = criteria.flatMap((c) =>
    leavesOf(c).flatMap((a) => (a.kind === 'load' && a.unit === '% of body mass' ? [a.load] : [])),
  );
  const percents = [...Object.values(level.dose.loadPercent ?? {}), ...asked];
  if (percents.length === 0) return null;
  const list = loadsOf(main.loadKind, loads);
  return Object.fromEntries(percents.map((p) => [p, shareKg(p, massKg, main.weights, list).kg]));
}
