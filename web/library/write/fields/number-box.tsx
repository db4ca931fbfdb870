import { useState } from 'react';

/** A number within bounds; what lies outside may be typed on the way, is marked, and is not taken. */
export function NumberBox({
  label,
  value,
  min,
  max,
  onChange,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  onChange: (n: number) => void;
}) {
  const [text, setText] = useState(String(value));
  const within = (typed: string) => typed !== '' && Number(typed) >= min && Number(typed) <= max;
  // What changed elsewhere, as by an undo, is shown in place of an older number typed here.
  const shown = within(text) && Number(text) !== value ? String(value) : text;
  return (
    <input
      aria-label={label}
      aria-invalid={!within(shown)}
      title={within(shown) ? undefined : `From ${min} to ${max}; ${value} stands until then.`}
      type="number"
      step="any"
      className="field w-20"
      value={shown}
      min={min}
      max={max}
      onChange={(e) => {
        setText(e.target.value);
        if (within(e.target.value)) onChange(Number(e.target.value));
      }}
      onBlur={() => setText(String(value))}
    />
  );
}
