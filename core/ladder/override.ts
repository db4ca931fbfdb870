import type { Decision, Outcome } from './decision.ts';

/** From the safest to the most demanding; an override may not climb past a stop. */
const DEMAND: Record<Outcome, number> = {
  'stop and refer': 0,
  'step back': 1,
  hold: 2,
  grow: 3,
  'move up': 4,
};

/** Sentence saying why the override is refused, or null when it may be made. */
export function overrideRefused(decision: Decision, chosen: Outcome, reason: string): string | null {
  if (chosen === decision.outcome) return null;
  if (decision.outcome === 'stop and refer' && DEMAND[chosen] > 0) {
    return 'A stop is not overridden: the head coach clears it, or lifts the restriction, and says who said so.';
  }
  if (reason.trim() === '') return 'Say why: an override is kept with its reason.';
  return null;
}
