import type { HourRequest, StoredHour } from '../../contract/plan.ts';
import type { NeededPiece } from '../../core/floor/index.ts';
import type { Hour, PlaceKind } from '../../core/plan/index.ts';

/** What a coach said of a piece; what it is, the server knows. */
const pieceSent = ({ id, priority, watched, mustWatch, heavy, wish }: NeededPiece) => ({
  id,
  priority,
  watched,
  mustWatch,
  heavy,
  ...(wish ? { wish } : {}),
});

export const placeSent = ({ id, count, most, heightsM, numbers }: PlaceKind) => ({
  id,
  count,
  most,
  heightsM,
  ...(numbers ? { numbers } : {}),
});

/** What an hour was planned from, as it is sent. */
export const hourSent = (hour: Omit<Hour, 'pieces'> & { pieces: readonly NeededPiece[] }) => ({
  people: [...hour.people],
  pieces: hour.pieces.map(pieceSent),
  places: hour.places.map(placeSent),
  floorPlaces: hour.floorPlaces,
  totalS: hour.totalS,
  warmUpS: hour.warmUpS,
  changeS: hour.changeS,
  share: hour.coach.share,
});

/** What a kept hour becomes by a change. */
export function requestOf(h: StoredHour, change: Partial<HourRequest> = {}): HourRequest {
  const { hour, plan, spans, watchers, bound, gone } = h.body;
  return {
    edit: h.edit,
    name: h.name,
    startedAt: h.startedAt,
    endedAt: h.endedAt,
    ...hourSent(hour),
    watchers,
    plan,
    spans,
    bound,
    gone,
    ...change,
  };
}
