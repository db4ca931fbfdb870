import type { Caution, Variation } from './documents.ts';
import type { Predicate } from './predicates.ts';

const equipmentOf = (v: Variation) => [
  ...v.equipmentAll.map((n) => n.equipment),
  ...v.equipmentAny.flat().map((n) => n.equipment),
];

/** Whether the structured fields of a variation pass the test. */
export function holdsFor(p: Predicate, v: Variation): boolean {
  switch (p.test) {
    case 'all':
      return p.of.every((q) => holdsFor(q, v));
    case 'any':
      return p.of.some((q) => holdsFor(q, v));
    case 'not':
      return !holdsFor(p.of, v);
    case 'every variation':
      return true;
    case 'pattern':
      return p.is.includes(v.pattern);
    case 'laterality':
      return p.is.includes(v.laterality);
    case 'load kind':
      return p.is.includes(v.loadKind);
    case 'load place':
      return p.is.includes(v.loadPlace);
    case 'support':
      return p.is.includes(v.support);
    case 'range':
      return p.is.includes(v.rangeTarget);
    case 'role':
      return v.roles.some((r) => p.is.includes(r));
    case 'impact':
      return v.impact;
    case 'equipment':
      return equipmentOf(v).some((e) => p.is.includes(e));
  }
}

/** Whether the sheet carries the caution: named by it, or by the caution's predicate. */
export const carries = (v: Variation, c: Caution): boolean =>
  v.extraCautions.includes(c.slug) || holdsFor(c.appliesTo, v);
