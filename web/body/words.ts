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
  }
}

/** A computed change that makes a posture hold, with its amount and the lean that goes with it. */
export function helpSentence(h: Help, units: { length: LengthUnit; mass: MassUnit }): string {
  const at = `at a lean of ${tidy(h.leanDeg, 0)}°`;
  switch (h.change) {
    case 'counterweight':
      return h.kg < 0.05
        ? `Arms straight out in front, ${at}.`
        : `${mass(h.kg, units.mass)} held at arm’s length, ${at}.`;
    case 'heel wedge':
      return `Heels on a wedge of ${tidy(h.wedgeDeg)}°, ${at}.`;
    case 'pull':
      return `A strap or hand that pulls with ${tidy(h.newtons, 0)} N at shoulder height, ${at}.`;
    case 'sit on a box':
      return `Sit on a box of ${length(h.boxM, units.length)}: it carries ${mass(h.carriesKg, units.mass)}, ${at}.`;
    case 'less depth':
      return `Only to a thigh angle of ${tidy(h.thighDeg, 0)}° (90° is level), ${at}.`;
  }
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
