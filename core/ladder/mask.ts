import type { Judged, Reason } from '../criterion/index.ts';
import type { Decision } from './decide.ts';

const HIDDEN = 'for staff of the squad';

function maskJudged(j: Judged): Judged {
  if (!j.health) return j;
  const parts = j.parts.map(maskJudged);
  if (parts.length) return { ...j, parts };
  return { ...j, judgement: 'unknown', seen: null, margin: null, account: HIDDEN };
}

const maskReason = (r: Reason): Reason => (r.health ? { ...r, text: `A health reason, ${HIDDEN}.` } : r);

/** The decision as somebody may read it who may not see pain: the outcome stays, the numbers go. */
export function withoutHealth(d: Decision): Decision {
  return {
    ...d,
    reasons: d.reasons.map(maskReason),
    missing: d.missing.map(maskReason),
    advance: maskJudged(d.advance),
    stepBack: maskJudged(d.stepBack),
  };
}
