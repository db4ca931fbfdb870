import type { Kind } from '../../../core/library/index.ts';
import type { EditContext } from './context.ts';

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
}) {
  const options = context.entries.filter((e) => e.kind === kind && (!e.retired || e.slug === value));
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
