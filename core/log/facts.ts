import type {
  Aid,
  CountedIn,
  Dominance,
  Felt,
  LoadKind,
  LoadPlace,
  Pattern,
  RangeTarget,
  Region,
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
  /** True where the sides take turns within a set: its number is of both together. */
  alternating: boolean;
  /** Where it can hurt because it is used: from its joints and load place; empty: anywhere. */
  regions: Region[];
  dominance: Dominance;
  /** Equipment that must be at hand: every group needs one of its members. */
  equipmentGroups: string[][];
  severities: Record<string, Severity>;
  countedIn: CountedIn;
  /** Done by the clock, where it is usually counted otherwise: sets without rounds say nothing then. */
  inIntervals?: true;
  loadKind: LoadKind;
  /** How many weights of the load are held: a load is what one of them says. */
  weights: 1 | 2;
  /** Aids that may be noted with it. */
  aids: readonly Aid[];
  /** False where its tempo is not prescribed. */
  hasTempo: boolean;
  wanted: Felt[];
  unwanted: Felt[];
}

export type FactsBySlug = ReadonlyMap<string, VariationFacts>;
