import type { Build } from '../body/index.ts';
import { deg } from '../posture/index.ts';

/** A rack: where its first hole is, how far apart they are, and how many there are. */
export interface Rack {
  firstM: number;
  stepM: number;
  notches: number;
}

/** How well a thing of the hall fits a body. */
export type Fitting = 'fits' | 'with a note' | 'does not fit';

/** A notch of a rack, both sides at this number. */
export interface Notch {
  number: number;
  heightM: number;
  /** How far under what was computed, metres. */
  underM: number;
}

/** Floating point: a height computed as 40 cm is one. */
const HAIR_M = 1e-6;

/** The notch at or under a height; null: even the first is above it. */
export function notchUnder({ firstM, stepM, notches }: Rack, heightM: number): Notch | null {
  const number = Math.min(notches, Math.floor((heightM - firstM + HAIR_M) / stepM) + 1);
  if (number < 1) return null;
  const at = firstM + (number - 1) * stepM;
  return { number, heightM: at, underM: heightM - at };
}

/** Hooks so far under what was computed are told (common practice, no source). */
const HOOKS_LOW_M = 0.07;
const HOOKS_LOWEST_M = 0.1;
/** So much room under the bar is told: one sits down farther than the bottom (common practice, no source). */
const SAFETIES_LOW_M = 0.08;

/** Hooks round down: a bar that has to be lifted off on tiptoe is the danger. */
export const hooksFit = (n: Notch | null): Fitting =>
  n === null || n.underM > HOOKS_LOWEST_M ? 'does not fit' : n.underM > HOOKS_LOW_M ? 'with a note' : 'fits';

/** @param barM height of the bar at the bottom */
export function safetiesFit(n: Notch | null, barM: number): { fitting: Fitting; belowBarM: number | null } {
  if (n === null) return { fitting: 'does not fit', belowBarM: null };
  const belowBarM = barM - n.heightM;
  return { fitting: belowBarM > SAFETIES_LOW_M ? 'with a note' : 'fits', belowBarM };
}

/** A thing of a height, and what may be put on it. */
export interface Standing {
  id: string;
  heightM: number;
}
export interface Pads {
  thicknessM: number;
  count: number;
}

/** A thing of the hall with pads on it, nearest to a height. */
export interface Nearest {
  id: string;
  pads: number;
  heightM: number;
  /** Above (+) or under (−) what was computed, metres. */
  offM: number;
}

/**
 * Of as near ones the one with fewer pads.
 * @param never the height that may not be passed, such as a step’s
 * @param least the height that is reached at least, such as a wedge’s
 */
export function nearestHeight(
  own: readonly Standing[],
  pads: Pads,
  wantedM: number,
  { never = Infinity, least = 0 }: { never?: number; least?: number } = {},
): Nearest | null {
  let best: Nearest | null = null;
  for (const { id, heightM } of own) {
    for (let n = 0; n <= pads.count; n++) {
      const at = heightM + n * pads.thicknessM;
      if (at > never + HAIR_M) break;
      if (at < least - HAIR_M) continue;
      const made = { id, pads: n, heightM: at, offM: at - wantedM };
      const [a, b] = [Math.abs(made.offM), best ? Math.abs(best.offM) : Infinity];
      if (a < b - HAIR_M || (a < b + HAIR_M && n < best!.pads)) best = made;
    }
  }
  return best;
}

/** Box, bench and platform within this, and beyond the second not at all (judgements). */
const BANDS = {
  box: [0.025, 0.05],
  bench: [0.03, 0.06],
  platform: [0.025, 0.05],
} as const;

export function fittingOf(what: keyof typeof BANDS, offM: number): Fitting {
  const [usable, noted] = BANDS[what];
  const off = Math.abs(offM) - HAIR_M;
  return off <= usable ? 'fits' : off <= noted ? 'with a note' : 'does not fit';
}

/** Thigh against level on a box so far off, degrees; − is deeper. NaN where no thigh reaches. */
export const thighOffDeg = ({ lengths }: Build, offM: number): number => deg(Math.asin(offM / lengths.thigh));

/** How far the line of a bridge slopes on a bench so far off, degrees; + is shoulders high. */
export const slopeDeg = ({ lengths: l, constants: c }: Build, offM: number): number =>
  deg(Math.asin(offM / (c.benchPlace * l.hipShoulder + l.thigh)));

/** Knee bend on a ball whose seat is so high, degrees; 80 to 100 is well (judgement). */
export const ballKneeDeg = ({ lengths }: Build, ownSeatM: number, seatM: number): number =>
  90 + deg(Math.asin((ownSeatM - seatM) / lengths.thigh));

/** A soft ball sinks so far under a person; measure each ball's seat once instead (judgement). */
const SINK_M = 0.15;
export const ballDiameterM = (seatM: number): number => seatM + SINK_M;
