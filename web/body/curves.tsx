import { useEffect, useRef, useState } from 'react';
import type { Range } from '../../core/posture/index.ts';
import { Button, plotLook, tidy } from '../ui/index.ts';
import { worstLeg } from './words.ts';

export interface Curve {
  letter: 'A' | 'B';
  name: string;
  range: Range;
}

const JOINTS = [
  ['hip', 'Hip, per leg'],
  ['knee', 'Knee, per leg'],
  ['back', 'Low back'],
] as const;
type Joint = (typeof JOINTS)[number][0];

/** Positions from the lowest to the highest, whichever way the repetition works. */
export function upward(range: Range) {
  const list = range.workingIs === 'bottom' ? [...range.postures].reverse() : range.postures;
  return list.map((p, i) => ({ percent: (100 * i) / (list.length - 1), posture: p }));
}

/** Moment at a position; the leg that holds most. Null where nobody holds it. */
export function momentAt(range: Range, joint: Joint): { percent: number; nm: number | null }[] {
  return upward(range).map(({ percent, posture: p }) => ({
    percent,
    nm: joint === 'back' ? p.l5Nm : (worstLeg(p.legs, joint === 'hip' ? 'hipNm' : 'kneeNm')?.nm ?? null),
  }));
}

/** Moments over the range as curves, loaded when shown; the same numbers as a table one click away. */
export function Curves({ curves }: { curves: readonly Curve[] }) {
  const [table, setTable] = useState(false);
  return (
    <section aria-label="Moments over the range">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2>Moments over the range, from the lowest to the highest position</h2>
        <Button onClick={() => setTable(!table)}>{table ? 'As curves' : 'As a table'}</Button>
      </div>
      {table ? <CurveTable curves={curves} /> : <Plots curves={curves} />}
    </section>
  );
}

function CurveTable({ curves }: { curves: readonly Curve[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="text-right">
        <thead>
          <tr className="border-b border-ink">
            <th className="pr-4">Way up, %</th>
            {curves.flatMap((c) =>
              JOINTS.map(([key, name]) => (
                <th key={c.letter + key} className="px-3 text-right">
                  {c.letter}: {name}, N·m
                </th>
              )),
            )}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: 11 }, (_, i) => i * 10).map((percent) => (
            <tr key={percent} className="border-b border-rule">
              <th scope="row" className="pr-4 text-right font-normal">
                {percent}
              </th>
              {curves.flatMap((c) =>
                JOINTS.map(([key]) => {
                  const all = momentAt(c.range, key);
                  const nm = all[Math.round((percent / 100) * (all.length - 1))]!.nm;
                  return (
                    <td key={c.letter + key} className="px-3">
                      {nm === null ? '–' : tidy(nm, 0)}
                    </td>
                  );
                }),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Waits for the sliders to rest before the chart is drawn again. */
const REST_MS = 150;

function Plots({ curves }: { curves: readonly Curve[] }) {
  const box = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let gone = false;
    const draw = async () => {
      try {
        const { default: Plotly } = await import('plotly.js-basic-dist-min');
        const node = box.current;
        if (gone || !node) return;
        const look = plotLook();
        const traces = curves.flatMap((c) =>
          JOINTS.map(([key, name], i) => {
            const all = momentAt(c.range, key);
            return {
              x: all.map((m) => m.percent),
              y: all.map((m) => m.nm),
              name: `${c.letter}: ${c.name}`,
              showlegend: i === 0,
              legendgroup: c.letter,
              xaxis: i === 0 ? 'x' : `x${i + 1}`,
              yaxis: i === 0 ? 'y' : `y${i + 1}`,
              mode: 'lines',
              line: { ...look.lines[c.letter === 'A' ? 0 : 1], width: 3 },
              hovertemplate: `${name} %{y:.0f} N·m at %{x:.0f} %<extra>${c.letter}</extra>`,
            };
          }),
        );
        const narrow = node.clientWidth < 640;
        const third = (i: number): [number, number] => [i / 3 + (i ? 0.045 : 0), (i + 1) / 3 - 0.02];
        const layout: Record<string, unknown> = {
          height: narrow ? 720 : 270,
          margin: { l: 48, r: 8, t: 30, b: 44 },
          ...look.layout,
          legend: { orientation: 'h', y: narrow ? 1.08 : 1.22, x: 0 },
        };
        JOINTS.forEach(([, name], i) => {
          const n = i === 0 ? '' : String(i + 1);
          layout[`xaxis${n}`] = {
            ...look.axis,
            domain: narrow ? [0, 1] : third(i),
            anchor: `y${n}`,
            range: [0, 100],
            title: { text: '% of the way up' },
          };
          layout[`yaxis${n}`] = {
            ...look.axis,
            anchor: `x${n}`,
            ...(narrow ? { domain: [1 - (i + 1) / 3 + 0.06, 1 - i / 3] } : {}),
            title: { text: `${name}, N·m`, standoff: 4 },
          };
        });
        await Plotly.react(node, traces, layout, look.config);
      } catch {
        if (!gone) setFailed(true);
      }
    };
    const timer = setTimeout(() => void draw(), REST_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [curves]);
  if (failed) return <CurveTable curves={curves} />;
  return (
    <div
      ref={box}
      className="min-h-[270px]"
      role="img"
      aria-label="Curves of hip, knee and low back moments; the table holds the same numbers"
    />
  );
}
