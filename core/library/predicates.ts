import type {
  Laterality,
  LoadKind,
  LoadPlace,
  Pattern,
  RangeTarget,
  Role,
  Slug,
  Support,
} from '../terms/index.ts';

/** A test over the structured fields of a variation. */
export type Predicate =
  | { test: 'all'; of: Predicate[] }
  | { test: 'any'; of: Predicate[] }
  | { test: 'not'; of: Predicate }
  | { test: 'every variation' }
  | { test: 'pattern'; is: Pattern[] }
  | { test: 'laterality'; is: Laterality[] }
  | { test: 'load kind'; is: LoadKind[] }
  | { test: 'load place'; is: LoadPlace[] }
  | { test: 'support'; is: Support[] }
  | { test: 'range'; is: RangeTarget[] }
  | { test: 'role'; is: Role[] }
  | { test: 'impact' }
  | { test: 'equipment'; is: Slug[] };
