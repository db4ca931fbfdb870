import { useEffect, useRef, useState } from 'react';
import { plotLook } from './plot.ts';

export interface TimeLine {
  name: string;
  /** ISO dates, ascending. */
  dates: readonly (string | undefined)[];
  values: readonly number[];
  /** Left solid, right dashed, what is asked dotted: told apart without colour. */
  line: 'solid' | 'dashed' | 'dotted';
  symbol?: 'circle' | 'square';
}

interface Props {
  /** The same list until it changes: a new one is drawn anew. */
  lines: readonly TimeLine[];
  yTitle: string;
  height: number;
  /** What it is; the same numbers stand in a table beside it. */
  label: string;
}

/** Lines over time, drawn by Plotly when first shown; nothing where it cannot be loaded, since the table is there. */
export function OverTime({ lines, yTitle, height, label }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let gone = false;
    const draw = async () => {
      const { default: Plotly } = await import('plotly.js-basic-dist-min');
      if (gone || !box.current) return;
      const look = plotLook();
      await Plotly.react(
        box.current,
        lines.map((l) => ({
          x: l.dates,
          y: l.values,
          name: l.name,
          mode: l.line === 'dotted' ? 'lines' : 'lines+markers',
          marker: { size: 8, symbol: l.symbol ?? 'circle' },
          line:
            l.line === 'dotted'
              ? { color: look.lines[0].color, dash: 'dot', width: 1.5 }
              : look.lines[l.line === 'solid' ? 0 : 1],
        })),
        {
          height,
          margin: { l: 52, r: 8, t: 8, b: 36 },
          ...look.layout,
          legend: { orientation: 'h', y: 1.15 },
          xaxis: { ...look.axis, type: 'date' },
          yaxis: { ...look.axis, title: { text: yTitle }, rangemode: 'tozero' },
        },
        look.config,
      );
    };
    draw().catch(() => !gone && setFailed(true));
    return () => {
      gone = true;
    };
  }, [lines, yTitle, height]);
  if (failed) return null;
  return (
    <div
      ref={box}
      style={{ minHeight: height }}
      role="img"
      aria-label={`${label}; the table below holds the same numbers`}
    />
  );
}
