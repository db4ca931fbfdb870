import { usualLoads } from '../kit/index.ts';
import type { LoadList } from '../kit/index.ts';
import type { LoadKind } from '../terms/index.ts';

/** What one weight of a kind can be, kg. */
export type Loads = LoadList;

export const USUAL_LOADS: Loads = usualLoads('kg');

export const loadsOf = (kind: LoadKind, loads: Loads = USUAL_LOADS): readonly number[] => loads[kind] ?? [];

/** What is carried as a weight at all. */
const WEIGHTLESS: ReadonlySet<LoadKind> = new Set<LoadKind>(['none', 'band']);

/**
 * The load after `now`: of those above it the nearest to a step more, the lighter of two as near.
 * Where nothing is known of the loads there are, exactly a step more. Null where there is none up to the limit.
 */
export function heavier(
  now: number,
  stepKg: number,
  upToKg: number,
  kind: LoadKind,
  loads?: Loads,
): number | null {
  if (WEIGHTLESS.has(kind)) return null;
  const list = loadsOf(kind, loads);
  const wanted = now + stepKg;
  if (list.length === 0) return now < upToKg ? Math.min(upToKg, wanted) : null;
  const above = list.filter((kg) => kg > now && kg <= upToKg);
  return [...above].sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted) || a - b)[0] ?? null;
}

/** The load before `now`, or null where there is none lighter. */
export function lighterThan(now: number, kind: LoadKind, loads?: Loads): number | null {
  const below = loadsOf(kind, loads).filter((kg) => kg < now);
  return below.length ? Math.max(...below) : null;
}
