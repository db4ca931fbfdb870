import { useMemo } from 'react';
import type { NeededPiece } from '../../core/floor/index.ts';
import type { PlaceKind } from '../../core/plan/index.ts';
import { usePeople, useUnits } from '../shell/index.ts';
import type { Naming } from './words.ts';

/** The names that reasons and the wall are told with. */
export function useNaming(pieces: readonly NeededPiece[], kinds: readonly PlaceKind[]) {
  const { nameOf } = usePeople(true);
  const units = useUnits();
  return useMemo(() => {
    const byId = new Map(pieces.map((p) => [p.id, p]));
    const naming: Naming = {
      kinds,
      unit: units.mass,
      work: (id) => byId.get(id)?.name ?? 'a piece of work',
      piece: (id) => {
        const p = byId.get(id);
        return p ? `${nameOf(p.person)}, ${p.name}` : 'a piece of work';
      },
    };
    return { ...naming, person: nameOf, units };
  }, [pieces, kinds, nameOf, units]);
}
