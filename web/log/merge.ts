import type { StoredSet } from '../../contract/log.ts';
import type { Parcel } from './outbox-store.ts';

export interface ShownSet extends StoredSet {
  /** Only on this tablet so far. */
  unsent: boolean;
}

/** The server's sets with what this tablet has done since laid over them, by the newer edit. */
export function mergedSets(
  sets: readonly StoredSet[],
  parcels: readonly Parcel[],
  personId: string,
): ShownSet[] {
  const byId = new Map<string, ShownSet>(sets.map((s) => [s.id, { ...s, unsent: false }]));
  for (const { id, set, edit, state, personId: owner, errand } of parcels) {
    if (owner !== personId || errand) continue;
    const there = byId.get(id);
    if (there && there.edit >= edit) continue;
    if (set === null) byId.delete(id);
    else if (state !== 'sent' || !there) {
      const { personId: _owner, ...fields } = set;
      byId.set(id, { ...fields, id, sessionId: '', loggedBy: '', own: false, unsent: state !== 'sent' });
    }
  }
  return [...byId.values()].sort((a, b) =>
    a.date === b.date ? a.ordinal - b.ordinal : a.date < b.date ? -1 : 1,
  );
}
