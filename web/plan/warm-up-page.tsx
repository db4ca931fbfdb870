import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { WarmUps } from '../../contract/plan.ts';
import type { LedDrill, LedWarmUp } from '../../core/floor/index.ts';
import { READY_S } from '../../core/dose/index.ts';
import { STOPPING_PAIN } from '../../core/ladder/index.ts';
import type { Region, Side } from '../../core/terms/index.ts';
import { keepSet, PainPlace, Scale } from '../log/index.ts';
import type { Observed } from '../log/index.ts';
import { useAddress, useAsk, usePeople } from '../shell/index.ts';
import { wakeAudio } from '../dose/index.ts';
import { Button, Dialog, Empty, kept, Loaded, Notice, useKept } from '../ui/index.ts';
import { DrillCard } from './drill-card.tsx';
import { drillSets, firstOf, goOn, ordinalAfter } from './led.ts';
import type { DrillEnd, Led } from './led.ts';

/** How far everybody is, kept on the tablet: another view or a reload changes nothing. */
const led = kept<{ date: string; people: Record<string, Led> }>('meister-warm-up', {
  none: { date: '', people: {} },
  read: (text) => JSON.parse(text) as { date: string; people: Record<string, Led> },
});

/** The warm-up of one person or of a whole squad at once: who is done early goes on. */
export function WarmUpPage() {
  const { params } = useAddress();
  const ids = (params.get('people') ?? '').split(',').filter(Boolean);
  const warm = useAsk('warmUps', ids.length > 0 ? { people: ids } : null);
  if (ids.length === 0)
    return <Empty next={{ to: '/floor', what: 'Choose a squad of today' }}>Nobody warms up here.</Empty>;
  return (
    <Loaded query={warm} what="the warm-up">
      {(data) => <Leading data={data} back={`/floor/session?people=${ids.join(',')}`} />}
    </Loaded>
  );
}

function Leading({ data, back }: { data: WarmUps; back: string }) {
  const { nameOf } = usePeople(true);
  const now = useKept(led);
  const states = useMemo(() => (now.date === data.date ? now.people : {}), [now, data.date]);
  useEffect(() => {
    // What another day left is nothing of today’s.
    if (now.date !== data.date) led.put({ date: data.date, people: {} });
  }, [now.date, data.date]);
  const put = (id: string, state: Led) =>
    led.put({ date: data.date, people: { ...led.current().people, [id]: state } });
  const everybody = () => {
    wakeAudio();
    const now = Date.now();
    led.put({
      date: data.date,
      people: Object.fromEntries(
        data.people.map((p) => {
          const state = states[p.personId] ?? firstOf();
          return [p.personId, state.startedAt === null ? { ...state, startedAt: now } : state];
        }),
      ),
    });
  };
  return (
    <div className="mx-auto max-w-6xl">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <h1>Warm-up</h1>
        <div className="flex flex-wrap items-center gap-x-5">
          {data.people.some(
            (p) => p.drills.length > 0 && (states[p.personId] ?? firstOf()).startedAt === null,
          ) && (
            <Button floor tone="main" onClick={everybody}>
              Everybody begins
            </Button>
          )}
          <Link className="flex min-h-14 items-center" to={back}>
            To the session
          </Link>
        </div>
      </div>
      <div className="grid gap-4 md:grid-cols-2 lg:grid-cols-3">
        {data.people.map((p) => (
          <OneLed
            key={p.personId}
            of={p}
            name={nameOf(p.personId)}
            state={states[p.personId] ?? firstOf()}
            date={data.date}
            alone={data.people.length === 1}
            onState={(state) => put(p.personId, state)}
          />
        ))}
      </div>
    </div>
  );
}

function OneLed({
  of,
  name,
  state,
  date,
  alone,
  onState,
}: {
  of: LedWarmUp;
  name: string;
  state: Led;
  date: string;
  /** Nobody else is led on this page. */
  alone: boolean;
  onState: (state: Led) => void;
}) {
  const drill: LedDrill | undefined = of.drills[state.at];
  /** Seconds at which it hurt; null: nobody says so. */
  const [hurting, setHurting] = useState<number | null>(null);
  const [pain, setPain] = useState<number | null>(null);
  const [at, setAt] = useState<{ painRegion: Region | null; painSide: Side | null }>({
    painRegion: null,
    painSide: null,
  });
  /** Writes the sets of a drill down; pain belongs to the last of them. */
  const keepDrill = (d: LedDrill, sets: readonly Observed[], hurt: Partial<Observed> = {}) =>
    sets.forEach((set, i) =>
      keepSet(
        {
          personId: of.personId,
          date,
          ordinal: ordinalAfter(state) + i,
          source: { slug: d.variation, countedIn: d.countedIn, loadKind: d.loadKind },
          revision: d.revision,
          target: null,
        },
        i === sets.length - 1 ? { ...set, ...hurt } : set,
      ),
    );
  const painKept = () => {
    if (!drill || hurting === null) return;
    // What hurt while it was begun was begun.
    const s = Math.max(hurting, READY_S + 1);
    keepDrill(drill, drillSets(drill, { how: 'stopped' }, s), { pain, ...at });
    setHurting(null);
    onState({ ...goOn(state, drill, { how: 'stopped' }, s, Date.now()), startedAt: null });
  };
  const end = (how: DrillEnd, elapsedS: number) => {
    if (!drill) return;
    keepDrill(drill, drillSets(drill, how, elapsedS));
    onState(goOn(state, drill, how, elapsedS, Date.now()));
  };
  return (
    <section aria-label={`Warm-up of ${name}`} className="border-t-4 border-ink bg-paper px-4 py-3">
      <h2>{name}</h2>
      {of.drills.length === 0 && (
        <p className="text-soft">Nothing is led: nothing is asked of them today, or they are stopped.</p>
      )}
      {drill && (
        <DrillCard
          key={`${state.at} ${state.startedAt === null}`}
          drill={drill}
          number={state.at + 1}
          of={of.drills.length}
          startedAt={state.startedAt}
          onStart={() => onState({ ...state, startedAt: Date.now() })}
          onEnd={end}
          onPain={setHurting}
          sounds={alone}
        />
      )}
      {drill && hurting !== null && (
        <Dialog title={`Pain: ${name}, ${drill.name}`} open wide onClose={() => setHurting(null)}>
          <Scale label="Pain, 0 to 10 (0 is none)" value={pain} onPick={setPain} />
          <PainPlace region={at.painRegion} side={at.painSide} onPick={setAt} />
          {(pain ?? 0) >= STOPPING_PAIN && (
            <Notice tone="warn">
              Nothing more of them today: a stop is recorded, and the head coach clears it. Refer; this
              replaces no medical advice.
            </Notice>
          )}
          <Button
            floor
            tone="danger"
            className="mt-3"
            disabled={pain === null || pain === 0}
            onClick={painKept}
          >
            Write it down and end this drill
          </Button>
        </Dialog>
      )}
      {!drill && of.drills.length > 0 && (
        <p className="text-xl font-semibold">
          Warm. {state.log.length} drills, {Math.round(state.log.reduce((sum, l) => sum + l.s, 0) / 60)} min.
        </p>
      )}
      {state.log.some((l) => l.skipped) && (
        <p className="mt-2 text-sm text-soft">
          Left out: {state.log.flatMap((l) => (l.skipped ? [`${l.name} (${l.skipped})`] : [])).join(', ')}
        </p>
      )}
      {of.leftOut.some((l) => l.why.startsWith('barred')) && (
        <p className="mt-2 border-l-4 border-warn pl-2 text-sm">
          Not for them:{' '}
          {of.leftOut
            .filter((l) => l.why.startsWith('barred'))
            .map((l) => `${l.name} (${l.why})`)
            .join(', ')}
        </p>
      )}
    </section>
  );
}
