import { useEffect, useRef } from 'react';
import { plotLook } from '../ui/index.ts';

/** Money against levels opened, as steps; the table beneath holds the same numbers. */
export function BuyChart({
  points,
  at,
}: {
  points: readonly { budget: number; levels: number }[];
  at: number;
}) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    const draw = async () => {
      const { default: Plotly } = await import('plotly.js-basic-dist-min');
      if (gone || !box.current) return;
      const look = plotLook();
      await Plotly.react(
        box.current,
        [
          {
            x: points.map((p) => p.budget),
            y: points.map((p) => p.levels),
            mode: 'lines+markers',
            line: { ...look.lines[0], shape: 'hv' },
            marker: { size: 7 },
            name: 'levels opened',
          },
        ],
        {
          height: 220,
          margin: { l: 48, r: 8, t: 8, b: 40 },
          ...look.layout,
          showlegend: false,
          xaxis: { ...look.axis, title: { text: 'Budget' }, rangemode: 'tozero' },
          yaxis: { ...look.axis, title: { text: 'Levels opened' }, rangemode: 'tozero', tickformat: ',d' },
          shapes: [
            {
              type: 'line',
              x0: at,
              x1: at,
              yref: 'paper',
              y0: 0,
              y1: 1,
              line: { ...look.lines[1], width: 2 },
            },
          ],
        },
        look.config,
      );
    };
    // The table beneath says the same where it cannot be drawn.
    draw().catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [points, at]);
  return (
    <div
      ref={box}
      style={{ minHeight: 220 }}
      role="img"
      aria-label="Money against levels opened; the table below holds the same numbers"
    />
  );
}
