import type { HoldsUnder, Line } from '../../../../core/library/index.ts';
import { Button } from '../../../ui/index.ts';
import type { EditContext } from './context.ts';
import { useQuestion } from '../../rules/use-question.ts';

interface Props {
  line: Line;
  label: string;
  context: EditContext;
  onChange: (line: Line) => void;
}

/** A line of text, and the house answers it stands under. */
export function EditLine({ line, label, context, onChange }: Props) {
  return (
    <div>
      <textarea
        aria-label={label}
        dir="auto"
        rows={Math.max(1, Math.ceil((line?.text.length ?? 0) / 90))}
        className="field"
        value={line?.text ?? ''}
        onChange={(e) => onChange({ ...line, text: e.target.value })}
      />
      <EditUnder
        label={label}
        holdsUnder={line?.holdsUnder}
        context={context}
        onChange={(holdsUnder) => onChange({ text: line.text, ...(holdsUnder ? { holdsUnder } : {}) })}
      />
    </div>
  );
}

/** The house answers that something stands under; none: it always stands. */
export function EditUnder({
  label,
  holdsUnder,
  context,
  onChange,
}: {
  label: string;
  holdsUnder: HoldsUnder | undefined;
  context: EditContext;
  onChange: (holdsUnder: HoldsUnder | undefined) => void;
}) {
  const questions = context.entries.filter((e) => e.kind === 'houseQuestion' && !e.retired);
  const under = Object.entries(holdsUnder ?? {});
  const setUnder = (next: [string, string[]][]) =>
    onChange(next.length > 0 ? Object.fromEntries(next) : undefined);
  return (
    <>
      {under.map(([question, answers], i) => (
        <Under
          key={question}
          label={label}
          question={question}
          answers={answers}
          questions={questions}
          onQuestion={(q) => setUnder(under.map((u, j) => (j === i ? [q, []] : u)))}
          onAnswers={(list) => setUnder(under.map((u, j) => (j === i ? [question, list] : u)))}
          onAlways={() => setUnder(under.filter((_, j) => j !== i))}
        />
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
    </>
  );
}

function Under({
  label,
  question,
  answers,
  questions,
  onQuestion,
  onAnswers,
  onAlways,
}: {
  label: string;
  question: string;
  answers: string[];
  questions: EditContext['entries'];
  onQuestion: (question: string) => void;
  onAnswers: (answers: string[]) => void;
  onAlways: () => void;
}) {
  const all = useQuestion(question)?.answers ?? [];
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 pl-4 text-sm">
      only while
      <select
        aria-label={`${label}: question`}
        className="field max-w-72"
        value={question}
        onChange={(e) => onQuestion(e.target.value)}
      >
        {questions.map((q) => (
          <option key={q.slug} value={q.slug}>
            {q.title}
          </option>
        ))}
      </select>
      is one of
      {all.map((a) => (
        <label key={a.id} className="flex min-h-8 items-center gap-1.5">
          <input
            type="checkbox"
            checked={answers.includes(a.id)}
            onChange={(e) =>
              onAnswers(
                all.map((x) => x.id).filter((id) => (id === a.id ? e.target.checked : answers.includes(id))),
              )
            }
          />
          {a.name}
        </label>
      ))}
      <Button tone="quiet" onClick={onAlways}>
        always
      </Button>
    </div>
  );
}
