import { VIEW_WORDS } from '../terms/index.ts';
import type { LineField, ResolvedNeed, ResolvedVariation } from './resolve.ts';

/** A line of a sheet as it is read, with the section it stands in. */
export interface PrintedLine {
  section: string;
  text: string;
}

export const LINE_FIELD_WORDS: Record<LineField, string> = {
  purpose: 'Purpose',
  reasonsToChoose: 'Reasons to choose it',
  supportNotes: 'Support',
  rangeNotes: 'Range',
  stance: 'Stance',
  hands: 'Hands',
  gaze: 'Gaze',
  breathing: 'Breathing',
  contactPoints: 'Contact points',
  gettingIn: 'Getting in',
  gettingOut: 'Getting out',
  ifItGoesWrong: 'If it goes wrong',
  setUpMeasures: 'Set-up',
  runThrough: 'Run-through',
};

export const faultSection = (name: string) => `Fault: ${name}`;

/** Every line that the sheet prints, in reading order: what may not contradict the rule in force. */
export function printedLines(r: ResolvedVariation): PrintedLine[] {
  const lines: PrintedLine[] = [];
  const say = (section: string, ...texts: (string | null)[]) => {
    for (const text of texts) if (text) lines.push({ section, text });
  };
  const needs = (list: readonly ResolvedNeed[]) => {
    for (const n of list) say(`Equipment: ${n.equipment.name}`, ...n.setUp);
  };
  for (const c of r.cautions) say(`Caution: ${c.name}`, ...c.lines);
  for (const [field, texts] of Object.entries(r.lines)) say(LINE_FIELD_WORDS[field as LineField], ...texts);
  needs(r.equipmentAll);
  r.equipmentAny.forEach(needs);
  if (r.toeOutDeg !== null) say('Stance', `Toes out by ${r.toeOutDeg}°.`);
  for (const d of r.dose) say('Dose', ...d.notes);
  for (const c of r.cues) say('Cues', c.text);
  for (const f of r.faults) {
    const at = faultSection(f.name);
    say(at, f.sign, `Seen ${f.views.map((v) => VIEW_WORDS[v]).join(', ')}.`, ...f.causes.map((c) => c.text));
    const cause = (id: string) => f.causes.find((c) => c.id === id)?.text ?? id;
    for (const c of f.checks)
      say(at, c.text, ...c.results.map((x) => `${x.result}: ${x.pointsTo.map(cause).join(' ')}`));
    say(at, ...f.answers.map((a) => a.text), f.whenToStop);
    for (const c of f.chain) say(at, c.text, c.gate);
  }
  for (const u of r.unwanted) say('Where it is felt', u.suggests);
  return lines;
}
