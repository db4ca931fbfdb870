import type { Outcome } from '../../core/ladder/index.ts';
import type { Pattern } from '../../core/terms/index.ts';

/** Drawn as steps of a stair: where the outcome leads from the tread in the middle. */
const PATHS: Record<Outcome, string> = {
  'move up': 'M2 17h8v-8h8 M14 5l4 4-4 4',
  grow: 'M2 17h16 M10 14V4 M6 8l4-4 4 4',
  hold: 'M2 12h16 M6 8v8 M14 8v8',
  'step back': 'M18 17h-8v-8H2 M6 5L2 9l4 4',
  'stop and refer': 'M3 3h14v14H3z M7 10h6',
};

export function OutcomeMark({ outcome, size = 20 }: { outcome: Outcome; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden="true" className="shrink-0">
      <path d={PATHS[outcome]} fill="none" stroke="currentColor" strokeWidth="2.6" />
    </svg>
  );
}

export const OUTCOME_WORDS: Record<Outcome, string> = {
  'move up': 'Move up',
  grow: 'Grow here',
  hold: 'Hold',
  'step back': 'Step back',
  'stop and refer': 'Stop and refer',
};

export function OutcomeWord({ outcome }: { outcome: Outcome }) {
  const strong = outcome === 'stop and refer' || outcome === 'step back';
  return (
    <span
      className={`inline-flex items-center gap-1.5 font-head font-semibold whitespace-nowrap ${strong ? 'text-warn' : 'text-ink'}`}
    >
      <OutcomeMark outcome={outcome} />
      {OUTCOME_WORDS[outcome]}
    </span>
  );
}

const PATTERN_COLOURS: Record<Pattern, string> = {
  bridge: 'text-bridge',
  squat: 'text-squat',
  lunge: 'text-lunge',
  hinge: 'text-hinge',
};
export function PatternWord({ pattern }: { pattern: Pattern }) {
  return <span className={`font-head font-semibold ${PATTERN_COLOURS[pattern]}`}>{pattern}</span>;
}
