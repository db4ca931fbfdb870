import { distance, median } from './points.ts';
import { LEAST_RANGE, phasesOf, repsIn } from './reps.ts';
import type { Phases, Rep } from './reps.ts';
import { JOINTS, seenBody } from './signals.ts';
import type { MeasureOf, SeenBody } from './signals.ts';
import { timeOf } from './track.ts';
import type { Signal, Track } from './track.ts';
import type { View } from './view.ts';

/** A picture whose points are surer than this on average is a clear one. */
const CLEAR = 0.6;

/** Why something is not measured. */
export type NotMeasured =
  | 'not from this view'
  | 'points are missing'
  | 'unsteady'
  | 'no scale'
  | 'not of this movement'
  | 'not followed';

/** What is told of one quantity: within its band, or why not. */
export type Measure = { value: number; band: number } | { not: NotMeasured };

export const isMeasured = (m: Measure): m is { value: number; band: number } => 'value' in m;

/** Quantities of a repetition, in the order in which they are shown. */
export const QUANTITIES = ['knee', 'trunk', 'shin', 'hip', 'depth', 'kneesApart', 'heel'] as const;
export type Quantity = (typeof QUANTITIES)[number];

/**
 * Bands within which each is told (measured on drawn figures, the best case: 95 of 100 repetitions and more lay within
 * them; degrees, centimetres, and a ratio).
 * `poor`: where the points are not clear or a load hides the shoulder.
 */
export const BANDS: Record<
  Quantity,
  { band: number; poor: number; unit: '°' | 'cm' | ''; view: 'side' | 'front' }
> = {
  knee: { band: 9, poor: 11, unit: '°', view: 'side' },
  trunk: { band: 8, poor: 10, unit: '°', view: 'side' },
  shin: { band: 6, poor: 7, unit: '°', view: 'side' },
  hip: { band: 11, poor: 13, unit: '°', view: 'side' },
  depth: { band: 10, poor: 12, unit: 'cm', view: 'side' },
  kneesApart: { band: 0.15, poor: 0.15, unit: '', view: 'front' },
  // At the least: a heel is followed to a part of its way.
  heel: { band: 0.2, poor: 0.2, unit: 'cm', view: 'side' },
};

/** Seconds within which a phase is told, by where it is seen from (measured on drawn figures: 95 of 100 and more). */
export const PHASE_BANDS = { side: 0.35, front: 0.45 } as const;
/** Frames a second from which phases are told, and from which a bounce is. */
export const LEAST_RATE = { phases: 10, bounce: 25 } as const;

/** Bands that depend on more than the quantity (measured on drawn figures). */
const KNEE_ELSEWHERE = 13;
const HIP_LYING = { bent: 12, farther: 18, fartherBelowDeg: 115 } as const;
const KNEES_IN = { below: 0.9, band: 0.6 } as const;
/** Shank and thigh are about as long; beyond this a joint was taken for another (judgement). */
const LEG_RATIO = { from: 0.6, to: 1.65 } as const;
/** No shin that stands leans farther, either way, degrees: an ankle bends some 40 (judgement). */
const SHIN_LEANS = 55;
/** A limb may change its length in the picture by so much before the frame is unsure. */
const LIMB_CHANGE = 0.25;
/** Within the working position a value may go to and fro by so many bands (judgement). */
const STEADY = 4;
/** A frame whose core points are surer than this on average is a sure one. */
const SURE_FRAME = 0.4;

export interface MeasuredRep {
  fromS: number;
  toS: number;
  /** Its working position. */
  workFromS: number;
  workToS: number;
  loweringS: number;
  /** null: it is not seen to its end. */
  bottomS: number | null;
  risingS: number;
  topS: number | null;
  partial: boolean;
  stallsS: readonly number[];
  /** A limb that changed its length, or points that were hardly found. */
  unsure: boolean;
  /** At its working position. */
  at: Record<Quantity, Measure>;
}

export interface MeasuredSet {
  view: View;
  rate: number;
  meanScore: number;
  nearSide: 'left' | 'right';
  /** Pixels of a metre; null: not known. */
  pxPerM: number | null;
  reps: MeasuredRep[];
  /** Seconds within which phases are told; null: they are not told. */
  phaseBandS: number | null;
  /** Seconds from to in which nothing was found for longer than is closed. */
  holes: [number, number][];
}

/**
 * A set measured from where somebody's landmarks were: repetitions, phases, and at each working position what can be told
 * from this view within its band. Nothing is told that the view does not show.
 */
export function measureSet(given: Track, of: MeasureOf): MeasuredSet {
  const seen = seenBody(given, of);
  const { track, view, lying, rate, pxPerM, counted, masked } = seen;
  const scores = track.timeS.map((_, i) => scoreOf(seen, i));
  const meanScore = scores.length === 0 ? 0 : scores.reduce((a, b) => a + b, 0) / scores.length;
  const poor = meanScore < CLEAR || of.hidden || of.seated;
  const reps = whoseHipsGo(
    seen,
    of,
    repsIn(counted, { leastRange: LEAST_RANGE, ...(lying ? {} : { masked }) }),
  );
  // From the front a thigh is foreshortened: its length says nothing.
  const limbs = view === 'side' ? limbMedians(seen) : [];
  return {
    view,
    rate,
    meanScore,
    nearSide: seen.nearSide,
    pxPerM,
    phaseBandS: phaseBandOf(seen, of),
    holes: holesIn(counted),
    reps: phasesOf(reps).map((phases, n): MeasuredRep => {
      const r = reps[n]!;
      const about = { poor, fit: view === 'side' && legsFit(seen, r) };
      return {
        ...inOrder(phases, of.workingIs),
        fromS: r.fromS,
        toS: r.toS,
        workFromS: r.bottomFromS,
        workToS: r.bottomToS,
        partial: r.partial,
        stallsS: r.stallsS,
        unsure: unsureIn(seen, r, limbs, scores),
        at: Object.fromEntries(QUANTITIES.map((q) => [q, told(seen, of, q, r, about)])) as MeasuredRep['at'],
      };
    }),
  };
}

/** Of the usual way of the hips, up or down, that they go in a squat or a lunge at the least, where it is so many per cent of their height (judgement). */
const HIPS_GO = { share: 0.15, from: 5 } as const;

/** Whose hips stay where they are does nothing: a joint jumped. */
function whoseHipsGo(
  { signals: { fall } }: SeenBody,
  { type }: MeasureOf,
  reps: readonly Rep[],
): readonly Rep[] {
  if (type !== 'squat' && type !== 'lunge') return reps;
  const near = (s: number) => {
    const i = Math.round((s - fall.fromS) * fall.rate);
    return median(fall.values.slice(Math.max(0, i - 1), i + 2).filter((v) => v !== null));
  };
  const ways = reps.map((r) => {
    const [from, work, to] = [near(r.fromS), near((r.bottomFromS + r.bottomToS) / 2), near(r.toS)];
    return from === null || work === null || to === null ? null : Math.abs(work - (from + to) / 2);
  });
  const usual = median(ways.filter((w) => w !== null));
  return usual === null || usual < HIPS_GO.from
    ? reps
    : reps.filter((_, i) => ways[i] === null || ways[i]! >= HIPS_GO.share * usual);
}

/** Who sits down leans first, and the knee tells a part of the way alone. */
const phaseBandOf = ({ rate, view }: SeenBody, { seated }: MeasureOf): number | null =>
  rate < LEAST_RATE.phases || seated ? null : PHASE_BANDS[view === 'side' ? 'side' : 'front'];

/** What is not measured of a movement: of who lies only trunk and hip were found well enough; hands hang before the knee of a lift. */
function isOfMovement(q: Quantity, { lying }: SeenBody, { type, oneLeg }: MeasureOf): boolean {
  switch (q) {
    case 'trunk':
      return true;
    case 'hip':
      // The hip of a lunge is that of the leg behind as much as that of the leg ahead.
      return type !== 'lunge';
    case 'knee':
      return !lying;
    case 'shin':
      return !lying && type !== 'lift';
    case 'heel':
      return type === 'squat' || type === 'lunge' || type === 'hinge';
    case 'depth':
      return !lying && type !== 'drawn';
    case 'kneesApart':
      // One foot before the other, the near one looks larger and knees and ankles are not level.
      return !lying && !oneLeg && type !== 'drawn' && type !== 'lunge';
  }
}

/** One quantity at the working position of a repetition, or why it is not told. */
function told(
  seen: SeenBody,
  of: MeasureOf,
  q: Quantity,
  r: Rep,
  { poor, fit }: { poor: boolean; fit: boolean },
): Measure {
  const about = BANDS[q];
  if (!isOfMovement(q, seen, of)) return { not: 'not of this movement' };
  if (seen.view !== about.view) return { not: 'not from this view' };
  if (q === 'heel' && !of.placed?.heelCm) return { not: 'not followed' };
  if ((q === 'depth' || q === 'heel') && seen.pxPerM === null) return { not: 'no scale' };
  if (q === 'heel') return heelIn(seen, r);
  const found = workingIn(seen.signals[q], r);
  if (found === null) return { not: 'points are missing' };
  const { value, spread } = found;
  // A body that holds its working position does not jump to and fro: one leg was taken for the other.
  if (spread > STEADY * about.band) return { not: 'unsteady' };
  if (q !== 'trunk' && q !== 'kneesApart' && !fit) return { not: 'unsteady' };
  return { value, band: bandOf(q, value, seen, of, poor) };
}

/** A heel comes up anywhere on the way: where it was highest. */
function heelIn({ signals: { heel } }: SeenBody, r: Rep): Measure {
  const known = heel.values.flatMap((v, i) => {
    const s = timeOf(heel, i);
    return v === null || s < r.fromS || s > r.toS ? [] : [v];
  });
  return known.length === 0
    ? { not: 'points are missing' }
    : { value: Math.max(0, ...known), band: BANDS.heel.band };
}

/** Knees that are not those of a squat or lunge, hips of somebody lying, and knees far inwards read otherwise (measured). */
function bandOf(q: Quantity, value: number, seen: SeenBody, { type }: MeasureOf, poor: boolean): number {
  const { lying } = seen;
  if (q === 'knee' && type !== 'squat' && type !== 'lunge') return KNEE_ELSEWHERE;
  if (q === 'hip' && lying) {
    const bent = median(seen.signals.knee.values.filter((v) => v !== null)) ?? 0;
    return bent < HIP_LYING.fartherBelowDeg ? HIP_LYING.farther : HIP_LYING.bent;
  }
  if (q === 'kneesApart' && value < KNEES_IN.below) return KNEES_IN.band;
  return BANDS[q][poor ? 'poor' : 'band'];
}

/** Where the working position is the high one, the way there is the rising. */
const inOrder = (
  p: Phases,
  workingIs: 'bottom' | 'top',
): Pick<MeasuredRep, 'loweringS' | 'bottomS' | 'risingS' | 'topS'> =>
  workingIs === 'bottom'
    ? p
    : { loweringS: p.risingS, bottomS: p.topS, risingS: p.loweringS, topS: p.bottomS };

/** Mean over the working position of a repetition, and how far it goes to and fro there; null: a hole. */
function workingIn(signal: Signal, r: Rep): { value: number; spread: number } | null {
  const from = Math.max(0, Math.round((r.bottomFromS - signal.fromS) * signal.rate));
  const to = Math.min(signal.values.length - 1, Math.round((r.bottomToS - signal.fromS) * signal.rate));
  const known = signal.values.slice(from, to + 1).flatMap((v) => (v === null ? [] : [v]));
  if (known.length === 0) return null;
  return {
    value: known.reduce((a, b) => a + b, 0) / known.length,
    spread: Math.max(...known) - Math.min(...known),
  };
}

const scoreOf = ({ track, nearSide }: SeenBody, i: number): number =>
  JOINTS.reduce((sum, k) => sum + (track.scores[`${nearSide} ${k}`][i] ?? 0), 0) / JOINTS.length;

/** From the side, at the working position, shank and thigh are as long as legs are, and no shin lies down that stands. */
function legsFit({ track, at, lying, signals }: SeenBody, r: Rep): boolean {
  const shin = lying ? null : workingIn(signals.shin, r);
  if (shin && Math.abs(shin.value) > SHIN_LEANS) return false;
  const ratio = median(
    track.timeS.flatMap((t, i) => {
      if (t < r.bottomFromS || t > r.bottomToS) return [];
      const [h, k, a] = [at('hip', i), at('knee', i), at('ankle', i)];
      return h && k && a && distance(h, k) > 0 ? [distance(k, a) / distance(h, k)] : [];
    }),
  );
  return ratio === null || (ratio >= LEG_RATIO.from && ratio <= LEG_RATIO.to);
}

const LIMBS = [
  ['hip', 'knee'],
  ['knee', 'ankle'],
  ['shoulder', 'hip'],
] as const;

const limbMedians = ({ track, at }: SeenBody): (number | null)[] =>
  LIMBS.map(([a, b]) =>
    median(
      track.timeS.flatMap((_, i) => {
        const [p, q] = [at(a, i), at(b, i)];
        return p && q ? [distance(p, q)] : [];
      }),
    ),
  );

/** Half of the frames of a repetition or more have a limb of another length, or points that were hardly found. */
function unsureIn(
  { track, at }: SeenBody,
  r: Rep,
  limbs: readonly (number | null)[],
  scores: readonly number[],
): boolean {
  let frames = 0;
  let unsure = 0;
  track.timeS.forEach((t, i) => {
    if (t < r.fromS || t > r.toS) return;
    frames++;
    const changed = limbs.some((is, n) => {
      const [a, b] = LIMBS[n]!;
      const [p, q] = [at(a, i), at(b, i)];
      return p && q && is ? Math.abs(distance(p, q) / is - 1) > LIMB_CHANGE : true;
    });
    if (changed || scores[i]! < SURE_FRAME) unsure++;
  });
  return frames === 0 || unsure > frames / 2;
}

function holesIn(signal: Signal): [number, number][] {
  const holes: [number, number][] = [];
  for (let i = 0; i < signal.values.length; i++) {
    if (signal.values[i] !== null) continue;
    let end = i;
    while (end + 1 < signal.values.length && signal.values[end + 1] === null) end++;
    holes.push([timeOf(signal, i), timeOf(signal, end)]);
    i = end;
  }
  return holes;
}
