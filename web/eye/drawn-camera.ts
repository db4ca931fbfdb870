import { performedAt, performedS } from '../../core/track/index.ts';
import type { Framing, Performed } from '../../core/track/index.ts';
import type { Figure } from '../../core/posture/index.ts';
import { bodyShapes } from '../figure/index.ts';

/** The simulated camera: a body in flat colours, large enough to be found by whatever looks for people. */
export const DRAWN = { width: 640, height: 480, rate: 30 } as const;
const COLOURS = {
  wall: '#d9d4c7',
  floor: '#a9a08d',
  kit: '#6d675c',
  skin: '#c58f6d',
  farSkin: '#9d6d50',
  shirt: '#b03a2e',
  farShirt: '#86291f',
  shorts: '#27415f',
  farShorts: '#1b2e45',
  shoe: '#2b2b2b',
  hair: '#3a2a1e',
} as const;
/** Drawn thicker than the figure of a sheet: as broad as a body in clothes. */
const FAT = 1.25;
/** Margin round the movement, of the picture. */
const MARGIN = 0.08;

/** Where a whole set fits into the picture, feet on the floor. */
export function framingOf(p: Performed): Framing {
  const { fault: _fault, ...sound } = p;
  const figures = Array.from({ length: 9 }, (_, i) => performedAt({ ...sound, reps: 1 }, i * 0.9));
  const xs = figures.flatMap((f) =>
    [f.head, f.hip, f.near.toe, f.near.heel, f.far.toe, f.near.knee, f.nearArm.hand].map((q) => q.x),
  );
  const ys = figures.flatMap((f) => [f.head.y + f.headRadius, f.floorY, f.hip.y]);
  const [x0, x1] = [Math.min(...xs) - 0.15, Math.max(...xs) + 0.15];
  const [y0, y1] = [Math.min(...ys) - 0.1, Math.max(...ys) + 0.1];
  const pxPerM = Math.min(
    (DRAWN.width * (1 - 2 * MARGIN)) / (x1 - x0),
    (DRAWN.height * (1 - 2 * MARGIN)) / (y1 - y0),
  );
  return {
    pxPerM,
    x: DRAWN.width / 2 - (pxPerM * (x0 + x1)) / 2,
    y: DRAWN.height / 2 + (pxPerM * (y0 + y1)) / 2,
  };
}

type Paper = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Draws one moment of a set. */
export function drawMoment(paper: Paper, p: Performed, framing: Framing, s: number): void {
  drawFigure(paper, performedAt(p, s), framing);
}

function drawFigure(paper: Paper, f: Figure, { pxPerM, x, y }: Framing): void {
  const { width, height } = DRAWN;
  paper.setTransform(1, 0, 0, 1, 0, 0);
  paper.fillStyle = COLOURS.wall;
  paper.fillRect(0, 0, width, height);
  const floor = y - pxPerM * f.floorY;
  paper.fillStyle = COLOURS.floor;
  paper.fillRect(0, floor, width, height - floor);
  // The paths of the body are in centimetres with y down.
  paper.setTransform(pxPerM / 100, 0, 0, pxPerM / 100, x, y);
  paper.fillStyle = COLOURS.kit;
  for (const prop of f.props)
    if (prop.kind === 'block')
      paper.fillRect(100 * prop.x0, -100 * prop.y1, 100 * (prop.x1 - prop.x0), 100 * (prop.y1 - prop.y0));
    else if (prop.kind === 'ball') disc(paper, prop.at, prop.radius);
  const body = bodyShapes(f, FAT);
  const paint = (paths: readonly string[], colour: string) => {
    paper.fillStyle = colour;
    for (const d of paths) paper.fill(new Path2D(d));
  };
  const limb = (
    a: { x: number; y: number },
    b: { x: number; y: number },
    share: number,
    cm: number,
    colour: string,
  ) => {
    paper.strokeStyle = colour;
    paper.lineWidth = cm;
    paper.lineCap = 'round';
    paper.beginPath();
    paper.moveTo(100 * a.x, -100 * a.y);
    paper.lineTo(100 * (a.x + share * (b.x - a.x)), -100 * (a.y + share * (b.y - a.y)));
    paper.stroke();
  };
  const H = 100 * f.statureM;
  const leg = (paths: readonly string[], of: Figure['near'], skin: string, shorts: string) => {
    paint(paths.slice(0, 2), skin);
    paint(paths.slice(2), COLOURS.shoe);
    limb(of.hip, of.knee, 0.62, 0.105 * H, shorts);
  };
  const arm = (paths: readonly string[], of: Figure['nearArm'], skin: string, shirt: string) => {
    paint(paths, skin);
    limb(of.shoulder, of.elbow, 0.55, 0.076 * H, shirt);
  };
  const front = f.view === 'front';
  arm(
    body.arms.far,
    f.farArm,
    front ? COLOURS.skin : COLOURS.farSkin,
    front ? COLOURS.shirt : COLOURS.farShirt,
  );
  leg(
    body.legs.far,
    f.far,
    front ? COLOURS.skin : COLOURS.farSkin,
    front ? COLOURS.shorts : COLOURS.farShorts,
  );
  leg(body.legs.near, f.near, COLOURS.skin, COLOURS.shorts);
  paint(body.trunk, COLOURS.shirt);
  // Shorts over the hips, wherever they are: their two ends from the front, the end of the trunk from the side.
  if (front) limb(f.near.hip, f.far.hip, 1, 0.12 * H, COLOURS.shorts);
  else limb(f.hip, f.shoulder, 0.14, 0.148 * H, COLOURS.shorts);
  head(paper, f);
  arm(body.arms.near, f.nearArm, COLOURS.skin, COLOURS.shirt);
  if (f.load) {
    paper.fillStyle = COLOURS.kit;
    disc(paper, f.load.at, f.load.look === 'bar' ? 0.06 : 0.09);
  }
}

function disc(paper: Paper, at: { x: number; y: number }, radius: number): void {
  paper.beginPath();
  paper.arc(100 * at.x, -100 * at.y, 100 * radius, 0, 2 * Math.PI);
  paper.fill();
}

/** A face with nose, ear and hair: without them no head is found. */
function head(paper: Paper, f: Figure): void {
  const { head: c, headRadius: r } = f;
  paper.fillStyle = COLOURS.hair;
  disc(paper, { x: c.x, y: c.y }, r * 1.08);
  const look = f.facing;
  paper.fillStyle = COLOURS.skin;
  if (look) {
    disc(paper, { x: c.x + look.x * r * 0.28, y: c.y + look.y * r * 0.28 }, r * 0.86);
    disc(paper, { x: c.x + look.x * r * 1.08, y: c.y + look.y * r * 1.08 }, r * 0.17);
    paper.fillStyle = COLOURS.farSkin;
    disc(paper, { x: c.x - look.x * r * 0.1, y: c.y - look.y * r * 0.1 }, r * 0.2);
    const up = { x: -look.y, y: look.x };
    const sign = up.y >= 0 ? 1 : -1;
    paper.fillStyle = COLOURS.shoe;
    disc(
      paper,
      {
        x: c.x + look.x * r * 0.72 + sign * up.x * r * 0.22,
        y: c.y + look.y * r * 0.72 + sign * up.y * r * 0.22,
      },
      r * 0.09,
    );
    return;
  }
  disc(paper, { x: c.x, y: c.y - r * 0.16 }, r * 0.9);
  paper.fillStyle = COLOURS.farSkin;
  disc(paper, { x: c.x, y: c.y - r * 0.2 }, r * 0.16);
  for (const side of [-1, 1]) {
    disc(paper, { x: c.x + side * r * 0.95, y: c.y - r * 0.1 }, r * 0.18);
    paper.fillStyle = COLOURS.shoe;
    disc(paper, { x: c.x + side * r * 0.34, y: c.y + r * 0.1 }, r * 0.1);
    paper.fillStyle = COLOURS.farSkin;
  }
}

/** The simulated camera as a stream, like any other; it performs its set again and again. */
export function drawnCamera(p: Performed): { stream: MediaStream; stop: () => void } {
  const canvas = document.createElement('canvas');
  canvas.width = DRAWN.width;
  canvas.height = DRAWN.height;
  const paper = canvas.getContext('2d')!;
  const framing = framingOf(p);
  const began = performance.now();
  let frame = 0;
  const draw = () => {
    drawMoment(paper, p, framing, ((performance.now() - began) / 1000) % performedS(p));
    frame = requestAnimationFrame(draw);
  };
  draw();
  const stream = canvas.captureStream(DRAWN.rate);
  return {
    stream,
    stop() {
      cancelAnimationFrame(frame);
      stream.getTracks().forEach((t) => t.stop());
    },
  };
}
