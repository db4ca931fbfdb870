import type { Build } from '../body/index.ts';
import { heelToWallM, eyeMarkM, lungeStepM, sideStepM } from './fit.ts';
import type { Worn } from './fit.ts';

/** Sets of tape marks that are stuck for somebody. */
export const MARK_SETS = [
  'tracks',
  'lunge step',
  'side step',
  'star',
  'landing',
  'wall',
  'eye mark',
] as const;
export type MarkSet = (typeof MARK_SETS)[number];

/** A strip of tape: from one place to another, metres; x to the right, y ahead, the front heel line at 0. */
export interface Tape {
  set: MarkSet;
  what: string;
  from: { x: number; y: number };
  to: { x: number; y: number };
  /** What is measured along or up to it, metres. */
  m: number;
}

/** Feet under the hips: so far from middle to middle, as a share of stature (judgement). */
const TRACKS = 0.14;
const STRIP_M = 0.3;
/** A line for the feet is so long. */
const LINE_M = 0.4;
const STAR_RAYS = 8;
/** How far the rays of a star reach, as a share of the leg (judgement: about what is reached with a straight leg). */
const STAR_REACH = 0.8;
/** Depth of a landing place, as a share of the foot (judgement). */
const LANDING = 1.6;
const LEANS = { near: 45, far: 75, gaze: 60 } as const;

/** Where tape goes for a body, each strip with its centimetres. */
export function marksFor(build: Build, worn: Worn, sets: readonly MarkSet[]): Tape[] {
  return MARK_SETS.filter((s) => sets.includes(s)).flatMap((s) => MAKERS[s](build, worn));
}

const across = (set: MarkSet, what: string, y: number, m: number, width = LINE_M): Tape => ({
  set,
  what,
  from: { x: -width / 2, y },
  to: { x: width / 2, y },
  m,
});
const ahead = (set: MarkSet, what: string, x: number, from: number, to: number, m: number): Tape => ({
  set,
  what,
  from: { x, y: from },
  to: { x, y: to },
  m,
});

const MAKERS: Record<MarkSet, (b: Build, worn: Worn) => Tape[]> = {
  tracks: (b) => {
    const apart = TRACKS * b.statureM;
    return [
      ahead('tracks', 'left track', -apart / 2, -STRIP_M, STRIP_M, 0),
      ahead('tracks', 'track to track', apart / 2, -STRIP_M, STRIP_M, apart),
    ];
  },
  'lunge step': (b) => {
    const { tapeM } = lungeStepM(b);
    return [
      across('lunge step', 'front heel', 0, 0),
      across('lunge step', 'ball of the rear foot', -tapeM, tapeM),
    ];
  },
  'side step': (b) => {
    const level = sideStepM(b, 90, 25);
    const learning = sideStepM(b, 60, 20);
    return [
      ahead('side step', 'standing foot', 0, -STRIP_M / 2, STRIP_M / 2, 0),
      ahead('side step', 'to learn', learning, -STRIP_M / 2, STRIP_M / 2, learning),
      ahead('side step', 'thigh level', level, -STRIP_M / 2, STRIP_M / 2, level),
    ];
  },
  star: (b) => {
    const { thigh, shank, ankleHeight } = b.lengths;
    const reach = STAR_REACH * (thigh + shank + ankleHeight);
    return Array.from({ length: STAR_RAYS }, (_, i): Tape => {
      const turn = (2 * Math.PI * i) / STAR_RAYS;
      return {
        set: 'star',
        what: `ray ${i + 1}`,
        from: { x: 0, y: 0 },
        to: { x: reach * Math.sin(turn), y: reach * Math.cos(turn) },
        m: reach,
      };
    });
  },
  landing: (b) => {
    const wide = 2 * TRACKS * b.statureM;
    const deep = LANDING * b.lengths.foot;
    return [
      across('landing', 'heels of the landing', 0, wide, wide),
      across('landing', 'toes of the landing', deep, wide, wide),
      ahead('landing', 'left edge', -wide / 2, 0, deep, deep),
      ahead('landing', 'right edge', wide / 2, 0, deep, deep),
    ];
  },
  wall: (b) => {
    const [near, far] = [heelToWallM(b, LEANS.near), heelToWallM(b, LEANS.far)];
    return [
      across('wall', 'the wall', 0, 0, 1.5 * LINE_M),
      across('wall', 'heels to begin', near, near),
      across('wall', 'heels at the end', far, far),
    ];
  },
  'eye mark': (b, worn) => {
    const m = eyeMarkM(b, LEANS.gaze, worn);
    return m === null
      ? []
      : [across('eye mark', 'toes', 0, 0), across('eye mark', 'mark for the eyes', m, m, 0.1)];
  },
};

/** A sheet of paper of a drawing to scale: its place in the whole, metres from the lower left corner. */
export interface PaperPart {
  column: number;
  row: number;
  x: number;
  y: number;
}

/** Usable part of a sheet, metres. */
export interface PaperSize {
  widthM: number;
  heightM: number;
}

export const MOST_SHEETS = 60;

/**
 * The sheets that a drawing to scale takes, row by row from the top left as they are laid out; sheets on which nothing
 * would stand are left out.
 * @throws RangeError where it would be more than is reasonable to print
 */
export function sheetsOf(
  tapes: readonly Tape[],
  { widthM, heightM }: PaperSize,
): { parts: PaperPart[]; box: Box } {
  const box = boxOf(tapes);
  const columns = Math.max(1, Math.ceil((box.x1 - box.x0) / widthM - 1e-9));
  const rows = Math.max(1, Math.ceil((box.y1 - box.y0) / heightM - 1e-9));
  const parts: PaperPart[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const x = box.x0 + column * widthM;
      const y = box.y0 + (rows - 1 - row) * heightM;
      if (tapes.some((t) => crosses(t, x, y, x + widthM, y + heightM))) parts.push({ column, row, x, y });
    }
  if (parts.length > MOST_SHEETS)
    throw new RangeError(`To scale this would be ${parts.length} sheets: print the list, or fewer marks.`);
  return { parts, box };
}

export interface Box {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}
const EDGE_M = 0.03;

export function boxOf(tapes: readonly Tape[]): Box {
  const xs = tapes.flatMap((t) => [t.from.x, t.to.x]);
  const ys = tapes.flatMap((t) => [t.from.y, t.to.y]);
  return {
    x0: Math.min(0, ...xs) - EDGE_M,
    x1: Math.max(0, ...xs) + EDGE_M,
    y0: Math.min(0, ...ys) - EDGE_M,
    y1: Math.max(0, ...ys) + EDGE_M,
  };
}

/** Whether a strip, 5 cm wide, reaches into a rectangle: looked at every centimetre along it. */
function crosses(t: Tape, x0: number, y0: number, x1: number, y1: number): boolean {
  const length = Math.hypot(t.to.x - t.from.x, t.to.y - t.from.y);
  const steps = Math.max(1, Math.ceil(length / 0.01));
  for (let i = 0; i <= steps; i++) {
    const x = t.from.x + ((t.to.x - t.from.x) * i) / steps;
    const y = t.from.y + ((t.to.y - t.from.y) * i) / steps;
    if (x >= x0 - EDGE_M && x <= x1 + EDGE_M && y >= y0 - EDGE_M && y <= y1 + EDGE_M) return true;
  }
  return false;
}
