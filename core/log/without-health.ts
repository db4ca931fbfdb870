import type { LoggedSet } from './set.ts';

/** The set without what only staff of the squad may see. */
export function setWithoutHealth(set: LoggedSet): LoggedSet {
  return { ...set, pain: null, sensations: set.sensations?.filter((s) => s.kind !== 'pain') ?? null };
}
