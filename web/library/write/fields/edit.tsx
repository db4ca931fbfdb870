import { Plus } from 'lucide-react';
import type { EquipmentNeed, HoldsUnder, Line, Predicate, WayOn } from '../../../../core/library/index.ts';
import type { Mechanics } from '../../../../core/posture/index.ts';
import type { RuledNumber } from '../../../../core/terms/index.ts';
import type { RuledCriterion } from '../../../../core/criterion/index.ts';
import { Button, Field } from '../../../ui/index.ts';
import type { EditContext, FieldsProps } from './context.ts';
import { CriterionEditor } from './criterion.tsx';
import { WaysOnEditor } from './ways-on.tsx';
import { CueList } from './cue-list.tsx';
import { DocumentSelect } from './document-select.tsx';
import { EditLine, EditUnder } from './edit-line.tsx';
import { EditList } from './edit-list.tsx';
import { EditNames } from './edit-names.tsx';
import { EditRuled } from './edit-ruled.tsx';
import { Group } from './group.tsx';
import { BLANK_MECHANICS } from '../../../../core/library/index.ts';
import { MechanicsEditor } from './mechanics.tsx';
import { PredicateEditor } from './predicate.tsx';
import type { FieldSpec, Value } from './types.ts';

interface Props {
  field: FieldSpec;
  value: unknown;
  path: string;
  context: EditContext;
  onChange: (value: unknown) => void;
}

/** Where a section of the form can be jumped to. */
export const sectionId = (label: string) => `section-${label.toLowerCase().replace(/[^a-z]+/g, '-')}`;

/** All fields of an object; a changed member gives a new object, `undefined` removes it. */
export function EditFields({ fields, value, path, context, onChange }: FieldsProps) {
  return (
    <div className="grid gap-3">
      {fields.map((f) => (
        <EditField
          key={f.key}
          field={f}
          value={value[f.key]}
          path={path ? `${path}.${f.key}` : f.key}
          context={context}
          onChange={(v) => {
            const next = { ...value, [f.key]: v };
            if (v === undefined) delete next[f.key];
            onChange(next);
          }}
        />
      ))}
    </div>
  );
}

function EditField({ field: f, value, path, context, onChange }: Props) {
  const error = context.errors.get(path);
  switch (f.type) {
    case 'heading':
      return (
        <h2 id={sectionId(f.label)} className="mt-4 scroll-mt-24 border-b border-ink pb-1">
          {f.label}
        </h2>
      );
    case 'text':
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
              onChange={(e) => onChange(f.options.find((o) => String(o) === e.target.value))}
            >
              {f.optional && <option value="">{f.none ?? 'none'}</option>}
              {f.options.map((o) => (
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
            {f.options.map((o) => {
              const list = (value as string[] | undefined) ?? [];
              return (
                <label key={o} className="flex min-h-8 items-center gap-1.5">
                  <input
                    type="checkbox"
                    checked={list.includes(o)}
                    onChange={(e) =>
                      // Kept in the order of the fixed list, so that ticking twice changes nothing.
                      onChange(f.options.filter((x) => (x === o ? e.target.checked : list.includes(x))))
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
    case 'line':
      return (
        <Group label={f.label} error={error ?? context.errors.get(`${path}.text`)}>
          <EditLine label={f.label} line={value as Line} context={context} onChange={onChange} />
        </Group>
      );
    case 'under':
      return (
        <EditUnder
          label={f.label}
          holdsUnder={value as HoldsUnder | undefined}
          context={context}
          onChange={onChange}
        />
      );
    case 'lines':
      return (
        <Group label={f.label} hint={f.hint} error={error}>
          <EditList
            items={(value as Line[] | undefined) ?? []}
            what="line"
            fresh={() => ({ text: '' })}
            onChange={onChange}
            render={(item, i, set) => (
              <EditLine label={`${f.label}, line ${i + 1}`} line={item} context={context} onChange={set} />
            )}
            errorAt={(i) => context.errors.get(`${path}[${i}].text`)}
          />
        </Group>
      );
    case 'ruled':
      return (
        <Group label={f.unit ? `${f.label}, ${f.unit}` : f.label} error={error}>
          <EditRuled
            value={value as RuledNumber | undefined}
            label={f.label}
            context={context}
            onChange={onChange}
          />
        </Group>
      );
    case 'document':
      return (
        <Field label={f.label} error={error} className="max-w-md">
          {(props) => (
            <DocumentSelect
              {...props}
              kind={f.kind}
              value={(value as string | undefined) ?? ''}
              optional={f.optional}
              context={context}
              onChange={(v) => onChange(v || (f.optional ? undefined : ''))}
            />
          )}
        </Field>
      );
    case 'documents':
      if (f.kind === 'cue') {
        return (
          <Group label={f.label} hint={f.hint} error={error ?? firstBelow(context.errors, path)}>
            <CueList slugs={(value as string[] | undefined) ?? []} context={context} onChange={onChange} />
          </Group>
        );
      }
      return (
        <Group label={f.label} hint={f.hint} error={error}>
          <EditList
            items={(value as string[] | undefined) ?? []}
            what={f.kind}
            fresh={() => ''}
            onChange={(list) => onChange(list)}
            render={(item, i, set) => (
              <DocumentSelect
                aria-label={`${f.label}, ${i + 1}`}
                kind={f.kind}
                value={item}
                context={context}
                onChange={set}
              />
            )}
            errorAt={(i) => context.errors.get(`${path}[${i}]`)}
          />
        </Group>
      );
    case 'ids':
      return (
        <Field label={f.label} hint="Separated by blanks." error={error}>
          {(props) => (
            <input
              className="field"
              {...props}
              value={((value as string[] | undefined) ?? []).join(' ')}
              onChange={(e) => onChange(e.target.value.split(/[\s,]+/).filter(Boolean))}
            />
          )}
        </Field>
      );
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
    case 'group':
      if (f.optional && value === undefined) {
        return (
          <div>
            <Button onClick={() => onChange(f.fresh?.() ?? {})}>
              <Plus aria-hidden="true" size={16} /> {f.label}
            </Button>
          </div>
        );
      }
      return (
        <Group label={f.label} error={error}>
          <div className="flex flex-wrap gap-3 border-l-2 border-rule pl-3">
            <EditFields
              fields={f.fields}
              value={(value as Value) ?? {}}
              path={path}
              context={context}
              onChange={onChange}
            />
            {f.optional && (
              <Button tone="quiet" onClick={() => onChange(undefined)}>
                Remove
              </Button>
            )}
          </div>
        </Group>
      );
    case 'list':
      return (
        <Group label={f.label} error={error}>
          <EditList
            items={(value as Value[] | undefined) ?? []}
            what={f.item}
            fresh={() => f.fresh() as Value}
            onChange={onChange}
            render={(item, i, set) => (
              <EditFields
                fields={f.fields}
                value={item}
                path={`${path}[${i}]`}
                context={context}
                onChange={set}
              />
            )}
            errorAt={() => undefined}
          />
        </Group>
      );
    case 'needGroups':
      return (
        <Group label={f.label} error={error}>
          <EditList
            items={(value as EquipmentNeed[][] | undefined) ?? []}
            what="group"
            fresh={() => [f.fresh() as EquipmentNeed]}
            onChange={onChange}
            render={(group, i, setGroup) => (
              <EditList
                items={group}
                what="equipment"
                fresh={() => f.fresh() as Value}
                onChange={(g) => setGroup(g as unknown as EquipmentNeed[])}
                render={(need, j, set) => (
                  <EditFields
                    fields={f.fields}
                    value={need}
                    path={`${path}[${i}][${j}]`}
                    context={context}
                    onChange={set}
                  />
                )}
                errorAt={() => undefined}
              />
            )}
            errorAt={() => undefined}
          />
        </Group>
      );
    case 'criterion':
      return (
        <Group label={f.label} error={firstBelow(context.errors, path)}>
          <CriterionEditor
            value={value as RuledCriterion}
            negated={f.negated ?? false}
            context={context}
            onChange={onChange}
          />
        </Group>
      );
    case 'waysOn':
      return (
        <Group label={f.label} error={firstBelow(context.errors, path)}>
          <WaysOnEditor
            value={value as WayOn[]}
            equipment={context.entries.filter((e) => e.kind === 'equipment')}
            onChange={onChange}
          />
        </Group>
      );
    case 'predicate':
      return (
        <Group label={f.label} error={firstBelow(context.errors, path)}>
          <PredicateEditor
            value={value as Predicate}
            equipment={context.entries.filter((e) => e.kind === 'equipment')}
            onChange={onChange}
          />
        </Group>
      );
    case 'mechanics':
      if (f.optional && value === undefined) {
        return (
          <div>
            <Button onClick={() => onChange(BLANK_MECHANICS.squat)}>
              <Plus aria-hidden="true" size={16} /> {f.label}
            </Button>
          </div>
        );
      }
      return (
        <Group label={f.label} error={firstBelow(context.errors, path)}>
          <MechanicsEditor
            value={value as Mechanics}
            path={path}
            context={context}
            onChange={onChange}
            Fields={EditFields}
          />
          {f.optional && (
            <Button tone="quiet" onClick={() => onChange(undefined)}>
              Remove
            </Button>
          )}
        </Group>
      );
  }
}

function firstBelow(errors: ReadonlyMap<string, string>, path: string): string | undefined {
  for (const [at, text] of errors) if (at.startsWith(path)) return text;
  return undefined;
}
