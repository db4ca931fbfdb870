import { SelectField } from '../ui/index.ts';
import type { NamedBuild } from './use-builds.ts';

interface Props {
  label: string;
  builds: readonly NamedBuild[];
  /** Null: the reference build. */
  personId: string | null;
  onChange: (personId: string | null) => void;
}

/** Whose body is computed with; nothing to choose where there are no people. */
export function BuildSelect({ label, builds, personId, onChange }: Props) {
  if (builds.length === 0) return null;
  return (
    <SelectField
      label={label}
      value={personId ?? ''}
      onChange={(e) => onChange(e.target.value || null)}
      className="w-56"
    >
      <option value="">the reference build</option>
      {builds.map((b) => (
        <option key={b.personId} value={b.personId}>
          {b.name}
        </option>
      ))}
    </SelectField>
  );
}
