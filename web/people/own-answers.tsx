import { useState } from 'react';
import { Link } from 'react-router';
import type { LibraryList } from '../../contract/library.ts';
import { useQuestion } from '../library/index.ts';
import { useAsk, useLibrary, useSend, useSendTo, useSigned } from '../shell/index.ts';
import { Button, day, Loaded, Notice, SelectField, TextField } from '../ui/index.ts';

/** Where a person answers a house question otherwise than the hall: it stands above hall, stage, load and variation. */
export function OwnAnswers({ personId }: { personId: string }) {
  const { me, hall } = useSigned();
  const answers = useAsk('answers', { person: personId });
  const { entries, titleOf } = useLibrary();
  const [adding, setAdding] = useState(false);
  const drop = useSendTo('dropAnswer');
  const head = me.role === 'head coach';
  const title = (slug: string) => titleOf('houseQuestion', slug);
  return (
    <section aria-label="House rules of their own">
      <h2>House rules of their own</h2>
      <Loaded query={answers} what="their answers">
        {(list) => (
          <>
            {list.length === 0 && !adding && (
              <p className="text-soft">None: the answers of the hall, their stage and the variation hold.</p>
            )}
            <ul>
              {list.map((a) => (
                <li key={a.question} className="border-b border-rule py-1">
                  <Link to={`/library/houseQuestion/${a.question}`}>{title(a.question)}</Link>{' '}
                  <AnswerName question={a.question} answer={a.answer} />
                  <p className="text-sm text-soft">
                    {a.why} ({a.recordedBy}, {day(a.date, hall.today)})
                  </p>
                  {head && (
                    <Button
                      tone="quiet"
                      className="text-sm"
                      onClick={() => drop.mutate({ person: personId, question: a.question })}
                    >
                      Back to the hall’s answer
                    </Button>
                  )}
                </li>
              ))}
            </ul>
            {drop.error && <Notice tone="warn">{drop.error.message}</Notice>}
            {head && !adding && (
              <Button className="mt-2" onClick={() => setAdding(true)}>
                Answer one otherwise
              </Button>
            )}
            {adding && (
              <Add
                personId={personId}
                questions={entries.filter((e) => e.kind === 'houseQuestion' && !e.retired)}
                onDone={() => setAdding(false)}
              />
            )}
          </>
        )}
      </Loaded>
    </section>
  );
}

function AnswerName({ question, answer }: { question: string; answer: string }) {
  const body = useQuestion(question);
  return <b>{body?.answers.find((a) => a.id === answer)?.name ?? answer}</b>;
}

function Add({
  personId,
  questions,
  onDone,
}: {
  personId: string;
  questions: LibraryList['entries'];
  onDone: () => void;
}) {
  const [question, setQuestion] = useState(questions[0]?.slug ?? '');
  const [answer, setAnswer] = useState('');
  const [why, setWhy] = useState('');
  const body = useQuestion(question);
  const send = useSend('saveAnswer', { person: personId, question });
  return (
    <div className="mt-2 grid gap-2 border-l-4 border-tape bg-paper p-3">
      <SelectField
        label="Question"
        value={question}
        onChange={(e) => {
          setQuestion(e.target.value);
          setAnswer('');
        }}
      >
        {questions.map((q) => (
          <option key={q.slug} value={q.slug}>
            {q.title}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Their answer"
        value={answer}
        onChange={(e) => setAnswer(e.target.value)}
        hint={body ? `The hall: ${body.answers.find((a) => a.id === body.hall.answer)?.name}` : undefined}
      >
        <option value="">choose …</option>
        {body?.answers.map((a) => (
          <option key={a.id} value={a.id}>
            {a.name}
          </option>
        ))}
      </SelectField>
      <TextField label="Why" value={why} onChange={(e) => setWhy(e.target.value)} />
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <div className="flex gap-2">
        <Button
          tone="main"
          disabled={answer === '' || why.trim() === '' || send.isPending}
          onClick={() => send.mutate({ answer, why }, { onSuccess: onDone })}
        >
          Keep it
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </div>
  );
}
