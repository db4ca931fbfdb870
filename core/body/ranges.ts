import type { Build } from './build.ts';

export const RANGE_METHODS = [
  'knee to wall',
  'ankle angle',
  'hip angle',
  'straight-leg raise',
  'leg hanging',
] as const;
/**
 * Knee to wall: toe-to-wall distance in metres; the angles in degrees. The leg that hangs over the end of a bench is told
 * from level, below zero where the thigh stays above it.
 */
export type RangeMethod = (typeof RANGE_METHODS)[number];

/** One measurement of a joint's range on one side. */
export interface RangeTest {
  id: string;
  /** Day of the test, ISO 8601. */
  date: string;
  method: RangeMethod;
  side: 'left' | 'right';
  /** Metres for knee to wall, degrees otherwise. */
  value: number;
}

/**
 * Dorsiflexion in degrees from the knee-to-wall test: the greatest toe-to-wall distance at which the knee
 * still touches with the heel down, in metres. Geometry: `asin((d + 0.79·foot)/shank)`; 90 beyond reach.
 */
export function ankleFromKneeToWall(build: Pick<Build, 'lengths' | 'constants'>, distanceM: number): number {
  const { foot, shank } = build.lengths;
  return (
    (Math.asin(Math.min(1, (distanceM + (1 - build.constants.anklePlace) * foot) / shank)) * 180) / Math.PI
  );
}

export type RangeJoint = 'ankle' | 'hip' | 'back of thigh' | 'front of hip';

/** What each test is of. */
const JOINT_OF: Record<RangeMethod, RangeJoint> = {
  'knee to wall': 'ankle',
  'ankle angle': 'ankle',
  'hip angle': 'hip',
  'straight-leg raise': 'back of thigh',
  'leg hanging': 'front of hip',
};

/**
 * Measured below this, a range lacks for deep or long work, degrees (common practice, no source: 35 to 45 are usual at the
 * ankle, about 80 in the straight-leg raise; a thigh that hangs reaches level).
 */
const LACKS_DEG: Record<RangeJoint, number> = {
  ankle: 30,
  hip: 110,
  'back of thigh': 70,
  'front of hip': 0,
};

/** A range that was measured and lacks. */
export interface RangeLacking {
  joint: RangeJoint;
  deg: number;
  /** The day of the test. */
  date: string;
}

/** Ranges that lack; nothing is assumed of what nobody measured. */
export const rangesLacking = (records: readonly RangeRecord[]): RangeLacking[] =>
  records.flatMap(({ joint, limitDeg, newest }) => {
    const least = Object.values(newest).find((p) => p.deg === limitDeg);
    return least && least.deg < LACKS_DEG[joint] ? [{ joint, deg: least.deg, date: least.date }] : [];
  });

export interface RangePoint {
  testId: string;
  date: string;
  side: 'left' | 'right';
  deg: number;
}

export interface RangeRecord {
  joint: RangeJoint;
  /** Every test as an angle, oldest first. */
  points: RangePoint[];
  /** Newest of each side. */
  newest: Partial<Record<'left' | 'right', RangePoint>>;
  /** What counts: the lesser of the newest left and right; null when never tested. */
  limitDeg: number | null;
  /** Change of the lesser side in degrees in four weeks, by least squares over its tests; null with fewer than two days. */
  trendDegPer4Weeks: number | null;
}

const DAY_MS = 86_400_000;

/**
 * Range of a joint from its tests. Both feet stand on the floor together, so the lesser side counts.
 * @param build lengths for turning a knee-to-wall distance into an angle
 */
export function rangeRecord(
  build: Pick<Build, 'lengths' | 'constants'>,
  joint: RangeJoint,
  tests: readonly RangeTest[],
): RangeRecord {
  const points = tests
    .filter((t) => JOINT_OF[t.method] === joint)
    .map((t): RangePoint => ({
      testId: t.id,
      date: t.date,
      side: t.side,
      deg: t.method === 'knee to wall' ? ankleFromKneeToWall(build, t.value) : t.value,
    }))
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  const newest: RangeRecord['newest'] = {};
  for (const p of points) newest[p.side] = p;
  const [least] = Object.values(newest).sort((a, b) => a.deg - b.deg);
  return {
    joint,
    points,
    newest,
    limitDeg: least?.deg ?? null,
    trendDegPer4Weeks: least ? slopePer4Weeks(points.filter((p) => p.side === least.side)) : null,
  };
}

function slopePer4Weeks(points: readonly RangePoint[]): number | null {
  const days = points.map((p) => Date.parse(`${p.date}T00:00:00Z`) / DAY_MS);
  const n = points.length;
  const meanDay = days.reduce((a, b) => a + b, 0) / n;
  const meanDeg = points.reduce((a, p) => a + p.deg, 0) / n;
  const spread = days.reduce((a, d) => a + (d - meanDay) ** 2, 0);
  if (spread === 0) return null;
  const together = points.reduce((a, p, i) => a + (days[i]! - meanDay) * (p.deg - meanDeg), 0);
  return (28 * together) / spread;
}
