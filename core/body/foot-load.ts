/** What two scales showed, one under each foot, while somebody stood still on both. */
export interface FootLoad {
  /** Which foot stood in front; null: side by side. */
  front: 'left' | 'right' | null;
  leftKg: number;
  rightKg: number;
  /** How far the hips stood off a plumb line, centimetres, to the right positive; null: not looked at. */
  shiftCm: number | null;
}

/** Within which a bathroom scale tells, kilograms, and how far somebody who stands still sways (common practice, no source). */
const SCALE_KG = 0.5;
const SWAYS = 0.02;
/** Less than this of the mass that is known, and a part of it stood on neither. */
const ALL_OF_IT = 0.9;

export interface FootShare {
  of: 'left' | 'right' | 'front';
  /** 0 to 1: of the foot in front, else of the one that carries more. */
  share: number;
  band: number;
  /** Clear of an even half; in a split stance none is expected. */
  uneven: boolean;
}

/** The share of a foot, within what two scales and a body that sways can tell. */
export function footShare({ front, leftKg, rightKg }: FootLoad): FootShare {
  const [of, own, other] =
    front !== null
      ? (['front', ...(front === 'left' ? [leftKg, rightKg] : [rightKg, leftKg])] as const)
      : leftKg >= rightKg
        ? (['left', leftKg, rightKg] as const)
        : (['right', rightKg, leftKg] as const);
  const all = own + other;
  const share = own / all;
  // Of own/(own + other), both within the same.
  const scales = (SCALE_KG * Math.hypot(own, other)) / all ** 2;
  const band = Math.hypot(scales, SWAYS);
  return { of, share, band, uneven: front === null && share - 0.5 > band };
}

/** Why the two cannot be right, in words; null where they can. @param massKg null: nobody has weighed them */
export function footLoadProblem(massKg: number | null, { leftKg, rightKg }: FootLoad): string | null {
  const all = leftKg + rightKg;
  if (all < 10) return 'both scales together show less than 10 kg';
  if (massKg !== null && all < ALL_OF_IT * massKg)
    return `both scales together show ${Math.round(all)} kg, and they weigh ${Math.round(massKg)}: all of it has to stand on the two`;
  return null;
}
