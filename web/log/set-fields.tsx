import { AMOUNT_FIELDS, SET_FIELDS } from '../../core/log/index.ts';
import { SIDES } from '../../core/terms/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { aidsOf } from '../../core/ladder/index.ts';
import { takesLoad } from '../../core/sheets/index.ts';
import { useUnits } from '../shell/index.ts';
import { fromMass, tidy, toMass } from '../ui/index.ts';
import { AidsPicker } from './aids-picker.tsx';
import { FeltPicker } from './felt-picker.tsx';
import { Choice, Stepper } from './floor-controls.tsx';
import { FieldControl } from './field-control.tsx';
import { MORE_FIELDS } from './field-control.tsx';
import type { Observed } from './observed.ts';

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
      {!only &&
        AMOUNT_FIELDS.map((name) => {
          const value = set[name];
          const step = name === 'holdS' ? 5 : 1;
          return (
            value !== null && (
              <Stepper
                key={name}
                label={SET_FIELDS[name].label}
                value={value}
                step={step}
                onChange={(n) => onChange({ [name]: n })}
              />
            )
          );
        })}
      {takesLoad(variation.source) && (
        <Stepper
          label={`${SET_FIELDS.loadKg.label}, ${units.mass}`}
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
        label={SET_FIELDS.side.label}
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
export function MoreOfSet({ variation, set, onChange, felt = true }: Props & { felt?: boolean }) {
  return (
    <details className="border-y border-rule py-2">
      <summary className="min-h-14 content-center font-head font-semibold">More about this set</summary>
      <div className="grid gap-5 pt-2">
        {felt && (
          <FeltPicker
            value={set.sensations}
            variation={variation}
            onChange={(sensations) => onChange({ sensations })}
          />
        )}
        {MORE_FIELDS.map((name) => (
          <FieldControl key={name} name={name} set={set} onChange={onChange} />
        ))}
        {!hasAids(variation, set) && (
          <AidsPicker variation={variation} value={set.aids} onChange={(aids) => onChange({ aids })} />
        )}
      </div>
    </details>
  );
}
