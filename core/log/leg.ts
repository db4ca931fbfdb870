import type { Leg, Side } from '../terms/index.ts';

/** In a split stance the side that works is in front; null where either is not known. */
export const legAt = (side: Side | null, working: Side | null): Leg | null =>
  side === null || working === null ? null : side === working ? 'front' : 'rear';
