/** A point in the side view: x forward, y up, metres. */
export interface Point {
  x: number;
  y: number;
}

/** A mass at a place, kg. */
export interface PointMass extends Point {
  kg: number;
}

export const rad = (deg: number) => (deg * Math.PI) / 180;
export const deg = (r: number) => (r * 180) / Math.PI;
export const clamp = (low: number, value: number, high: number) => Math.max(low, Math.min(high, value));

/** Point at a share of the way from one to another. */
export const between = (a: Point, b: Point, share: number): Point => ({
  x: a.x + (b.x - a.x) * share,
  y: a.y + (b.y - a.y) * share,
});

export const at = (kg: number, p: Point): PointMass => ({ kg, x: p.x, y: p.y });

export const totalMass = (masses: readonly PointMass[]) => masses.reduce((sum, m) => sum + m.kg, 0);

/** Horizontal place of the common centre of mass. */
export const centreX = (masses: readonly PointMass[]) =>
  masses.reduce((sum, m) => sum + m.kg * m.x, 0) / totalMass(masses);

/** First moment Σ m·(x − x0), kg·m. */
export const firstMoment = (masses: readonly PointMass[], x0: number) =>
  masses.reduce((sum, m) => sum + m.kg * (m.x - x0), 0);

/** Where two circles meet; null when they do not. Both intersections, left of a→b first. */
export function circlesMeet(a: Point, ra: number, b: Point, rb: number): [Point, Point] | null {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const d = Math.hypot(dx, dy);
  if (d === 0 || d > ra + rb || d < Math.abs(ra - rb)) return null;
  const along = (d * d + ra * ra - rb * rb) / (2 * d);
  const off = Math.sqrt(Math.max(0, ra * ra - along * along));
  const base = { x: a.x + (along * dx) / d, y: a.y + (along * dy) / d };
  return [
    { x: base.x - (off * dy) / d, y: base.y + (off * dx) / d },
    { x: base.x + (off * dy) / d, y: base.y - (off * dx) / d },
  ];
}
