import type { Region, Side } from '../../core/terms/index.ts';

type Point = readonly [x: number, y: number];

/** A place on the drawing that can be tapped, in the units of the drawing. */
export interface Place {
  region: Region;
  side: Side | null;
  view: 'front' | 'back';
  /** What of the body it is; drawn no farther than the outline. */
  path: string;
  /** Where a finger finds it: beside the body too. */
  reach: string;
  middle: Point;
}

/** Each figure is 200 wide and 440 high, its middle at 100. */
export const FIGURE_WIDTH = 200;
export const FIGURE_HEIGHT = 440;
const MIDDLE = 100;

/** The right half of the outline from the neck round to the crotch; x outward from the middle. */
const HALF: readonly Point[] = [
  [10, 50],
  [13, 64],
  [32, 72],
  [51, 82],
  [58, 104],
  [62, 134],
  [66, 164],
  [72, 196],
  [77, 216],
  [75, 234],
  [68, 236],
  [66, 214],
  [60, 192],
  [53, 164],
  [48, 138],
  [43, 116],
  [40, 138],
  [36, 160],
  [41, 186],
  [44, 212],
  [43, 248],
  [39, 288],
  [34, 318],
  [33, 336],
  [36, 362],
  [31, 392],
  [25, 412],
  [25, 424],
  [31, 434],
  [10, 434],
  [11, 414],
  [10, 392],
  [8, 362],
  [9, 336],
  [9, 316],
  [6, 282],
  [2, 240],
  [0, 226],
];

const at = ([x, y]: Point, sign: 1 | -1): Point => [MIDDLE + sign * x, y];

/** A closed curve through points, smooth at each (Catmull and Rom, A class of local interpolating splines, 1974). */
function smooth(points: readonly Point[]): string {
  const n = points.length;
  const p = (i: number) => points[(i + n) % n]!;
  const r = (v: number) => Math.round(v * 10) / 10;
  const curves = points.map((_, i) => {
    const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = [p(i - 1), p(i), p(i + 1), p(i + 2)];
    return `C${r(x1 + (x2 - x0) / 6)} ${r(y1 + (y2 - y0) / 6)} ${r(x2 - (x3 - x1) / 6)} ${r(y2 - (y3 - y1) / 6)} ${x2} ${y2}`;
  });
  return `M${points[0]!.join(' ')}${curves.join('')}z`;
}

/** Head and body, as one path. */
export const OUTLINE: string = [
  `M${MIDDLE} 6a19 23 0 1 1 0 46a19 23 0 1 1 0-46z`,
  smooth([
    ...HALF.map((p) => at(p, 1)),
    ...HALF.slice(0, -1)
      .reverse()
      .map((p) => at(p, -1)),
  ]),
].join('');

const straight = (points: readonly Point[]) => `M${points.map((p) => p.join(' ')).join('L')}z`;

interface Box {
  from: number;
  to: number;
  top: number;
  bottom: number;
  /** How far outward a finger finds it; as far as it is drawn, if not given. */
  reach?: number;
}

const corners = ({ from, to, top, bottom }: Box, sign: 1 | -1) =>
  (
    [
      [from, top],
      [to, top],
      [to, bottom],
      [from, bottom],
    ] as const
  ).map((p) => at(p, sign));

/** The same on either side; from the front the person's left is on the right of the drawing, from behind on its left. */
function pair(region: Region, view: Place['view'], box: Box): Place[] {
  return (['left', 'right'] as const).map((side) => {
    const sign = (view === 'front') === (side === 'left') ? 1 : -1;
    const edge = Math.min(box.to, 42);
    return {
      region,
      side,
      view,
      path: straight(corners(box, sign)),
      reach: straight(corners({ ...box, to: box.reach ?? box.to }, sign)),
      middle: at([(box.from + edge) / 2, (box.top + box.bottom) / 2], sign),
    };
  });
}
function across(region: Region, view: Place['view'], half: number, top: number, bottom: number): Place {
  const path = straight([
    [MIDDLE - half, top],
    [MIDDLE + half, top],
    [MIDDLE + half, bottom],
    [MIDDLE - half, bottom],
  ]);
  return { region, side: null, view, path, reach: path, middle: [MIDDLE, (top + bottom) / 2] };
}

export const PLACES: readonly Place[] = [
  ...pair('shoulder', 'front', { from: 26, to: 70, top: 62, bottom: 114, reach: 78 }),
  across('front of trunk', 'front', 26, 74, 186),
  ...pair('side of trunk', 'front', { from: 26, to: 47, top: 114, bottom: 186 }),
  ...pair('front of hip or groin', 'front', { from: 0, to: 26, top: 186, bottom: 228 }),
  ...pair('side of hip', 'front', { from: 26, to: 52, top: 186, bottom: 238, reach: 60 }),
  ...pair('inner thigh', 'front', { from: 0, to: 18, top: 228, bottom: 310 }),
  ...pair('front of thigh', 'front', { from: 18, to: 52, top: 238, bottom: 310, reach: 60 }),
  ...pair('front of knee', 'front', { from: 2, to: 23, top: 310, bottom: 348 }),
  ...pair('side of knee', 'front', { from: 23, to: 50, top: 310, bottom: 348, reach: 62 }),
  ...pair('ankle', 'front', { from: 2, to: 46, top: 394, bottom: 436, reach: 58 }),
  across('neck', 'back', 24, 44, 74),
  across('upper back', 'back', 46, 74, 140),
  across('low back', 'back', 46, 140, 186),
  ...pair('back of hip', 'back', { from: 0, to: 52, top: 186, bottom: 240, reach: 60 }),
  ...pair('back of thigh, high', 'back', { from: 0, to: 52, top: 240, bottom: 278, reach: 60 }),
  ...pair('back of thigh, low', 'back', { from: 0, to: 52, top: 278, bottom: 318, reach: 60 }),
  ...pair('calf', 'back', { from: 2, to: 50, top: 342, bottom: 398, reach: 60 }),
];
