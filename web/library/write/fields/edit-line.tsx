import { useState } from 'react';
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
    <div className="flex flex-wrap items-start gap-x-2">
      <textarea
        aria-label={label}
        dir="auto"
        rows={Math.max(1, Math.ceil((line?.text.length ?? 0) / 60))}
        className="field w-0 min-w-56 flex-1 [field-sizing:content]"
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

/** The house answers that something stands under, as one word that opens; none: it always stands. */
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
  const [open, setOpen] = useState(false);
  const questions = context.entries.filter((e) => e.kind === 'houseQuestion' && !e.retired);
  const under = Object.entries(holdsUnder ?? {});
  const setUnder = (next: [string, string[]][]) =>
    onChange(next.length > 0 ? Object.fromEntries(next) : undefined);
  const free = questions.find((q) => !under.some(([slug]) => slug === q.slug));
  if (questions.length === 0 && under.length === 0) return null;
  return (
    <>
      <button
        type="button"
        aria-expanded={open}
        aria-label={`${label}: ${under.length > 0 ? 'only when …' : 'always'}`}
        className={`min-h-9 w-24 text-left text-sm underline decoration-dotted underline-offset-2 ${under.length > 0 ? 'text-tape' : 'text-soft'}`}
        onClick={() => setOpen(!open)}
      >
        {under.length > 0 ? 'only when …' : 'always'}
      </button>
      {open && (
        <div className="mb-2 grid w-full gap-2 border-l-2 border-tape pl-3 text-sm">
          {under.map(([question, answers], i) => (
            <Under
              key={question}
              label={label}
              question={question}
              answers={answers}
              questions={questions.filter(
                (q) => q.slug === question || !under.some(([slug]) => slug === q.slug),
              )}
              onQuestion={(q) => setUnder(under.map((u, j) => (j === i ? [q, []] : u)))}
              onAnswers={(list) => setUnder(under.map((u, j) => (j === i ? [question, list] : u)))}
              onAlways={() => setUnder(under.filter((_, j) => j !== i))}
            />
          ))}
          {free && (
            <p>
              <Button onClick={() => setUnder([...under, [free.slug, []]])}>
                {under.length > 0 ? 'and only when …' : 'Only when the hall answers …'}
              </Button>
            </p>
          )}
        </div>
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
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      only when
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
      is answered
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
        Always instead
      </Button>
    </div>
  );
}
