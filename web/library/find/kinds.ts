import type { Kind } from '../../../core/library/index.ts';

/** Documents in the order in which they are looked for. */
export const KIND_ORDER: readonly Kind[] = [
  'variation',
  'cue',
  'fault',
  'caution',
  'equipment',
  'houseQuestion',
  'drillList',
  'ladder',
];

export const KIND_TABS: Record<Kind, string> = {
  variation: 'Variations',
  cue: 'Cues',
  fault: 'Faults',
  caution: 'Cautions',
  equipment: 'Equipment',
  houseQuestion: 'House rules',
  drillList: 'Drill lists',
  ladder: 'Ladders',
};
