import type { EntrySummary } from '../../contract/library.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { MovementIcon } from '../figure/index.ts';

/** The movement of an entry as a small picture, where it has one. */
export function EntryIcon({ entry: e, size }: { entry: EntrySummary | undefined; size?: number }) {
  if (!e?.mechanics || !e.pattern) return null;
  return <MovementIcon mechanics={e.mechanics} pattern={e.pattern} build={REFERENCE_BUILD} size={size} />;
}
