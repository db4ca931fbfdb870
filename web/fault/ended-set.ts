import { unevenSettings } from '../../core/terms/index.ts';
import type { Seen } from '../../core/fault/index.ts';
import { withAmount } from '../log/index.ts';
import type { Observed } from '../log/index.ts';
import type { Stopped } from './stop-panel.tsx';

/** The set that pain or a stop fault ended, as it is logged: watched, with what was seen and where it hurt. */
export function endedSet(set: Observed, stopped: Stopped, signs: readonly Seen[]): Observed {
  const { done, pain, felt } = stopped;
  // What was seen without being counted was seen once, in a repetition that may not be complete.
  const seen = signs
    .filter((s) => !set.faults.some((f) => f.fault === s.fault))
    .map((s) => ({ fault: s.fault, side: s.side ?? set.side, reps: 1 }));
  return {
    ...set,
    ...withAmount(set, done),
    watched: true,
    faults: [...set.faults, ...seen],
    // Pain is told whatever the rack stands at: numbers that would be refused are left out.
    settings: unevenSettings(set.settings ?? []) === null ? set.settings : null,
    pain,
    sensations: felt.length > 0 ? [...(set.sensations ?? []), ...felt] : set.sensations,
  };
}
