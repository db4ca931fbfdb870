import type {
  Aid,
  CountedIn,
  Felt,
  LoadKind,
  LoadPlace,
  Pattern,
  RangeTarget,
  Severity,
} from '../terms/index.ts';

/** What a decision needs to know of a variation, read from its resolved form. */
export interface VariationFacts {
  slug: string;
  name: string;
  pattern: Pattern;
  loadPlace: LoadPlace;
  rangeTarget: RangeTarget;
  impact: boolean;
  /** True where left and right are logged apart. */
  oneSided: boolean;
  /** Equipment that must be at hand: every group needs one of its members. */
  equipmentGroups: string[][];
  severities: Record<string, Severity>;
  countedIn: CountedIn;
  loadKind: LoadKind;
  /** Aids that may be noted with it. */
  aids: Aid[];
  /** False where its tempo is not prescribed. */
  hasTempo: boolean;
  wanted: Felt[];
  unwanted: Felt[];
}

export type FactsBySlug = ReadonlyMap<string, VariationFacts>;
