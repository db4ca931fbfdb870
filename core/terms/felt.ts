import type { FeltKind, Leg, Region, Side } from './lists.ts';

export interface Felt {
  region: Region;
  kind: FeltKind;
  /** In a split stance, of which leg; absent: of either. */
  leg?: Leg | null;
}

/** Soreness that somebody woke up with: where, and for how many days. It proves nothing of the work before. */
export interface Sore {
  region: Region;
  side: Side | null;
  days: number;
}

/** The same place and kind. Told of the other leg it is another; where nobody said which leg, it may be this one. */
export const sameFelt = (a: Felt, b: Felt): boolean =>
  a.region === b.region && a.kind === b.kind && (!a.leg || !b.leg || a.leg === b.leg);

/** "front of thigh, front leg". */
export const placeOfFelt = ({ region, leg }: Pick<Felt, 'region' | 'leg'>): string =>
  leg ? `${region}, ${leg} leg` : region;
