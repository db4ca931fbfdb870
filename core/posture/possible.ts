import { G, gripLength } from '../body/index.ts';
import type { Build } from '../body/index.ts';
import { lunge } from './lunge.ts';
import type { LungeSetUp } from './lunge.ts';
import { rootBetween } from './root.ts';
import { squat, squatDefaults } from './squat.ts';
import type { SquatSetUp } from './squat.ts';
import { bodyMassKg } from './on-feet.ts';

/** A change that makes a posture hold, with its computed amount and the lean at which it does. */
export type Help =
  | { change: 'counterweight'; kg: number; leanDeg: number }
  | { change: 'bell at the chest'; kg: number; leanDeg: number }
  | { change: 'heel wedge'; wedgeDeg: number; leanDeg: number }
  | { change: 'pull'; newtons: number; leanDeg: number }
  | { change: 'sit on a box'; carriesKg: number; boxM: number; leanDeg: number }
  | { change: 'less depth'; thighDeg: number; leanDeg: number };

/** Heaviest bell that somebody is sent to fetch for balance, of body mass (judgement). */
const BELL_MOST = 0.5;

/**
 * What would let a squat be held at its depth, at each of the given leans: a weight at arm's length, a bell at the chest, a wedge under
 * the heels, a level pull at shoulder height, sitting on a box, or less depth. Changes that do not help
 * at all, and a weight that nobody holds out, are left out.
 * @param leans trunk leans to hold it at, degrees; by default the greatest the model allows, and 45°
 */
export function whatHelps(build: Build, partial: Partial<SquatSetUp>, leans?: readonly number[]): Help[] {
  const set = { ...squatDefaults(build), ...partial, box: 'none' as const, pull: 'none' as const };
  const c = build.constants;
  const most = Math.min(set.leanLimitDeg, build.hipLimitDeg - set.thighDeg);
  const wanted = leans ?? [most, ...(most > c.leanUpright ? [c.leanUpright] : [])];
  const helps: Help[] = [];
  for (const leanDeg of wanted) {
    const at: SquatSetUp = { ...set, leanLimitDeg: leanDeg };
    const p = squat(build, at);
    if (p.verdict === 'balanced') continue;
    if (p.shortM > 0) {
      if (set.load === 'none' && set.legs === 2) {
        const kg = counterweightKg(build, at);
        if (kg !== null && kg <= c.heldOut * build.massKg) {
          helps.push({ change: 'counterweight', kg, leanDeg });
        }
      }
      if (set.load === 'none') {
        // A bell at the chest balances too, with more of it, since it is nearer.
        const kg = rootBetween(
          (x) => squat(build, { ...at, load: 'goblet', loadKg: x }).shortM - 1e-9 * build.statureM,
          0,
          BELL_MOST * build.massKg,
          1e-9,
        );
        if (kg !== null) helps.push({ change: 'bell at the chest', kg, leanDeg });
      }
      const wedge = rootBetween(
        (w) => squat(build, { ...at, heelWedgeDeg: set.heelWedgeDeg + w }).shortM - 1e-6 * build.statureM,
        0,
        25,
        1e-9,
      );
      if (wedge !== null) helps.push({ change: 'heel wedge', wedgeDeg: wedge, leanDeg });
      const newtons = (G * bodyMassKg(build, set.loadKg) * p.shortM) / p.joints.shoulder.y;
      helps.push({ change: 'pull', newtons, leanDeg });
    }
    const depth = deepestDeg(build, at);
    if (depth !== null) helps.push({ change: 'less depth', thighDeg: depth, leanDeg });
  }
  const seated = squat(build, { ...set, box: 'seated' });
  const box = seated.forces.find((f) => f.from === 'box');
  if (helps.length > 0 && box && set.legs === 2) {
    helps.push({
      change: 'sit on a box',
      carriesKg: box.yN / G,
      boxM: box.at.y,
      leanDeg: seated.trunkDeg,
    });
  }
  return helps;
}

/** Weight at arm's length that balances a squat at its limits, kg; 0 where the arms alone do. */
function counterweightKg(build: Build, set: SquatSetUp): number | null {
  const p = squat(build, { ...set, load: 'counterweight', loadKg: 0 });
  if (p.verdict === 'tips forward') return null;
  const arm = p.joints.shoulder.x + gripLength(build) - p.copX;
  return arm <= 0 ? null : (bodyMassKg(build, 0) * p.shortM) / arm;
}

/** Deepest thigh angle up to the asked one that can be held all the way, degrees; null: none beyond a few degrees. */
export function deepestDeg(build: Build, set: SquatSetUp): number | null {
  const short = (thighDeg: number) => squat(build, { ...set, thighDeg }).shortM - 1e-9 * build.statureM;
  for (let t = 5; t <= set.thighDeg; t += 1) {
    if (short(t) <= 0) continue;
    if (t === 5) return null;
    return rootBetween(short, t - 1, t, 1e-9);
  }
  return null;
}

/** Trunk lean at which a lunge gives its front foot a share of the weight, degrees; null: none up to 60°. */
export function leanForShareDeg(build: Build, set: Partial<LungeSetUp>, share: number): number | null {
  return rootBetween(
    (trunkDeg) => lunge(build, { ...set, frontShare: null, trunkDeg }).frontShare! - share,
    -10,
    60,
    1e-9,
  );
}
