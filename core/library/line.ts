import type { Slug } from '../terms/index.ts';

/** Which answers to house questions a line agrees with; absent means it always holds. */
export type HoldsUnder = Record<Slug, Slug[]>;

/** Every printable line: it is shown only while the house answers in force allow it. */
export interface Line {
  text: string;
  holdsUnder?: HoldsUnder;
}
