import type { PersonOnLadders } from '../../contract/log.ts';
import { daysAfter } from '../../core/terms/index.ts';
import { useAsk } from '../shell/index.ts';
import { mergedSets } from './merge.ts';
import type { ShownSet } from './merge.ts';
import { useParcels } from './outbox.tsx';

/**
 * Everything at hand of a person's log with what this tablet has done since; a day older than the newest sessions is
 * read when it is asked for.
 */
export function useLogUpTo(personId: string, data: PersonOnLadders, date: string): ShownSet[] {
  const parcels = useParcels();
  const oldest = data.sets[0]?.date;
  const missing = data.moreSessions !== null && oldest !== undefined && date < oldest;
  const older = useAsk('olderSets', missing ? { person: personId, before: daysAfter(date, 1) } : null);
  return mergedSets([...(older.data?.sets ?? []), ...data.sets], parcels, personId);
}
