import { meantIn } from '../../../../core/library/index.ts';
import type { DocumentField } from '../../../../core/library/index.ts';
import { Field } from '../../../ui/index.ts';
import type { Value } from './context.ts';
import { EditNames } from './edit-names.tsx';
import { Group } from './group.tsx';
import { LevelSelect } from './level-select.tsx';

/** What is one word, number or choice, or a run of them. */
export type Simple = Extract<
  DocumentField,
  {
    is: 'text' | 'short id' | 'short ids' | 'date' | 'number' | 'choice' | 'choices' | 'flag' | 'names';
  }
>;

/** A member with one control. */
export function SimpleField({
  field: f,
  value,
  beside,
  error,
  of,
  onChange,
}: {
  field: Simple;
  value: unknown;
  /** The members that it stands among. */
  beside: Value;
  error: string | undefined;
  /** The document: its own items are meant by name. */
  of: object;
  onChange: (value: unknown) => void;
}) {
  switch (f.is) {
    case 'short id': {
      if (f.own) return null;
      if (f.onLadder)
        return (
          <Field label={f.label} error={error} className="max-w-md">
            {(props) => (
              <LevelSelect
                {...props}
                ladder={(beside[f.onLadder!] as string | undefined) ?? ''}
                value={(value as string | undefined) ?? ''}
                onChange={onChange}
              />
            )}
          </Field>
        );
      const meant = f.among ? meantIn(of, f.among) : null;
      if (meant)
        return (
          <Field label={f.label} error={error} className="max-w-md">
            {(props) => (
              <select
                className="field"
                {...props}
                value={(value as string | undefined) ?? ''}
                onChange={(e) => onChange(e.target.value || (f.optional ? undefined : ''))}
              >
                <option value="">{f.optional ? 'none' : 'choose …'}</option>
                {meant.map((m) => (
                  <option key={m.id} value={m.id}>
                    {m.words}
                  </option>
                ))}
              </select>
            )}
          </Field>
        );
      return <TextBox field={f} value={value} error={error} onChange={onChange} />;
    }
    case 'text':
      return <TextBox field={f} value={value} error={error} onChange={onChange} />;
    case 'date':
      return (
        <Field label={f.label} hint={f.hint} error={error} className="max-w-56">
          {(props) => (
            <input
              type="date"
              className="field"
              {...props}
              value={(value as string | undefined) ?? ''}
              onChange={(e) => onChange(e.target.value || undefined)}
            />
          )}
        </Field>
      );
    case 'number':
      return (
        <Field
          label={f.unit ? `${f.label}, ${f.unit}` : f.label}
          hint={f.hint}
          error={error}
          className="max-w-44"
        >
          {(props) => (
            <input
              type="number"
              step={f.step ?? 'any'}
              className="field"
              {...props}
              value={(value as number | undefined) ?? ''}
              onChange={(e) => onChange(e.target.value === '' ? undefined : Number(e.target.value))}
            />
          )}
        </Field>
      );
    case 'choice':
      return (
        <Field label={f.label} error={error} className="max-w-md">
          {(props) => (
            <select
              className="field"
              {...props}
              value={String((value as string | undefined) ?? '')}
              onChange={(e) => onChange(f.of.find((o) => String(o) === e.target.value))}
            >
              {f.optional && <option value="">{f.none ?? 'none'}</option>}
              {f.of.map((o) => (
                <option key={o} value={o}>
                  {f.words?.[String(o)] ?? o}
                </option>
              ))}
            </select>
          )}
        </Field>
      );
    case 'choices':
      return (
        <Group label={f.label} error={error}>
          <div className="flex flex-wrap gap-x-4">
            {f.of.map((o) => {
              const list = (value as string[] | undefined) ?? [];
              return (
                <label key={o} className="flex min-h-8 items-center gap-1.5">
                  <input
                    type="checkbox"
                    checked={list.includes(o)}
                    onChange={(e) =>
                      // Kept in the order of the fixed list, so that ticking twice changes nothing.
                      onChange(f.of.filter((x) => (x === o ? e.target.checked : list.includes(x))))
                    }
                  />
                  {o}
                </label>
              );
            })}
          </div>
        </Group>
      );
    case 'flag':
      return (
        <label className="flex min-h-9 items-center gap-2">
          <input type="checkbox" checked={Boolean(value)} onChange={(e) => onChange(e.target.checked)} />
          {f.label}
        </label>
      );
    case 'short ids': {
      const list = (value as string[] | undefined) ?? [];
      const meant = meantIn(of, f.among ?? '');
      const unknown = list.filter((id) => !meant.some((m) => m.id === id));
      return (
        <Group label={f.label} error={error}>
          {[...meant, ...unknown.map((id) => ({ id, words: `${id} (not in this document)` }))].map((m) => (
            <label key={m.id} className="flex min-h-8 items-center gap-1.5">
              <input
                type="checkbox"
                checked={list.includes(m.id)}
                onChange={(e) =>
                  onChange(e.target.checked ? [...list, m.id] : list.filter((id) => id !== m.id))
                }
              />
              {m.words}
            </label>
          ))}
          {meant.length === 0 && <p className="text-sm text-soft">None written yet.</p>}
        </Group>
      );
    }
    case 'names':
      return (
        <EditNames
          label={f.label}
          hint={f.hint}
          error={error}
          value={(value as string[] | undefined) ?? []}
          onChange={onChange}
        />
      );
  }
}

function TextBox({
  field: f,
  value,
  error,
  onChange,
}: {
  field: DocumentField;
  value: unknown;
  error: string | undefined;
  onChange: (value: string) => void;
}) {
  return (
    <Field label={f.label} hint={f.hint} error={error}>
      {(props) => (
        <input
          className="field"
          {...props}
          value={(value as string | undefined) ?? ''}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
    </Field>
  );
}
