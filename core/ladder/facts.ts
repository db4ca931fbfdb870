import type { ResolvedVariation } from '../library/index.ts';
import type { VariationFacts } from './evidence.ts';

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
  };
}
