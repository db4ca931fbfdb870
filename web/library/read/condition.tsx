import { useState } from 'react';
import type { HoldsUnder } from '../../../core/library/index.ts';
import { useQuestion } from '../rules/use-question.ts';

/** The house answers that a line stands under, as one word that opens to say them. */
export function Condition({ holdsUnder }: { holdsUnder: HoldsUnder | undefined }) {
  const [open, setOpen] = useState(false);
  const under = Object.entries(holdsUnder ?? {});
  if (under.length === 0) return null;
  return (
    <span className="text-sm text-soft">
      {' '}
      <button
        type="button"
        aria-expanded={open}
        className="underline decoration-dotted underline-offset-2"
        onClick={() => setOpen(!open)}
      >
        only when …
      </button>
      {open &&
        under.map(([question, answers]) => <Answered key={question} question={question} answers={answers} />)}
    </span>
  );
}

function Answered({ question, answers }: { question: string; answers: readonly string[] }) {
  const found = useQuestion(question);
  if (!found) return null;
  const names = answers.map((id) => found.answers.find((a) => a.id === id)?.name ?? id);
  return (
    <span className="block pl-4">
      “{found.question}” is answered: {names.join(' or ')}
    </span>
  );
}
