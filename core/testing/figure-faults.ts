import type { Build } from '../body/index.ts';
import type { Figure, Point } from '../posture/index.ts';

const apart = (p: Point, q: Point) => Math.hypot(p.x - q.x, p.y - q.y);

/** A figure may be off by this, metres: nobody sees less. */
const SEEN_M = 0.01;

/**
 * What is wrong with a figure, read off its points: parts under the floor, parts inside a box, limbs that have another
 * length than the body (seen from the front they may look shorter, never longer). In words with figures.
 */
export function figureFaults(build: Build, f: Figure, spreadDeg = 0): string[] {
  const faults: string[] = [];
  const { lengths: l, statureM: H, constants: c } = build;
  const shortened = Math.cos((spreadDeg * Math.PI) / 180);
  const legs = f.legsTogether
    ? [['near', f.near] as const]
    : [['near', f.near] as const, ['far', f.far] as const];
  const length = (what: string, m: number, of: number) => {
    const wrong = f.view === 'front' ? m > of + 1e-6 : Math.abs(m - of) > 1e-6;
    if (wrong) faults.push(`${what} is ${(100 * m).toFixed(1)} cm, not ${(100 * of).toFixed(1)}`);
  };
  const shownOf = (of: number, side: string) => (side === 'near' ? of * shortened : of);
  for (const [side, leg] of legs) {
    length(`${side} thigh`, apart(leg.hip, leg.knee), shownOf(l.thigh, side));
    length(`${side} shank`, apart(leg.knee, leg.ankle), shownOf(l.shank, side));
  }
  for (const [side, arm] of [['near', f.nearArm] as const, ['far', f.farArm] as const]) {
    length(`${side} upper arm`, apart(arm.shoulder, arm.elbow), l.upperArm);
    length(`${side} forearm`, apart(arm.elbow, arm.hand), l.forearm + l.hand / 2);
  }
  const along = (name: string, a: Point, b: Point): [string, Point][] =>
    [0.15, 0.3, 0.5, 0.7, 0.85].map((w) => [name, { x: a.x + (b.x - a.x) * w, y: a.y + (b.y - a.y) * w }]);
  const limbs = [
    ...legs.flatMap(([side, leg]) => [
      ...along(`${side} thigh`, leg.hip, leg.knee),
      ...along(`${side} shank`, leg.knee, leg.ankle),
    ]),
    ...along('trunk', f.hip, f.shoulder),
  ];
  for (const [name, at] of limbs) {
    for (const p of f.props) {
      if (p.kind !== 'block') continue;
      const inside = Math.min(at.x - p.x0, p.x1 - at.x, at.y - p.y0, p.y1 - at.y);
      if (inside > SEEN_M) faults.push(`${name} cut ${(100 * inside).toFixed(1)} cm deep by the ${p.what}`);
    }
  }
  // Where each part is, and how far its flesh reaches round its point.
  const parts: [string, Point, number][] = [
    ...legs.flatMap(([side, leg]): [string, Point, number][] => [
      [`${side} heel`, leg.heel, 0],
      [`${side} toe`, leg.toe, 0],
      [`${side} knee`, leg.knee, c.shinDepth * H],
    ]),
    ['near hand', f.nearArm.hand, 0],
    ['far hand', f.farArm.hand, 0],
    ['hip', f.hip, c.buttockDepth * H],
    ['head', f.head, f.headRadius],
  ];
  const step = f.props.find((p) => p.kind === 'block' && p.what === 'step' && f.floorY < 0);
  for (const [name, at, depth] of parts) {
    const floor = step && at.x > -0.05 * H && name.startsWith('near') && /heel|toe/.test(name) ? 0 : f.floorY;
    const under = floor + depth - at.y;
    if (under > SEEN_M) faults.push(`${name} ${(100 * under).toFixed(1)} cm under the floor`);
    for (const p of f.props) {
      if (p.kind !== 'block') continue;
      const inside = Math.min(at.x - p.x0, p.x1 - at.x, at.y - p.y0, p.y1 - at.y);
      if (inside > SEEN_M) faults.push(`${name} ${(100 * inside).toFixed(1)} cm inside the ${p.what}`);
    }
  }
  return faults;
}
