import { useMemo } from 'react';
import type { Build } from '../../core/body/index.ts';
import { setOn } from '../../core/kit/index.ts';
import type { FitRow } from '../../core/kit/index.ts';
import { figureAt } from '../../core/posture/index.ts';
import type { Figure, SettledMechanics } from '../../core/posture/index.ts';
import type { Pattern, Piece } from '../../core/terms/index.ts';
import { Drawing, frameOf, solved, svgPoint } from '../figure/index.ts';
import { useAsk, useUnits } from '../shell/index.ts';
import { length } from '../ui/index.ts';
import { measureShort, setWords } from './words.ts';

/** Room at the side for the numbers, cm of the drawing. */
const SIDE = 62;
const BELOW = 16;

/** Rows that are a height above the floor, and at which end of the repetition it is looked at. */
const AT_START: ReadonlySet<FitRow['measure']> = new Set<FitRow['measure']>([
  'rack hooks, shoulder',
  'rack hooks, mid-thigh',
  'extension pad',
  'strap handles',
]);
const ON_FLOOR: ReadonlySet<FitRow['measure']> = new Set<FitRow['measure']>([
  'lunge step',
  'heel distance',
  'heel to wall',
]);
const NOT_DRAWN: ReadonlySet<FitRow['measure']> = new Set<FitRow['measure']>([
  'side-lunge step',
  'eye mark',
  'toe to wall',
  'anchor distance',
  'band pull',
  'machine platform',
]);

/** The person to scale on the hall’s own things, with the numbers on the drawing. */
export function FitFigure({
  build,
  mechanics,
  pattern,
  rows,
  soleM,
}: {
  build: Build;
  mechanics: SettledMechanics;
  pattern: Pattern;
  rows: readonly FitRow[];
  soleM: number;
}) {
  const { data: pieces } = useAsk('kit');
  const drawn = useMemo(() => {
    const m = setOn(build, mechanics, rows, soleM);
    const { range, problem } = solved(build, m);
    if (problem) return null;
    return {
      workingIs: range?.workingIs ?? 'bottom',
      start: figureAt(build, m, range, 0),
      working: figureAt(build, m, range, 1),
    };
  }, [build, mechanics, rows, soleM]);
  if (!drawn) return null;
  const heights = rows.filter((r) => r.asked && !ON_FLOOR.has(r.measure) && !NOT_DRAWN.has(r.measure));
  const floor = rows.filter((r) => r.asked && ON_FLOOR.has(r.measure));
  const early = heights.filter((r) => AT_START.has(r.measure));
  const late = heights.filter((r) => !AT_START.has(r.measure));
  return (
    <div className="flex flex-wrap items-end gap-4">
      {early.length > 0 && (
        <One
          figure={drawn.start}
          pattern={pattern}
          rows={early}
          floor={[]}
          pieces={pieces ?? []}
          soleM={soleM}
          what="Standing"
        />
      )}
      {(late.length > 0 || floor.length > 0) && (
        <One
          figure={drawn.working}
          pattern={pattern}
          rows={late}
          floor={floor}
          pieces={pieces ?? []}
          soleM={soleM}
          what={drawn.workingIs === 'top' ? 'At the top' : 'At the bottom'}
        />
      )}
    </div>
  );
}

interface OneProps {
  figure: Figure;
  pattern: Pattern;
  rows: readonly FitRow[];
  floor: readonly FitRow[];
  pieces: readonly Piece[];
  soleM: number;
  what: string;
}

function One({ figure, pattern, rows, floor, pieces, soleM, what }: OneProps) {
  const units = useUnits();
  const own = frameOf([figure]);
  const frame = {
    x: own.x,
    y: own.y,
    width: own.width + SIDE,
    height: own.height + (floor.length > 0 ? BELOW : 0),
  };
  const right = own.x + own.width;
  const rack = rows.flatMap((r) => pieces.filter((p) => p.id === r.own?.pieceId && p.form === 'rack'))[0];
  const title = [...rows, ...floor].map((r) => `${measureShort(r)} ${setWords(r, units)}`).join(', ');
  return (
    <figure>
      <div className="relative" style={{ width: `${frame.width * 1.35}px`, maxWidth: '100%' }}>
        <Drawing
          figure={figure}
          frame={frame}
          detail="plain"
          className={`fig-${pattern}`}
          style={{ width: '100%' }}
        />
        <svg
          viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
          className="absolute inset-0 h-full w-full"
          role="img"
          aria-label={`${what}: ${title}`}
        >
          {rack && <RackLine piece={rack} x={right + 2} top={frame.y} soleM={soleM} />}
          {rows.map((r) => {
            const heightM = r.own?.heightM ?? r.asked!.m;
            // The body stands on its soles, the thing on the floor.
            const y = svgPoint({ x: 0, y: heightM - soleM }).y;
            return (
              <g key={r.measure}>
                <line
                  x1={frame.x + 4}
                  x2={right + 8}
                  y1={y}
                  y2={y}
                  stroke="var(--ink)"
                  strokeWidth="0.7"
                  strokeDasharray="3 2"
                />
                <text x={right + 12} y={y - 2} fontSize="9" fontWeight="700" fill="var(--ink)">
                  {r.own?.notch != null ? `notch ${r.own.notch}` : length(heightM, units.length)}
                </text>
                <text x={right + 12} y={y + 7} fontSize="7" fill="var(--soft)">
                  {measureShort(r)}
                  {r.own && r.own.pads > 0 && `, ${r.own.pads} ${r.own.pads === 1 ? 'pad' : 'pads'}`}
                </text>
              </g>
            );
          })}
          {floor.map((r, i) => (
            <Along
              key={r.measure}
              row={r}
              figure={figure}
              y={own.y + own.height - 4 + i * BELOW}
              words={length(r.asked!.m, units.length)}
            />
          ))}
        </svg>
      </div>
      <figcaption className="text-sm text-soft">{what}</figcaption>
    </figure>
  );
}

/** A length on the floor between what it is measured from. */
function Along({ row, figure, y, words }: { row: FitRow; figure: Figure; y: number; words: string }) {
  const heels = [figure.near.heel.x, figure.far.heel.x];
  const wall = figure.props.flatMap((p) => (p.kind === 'wall' ? [p.x] : []))[0];
  const from =
    row.measure === 'lunge step'
      ? Math.min(...heels)
      : row.measure === 'heel to wall'
        ? (wall ?? heels[0]! - row.asked!.m)
        : heels[0]! - row.asked!.m;
  const to = row.measure === 'lunge step' ? Math.max(...heels) : heels[0]!;
  const [a, b] = [100 * from, 100 * to];
  return (
    <g>
      <path
        d={`M${a} ${y - 3}V${y + 3}M${a} ${y}H${b}M${b} ${y - 3}V${y + 3}`}
        stroke="var(--ink)"
        strokeWidth="0.9"
        fill="none"
      />
      <text x={(a + b) / 2} y={y + 10} fontSize="9" fontWeight="700" textAnchor="middle" fill="var(--ink)">
        {words}
      </text>
    </g>
  );
}

/** An upright with its notches. */
function RackLine({ piece, x, top, soleM }: { piece: Piece; x: number; top: number; soleM: number }) {
  const { firstM = 0.4, spacingM = 0.05, notches = 30 } = piece.sizes;
  const floor = svgPoint({ x: 0, y: -soleM }).y;
  return (
    <g>
      <rect
        x={x}
        y={top}
        width="4"
        height={floor - top}
        fill="var(--rule)"
        stroke="var(--soft)"
        strokeWidth="0.5"
      />
      {Array.from({ length: notches }, (_, i) => svgPoint({ x: 0, y: firstM + i * spacingM - soleM }).y)
        .filter((y) => y > top)
        .map((y) => (
          <circle key={y} cx={x + 2} cy={y} r="1" fill="var(--ink)" />
        ))}
    </g>
  );
}
