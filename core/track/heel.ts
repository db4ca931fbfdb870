/** Grey values of a part of a frame, row by row. */
export interface Grey {
  width: number;
  height: number;
  values: ArrayLike<number>;
}

/** A patch of the shoe in pixels, and how far round its first place it is looked for (measured on drawn clips). */
export const PATCH = { width: 24, height: 20, reach: 14 } as const;
/** What is cut out of a frame round the heel, so that the patch can be looked for in it. */
export const WINDOW = {
  width: PATCH.width + 2 * PATCH.reach,
  height: PATCH.height + 2 * PATCH.reach,
} as const;

/** A patch that is as alike as this was found again; so many pixels of a metre are needed (measured on drawn clips). */
const ALIKE = 0.7;
export const LEAST_PX_PER_M = 190;

/**
 * How far the patch in the middle of the first window has moved in another: pixels, to a part of one by a parabola
 * through the neighbours, and how alike both are (normalised cross-correlation, −1 to 1). null: nothing to hold on to.
 */
export function shiftOf(first: Grey, now: Grey): { dx: number; dy: number; alike: number } | null {
  const [px, py] = [
    Math.floor((first.width - PATCH.width) / 2),
    Math.floor((first.height - PATCH.height) / 2),
  ];
  const patch = partOf(first, px, py);
  if (patch === null) return null;
  const { reach } = PATCH;
  const side = 2 * reach + 1;
  const alike = new Float64Array(side * side);
  let best = -1;
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++) {
      const here = partOf(now, px + dx, py + dy);
      const at = (dy + reach) * side + dx + reach;
      alike[at] = here === null ? -1 : patch.values.reduce((n, v, i) => n + v * here.values[i]!, 0);
      if (best < 0 || alike[at] > alike[best]!) best = at;
    }
  const [x, y] = [best % side, Math.floor(best / side)];
  const between = (before: number | undefined, after: number | undefined) => {
    if (before === undefined || after === undefined) return 0;
    const bend = before - 2 * alike[best]! + after;
    return bend < 0 ? (before - after) / (2 * bend) : 0;
  };
  return {
    dx: x - reach + (x > 0 && x < side - 1 ? between(alike[best - 1], alike[best + 1]) : 0),
    dy: y - reach + (y > 0 && y < side - 1 ? between(alike[best - side], alike[best + side]) : 0),
    alike: alike[best]!,
  };
}

/** A patch less its mean and of length 1; null: it is all of one grey, or not wholly in the window. */
function partOf(of: Grey, x: number, y: number): { values: Float64Array } | null {
  if (x < 0 || y < 0 || x + PATCH.width > of.width || y + PATCH.height > of.height) return null;
  const values = new Float64Array(PATCH.width * PATCH.height);
  let sum = 0;
  for (let r = 0; r < PATCH.height; r++)
    for (let c = 0; c < PATCH.width; c++)
      sum += values[r * PATCH.width + c] = of.values[(y + r) * of.width + x + c]!;
  const mean = sum / values.length;
  let length = 0;
  for (let i = 0; i < values.length; i++) length += (values[i]! -= mean) ** 2;
  if (length < 1e-6) return null;
  length = Math.sqrt(length);
  for (let i = 0; i < values.length; i++) values[i]! /= length;
  return { values };
}

/**
 * How far the heel has come up in each frame, centimetres, at the least: a heel that turns as it lifts is followed to
 * some two thirds to four fifths of its way (measured on drawn clips: 2 cm read as 1.4, 4 cm as 3.2 to 3.5). A patch of
 * the floor that moves is the camera that does. null: the shoe was not found again.
 * @param heel windows round the heel, a frame each; the frame `standing` has it on the floor
 * @param floor the same of something that stands still; null: the camera does
 */
export function heelLiftCm(
  heel: readonly Grey[],
  floor: readonly Grey[] | null,
  standing: number,
  pxPerM: number,
): (number | null)[] {
  const [first, still] = [heel[standing], floor?.[standing]];
  if (!first || pxPerM < LEAST_PX_PER_M) return heel.map(() => null);
  return heel.map((now, i) => {
    const moved = shiftOf(first, now);
    if (moved === null || moved.alike < ALIKE) return null;
    const camera = still ? shiftOf(still, floor![i]!) : null;
    const up = moved.dy - (camera && camera.alike >= ALIKE ? camera.dy : 0);
    return (-100 * up) / pxPerM;
  });
}
