import { useMemo } from 'react';
import { AMOUNT_FIELDS, SET_FIELDS } from '../../core/log/index.ts';
import { COUNTED_IN, SIDES } from '../../core/terms/index.ts';
import type { CountedIn } from '../../core/terms/index.ts';
import type { DoneField } from '../../core/log/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { aidsOf } from '../../core/ladder/index.ts';
import { takesLoad } from '../../core/sheets/index.ts';
import { useLoads } from '../kit/index.ts';
import { useUnits } from '../shell/index.ts';
import { fromMass, tidy, toMass } from '../ui/index.ts';
import { AidsPicker } from './aids-picker.tsx';
import { FeltPicker } from './felt-picker.tsx';
import { Choice, Stepper } from './floor-controls.tsx';
import { FieldControl } from './field-control.tsx';
import { MORE_FIELDS } from './field-control.tsx';
import { formOf, inForm } from './observed.ts';
import type { Observed } from './observed.ts';
import { hasSettings, SettingsPicker } from './settings-picker.tsx';
import { usedLine } from './words.ts';

interface Props {
  variation: ResolvedVariation;
  set: Observed;
  onChange: (part: Partial<Observed>) => void;
}

/** How much was done: what the variation is counted in, and the load. */
export function Amounts({ variation, set, onChange, only }: Props & { only?: 'load' }) {
  const units = useUnits();
  const inHall = useLoads(variation.source.loadKind);
  const loads = useMemo(
    () => inHall.map((kg) => Number(tidy(toMass(kg, units.mass), 2))),
    [inHall, units.mass],
  );
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
          value={Number(tidy(toMass(set.loadKg ?? 0, units.mass), 2))}
          step={units.mass === 'kg' ? 2.5 : 5}
          among={loads}
          onChange={(shown) => onChange({ loadKg: fromMass(shown, units.mass) })}
        />
      )}
    </div>
  );
}

/** A set in another form than is asked trains, and counts for nothing: that is said. */
export function OtherForm({ asked, set }: Pick<Props, 'set'> & { asked: CountedIn }) {
  const form = formOf(set);
  if (form === asked) return null;
  return (
    <p className="border-l-[6px] border-warn pl-3 text-sm">
      Written down in {form}, where {asked} are asked: it trains, and shows nothing of what the level asks.
    </p>
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

/** Seconds of a round and breaths of a hold are asked of no other set. */
const isOf = (form: CountedIn, name: DoneField) =>
  name === 'workS' ? form === 'rounds' : name === 'breaths' ? form === 'seconds held' : true;

/** Settings that the variation is done with: shut, with what is noted on the lid. */
export function SettingsOfSet({ variation, set, onChange }: Props) {
  const units = useUnits();
  if (!hasSettings(variation, set.settings)) return null;
  const now = usedLine({ settings: set.settings }, units);
  return (
    <details className="border-y border-rule py-2">
      <summary className="min-h-14 content-center text-lg">
        <span className="font-head font-semibold">Settings:</span> {now || 'not noted'}
      </summary>
      <SettingsPicker
        variation={variation}
        value={set.settings}
        onChange={(settings) => onChange({ settings })}
      />
    </details>
  );
}

/** What is seldom told of a set, shut until it is wanted. */
export function MoreOfSet({ variation, set, onChange, felt = true }: Props & { felt?: boolean }) {
  return (
    <details className="border-y border-rule py-2">
      <summary className="min-h-14 content-center font-head font-semibold">More about this set</summary>
      <div className="grid gap-5 pt-2">
        {felt && (
          <FeltPicker
            side={set.side}
            value={set.sensations}
            variation={variation}
            onChange={(sensations) => onChange({ sensations })}
          />
        )}
        <Choice
          label="Written down in"
          options={COUNTED_IN}
          value={formOf(set)}
          onPick={(form) => form !== null && onChange(inForm(form))}
        />
        {MORE_FIELDS.filter((name) => isOf(formOf(set), name)).map((name) => (
          <FieldControl key={name} name={name} set={set} onChange={onChange} />
        ))}
        {!hasAids(variation, set) && (
          <AidsPicker all variation={variation} value={set.aids} onChange={(aids) => onChange({ aids })} />
        )}
        {!hasSettings(variation, set.settings) && (
          <SettingsPicker
            variation={variation}
            value={set.settings}
            onChange={(settings) => onChange({ settings })}
          />
        )}
      </div>
    </details>
  );
}
