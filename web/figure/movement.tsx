import { Pause, Play } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Build } from '../../core/body/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import type { Tempo } from '../../core/library/index.ts';
import { describeRange, figureAt } from '../../core/posture/index.ts';
import { Button, capital } from '../ui/index.ts';
import { Drawing } from './drawing.tsx';
import type { Detail } from './drawing.tsx';
import { solved } from './ranges.ts';
import { frameOf } from './shape.ts';
import { cycleOf, placeAt } from '../../core/dose/index.ts';

/** The ink of a posture where no variation says its pattern. */
export const PATTERN_OF_POSTURE: Record<SettledMechanics['type'], Pattern> = {
  squat: 'squat',
  hinge: 'hinge',
  lift: 'hinge',
  extension: 'hinge',
  bridge: 'bridge',
  lunge: 'lunge',
  drawn: 'squat',
};

interface Props {
  mechanics: SettledMechanics;
  pattern: Pattern;
  build: Build;
  loadKg?: number;
  tempo?: Tempo;
  detail?: Detail;
  /** Pixels for a centimetre of body. */
  scale?: number;
}

const still = () => matchMedia('(prefers-reduced-motion: reduce)').matches;

/** Start and working position of a movement to one scale; with a tempo it can be played. */
export function Movement({ mechanics: m, pattern, build, loadKg, tempo, detail = 'full', scale = 1 }: Props) {
  const [at, setAt] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const { range, problem, three } = useMemo(() => {
    const found = solved(build, m, loadKg);
    if (found.problem) return { ...found, three: [] };
    return { ...found, three: [0, 0.5, 1].map((x) => figureAt(build, m, found.range, x, { loadKg })) };
  }, [build, m, loadKg]);
  const workingIs = range?.workingIs ?? 'bottom';
  const cycle = useMemo(() => tempo && cycleOf(tempo, workingIs), [tempo, workingIs]);
  const began = useRef(0);
  useEffect(() => {
    if (!playing || !cycle) return;
    let frame = 0;
    began.current = performance.now();
    const next = (now: number) => {
      setAt(placeAt(cycle, (now - began.current) / 1000, !still()));
      frame = requestAnimationFrame(next);
    };
    frame = requestAnimationFrame(next);
    return () => cancelAnimationFrame(frame);
  }, [playing, cycle]);

  const [start, , working] = three;
  if (!start || !working) {
    return <p className="border-l-4 border-warn px-3 py-2 text-sm">{problem} No figure for this body.</p>;
  }
  const look = `fig-${pattern}`;
  const frame = frameOf(three);
  const style = { width: `${frame.width * scale}px`, maxWidth: '100%' };
  const [first, last] = range ? [range.startWord, range.workingWord] : ['start', 'working position'];
  return (
    <div className="fig-movement">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <figure>
          <Drawing
            figure={start}
            frame={frame}
            detail={detail === 'full' ? 'plain' : detail}
            className={look}
            style={style}
            title={describeRange(m, range)}
          />
          <figcaption className="text-sm text-soft">{capital(first)}</figcaption>
        </figure>
        <figure>
          <Drawing
            figure={at === null ? working : figureAt(build, m, range, at, { loadKg })}
            frame={frame}
            detail={detail}
            className={look}
            style={style}
          />
          <figcaption className="text-sm text-soft">
            {at === null ? capital(last) : 'On the way'}
            {m.type === 'drawn' && ', drawn only'}
          </figcaption>
        </figure>
      </div>
      {cycle && (
        <div className="no-print mt-1 flex items-center gap-3">
          <Button
            onClick={() => {
              setPlaying(!playing);
              if (playing) setAt(null);
            }}
          >
            {playing ? <Pause aria-hidden="true" size={16} /> : <Play aria-hidden="true" size={16} />}
            {playing ? 'Stop' : 'Play in its tempo'}
          </Button>
          <input
            type="range"
            min={0}
            max={1}
            step={0.02}
            value={at ?? 1}
            aria-label={`From ${first} to ${last}`}
            className="w-40 accent-[var(--tape)]"
            onChange={(e) => {
              setPlaying(false);
              setAt(Number(e.target.value));
            }}
          />
        </div>
      )}
    </div>
  );
}

/** The working position alone, small: in lists it stands for the movement. */
export function MovementIcon({
  mechanics: m,
  pattern,
  build,
  size = 32,
}: Pick<Props, 'mechanics' | 'pattern' | 'build'> & { size?: number }) {
  const figure = useMemo(() => {
    const { range, problem } = solved(build, m);
    return problem ? null : figureAt(build, m, range, 1);
  }, [build, m]);
  if (!figure) return <span style={{ width: size, height: size }} aria-hidden="true" />;
  return (
    <Drawing
      figure={figure}
      detail="icon"
      className={`fig-${pattern} shrink-0`}
      style={{ width: size, height: size }}
    />
  );
}
