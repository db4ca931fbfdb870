import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { Computed, SettledMechanics, Undetermined } from '../posture/index.ts';
import { isComputed, rangeOf, referenceLoadKg, rootBetween } from '../posture/index.ts';
import { askedBy } from './demand.ts';
import type { Peaks } from './demand.ts';

export const EQUAL_PARTS = ['low back', 'hip', 'knee'] as const;
export type EqualPart = (typeof EQUAL_PARTS)[number];

/** The load in B that asks of a part what A's load asks, or why there is none. */
export type EqualLoad =
  | { kind: 'equal'; part: EqualPart; kg: number; lowKg: number; highKg: number; nm: number }
  | { kind: 'already more'; part: EqualPart; nm: number; withoutNm: number }
  | { kind: 'never'; part: EqualPart; nm: number; mostNm: number; mostKg: number };

export interface EqualLoads {
  /** A's load, kg in all. */
  fromKg: number;
  loads: EqualLoad[];
}

/** More is on no bar of a hall that this is for, kg (judgement). */
const MOST_KG = 300;
/** Load places are good to 3 cm either way; the band of an equal load follows it and what statics leaves open. */
const PLACE_M = 0.03;

const PLACES = ['gobletForward', 'huggedForward', 'frontForward', 'highForward', 'lowForward'] as const;

/** The same body with every load carried on the trunk so much farther forward. */
function carriedForward(build: Build, m: number): Build {
  const constants = { ...build.constants };
  for (const p of PLACES) constants[p] += m / build.statureM;
  return { ...build, constants };
}

const pick = (peaks: Peaks, part: EqualPart): number =>
  part === 'low back'
    ? peaks.l5Nm
    : part === 'hip'
      ? peaks.hipNm
      : Math.max(peaks.kneeNm, peaks.kneeFlexionNm);

/** Positions that a peak is looked for in. */
const STEPS = 24;

function peakOf(
  build: Build,
  m: Computed,
  loadKg: number,
  part: EqualPart,
  undetermined: Undetermined,
): number {
  const { postures } = rangeOf(build, m, { steps: STEPS, loadKg, undetermined });
  return pick(askedBy(build, postures).peaks, part);
}

/** Whether a block carries a load that the model knows. */
function carries(m: Computed): boolean {
  if (m.type === 'lift' || m.type === 'extension') return true;
  return m.loadPlace !== 'none' && m.loadPlace !== 'round the knees' && m.loadPlace !== 'round the ankles';
}

/** Load in B, kg, at which a part's peak is so much; null: at none up to the most. */
function loadFor(build: Build, b: Computed, part: EqualPart, nm: number, undetermined: Undetermined) {
  return rootBetween((kg) => peakOf(build, b, kg, part, undetermined) - nm, 0, MOST_KG, 1e-6);
}

/**
 * For two set-ups: the load in B that gives the same greatest moment of low back, hip and knee over its range as A gives
 * with its own load. The band holds the place of the load, 3 cm either way in each, and what statics leaves open.
 * @param loadKg A's load instead of its reference load, kg in all
 * @returns null where B carries no load that the model knows, or either is only drawn
 * @throws RangeError in words when this body cannot take one of the two
 */
export function equalLoads(
  build: Build,
  a: SettledMechanics,
  b: SettledMechanics,
  loadKg?: number,
): EqualLoads | null {
  if (!isComputed(a) || !isComputed(b) || !carries(b)) return null;
  const fromKg = carries(a)
    ? (loadKg ?? referenceLoadKg(build, 'referenceLoad' in a ? a.referenceLoad : undefined))
    : 0;
  const [near, far] = [carriedForward(build, -PLACE_M), carriedForward(build, PLACE_M)];
  const loads = EQUAL_PARTS.map((part): EqualLoad => {
    const nm = peakOf(build, a, fromKg, part, 'default');
    const withoutNm = peakOf(build, b, 0, part, 'default');
    if (withoutNm >= nm) return { kind: 'already more', part, nm, withoutNm };
    const kg = loadFor(build, b, part, nm, 'default');
    if (kg === null) {
      const mostNm = peakOf(build, b, MOST_KG, part, 'default');
      return { kind: 'never', part, nm, mostNm, mostKg: MOST_KG };
    }
    const ends = [
      [near, far],
      [far, near],
    ].map(([of, on]) => loadFor(on!, b, part, peakOf(of!, a, fromKg, part, 'default'), 'default'));
    const open = (['low', 'high'] as const).map((u) =>
      loadFor(build, b, part, peakOf(build, a, fromKg, part, u), u),
    );
    const all = [kg, ...[...ends, ...open].filter((k) => k !== null)];
    return { kind: 'equal', part, kg, lowKg: Math.min(...all), highKg: Math.max(...all), nm };
  });
  return { fromKg, loads };
}

/** What a load adds at hips and low back for each centimetre that it drifts from the body, N·m, before the hips answer it. */
export const driftNmPerCm = (loadKg: number): number => (G * loadKg) / 100;
