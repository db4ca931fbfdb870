import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { HourNeeds, HourRequest } from '../../contract/plan.ts';
import { moreOptions } from '../../core/floor/index.ts';
import { atMostBetter, breaks, layOut, prepared, spansFrom } from '../../core/plan/index.ts';
import type { Change } from '../../core/plan/index.ts';
import { refreshAfter, send, useAddress, useAsk, useSigned } from '../shell/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { Button, Dialog, Empty, Loaded, Notice } from '../ui/index.ts';
import { useHour } from '../workers/index.ts';
import { AboutPiece } from './about-piece.tsx';
import { AlonePlan } from './alone-plan.tsx';
import { useNaming } from './naming.ts';
import { hourSent } from './request.ts';
import { hourFrom, saidFirst } from './said.ts';
import type { HourSaid, NeededHour, Said } from './said.ts';
import { SetUpHour } from './set-up.tsx';
import { HourWall } from './wall.tsx';
import { WhatLacks } from './what-lacks.tsx';
import { minutesIn, refusedWords } from './words.ts';

/** The hour of the people who are there: planned, explained, and put on the wall. */
export function PlanPage() {
  const { params } = useAddress();
  const ids = (params.get('people') ?? '').split(',').filter(Boolean);
  const needs = useAsk('hourNeeds', ids.length > 0 ? { people: ids } : null);
  if (ids.length === 0)
    return <Empty next={{ to: '/floor', what: 'Choose a squad of today' }}>Nobody is in this hour.</Empty>;
  return (
    <Loaded query={needs} what="what everybody needs">
      {(data) =>
        ids.length === 1 ? (
          <AlonePlan needs={data} person={ids[0]!} />
        ) : (
          <Planning key={ids.join()} needs={data} people={ids} />
        )
      }
    </Loaded>
  );
}

function Planning({ needs, people }: { needs: HourNeeds; people: string[] }) {
  const { me } = useSigned();
  const navigate = useNavigate();
  const client = useQueryClient();
  const solver = useHour<NeededHour>();
  const [said, setSaid] = useState(() => saidFirst(needs, me.name));
  const [asked, setAsked] = useState<NeededHour>(() => hourFrom(needs, people, said));
  const [picked, setPicked] = useState<number | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [settingUp, setSettingUp] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const found = solver.planned;
  // A plan is shown and kept with the hour it was made from, whatever was said since.
  const of = found?.job.hour ?? asked;
  const naming = useNaming(of.pieces, of.places);
  const idOf = (piece: number) => of.pieces[piece]!.id;
  const solve = (hour: NeededHour, { watchers }: HourSaid) =>
    solver.plan({
      hour,
      bar: needs.bar,
      rounds: null,
      watchers,
      instead: hour.pieces.map((p) => [p.id, moreOptions(p)]),
    });
  const plan = (next: HourSaid) => {
    const hour = hourFrom(needs, people, next);
    setSaid(next);
    setAsked(hour);
    setPicked(null);
    solve(hour, next);
  };
  useEffect(() => {
    if (asked.pieces.length > 0) solve(asked, said);
    // Once, when the page opens; later only what is changed plans anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  const laid = useMemo(
    () =>
      found?.plan.rounds.map((r) =>
        layOut(found.job.hour, r, found.plan.times.lengthS, found.job.watchers),
      ) ?? [],
    [found],
  );
  const used = found?.plan.rounds.length ?? 0;
  const spans = found ? spansFrom(of.warmUpS, used, found.plan.times.lengthS, of.changeS) : [];
  const change = (c: Change) => {
    if (c.change === 'minutes') plan({ ...said, totalMin: said.totalMin + c.minutes });
    else if (c.change === 'shorter warm-up')
      plan({ ...said, warmUpMin: Math.max(0, said.warmUpMin - c.minutes) });
    else if (c.change === 'instead') sayOf(c.piece, { insteadToo: true });
    else if (c.change === 'eyes')
      plan({
        ...said,
        watchers: said.watchers.map((w, i) => (i === 0 ? { ...w, atOnce: w.atOnce + 1 } : w)),
      });
  };
  const sayOf = (id: string, what: Said) =>
    plan({ ...said, pieces: { ...said.pieces, [id]: { ...said.pieces[id], ...what } } });
  const keep = async () => {
    if (!found) return;
    const request: HourRequest = {
      edit: 0,
      name: `${me.name}, ${people.length} people`,
      startedAt: null,
      endedAt: null,
      ...hourSent(of),
      pieces: hourSent(of).pieces.map((p) =>
        said.pieces[p.id]?.insteadToo ? { ...p, insteadToo: true } : p,
      ),
      watchers: [...found.job.watchers],
      plan: found.plan,
      spans,
      bound: found.bound,
      gone: [],
    };
    const id = crypto.randomUUID();
    try {
      await send('saveHour', { id }, request);
      await refreshAfter(client, 'saveHour');
      void navigate(`/floor/hours/${id}`);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be kept. Try again.');
    }
  };
  if (needs.pieces.length === 0)
    return (
      <Empty next={{ to: '/floor', what: 'Back to today' }}>Nothing is open for these people today.</Empty>
    );
  const leftS = found ? (found.rounds - used) * (found.plan.times.lengthS + of.changeS) : 0;
  const gap = found && atMostBetter(found.plan.points, found.bound);
  return (
    <div className="mx-auto max-w-7xl">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Plan this session</h1>
          <p className="text-soft">
            {people.length} people, {of.pieces.length} pieces of work, {said.totalMin} min with{' '}
            {said.warmUpMin} min of warm-up, {of.coach.atOnce} places watched at once
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => setSettingUp(true)}>Time, kit, coaches, people</Button>
          {solver.busy && <Button onClick={() => solver.cancel()}>Enough, keep this one</Button>}
          <Button tone="main" disabled={!found || of !== asked} onClick={() => void keep()}>
            Put it on the wall
          </Button>
        </div>
      </div>
      {problem && <Notice tone="warn">{problem}</Notice>}
      {solver.error && <Notice tone="warn">The plan could not be worked out: {solver.error}</Notice>}
      {told && (
        <div
          className="mb-2 flex items-center gap-3 border-l-[6px] border-warn bg-paper px-3 py-2"
          role="status"
        >
          <span className="grow">{told}</span>
          <Button tone="quiet" onClick={() => setTold(null)}>
            I have read it
          </Button>
        </div>
      )}
      <p className="mb-2 min-h-6" role="status">
        {!found && 'Working out the first plan …'}
        {found && (
          <>
            {used} {used === 1 ? 'round' : 'rounds'} of{' '}
            {Math.round((10 * found.plan.times.lengthS) / 60) / 10} min
            {used < found.rounds ? `, ${Math.round(leftS / 60)} min are left at the end` : ''}.{' '}
            {found.plan.dropped.length === 0 ? 'Everything fits.' : `${found.plan.dropped.length} left out.`}{' '}
            {gap === null
              ? 'Looking for a better one …'
              : gap === 0
                ? `No plan with ${found.rounds} rounds is better.`
                : `At most ${gap} points better is possible with ${found.rounds} rounds (a point is about a minute of one person waiting).`}
            {found.movesBefore > found.moves &&
              ` ${found.movesBefore - found.moves} fewer plates and notches to change.`}
          </>
        )}
      </p>
      {found && (
        <HourWall
          hour={of}
          plan={found.plan}
          laid={laid}
          watchers={found.job.watchers}
          bar={needs.bar}
          naming={naming}
          heads={spans.map(minutesIn)}
          onPick={setPicked}
          onMove={(piece, to) => move(piece, to)}
        />
      )}
      {found && (
        <WhatLacks
          planned={found}
          laid={laid}
          solver={solver}
          naming={naming}
          onPick={setPicked}
          onChange={change}
          onExchange={(ex) =>
            plan({
              ...said,
              pieces: {
                ...said.pieces,
                ...Object.fromEntries(ex.waits.map((w) => [idOf(w), { ...said.pieces[idOf(w)], out: true }])),
                [idOf(ex.done)]: { ...said.pieces[idOf(ex.done)], priority: 3 },
              },
            })
          }
        />
      )}
      {settingUp && (
        <Dialog title="Time, kit, coaches, people" open wide onClose={() => setSettingUp(false)}>
          <SetUpHour
            needs={needs}
            people={people}
            said={said}
            onSaid={(next) => {
              setSettingUp(false);
              plan(next);
            }}
          />
        </Dialog>
      )}
      {picked !== null && found && of.pieces[picked] && (
        <Dialog title={naming.piece(of.pieces[picked].id)} open wide onClose={() => setPicked(null)}>
          <AboutPiece
            planned={found}
            piece={picked}
            naming={naming}
            onMove={(to) => move(picked, to)}
            onTakeBack={() => sayOf(idOf(picked), { wish: undefined })}
          />
        </Dialog>
      )}
    </div>
  );

  /** Puts somebody elsewhere: what breaks is told at once, and it is a wish in the next plan. */
  function move(piece: number, to: { round: number; at: string | null }) {
    if (!found) return;
    const option = of.pieces[piece]!.options.findIndex((o) => o.at === to.at);
    const name = naming.piece(idOf(piece));
    const p = prepared(of, found.plan.times, used);
    const no =
      option < 0
        ? 'It cannot be done at that place.'
        : (() => {
            const refused = breaks(p, found.plan, { piece, option }, to.round);
            return refused && refusedWords(refused, naming);
          })();
    setTold(
      no
        ? `${name} in round ${to.round + 1}: ${no} It is kept as a wish, and the others are planned around it.`
        : null,
    );
    sayOf(idOf(piece), { wish: option < 0 ? { round: to.round } : { round: to.round, at: to.at } });
  }
}
