import { memo } from 'react';
import type { EntrySummary } from '../../../contract/library.ts';
import { REFERENCE_BUILD } from '../../../core/body/index.ts';
import { MovementIcon } from '../../figure/index.ts';

function Icon({ entry: e, size }: { entry: EntrySummary | undefined; size?: number }) {
  if (!e?.mechanics || !e.pattern) return null;
  return <MovementIcon mechanics={e.mechanics} pattern={e.pattern} build={REFERENCE_BUILD} size={size} />;
}

/** The movement of an entry as a small picture, where it has one. Lists are drawn anew at each letter typed, these are not. */
export const EntryIcon = memo(Icon);
