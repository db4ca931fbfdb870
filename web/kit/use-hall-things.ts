import { useMemo } from 'react';
import { equalsAmong } from '../../core/kit/index.ts';
import type { HallThings } from '../../core/kit/index.ts';
import { notThere } from '../../core/terms/index.ts';
import { useAsk, useLibrary, useSigned } from '../shell/index.ts';

/** What the hall has, as things are chosen from it; null until it is read. */
export function useHallThings(): HallThings | null {
  const { hall } = useSigned();
  const { data: pieces } = useAsk('kit');
  const { entries } = useLibrary();
  return useMemo(() => {
    if (!pieces) return null;
    const kinds = new Map(entries.flatMap((e) => (e.kind === 'equipment' ? [[e.slug, e] as const] : [])));
    const usable = pieces.filter((p) => p.count > 0 && notThere(p, hall.today) === null);
    return {
      here: (slug) => usable.filter((p) => p.equipment === slug),
      pads: usable.filter((p) => p.form === 'pad'),
      equals: equalsAmong(
        [...kinds.values()].map((e) => ({
          slug: e.slug,
          equals: e.uses.filter((u) => u.startsWith('equipment/')).map((u) => u.slice('equipment/'.length)),
        })),
      ),
      nameOf: (slug) => kinds.get(slug)?.title,
      formsOf: (slug) => kinds.get(slug)?.forms,
    };
  }, [pieces, entries, hall.today]);
}
