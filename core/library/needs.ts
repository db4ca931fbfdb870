import type { EquipmentNeed } from './documents.ts';

/** What a variation needs, as slugs: everything of `all`, and one of each group of `any`. */
export interface Needs {
  all: readonly string[];
  any: readonly (readonly string[])[];
}

export const needsOf = (v: { equipmentAll: EquipmentNeed[]; equipmentAny: EquipmentNeed[][] }): Needs => ({
  all: v.equipmentAll.map((n) => n.equipment),
  any: v.equipmentAny.map((group) => group.map((n) => n.equipment)),
});
