import { useMemo } from 'react';
import type { Person, PersonRow } from '../../contract/people.ts';
import { SelectField } from '../ui/index.ts';
import { useAsk } from './api.ts';
import { useSigned } from './start.tsx';

const NONE: PersonRow[] = [];

/**
 * Everybody, and who is who.
 * @param asked absent: nobody for viewers, who see no people; a page about people asks all the same and says so
 */
export function usePeople(asked?: boolean) {
  const { me } = useSigned();
  const query = useAsk('people', (asked ?? me.role !== 'viewer') ? {} : null);
  const people = query.data ?? NONE;
  const lookup = useMemo(() => {
    const byId = new Map(people.map((p) => [p.id, p]));
    return {
      find: (id: string | null | undefined): PersonRow | undefined => (id == null ? undefined : byId.get(id)),
      nameOf: (id: string): string => byId.get(id)?.name ?? '',
    };
  }, [people]);
  return { query, people, ...lookup };
}

interface Props {
  label: string;
  people: readonly Pick<Person, 'id' | 'name'>[];
  /** null: none of them. */
  value: string | null;
  onPick: (id: string | null) => void;
  /** What choosing none of them is called; absent: one must be chosen. */
  none?: string;
  hint?: string;
  className?: string;
}

/** One of the people, by name. */
export function PersonSelect({ label, people, value, onPick, none, hint, className }: Props) {
  return (
    <SelectField
      label={label}
      hint={hint}
      className={className}
      value={value ?? ''}
      onChange={(e) => onPick(e.target.value || null)}
    >
      {none !== undefined && <option value="">{none}</option>}
      {people.map((p) => (
        <option key={p.id} value={p.id}>
          {p.name}
        </option>
      ))}
    </SelectField>
  );
}
