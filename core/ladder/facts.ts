import { sideWorkOf, sidesApart, aboutMeasure } from '../terms/index.ts';
import type { Aid, Joint, LoadPlace, Region, Setting } from '../terms/index.ts';
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
    oneSided: sidesApart(v.source),
    alternating: sideWorkOf(v.source) === 'in turns',
    regions: regionsUsed(v.source),
    dominance: v.source.dominance,
    equipmentGroups: [
      ...v.equipmentAll.map((n) => [n.equipment.slug]),
      ...v.equipmentAny.map((group) => group.map((n) => n.equipment.slug)),
    ],
    severities: Object.fromEntries(v.faults.map((f) => [f.slug, f.severity])),
    countedIn: v.source.countedIn,
    loadKind: v.source.loadKind,
    weights: weightsOf(v.source),
    aids: aidsOf(v.source),
    hasTempo: Object.values(v.source.tempo).some((s) => s > 0),
    wanted: v.wanted,
    unwanted: v.unwanted.map(({ suggests: _why, ...felt }) => felt),
  };
}

const HELD_BY_HAND: readonly Variation['support'][] = ['wall', 'chair or pole', 'strap'];

/** Aids that a variation is usually done with; a band that is its load is no help, one that helps is named by the level. */
export function aidsOf(v: Pick<Variation, 'rangeTarget' | 'support' | 'aids'>): readonly Aid[] {
  if (v.aids) return v.aids;
  const aids: Aid[] = [];
  if (v.rangeTarget === 'box or pad height') aids.push('pads');
  if (HELD_BY_HAND.includes(v.support)) aids.push('hand support');
  if (v.support === 'hands of a coach') aids.push("coach's hands");
  if (v.support === 'toe of the other foot') aids.push('other foot');
  return aids;
}

/** Settings that are noted with a variation; where it names none, what a band needs. */
export function settingsNoted(v: Pick<Variation, 'settings' | 'loadKind' | 'measures'>): readonly Setting[] {
  if (v.settings) return v.settings;
  const set = (v.measures ?? []).flatMap(({ measure }) => aboutMeasure(measure).setting ?? []);
  return [...new Set([...set, ...(v.loadKind === 'band' ? (['band', 'band place'] as const) : [])])];
}

/** A load is what one weight says: in each hand where the reference load is given per hand. */
const weightsOf = ({ mechanics }: Pick<Variation, 'mechanics'>): 1 | 2 =>
  'referenceLoad' in mechanics && mechanics.referenceLoad?.per === 'hand' ? 2 : 1;

/** Where a joint at work is felt (common practice, no source). */
const OF_JOINT: Record<Joint, readonly Region[]> = {
  ankle: ['ankle', 'calf'],
  knee: ['front of knee', 'side of knee', 'front of thigh', 'back of thigh, low'],
  hip: ['side of hip', 'back of hip', 'front of hip or groin', 'inner thigh', 'back of thigh, high'],
  'low back': ['low back', 'side of trunk', 'front of trunk'],
  shoulder: ['shoulder', 'neck'],
};
const UNDER_THE_BAR: readonly Region[] = ['neck', 'upper back', 'shoulder', 'low back'];
const IN_THE_HANDS: readonly Region[] = ['low back', 'upper back', 'shoulder'];
/** What a load at a place rests on or pulls at (common practice, no source). */
const OF_LOAD_PLACE: Record<LoadPlace, readonly Region[]> = {
  none: [],
  'at the chest': ['low back', 'upper back', 'shoulder'],
  'front of shoulders': UNDER_THE_BAR,
  'across the shoulders, high': UNDER_THE_BAR,
  'across the shoulders, low': UNDER_THE_BAR,
  'in front of the legs': IN_THE_HANDS,
  'at the sides': IN_THE_HANDS,
  'between the legs': IN_THE_HANDS,
  'hip crease': ['front of hip or groin'],
  'low over the hips': ['front of hip or groin'],
  'arms out in front': ['shoulder', 'upper back'],
  'round the knees': ['side of knee', 'side of hip'],
  'round the ankles': ['ankle', 'side of hip'],
};

/** The regions a movement uses; empty where its joints are not written down: pain anywhere then counts. */
export function regionsUsed({ joints, loadPlace }: Pick<Variation, 'joints' | 'loadPlace'>): Region[] {
  if (joints.length === 0) return [];
  return [...new Set([...joints.flatMap((j) => OF_JOINT[j]), ...OF_LOAD_PLACE[loadPlace]])];
}
