import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { EntryInForce, EntrySummary } from '../../../contract/library.ts';
import { PATTERNS, STAGES } from '../../../core/terms/index.ts';
import { withAnswer } from '../../../core/library/index.ts';
import type { AnswerScope, HouseQuestion } from '../../../core/library/index.ts';
import { useAsk, useSend, useSigned } from '../../shell/index.ts';
import { Button, Notice, SelectField, TextField } from '../../ui/index.ts';
import { Consequences } from './consequences.tsx';
import { EffectsView } from '../health/effects-view.tsx';
import { LineReading } from '../read/reading.tsx';
import { EntryLinks } from '../find/entry-links.tsx';
import { useCheck } from '../write/use-check.ts';

/** One house question: the answers in force by scope, the schools with their reasons, and what they ask. */
export function QuestionView({
  question: q,
  revision,
  entries,
}: {
  question: HouseQuestion;
  revision: EntryInForce['revision'];
  entries: EntrySummary[];
}) {
  const { me } = useSigned();
  const [changing, setChanging] = useState(false);
  const people = useAsk('peopleAnswering', me.role === 'viewer' ? null : { slug: q.slug });
  const name = (id: string) => q.answers.find((a) => a.id === id)?.name ?? id;
  const title = (slug: string) =>
    entries.find((e) => e.kind === 'variation' && e.slug === slug)?.title ?? slug;
  const depend = entries.filter((e) => !e.retired && e.uses.includes(`houseQuestion/${q.slug}`));
  const scopes: [string, string, string, string?][] = [
    ['The hall', q.hall.answer, q.hall.why],
    ...q.byStage.map((s): [string, string, string] => [`Stage: ${s.stage}`, s.answer, s.why]),
    ...(q.byPattern ?? []).map((p): [string, string, string] => [`Pattern: ${p.pattern}`, p.answer, p.why]),
    ...q.byLoad.map((l): [string, string, string] => [
      l.kinds?.length ? `With ${l.kinds.join(', ')}` : l.loaded ? 'With load' : 'Without load',
      l.answer,
      l.why,
    ]),
    ...q.byVariation.map((v): [string, string, string, string] => [
      title(v.variation),
      v.answer,
      v.why,
      `/library/variation/${v.variation}`,
    ]),
    ...(people.data ?? []).map((p): [string, string, string, string] => [
      p.name,
      p.answer,
      `${p.why} (${p.recordedBy})`,
      `/people/${p.personId}`,
    ]),
  ];
  return (
    <div>
      <table className="mt-3 w-full max-w-4xl text-left" aria-label="Answers in force">
        <thead>
          <tr className="border-b border-ink">
            <th className="py-1">For</th>
            <th>Answer</th>
            <th>Why</th>
          </tr>
        </thead>
        <tbody>
          {scopes.map(([whom, answer, why, to], i) => (
            <tr key={i} className="border-b border-rule align-baseline">
              <th scope="row" className="py-1.5 pr-4 font-read font-normal">
                {to ? <Link to={to}>{whom}</Link> : whom}
              </th>
              <td className={`pr-4 ${i === 0 ? 'text-lg font-semibold' : 'font-semibold'}`}>
                {name(answer)}
              </td>
              <td className="text-soft">{why}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-soft">
        A line further down stands above those before it: hall, stage, pattern, load, variation, athlete. A
        caution stands above all.
      </p>
      {me.role !== 'viewer' && !changing && (
        <Button className="mt-2" onClick={() => setChanging(true)}>
          {me.role === 'head coach' ? 'Change an answer' : 'Propose another answer'}
        </Button>
      )}
      {changing && (
        <ChangeAnswer question={q} revision={revision} entries={entries} onClose={() => setChanging(false)} />
      )}
      <section className="mt-5">
        <h2>The possible answers, and their reasons</h2>
        <dl className="mt-1 grid max-w-4xl gap-x-4 sm:grid-cols-[16rem_1fr]">
          {q.answers.map((a) => (
            <div key={a.id} className="contents">
              <dt className="border-t border-rule py-1.5 font-semibold">{a.name}</dt>
              <dd className="border-rule pb-1.5 sm:border-t sm:pt-1.5">
                {a.reasons.map((l, i) => (
                  <p key={i}>
                    <LineReading line={l} />
                  </p>
                ))}
              </dd>
            </div>
          ))}
        </dl>
      </section>
      <Consequences question={q} />
      <section className="mt-5">
        <h2>{depend.length === 0 ? 'Nothing depends on it yet' : 'What depends on it'}</h2>
        <EntryLinks entries={depend} />
      </section>
    </div>
  );
}

function ChangeAnswer({
  question: q,
  revision,
  entries,
  onClose,
}: {
  question: HouseQuestion;
  revision: number;
  entries: EntrySummary[];
  onClose: () => void;
}) {
  const { me } = useSigned();
  const navigate = useNavigate();
  const [scope, setScope] = useState<AnswerScope>('hall');
  const [answer, setAnswer] = useState<string | null>(null);
  const [why, setWhy] = useState('');
  const body = answer === null ? q : withAnswer(q, scope, answer || null, why);
  // Why it is so changes no sheet: the check is not asked anew at each letter of it.
  const checked = answer === null ? q : withAnswer(q, scope, answer || null, q.hall.why);
  const check = useCheck([checked], answer !== null);
  const send = useSend('saveDocument', { kind: 'houseQuestion', slug: q.slug });
  const depend = entries.filter(
    (e) => e.kind === 'variation' && !e.retired && e.uses.includes(`houseQuestion/${q.slug}`),
  );
  const result = check.data;
  return (
    <section className="my-4 border-l-4 border-tape bg-paper px-4 py-3" aria-label="Another answer">
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label="For"
          value={scope}
          onChange={(e) => setScope(e.target.value as AnswerScope)}
          className="w-56"
        >
          <option value="hall">the hall</option>
          {STAGES.map((s) => (
            <option key={s} value={s}>
              stage: {s}
            </option>
          ))}
          {PATTERNS.map((of) => (
            <option key={of} value={`pattern ${of}`}>
              pattern: {of}
            </option>
          ))}
          <option value="loaded">with load</option>
          <option value="unloaded">without load</option>
          {depend.map((e) => (
            <option key={e.slug} value={`variation ${e.slug}`}>
              {e.title}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Answer"
          value={answer ?? 'choose'}
          onChange={(e) => setAnswer(e.target.value === 'choose' ? null : e.target.value)}
          className="w-72"
        >
          <option value="choose">choose …</option>
          {q.answers.map((a) => (
            <option key={a.id} value={a.id}>
              {a.name}
            </option>
          ))}
          {scope !== 'hall' && <option value="">as the hall (no answer of its own)</option>}
        </SelectField>
        <TextField
          label="Why"
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          className="min-w-64 grow"
        />
      </div>
      {answer !== null && (
        <div className="mt-3" aria-live="polite">
          <h3>What would change</h3>
          {!result && <p className="text-soft">Reading every sheet …</p>}
          {result?.effects && <EffectsView effects={result.effects} />}
          {result?.breaches.map((b) => (
            <p key={b.path} className="font-semibold text-warn">
              {b.problem}
            </p>
          ))}
          {(result?.findings.length ?? 0) > 0 && (
            <p className="mt-1 text-sm text-warn">{result!.findings.map((f) => f.proof).join(' ')}</p>
          )}
        </div>
      )}
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <div className="mt-3 flex gap-2">
        <Button
          tone="main"
          disabled={answer === null || why.trim() === '' || send.isPending || check.isFetching}
          onClick={() =>
            send.mutate(
              { body, base: revision, reason: why },
              {
                onSuccess: (r) => {
                  onClose();
                  if (r.outcome === 'proposed') void navigate(`/changes/${r.change}`);
                },
              },
            )
          }
        >
          {me.role === 'head coach' ? 'Put in force' : 'Propose'}
        </Button>
        <Button onClick={onClose}>Leave it as it is</Button>
      </div>
      {answer !== null && why.trim() === '' && (
        <p className="mt-1 text-sm text-soft">Say why: the reason stands beside the answer.</p>
      )}
    </section>
  );
}
