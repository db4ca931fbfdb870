import { clamp } from '../posture/index.ts';

/*
 * How the moment of a hip is shared between the muscles behind the thigh, which also bend the knee, and the gluteals. A
 * simple stated model; certainty low, and so the band.
 *
 * Where both are at their best length they give about 45 to 55 (areas and levers: Németh & Ohlsén 1985, from memory). The
 * hamstrings lose with a bent knee and a straight hip, where they are short (torque of the knee benders by angle: Worrell et
 * al. 1989; bridges with bent against straighter knees: Lehecka et al. 2017; from memory). Where the knee itself has to be
 * bent they give at least what their lever at the hip then comes to: about one and a half times the one at the knee.
 */
const AT_BEST = 0.45;
/** Left of their force with the knee bent this far, and with a straight hip. */
const BENT_DEG = 130;
const LEFT_AT_BENT = 0.3;
const LEFT_AT_STRAIGHT_HIP = 0.8;
const HIP_LEVER = 1.5;
/** The share is known to this either way. */
export const SHARE_BAND = 0.15;

/**
 * Share of the muscles behind the thigh in a hip's extension moment, 0 to 1; the rest is the gluteals'.
 * @param hipDeg flexion between thigh and trunk, degrees
 * @param kneeNm + extension; negative where the knee has to be bent
 */
export function hamstringShare(o: {
  hipDeg: number;
  kneeDeg: number;
  hipNm: number;
  kneeNm: number;
}): number {
  const knee = 1 - ((1 - LEFT_AT_BENT) * clamp(0, o.kneeDeg, BENT_DEG)) / BENT_DEG;
  const hip = LEFT_AT_STRAIGHT_HIP + ((1 - LEFT_AT_STRAIGHT_HIP) * clamp(0, o.hipDeg, 90)) / 90;
  const behind = AT_BEST * knee * hip;
  const byLength = behind / (behind + 1 - AT_BEST);
  const needed = o.hipNm > 0 ? (HIP_LEVER * Math.max(0, -o.kneeNm)) / o.hipNm : 0;
  return clamp(0, Math.max(byLength, needed), 1);
}
