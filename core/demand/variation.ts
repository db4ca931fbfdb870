import { unitBuild } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { SettledMechanics, Computed, Lack, Range, Undetermined, Verdict } from '../posture/index.ts';
import { isComputed, isHeld, rangeOf, referenceLoadKg, undeterminedIn } from '../posture/index.ts';
import { askedBy, pointsOf } from './demand.ts';
import type { Balance, Peaks, Points } from './demand.ts';

/** What a variation asks of a build, or why no number is given. */
export type Demand = Measured | { kind: 'drawn only'; reason: string } | { kind: 'cannot'; why: string };

export interface Measured extends Points {
  kind: 'measured';
  peaks: Peaks;
  /** Where a force is undetermined by statics: points at the ends of its band, and what is open. */
  band: { low: number; high: number; open: string } | null;
  needs: {
    /** Dorsiflexion that the posture uses, degrees. */
    ankleDeg: number;
    /** Flexion between thigh and trunk that it uses, degrees. */
    hipDeg: number;
  };
  /** What the movement takes anywhere in its range and this build, or any, has not. */
  lacks: Lack[];
  /** Balances, or is held by its support, all the way, within the ranges of the build. */
  feasible: boolean;
  /** What happens to this build in the posture; 'balanced' where it holds. */
  verdict: Verdict;
  /** How far the centre of mass stays behind the foot's pressure, metres. */
  shortM: number;
  loadKg: number;
}

/** The kind of balance that goes with a posture. */
export function balanceOf(m: Computed): Balance {
  switch (m.type) {
    case 'squat':
      if (m.stepUpM !== undefined) return 'one leg to a seat or a step';
      if (m.legs === 1)
        return m.pull ? 'one leg, hand on something' : m.box ? 'one leg to a seat or a step' : 'one leg';
      if (m.sidewaysShare !== undefined) return 'sideways';
      return m.box || m.pull ? 'two legs, held or to a seat' : 'two legs';
    case 'hinge':
      if (m.legs === 2) return 'two legs';
      if (m.kickstand) return m.touch ? 'split stance, hand on something' : 'split stance';
      return m.touch ? 'one leg, hand on something' : 'one leg';
    case 'lift':
      return 'two legs';
    case 'extension':
      return 'lying';
    case 'bridge':
      return m.legs === 1 ? 'one leg, lying' : 'lying';
    case 'lunge': {
      const steps = m.dynamics !== 'static' || !!m.rearFootRaisedM;
      if (m.touch) return steps ? 'stepping, hand on something' : 'split stance, hand on something';
      return steps ? 'stepping' : 'split stance';
    }
  }
}

/** Peak against static ground force of a two-handed swing at this pace (Lake & Lauder 2012, from memory, low). */
const SWING = 1.6;

/**
 * How much more the ground is pushed than standing still asks: stepping into a lunge and catching it is a judgement. Speed is
 * outside statics, so this is a stated factor on everything that is asked.
 */
export function fasterOf(m: Computed): number {
  if (m.type === 'lunge') return { static: 1, reverse: 1.1, forward: 1.3 }[m.dynamics];
  return m.type === 'hinge' && m.fast ? SWING : 1;
}

/**
 * Positions over which peaks are looked for. Squats cost a microsecond each and have kinks where a rule or support
 * comes in, so they get more; a lunge costs most and is hardest at its bottom. A peak between two positions is missed by
 * less than half a point (tested).
 */
const steps = (m: Computed) => ({ squat: 60, lunge: 8 })[m.type as string] ?? 16;
/** Positions for the ends of a band, which is a matter of several points anyway. */
const BAND_STEPS = 6;
/** A lunge is hardest at its bottom or half way. */
const LUNGE_BAND_STEPS = 2;

/**
 * The whole range from start to end counts. Of a posture that this build cannot hold, what it can hold on the way is left
 * out of the numbers.
 */
const rangeFor = (build: Build, m: Computed, loadKg: number, undetermined: Undetermined): Range =>
  rangeOf(build, m, {
    steps: undetermined === 'default' ? steps(m) : m.type === 'lunge' ? LUNGE_BAND_STEPS : BAND_STEPS,
    loadKg,
    undetermined,
  });

/** Demand of a variation for a build, computed afresh. */
function measure(build: Build, m: Computed, loadKg: number): Demand {
  const balance = balanceOf(m);
  const lying = m.type === 'bridge' || m.type === 'extension';
  let range: Range;
  try {
    range = rangeFor(build, m, loadKg, 'default');
  } catch (error) {
    if (error instanceof RangeError) return { kind: 'cannot', why: error.message };
    throw error;
  }
  const { postures: all, lacks } = range;
  const asked = askedBy(build, all);
  let worst = all.at(-1)!;
  let feasible = true;
  const needs = { ankleDeg: -Infinity, hipDeg: -Infinity };
  for (const p of all) {
    if (p.dorsiflexionDeg > needs.ankleDeg) needs.ankleDeg = p.dorsiflexionDeg;
    if (p.hipFlexionDeg > needs.hipDeg) needs.hipDeg = p.hipFlexionDeg;
    if (feasible && !isHeld(p)) {
      feasible = false;
      worst = p;
    }
  }
  const besides = {
    balance,
    faster: fasterOf(m),
    rangeUsed: Math.max(needs.hipDeg / build.hipLimitDeg, lying ? 0 : needs.ankleDeg / build.ankleLimitDeg),
    helped: m.type === 'squat' && (m.box !== undefined || m.pull !== undefined),
    loadShare: range.loadKg / build.massKg,
  };
  const points = pointsOf(asked, besides);
  const open = undeterminedIn(m);
  const at = (u: Undetermined) =>
    pointsOf(askedBy(build, rangeFor(build, m, loadKg, u).postures), besides).points;
  const ends = open ? [at('low'), at('high'), points.points] : null;
  return {
    kind: 'measured',
    ...points,
    peaks: asked.peaks,
    band: ends && { low: Math.min(...ends), high: Math.max(...ends), open: open! },
    needs,
    lacks,
    feasible: feasible && lacks.length === 0,
    verdict: worst.verdict,
    shortM: worst.shortM,
    loadKg,
  };
}

/** A memory of demands in units of stature and m·g·H: people of one proportion share every entry. */
export class DemandMemory {
  private readonly known = new Map<string, Demand>();
  private readonly bodies = new WeakMap<Build, { unit: Build; key: string }>();

  /** @param most entries kept; the oldest are dropped beyond it */
  constructor(private readonly most = 20_000) {}

  get size() {
    return this.known.size;
  }

  /**
   * What a variation asks of a build. Angles and points depend on proportions, ranges and on loads and heights as
   * shares of mass and stature only, so the unit build is solved and moments are scaled.
   * @param loadKg load in all instead of the reference load
   */
  of(build: Build, m: SettledMechanics, loadKg?: number): Demand {
    if (!isComputed(m)) return { kind: 'drawn only', reason: m.reason };
    const { unit, key } = this.body(build);
    const kg = loadKg ?? referenceLoadKg(build, 'referenceLoad' in m ? m.referenceLoad : undefined);
    const share = kg / build.massKg;
    const full = `${key}|${round(share)}|${heightsOf(m)
      .map((h) => round(h / build.statureM))
      .join()}|${textOf(m)}`;
    let found = this.known.get(full);
    if (!found) {
      found = measure(unit, inStatures(m, build.statureM), share);
      if (this.known.size >= this.most) this.known.delete(this.known.keys().next().value!);
      this.known.set(full, found);
    }
    if (found.kind !== 'measured') return found;
    const k = build.massKg * build.statureM;
    return {
      ...found,
      peaks: {
        hipNm: found.peaks.hipNm * k,
        kneeNm: found.peaks.kneeNm * k,
        kneeFlexionNm: found.peaks.kneeFlexionNm * k,
        l5Nm: found.peaks.l5Nm * k,
      },
      shortM: found.shortM * build.statureM,
      lacks: found.lacks.map((l) => (l.of === 'floor' ? { ...l, underM: l.underM * build.statureM } : l)),
      loadKg: kg,
    };
  }

  private body(build: Build) {
    let known = this.bodies.get(build);
    if (!known) {
      const unit = unitBuild(build);
      const { lengths, masses, ankleLimitDeg, hipLimitDeg } = unit;
      const key = [
        ...Object.values(lengths).map(round),
        masses.name,
        round(ankleLimitDeg),
        round(hipLimitDeg),
      ].join(',');
      this.bodies.set(build, (known = { unit, key }));
    }
    return known;
  }
}

const round = (n: number) => n.toPrecision(9);

const texts = new WeakMap<Computed, string>();

/** The block as text without its heights, made once for each block. */
function textOf(m: Computed): string {
  let text = texts.get(m);
  if (text === undefined) {
    text = JSON.stringify(inStatures(m, Infinity));
    texts.set(m, text);
  }
  return text;
}

/** Heights in metres that a block holds; shares of stature are what the posture depends on. */
function heightsOf(m: Computed): number[] {
  switch (m.type) {
    case 'squat':
      return [m.kneePastToeM ?? NaN, m.stepUpM ?? NaN];
    case 'lift':
      return [m.fromHeightM];
    case 'bridge':
      return [m.feetRaisedM ?? NaN, typeof m.bench === 'object' ? m.bench.heightM : NaN];
    case 'lunge':
      return [m.rearFootRaisedM ?? NaN, m.frontFootRaisedM ?? NaN];
    case 'hinge':
    case 'extension':
      return [];
  }
}

/** Heights of the set-up as shares of stature, so that the unit build meets the same posture. */
function inStatures(m: Computed, statureM: number): Computed {
  const share = (metres: number | undefined) => (metres === undefined ? undefined : metres / statureM);
  switch (m.type) {
    case 'squat':
      return { ...m, kneePastToeM: share(m.kneePastToeM), stepUpM: share(m.stepUpM) };
    case 'lift':
      return { ...m, fromHeightM: m.fromHeightM / statureM };
    case 'bridge':
      return {
        ...m,
        feetRaisedM: share(m.feetRaisedM),
        ...(typeof m.bench === 'object' ? { bench: { heightM: m.bench.heightM / statureM } } : {}),
      };
    case 'lunge':
      return {
        ...m,
        rearFootRaisedM: share(m.rearFootRaisedM),
        frontFootRaisedM: share(m.frontFootRaisedM),
      };
    case 'hinge':
    case 'extension':
      return m;
  }
}

const shared = new DemandMemory();

/** What a variation asks of a build, from the common memory. */
export const demandOf = (build: Build, m: SettledMechanics, loadKg?: number): Demand =>
  shared.of(build, m, loadKg);
