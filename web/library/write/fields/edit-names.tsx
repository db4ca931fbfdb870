import { useState } from 'react';
import { Field } from '../../../ui/index.ts';

const namesIn = (text: string) =>
  text
    .split(/[,;]/)
    .map((n) => n.trim())
    .filter(Boolean);

/** Short texts with commas between them; what is typed stays as it is until something else changes it. */
export function EditNames({
  label,
  hint,
  error,
  value,
  onChange,
}: {
  label: string;
  hint?: string | undefined;
  error?: string | undefined;
  value: readonly string[];
  onChange: (names: string[] | undefined) => void;
}) {
  const [typed, setTyped] = useState('');
  const shown = namesIn(typed).join('|') === value.join('|') ? typed : value.join(', ');
  return (
    <Field label={label} hint={hint} error={error}>
      {(props) => (
        <input
          className="field"
          {...props}
          value={shown}
          onChange={(e) => {
            setTyped(e.target.value);
            const names = namesIn(e.target.value);
            onChange(names.length > 0 ? names : undefined);
          }}
        />
      )}
    </Field>
  );
}
