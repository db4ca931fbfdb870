import { Pause, Play, Square } from 'lucide-react';
import { useState } from 'react';
import {
  holdPlan,
  intervalPlan,
  repsDone,
  roundsDone,
  roundsInWeek,
  stretchAt,
  tempoPlan,
  tempoWords,
  workedS,
} from '../../core/dose/index.ts';
import type { ClockPlan } from '../../core/dose/index.ts';
import type { Side } from '../../core/terms/index.ts';
import type { Tempo } from '../../core/library/index.ts';
import { Button, Segmented, tidy } from '../ui/index.ts';
import { wakeAudio } from './clock-keeper.tsx';
import { clocks, elapsedS, restLeftS } from './clock-store.ts';
import type { ClockKind, Run } from './clock-store.ts';
import { SOUND_MODES, SOUND_WORDS, setSoundMode, useSoundMode } from './sound-mode.ts';
import { useClocks, useNow } from './use-clocks.ts';
import { minutes, momentWord } from './words.ts';

/** What ran by the time the clock was stopped: it fills in the set. */
export interface Ran {
  kind: ClockKind;
  reps: number;
  rounds: number;
  /** Seconds of work. */
  workS: number;
  /** Breaths that were tapped in a hold. */
  breaths: number;
  /** To its end. */
  whole: boolean;
}

interface Props {
  personId: string;
  /** "Ida, floor lift". */
  label: string;
  tempo: Tempo;
  risesFirst: boolean;
  side: Side | null;
  oneSided: boolean;
  reps: number | null;
  holdS: number | null;
  rounds: number | null;
  /** Seconds of work and rest in a round. */
  interval: { workS: number; restS: number };
  /** Weeks on this level, from 1: the round plan follows it. */
  week: number;
  onRan: (ran: Ran) => void;
}

const WEEKS = [1, 2, 3, 4] as const;
const KINDS = ['tempo', 'interval', 'hold'] as const;
const KIND_WORDS: Record<ClockKind, string> = { tempo: 'Tempo', interval: 'Interval', hold: 'Hold' };

/** The clock of the set at hand: choose, start, and see from two metres what is on. */
export function ClockPanel(props: Props) {
  const { run } = useClocks();
  const own = run?.personId === props.personId ? run : null;
  return (
    <section aria-label="Clock" className="mb-3 border-y border-rule bg-paper px-4 py-3">
      {own ? (
        <Running run={own} onRan={props.onRan} />
      ) : (
        <>
          <Resting personId={props.personId} />
          <Choosing {...props} other={run} />
        </>
      )}
    </section>
  );
}

function Choosing({ other, ...p }: Props & { other: Run | null }) {
  const usual: ClockKind = p.holdS !== null ? 'hold' : p.rounds !== null ? 'interval' : 'tempo';
  const [kind, setKind] = useState<ClockKind>(usual);
  const [week, setWeek] = useState(Math.min(p.week, WEEKS.length));
  const rounds = p.rounds ?? roundsInWeek(week);
  const t = p.tempo;
  const changeAtS = p.interval.workS / 2;
  const still = t.loweringS + t.bottomS + t.risingS + t.topS === 0;
  const plan = (): ClockPlan =>
    kind === 'tempo'
      ? tempoPlan(t, p.reps ?? 10, { risesFirst: p.risesFirst, side: p.side })
      : kind === 'interval'
        ? intervalPlan(
            rounds,
            { oneSided: p.oneSided, first: p.side ?? 'left' },
            { ...p.interval, changeAtS },
          )
        : holdPlan(p.holdS ?? 20, p.side);
  const start = () => {
    wakeAudio();
    clocks.start({
      personId: p.personId,
      label: p.label,
      path: location.pathname + location.search,
      kind,
      plan: plan(),
    });
  };
  const what =
    kind === 'tempo'
      ? `${tempoWords(t)}, ${p.reps ?? 10} repetitions`
      : kind === 'interval'
        ? `${p.interval.workS} s work, ${p.interval.restS} s rest, ${rounds} rounds${p.oneSided ? `, sides change at ${tidy(changeAtS)} s` : ''}`
        : `${p.holdS ?? 20} s${p.side ? ` ${p.side}` : ''}`;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Segmented
        label="Kind of clock"
        floor
        options={KINDS}
        value={kind}
        onPick={setKind}
        disabled={(k) => k === 'tempo' && still}
      >
        {(k) => KIND_WORDS[k]}
      </Segmented>
      {kind === 'interval' && p.rounds === null && (
        <Segmented label="Round plan" floor options={WEEKS} value={week} onPick={setWeek}>
          {(w) => `Week ${w === 4 ? '4 on' : w}: ${roundsInWeek(w)} rounds`}
        </Segmented>
      )}
      <span className="ml-auto">
        <SoundButton />
      </span>
      <span className="w-full sm:w-auto sm:grow">{what}</span>
      <Button floor className="grow sm:grow-0" onClick={start} disabled={kind === 'tempo' && still}>
        <Play aria-hidden="true" size={20} /> Start the clock
      </Button>
      {other && (
        <p className="w-full text-sm text-soft">
          The clock of {other.label} is running; starting this one takes its place.
        </p>
      )}
    </div>
  );
}

function Running({ run, onRan }: { run: Run; onRan: (ran: Ran) => void }) {
  const paused = run.startedAt === null;
  const [breaths, setBreaths] = useState(0);
  const now = useNow(100, !paused);
  const s = elapsedS(run, now);
  const on = stretchAt(run.plan, s);
  const over = s >= run.plan.totalS;
  const stop = () => {
    onRan({
      kind: run.kind,
      reps: repsDone(run.plan, s),
      rounds: roundsDone(run.plan, s),
      workS: Math.round(workedS(run.plan, s)),
      breaths,
      whole: over,
    });
    clocks.stop();
  };
  const share = on ? (s - on.fromS) / (on.toS - on.fromS) : 1;
  const count =
    run.plan.reps > 0
      ? `Repetition ${on?.rep ?? (over ? run.plan.reps : 0)} of ${run.plan.reps}`
      : run.plan.rounds > 0
        ? `Round ${on?.round ?? (over ? run.plan.rounds : 0)} of ${run.plan.rounds}`
        : null;
  return (
    <div>
      <div className="flex items-end justify-between gap-4">
        <p className="font-head text-4xl leading-none font-bold sm:text-5xl" aria-live="off">
          {over ? 'Done' : on ? momentWord(on) : ''}
        </p>
        <p className="font-head text-6xl leading-none font-bold tabular-nums" role="timer">
          {on ? Math.ceil(on.toS - s) : 0}
          <span className="text-2xl"> s</span>
        </p>
      </div>
      <div className="mt-2 h-4 border border-ink" aria-hidden="true">
        <div
          className={`h-full ${on?.moment === 'rest' || on?.moment === 'ready' ? 'bg-soft' : 'bg-tape'}`}
          style={{ width: `${Math.min(100, 100 * share)}%` }}
        />
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <span className="grow text-lg">
          {count && <b>{count}, </b>}
          {Math.floor(workedS(run.plan, s))} s of work, {minutes(Math.max(0, run.plan.totalS - s))} left
        </span>
        {run.kind === 'hold' && (
          <Button floor onClick={() => setBreaths((n) => n + 1)}>
            Breath {breaths}
          </Button>
        )}
        {!over && (
          <Button floor onClick={() => (paused ? clocks.goOn() : clocks.pause())}>
            {paused ? <Play aria-hidden="true" size={20} /> : <Pause aria-hidden="true" size={20} />}
            {paused ? 'Go on' : 'Pause'}
          </Button>
        )}
        <Button floor tone={over ? 'main' : 'plain'} onClick={stop}>
          <Square aria-hidden="true" size={20} /> {over ? 'Take it over' : 'Stop'}
        </Button>
        <SoundButton />
      </div>
    </div>
  );
}

function SoundButton() {
  const mode = useSoundMode();
  return (
    <select
      aria-label="Sound of the clock"
      className="field min-h-14 w-auto text-lg"
      value={mode}
      onChange={(e) => setSoundMode(e.target.value as (typeof SOUND_MODES)[number])}
    >
      {SOUND_MODES.map((m) => (
        <option key={m} value={m}>
          {SOUND_WORDS[m]}
        </option>
      ))}
    </select>
  );
}

/** Rest still owed to whoever is looked at, large. */
function Resting({ personId }: { personId: string }) {
  const { rests } = useClocks();
  const rest = rests[personId];
  const now = useNow(250, rest !== undefined);
  if (!rest) return null;
  const left = restLeftS(rest, now);
  return (
    <div className="mb-2 border-b border-rule pb-2">
      <div className="flex items-end justify-between gap-4">
        <p className="font-head text-4xl leading-none font-bold">{left > 0 ? 'Rest' : 'Rested'}</p>
        <p className="font-head text-5xl leading-none font-bold tabular-nums">{minutes(left)}</p>
        <Button floor tone="quiet" onClick={() => clocks.endRest(personId)}>
          {left > 0 ? 'Rested enough' : 'Next set'}
        </Button>
      </div>
      <div className="mt-2 h-2 border border-ink" aria-hidden="true">
        <div className="h-full bg-soft" style={{ width: `${(100 * left) / rest.restS}%` }} />
      </div>
    </div>
  );
}
