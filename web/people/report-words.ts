import type { Report } from '../../contract/reports.ts';
import { TOLD_WORDS } from '../../core/ladder/index.ts';

/** A report as a phrase, e.g. "pain 8 of 10 in a set of Glute bridge: front of knee (left)". */
export function reportWords(r: Report): string {
  const whole = r.told === 'press' || r.told === 'alone' || r.told === 'outcome';
  const pain = r.pain === null ? '' : `pain ${r.pain} of 10${whole ? ', ' : ' '}`;
  const how = r.told === 'set' && r.doing ? `in a set of ${r.doing}` : TOLD_WORDS[r.told];
  const doing = r.told !== 'set' && r.doing ? `, ${r.doing}` : '';
  const where = r.felt.map((f) => (f.side ? `${f.region} (${f.side})` : f.region)).join(', ');
  const words = r.words ? `. “${r.words}”` : '';
  return `${pain}${how}${doing}${where ? `: ${where}` : ''}${words}`;
}
