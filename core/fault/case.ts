import type { FeltKind, Leg, Region, Side } from '../terms/index.ts';

export const TRY_OUTCOMES = ['better', 'same', 'worse'] as const;
export type TryOutcome = (typeof TRY_OUTCOMES)[number];

export const CASE_ENDS = ['better', 'easier', 'stopped', 'left'] as const;
/** How work on a fault ended: an answer helped, an easier variation was given, pain or a stop fault, or it was left. */
export type CaseEnd = (typeof CASE_ENDS)[number];

export interface Seen {
  fault: string;
  /** null: on both, or the work has no sides. */
  side: Side | null;
}
export interface FeltAt {
  region: Region;
  kind: FeltKind;
  side: Side | null;
  /** In a split stance, of which leg. */
  leg?: Leg | null;
}
export interface Checked {
  fault: string;
  /** The check and its result in the words of the library; null: nobody could tell. */
  check: string;
  result: string | null;
  /** What was measured on a picture before and on one with the check, where it was; degrees, and within what. */
  measured?: { angle: string; before: number; after: number; band: number };
}
export interface Tried {
  fault: string;
  answer: string;
  /** Ids of the causes that the answer was for when it was tried; null: any. */
  causes: string[] | null;
  outcome: TryOutcome;
}

/** One person's fault worked on, from the sign to what came of it. */
export interface FaultCase {
  personId: string;
  date: string;
  variation: string;
  signs: Seen[];
  felt: FeltAt[];
  checks: Checked[];
  tried: Tried[];
  end: CaseEnd | null;
}
