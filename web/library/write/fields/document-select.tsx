import type { Kind } from '../../../../core/library/index.ts';
import { NamedPick } from '../../../ui/index.ts';
import type { EditContext } from './context.ts';

/** Kinds of which a hall has so many that they are found by name. */
const MANY: ReadonlySet<Kind> = new Set<Kind>(['variation', 'fault', 'cue', 'equipment']);

/** One document of a kind, by its name. */
export function DocumentSelect({
  kind,
  value,
  optional = false,
  context,
  onChange,
  ...rest
}: {
  kind: Kind;
  value: string;
  optional?: boolean;
  context: EditContext;
  onChange: (slug: string) => void;
  id?: string;
  'aria-label'?: string;
  'aria-describedby'?: string | undefined;
  'aria-invalid'?: boolean | undefined;
}) {
  const options = context.entries.filter((e) => e.kind === kind && (!e.retired || e.slug === value));
  if (MANY.has(kind)) {
    return (
      <NamedPick
        {...rest}
        options={options.map((e) => ({ value: e.slug, name: e.title, also: e.alsoCalled }))}
        value={value}
        none={optional ? 'none' : undefined}
        onChange={onChange}
      />
    );
  }
  return (
    <select className="field" {...rest} value={value} onChange={(e) => onChange(e.target.value)}>
      <option value="">{optional ? 'none' : 'choose …'}</option>
      {options.map((e) => (
        <option key={e.slug} value={e.slug}>
          {e.title}
        </option>
      ))}
      {value && !options.some((e) => e.slug === value) && (
        <option value={value}>{value} (not in the library)</option>
      )}
    </select>
  );
}
