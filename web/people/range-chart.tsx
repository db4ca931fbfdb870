import { useEffect, useRef, useState } from 'react';
import type { RangeRecord } from '../../core/body/index.ts';
import { plotLook } from '../ui/index.ts';

/** Ankle and hip range over time, left and right; the table of the same numbers stands below it. */
export function RangeChart({ records }: { records: readonly RangeRecord[] }) {
  const box = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let gone = false;
    const draw = async () => {
      const { default: Plotly } = await import('plotly.js-basic-dist-min');
      if (gone || !box.current) return;
      const look = plotLook();
      const traces = records.flatMap((r) =>
        (['left', 'right'] as const).flatMap((side) => {
          const points = r.points.filter((p) => p.side === side);
          if (points.length === 0) return [];
          return [
            {
              x: points.map((p) => p.date),
              y: points.map((p) => p.deg),
              name: `${r.joint}, ${side}`,
              mode: 'lines+markers',
              marker: { size: 8, symbol: r.joint === 'ankle' ? 'circle' : 'square' },
              line: look.lines[side === 'left' ? 0 : 1],
            },
          ];
        }),
      );
      await Plotly.react(
        box.current,
        traces,
        {
          height: 230,
          margin: { l: 48, r: 8, t: 8, b: 36 },
          ...look.layout,
          legend: { orientation: 'h', y: 1.15 },
          xaxis: { ...look.axis, type: 'date' },
          yaxis: { ...look.axis, title: { text: 'Range, degrees' }, rangemode: 'tozero' },
        },
        look.config,
      );
    };
    draw().catch(() => !gone && setFailed(true));
    return () => {
      gone = true;
    };
  }, [records]);
  if (failed) return null;
  return (
    <div
      ref={box}
      className="min-h-[230px]"
      role="img"
      aria-label="Range over time; the table below holds the same numbers"
    />
  );
}
