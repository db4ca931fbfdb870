import type { Laterality, LoadKind, LoadPlace, RangeTarget, SideOrder } from '../terms/index.ts';
import type { Mechanics } from '../posture/index.ts';
import type { EquipmentNeed, Variation } from './documents.ts';
import type { Line } from './line.ts';

/** What sets a new variation apart from the one that it starts as. */
export interface Apart {
  slug: string;
  name: string;
  author: string;
  alsoCalled: string[];
  reasonsToChoose: Line[];
  laterality: Laterality;
  loadKind: LoadKind;
  loadPlace: LoadPlace;
  equipmentAll: EquipmentNeed[];
  rangeTarget: RangeTarget;
  dose: Variation['dose'];
}

/** What the new one starts as before anything is changed. */
export const apartFrom = (like: Variation, author: string): Apart => ({
  slug: '',
  name: '',
  author,
  alsoCalled: [],
  reasonsToChoose: like.reasonsToChoose,
  laterality: like.laterality,
  loadKind: like.loadKind,
  loadPlace: like.loadPlace,
  equipmentAll: like.equipmentAll,
  rangeTarget: like.rangeTarget,
  dose: like.dose,
});

const SIDES_OF: Record<Laterality, SideOrder> = {
  'two legs': 'both together',
  split: 'one side to the end',
  'one leg': 'one side to the end',
};
/** Thigh from the vertical at the bottom (common practice). */
const THIGH_OF: Partial<Record<RangeTarget, number>> = {
  'thigh level': 90,
  'full depth': 110,
  'small range': 60,
};
/** A first load where the like one has none: a tenth of body mass (judgement). */
const FIRST_LOAD = { fractionOfBodyMass: 0.1, per: 'total' } as const;

/**
 * A new variation that is like another but for what is said: sides, posture and load follow from it, so that figure and
 * demand are its own.
 */
export function likeOne(like: Variation, apart: Apart): Variation {
  const loadPlace = apart.loadKind === 'none' ? 'none' : apart.loadPlace;
  const { demandAdjustment: _points, ...plain } = like;
  const moved = apart.laterality !== like.laterality;
  return {
    ...plain,
    ...apart,
    shortName: apart.name.slice(0, 40),
    loadPlace,
    ...(moved ? { sideOrder: SIDES_OF[apart.laterality] } : {}),
    mechanics: mechanicsLike(like, apart, loadPlace),
    retired: false,
  };
}

function mechanicsLike(like: Variation, apart: Apart, loadPlace: LoadPlace): Mechanics {
  let m = like.mechanics;
  if ('legs' in m && apart.laterality !== like.laterality)
    m = { ...m, legs: apart.laterality === 'two legs' ? 2 : 1 };
  const thigh = THIGH_OF[apart.rangeTarget];
  if (m.type === 'squat' && thigh !== undefined && apart.rangeTarget !== like.rangeTarget)
    m = { ...m, thighDeg: thigh };
  if ('loadPlace' in m && loadPlace !== like.loadPlace) {
    const { referenceLoad, loadLook: _look, ...rest } = m;
    m =
      loadPlace === 'none'
        ? { ...rest, loadPlace }
        : { ...rest, loadPlace, referenceLoad: referenceLoad ?? FIRST_LOAD };
  }
  return m;
}
