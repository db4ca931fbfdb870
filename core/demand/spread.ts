import type { Build } from '../body/index.ts';
import type { SettledMechanics } from '../posture/index.ts';
import { DemandMemory } from './variation.ts';

/** Points of one variation over many builds. */
export interface SpreadOver {
  id: string;
  low: number;
  high: number;
  /** Builds that cannot hold the posture; their points are not counted. */
  cannot: number;
  /** Builds that points could be computed for or that cannot hold it. */
  builds: number;
}

export interface SpreadJob {
  variations: readonly { id: string; mechanics: SettledMechanics }[];
  builds: readonly Build[];
}

/**
 * What each variation asks over all builds, variation by variation so that it can be stopped between them.
 */
export function* spreadOver({ variations, builds }: SpreadJob): Generator<SpreadOver> {
  const memory = new DemandMemory();
  for (const { id, mechanics } of variations) {
    const spread: SpreadOver = { id, low: Infinity, high: 0, cannot: 0, builds: 0 };
    for (const build of builds) {
      const d = memory.of(build, mechanics);
      if (d.kind === 'drawn only') continue;
      spread.builds++;
      if (d.kind === 'cannot' || !d.feasible) spread.cannot++;
      else {
        spread.low = Math.min(spread.low, d.points);
        spread.high = Math.max(spread.high, d.points);
      }
    }
    if (spread.low === Infinity) spread.low = 0;
    yield spread;
  }
}
