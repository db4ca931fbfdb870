import type { SetRequest } from '../../contract/log.ts';
import type { Variation } from '../../core/library/index.ts';
import type { Target } from '../../core/ladder/index.ts';
import type { MeasuredBy } from '../../core/terms/index.ts';
import type { ShownSet } from './merge.ts';
import { outbox } from './outbox-store.ts';
import type { Observed } from './observed.ts';

/** What a set is logged as, besides what was seen of it. */
interface About {
  personId: string;
  date: string;
  ordinal: number;
  source: Pick<Variation, 'slug' | 'countedIn' | 'loadKind'>;
  revision: number;
  target: Target | null;
  measuredBy?: MeasuredBy;
}

/** Keeps a new set on this tablet and sends it; gives its id, with which it can be taken back. */
export function keepSet(
  { personId, date, ordinal, source, revision, target, measuredBy }: About,
  observed: Observed,
): string {
  const id = crypto.randomUUID();
  const set: SetRequest = {
    personId,
    date,
    edit: 1,
    ordinal,
    variation: source.slug,
    variationRevision: revision,
    role: observed.warmUp ? 'prepare' : 'work',
    // Rounds of work were not planned in repetitions.
    plannedReps:
      source.countedIn === 'repetitions' && observed.doneReps !== null ? (target?.reps ?? null) : null,
    loadKind: source.loadKind,
    measuredBy: measuredBy ?? null,
    ...observed,
  };
  void outbox.put({ id, personId, edit: 1, set });
  return id;
}

/** A set as it is sent, from one that is shown. */
function requestOf(set: ShownSet, personId: string): SetRequest {
  const { unsent: _u, id: _i, sessionId: _s, loggedBy: _l, own: _o, ...fields } = set;
  return { ...fields, personId };
}

/** Corrects a set: only what is given changes. */
export function correctSet(set: ShownSet, personId: string, part: Partial<Observed>): void {
  const edit = set.edit + 1;
  void outbox.put({ id: set.id, personId, edit, set: { ...requestOf(set, personId), ...part, edit } });
}

/** Takes a set back. */
export function dropSet(set: { id: string; edit: number }, personId: string): void {
  void outbox.put({ id: set.id, personId, set: null, edit: set.edit + 1 });
}
