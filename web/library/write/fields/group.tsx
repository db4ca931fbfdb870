import type { ReactNode } from 'react';
import { useId } from 'react';

/** Controls that belong together under one label. */
export function Group({
  label,
  hint,
  error,
  children,
}: {
  label: string;
  hint?: string;
  error?: string;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <fieldset aria-describedby={error || hint ? id : undefined}>
      <legend className="label mb-1">{label}</legend>
      {children}
      {(error ?? hint) && (
        <p id={id} className={`text-sm ${error ? 'font-semibold text-warn' : 'text-soft'}`}>
          {error ?? hint}
        </p>
      )}
    </fieldset>
  );
}
