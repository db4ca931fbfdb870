import { ContentPanel } from '../kit/index.ts';
import { countedWord } from '../../core/sheets/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { SetRequest } from '../../contract/log.ts';
import type { OwnDay } from '../../contract/session.ts';
import { reachWords, STOPPING_PAIN } from '../../core/ladder/index.ts';
import { INTERVAL } from '../../core/dose/index.ts';
import { amountOf, blankSet } from '../../core/log/index.ts';
import { COUNTED_IN, SIDES } from '../../core/terms/index.ts';
import type { Side } from '../../core/terms/index.ts';
import { refreshAfter, send, useAsk, useLink } from '../shell/index.ts';
import {
  Button,
  fromMass,
  fullDay,
  Loaded,
  Notice,
  PatternWord,
  tidy,
  toMass,
  writeDatesAs,
} from '../ui/index.ts';
import { Choice, Scale, Stepper } from './floor-controls.tsx';
import { formOf, inForm, withAmount } from './observed.ts';
import type { Observed } from './observed.ts';
import { PainPlace } from './pain-place.tsx';
import { setSummary, targetWords, usedLine } from './words.ts';

/** What the holder of a personal link sees: today's work, and a place to write down what they did. */
export function OwnPage() {
  return (
    <main className="mx-auto max-w-xl px-4 py-4">
      <Loaded query={useLink('own')} what="your link">
        {(link) => <OwnDayOf link={link} />}
      </Loaded>
    </main>
  );
}

function OwnDayOf({ link }: { link: string }) {
  const day = useAsk('ownDay', { link });
  return (
    <Loaded query={day} what="your day">
      {(data) => {
        writeDatesAs(data.dates);
        return (
          <>
            <p className="label">{data.hallName}</p>
            <h1>{data.name}</h1>
            <p className="text-soft">
              {fullDay(data.date)}. What you write down here counts as not watched by a coach.
            </p>
            {data.stopped.length > 0 && (
              <Notice tone="warn">
                Your coaches know that something is wrong. {data.stopped.map(reachWords).join(', ')} until
                they say that you may go on. If it gets worse, see a doctor.
              </Notice>
            )}
            {data.lines.length === 0 && data.stopped.length === 0 && (
              <Notice>There is nothing for you to do alone today. Ask your coach.</Notice>
            )}
            {data.lines.map((line) => (
              <OwnLine key={`${line.variation} ${data.sets.length}`} line={line} data={data} link={link} />
            ))}
            {!data.stopped.includes('everything') && <StopAlone link={link} />}
            <Written data={data} link={link} />
            <p className="mt-6 text-sm text-soft">
              This page is yours alone, on this device alone: the link opens on no other. It ends on{' '}
              {fullDay(data.until.slice(0, 10))}. Sharp or rising pain: stop, and tell your coach. This
              replaces no medical advice.
            </p>
          </>
        );
      }}
    </Loaded>
  );
}

/** How much was done, in whatever form. */
type Amount = Pick<Observed, 'doneReps' | 'holdS' | 'rounds' | 'workS' | 'breaths'>;

function OwnLine({ line, data, link }: { line: OwnDay['lines'][number]; data: OwnDay; link: string }) {
  const client = useQueryClient();
  const { next } = line;
  const [done, setDone] = useState<Amount>(() => ({
    ...inForm(line.countedIn, next?.reps ?? next?.holdS ?? next?.rounds ?? undefined),
    workS: next?.workS ?? null,
    breaths: null,
  }));
  const form = formOf(done);
  const [side, setSide] = useState<Side | null>(next?.side ?? null);
  const [loadKg, setLoadKg] = useState(next?.loadKg ?? 0);
  const [effort, setEffort] = useState<number | null>(null);
  const [pain, setPain] = useState<number | null>(null);
  const [at, setAt] = useState<Pick<SetRequest, 'painRegion' | 'painSide'>>({
    painRegion: null,
    painSide: null,
  });
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [id] = useState(() => crypto.randomUUID());
  const keep = async () => {
    setBusy(true);
    const set: SetRequest = {
      ...blankSet(),
      // Whose it is, the link says.
      personId: '00000000-0000-4000-8000-000000000000',
      date: data.date,
      edit: 1,
      ordinal: data.sets.length + 1,
      variation: line.variation!,
      variationRevision: line.revision,
      side,
      plannedReps: form === 'repetitions' ? (line.target.reps ?? null) : null,
      ...done,
      loadKg: line.takesLoad ? loadKg : null,
      loadKind: line.loadKind,
      effort,
      pain,
      ...((pain ?? 0) > 0 ? at : {}),
      aids: next?.aids ?? null,
      settings: next?.settings ?? null,
    };
    try {
      // The set keeps its id until the server has it, so that trying again stores it once.
      await send('keepOwnSet', { link, id }, set);
      setProblem(null);
      await refreshAfter(client, 'keepOwnSet');
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be kept. Try again.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <section className="mt-5 border-t-4 border-ink pt-2" aria-label={line.variationName ?? ''}>
      <p>
        <PatternWord pattern={line.pattern} /> <span className="text-soft">{line.levelName}</span>
      </p>
      <h2>{line.variationName}</h2>
      <p className="text-lg">{targetWords(line.target, data.massUnit, line.sides)}</p>
      {next && usedLine(next, { length: data.lengthUnit, mass: data.massUnit }) && (
        <p>With {usedLine(next, { length: data.lengthUnit, mass: data.massUnit })}</p>
      )}
      <ol className="my-2 list-decimal pl-6">
        {line.cues.map((c) => (
          <li key={c.slug}>
            {c.text}
            {c.plain && <span className="block text-sm text-soft">{c.plain}</span>}
          </li>
        ))}
      </ol>
      {line.ifItGoesWrong.length > 0 && (
        <p className="text-sm">
          <b>If it goes wrong:</b> {line.ifItGoesWrong.join(' ')}
        </p>
      )}
      {next?.done ? (
        <p className="mt-2 font-semibold">All sets are done. More is not better today.</p>
      ) : (
        <p className="mt-2 font-semibold">
          Set {next?.number} of {next?.of}
        </p>
      )}
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
              step={data.massUnit === 'kg' ? 2.5 : 5}
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
        <Scale label="Pain, 0 to 10 (0 is none)" value={pain} onPick={setPain} />
        {(pain ?? 0) > 0 && <PainPlace region={at.painRegion} side={at.painSide} onPick={setAt} />}
        {(pain ?? 0) > 0 && (
          <Notice tone="warn">
            {(pain ?? 0) >= STOPPING_PAIN
              ? 'Stop here. Once this is written down your coaches are told, and nothing more is proposed until they have looked.'
              : 'Stop here if it is sharp or rising. Your coach reads this.'}
          </Notice>
        )}
        {problem && <Notice tone="warn">{problem} What you entered is still here.</Notice>}
        <Button floor tone="main" disabled={busy} onClick={() => void keep()}>
          Write this set down
        </Button>
      </div>
    </section>
  );
}

/** Stop is pressed at home: the coaches read it first thing, and nothing more is proposed. */
function StopAlone({ link }: { link: string }) {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [id] = useState(() => crypto.randomUUID());
  const stop = async () => {
    setBusy(true);
    try {
      await send('keepOwnStop', { link, id }, { words });
      await refreshAfter(client, 'keepOwnStop');
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be sent. Try again.');
      setBusy(false);
    }
  };
  if (!open) {
    return (
      <Button floor tone="danger" className="mt-5" onClick={() => setOpen(true)}>
        Something is wrong: stop
      </Button>
    );
  }
  return (
    <section className="mt-5 border-l-[6px] border-warn bg-paper px-4 py-3" aria-label="Stop">
      <p className="font-semibold text-warn">
        Stop now. Your coaches are told, and nothing more is proposed until they have looked.
      </p>
      <label className="mt-2 block">
        <span className="label">What is wrong, if you want to say</span>
        <input
          className="field mt-1 min-h-14 text-lg"
          maxLength={400}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
      </label>
      {problem && <Notice tone="warn">{problem}</Notice>}
      <div className="mt-2 flex gap-2">
        <Button floor tone="danger" disabled={busy} onClick={() => void stop()}>
          Stop and tell my coach
        </Button>
        <Button floor tone="quiet" onClick={() => setOpen(false)}>
          Tapped by mistake
        </Button>
      </div>
    </section>
  );
}

function Written({ data, link }: { data: OwnDay; link: string }) {
  const client = useQueryClient();
  if (data.sets.length === 0) return null;
  return (
    <section className="mt-6">
      <h2 className="border-b border-ink pb-1">Written down today</h2>
      <ul>
        {data.sets.map((s) => (
          <li key={s.id} className="flex items-center gap-3 border-b border-rule py-1">
            <span className="grow">
              {s.variation}: {setSummary(s.set, data.massUnit, (f) => f)}
            </span>
            <Button
              floor
              tone="quiet"
              onClick={() =>
                void send('deleteOwnSet', { link, id: s.id }, { edit: s.edit + 1 }).then(() =>
                  refreshAfter(client, 'deleteOwnSet'),
                )
              }
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
