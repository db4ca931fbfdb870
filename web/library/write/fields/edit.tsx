import { Plus } from 'lucide-react';
import { blankItem, BLANK_MECHANICS, freshItem } from '../../../../core/library/index.ts';
import type {
  DocumentField,
  EquipmentNeed,
  HoldsUnder,
  Line,
  Predicate,
  WayOn,
} from '../../../../core/library/index.ts';
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
import { EditRuled } from './edit-ruled.tsx';
import { Group } from './group.tsx';
import { MechanicsEditor } from './mechanics.tsx';
import { PredicateEditor } from './predicate.tsx';
import { SimpleField } from './simple-field.tsx';
import type { Value } from './context.ts';

interface Props {
  field: DocumentField;
  value: unknown;
  /** The members that it stands among. */
  beside: Value;
  path: string;
  context: EditContext;
  onChange: (value: unknown) => void;
}

/** All fields of an object; a changed member gives a new object, `undefined` removes it. */
export function EditFields({ fields, value, path, context, onChange }: FieldsProps) {
  return (
    <div className="grid gap-3">
      {Object.entries(fields).map(([key, f]) => (
        <EditField
          key={key}
          field={f}
          value={value[key]}
          beside={value}
          path={path ? `${path}.${key}` : key}
          context={context}
          onChange={(v) => {
            const next = { ...value, [key]: v };
            if (v === undefined) delete next[key];
            onChange(next);
          }}
        />
      ))}
    </div>
  );
}

function EditField({ field: f, value, beside, path, context, onChange }: Props) {
  const error = context.errors.get(path);
  switch (f.is) {
    case 'short id':
    case 'text':
    case 'date':
    case 'number':
    case 'choice':
    case 'choices':
    case 'flag':
    case 'short ids':
    case 'names':
      return (
        <SimpleField
          field={f}
          value={value}
          beside={beside}
          error={error}
          of={context.of ?? {}}
          onChange={onChange}
        />
      );
    case 'line':
      return (
        <Group label={f.label} error={error ?? context.errors.get(`${path}.text`)}>
          <EditLine label={f.label} line={value as Line} context={context} onChange={onChange} />
        </Group>
      );
    case 'house rule':
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
    case 'ruled number':
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
              kind={f.of}
              value={(value as string | undefined) ?? ''}
              optional={f.optional ?? false}
              context={context}
              onChange={(v) => onChange(v || (f.optional ? undefined : ''))}
            />
          )}
        </Field>
      );
    case 'documents':
      if (f.of === 'cue') {
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
            what={f.of}
            fresh={() => ''}
            onChange={(list) => onChange(list)}
            render={(item, i, set) => (
              <DocumentSelect
                aria-label={`${f.label}, ${i + 1}`}
                kind={f.of}
                value={item}
                context={context}
                onChange={set}
              />
            )}
            errorAt={(i) => context.errors.get(`${path}[${i}]`)}
          />
        </Group>
      );
    case 'group':
      if (f.optional && value === undefined) {
        return (
          <div>
            <Button onClick={() => onChange(blankItem(f.fields))}>
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
            fresh={() => freshItem(f.fields, f.item, (value as Value[] | undefined) ?? []) as Value}
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
    case 'groups':
      return (
        <Group label={f.label} error={error}>
          <EditList
            items={(value as EquipmentNeed[][] | undefined) ?? []}
            what="group"
            fresh={() => [blankItem(f.fields) as unknown as EquipmentNeed]}
            onChange={onChange}
            render={(group, i, setGroup) => (
              <EditList
                items={group}
                what="equipment"
                fresh={() => blankItem(f.fields)}
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
    case 'ways on':
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
          <MechanicsEditor value={value as Mechanics} path={path} context={context} onChange={onChange} />
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
