import type { SettingUsed } from '../../core/terms/index.ts';
import { useAsk } from '../shell/index.ts';
import { BandPanel } from './band-panel.tsx';
import { FitCardView, SettingsLine } from './fit-card.tsx';

/** Before a set: what is set to this person, taken with one tap; the whole card unfolds. */
export function FloorFit({
  personId,
  name,
  variation,
  equipment,
  value,
  onTake,
}: {
  personId: string;
  name: string;
  variation: string;
  /** Kinds of equipment that it needs. */
  equipment: readonly string[];
  value: readonly SettingUsed[] | null;
  onTake: (settings: SettingUsed[]) => void;
}) {
  const { data: fit } = useAsk('fit', { person: personId, slug: variation });
  if (!fit || (fit.card && fit.card.rows.length === 0)) return null;
  const banded = fit.card?.rows.some((r) => r.measure === 'band pull') ?? false;
  return (
    <section aria-label="Set to the person" className="border-y border-rule py-1">
      {banded && <BandPanel equipment={equipment} fit={fit} value={value} onTake={onTake} />}
      <div className="text-lg">
        <SettingsLine fit={fit} value={value} onTake={onTake} />
      </div>
      <details>
        <summary className="min-h-11 py-2">How everything is set for {name}</summary>
        <FitCardView fit={fit} name={name} />
      </details>
    </section>
  );
}
