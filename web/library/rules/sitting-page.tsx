import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { EntrySummary } from '../../../contract/library.ts';
import { canonicalJson, withAnswer } from '../../../core/library/index.ts';
import type { HouseQuestion } from '../../../core/library/index.ts';
import { preferences, useAsk, useLibrary, useSend, useSigned } from '../../shell/index.ts';
import { Button, Empty, Loaded, Notice, TextField } from '../../ui/index.ts';
import { EffectsView } from '../health/effects-view.tsx';
import { LineReading } from '../read/reading.tsx';
import { useCheck } from '../write/use-check.ts';

/** An answer other than the one in force, not put in force yet. */
interface Other {
  body: HouseQuestion;
  base: number;
}

/** All house questions in one sitting, each with what another answer would change; put in force together. */
export function SittingPage() {
  const { query } = useLibrary();
  const { me } = useSigned();
  if (me.role === 'viewer') {
    return (
      <Empty next={{ to: '/library?kind=houseQuestion', what: 'Read the answers' }}>
        Coaches propose another answer, and the head coach puts it in force.
      </Empty>
    );
  }
  return (
    <Loaded query={query} what="the house questions">
      {({ entries }) => {
        const leaning = (e: EntrySummary) =>
          entries.filter((x) => !x.retired && x.uses.includes(`houseQuestion/${e.slug}`)).length;
        // What most sheets lean on is asked first.
        const questions = entries
          .filter((e) => e.kind === 'houseQuestion' && !e.retired)
          .map((e) => ({ slug: e.slug, title: e.title, sheets: leaning(e) }))
          .sort((a, b) => b.sheets - a.sheets || a.title.localeCompare(b.title));
        return questions.length === 0 ? (
          <Empty next={{ to: '/overview', what: 'To the first steps' }}>
            The library has no house questions yet.
          </Empty>
        ) : (
          <Sitting questions={questions} />
        );
      }}
    </Loaded>
  );
}

function Sitting({ questions }: { questions: { slug: string; title: string; sheets: number }[] }) {
  const { me } = useSigned();
  const navigate = useNavigate();
  const [at, setAt] = useState(0);
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set());
  const [others, setOthers] = useState<ReadonlyMap<string, Other>>(new Map());
  const now = questions[at]!;
  const first = [...others.values()][0];
  const send = useSend('saveDocument', { kind: 'houseQuestion', slug: first?.body.slug ?? now.slug });
  const go = (to: number) => {
    setSeen(new Set(seen).add(now.slug));
    setAt(to);
  };
  const end = () => {
    preferences.houseQuestions.put('answered');
    if (!first) void navigate('/overview');
    else {
      const [one, ...also] = [...others.values()];
      send.mutate(
        { ...one!, reason: 'House questions answered in one sitting', ...(also.length > 0 ? { also } : {}) },
        {
          onSuccess: (r) =>
            void navigate(r.outcome === 'proposed' ? `/changes/${r.change}` : '/library?kind=houseQuestion'),
        },
      );
    }
  };
  return (
    <div className="mx-auto max-w-6xl">
      <div className="flex flex-wrap items-end justify-between gap-3 border-b border-ink pb-2">
        <div>
          <h1>House questions</h1>
          <p className="text-soft">
            Schools differ on these. The library answers each already: change what your hall does otherwise.
          </p>
        </div>
        <Button tone="main" disabled={send.isPending} onClick={end}>
          {others.size === 0
            ? 'All as they are: done'
            : `${me.role === 'head coach' ? 'Put in force' : 'Propose'}: ${others.size === 1 ? 'one answer' : `${others.size} answers`}`}
        </Button>
      </div>
      {send.error && <Notice tone="warn">{send.error.message} Your answers are kept here.</Notice>}
      <div className="mt-4 grid items-start gap-8 md:grid-cols-[18rem_minmax(0,1fr)]">
        <nav aria-label="Questions" className="max-h-[70vh] overflow-y-auto max-md:hidden">
          <ol>
            {questions.map((q, i) => (
              <li key={q.slug}>
                <button
                  type="button"
                  aria-current={i === at ? 'step' : undefined}
                  className={`min-h-9 w-full border-b border-rule px-2 py-1 text-left ${i === at ? 'bg-paper font-semibold shadow-[inset_6px_0_0_var(--tape)] pl-4' : ''}`}
                  onClick={() => go(i)}
                >
                  {q.title}
                  <span className="block text-sm font-normal text-soft">
                    {others.has(q.slug) ? 'answered otherwise' : seen.has(q.slug) ? 'as it is' : ''}
                  </span>
                </button>
              </li>
            ))}
          </ol>
        </nav>
        <div>
          <p className="label">
            Question {at + 1} of {questions.length};{' '}
            {now.sheets === 1 ? 'one document leans' : `${now.sheets} documents lean`} on it
          </p>
          <One
            key={now.slug}
            slug={now.slug}
            other={others.get(now.slug) ?? null}
            onOther={(o) => {
              const next = new Map(others);
              if (o) next.set(now.slug, o);
              else next.delete(now.slug);
              setOthers(next);
            }}
          />
          <p className="mt-4 flex gap-2">
            <Button disabled={at === 0} onClick={() => go(at - 1)}>
              Question before
            </Button>
            <Button disabled={at === questions.length - 1} onClick={() => go(at + 1)}>
              Next question
            </Button>
          </p>
        </div>
      </div>
    </div>
  );
}

function One({
  slug,
  other,
  onOther,
}: {
  slug: string;
  other: Other | null;
  onOther: (other: Other | null) => void;
}) {
  const found = useAsk('document', { kind: 'houseQuestion', slug });
  const check = useCheck(other ? [other.body] : [], other !== null);
  return (
    <Loaded query={found} what="the question">
      {({ body, revision }) => {
        if (body.kind !== 'houseQuestion') return null;
        const shown = other?.body ?? body;
        const pick = (answer: string, why: string) => {
          const next = withAnswer(body, 'hall', answer, why);
          onOther(canonicalJson(next) === canonicalJson(body) ? null : { body: next, base: revision });
        };
        return (
          <>
            <fieldset className="mt-1">
              <legend className="font-head text-2xl font-bold">{body.question}</legend>
              <div className="mt-2 grid gap-2">
                {body.answers.map((a) => (
                  <label
                    key={a.id}
                    className={`grid grid-cols-[1.5rem_1fr] border border-rule px-3 py-2 ${shown.hall.answer === a.id ? 'bg-paper' : ''}`}
                  >
                    <input
                      type="radio"
                      name={slug}
                      className="mt-1 size-4"
                      checked={shown.hall.answer === a.id}
                      onChange={() => pick(a.id, a.id === body.hall.answer ? body.hall.why : '')}
                    />
                    <span>
                      <b>{a.name}</b>
                      {a.id === body.hall.answer && <span className="text-soft"> (in force)</span>}
                      {a.reasons.map((l, i) => (
                        <span key={i} className="block text-[0.95rem] text-soft">
                          <LineReading line={l} />
                        </span>
                      ))}
                    </span>
                  </label>
                ))}
              </div>
            </fieldset>
            {other && (
              <>
                <TextField
                  className="mt-3"
                  label="Why"
                  hint="It stands beside the answer; it may be said later."
                  value={other.body.hall.why}
                  onChange={(e) => pick(other.body.hall.answer, e.target.value)}
                />
                <section className="mt-3 border-l-4 border-tape bg-paper px-4 py-2" aria-live="polite">
                  <h2 className="text-base">What would change</h2>
                  {!check.data && <p className="text-soft">Reading every sheet …</p>}
                  {check.data?.effects && <EffectsView effects={check.data.effects} />}
                  {check.data?.breaches.map((b) => (
                    <p key={b.path} className="font-semibold text-warn">
                      {b.problem}
                    </p>
                  ))}
                </section>
              </>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
