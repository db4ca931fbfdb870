import { adjusted, TIE_POINTS, whyNot } from './order.ts';
import type { Step } from './order.ts';
import type { Measured } from './variation.ts';

export interface Neighbour {
  id: string;
  name: string;
  /** Points more than the variation asked about; negative: less. */
  points: number;
  /** What differs most, in words with figures. */
  reasons: string[];
}

export interface Nearest {
  easier: Neighbour[];
  equal: Neighbour[];
  harder: Neighbour[];
  /** Those that this build cannot hold, with why. */
  cannot: { id: string; name: string; why: string }[];
}

/** Part differences under this many points are not worth a word. */
const WORTH_SAYING = 4;

/** Why one demand differs from another: the parts, largest difference first. */
export function differenceReasons(from: Measured, to: Measured): string[] {
  const part = (name: string, a: number, b: number) => ({ name, by: b - a });
  const parts = [
    part('hip', from.hip, to.hip),
    part('knee', from.knee, to.knee),
    part('low back', from.back, to.back),
  ]
    .filter((p) => Math.abs(p.by) >= WORTH_SAYING)
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
    .map((p) => `${p.name} ${p.by > 0 ? '+' : '−'}${Math.abs(p.by).toFixed(0)} points`);
  const reasons = [...parts];
  if (Math.abs(from.balance - to.balance) >= WORTH_SAYING) {
    reasons.push(to.balance > from.balance ? 'harder to balance' : 'steadier');
  }
  if (Math.abs(from.speed - to.speed) >= WORTH_SAYING) {
    reasons.push(to.speed > from.speed ? 'faster' : 'slower');
  }
  const range = (name: string, a: number, b: number) => {
    if (Math.abs(a - b) >= 5)
      reasons.push(`${Math.abs(b - a).toFixed(0)}° ${b > a ? 'more' : 'less'} ${name} range`);
  };
  range('ankle', Math.max(0, from.needs.ankleDeg), Math.max(0, to.needs.ankleDeg));
  range('hip', Math.max(0, from.needs.hipDeg), Math.max(0, to.needs.hipDeg));
  const load = to.loadKg - from.loadKg;
  if (Math.abs(load) >= 0.5) reasons.push(`${Math.abs(load).toFixed(0)} kg ${load > 0 ? 'more' : 'less'}`);
  return reasons.length > 0 ? reasons : ['much the same in every part'];
}

/**
 * For a variation, what is next easier, equal and next harder for the same build, nearest first.
 * @param most how many of each
 */
export function nearestTo(step: Step, others: readonly Step[], most = 3): Nearest {
  const result: Nearest = { easier: [], equal: [], harder: [], cannot: [] };
  const own = adjusted(step);
  if (own === null || step.demand.kind !== 'measured') return result;
  for (const other of others) {
    if (other.id === step.id) continue;
    const { id, name, demand } = other;
    const why = whyNot(demand);
    if (why !== null) result.cannot.push({ id, name, why });
    if (why !== null || demand.kind !== 'measured') continue;
    const points = adjusted(other)! - own;
    const kind = Math.abs(points) < TIE_POINTS ? 'equal' : points < 0 ? 'easier' : 'harder';
    result[kind].push({ id, name, points, reasons: differenceReasons(step.demand, demand) });
  }
  for (const kind of ['easier', 'equal', 'harder'] as const) {
    result[kind].sort((a, b) => Math.abs(a.points) - Math.abs(b.points));
    result[kind].length = Math.min(most, result[kind].length);
  }
  return result;
}
