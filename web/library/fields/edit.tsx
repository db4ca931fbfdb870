import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { useId } from 'react';
import type { EntrySummary } from '../../../contract/library.ts';
import type {
  EquipmentNeed,
  Kind,
  Line,
  Mechanics,
  Predicate,
  RuledNumber,
} from '../../../core/library/index.ts';
import type { Criterion, WayOn } from '../../../core/ladder/index.ts';
import { Button, Field } from '../../ui/index.ts';
import { CriterionEditor, WaysOnEditor } from './criterion.tsx';
import { NEED, needFresh } from './forms.ts';
import { BLANK_MECHANICS } from '../../../core/library/index.ts';
import { MechanicsEditor } from './mechanics.tsx';
import { PredicateEditor } from './predicate.tsx';
import type { FieldSpec, Value } from './types.ts';

export interface EditContext {
  entries: EntrySummary[];
  /** Errors of the server by path, e.g. `levels[0].name`. */
  errors: ReadonlyMap<string, string>;
}

interface Props {
  field: FieldSpec;
  value: unknown;
  path: string;
  context: EditContext;
  onChange: (value: unknown) => void;
}

/** All fields of an object; a changed member gives a new object, `undefined` removes it. */
export function EditFields({
  fields,
  value,
  path,
  context,
  onChange,
}: {
  fields: FieldSpec[];
  value: Value;
  path: string;
  context: EditContext;
  onChange: (value: Value) => void;
}) {
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
      return <h2 className="mt-4 border-b border-ink pb-1">{f.label}</h2>;
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
              {f.optional && <option value="">as everywhere</option>}
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
            fresh={() => [needFresh()]}
            onChange={onChange}
            render={(group, i, setGroup) => (
              <EditList
                items={group as unknown as Value[]}
                what="equipment"
                fresh={() => needFresh()}
                onChange={(g) => setGroup(g as unknown as EquipmentNeed[])}
                render={(need, j, set) => (
                  <EditFields
                    fields={NEED}
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
          <CriterionEditor value={value as Criterion} negated={f.negated ?? false} onChange={onChange} />
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

interface ListProps<T> {
  items: T[];
  what: string;
  fresh: () => T;
  onChange: (items: T[]) => void;
  render: (item: T, index: number, set: (item: T) => void) => ReactNode;
  errorAt: (index: number) => string | undefined;
}

/** Items in order, with keys to move, remove and add. */
export function EditList<T>({ items, what, fresh, onChange, render, errorAt }: ListProps<T>) {
  const swap = (i: number, j: number) => {
    const next = [...items];
    [next[i], next[j]] = [next[j]!, next[i]!];
    onChange(next);
  };
  return (
    <div>
      <ol>
        {items.map((item, i) => (
          <li key={i} className="mb-1.5 flex items-start gap-1 border-l-2 border-rule pl-2">
            <div className="min-w-0 grow">
              {render(item, i, (v) => onChange(items.map((x, j) => (j === i ? v : x))))}
              {errorAt(i) && <p className="text-sm font-semibold text-warn">{errorAt(i)}</p>}
            </div>
            <Button
              tone="quiet"
              aria-label={`Move ${what} ${i + 1} up`}
              disabled={i === 0}
              onClick={() => swap(i, i - 1)}
            >
              <ArrowUp aria-hidden="true" size={16} />
            </Button>
            <Button
              tone="quiet"
              aria-label={`Move ${what} ${i + 1} down`}
              disabled={i === items.length - 1}
              onClick={() => swap(i, i + 1)}
            >
              <ArrowDown aria-hidden="true" size={16} />
            </Button>
            <Button
              tone="quiet"
              aria-label={`Remove ${what} ${i + 1}`}
              onClick={() => onChange(items.filter((_, j) => j !== i))}
            >
              <X aria-hidden="true" size={16} />
            </Button>
          </li>
        ))}
      </ol>
      <Button onClick={() => onChange([...items, fresh()])}>
        <Plus aria-hidden="true" size={16} /> {what}
      </Button>
    </div>
  );
}

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

/** A line of text, and the house answers it stands under. */
function EditLine({
  line,
  label,
  context,
  onChange,
}: {
  line: Line;
  label: string;
  context: EditContext;
  onChange: (line: Line) => void;
}) {
  const questions = context.entries.filter((e) => e.kind === 'houseQuestion');
  const under = Object.entries(line?.holdsUnder ?? {});
  const setUnder = (next: [string, string[]][]) =>
    onChange(next.length ? { text: line.text, holdsUnder: Object.fromEntries(next) } : { text: line.text });
  return (
    <div>
      <textarea
        aria-label={label}
        rows={Math.max(1, Math.ceil((line?.text.length ?? 0) / 90))}
        className="field"
        value={line?.text ?? ''}
        onChange={(e) => onChange({ ...line, text: e.target.value })}
      />
      {under.map(([question, answers], i) => (
        <div key={question} className="mt-1 flex flex-wrap items-center gap-2 pl-4 text-sm">
          only while
          <select
            aria-label={`${label}: question`}
            className="field max-w-72"
            value={question}
            onChange={(e) => setUnder(under.map((u, j) => (j === i ? [e.target.value, []] : u)))}
          >
            {questions.map((q) => (
              <option key={q.slug} value={q.slug}>
                {q.title}
              </option>
            ))}
          </select>
          is
          <input
            aria-label={`${label}: answers, separated by blanks`}
            className="field max-w-64"
            value={answers.join(' ')}
            onChange={(e) =>
              setUnder(
                under.map((u, j) => (j === i ? [question, e.target.value.split(/\s+/).filter(Boolean)] : u)),
              )
            }
          />
          <Button tone="quiet" onClick={() => setUnder(under.filter((_, j) => j !== i))}>
            always
          </Button>
        </div>
      ))}
      {under.length === 0 && questions.length > 0 && (
        <button
          type="button"
          className="text-sm text-soft underline underline-offset-2"
          onClick={() => setUnder([[questions[0]!.slug, []]])}
        >
          only under a house rule
        </button>
      )}
    </div>
  );
}

export function EditRuled({
  value,
  label,
  context,
  onChange,
}: {
  value: RuledNumber | undefined;
  label: string;
  context: EditContext;
  onChange: (value: RuledNumber | undefined) => void;
}) {
  const number = (n: number | undefined, name: string, set: (n: number) => void) => (
    <input
      aria-label={name}
      type="number"
      step="any"
      className="field max-w-24"
      value={n ?? ''}
      onChange={(e) => e.target.value !== '' && set(Number(e.target.value))}
    />
  );
  if (typeof value === 'object') {
    const by = Object.entries(value.byAnswer);
    return (
      <div className="grid gap-1">
        <DocumentSelect
          aria-label={`${label}: question`}
          kind="houseQuestion"
          value={value.question}
          context={context}
          onChange={(question) => onChange({ ...value, question })}
        />
        {by.map(([answer, n], i) => (
          <div key={i} className="flex items-center gap-2">
            <input
              aria-label={`${label}: answer ${i + 1}`}
              className="field max-w-56"
              value={answer}
              onChange={(e) =>
                onChange({
                  ...value,
                  byAnswer: Object.fromEntries(by.map((b, j) => (j === i ? [e.target.value, n] : b))),
                })
              }
            />
            {number(n, `${label} under ${answer}`, (x) =>
              onChange({ ...value, byAnswer: { ...value.byAnswer, [answer]: x } }),
            )}
          </div>
        ))}
        <div className="flex items-center gap-2">
          else {number(value.otherwise, `${label} otherwise`, (x) => onChange({ ...value, otherwise: x }))}
          <Button tone="quiet" onClick={() => onChange({ ...value, byAnswer: { ...value.byAnswer, '': 0 } })}>
            another answer
          </Button>
          <Button tone="quiet" onClick={() => onChange(value.otherwise)}>
            one number for all
          </Button>
        </div>
      </div>
    );
  }
  return (
    <div className="flex items-center gap-2">
      <input
        aria-label={label}
        type="number"
        step="any"
        className="field max-w-24"
        value={value ?? ''}
        onChange={(e) => onChange(e.target.value === '' ? undefined : Number(e.target.value))}
      />
      <Button
        tone="quiet"
        onClick={() =>
          onChange({
            question: context.entries.find((e) => e.kind === 'houseQuestion')?.slug ?? '',
            byAnswer: {},
            otherwise: value ?? 0,
          })
        }
      >
        depends on a house rule
      </Button>
    </div>
  );
}
