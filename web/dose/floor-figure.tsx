import { useMemo } from 'react';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { stretchAt } from '../../core/dose/index.ts';
import type { Stretch } from '../../core/dose/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import { figureAt } from '../../core/posture/index.ts';
import { elapsedS } from './clock-store.ts';
import { useClocks, useNow } from './use-clocks.ts';
import { Drawing, frameOf, solved } from '../figure/index.ts';

/** How far the repetition has come while the tempo is counted: 0 start, 1 working position. */
export function placeIn(s: Stretch, atS: number, workingIs: 'bottom' | 'top'): number | null {
  const share = (atS - s.fromS) / (s.toS - s.fromS);
  const low = { lowering: share, bottom: 1, rising: 1 - share, top: 0 };
  if (!(s.moment in low)) return null;
  const down = low[s.moment as keyof typeof low];
  return workingIs === 'bottom' ? down : 1 - down;
}

const still = () => matchMedia('(prefers-reduced-motion: reduce)').matches;

/** The figure of the set at hand, large; while the tempo is counted it moves with the count. */
export function FloorFigure({
  mechanics,
  pattern,
  personId,
}: {
  mechanics: SettledMechanics;
  pattern: Pattern;
  personId: string;
}) {
  const { run } = useClocks();
  const own = run?.personId === personId && run.kind === 'tempo' ? run : null;
  const now = useNow(80, own?.startedAt != null);
  const { range, problem, all, working } = useMemo(() => {
    const found = solved(REFERENCE_BUILD, mechanics);
    if (found.problem) return { ...found, all: null, working: null };
    const three = [0, 0.5, 1].map((at) => figureAt(REFERENCE_BUILD, mechanics, found.range, at));
    return { ...found, all: frameOf(three, 0.03), working: frameOf(three.slice(2), 0.03) };
  }, [mechanics]);
  // At rest the working position fills the place; while it moves, the whole way has to fit.
  const frame = own ? all : working;
  const s = own ? elapsedS(own, now) : 0;
  const stretch = own && stretchAt(own.plan, s);
  const moved = stretch ? placeIn(stretch, s, range?.workingIs ?? 'bottom') : null;
  const at = moved === null ? 1 : still() ? Math.round(moved) : moved;
  // A step of a fiftieth is not seen, and many readings draw the same figure.
  const step = Math.round(at * 50) / 50;
  const figure = useMemo(
    () => (problem ? null : figureAt(REFERENCE_BUILD, mechanics, range, step)),
    [problem, mechanics, range, step],
  );
  if (!figure || !frame) return null;
  return (
    <Drawing
      figure={figure}
      frame={frame}
      className={`fig-${pattern} mx-auto h-32 w-full max-w-96 sm:h-72 bright:sm:h-80`}
    />
  );
}
