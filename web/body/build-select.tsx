import { PersonSelect } from '../shell/index.ts';
import type { NamedBuild } from '../shell/index.ts';

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
    <PersonSelect
      label={label}
      people={builds.map((b) => ({ id: b.personId, name: b.name }))}
      value={personId}
      onPick={onChange}
      none="the reference build"
      className="w-56"
    />
  );
}
