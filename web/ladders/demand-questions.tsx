import { useState } from 'react';
import { Link } from 'react-router';
import type { StepQuestion } from '../../core/demand/index.ts';
import type { DemandAnswer, Ladder } from '../../core/library/index.ts';
import { useSend, useSigned } from '../shell/index.ts';
import { Button, Notice, TextField } from '../ui/index.ts';

interface Props {
  ladder: Ladder;
  revision: number;
  questions: readonly StepQuestion[];
  forWhom: string;
  /** A person's own limits are no question about the ladder: they lead to what would help instead. */
  personId: string | null;
}

const same = (a: DemandAnswer, q: StepQuestion) =>
  a.kind === q.kind && (a.from ?? null) === q.from && a.to === q.to;

/** Where the computed demand disagrees with the order: questions, and the reasons that stay with the ladder. */
export function DemandQuestions({ ladder, revision, questions, forWhom, personId }: Props) {
  if (personId !== null) {
    return <ForPerson ladder={ladder} questions={questions} forWhom={forWhom} personId={personId} />;
  }
  const answers = ladder.demandAnswers ?? [];
  const open = questions.filter((q) => !answers.some((a) => same(a, q)));
  const answered = questions.flatMap((q) => {
    const answer = answers.find((a) => same(a, q));
    return answer ? [{ q, answer }] : [];
  });
  if (questions.length === 0) {
    return <p className="mt-2 text-soft">For {forWhom} the computed demand agrees with the order.</p>;
  }
  return (
    <section className="mt-3" aria-label="Questions from the computed demand">
      <h2 className="text-base">
        {open.length === 0
          ? 'No open question from the computed demand'
          : open.length === 1
            ? 'One question from the computed demand'
            : `${open.length} questions from the computed demand`}
      </h2>
      <ul>
        {open.map((q) => (
          <Question
            key={`${q.kind} ${q.from} ${q.to} ${revision}`}
            ladder={ladder}
            revision={revision}
            question={q}
          />
        ))}
        {answered.map(({ q, answer }) => (
          <li key={`${q.kind} ${q.from} ${q.to}`} className="border-t border-rule py-1.5">
            {q.text} <b>Answered:</b> {answer.reason}
          </li>
        ))}
      </ul>
    </section>
  );
}

function ForPerson({
  ladder,
  questions,
  forWhom,
  personId,
}: Omit<Props, 'revision' | 'personId'> & { personId: string }) {
  return (
    <section className="mt-3" aria-label={`The ladder for ${forWhom}`}>
      <h2 className="text-base">What stands out for {forWhom}</h2>
      {questions.length === 0 && (
        <p className="text-soft">Nothing: every level can be held, in this order.</p>
      )}
      <ul>
        {questions.map((q) => {
          const main = ladder.levels.find((l) => l.id === q.to)?.main;
          return (
            <li key={`${q.kind} ${q.from} ${q.to}`} className="border-t border-rule py-1.5">
              {q.text}{' '}
              {q.kind === 'cannot' && main && (
                <Link to={`/body?person=${personId}&a=${main}`}>What would make it possible?</Link>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Question({
  ladder,
  revision,
  question: q,
}: {
  ladder: Ladder;
  revision: number;
  question: StepQuestion;
}) {
  const { me } = useSigned();
  const send = useSend('saveDocument', { kind: 'ladder', slug: ladder.slug });
  const [reason, setReason] = useState('');
  const proposed = send.data?.outcome === 'proposed';
  return (
    <li className="border-t border-rule py-1.5">
      <p>{q.text}</p>
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      {proposed && <Notice>Proposed to the head coach.</Notice>}
      {me.role !== 'viewer' && !proposed && (
        <form
          className="mt-1 flex max-w-3xl flex-wrap items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            const answer: DemandAnswer = {
              kind: q.kind,
              to: q.to,
              reason: reason.trim(),
              ...(q.from ? { from: q.from } : {}),
            };
            const body = { ...ladder, demandAnswers: [...(ladder.demandAnswers ?? []), answer] };
            send.mutate({ body, base: revision, reason: `Answers the demand: ${reason.trim()}` });
          }}
        >
          <TextField
            label="The reason, kept with the ladder"
            className="min-w-72 grow"
            value={reason}
            maxLength={400}
            onChange={(e) => setReason(e.target.value)}
          />
          <Button type="submit" disabled={reason.trim() === '' || send.isPending}>
            {me.role === 'head coach' ? 'Keep this reason' : 'Propose this reason'}
          </Button>
        </form>
      )}
    </li>
  );
}
