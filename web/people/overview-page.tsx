import type { PersonLine } from '../../core/floor/index.ts';
import { Link } from 'react-router';
import type { ReactNode } from 'react';
import { Said, useAddress, useAsk, usePeople, useSigned } from '../shell/index.ts';
import { day, Empty, Loaded, OUTCOME_WORDS, OutcomeMark, Segmented, tidy } from '../ui/index.ts';
import { FirstSteps } from './first-steps.tsx';
import { NewerNotice } from './newer-notice.tsx';
import { Reports } from './reports.tsx';

interface Section {
  title: string;
  why: string;
  rows: { key: string; personId: string; text: ReactNode }[];
}

/** What a head coach looks for, over everybody: who is ready, stuck, overridden, uneven, at fault again, unseen. */
export function OverviewPage() {
  const { hall, me } = useSigned();
  const { params, set } = useAddress();
  const { query: people } = usePeople(true);
  const squads = useAsk('squads');
  const lines = useAsk('overview');
  const squad = params.get('squad');
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end justify-between gap-4">
        <h1>Overview</h1>
        <Segmented
          label="Squad"
          options={[null, ...(squads.data ?? []).map((s) => s.id)]}
          value={squad}
          onPick={(id) => set({ squad: id })}
        >
          {(id) => squads.data?.find((s) => s.id === id)?.name ?? 'All squads'}
        </Segmented>
      </div>
      <FirstSteps />
      <NewerNotice />
      <Reports shown={(id) => squad === null || people.data?.find((p) => p.id === id)?.squadId === squad} />
      <Loaded query={people} what="the people">
        {(all) => (
          <Loaded query={lines} what="the overview">
            {(data) => {
              const own = all.filter((p) => squad === null || p.squadId === squad);
              const shown = data.filter((l) => own.some((p) => p.id === l.personId));
              const sections = sectionsOf(shown, hall.today);
              const name = (id: string) => all.find((p) => p.id === id)?.name ?? '';
              if (shown.every((l) => l.levelName === null)) {
                return (
                  <Empty
                    next={
                      all.length === 0
                        ? me.role === 'head coach' && { to: '/people?add=several', what: 'Add people' }
                        : { to: `/people/${all[0]!.id}/trials`, what: `Place ${all[0]!.name} by trials` }
                    }
                  >
                    Nobody stands on a ladder yet.
                  </Empty>
                );
              }
              return (
                <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
                  {sections.map((s) => (
                    <section key={s.title} aria-label={s.title}>
                      <h2 className="flex items-baseline justify-between border-b border-ink pb-1">
                        {s.title} <span className="text-base font-normal">{peopleIn(s.rows)}</span>
                      </h2>
                      <p className="text-sm text-soft">{s.why}</p>
                      {s.rows.length === 0 && <p className="py-1 text-soft">Nobody.</p>}
                      <ul>
                        {s.rows.map((r) => (
                          <li
                            key={r.key}
                            className="grid grid-cols-[11rem_1fr] gap-x-3 border-b border-rule py-1"
                          >
                            <Link className="font-semibold" to={`/people/${r.personId}`}>
                              {name(r.personId)}
                            </Link>
                            <span>{r.text}</span>
                          </li>
                        ))}
                      </ul>
                    </section>
                  ))}
                </div>
              );
            }}
          </Loaded>
        )}
      </Loaded>
    </>
  );
}

/** A person on two ladders stands there twice and is one person. */
function peopleIn(rows: Section['rows']): string {
  const n = new Set(rows.map((r) => r.personId)).size;
  return n === 1 ? '1 person' : `${n} people`;
}

const place = (l: PersonLine) => `${l.ladderName} ${l.levelNumber} of ${l.levels}, ${l.levelName}`;

function sectionsOf(lines: readonly PersonLine[], today: string): Section[] {
  const of = (
    title: string,
    why: string,
    pick: (l: PersonLine) => boolean,
    text: (l: PersonLine) => ReactNode,
    once = false,
  ): Section => {
    const picked = lines.filter((l) => pick(l));
    const rows = once
      ? picked.filter((l, i) => picked.findIndex((x) => x.personId === l.personId) === i)
      : picked;
    return {
      title,
      why,
      rows: rows.map((l) => ({ key: `${l.personId} ${l.ladder}`, personId: l.personId, text: text(l) })),
    };
  };
  return [
    of(
      'Stop or step back',
      'First: what the evidence or a restriction says against the level.',
      (l) => l.outcome === 'stop and refer' || l.outcome === 'step back',
      (l) => (
        <>
          <span className="font-semibold text-warn">{OUTCOME_WORDS[l.outcome!]}</span>: {place(l)}.{' '}
          <span className="text-soft">
            <Said of={l.reason} />
          </span>
        </>
      ),
    ),
    of(
      'Ready to move up',
      'All that the level asks has been met; a coach confirms.',
      (l) => l.outcome === 'move up',
      (l) => (
        <span className="inline-flex items-center gap-2">
          <OutcomeMark outcome="move up" size={16} /> {place(l)}
        </span>
      ),
    ),
    of(
      'Stuck beyond the usual stay',
      'Longer on a level than is usual for it, and not ready.',
      (l) => l.stuckWeeks !== null,
      (l) => (
        <>
          {place(l)}: {l.stuckWeeks} weeks, usual up to {l.usualWeeks}.{' '}
          <span className="text-soft">
            <Said of={l.reason} />
          </span>
        </>
      ),
    ),
    of(
      'Decided otherwise',
      'The newest decision went against the proposal.',
      (l) => l.overridden !== null,
      (l) => (
        <>
          {place(l)}: {OUTCOME_WORDS[l.overridden!.chosen].toLowerCase()} instead of{' '}
          {OUTCOME_WORDS[l.overridden!.proposed].toLowerCase()} on {day(l.overridden!.date, today)} by{' '}
          {l.overridden!.by}. “{l.overridden!.reason}”
        </>
      ),
    ),
    of(
      'Sides that differ',
      'By more than 10 % in the newest side test of the last 28 days.',
      (l) => l.sides !== null,
      (l) => (
        <>
          {place(l)}: left {l.sides!.left}, right {l.sides!.right}
          {l.sides!.unit === 's' ? ' s' : ''}, {tidy(l.sides!.percent, 0)} % apart on{' '}
          {day(l.sides!.date, today)}
        </>
      ),
    ),
    of(
      'Faults again and again',
      'In three watched sessions running, or in two on one side only.',
      (l) => l.faults.length > 0,
      (l) =>
        l.faults
          .map((f) => `${f.name}${f.side ? `, only ${f.side}` : ''} (${f.dates.length} sessions)`)
          .join('; '),
    ),
    of(
      'Not seen for long',
      'No session for two weeks or more.',
      (l) => l.unseenDays !== null && l.levelName !== null,
      (l) => `${l.unseenDays} days, last ${day(l.lastSession!, today)}`,
      true,
    ),
  ];
}
