import type { Region, Side } from '../../core/terms/index.ts';

/** A place on the drawing that can be tapped; the outline in the units of the drawing. */
export interface Place {
  region: Region;
  side: Side | null;
  view: 'front' | 'back';
  path: string;
}

/** Each figure is 200 wide and 440 high, its middle at 100. */
export const FIGURE_WIDTH = 200;
export const FIGURE_HEIGHT = 440;

const box = (x: number, y: number, w: number, h: number, r = 7) =>
  `M${x + r} ${y}h${w - 2 * r}a${r} ${r} 0 0 1 ${r} ${r}v${h - 2 * r}a${r} ${r} 0 0 1 ${-r} ${r}h${2 * r - w}a${r} ${r} 0 0 1 ${-r} ${-r}v${2 * r - h}a${r} ${r} 0 0 1 ${r} ${-r}z`;

/**
 * The same outline on either side. `x` is measured outward from the middle; seen from the front the person's left is
 * on the right of the drawing, from behind on its left.
 */
function pair(region: Region, view: Place['view'], x: number, y: number, w: number, h: number): Place[] {
  return (['left', 'right'] as const).map((side) => {
    const onRight = (view === 'front') === (side === 'left');
    return { region, side, view, path: box(onRight ? 100 + x : 100 - x - w, y, w, h) };
  });
}
const middle = (region: Region, view: Place['view'], w: number, y: number, h: number): Place => ({
  region,
  side: null,
  view,
  path: box(100 - w / 2, y, w, h),
});

export const PLACES: readonly Place[] = [
  ...pair('shoulder', 'front', 34, 68, 36, 32),
  middle('front of trunk', 'front', 58, 84, 92),
  ...pair('side of trunk', 'front', 31, 104, 19, 74),
  ...pair('front of hip or groin', 'front', 2, 180, 34, 40),
  ...pair('side of hip', 'front', 38, 182, 22, 50),
  ...pair('inner thigh', 'front', 2, 224, 19, 74),
  ...pair('front of thigh', 'front', 23, 236, 32, 74),
  ...pair('front of knee', 'front', 8, 316, 28, 32),
  ...pair('side of knee', 'front', 38, 316, 18, 32),
  ...pair('ankle', 'front', 8, 396, 32, 30),
  middle('neck', 'back', 34, 46, 26),
  middle('upper back', 'back', 76, 76, 64),
  middle('low back', 'back', 70, 144, 40),
  ...pair('back of hip', 'back', 2, 188, 50, 46),
  ...pair('back of thigh, high', 'back', 6, 238, 46, 42),
  ...pair('back of thigh, low', 'back', 6, 284, 42, 40),
  ...pair('calf', 'back', 6, 342, 36, 52),
];

/** The outline of the figure behind the places: head, trunk, arms, legs. */
export const OUTLINE: readonly string[] = [
  'M100 6a20 22 0 1 1 0 44a20 22 0 1 1 0-44z',
  box(88, 44, 24, 26, 4),
  'M62 70q38-12 76 0q20 6 22 24l-8 108q-2 8-12 8h-80q-10 0-12-8l-8-108q2-18 22-24z',
  box(24, 92, 20, 118, 9),
  box(156, 92, 20, 118, 9),
  'M40 182h58v246h-46q-4-70-6-120q-8-60-6-126z',
  'M160 182h-58v246h46q4-70 6-120q8-60 6-126z',
];
