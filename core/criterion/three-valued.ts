/** Kleene's strong three-valued logic: Introduction to Metamathematics (1952). */
export type Judgement = 'met' | 'not met' | 'unknown';

/** Conjunction: one "not met" decides, then any unknown. */
export function allOf(states: readonly Judgement[]): Judgement {
  if (states.includes('not met')) return 'not met';
  return states.includes('unknown') ? 'unknown' : 'met';
}

/** Disjunction. */
export function anyOf(states: readonly Judgement[]): Judgement {
  if (states.includes('met')) return 'met';
  return states.includes('unknown') ? 'unknown' : 'not met';
}

export const opposite: Record<Judgement, Judgement> = {
  met: 'not met',
  'not met': 'met',
  unknown: 'unknown',
};
