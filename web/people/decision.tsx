import type { OnLadder } from '../../core/floor/index.ts';
import { useState } from 'react';
import { OUTCOMES, takenWaySentence } from '../../core/ladder/index.ts';
import type { Decision, Outcome } from '../../core/ladder/index.ts';
import type { SignOff } from '../../core/criterion/index.ts';
import { FormSwitch, targetWords } from '../log/index.ts';
import { Said, useSend, useSigned, useUnits } from '../shell/index.ts';
import { Button, day, Field, Notice, OUTCOME_WORDS, OutcomeMark, SelectField, since } from '../ui/index.ts';
import { Evidence } from './evidence.tsx';

/** What the evidence says for one person on one ladder, and what the coach makes of it. */
export function DecisionPanel({
  personId,
  on,
  signOffs,
  mayDecide,
  first = true,
}: {
  personId: string;
  on: OnLadder;
  signOffs: readonly SignOff[];
  mayDecide: boolean;
  /** The first on the page shows its evidence at once. */
  first?: boolean;
}) {
  const { hall } = useSigned();
  const units = useUnits();
  const decision = on.decision;
  if (!decision) return on.failure ? <Notice tone="warn">{on.failure}</Notice> : null;
  const name = (id: string | null) => on.ladder.levels.find((l) => l.id === id)?.name ?? '';
  const index = on.ladder.levels.findIndex((l) => l.id === decision.fromLevel);
  const grave = decision.outcome === 'stop and refer' || decision.outcome === 'step back';
  return (
    <section aria-label={`Decision on the ladder ${on.ladder.name}`}>
      <div className={`border-l-[10px] bg-paper px-5 py-4 ${grave ? 'border-warn' : 'border-tape'}`}>
        <p className="label">
          {on.ladder.name}, level {index + 1} of {on.ladder.levels.length}: {name(decision.fromLevel)}, for{' '}
          {since(on.standing!.since, hall.today)}
        </p>
        <p className={`flex items-center gap-3 font-head text-3xl font-bold ${grave ? 'text-warn' : ''}`}>
          <OutcomeMark outcome={decision.outcome} size={34} />
          {headline(decision, name)}
        </p>
        <ul className="mt-1">
          {decision.reasons.map((r, i) => (
            <li key={i}>
              <Said of={r.text} />
            </li>
          ))}
        </ul>
        {decision.outcome === 'stop and refer' && (
          <p className="mt-2 font-semibold text-warn">
            Refer to a doctor or physiotherapist; local rules come first. Only the head coach clears a stop or
            lifts a restriction, and writes down who said so.
          </p>
        )}
        {decision.variationNote && !decision.paused && (
          <p className="mt-1 text-soft">{decision.variationNote}</p>
        )}
        {decision.outcome !== 'stop and refer' && !decision.paused && (
          <p className="mt-1">
            <b>{decision.toLevel ? 'Until that is confirmed:' : 'Next set:'}</b>{' '}
            {nextSetWords(on, units.mass)}
          </p>
        )}
        {decision.outcome !== 'stop and refer' && decision.plan.last && (
          <p className="mt-1 text-soft">
            Last time: <Said of={decision.plan.last} />.
          </p>
        )}
        {decision.outcome !== 'stop and refer' && !decision.paused && decision.earliestSessions !== 0 && (
          <p className="mt-1 text-soft">{soonest(decision.earliestSessions)}</p>
        )}
        {on.stay?.beyond && decision.outcome !== 'stop and refer' && (
          <p className="font-semibold text-warn">
            {on.stay.weeks} weeks here: beyond the usual stay. What is in the way?
          </p>
        )}
      </div>
      {decision.paused ? (
        <p className="mt-4 text-soft">
          Nothing is decided here while it is paused. The head coach lifts a restriction, and writes down who
          said so.
        </p>
      ) : mayDecide ? (
        <>
          <Confirm key={`${decision.outcome} ${decision.fromLevel}`} personId={personId} on={on} />
          {decision.outcome !== 'stop and refer' && (
            <SignOffs personId={personId} on={on} signOffs={signOffs} />
          )}
          <FormSwitch personId={personId} ladder={on.ladder.slug} form={on.standing?.form ?? 'sets'} />
        </>
      ) : (
        <p className="mt-4 text-soft">
          Staff of the squad and the head coach decide: they see the whole evidence.
        </p>
      )}
      <details open={first} className="mt-3">
        <summary className="min-h-9 content-center font-semibold">The evidence, line by line</summary>
        <div className="mt-1 grid gap-5 overflow-x-auto">
          <Evidence judged={decision.advance} today={hall.today} wanted />
          <Evidence judged={decision.stepBack} today={hall.today} wanted={false} />
          <p className="text-sm text-soft">
            <Said
              of={`Growing inside the level: ${decision.grow.account}. ${
                decision.grow.next
                  ? `Next open way on: ${takenWaySentence(decision.grow.next)}.`
                  : 'Every way on inside this level is used up.'
              }`}
            />{' '}
            Two-for-two is the usual rule of strength training; it proposes, the coach decides. Counted:{' '}
            {decision.sessionDates.length} {decision.sessionDates.length === 1 ? 'session' : 'sessions'} since
            arrival.
          </p>
        </div>
      </details>
    </section>
  );
}

/** What is done next: which variation, how much of it. */
function nextSetWords({ decision, facts, names, ladder }: OnLadder, unit: 'kg' | 'lb'): string {
  const d = decision!;
  const slug = d.variation ?? ladder.levels.find((l) => l.id === d.fromLevel)?.main ?? '';
  const f = facts[slug];
  const sides = f?.alternating ? 'in turns' : f?.oneSided ? 'apart' : 'together';
  return `${names[slug] ?? slug}, ${targetWords(d.plan.target, unit, sides)}`;
}

const uncapital = (s: string) => `${s[0]!.toLowerCase()}${s.slice(1)}`;

/** The outcome as it is said: a line that is barred for a while is paused, and a step back may be less of the same. */
function headline(d: Decision, name: (id: string) => string): string {
  if (d.paused) return 'Paused';
  if (d.toLevel) return `${OUTCOME_WORDS[d.outcome]} to ${name(d.toLevel)}`;
  return d.outcome === 'step back' ? 'Less of the same' : OUTCOME_WORDS[d.outcome];
}

/** How soon the level can be met, in words. */
function soonest(sessions: number | null): string {
  if (sessions === null)
    return 'When it can be met hangs on something besides these sessions, or lies far off.';
  return `It can be met in ${sessions === 1 ? 'one more session' : `${sessions} more sessions`} at the earliest.`;
}

/** A coach's word that the level is done well: kept with name and day, and counted where a criterion asks for it. */
function SignOffs({
  personId,
  on,
  signOffs,
}: {
  personId: string;
  on: OnLadder;
  signOffs: readonly SignOff[];
}) {
  const { hall } = useSigned();
  const send = useSend('signOff', { person: personId });
  const { level, since: from } = on.standing!;
  const given = signOffs.filter((s) => s.ladder === on.ladder.slug && s.level === level && s.date >= from);
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3 text-sm">
      <Button
        disabled={send.isPending}
        onClick={() => send.mutate({ ladder: on.ladder.slug, level, word: '' })}
      >
        Sign this level off
      </Button>
      <span className="text-soft">
        {given.length > 0
          ? `Signed off by ${given.map((s) => `${s.by} on ${day(s.date, hall.today)}`).join(', ')}.`
          : 'Your word that it is done well; some levels ask for it.'}
      </span>
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
    </div>
  );
}

function Confirm({ personId, on }: { personId: string; on: OnLadder }) {
  const decision = on.decision!;
  const send = useSend('confirm', { person: personId });
  const [chosen, setChosen] = useState<Outcome>(decision.outcome);
  const [level, setLevel] = useState('');
  const [reason, setReason] = useState('');
  const [open, setOpen] = useState(false);
  const { me } = useSigned();
  const headCoachOnly = decision.passesOver.length > 0 && me.role !== 'head coach';
  const name = (id: string) => on.ladder.levels.find((l) => l.id === id)?.name ?? '';
  const here = on.ladder.levels.findIndex((l) => l.id === decision.fromLevel);
  const choices = on.ladder.levels.filter((_, i) => (chosen === 'move up' ? i > here : i < here));
  const changesLevel = chosen === 'move up' || chosen === 'step back';
  const confirm = (outcome: Outcome, to: string | null) =>
    send.mutate({
      ladder: on.ladder.slug,
      proposed: decision.outcome,
      chosen: outcome,
      level: to,
      reason,
    });
  return (
    <div className="mt-3">
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      {send.isSuccess && !send.isPending && <Notice>Kept, with the evidence.</Notice>}
      <div className="mt-2 flex flex-wrap gap-2">
        {headCoachOnly ? (
          <p className="text-soft">A barred level is passed over: the head coach confirms this.</p>
        ) : (
          <Button tone="main" disabled={send.isPending} onClick={() => confirm(decision.outcome, null)}>
            Confirm: {uncapital(headline(decision, name))}
          </Button>
        )}
        {decision.outcome !== 'stop and refer' && (
          <Button onClick={() => setOpen(!open)} aria-expanded={open}>
            Decide otherwise
          </Button>
        )}
      </div>
      {open && (
        <form
          className="mt-3 grid max-w-xl gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            confirm(chosen, changesLevel && level !== '' ? level : null);
          }}
        >
          <div className="grid grid-cols-2 gap-3">
            <SelectField
              label="Instead"
              value={chosen}
              onChange={(e) => setChosen(e.target.value as Outcome)}
            >
              {OUTCOMES.map((o) => (
                <option key={o} value={o}>
                  {OUTCOME_WORDS[o]}
                </option>
              ))}
            </SelectField>
            {changesLevel && (
              <SelectField label="To level" value={level} onChange={(e) => setLevel(e.target.value)}>
                <option value="">the {chosen === 'move up' ? 'next' : 'one below'}</option>
                {choices.map((l) => (
                  <option key={l.id} value={l.id}>
                    {l.name}
                  </option>
                ))}
              </SelectField>
            )}
          </div>
          <Field label="Why (kept with the evidence)">
            {(props) => (
              <textarea
                className="field"
                rows={2}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
                {...props}
              />
            )}
          </Field>
          <div>
            <Button type="submit" tone="main" disabled={send.isPending}>
              Keep this decision
            </Button>
          </div>
        </form>
      )}
    </div>
  );
}
