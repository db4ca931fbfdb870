import { useAsk } from '../../../shell/index.ts';

/** A level of a ladder by its number and name. */
export function LevelSelect({
  ladder,
  value,
  onChange,
  ...rest
}: {
  ladder: string;
  value: string;
  onChange: (level: string) => void;
  id?: string;
  'aria-label'?: string;
  'aria-describedby'?: string | undefined;
  'aria-invalid'?: boolean | undefined;
}) {
  const found = useAsk('document', ladder ? { kind: 'ladder', slug: ladder } : null);
  const levels = found.data?.body.kind === 'ladder' ? found.data.body.levels : [];
  return (
    <select className="field w-52" {...rest} value={value} onChange={(e) => onChange(e.target.value)}>
      <option value="">choose a level …</option>
      {levels.map((l, i) => (
        <option key={l.id} value={l.id}>
          {i + 1}. {l.name}
        </option>
      ))}
      {value && !levels.some((l) => l.id === value) && <option value={value}>{value}</option>}
    </select>
  );
}
