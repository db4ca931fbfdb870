import type { ByAnswer, RuledNumber } from '../../../../core/terms/index.ts';
import { Button } from '../../../ui/index.ts';
import type { EditContext } from './context.ts';
import { DocumentSelect } from './document-select.tsx';
import { useQuestion } from '../../rules/use-question.ts';

interface Props {
  value: RuledNumber | undefined;
  label: string;
  context: EditContext;
  onChange: (value: RuledNumber | undefined) => void;
}

/** A number, or one for each answer to a house question. */
export function EditRuled({ value, label, context, onChange }: Props) {
  if (typeof value === 'object')
    return <ByAnswers value={value} label={label} context={context} onChange={onChange} />;
  const first = context.entries.find((e) => e.kind === 'houseQuestion' && !e.retired);
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
      {first && (
        <Button
          tone="quiet"
          onClick={() => onChange({ question: first.slug, byAnswer: {}, otherwise: value ?? 0 })}
        >
          depends on a house rule
        </Button>
      )}
    </div>
  );
}

function ByAnswers({ value, label, context, onChange }: Omit<Props, 'value'> & { value: ByAnswer }) {
  const answers = useQuestion(value.question)?.answers ?? [];
  const number = (n: number | undefined, name: string, set: (n: number | undefined) => void) => (
    <input
      aria-label={name}
      type="number"
      step="any"
      className="field max-w-24"
      placeholder={String(value.otherwise)}
      value={n ?? ''}
      onChange={(e) => set(e.target.value === '' ? undefined : Number(e.target.value))}
    />
  );
  return (
    <div className="grid gap-1">
      <DocumentSelect
        aria-label={`${label}: question`}
        kind="houseQuestion"
        value={value.question}
        context={context}
        onChange={(question) => onChange({ ...value, question, byAnswer: {} })}
      />
      {answers.map((a) => (
        <div key={a.id} className="flex items-center gap-2">
          {number(value.byAnswer[a.id], `${label} under ${a.name}`, (x) => {
            const { [a.id]: _old, ...rest } = value.byAnswer;
            onChange({ ...value, byAnswer: x === undefined ? rest : { ...rest, [a.id]: x } });
          })}
          <span className="text-sm">while: {a.name}</span>
        </div>
      ))}
      <div className="flex items-center gap-2">
        {number(
          value.otherwise,
          `${label} otherwise`,
          (x) => x !== undefined && onChange({ ...value, otherwise: x }),
        )}
        <span className="text-sm">otherwise</span>
        <Button tone="quiet" onClick={() => onChange(value.otherwise)}>
          one number for all
        </Button>
      </div>
    </div>
  );
}
