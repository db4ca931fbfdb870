import { LEGS } from '../../core/terms/index.ts';
import type { Leg } from '../../core/terms/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { Choice } from './floor-controls.tsx';

/** In a split stance each leg feels something else. */
export const inSplitStance = ({ source }: Pick<ResolvedVariation, 'source'>) =>
  source.stanceWidth === 'split';

/** Which leg it is felt in. */
export function LegChoice({ value, onPick }: { value: Leg | null; onPick: (leg: Leg | null) => void }) {
  return (
    <Choice
      label="Which leg"
      options={[...LEGS, 'not said']}
      value={value ?? 'not said'}
      onPick={(v) => onPick(v === 'not said' ? null : v)}
    />
  );
}
