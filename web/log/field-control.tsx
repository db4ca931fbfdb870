import { DONE_FIELDS, SET_FIELDS } from '../../core/log/index.ts';
import type { DoneField, SetFieldAbout } from '../../core/log/index.ts';
import { Choice, Scale, Toggle, YesNo } from './floor-controls.tsx';
import type { Observed } from './observed.ts';

const about = (name: DoneField): SetFieldAbout => SET_FIELDS[name];

/** What is seldom told of a set, in its order. */
export const MORE_FIELDS = DONE_FIELDS.filter((name) => about(name).more !== undefined).sort(
  (a, b) => about(a).more! - about(b).more!,
);

/** The control of one field of a set, by what the field is (core/log/fields.ts). */
export function FieldControl({
  name,
  set,
  onChange,
}: {
  name: DoneField;
  set: Observed;
  onChange: (part: Partial<Observed>) => void;
}) {
  const f = about(name);
  const value = set[name];
  const label = f.label ?? name;
  const tell = (to: unknown) => onChange({ [name]: to });
  if (f.is === 'flag') {
    const on = typeof value === 'boolean' ? value : null;
    return f.blank === null ? (
      <YesNo label={label} value={on} onPick={tell} />
    ) : (
      <Toggle on={on ?? false} onChange={tell}>
        {label}
      </Toggle>
    );
  }
  if (f.is === 'choice') {
    return (
      <Choice label={label} options={f.of} value={typeof value === 'string' ? value : null} onPick={tell} />
    );
  }
  if (f.is !== 'number') return null;
  const number = typeof value === 'number' ? value : null;
  if (f.from === 0 && f.to === 10) return <Scale label={label} value={number} onPick={tell} />;
  return (
    <label className="block max-w-64">
      <span className="label">
        {label}
        {f.unit && `, ${f.unit}`} (empty: not measured)
      </span>
      <input
        className="field mt-1 min-h-14 text-lg"
        inputMode="decimal"
        value={number ?? ''}
        onChange={(e) => {
          const n = Number(e.target.value.replace(',', '.'));
          if (e.target.value === '') tell(null);
          else if (Number.isFinite(n) && n >= f.from && n <= f.to && (!f.whole || Number.isInteger(n)))
            tell(n);
        }}
      />
    </label>
  );
}
