import type { ArmPoints, Figure, LegPoints, Point } from '../../core/posture/index.ts';

/** Drawing units: centimetres, y down. */
export interface Frame {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** How thick the parts of the body are drawn, as shares of stature. For the picture only. */
const THICK = {
  hip: 0.05,
  knee: 0.034,
  calf: 0.036,
  ankle: 0.021,
  seat: 0.058,
  chest: 0.064,
  shoulder: 0.05,
  neck: 0.028,
  upperArm: 0.029,
  elbow: 0.022,
  wrist: 0.016,
  sole: 0.012,
} as const;

/** The far side of a body whose legs are together stands back: to the side and a little up, of stature. */
export const DEPTH = { x: 0.03, y: 0.012 } as const;

const n = (value: number) => Number((100 * value).toFixed(2));
export const svgPoint = (p: Point) => ({ x: n(p.x), y: -n(p.y) });
const at = (p: Point) => `${n(p.x)} ${-n(p.y)}`;

/** Two circles and the band between them: a tapered limb. */
export function limbPath(a: Point, ra: number, b: Point, rb: number): string {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const d = Math.hypot(dx, dy);
  if (d <= Math.abs(ra - rb)) {
    const [c, r] = ra > rb ? [a, ra] : [b, rb];
    return `M${at({ x: c.x + r, y: c.y })}a${n(r)} ${n(r)} 0 1 0 ${-n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0Z`;
  }
  // The outer tangents touch both circles at the same angle off the line of centres.
  const off = Math.acos((ra - rb) / d);
  const line = Math.atan2(dy, dx);
  const on = (c: Point, r: number, angle: number): Point => ({
    x: c.x + r * Math.cos(angle),
    y: c.y + r * Math.sin(angle),
  });
  const large = ra >= rb ? 1 : 0;
  return [
    `M${at(on(a, ra, line + off))}`,
    `A${n(ra)} ${n(ra)} 0 ${large} 0 ${at(on(a, ra, line - off))}`,
    `L${at(on(b, rb, line - off))}`,
    `A${n(rb)} ${n(rb)} 0 ${1 - large} 0 ${at(on(b, rb, line + off))}`,
    'Z',
  ].join('');
}

export interface BodyShapes {
  legs: { near: string[]; far: string[] };
  arms: { near: string[]; far: string[] };
  trunk: string[];
  head: { x: number; y: number; r: number };
  nose: string | null;
  joints: { x: number; y: number }[];
}

function legShapes(l: LegPoints, H: number, fat: number): string[] {
  const t = (share: number) => share * H * fat;
  return [
    limbPath(l.hip, t(THICK.hip), l.knee, t(THICK.knee)),
    limbPath(l.knee, t(THICK.calf), l.ankle, t(THICK.ankle)),
    footPath(l.ankle, l.heel, l.toe, t(THICK.ankle), t(THICK.sole)),
  ];
}

/** One outline of heel, sole, toe and instep; the sole runs exactly from heel to toe. */
function footPath(ankle: Point, heel: Point, toe: Point, ra: number, r: number): string {
  const d = Math.hypot(toe.x - heel.x, toe.y - heel.y);
  const s = { x: (toe.x - heel.x) / d, y: (toe.y - heel.y) / d };
  // Up is the side of the sole that the ankle is on.
  const side = (ankle.x - heel.x) * -s.y + (ankle.y - heel.y) * s.x >= 0 ? 1 : -1;
  const up = { x: -s.y * side, y: s.x * side };
  const on = (from: Point, along: number, high: number): Point => ({
    x: from.x + along * s.x + high * up.x,
    y: from.y + along * s.y + high * up.y,
  });
  const high = (ankle.x - heel.x) * up.x + (ankle.y - heel.y) * up.y;
  const back = on(heel, -r * 0.5, high * 0.45);
  return [
    `M${at(on(heel, 0, 0))}`,
    `L${at(toe)}`,
    `Q${at(on(toe, r, r))} ${at(on(toe, -0.1 * d, 2 * r))}`,
    `Q${at(on(toe, -0.4 * d, high * 0.75))} ${at({ x: ankle.x + ra * s.x, y: ankle.y + ra * s.y })}`,
    `Q${at({ x: ankle.x + 1.3 * ra * up.x, y: ankle.y + 1.3 * ra * up.y })} ${at({ x: ankle.x - ra * s.x, y: ankle.y - ra * s.y })}`,
    `Q${at(back)} ${at(on(heel, 0, 0))}Z`,
  ].join('');
}

const armShapes = (a: ArmPoints, H: number, fat: number): string[] => [
  limbPath(a.shoulder, THICK.upperArm * H * fat, a.elbow, THICK.elbow * H * fat),
  limbPath(a.elbow, THICK.elbow * H * fat, a.hand, THICK.wrist * H * fat),
];

const moved = (p: Point, H: number): Point => ({ x: p.x + DEPTH.x * H, y: p.y + DEPTH.y * H });
const movedLeg = (l: LegPoints, H: number): LegPoints => ({
  hip: moved(l.hip, H),
  knee: moved(l.knee, H),
  ankle: moved(l.ankle, H),
  heel: moved(l.heel, H),
  toe: moved(l.toe, H),
});

/** The body as paths; near joints stay exactly where the solver put them. */
export function bodyShapes(f: Figure, fat = 1): BodyShapes {
  const H = f.statureM;
  const t = (share: number) => share * H * fat;
  const far = f.legsTogether && f.view === 'side' ? movedLeg(f.far, H) : f.far;
  const farArm: ArmPoints =
    f.view === 'side'
      ? {
          shoulder: moved(f.farArm.shoulder, H * 0.7),
          elbow: moved(f.farArm.elbow, H * 0.7),
          hand: moved(f.farArm.hand, H * 0.7),
        }
      : f.farArm;
  const d = Math.hypot(f.shoulder.x - f.hip.x, f.shoulder.y - f.hip.y);
  const u = { x: (f.shoulder.x - f.hip.x) / d, y: (f.shoulder.y - f.hip.y) / d };
  const along = (share: number): Point => ({ x: f.hip.x + share * d * u.x, y: f.hip.y + share * d * u.y });
  const front = f.view === 'front';
  const halves = front ? Math.hypot(f.near.hip.x - f.far.hip.x, f.near.hip.y - f.far.hip.y) / 2 : 0;
  const across = { x: u.y, y: -u.x };
  const beside = (p: Point, by: number): Point => ({ x: p.x + by * across.x, y: p.y + by * across.y });
  const trunk = front
    ? [
        limbPath(beside(along(0.02), halves), t(0.046), beside(along(0.02), -halves), t(0.046)),
        limbPath(along(0.1), t(0.07), along(0.82), t(0.082)),
        limbPath(beside(along(0.97), halves * 1.3), t(0.032), beside(along(0.97), -halves * 1.3), t(0.032)),
        limbPath(f.shoulder, t(THICK.neck), f.head, t(THICK.neck)),
      ]
    : [
        limbPath(f.hip, t(THICK.seat), f.spine ?? along(0.66), t(THICK.chest)),
        limbPath(f.spine ?? along(0.66), t(THICK.chest), along(0.97), t(THICK.shoulder)),
        limbPath(f.shoulder, t(THICK.neck), f.head, t(THICK.neck)),
      ];
  const nose = f.facing
    ? limbPath(
        { x: f.head.x + f.facing.x * f.headRadius * 0.7, y: f.head.y + f.facing.y * f.headRadius * 0.7 },
        t(0.02),
        { x: f.head.x + f.facing.x * f.headRadius * 1.16, y: f.head.y + f.facing.y * f.headRadius * 1.16 },
        t(0.007),
      )
    : null;
  const near = f.near;
  return {
    legs: { near: legShapes(near, H, fat), far: legShapes(far, H, fat) },
    arms: { near: armShapes(f.nearArm, H, fat), far: armShapes(farArm, H, fat) },
    trunk,
    head: { ...svgPoint(f.head), r: n(f.headRadius * (fat > 1 ? 1.08 : 1)) },
    nose,
    joints: [near.hip, near.knee, near.ankle, f.shoulder].map(svgPoint),
  };
}

/** Corners of everything that a figure draws, metres. */
function extent(f: Figure): { x0: number; x1: number; y0: number; y1: number } {
  const H = f.statureM;
  const pad = 0.06 * H;
  const points: Point[] = [
    { x: f.head.x - f.headRadius, y: f.head.y - f.headRadius },
    { x: f.head.x + f.headRadius, y: f.head.y + f.headRadius * 1.1 },
  ];
  const around = (p: Point, r: number) => points.push({ x: p.x - r, y: p.y - r }, { x: p.x + r, y: p.y + r });
  for (const l of [f.near, f.far]) for (const p of [l.hip, l.knee, l.ankle]) around(p, pad * 0.85);
  for (const l of [f.near, f.far]) points.push(l.heel, l.toe);
  for (const a of [f.nearArm, f.farArm]) for (const p of [a.elbow, a.hand]) around(p, 0.025 * H);
  if (f.load) around(f.load.at, f.load.look === 'bar' ? PLATE_M : 0.07 * H);
  for (const p of f.props) {
    if (p.kind === 'block') points.push({ x: p.x0, y: p.y0 }, { x: p.x1, y: p.y1 });
    else if (p.kind === 'ball') around(p.at, p.radius);
    else if (p.kind === 'wall') points.push({ x: p.x - 0.02, y: 0 }, { x: p.x + 0.02, y: 0.9 * H });
    else if (p.kind === 'pole') points.push({ x: p.x, y: p.top });
    else if (p.kind === 'strap' || p.kind === 'stick' || p.kind === 'pad') points.push(p.from, p.to);
  }
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(f.floorY, ...ys), y1: Math.max(...ys) };
}

/** Radius of a full-size plate, m (450 mm across, the usual competition disc). */
export const PLATE_M = 0.225;

/**
 * One frame in which all of some figures fit, with the floor at its foot.
 * @param below room under the floor for pressure marks, metres
 */
export function frameOf(figures: readonly Figure[], below = 0.1): Frame {
  const all = figures.map(extent);
  const x0 = Math.min(...all.map((e) => e.x0)) - 0.04;
  const x1 = Math.max(...all.map((e) => e.x1)) + 0.04;
  const y0 = Math.min(...all.map((e) => e.y0)) - below;
  const y1 = Math.max(...all.map((e) => e.y1)) + 0.03;
  return { x: n(x0), y: -n(y1), width: n(x1 - x0), height: n(y1 - y0) };
}
