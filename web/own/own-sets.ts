import type { SetRequest } from '../../contract/log.ts';
import type { OwnDay } from '../../contract/session.ts';
import { blankSet } from '../../core/log/index.ts';
import { ENDPOINTS } from '../../contract/endpoints.ts';
import type { Parcel } from '../log/index.ts';

/** A set of the holder before anything is told of it. */
export const blankOwn = (data: OwnDay, variation: string, revision: number): SetRequest => ({
  ...blankSet(),
  // Whose it is, the link says.
  personId: '00000000-0000-4000-8000-000000000000',
  date: data.date,
  edit: 1,
  ordinal: data.sets.length + 1,
  variation,
  variationRevision: revision,
  loadKind: 'none',
});

/** As much of a set that waits as the page goes by. */
export interface WaitingSet {
  variation: string;
  warmUp: boolean;
}
const isSet = (body: unknown): body is WaitingSet =>
  typeof body === 'object' && body !== null && 'variation' in body && 'warmUp' in body;

/** Own sets that are on this device only, of this link. */
export function waitingSets(parcels: readonly Parcel[], link: string): WaitingSet[] {
  const before = ENDPOINTS.keepOwnSet.path.replace(':link', link).replace(':id', '');
  return parcels.flatMap((p) => {
    const body: unknown = p.errand?.body;
    return p.state === 'waiting' && p.errand?.path.startsWith(before) && isSet(body) ? [body] : [];
  });
}
