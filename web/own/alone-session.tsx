import { useMemo } from 'react';
import type { OwnDay } from '../../contract/session.ts';
import { HOME_THINGS, HOME_THING_NAMES } from '../../core/kit/index.ts';
import { aloneSession } from '../../core/plan/index.ts';
import { outbox, targetWords, Toggle, useParcels } from '../log/index.ts';
import { letterOf } from '../shell/index.ts';
import { DrillCard, drillSets, goOn } from '../plan/index.ts';
import type { DrillEnd } from '../plan/index.ts';
import { Button, Segmented } from '../ui/index.ts';
import { ownSession } from './kept-day.ts';
import type { OwnSession } from './kept-day.ts';
import { blankOwn, OWN, pendingSets, turnOf } from './own-sets.ts';
import { OwnSet } from './own-set.tsx';

const MINUTES = [20, 25, 30, 45, 60] as const;
/** More pieces than this nobody does in an hour. */
const MOST_PIECES = 8;

/** A session to follow: what is there, how long, the warm-up led, and one set after another. */
export function AloneSession({ data, link, session }: { data: OwnDay; link: string; session: OwnSession }) {
  const parcels = useParcels();
  const put = (change: Partial<OwnSession>) => ownSession.put({ ...session, ...change });
  const pending = pendingSets(parcels, link, data);
  const open = data.lines.flatMap((line) => {
    const turn = turnOf(line, pending);
    return turn.setsLeft > 0 ? [{ line, turn }] : [];
  });
  const totalS = session.minutes === null ? Infinity : 60 * session.minutes;
  const plan = useMemo(
    () =>
      aloneSession(
        open.slice(0, MOST_PIECES).map(({ line: { piece }, turn }) => ({
          ...piece,
          options: piece.options.map((o) => ({ ...o, sets: turn.setsLeft })),
        })),
        {
          totalS,
          warmUpS: session.warmedUp ? 0 : Math.min(data.warmUp.seconds, totalS),
          formOf: (at) =>
            at === null
              ? 'floor'
              : (open.find((o) => o.line.piece.options[0]!.at === at)?.line.form ?? 'floor'),
        },
      ),
    // What is open follows from these.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [data, totalS, session.warmedUp, pending.length],
  );
  const order = plan.order.map((o) => ({ ...open[o.piece]!, sets: o.sets }));
  if (data.lines.length === 0) return <WhatIsThere session={session} onChange={put} />;
  if (open.length === 0)
    return <p className="mt-4 text-xl font-semibold">All sets are done. More is not better today.</p>;
  if (!session.began) {
    return (
      <section aria-label="Your session" className="mt-4">
        <WhatIsThere session={session} onChange={put} />
        <h2 className="mt-4">How long have you got?</h2>
        <Segmented
          label="Minutes"
          floor
          options={[null, ...MINUTES]}
          value={session.minutes}
          onPick={(minutes) => put({ minutes })}
        >
          {(m) => (m === null ? 'All of it' : `${m} min`)}
        </Segmented>
        <h2 className="mt-4">Your session, {Math.round(plan.totalS / 60)} min</h2>
        <ol className="list-decimal pl-6 text-lg">
          {data.warmUp.drills.length > 0 && !session.warmedUp && (
            <li>
              Warm-up, {data.warmUp.drills.length} drills, {Math.round(data.warmUp.seconds / 60)} min
            </li>
          )}
          {order.map(({ line, sets }) => (
            <li key={line.variation}>
              <b>{line.variationName}</b>, {targetWords({ ...line.target, sets }, data.massUnit, line.sides)}
              {line.home?.how === 'instead' && (
                <span className="block text-base text-soft">
                  In place of what is on your plan: it trains, and does not count for the next level.
                </span>
              )}
              {line.home?.how === 'equal' && (
                <span className="block text-base text-soft">It counts once a coach has seen it.</span>
              )}
              {line.home?.with.map((w) => (
                <span key={w} className="block text-base text-soft">
                  {w}
                </span>
              ))}
            </li>
          ))}
        </ol>
        {plan.shorter.length > 0 && (
          <p>A set fewer of: {plan.shorter.map((j) => open[j]!.line.variationName).join(', ')}.</p>
        )}
        {plan.dropped.length > 0 && (
          <p>No time for: {plan.dropped.map((j) => open[j]!.line.variationName).join(', ')}.</p>
        )}
        {data.warmUp.leftOut.some((l) => l.why.startsWith('barred')) && (
          <p className="text-soft">
            Not for you now:{' '}
            {data.warmUp.leftOut
              .filter((l) => l.why.startsWith('barred'))
              .map((l) => l.name)
              .join(', ')}
            .
          </p>
        )}
        <Button
          floor
          tone="main"
          className="mt-3 w-full"
          disabled={order.length === 0}
          onClick={() => put({ began: true, date: data.date })}
        >
          Begin
        </Button>
      </section>
    );
  }
  const drill = session.warmedUp ? undefined : data.warmUp.drills[session.led.at];
  if (drill) {
    const end = (how: DrillEnd, elapsedS: number) => {
      for (const [i, set] of drillSets(drill, how, elapsedS).entries()) {
        const id = crypto.randomUUID();
        const request = {
          ...blankOwn(data, drill.variation, drill.revision),
          ...set,
          ordinal: data.sets.length + pending.length + 1 + i,
          role: 'prepare' as const,
          loadKind: drill.loadKind,
        };
        void outbox.run(id, OWN, { ...letterOf('keepOwnSet', { link, id }, request), words: drill.name });
      }
      put({ led: goOn(session.led, drill, how, elapsedS, Date.now()) });
    };
    return (
      <section aria-label="Warm-up" className="mt-4 border-t-4 border-ink bg-paper px-4 py-3">
        <h2>Warm-up</h2>
        <DrillCard
          key={`${session.led.at} ${session.led.startedAt === null}`}
          drill={drill}
          number={session.led.at + 1}
          of={data.warmUp.drills.length}
          startedAt={session.led.startedAt}
          onStart={() => put({ led: { ...session.led, startedAt: Date.now() } })}
          onEnd={end}
          sounds
        />
        <Button floor tone="quiet" onClick={() => put({ warmedUp: true })}>
          Warm: to the work
        </Button>
      </section>
    );
  }
  const { line: now, turn } = order[0] ?? open[0]!;
  return (
    <>
      <OwnSet
        key={`${now.variation} ${turn.number} ${turn.side}`}
        line={now}
        data={data}
        link={link}
        turn={turn}
        ordinal={data.sets.length + pending.length + 1}
        onEnded={() => put({ ended: true })}
      />
      {order.length > 1 && (
        <p className="mt-3 text-soft">
          Then:{' '}
          {order
            .slice(1)
            .map((o) => o.line.variationName)
            .join(', ')}
          .
        </p>
      )}
      <Button floor tone="quiet" onClick={() => put({ began: false })}>
        Back to the plan
      </Button>
    </>
  );
}

/** What stands about at home: the plan follows it. */
function WhatIsThere({
  session,
  onChange,
}: {
  session: OwnSession;
  onChange: (change: Partial<OwnSession>) => void;
}) {
  const { have } = session;
  return (
    <section aria-label="Where you train">
      <h2>Where do you train today?</h2>
      <Segmented
        label="Where"
        floor
        options={['hall', 'home'] as const}
        value={have === null ? 'hall' : 'home'}
        onPick={(where) => onChange({ have: where === 'hall' ? null : (have ?? []), warmedUp: false })}
      >
        {(where) => (where === 'hall' ? 'In the hall' : 'At home, or on the road')}
      </Segmented>
      {have !== null && (
        <>
          <p className="mt-2">What is there? Tick it. Chairs: firm, without wheels, against a wall.</p>
          <div className="mt-1 flex flex-wrap gap-2">
            {HOME_THING_NAMES.map((t) => (
              <Toggle
                key={t}
                on={have.includes(t)}
                onChange={(on) => onChange({ have: on ? [...have, t] : have.filter((x) => x !== t) })}
              >
                {HOME_THINGS[t].words}
              </Toggle>
            ))}
          </div>
        </>
      )}
    </section>
  );
}
