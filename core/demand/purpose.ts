import type { Build } from '../body/index.ts';
import type { Computed, Posture, SettledMechanics } from '../posture/index.ts';
import { isComputed, isHeld, rangeOf } from '../posture/index.ts';
import { askedBy, bendsOf } from './demand.ts';
import { hamstringShare } from './muscles.ts';

export const PURPOSES = [
  'hips, low in the range',
  'hips, in the middle',
  'hips, at the top',
  'knees',
  'back of the thigh',
  'gluteals',
  'hips or knees, low back spared',
] as const;
export type Purpose = (typeof PURPOSES)[number];

/** Hip, knee and low back in one position, N·m; hip and knee of the leg that holds most. */
export interface PlaceOnCurve {
  /** 0 at the lowest position, 1 at the highest. */
  up: number;
  hipNm: number;
  kneeNm: number;
  backNm: number;
  /** What the muscles behind the thigh give of the hip's moment, 0 to 1. */
  hamstrings: number;
}

/** Positions of a curve. */
const STEPS = 24;

function placeOf(p: Posture, up: number): PlaceOnCurve {
  let [hipNm, kneeNm, hamstrings] = [0, 0, 0];
  for (const leg of p.legs) {
    if (leg.hipNm > hipNm) {
      hipNm = leg.hipNm;
      hamstrings = hamstringShare({ ...bendsOf(p, leg), hipNm: leg.hipNm, kneeNm: leg.kneeNm });
    }
    kneeNm = Math.max(kneeNm, leg.kneeNm);
  }
  return { up, hipNm, kneeNm, backNm: Math.max(0, p.l5Nm ?? 0), hamstrings };
}

interface Curve {
  /** From the lowest position to the highest. */
  curve: PlaceOnCurve[];
  loadKg: number;
}

/** Hip, knee and low back over the range with the reference load; null where this body cannot hold it. */
export function curveOf(build: Build, m: Computed): Curve | null {
  try {
    const { postures, workingIs, lacks, loadKg } = rangeOf(build, m, { steps: STEPS });
    if (lacks.length > 0 || !postures.every(isHeld)) return null;
    const upward = workingIs === 'bottom' ? [...postures].reverse() : postures;
    return { curve: upward.map((p, i) => placeOf(p, i / STEPS)), loadKg };
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);
const third = (curve: readonly PlaceOnCurve[], from: number, to: number) =>
  curve.filter((c) => c.up >= from - 1e-9 && c.up <= to + 1e-9);

const THIRDS = {
  'hips, low in the range': 0,
  'hips, in the middle': 1,
  'hips, at the top': 2,
} as const;
/** A third counts as where the hips work hardest down to this share of the hardest third. */
const HARDEST = 0.97;

/** Where in the range somebody feels a movement is where it is hardest: elsewhere it may still hold much, and is not meant. */
function isMeant(purpose: Purpose, curve: readonly PlaceOnCurve[]): boolean {
  if (!(purpose in THIRDS)) return true;
  const thirds = [0, 1, 2].map((i) => mean(third(curve, i / 3, (i + 1) / 3).map((c) => c.hipNm)));
  return thirds[THIRDS[purpose as keyof typeof THIRDS]]! >= HARDEST * Math.max(...thirds);
}

/** How much a curve serves a purpose: N·m where moment is wanted, a ratio where the back is spared. */
export function servesBy(purpose: Purpose, curve: readonly PlaceOnCurve[]): number {
  const hip = (from: number, to: number) => mean(third(curve, from, to).map((c) => c.hipNm));
  switch (purpose) {
    case 'hips, low in the range':
      return hip(0, 1 / 3);
    case 'hips, in the middle':
      return hip(1 / 3, 2 / 3);
    case 'hips, at the top':
      return hip(2 / 3, 1);
    case 'knees':
      return mean(curve.map((c) => c.kneeNm));
    case 'back of the thigh':
      return mean(curve.map((c) => c.hipNm * c.hamstrings));
    case 'gluteals':
      return mean(curve.map((c) => c.hipNm * (1 - c.hamstrings)));
    case 'hips or knees, low back spared': {
      const back = mean(curve.map((c) => c.backNm));
      const legs = mean(curve.map((c) => Math.max(c.hipNm, c.kneeNm)));
      // A back that holds next to nothing would make any ratio endless.
      return legs / Math.max(back, 0.1 * legs, 1);
    }
  }
}

export interface Candidate {
  id: string;
  mechanics: SettledMechanics;
}

export interface Ranked<C extends Candidate> {
  of: C;
  curve: PlaceOnCurve[];
  /** N·m per leg, or legs against low back where the back is spared. */
  serves: number;
  /** Greatest load of the low back over the range, N·m. */
  backNm: number;
  loadKg: number;
}

/**
 * Variations by how much they serve a purpose for a body, most first. What it cannot do, what is only drawn and, where a part
 * of the range is wanted, what is harder elsewhere is left out.
 */
export function rankFor<C extends Candidate>(
  build: Build,
  purpose: Purpose,
  list: readonly C[],
): Ranked<C>[] {
  const ranked = list.flatMap((of): Ranked<C>[] => {
    if (!isComputed(of.mechanics)) return [];
    const found = known(build, of.mechanics);
    if (!found) return [];
    const { curve, loadKg } = found;
    if (!isMeant(purpose, curve)) return [];
    const backNm = Math.max(...curve.map((c) => c.backNm));
    return [{ of, curve, serves: servesBy(purpose, curve), backNm, loadKg }];
  });
  return ranked.sort((a, b) => b.serves - a.serves);
}

const kept = new WeakMap<Build, Map<Computed, Curve | null>>();

/** A curve, found once for a body and a block: changing the purpose costs nothing. */
function known(build: Build, m: Computed): Curve | null {
  let own = kept.get(build);
  if (!own) kept.set(build, (own = new Map<Computed, Curve | null>()));
  let found = own.get(m);
  if (found === undefined) own.set(m, (found = curveOf(build, m)));
  return found;
}

/** A step length or foot distance and what it does, in numbers. */
export interface Trade {
  /** What is set: a share of the right-angle step, or degrees of the shin at the top. */
  value: number;
  hipNm: number;
  kneeNm: number;
  backNm: number;
  /** Share of the muscles behind the thigh in the hip's moment where that is greatest. */
  hamstrings: number;
}

/** How far steps and feet are tried around what stands: shares of the right-angle step, degrees. */
const STEPS_TRIED = [-0.2, -0.1, 0, 0.1, 0.2];
const FEET_TRIED = [-15, 0, 15, 30];

/**
 * The trade of a step length (lunges) or a foot distance (bridges): shorter and longer ones with what hip and knee then
 * hold, of the front leg in a lunge. Empty for other movements; what this body cannot do is left out.
 */
export function tradeOf(build: Build, m: Computed): Trade[] {
  const tries: { value: number; made: Computed }[] =
    m.type === 'lunge'
      ? STEPS_TRIED.map((d) => ({
          value: m.stepOfRightAngleStep + d,
          // A longer step stands on a shin that leans less: the hip goes back with it.
          made: {
            ...m,
            stepOfRightAngleStep: m.stepOfRightAngleStep + d,
            frontShankDeg: m.frontShankDeg - 60 * d,
          },
        }))
      : m.type === 'bridge'
        ? FEET_TRIED.map((value) => ({ value, made: { ...m, feetFartherDeg: value } }))
        : [];
  return tries.flatMap(({ value, made }): Trade[] => {
    try {
      const { postures, lacks } = rangeOf(build, made, { steps: STEPS });
      if (lacks.length > 0 || !postures.every(isHeld)) return [];
      const front = postures.map((p) => ({ ...p, legs: p.legs.filter((l) => l.leg !== 'rear leg') }));
      const { peaks } = askedBy(build, front);
      const places = front.map((p, i) => placeOf(p, i / STEPS));
      const most = places.reduce((a, b) => (b.hipNm > a.hipNm ? b : a));
      return [
        { value, hipNm: peaks.hipNm, kneeNm: peaks.kneeNm, backNm: peaks.l5Nm, hamstrings: most.hamstrings },
      ];
    } catch (error) {
      if (error instanceof RangeError) return [];
      throw error;
    }
  });
}

/** The one of a trade that serves a purpose most; null of none. */
export function bestOf(purpose: Purpose, trades: readonly Trade[]): Trade | null {
  const serves = (t: Trade): number => {
    switch (purpose) {
      case 'knees':
        return t.kneeNm;
      case 'back of the thigh':
        return t.hipNm * t.hamstrings;
      case 'gluteals':
        return t.hipNm * (1 - t.hamstrings);
      case 'hips or knees, low back spared':
        return Math.max(t.hipNm, t.kneeNm) / Math.max(1, t.backNm);
      default:
        return t.hipNm;
    }
  };
  return trades.reduce<Trade | null>((best, t) => (best && serves(best) >= serves(t) ? best : t), null);
}
