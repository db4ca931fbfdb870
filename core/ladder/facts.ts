import type { Aid } from '../terms/index.ts';
import type { ResolvedVariation, Variation } from '../library/index.ts';
import type { VariationFacts } from '../log/index.ts';

/** What decisions need to know, from the one resolved reading of the variation. */
export function factsOf(v: ResolvedVariation): VariationFacts {
  return {
    slug: v.source.slug,
    name: v.source.name,
    pattern: v.source.pattern,
    loadPlace: v.source.loadPlace,
    rangeTarget: v.source.rangeTarget,
    impact: v.source.impact,
    oneSided: v.source.laterality !== 'two legs',
    equipmentGroups: [
      ...v.equipmentAll.map((n) => [n.equipment.slug]),
      ...v.equipmentAny.map((group) => group.map((n) => n.equipment.slug)),
    ],
    severities: Object.fromEntries(v.faults.map((f) => [f.slug, f.severity])),
    countedIn: v.source.countedIn,
    loadKind: v.source.loadKind,
    aids: aidsOf(v.source),
    hasTempo: Object.values(v.source.tempo).some((s) => s > 0),
    wanted: v.wanted,
    unwanted: v.unwanted.map(({ region, kind }) => ({ region, kind })),
  };
}

const HELD_BY_HAND: readonly Variation['support'][] = ['wall', 'chair or pole', 'strap', 'hands of a coach'];

/** Aids that a variation is usually done with; a band that is its load is no help, one that helps is named by the level. */
export function aidsOf(v: Pick<Variation, 'rangeTarget' | 'support'>): Aid[] {
  const aids: Aid[] = [];
  if (v.rangeTarget === 'box or pad height') aids.push('pads');
  if (HELD_BY_HAND.includes(v.support)) aids.push('hand support');
  return aids;
}
