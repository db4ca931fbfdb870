/** A number within bounds; what lies outside is not taken. */
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
  return (
    <input
      aria-label={label}
      type="number"
      step="any"
      className="field w-20"
      value={value}
      min={min}
      max={max}
      onChange={(e) => {
        const n = Number(e.target.value);
        if (e.target.value !== '' && n >= min && n <= max) onChange(n);
      }}
    />
  );
}
