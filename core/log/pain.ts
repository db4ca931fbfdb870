import type { Region } from '../terms/index.ts';
import type { VariationFacts } from './facts.ts';
import type { LoggedSet } from './set.ts';

type Told = Pick<LoggedSet, 'painRegion' | 'sensations'>;

/** Where a set hurt: the place told with the pain, else where pain was felt; empty: not told. */
export const painRegions = ({ painRegion, sensations }: Told): Region[] =>
  painRegion !== null
    ? [painRegion]
    : [...new Set((sensations ?? []).filter((f) => f.kind === 'pain').map((f) => f.region))];

/** Whether pain at these places concerns a movement: it uses one of them, or one of the two is not known. */
export const concernsMovement = (
  regions: readonly Region[],
  { regions: used }: Pick<VariationFacts, 'regions'>,
): boolean => regions.length === 0 || used.length === 0 || regions.some((r) => used.includes(r));

/** Pain of a set as far as it concerns the work of a level, 0 to 10; pain elsewhere, or not asked, is 0. */
export const painHere = (
  set: Pick<LoggedSet, 'pain'> & Told,
  main: Pick<VariationFacts, 'regions'> | undefined,
): number => (set.pain !== null && (!main || concernsMovement(painRegions(set), main)) ? set.pain : 0);
