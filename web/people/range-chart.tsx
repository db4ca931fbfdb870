import { useMemo } from 'react';
import type { RangeRecord } from '../../core/body/index.ts';
import { OverTime } from '../ui/index.ts';
import type { TimeLine } from '../ui/index.ts';

/** Ankle and hip range over time, left and right; the table of the same numbers stands below it. */
export function RangeChart({ records }: { records: readonly RangeRecord[] }) {
  const lines = useMemo(
    () =>
      records.flatMap((r) =>
        (['left', 'right'] as const).flatMap((side): TimeLine[] => {
          const points = r.points.filter((p) => p.side === side);
          if (points.length === 0) return [];
          return [
            {
              name: `${r.joint}, ${side}`,
              dates: points.map((p) => p.date),
              values: points.map((p) => p.deg),
              line: side === 'left' ? 'solid' : 'dashed',
              symbol: r.joint === 'ankle' ? 'circle' : 'square',
            },
          ];
        }),
      ),
    [records],
  );
  return <OverTime lines={lines} yTitle="Range, degrees" height={230} label="Range over time" />;
}
