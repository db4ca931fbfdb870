import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { StoredHour } from '../../contract/plan.ts';
import { layOut, momentAt, turnsIn, whereIs } from '../../core/plan/index.ts';
import type { Turn } from '../../core/plan/index.ts';
import { minutes, useNow } from '../dose/index.ts';
import { queryOf, useAsk, usePeople } from '../shell/index.ts';
import { secondsInto } from './seconds-into.ts';
import { turnWords, whereWords } from './words.ts';

const REFRESH_MS = 10_000;
/** A change is told before it comes. */
const SOON_S = 60;

/** The hour that the session follows: round and time, the place of whoever is looked at, and whose turn it is there. */
export function HourBand({ hour, who }: { hour: string | null; who: string | null }) {
  const hours = useAsk('hours', hour === null ? {} : null);
  const running = (hours.data ?? []).find(
    (h) => h.startedAt !== null && h.endedAt === null && who !== null && h.people.includes(who),
  );
  const id = hour ?? running?.id ?? null;
  const query = useQuery({
    ...queryOf('hour', { id: id ?? '' }),
    enabled: id !== null,
    refetchInterval: REFRESH_MS,
  });
  if (!query.data || query.data.startedAt === null || query.data.endedAt !== null) return null;
  return <Band hour={query.data} aheadMs={Date.parse(query.data.at) - query.dataUpdatedAt} who={who} />;
}

function Band({ hour: h, aheadMs, who }: { hour: StoredHour; aheadMs: number; who: string | null }) {
  const { nameOf } = usePeople(true);
  const now = useNow(500, true).wallMs + aheadMs;
  const { hour, plan, spans, watchers } = h.body;
  const laid = useMemo(
    () => plan.rounds.map((r, i) => layOut(hour, r, spans[i]!.lengthS, watchers)),
    [hour, plan, spans, watchers],
  );
  const at = secondsInto(h.startedAt, now) ?? -1;
  const moment = momentAt(hour.warmUpS, spans, at);
  const round = moment.phase === 'round' ? moment.round : null;
  // A stop stands above the plan.
  const turns =
    round === null
      ? []
      : turnsIn(laid[round]!, at - spans[round]!.fromS).filter(
          (t) => !h.notNow.includes(hour.pieces[t.stint.piece]!.id),
        );
  const personOf = (t: Turn) => hour.pieces[t.stint.piece]!.person;
  const isNow = (j: number) => !h.notNow.includes(hour.pieces[j]!.id);
  const mine = turns.filter((t) => personOf(t) === who);
  const here = mine.find((t) => t.state !== 'done') ?? mine[0];
  const group = here?.stint.at
    ? turns.filter(
        (t) => t.stint.at?.kind === here.stint.at!.kind && t.stint.at.number === here.stint.at!.number,
      )
    : here
      ? [here]
      : [];
  const next = hour.pieces
    .flatMap((p, j) => {
      const w = p.person === who && isNow(j) ? whereIs(plan, j) : null;
      return w && w.round > (round ?? (moment.round ?? 0) - 1) ? [{ ...w, name: p.name }] : [];
    })
    .sort((a, b) => a.round - b.round)[0];
  const soon = moment.phase === 'round' && moment.leftS <= SOON_S;
  return (
    <section
      aria-label="The hour"
      className={`mb-2 flex flex-wrap items-center gap-x-5 gap-y-1 border-l-[6px] bg-paper px-3 py-1 ${soon || moment.phase === 'change' ? 'border-warn' : 'border-tape'}`}
    >
      <Link to={`/floor/hours/${h.id}`} className="flex min-h-11 items-center gap-2 font-head no-underline">
        <b>
          {moment.phase === 'round'
            ? `Round ${moment.round! + 1} of ${spans.length}`
            : moment.phase === 'change'
              ? `Change to round ${moment.round! + 1}`
              : moment.phase === 'warm-up'
                ? 'Warm-up'
                : 'The hour is over'}
        </b>
        {moment.phase !== 'over' && (
          <span className="text-2xl font-bold tabular-nums" role="timer">
            {minutes(moment.leftS)}
          </span>
        )}
        {soon && <span className="text-warn">change soon</span>}
      </Link>
      {here && (
        <span>
          <b>{whereWords(here.stint.at, hour.places)}</b>:{' '}
          {group.map((t) => `${nameOf(personOf(t))} ${turnWords(t)}`).join(' · ')}
        </span>
      )}
      {next && (
        <span className="text-soft max-sm:hidden">
          Then round {next.round + 1}: {next.name}, {whereWords(next.at, hour.places)}
        </span>
      )}
    </section>
  );
}
