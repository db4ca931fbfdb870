import type { EquipmentNeed } from './documents.ts';

/** What a variation needs, as slugs: everything of `all`, and one of each group of `any`. */
export interface Needs {
  all: readonly string[];
  any: readonly (readonly string[])[];
  /** How many of a piece one person needs at once, where that is more than one. */
  counts: ReadonlyMap<string, number>;
}

export function needsOf(v: { equipmentAll: EquipmentNeed[]; equipmentAny: EquipmentNeed[][] }): Needs {
  const counts = new Map<string, number>();
  for (const { equipment, count } of [...v.equipmentAll, ...v.equipmentAny.flat()])
    if (count > 1) counts.set(equipment, Math.max(count, counts.get(equipment) ?? 1));
  return {
    all: v.equipmentAll.map((n) => n.equipment),
    any: v.equipmentAny.map((group) => group.map((n) => n.equipment)),
    counts,
  };
}
