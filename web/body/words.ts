import { lackWords } from '../../core/demand/index.ts';
import type { Demand } from '../../core/demand/index.ts';
import type { Help, LegMoments, Verdict } from '../../core/posture/index.ts';
import { length, mass, tidy } from '../ui/index.ts';

type LengthUnit = 'cm' | 'in';
type MassUnit = 'kg' | 'lb';

/** What happens to this body in the posture, as a coach would say it. */
export function verdictSentence(v: Verdict, shortM: number): string {
  const cm = `${tidy(100 * shortM)} cm`;
  switch (v) {
    case 'balanced':
      return 'Balances.';
    case 'held by support':
      return 'Held with the help of the support.';
    case 'weight shifts back':
      return `Rolls back onto the heels: ${cm} short of balance.`;
    case 'falls backward':
      return `Falls backward: ${cm} short of balance.`;
    case 'tips forward':
      return 'Tips forward: the load is too far ahead.';
    case 'out of reach':
      return 'The weight cannot be shifted that far: the legs do not reach.';
    case 'lifts off':
      return 'Cannot stand like this: a foot, the back or the seat would have to be pulled down.';
    case 'slips':
      return 'A foot or the back would slip.';
  }
}

/** A computed change that makes a posture hold, with its amount. */
export function helpPhrase(h: Help, units: { length: LengthUnit; mass: MassUnit }): string {
  switch (h.change) {
    case 'counterweight':
      return h.kg < 0.05 ? 'arms straight out in front' : `${mass(h.kg, units.mass)} held at arm’s length`;
    case 'bell at the chest':
      return h.kg < 0.05 ? 'hands at the chest' : `a bell of ${mass(h.kg, units.mass)} at the chest`;
    case 'heel wedge':
      return `heels on a wedge of ${tidy(h.wedgeDeg)}°`;
    case 'pull':
      return `a strap or hand that pulls with ${tidy(h.newtons, 0)} N at shoulder height`;
    case 'sit on a box':
      return `sitting on a box of ${length(h.boxM, units.length)}, which carries ${mass(h.carriesKg, units.mass)}`;
    case 'less depth':
      return `going only to a thigh angle of ${tidy(h.thighDeg, 0)}° (90° is level)`;
  }
}

/** Changes by the lean at which they hold: `At a lean of 55°: this, or that.` */
export function helpSentences(
  helps: readonly Help[],
  units: { length: LengthUnit; mass: MassUnit },
): string[] {
  const leans = [...new Set(helps.map((h) => Math.round(h.leanDeg)))];
  return leans.map((lean) => {
    const list = helps.filter((h) => Math.round(h.leanDeg) === lean).map((h) => helpPhrase(h, units));
    return `At a lean of ${lean}°: ${list.join(', or ')}.`;
  });
}

/** Largest of a kind over the legs of a posture, with the leg it belongs to. */
export function worstLeg(
  legs: readonly LegMoments[],
  key: 'hipNm' | 'kneeNm',
): { nm: number; leg: LegMoments['leg'] } | null {
  let worst: { nm: number; leg: LegMoments['leg'] } | null = null;
  for (const l of legs) {
    if (!worst || Math.abs(l[key]) > Math.abs(worst.nm)) worst = { nm: l[key], leg: l.leg };
  }
  return worst;
}

/** Ranges that a posture takes and this body has not, in sentences; empty where it has them. */
export const lackSentences = (d: Demand): string =>
  d.kind === 'measured' ? d.lacks.map((l) => `This body lacks ${lackWords(l)}.`).join(' ') : '';
