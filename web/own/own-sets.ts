import type { SetRequest } from '../../contract/log.ts';
import type { OwnDay } from '../../contract/session.ts';
import { blankSet } from '../../core/log/index.ts';
import { ENDPOINTS } from '../../contract/endpoints.ts';
import { otherSide } from '../../core/terms/index.ts';
import type { Side } from '../../core/terms/index.ts';
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

/** Whose the clocks and parcels of this page are. */
export const OWN = 'own';

/** As much of a set of this device as the page goes by. */
export interface OwnPending {
  variation: string;
  warmUp: boolean;
}
const isSet = (body: unknown): body is OwnPending =>
  typeof body === 'object' && body !== null && 'variation' in body && 'warmUp' in body;

/** Own sets of this link that the day as it was read does not have yet, whether they wait or have just arrived. */
export function pendingSets(
  parcels: readonly Parcel[],
  link: string,
  data: Pick<OwnDay, 'sets' | 'date'>,
): OwnPending[] {
  const before = ENDPOINTS.keepOwnSet.path.replace(':link', link).replace(':id', '');
  const there = new Set(data.sets.map((s) => s.id));
  return parcels.flatMap((p) => {
    const body: unknown = p.errand?.body;
    return p.state !== 'refused' &&
      !there.has(p.id) &&
      p.errand?.path.startsWith(before) &&
      isSet(body) &&
      (body as { date?: string }).date === data.date
      ? [body]
      : [];
  });
}

/** Which set comes now: what is pending counts as done. */
export function turnOf(
  line: Pick<OwnDay['lines'][number], 'variation' | 'oneSided' | 'next' | 'piece' | 'halfDone'>,
  pending: readonly OwnPending[],
): { number: number; side: Side | null; setsLeft: number } {
  const own = pending.filter((s) => s.variation === line.variation && !s.warmUp).length;
  const { next } = line;
  const sets = line.piece.options[0]?.sets ?? 0;
  if (!line.oneSided)
    return { number: (next?.number ?? 1) + own, side: null, setsLeft: Math.max(0, sets - own) };
  const halves = (line.halfDone ? 1 : 0) + own;
  const other = next?.side ? otherSide(next.side) : null;
  const [first, second] = line.halfDone ? [other, next?.side ?? null] : [next?.side ?? null, other];
  return {
    number: (next?.number ?? 1) + Math.floor(halves / 2),
    side: halves % 2 === 0 ? first : second,
    setsLeft: Math.max(0, Math.ceil((2 * sets - halves) / 2)),
  };
}
