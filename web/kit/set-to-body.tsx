import { useMemo } from 'react';
import type { Build } from '../../core/body/index.ts';
import { fitRows } from '../../core/kit/index.ts';
import type { FitOn } from '../../core/kit/index.ts';
import { useSigned } from '../shell/index.ts';
import { FitRows } from './fit-card.tsx';
import { useHallThings } from './use-hall-things.ts';

/** How everything that a movement names is set to a body, on the hall’s own things, as either is changed. */
export function SetToBody({ on, build }: { on: FitOn; build: Build }) {
  const { hall } = useSigned();
  const things = useHallThings();
  const rows = useMemo(
    () => (things ? fitRows(on, things, { build, worn: { soleM: hall.soleM }, loadKg: null }) : []),
    [on, things, build, hall.soleM],
  );
  return rows.length > 0 ? <FitRows rows={rows} /> : null;
}
