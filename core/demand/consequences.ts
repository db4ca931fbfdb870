import { buildOf } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import type { SettledMechanics, Computed, Help, LegMoments, Posture } from '../posture/index.ts';
import { isComputed, solverOf, workingOf } from '../posture/index.ts';
import { demandOf } from './variation.ts';

/** Thigh longer or shorter by this share, the rest rescaled to the same stature: about what two in three differ by twice over (assumption). */
const THIGH_SPREAD = 0.06;
const STATURE_M = 1.75;
const MASS_KG = 75;

const testBuild = (factor: number): Build => {
  const plain = buildOf({ statureM: STATURE_M, massKg: MASS_KG });
  return buildOf({
    statureM: STATURE_M,
    massKg: MASS_KG,
    measured: { thigh: plain.lengths.thigh * factor },
    others: 'rescaled',
  });
};

/** Three builds of one stature and mass that a house question is computed for. */
export const TEST_BUILDS: readonly { name: string; build: Build }[] = [
  { name: 'short thighs', build: testBuild(1 - THIGH_SPREAD) },
  { name: 'middle', build: testBuild(1) },
  { name: 'long thighs', build: testBuild(1 + THIGH_SPREAD) },
];

export interface Consequence {
  build: string;
  holds: boolean;
  posture: Posture | null;
  /** Trunk from the vertical; for a bridge or thrust, above level at the top. */
  leanDeg: number;
  kneePastToeM: number;
  legs: LegMoments[];
  l5Nm: number | null;
  frontShare: number | null;
  points: number | null;
  /** What would make it hold, where it does not. */
  helps: Help[];
  /** Trunk lean at which a lunge of these feet gives the asked share of itself; null where none does or none is asked. */
  leanForShareDeg: number | null;
}

/**
 * What an answer to a house question asks of three builds, in its working position: the example posture that the
 * answer carries is solved for each.
 */
export function consequencesOf(
  m: SettledMechanics,
  builds: readonly { name: string; build: Build }[] = TEST_BUILDS,
): Consequence[] {
  if (!isComputed(m)) return [];
  return builds.map(({ name, build }) => consequence(name, build, m));
}

function consequence(name: string, build: Build, m: Computed): Consequence {
  const demand = demandOf(build, m);
  const none: Consequence = {
    build: name,
    holds: false,
    posture: null,
    leanDeg: NaN,
    kneePastToeM: NaN,
    legs: [],
    l5Nm: null,
    frontShare: null,
    points: null,
    helps: [],
    leanForShareDeg: null,
  };
  if (demand.kind !== 'measured') return none;
  const p = workingOf(build, m);
  const solver = solverOf(build, m);
  const holds = demand.feasible;
  return {
    ...none,
    holds,
    posture: p,
    leanDeg: m.type === 'bridge' ? -90 - p.trunkDeg : p.trunkDeg,
    kneePastToeM: p.kneePastToeM,
    legs: p.legs,
    l5Nm: p.l5Nm,
    frontShare: p.frontShare,
    points: holds ? demand.points : null,
    helps: holds ? [] : solver.helps(),
    leanForShareDeg: solver.leanForShareDeg(),
  };
}
