import { useMemo } from 'react';
import { loadsFrom } from '../../core/kit/index.ts';
import type { LoadKind } from '../../core/terms/index.ts';
import { useAsk, useLibrary, useSigned } from '../shell/index.ts';

/** What one weight of a kind can be in this hall, kg, ascending; empty where anything can be. */
export function useLoads(kind: LoadKind): readonly number[] {
  const { hall } = useSigned();
  const { data: pieces } = useAsk('kit');
  const { entries } = useLibrary();
  return useMemo(
    () =>
      pieces
        ? (loadsFrom(
            { pieces, today: hall.today, unit: hall.massUnit },
            entries.filter((e) => e.kind === 'equipment'),
          )[kind] ?? [])
        : [],
    [pieces, entries, hall, kind],
  );
}
