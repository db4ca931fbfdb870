import { Minus, Plus } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '../ui/index.ts';

interface StepperProps {
  label: string;
  value: number;
  step: number;
  /** The values that there are, ascending: a press goes to the next of them; anything can still be typed. */
  among?: readonly number[] | undefined;
  onChange: (value: number) => void;
  /** Narrow, its label only said: for a row that is short of room. */
  narrow?: boolean;
}

/** A number with large buttons beside it. */
export function Stepper({ label, value, step, among = [], onChange, narrow = false }: StepperProps) {
  const less = among.filter((n) => n < value - 0.05).at(-1) ?? Math.max(0, value - step);
  const more = among.find((n) => n > value + 0.05) ?? value + step;
  const button = narrow ? 'w-12 px-0! sm:w-16' : '';
  const bare = (
    <div className="flex items-stretch" role="group" aria-label={label}>
      <Button floor className={button} aria-label={`${label}: ${step} fewer`} onClick={() => onChange(less)}>
        <Minus aria-hidden="true" />
      </Button>
      <input
        aria-label={label}
        inputMode="decimal"
        className={`border-y border-soft bg-paper text-center font-head font-bold ${narrow ? 'w-12 text-3xl sm:w-20' : 'w-24 text-4xl'}`}
        value={value}
        onChange={(e) => {
          const next = Number(e.target.value.replace(',', '.'));
          if (Number.isFinite(next) && next >= 0) onChange(next);
        }}
        onFocus={(e) => e.target.select()}
      />
      <Button floor className={button} aria-label={`${label}: ${step} more`} onClick={() => onChange(more)}>
        <Plus aria-hidden="true" />
      </Button>
    </div>
  );
  if (narrow) return bare;
  return (
    <div>
      <span className="label mb-1 block" aria-hidden="true">
        {label}
      </span>
      {bare}
    </div>
  );
}

/** 0 to 10, or not asked: the same number again takes it back. */
export function Scale({
  label,
  value,
  onPick,
}: {
  label: string;
  value: number | null;
  onPick: (v: number | null) => void;
}) {
  return (
    <fieldset>
      <legend className="label mb-1">
        {label}: {value === null ? 'not asked' : value}
      </legend>
      <div className="grid grid-cols-6 gap-1 sm:grid-cols-11">
        {Array.from({ length: 11 }, (_, n) => (
          <button
            key={n}
            type="button"
            aria-pressed={value === n}
            onClick={() => onPick(value === n ? null : n)}
            className={`min-h-14 border text-xl ${value === n ? 'border-tape bg-tape font-bold text-on-tape' : 'border-soft bg-paper'}`}
          >
            {n}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** One of a few, in large buttons. */
export function Choice<T extends string>({
  label,
  options,
  value,
  onPick,
}: {
  label: string;
  options: readonly T[];
  value: T | null;
  onPick: (v: T) => void;
}) {
  return (
    <fieldset>
      <legend className="label mb-1">{label}</legend>
      <div className="flex flex-wrap gap-1">
        {options.map((o) => (
          <button
            key={o}
            type="button"
            aria-pressed={value === o}
            onClick={() => onPick(o)}
            className={`min-h-14 grow border px-4 text-lg capitalize ${value === o ? 'border-tape bg-tape font-bold text-on-tape' : 'border-soft bg-paper'}`}
          >
            {o}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

export function Toggle({
  on,
  onChange,
  children,
}: {
  on: boolean;
  onChange: (v: boolean) => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={() => onChange(!on)}
      className={`min-h-14 border px-4 ${on ? 'border-tape bg-tape text-on-tape' : 'border-soft bg-paper'}`}
    >
      {children}
    </button>
  );
}

export function YesNo({
  label,
  value,
  onPick,
}: {
  label: string;
  value: boolean | null;
  onPick: (v: boolean | null) => void;
}) {
  return (
    <Choice
      label={`${label} ${value === null ? 'not known' : value ? 'yes' : 'no'}`}
      options={['yes', 'no', 'not known']}
      value={value === null ? 'not known' : value ? 'yes' : 'no'}
      onPick={(v) => onPick(v === 'not known' ? null : v === 'yes')}
    />
  );
}
