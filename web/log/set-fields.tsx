import { SIDES } from '../../core/terms/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { aidsOf } from '../../core/ladder/index.ts';
import { takesLoad } from '../../core/sheets/index.ts';
import { useUnits } from '../shell/index.ts';
import { fromMass, tidy, toMass } from '../ui/index.ts';
import { AidsPicker } from './aids-picker.tsx';
import { FeltPicker } from './felt-picker.tsx';
import { Choice, Scale, Stepper, Toggle, YesNo } from './floor-controls.tsx';
import type { Observed } from './set-form.tsx';

interface Props {
  variation: ResolvedVariation;
  set: Observed;
  onChange: (part: Partial<Observed>) => void;
}

/** How much was done: what the variation is counted in, and the load. */
export function Amounts({ variation, set, onChange, only }: Props & { only?: 'load' }) {
  const units = useUnits();
  return (
    <div className="flex flex-wrap gap-6">
      {!only && set.doneReps !== null && (
        <Stepper
          label="Repetitions done"
          value={set.doneReps}
          step={1}
          onChange={(doneReps) => onChange({ doneReps })}
        />
      )}
      {!only && set.holdS !== null && (
        <Stepper label="Seconds held" value={set.holdS} step={5} onChange={(holdS) => onChange({ holdS })} />
      )}
      {!only && set.rounds !== null && (
        <Stepper label="Rounds" value={set.rounds} step={1} onChange={(rounds) => onChange({ rounds })} />
      )}
      {takesLoad(variation.source) && (
        <Stepper
          label={`Load, ${units.mass}`}
          value={Number(tidy(toMass(set.loadKg ?? 0, units.mass)))}
          step={units.mass === 'kg' ? 2.5 : 5}
          onChange={(shown) => onChange({ loadKg: fromMass(shown, units.mass) })}
        />
      )}
    </div>
  );
}

/** The side that worked; what has been counted goes with it. */
export function SideOfSet({ set, onChange }: Omit<Props, 'variation'>) {
  return (
    <div className="grow">
      <Choice
        label="Side"
        options={SIDES}
        value={set.side}
        onPick={(side) => onChange({ side, faults: set.faults.map((f) => ({ ...f, side })) })}
      />
    </div>
  );
}

/** Whether help that is to fade belongs to the variation, or was used. */
export const hasAids = (variation: ResolvedVariation, set: Observed) =>
  aidsOf(variation.source).length > 0 || (set.aids?.length ?? 0) > 0;

/** What is seldom told of a set, shut until it is wanted. */
export function MoreOfSet({
  variation,
  set,
  onChange,
  seesHealth,
  felt = true,
}: Props & { seesHealth: boolean; felt?: boolean }) {
  return (
    <details className="border-y border-rule py-2">
      <summary className="min-h-14 content-center font-head font-semibold">More about this set</summary>
      <div className="grid gap-5 pt-2">
        {felt && (
          <FeltPicker
            value={set.sensations}
            variation={variation}
            seesHealth={seesHealth}
            onChange={(sensations) => onChange({ sensations })}
          />
        )}
        <Scale label="At ease, 0 to 10" value={set.atEase} onPick={(atEase) => onChange({ atEase })} />
        <YesNo label="Tempo kept?" value={set.tempoKept} onPick={(tempoKept) => onChange({ tempoKept })} />
        <YesNo
          label="Full range?"
          value={set.rangeReached}
          onPick={(rangeReached) => onChange({ rangeReached })}
        />
        <label className="block max-w-64">
          <span className="label">Angle measured, degrees (empty: not measured)</span>
          <input
            className="field mt-1 min-h-14 text-lg"
            inputMode="decimal"
            value={set.rangeDeg ?? ''}
            onChange={(e) => {
              const n = Number(e.target.value.replace(',', '.'));
              if (e.target.value === '') onChange({ rangeDeg: null });
              else if (Number.isFinite(n) && Math.abs(n) <= 180) onChange({ rangeDeg: n });
            }}
          />
        </label>
        <Toggle on={set.warmUp} onChange={(warmUp) => onChange({ warmUp })}>
          Warm-up set
        </Toggle>
        {!hasAids(variation, set) && (
          <AidsPicker variation={variation} value={set.aids} onChange={(aids) => onChange({ aids })} />
        )}
      </div>
    </details>
  );
}
