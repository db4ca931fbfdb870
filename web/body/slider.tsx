import { memo, useId } from 'react';

interface Props {
  label: string;
  show: string;
  min: number;
  max: number;
  step: number;
  value: number;
  onChange: (v: number) => void;
}

/** A slider with its name before it and its value, with unit, behind. */
export const Slider = memo(function Slider({ label, show, min, max, step, value, onChange }: Props) {
  const id = useId();
  return (
    <div className="min-w-0">
      <div className="flex justify-between gap-2 text-sm leading-tight">
        <label htmlFor={id} className="label truncate">
          {label}
        </label>
        <output htmlFor={id} className="text-right whitespace-nowrap">
          {show}
        </output>
      </div>
      <input
        id={id}
        type="range"
        className="h-6 w-full accent-[var(--tape)]"
        min={min}
        max={max}
        step={step}
        value={value}
        aria-valuetext={show}
        onChange={(e) => onChange(Number(e.target.value))}
      />
    </div>
  );
});
