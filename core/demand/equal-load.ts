import { G } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { Computed, SettledMechanics, Undetermined } from '../posture/index.ts';
import { isComputed, isHeld, limitsOf, rangeOf, referenceLoadKg, rootBetween } from '../posture/index.ts';
import { askedBy } from './demand.ts';
import type { Peaks } from './demand.ts';

const EQUAL_PARTS = ['low back', 'hip', 'knee'] as const;
export type EqualPart = (typeof EQUAL_PARTS)[number];

/** The load in B that asks of a part what A's load asks, or why there is none. */
export type EqualLoad =
  | { kind: 'equal'; part: EqualPart; kg: number; lowKg: number; highKg: number; nm: number }
  | { kind: 'already more'; part: EqualPart; nm: number; withoutNm: number }
  | { kind: 'never'; part: EqualPart; nm: number; mostKg: number };

export interface EqualLoads {
  /** A's load, kg in all. */
  fromKg: number;
  loads: EqualLoad[];
}

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

/** Greatest moment of a part over a range; null where the body cannot hold all of it. */
function heldPeak(
  build: Build,
  m: Computed,
  loadKg: number,
  part: EqualPart,
  undetermined: Undetermined = 'default',
): number | null {
  const { postures, lacks } = rangeOf(build, m, { steps: STEPS, loadKg, undetermined });
  if (lacks.length > 0 || !postures.every(isHeld)) return null;
  return pick(askedBy(build, postures).peaks, part);
}

/** Most that is carried so, kg: what the body room lets somebody set. */
function mostKg(build: Build, m: Computed): number {
  const { loadKg, heldOutKg } = limitsOf(build, m);
  return (('loadPlace' in m && m.loadPlace === 'arms out in front' ? heldOutKg : undefined) ?? loadKg)![1];
}

/** Whether a block carries a load that the model knows. */
function carries(m: Computed): boolean {
  if (m.type === 'lift' || m.type === 'extension') return true;
  return m.loadPlace !== 'none' && m.loadPlace !== 'round the knees' && m.loadPlace !== 'round the ankles';
}

/** Loads that are tried before the one between two of them is looked for. */
const TRIED = 10;

/** Load in B, kg, at which a part's peak is so much; null where none that can be held gives it. */
function loadFor(build: Build, b: Computed, part: EqualPart, nm: number | null, undetermined?: Undetermined) {
  if (nm === null) return null;
  const over = (kg: number) => (heldPeak(build, b, kg, part, undetermined) ?? NaN) - nm;
  const most = mostKg(build, b);
  let below: number | null = null;
  for (let i = 0; i <= TRIED; i++) {
    const kg = (most * i) / TRIED;
    const by = over(kg);
    if (by > 0) return below === null ? null : rootBetween(over, below, kg, 1e-6);
    // Loads that topple or that nobody gets down to have no moment: what is looked for lies between two that can be held.
    below = by <= 0 ? kg : null;
  }
  return null;
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
    const nm = heldPeak(build, a, fromKg, part);
    const withoutNm = heldPeak(build, b, 0, part);
    if (nm === null) throw new RangeError('This body cannot take the one that is compared with.');
    if (withoutNm !== null && withoutNm >= nm) return { kind: 'already more', part, nm, withoutNm };
    const kg = loadFor(build, b, part, nm);
    if (kg === null) return { kind: 'never', part, nm, mostKg: mostKg(build, b) };
    const ends = [
      loadFor(far, b, part, heldPeak(near, a, fromKg, part)),
      loadFor(near, b, part, heldPeak(far, a, fromKg, part)),
      ...(['low', 'high'] as const).map((u) =>
        loadFor(build, b, part, heldPeak(build, a, fromKg, part, u), u),
      ),
    ];
    const all = [kg, ...ends.filter((k) => k !== null)];
    return { kind: 'equal', part, kg, lowKg: Math.min(...all), highKg: Math.max(...all), nm };
  });
  return { fromKg, loads };
}

/** What a load adds at hips and low back for each centimetre that it drifts from the body, N·m, before the hips answer it. */
export const driftNmPerCm = (loadKg: number): number => (G * loadKg) / 100;
