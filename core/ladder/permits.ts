import type { IsoDate } from '../terms/index.ts';
import type { SettledLadder, SettledLevel } from '../library/index.ts';
import type { FactsBySlug } from '../log/index.ts';
import type { DecisionInput } from './decision.ts';
import { barring, barSentence, isInForce } from './restriction.ts';
import type { Restriction } from './restriction.ts';
import { kitAtHand } from './target.ts';

export const isBarred = (
  variation: string,
  restrictions: readonly Restriction[],
  facts: FactsBySlug,
): boolean => {
  const f = facts.get(variation);
  return !f || barring(restrictions, f).length > 0;
};
export const permits = (l: SettledLevel, restrictions: readonly Restriction[], facts: FactsBySlug): boolean =>
  [l.main, ...l.equals].some((v) => !isBarred(v, restrictions, facts));

/** The restrictions in force that bar anything of the ladder. */
export function barringHere({ ladder, facts, restrictions, today }: DecisionInput): Restriction[] {
  const inForce = restrictions.filter((r) => isInForce(r, today));
  if (inForce.length === 0) return [];
  const own = ladder.levels.flatMap((l) => [l.main, ...l.equals]).flatMap((v) => facts.get(v) ?? []);
  return inForce.filter((r) => own.some((f) => barring([r], f).length > 0));
}

/** Levels that are permitted to somebody, by their ids. */
export const permittedLevels = (
  ladder: SettledLadder,
  facts: FactsBySlug,
  restrictions: readonly Restriction[],
  today: IsoDate,
): Set<string> => {
  const inForce = restrictions.filter((r) => isInForce(r, today));
  return new Set(ladder.levels.filter((l) => permits(l, inForce, facts)).map((l) => l.id));
};

/** What is barred as a phrase, e.g. "every bridge until 2026-12-01"; who said so stands with the restriction itself. */
export function restrictionSentence(r: Restriction): string {
  const until = r.until ? ` until ${r.until}` : ' until lifted';
  return `${r.bars.map(barSentence).join(', ')}${until}`;
}

export function chooseVariation(
  level: SettledLevel,
  input: DecisionInput,
  restrictions: readonly Restriction[],
) {
  const options = [level.main, ...level.equals];
  const fit = options.map((slug) => {
    const f = input.facts.get(slug);
    return {
      slug,
      name: f?.name ?? slug,
      barred: isBarred(slug, restrictions, input.facts),
      kit: f !== undefined && kitAtHand(f, input.kit),
    };
  });
  const allowed = fit.filter((o) => !o.barred);
  const chosen = allowed.find((o) => o.kit) ?? allowed[0];
  if (!chosen) return { variation: null, note: 'Everything at this level is barred.' };
  if (!chosen.kit) return { variation: chosen.slug, note: `The kit for ${chosen.name} is not at hand.` };
  if (chosen.slug === level.main) return { variation: chosen.slug, note: null };
  const main = fit[0]!;
  return {
    variation: chosen.slug,
    note: `${chosen.name} instead of ${main.name}: ${main.barred ? 'that is barred' : 'its kit is not at hand'}.`,
  };
}
