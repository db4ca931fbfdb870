import type { OnLadder } from '../../core/floor/index.ts';
import { useState } from 'react';
import type { PlacementAnswer, PlacementRequest } from '../../contract/session.ts';
import { EXPERIENCES, MOST_TRIALS, TRIAL_RESULTS } from '../../core/ladder/index.ts';
import type { Trial, TrialResult } from '../../core/ladder/index.ts';
import { useAsk, useSend, useSigned } from '../shell/index.ts';
import { Button, day, Notice, SelectField, TextField } from '../ui/index.ts';
import { Link } from 'react-router';
import { Belief } from './belief.tsx';

export const EXPERIENCE_WORDS = {
  new: 'new to this pattern',
  some: 'has done some of it',
  trained: 'trains it already',
} as const;
const RESULT_WORDS: Record<TrialResult, string> = {
  passed: 'Passed',
  fault: 'A fault to fix',
  'not at ease': 'Not at ease',
  pain: 'Pain',
};

/** Not begun, and open to the person. */
export const mayBegin = (l: OnLadder): boolean => !l.standing && l.branch?.open !== false;

type Start = Omit<PlacementRequest, 'trials'>;

/** Placing by two to four trials: which level to try, what came of it, and where that leads. */
export function Trials({ personId, ladders }: { personId: string; ladders: readonly OnLadder[] }) {
  const free = ladders.filter(mayBegin);
  const [start, setStart] = useState<Start | null>(null);
  const [trials, setTrials] = useState<Trial[]>([]);
  const [step, setStep] = useState<PlacementAnswer | null>(null);
  const [note, setNote] = useState('');
  const next = useSend('nextTrial', { person: personId });
  const keep = useSend('keepPlacement', { person: personId });
  if (free.length === 0 && start === null) return null;
  const ask = (of: Start, so: Trial[]) =>
    next.mutate(
      { ...of, trials: so },
      {
        onSuccess: (answer) => {
          setStart(of);
          setTrials(so);
          setStep(answer);
          setNote('');
        },
      },
    );
  const levels = ladders.find((l) => l.ladder.slug === start?.ladder)?.ladder.levels ?? [];
  const levelName = (id: string) => levels.find((x) => x.id === id)?.name ?? id;
  const again = () => {
    setStart(null);
    setTrials([]);
    setStep(null);
    keep.reset();
  };
  return (
    <section className="bg-paper p-4" aria-label="Place by trials">
      <h2>Place by trials</h2>
      <p className="text-soft">Two to four sets tell where to begin. Pain ends them at once.</p>
      {(next.error ?? keep.error) && <Notice tone="warn">{(next.error ?? keep.error)!.message}</Notice>}
      {start === null && <Begin free={free} busy={next.isPending} onStart={(of) => ask(of, [])} />}
      {trials.length > 0 && (
        <ol className="mt-2">
          {trials.map((t, i) => (
            <li key={i} className="border-b border-rule py-1">
              {i + 1}. {levelName(t.level)}: <b>{RESULT_WORDS[t.result].toLowerCase()}</b>
              {t.note && `, ${t.note}`}
            </li>
          ))}
        </ol>
      )}
      {start && step?.step === 'try' && (
        <div className="mt-3">
          <p className="label">
            Trial {trials.length + 1} of {MOST_TRIALS} at most
          </p>
          <p className="font-head text-2xl font-bold">
            {step.levelName}: <Link to={`/library/variation/${step.variation}`}>{step.variationName}</Link>
          </p>
          <p className="text-soft">{step.why.join(' ')}</p>
          <TextField
            label="A word on it, if any"
            className="my-2 max-w-md"
            maxLength={300}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
          <div role="group" aria-label="What came of it" className="flex flex-wrap gap-2">
            {TRIAL_RESULTS.map((result) => (
              <Button
                key={result}
                floor
                tone={result === 'passed' ? 'main' : result === 'pain' ? 'danger' : 'plain'}
                disabled={next.isPending}
                onClick={() =>
                  ask(start, [
                    ...trials,
                    { level: step.level, variation: step.variation, result, note: note.trim() },
                  ])
                }
              >
                {RESULT_WORDS[result]}
              </Button>
            ))}
          </div>
          <Belief levels={levels} shares={step.shares} chosen={step.level} />
        </div>
      )}
      {start && step && step.step !== 'try' && (
        <div className={`mt-3 border-l-[10px] pl-4 ${step.step === 'stop' ? 'border-warn' : 'border-tape'}`}>
          <p className={`font-head text-2xl font-bold ${step.step === 'stop' ? 'text-warn' : ''}`}>
            {step.step === 'stop' ? 'Stop here' : `Begin at ${step.levelName}`}
          </p>
          <p>{step.why.join(' ')}</p>
          {step.step === 'place' && <Belief levels={levels} shares={step.shares} chosen={step.level} />}
          {keep.isSuccess ? (
            <p className="mt-2">
              Kept with its trials. <Button onClick={again}>Another pattern</Button>
            </p>
          ) : (
            <div className="mt-2 flex gap-2">
              <Button tone="main" disabled={keep.isPending} onClick={() => keep.mutate({ ...start, trials })}>
                {step.step === 'stop' ? 'Keep what was seen' : 'Place here'}
              </Button>
              <Button tone="quiet" onClick={again}>
                Begin anew
              </Button>
            </div>
          )}
        </div>
      )}
      {start && step?.step === 'try' && trials.length > 0 && (
        <Button tone="quiet" className="mt-2" onClick={() => ask(start, trials.slice(0, -1))}>
          Take back the last result
        </Button>
      )}
    </section>
  );
}

function Begin({
  free,
  busy,
  onStart,
}: {
  free: readonly OnLadder[];
  busy: boolean;
  onStart: (start: Start) => void;
}) {
  const [ladder, setLadder] = useState('');
  const [experience, setExperience] = useState<Start['experience']>('new');
  const [atEase, setAtEase] = useState('');
  const [careful, setCareful] = useState(false);
  return (
    <form
      className="mt-2 grid gap-3 sm:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault();
        onStart({
          ladder: ladder || free[0]!.ladder.slug,
          experience,
          atEase: atEase === '' ? null : Number(atEase),
          careful,
        });
      }}
    >
      <SelectField label="Pattern" value={ladder} onChange={(e) => setLadder(e.target.value)}>
        {free.map((l) => (
          <option key={l.ladder.slug} value={l.ladder.slug}>
            {l.ladder.name}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Experience"
        value={experience}
        onChange={(e) => setExperience(e.target.value as Start['experience'])}
      >
        {EXPERIENCES.map((x) => (
          <option key={x} value={x}>
            {EXPERIENCE_WORDS[x]}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="At ease with it, 0 to 10"
        value={atEase}
        onChange={(e) => setAtEase(e.target.value)}
      >
        <option value="">not asked</option>
        {Array.from({ length: 11 }, (_, n) => (
          <option key={n}>{n}</option>
        ))}
      </SelectField>
      <label className="flex items-center gap-2 sm:col-span-2">
        <input
          type="checkbox"
          className="h-5 w-5"
          checked={careful}
          onChange={(e) => setCareful(e.target.checked)}
        />
        With care: an injury, operation, pregnancy or dizziness, cleared by a doctor or physiotherapist
      </label>
      <div className="sm:col-span-2">
        <Button type="submit" tone="main" disabled={busy}>
          What to try first
        </Button>
      </div>
    </form>
  );
}

/** First days on a ladder, with the trials they rested on. */
export function Placements({ personId, ladders }: { personId: string; ladders: readonly OnLadder[] }) {
  const { hall } = useSigned();
  const rows = useAsk('placements', { person: personId });
  if (!rows.data || rows.data.length === 0) return null;
  return (
    <section>
      <h2 className="border-b border-ink pb-1">Trials</h2>
      <ul>
        {rows.data.map((r) => {
          const ladder = ladders.find((l) => l.ladder.slug === r.ladder)?.ladder;
          const name = (id: string | null) => ladder?.levels.find((l) => l.id === id)?.name ?? id;
          return (
            <li key={r.id} className="border-b border-rule py-2">
              <span className="font-semibold">
                {day(r.date, hall.today)}, {ladder?.name ?? r.ladder}:{' '}
                {r.outcome === 'placed' ? `placed on ${name(r.level)}` : 'stopped'}
              </span>{' '}
              by {r.by}; {EXPERIENCE_WORDS[r.experience]}
              {r.careful && ', with care'}.
              <ol className="list-decimal pl-5 text-sm">
                {r.trials.map((t, i) => (
                  <li key={i}>
                    {name(t.level)}: {RESULT_WORDS[t.result].toLowerCase()}
                    {t.note && `, ${t.note}`}
                  </li>
                ))}
              </ol>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
