import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { HourNeeds, HourRequest } from '../../contract/plan.ts';
import type { NeededPiece } from '../../core/floor/index.ts';
import {
  atMostBetter,
  breaks,
  helping,
  layOut,
  prepared,
  spansFrom,
  whereIs,
  whyHere,
} from '../../core/plan/index.ts';
import type { Change, Doing } from '../../core/plan/index.ts';
import { refreshAfter, send, useAddress, useAsk, useSigned } from '../shell/index.ts';
import { useQueryClient } from '@tanstack/react-query';
import { Button, Dialog, Empty, Loaded, Notice } from '../ui/index.ts';
import { useHour } from '../workers/index.ts';
import { AlonePlan } from './alone-plan.tsx';
import { useNaming } from './naming.ts';
import { hourFrom, saidFirst } from './said.ts';
import type { HourSaid, NeededHour, Said } from './said.ts';
import { SetUpHour } from './set-up.tsx';
import { HourWall } from './wall.tsx';
import { changeWords, placeName, refusedWords } from './words.ts';

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
  const solver = useHour();
  const [said, setSaid] = useState(() => saidFirst(needs, me.name));
  const [of, setOf] = useState<NeededHour>(() => hourFrom(needs, people, saidFirst(needs, me.name)));
  const [picked, setPicked] = useState<number | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [settingUp, setSettingUp] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const naming = useNaming(of.pieces, of.places);
  const instead = (hour: NeededHour) =>
    hour.pieces.map((p): [string, NeededPiece['instead']] => [
      p.id,
      p.instead.filter((o) => !p.options.some((x) => x.variation === o.variation && x.at === o.at)),
    ]);
  const plan = (next: HourSaid) => {
    const hour = hourFrom(needs, people, next);
    setSaid(next);
    setOf(hour);
    setPicked(null);
    solver.plan({ hour, bar: needs.bar, rounds: null, watchers: next.watchers, instead: instead(hour) });
  };
  useEffect(() => {
    if (of.pieces.length > 0)
      solver.plan({ hour: of, bar: needs.bar, rounds: null, watchers: said.watchers, instead: instead(of) });
    // Once, when the page opens; later only what is changed plans anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  // A plan belongs to the hour it was made from: one of an hour before is not shown with other pieces.
  const found =
    solver.planned &&
    solver.planned.plan.rounds.every((r) =>
      [...r.floor, ...r.shared.flatMap((s) => s.doing)].every((d) => of.pieces[d.piece]?.options[d.option]),
    ) &&
    solver.planned.plan.rounds.every((r) => r.shared.every((s) => of.places[s.kind]))
      ? solver.planned
      : null;
  const laid = useMemo(
    () => found?.plan.rounds.map((r) => layOut(of, r, found.plan.times.lengthS, said.watchers)) ?? [],
    [found, of, said.watchers],
  );
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
    const { plan: kept, bound } = found;
    const request: HourRequest = {
      edit: 0,
      name: `${me.name}, ${people.length} ${people.length === 1 ? 'person' : 'people'}`,
      startedAt: null,
      endedAt: null,
      people: [...of.people],
      pieces: of.pieces.map(({ id, priority, watched, mustWatch, heavy, wish }) => ({
        id,
        priority,
        watched,
        mustWatch,
        heavy,
        ...(wish ? { wish } : {}),
        ...(said.pieces[id]?.insteadToo ? { insteadToo: true } : {}),
      })),
      places: of.places.map(({ id, count, most, heightsM }) => ({ id, count, most, heightsM })),
      floorPlaces: of.floorPlaces,
      totalS: of.totalS,
      warmUpS: of.warmUpS,
      changeS: of.changeS,
      share: of.coach.share,
      watchers: said.watchers,
      plan: kept,
      spans: spansFrom(of.warmUpS, used, kept.times.lengthS, of.changeS),
      bound,
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
  const used = found ? found.plan.rounds.length : 0;
  const leftS = found ? (found.rounds - used) * (found.plan.times.lengthS + of.changeS) : 0;
  const heads = found
    ? spansFrom(of.warmUpS, used, found.plan.times.lengthS, of.changeS).map(
        (s) => `minute ${Math.round(s.fromS / 60)} to ${Math.round((s.fromS + s.lengthS) / 60)}`,
      )
    : [];
  const gap = found && atMostBetter(found.plan.points, found.bound);
  const helps = found ? helping(solver.changes, found.plan) : [];
  const unseen = laid.flatMap((l, round) =>
    l.stints.flatMap((s) =>
      s.sets.some((x) => x.wanted && x.seenBy === null) ? [{ piece: s.piece, round }] : [],
    ),
  );
  const over = laid.flatMap((l, round) => l.over.map((o) => ({ ...o, round })));
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
          <Button tone="main" disabled={!found} onClick={() => void keep()}>
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
            Read
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
          watchers={said.watchers}
          bar={needs.bar}
          naming={naming}
          heads={heads}
          onPick={setPicked}
          onMove={(piece, to) => move(piece, to)}
        />
      )}
      {found && (found.plan.dropped.length > 0 || unseen.length > 0 || over.length > 0) && (
        <div className="mt-4 grid gap-6 md:grid-cols-2">
          {found.plan.dropped.length > 0 && (
            <section aria-label="What does not fit">
              <h2 className="border-b border-ink pb-1">What does not fit</h2>
              <ul>
                {found.plan.dropped.map((j) => {
                  const ex = solver.exchanges.find((e) => e.done === j);
                  return (
                    <li key={j} className="border-b border-rule py-1">
                      <button
                        type="button"
                        className="text-left font-semibold underline"
                        onClick={() => setPicked(j)}
                      >
                        {naming.piece(of.pieces[j]!.id)}
                      </button>
                      {ex && ex.waits.length > 0 && (
                        <span className="block">
                          Fits if {ex.waits.map((w) => naming.piece(of.pieces[w]!.id)).join(' and ')}{' '}
                          {ex.waits.length === 1 ? 'waits' : 'wait'} till next time.{' '}
                          <Button
                            tone="quiet"
                            onClick={() =>
                              plan({
                                ...said,
                                pieces: {
                                  ...said.pieces,
                                  [of.pieces[j]!.id]: { ...said.pieces[of.pieces[j]!.id], priority: 3 },
                                  ...Object.fromEntries(
                                    ex.waits.map((w) => [
                                      of.pieces[w]!.id,
                                      { ...said.pieces[of.pieces[w]!.id], out: true },
                                    ]),
                                  ),
                                },
                              })
                            }
                          >
                            Do it so
                          </Button>
                        </span>
                      )}
                    </li>
                  );
                })}
              </ul>
              <h3 className="mt-3">The smallest change that helps</h3>
              {helps.length === 0 && (
                <p className="text-soft">
                  {solver.busy || solver.changes.length < 5
                    ? 'Trying changes …'
                    : 'No single change was found to help.'}
                </p>
              )}
              <ul>
                {helps.slice(0, 3).map((c) => (
                  <li
                    key={JSON.stringify(c.change)}
                    className="flex items-center gap-2 border-b border-rule py-1"
                  >
                    <span className="grow">
                      {changeWords(c.change, naming)}:{' '}
                      {c.dropped === 0 ? 'everything fits' : `${c.dropped} left out`},{' '}
                      {found.plan.points - c.points} points better
                    </span>
                    {c.change.change !== 'one more' && c.change.change !== 'groups of three' && (
                      <Button onClick={() => change(c.change)}>Do that</Button>
                    )}
                  </li>
                ))}
              </ul>
            </section>
          )}
          {(unseen.length > 0 || over.length > 0) && (
            <section aria-label="What is not seen">
              <h2 className="border-b border-ink pb-1">What is not seen</h2>
              <ul>
                {unseen.map(({ piece, round }) => (
                  <li key={piece} className="border-b border-rule py-1">
                    {naming.piece(of.pieces[piece]!.id)}, round {round + 1}
                  </li>
                ))}
                {over.map(({ piece, byS, round }) => (
                  <li key={`over ${piece}`} className="border-b border-rule py-1">
                    {naming.piece(of.pieces[piece]!.id)} ends {Math.ceil(byS / 60)} min after round{' '}
                    {round + 1}
                  </li>
                ))}
              </ul>
              <p className="mt-1 text-sm text-soft">Clean repetitions count only where a coach watches.</p>
            </section>
          )}
        </div>
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
          <AboutPiece piece={picked} />
        </Dialog>
      )}
    </div>
  );

  /** Puts somebody elsewhere: what breaks is told at once, and it is a wish in the next plan. */
  function move(piece: number, to: { round: number; at: string | null }) {
    if (!found) return;
    const option = of.pieces[piece]!.options.findIndex((o) => o.at === to.at);
    const name = naming.piece(of.pieces[piece]!.id);
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
    sayOf(of.pieces[piece]!.id, { wish: option < 0 ? { round: to.round } : { round: to.round, at: to.at } });
  }

  function AboutPiece({ piece }: { piece: number }) {
    const one = of.pieces[piece]!;
    const p = prepared(of, found!.plan.times, used);
    const why = whyHere(p, found!.plan, piece);
    const at = whereIs(found!.plan, piece);
    const kindName = (d: Doing) => {
      const id = one.options[d.option]!.at;
      return id === null ? 'the floor' : (of.places.find((k) => k.id === id)?.name ?? id);
    };
    return (
      <>
        <p>
          {at
            ? `Round ${at.round + 1}, ${at.at ? placeName(of.places[at.at.kind], at.at.number) : 'the floor'}.`
            : 'Left out.'}
        </p>
        <h3 className="mt-3">{at ? 'Why here' : 'Why not'}</h3>
        {why.cheapest ? (
          <p>{at ? 'Nowhere would cost less.' : 'Something that counts more has its place.'}</p>
        ) : (
          <ul className="list-disc pl-6">
            {why.refused.slice(0, 8).map((r) => (
              <li key={`${r.round} ${r.option} ${r.refused.why}`}>
                Round {r.round + 1}, {kindName({ piece, option: r.option })}:{' '}
                {refusedWords(r.refused, naming)}
              </li>
            ))}
          </ul>
        )}
        <h3 className="mt-3">Move to</h3>
        <div className="flex flex-wrap gap-2">
          {found!.plan.rounds.map((_, round) =>
            [...new Set(one.options.map((o) => o.at))].map((place) => (
              <Button
                key={`${round} ${place ?? ''}`}
                onClick={() => move(piece, { round, at: place })}
                disabled={
                  at?.round === round &&
                  (at.at === null ? place === null : of.places[at.at.kind]?.id === place)
                }
              >
                Round {round + 1},{' '}
                {place === null ? 'the floor' : (of.places.find((k) => k.id === place)?.name ?? place)}
              </Button>
            )),
          )}
        </div>
        {one.wish && (
          <p className="mt-2">
            There is a wish for it.{' '}
            <Button tone="quiet" onClick={() => sayOf(one.id, { wish: undefined })}>
              Take it back
            </Button>
          </p>
        )}
      </>
    );
  }
}
