import { useState } from 'react';
import type { SetRequest } from '../../contract/log.ts';
import type { OwnDay } from '../../contract/session.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { INTERVAL } from '../../core/dose/index.ts';
import { ENDING_PAIN_ALONE, STOPPING_PAIN } from '../../core/ladder/index.ts';
import { amountOf } from '../../core/log/index.ts';
import { countedWord } from '../../core/sheets/index.ts';
import { COUNTED_IN, FELT_KINDS, SIDES } from '../../core/terms/index.ts';
import type { FeltKind, Side } from '../../core/terms/index.ts';
import { ClockPanel, clocks, FloorFigure } from '../dose/index.ts';
import { solved } from '../figure/index.ts';
import { ContentPanel } from '../kit/index.ts';
import {
  BodyMap,
  Choice,
  formOf,
  inForm,
  outbox,
  PainPlace,
  Scale,
  Stepper,
  targetWords,
  usedLine,
  withAmount,
} from '../log/index.ts';
import type { Observed } from '../log/index.ts';
import { letterOf } from '../shell/index.ts';
import { Button, fromMass, mass, Notice, PatternWord, tidy, toMass } from '../ui/index.ts';
import { blankOwn, OWN } from './own-sets.ts';
import type { turnOf } from './own-sets.ts';

/** How much was done, in whatever form. */
type Amount = Pick<Observed, 'doneReps' | 'holdS' | 'rounds' | 'workS' | 'breaths'>;

/** The set at hand, alone: the figure in its tempo, one thing to think of, the clock, and what came of it. */
export function OwnSet({
  line,
  data,
  link,
  turn,
  ordinal,
  onEnded,
}: {
  line: OwnDay['lines'][number];
  data: OwnDay;
  link: string;
  turn: ReturnType<typeof turnOf>;
  /** Where the set stands in the day. */
  ordinal: number;
  onEnded: () => void;
}) {
  const { next } = line;
  const [done, setDone] = useState<Amount>(() => ({
    ...inForm(line.countedIn, next?.reps ?? next?.holdS ?? next?.rounds ?? undefined),
    workS: next?.workS ?? null,
    breaths: null,
  }));
  const form = formOf(done);
  const [side, setSide] = useState<Side | null>(turn.side);
  const [loadKg, setLoadKg] = useState(line.home ? (line.home.loadKg ?? 0) : (next?.loadKg ?? 0));
  const [effort, setEffort] = useState<number | null>(null);
  const [atEase, setAtEase] = useState<number | null>(null);
  const [pain, setPain] = useState<number | null>(null);
  const [at, setAt] = useState<Pick<SetRequest, 'painRegion' | 'painSide'>>({
    painRegion: null,
    painSide: null,
  });
  const [kind, setKind] = useState<FeltKind>('work');
  const [felt, setFelt] = useState<NonNullable<SetRequest['sensations']>>([]);
  const { range } = solved(REFERENCE_BUILD, line.mechanics);
  const units = { length: data.lengthUnit, mass: data.massUnit };
  const ends = (pain ?? 0) >= ENDING_PAIN_ALONE;
  const keep = () => {
    const id = crypto.randomUUID();
    const set: SetRequest = {
      ...blankOwn(data, line.variation!, line.revision),
      ordinal,
      side,
      plannedReps: form === 'repetitions' ? (line.target.reps ?? null) : null,
      ...done,
      loadKg: line.takesLoad ? loadKg : null,
      loadKind: line.loadKind,
      effort,
      atEase,
      pain,
      sensations: felt.length > 0 ? felt : null,
      ...((pain ?? 0) > 0 ? at : {}),
      aids: next?.aids ?? null,
      settings: next?.settings ?? null,
    };
    // Kept on the device first: a set is not lost where there is no connection.
    void outbox.run(id, OWN, {
      ...letterOf('keepOwnSet', { link, id }, set),
      words: line.variationName ?? 'A set',
    });
    clocks.stopFor(OWN);
    if (ends) onEnded();
    else clocks.rest(OWN, line.target.restS);
  };
  return (
    <section className="mt-5 border-t-4 border-ink pt-2" aria-label={line.variationName ?? ''}>
      <p>
        <PatternWord pattern={line.pattern} /> <span className="text-soft">{line.levelName}</span>
      </p>
      <h2>{line.variationName}</h2>
      <FloorFigure mechanics={line.mechanics} pattern={line.pattern} personId={OWN} />
      <p className="text-lg">{targetWords(line.target, data.massUnit, line.sides)}</p>
      {line.cues[0] && (
        <p className="my-2 border-y border-rule py-2 text-2xl leading-tight font-semibold">
          {line.cues[0].text}
          {line.cues[0].plain && (
            <span className="block text-base font-normal text-soft">{line.cues[0].plain}</span>
          )}
        </p>
      )}
      {line.home?.with.map((w) => (
        <p key={w} className="text-soft">
          {w}
        </p>
      ))}
      {line.home?.load && (
        <p className="font-semibold">
          {mass(line.home.load.kg, data.massUnit)} {line.home.load.each ? 'in each hand' : 'in all'}:{' '}
          {[
            line.home.load.large > 0 ? `${line.home.load.large} large bottles (1.5 l)` : '',
            line.home.load.small > 0 ? `${line.home.load.small} small ones (0.5 l)` : '',
          ]
            .filter(Boolean)
            .join(' and ')}
          , filled with water.
        </p>
      )}
      {next && usedLine(next, units) && <p>With {usedLine(next, units)}</p>}
      {line.ifItGoesWrong.length > 0 && (
        <p className="text-sm">
          <b>If it goes wrong:</b> {line.ifItGoesWrong.join(' ')}
        </p>
      )}
      <p className="mt-2 font-semibold">
        Set {Math.min(turn.number, next?.of ?? turn.number)} of {next?.of ?? line.target.sets}
        {side ? `, ${side}` : ''}
      </p>
      <ClockPanel
        personId={OWN}
        label={line.variationName ?? ''}
        tempo={line.tempo}
        risesFirst={range?.workingIs === 'top'}
        side={side}
        oneSided={line.oneSided}
        reps={done.doneReps}
        holdS={done.holdS}
        rounds={done.rounds}
        interval={{ workS: done.workS ?? INTERVAL.workS, restS: INTERVAL.restS }}
        week={1}
        onRan={(ran) => {
          if (ran.kind === 'hold') setDone((d) => ({ ...d, ...inForm('seconds held', ran.workS) }));
          else if (ran.kind === 'interval') setDone((d) => ({ ...d, ...inForm('rounds', ran.rounds) }));
          else setDone((d) => ({ ...d, ...inForm('repetitions', ran.reps) }));
        }}
      />
      <div className="mt-2 grid gap-4">
        {line.oneSided && <Choice label="Side" options={SIDES} value={side} onPick={setSide} />}
        <div className="flex flex-wrap gap-5">
          <Stepper
            label={countedWord({ countedIn: form })}
            value={amountOf(done) ?? 0}
            step={form === 'seconds held' ? 5 : 1}
            onChange={(n) => setDone((now) => ({ ...now, ...withAmount(now, n) }))}
          />
          {form === 'rounds' && (
            <Stepper
              label="Seconds a round"
              value={done.workS ?? INTERVAL.workS}
              step={5}
              onChange={(workS) => setDone((now) => ({ ...now, workS }))}
            />
          )}
          {form === 'seconds held' && (
            <Stepper
              label="Breaths (0: not counted)"
              value={done.breaths ?? 0}
              step={1}
              onChange={(n) => setDone((now) => ({ ...now, breaths: n > 0 ? Math.round(n) : null }))}
            />
          )}
          {line.takesLoad && (
            <Stepper
              label={`Load, ${data.massUnit}`}
              value={Number(tidy(toMass(loadKg, data.massUnit)))}
              step={data.massUnit === 'kg' ? 0.5 : 1}
              onChange={(shown) => setLoadKg(fromMass(shown, data.massUnit))}
            />
          )}
        </div>
        {line.takesLoad && <ContentPanel unit={data.massUnit} onTake={setLoadKg} />}
        <details>
          <summary className="min-h-14 content-center">Done otherwise: in rounds, or for seconds</summary>
          <Choice
            label="Written down in"
            options={COUNTED_IN}
            value={form}
            onPick={(as) =>
              setDone({ ...inForm(as), workS: as === 'rounds' ? INTERVAL.workS : null, breaths: null })
            }
          />
        </details>
        {form !== line.countedIn && (
          <Notice>It trains. What this level asks is counted in {line.countedIn}.</Notice>
        )}
        <Scale label="How hard was it, 0 to 10" value={effort} onPick={setEffort} />
        <Scale label="At ease, 0 to 10" value={atEase} onPick={setAtEase} />
        <details>
          <summary className="min-h-14 content-center">
            Where did you feel it?
            {felt.length > 0 && ` ${felt.map((f) => `${f.kind}: ${f.region}`).join(', ')}`}
          </summary>
          <Choice
            label="Felt as"
            options={FELT_KINDS.filter((k) => k !== 'pain')}
            value={kind}
            onPick={setKind}
          />
          <BodyMap
            kind={kind}
            felt={felt}
            wanted={[]}
            onTap={(place) =>
              setFelt((all) =>
                all.some((f) => f.region === place.region && f.side === place.side && f.kind === kind)
                  ? all.filter((f) => f.region !== place.region || f.side !== place.side || f.kind !== kind)
                  : [...all, { region: place.region, side: place.side, kind }],
              )
            }
          />
        </details>
        <Scale label="Pain, 0 to 10 (0 is none)" value={pain} onPick={setPain} />
        {(pain ?? 0) > 0 && <PainPlace region={at.painRegion} side={at.painSide} onPick={setAt} />}
        {(pain ?? 0) > 0 && (
          <Notice tone="warn">
            {(pain ?? 0) >= STOPPING_PAIN
              ? 'Stop here. Once this is written down your coaches are told, and nothing more is proposed until they have looked.'
              : ends
                ? `Stop here. Once this is written down your session ends for today. Tell ${data.tell}.`
                : 'Stop here if it is sharp or rising. Your coach reads this.'}
          </Notice>
        )}
        <Button floor tone="main" onClick={keep}>
          {ends ? 'Write it down and end the session' : 'Write this set down'}
        </Button>
      </div>
    </section>
  );
}
