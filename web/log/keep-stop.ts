import type { StopRequest } from '../../contract/reports.ts';
import { letterOf } from '../shell/index.ts';
import { outbox } from './outbox-store.ts';

/** Stop is pressed: kept on this tablet and sent; nothing of what it reaches is proposed until the head coach clears it. */
export function keepStop(stop: StopRequest): void {
  const id = crypto.randomUUID();
  void outbox.run(id, stop.personId, {
    ...letterOf('keepStop', { id }, stop),
    words: `A stop of ${stop.date}`,
  });
}
