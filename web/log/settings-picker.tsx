import {
  SETTING_NAMES,
  SIDES,
  aboutSetting,
  isPaired,
  otherSide,
  unevenSettings,
} from '../../core/terms/index.ts';
import type { Setting, SettingUsed, Side } from '../../core/terms/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { settingsNoted } from '../../core/ladder/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { useUnits } from '../shell/index.ts';
import { fromLength, fromMass, SelectField, tidy, toLength, toMass } from '../ui/index.ts';
import { Choice, Stepper } from './floor-controls.tsx';

type Settings = LoggedSet['settings'];

/** The list with one setting at a value, or without it. */
function put(list: Settings, name: Setting, side: Side | null, value: number | string | null): Settings {
  const others = (list ?? []).filter((s) => s.name !== name || s.side !== side);
  const next = value === null ? others : [...others, { name, side, value }];
  return next.length > 0 ? next : null;
}

const sidesOf = (name: Setting): readonly (Side | null)[] => (isPaired(name) ? SIDES : [null]);

interface Props {
  variation: ResolvedVariation;
  value: Settings;
  onChange: (value: Settings) => void;
}

/** Whether the variation has settings that are noted, or any were. */
export const hasSettings = ({ source }: ResolvedVariation, value: Settings) =>
  settingsNoted(source).length > 0 || (value?.length ?? 0) > 0;

/** What is set on the floor and the kit, as numbers and words; what is not noted is not known. */
export function SettingsPicker({ variation, value, onChange }: Props) {
  const named = settingsNoted(variation.source);
  const shown = SETTING_NAMES.filter((n) => named.includes(n) || value?.some((s) => s.name === n));
  const others = SETTING_NAMES.filter((n) => !shown.includes(n));
  const begin = (name: Setting) => {
    const about = aboutSetting(name);
    const first = about.is === 'word' ? about.of[0]! : about.blank;
    onChange(sidesOf(name).reduce<Settings>((list, side) => put(list, name, side, first), value));
  };
  return (
    <div className="grid gap-4">
      {shown.map((name) => (
        <OneSetting key={name} name={name} value={value} onChange={onChange} />
      ))}
      {value && <Uneven value={value} />}
      <SelectField
        label="Another setting"
        value=""
        onChange={(e) => e.target.value !== '' && begin(e.target.value as Setting)}
      >
        <option value="">choose …</option>
        {others.map((n) => (
          <option key={n}>{n}</option>
        ))}
      </SelectField>
    </div>
  );
}

/** The sentence that keeps an uneven rack out of the log; nothing where all is even. */
export function Uneven({ value }: { value: readonly SettingUsed[] }) {
  const uneven = unevenSettings(value);
  return (
    uneven && (
      <p role="alert" className="border-l-[6px] border-stop pl-3 font-semibold text-stop">
        {uneven[0]!.toUpperCase() + uneven.slice(1)}
      </p>
    )
  );
}

function OneSetting({ name, value, onChange }: Omit<Props, 'variation'> & { name: Setting }) {
  const units = useUnits();
  const about = aboutSetting(name);
  const at = (side: Side | null) => value?.find((s) => s.name === name && s.side === side)?.value ?? null;
  if (about.is === 'word') {
    const now = at(null);
    return (
      <Choice
        label={`${name}: ${now ?? 'not noted'}`}
        options={now !== null && !about.of.includes(String(now)) ? [...about.of, String(now)] : about.of}
        value={now === null ? null : String(now)}
        // The same word again takes it back.
        onPick={(word) => onChange(put(value, name, null, word === now ? null : word))}
      />
    );
  }
  const metric = about.unit === 'm' || about.unit === 'kg';
  const shown = (n: number) =>
    about.unit === 'm'
      ? Number(tidy(toLength(n, units.length)))
      : about.unit === 'kg'
        ? Number(tidy(toMass(n, units.mass)))
        : n;
  const read = (n: number) =>
    about.unit === 'm'
      ? Math.round(fromLength(n, units.length) * 10_000) / 10_000
      : about.unit === 'kg'
        ? Math.round(fromMass(n, units.mass) * 1000) / 1000
        : Math.round(n);
  const step =
    about.unit !== 'm'
      ? about.step
      : units.length === 'cm'
        ? about.step * 100
        : Math.max(0.5, Math.round(toLength(about.step, 'in') * 2) / 2);
  const within = (n: number) => Math.min(about.to, Math.max(about.from, n));
  const tell = (side: Side | null, n: number) => {
    const next = put(value, name, side, within(read(n)));
    const other = side && otherSide(side);
    // The first number goes to both sides; afterwards each is read by itself.
    onChange(other !== null && at(other) === null ? put(next, name, other, within(read(n))) : next);
  };
  const unit = about.unit === 'm' ? units.length : about.unit === 'kg' ? units.mass : about.unit;
  const noted = at(sidesOf(name)[0]!) !== null;
  return (
    <fieldset>
      <legend className="label mb-1">
        {name}, {unit}
        {!noted && ': not noted'}
      </legend>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {!noted && (
          <button
            type="button"
            className="min-h-14 border border-soft bg-paper px-4 text-lg"
            onClick={() => tell(sidesOf(name)[0]!, shown(about.blank))}
          >
            Note it: {tidy(shown(about.blank))} {metric && unit}
          </button>
        )}
        {sidesOf(name).map((side) => {
          const now = at(side);
          return (
            now !== null && (
              <div key={side ?? 'both'} className="flex items-center gap-2">
                {side && <span aria-hidden="true">{side}</span>}
                <Stepper
                  narrow
                  label={side === null ? `${name}, ${unit}` : `${name}, ${side}`}
                  value={shown(Number(now))}
                  step={step}
                  onChange={(n) => tell(side, n)}
                />
              </div>
            )
          );
        })}
        {noted && (
          <button
            type="button"
            className="min-h-14 px-2 underline"
            aria-label={`Do not note ${name}`}
            onClick={() =>
              onChange(sidesOf(name).reduce<Settings>((list, side) => put(list, name, side, null), value))
            }
          >
            not noted
          </button>
        )}
      </div>
    </fieldset>
  );
}
