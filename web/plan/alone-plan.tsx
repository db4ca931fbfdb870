import { useState } from 'react';
import { Link } from 'react-router';
import type { HourNeeds } from '../../contract/plan.ts';
import { aloneSession } from '../../core/plan/index.ts';
import type { Step } from '../../core/plan/index.ts';
import { targetWords } from '../log/index.ts';
import { minutes } from '../dose/index.ts';
import { usePeople, useUnits } from '../shell/index.ts';
import { Segmented } from '../ui/index.ts';
import { placeName } from './words.ts';

const MINUTES = [20, 25, 30, 45, 60] as const;
/** More pieces than this nobody does in an hour. */
const MOST_PIECES = 8;

/** One person's session within the minutes that there are: in order, with work, rest, set-up and changes timed. */
export function AlonePlan({ needs, person }: { needs: HourNeeds; person: string }) {
  const { nameOf } = usePeople(true);
  const units = useUnits();
  const [within, setWithin] = useState<(typeof MINUTES)[number]>(60);
  const pieces = needs.pieces.slice(0, MOST_PIECES);
  const formOf = (at: string | null) =>
    at === null ? ('floor' as const) : (needs.places.find((p) => p.id === at)?.form ?? 'floor');
  const session = aloneSession(pieces, { totalS: 60 * within, warmUpS: needs.warmUpS, formOf });
  const stepsOf = (piece: number) => session.steps.filter((s) => s.piece === piece);
  const sum = (steps: readonly Step[], what: Step['what']) =>
    steps.filter((s) => s.what === what).reduce((n, s) => n + s.toS - s.fromS, 0);
  return (
    <div className="mx-auto max-w-3xl">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <h1>{nameOf(person)}: a session alone</h1>
        <Link
          to={`/floor/session?people=${person}`}
          className="inline-flex min-h-14 items-center border border-tape bg-tape px-5 font-semibold text-on-tape no-underline"
        >
          Run this session
        </Link>
      </div>
      <p className="label">I have</p>
      <Segmented label="I have" floor options={MINUTES} value={within} onPick={setWithin}>
        {(m) => `${m} minutes`}
      </Segmented>
      <p className="mt-2" role="status">
        {minutes(session.totalS)} of {within}:00 min are used.{' '}
        {session.dropped.length === 0 && session.shorter.length === 0 && 'Everything fits.'}
      </p>
      <ol className="mt-2 border-t-2 border-ink">
        {needs.warmUpS > 0 && (
          <li className="grid grid-cols-[5rem_1fr] border-b border-rule py-2">
            <span className="font-head tabular-nums">0:00</span>
            <span>
              <b>Warm-up</b>, {minutes(needs.warmUpS)} min.{' '}
              <Link to={`/floor/warm-up?people=${person}`}>Lead it</Link>
            </span>
          </li>
        )}
        {session.order.map(({ piece, sets }) => {
          const p = pieces[piece]!;
          const own = stepsOf(piece);
          const kind = needs.places.find((k) => k.id === p.options[0]!.at);
          return (
            <li key={p.id} className="grid grid-cols-[5rem_1fr] border-b border-rule py-2">
              <span className="font-head tabular-nums">{minutes(own[0]?.fromS ?? 0)}</span>
              <span>
                <b>{p.name}</b>
                {p.target && `, ${targetWords({ ...p.target, sets }, units.mass, p.sides)}`}
                <span className="block text-soft">
                  {kind ? placeName({ ...kind, count: 1 }, 0) : 'Floor'}: set up {sum(own, 'set up')} s, work{' '}
                  {minutes(sum(own, 'work'))}, rest {minutes(sum(own, 'rest'))} min
                  {session.shorter.includes(piece) && '; a set fewer than planned'}
                </span>
              </span>
            </li>
          );
        })}
      </ol>
      {session.dropped.length > 0 && (
        <p className="mt-2">
          <b>No time for:</b> {session.dropped.map((j) => pieces[j]!.name).join('; ')}. What counts most
          stays: what is tried, then the day’s main work.
        </p>
      )}
    </div>
  );
}
