import { useState } from 'react';
import { Link } from 'react-router';
import type { Squad } from '../../contract/hall.ts';
import type { PersonLine } from '../../contract/log.ts';
import type { Person } from '../../contract/people.ts';
import { useGet, useSigned } from '../shell/index.ts';
import { day, Empty, Loaded, OutcomeWord } from '../ui/index.ts';

/** Whose set is next: one large row a person, by squad. */
export function FloorList() {
  const { hall, me } = useSigned();
  const people = useGet<Person[]>('/api/people');
  const squads = useGet<Squad[]>('/api/squads');
  const lines = useGet<PersonLine[]>('/api/overview');
  const [squadId, setSquadId] = useState<string | null>(null);
  const shownSquads = (squads.data ?? []).filter((s) => squadId === null || s.id === squadId);
  return (
    <div className="mx-auto max-w-4xl">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <h1>Whose set?</h1>
        <div role="group" aria-label="Squad" className="flex flex-wrap gap-1">
          {[{ id: null, name: 'All' }, ...(squads.data ?? [])].map((s) => (
            <button
              key={s.id ?? 'all'}
              type="button"
              aria-pressed={squadId === s.id}
              onClick={() => setSquadId(s.id)}
              className={`min-h-14 px-4 font-head text-base ${squadId === s.id ? 'taped bg-paper' : 'text-soft'}`}
            >
              {s.name}
            </button>
          ))}
        </div>
      </div>
      <Loaded query={people} what="the people">
        {(all) =>
          all.length === 0 ? (
            <Empty>
              Nobody here yet.{' '}
              {me.role === 'head coach' ? (
                <Link to="/people">Add people</Link>
              ) : (
                'The head coach adds people.'
              )}
            </Empty>
          ) : (
            <>
              {[...shownSquads, ...(squadId === null ? [{ id: null, name: 'No squad' }] : [])].map(
                (squad) => {
                  const members = all.filter((p) => p.squadId === squad.id);
                  if (members.length === 0) return null;
                  return (
                    <section key={squad.id ?? 'none'} className="mb-5">
                      <h2 className="border-b border-ink pb-1">{squad.name}</h2>
                      <ul>
                        {members.map((p) => {
                          const line = lines.data?.find((l) => l.personId === p.id && l.levelName !== null);
                          return (
                            <li key={p.id} className="border-b border-rule">
                              <Link
                                to={`/floor/${p.id}`}
                                className="grid min-h-16 grid-cols-[1fr_auto] items-center gap-x-4 px-1 py-2 no-underline hover:bg-paper"
                              >
                                <span>
                                  <span className="block font-head text-xl font-semibold">{p.name}</span>
                                  <span className="text-soft">
                                    {line
                                      ? `${line.ladderName} ${line.levelNumber} of ${line.levels}: ${line.levelName}`
                                      : 'Not placed yet'}
                                    {line?.lastSession && `, last ${day(line.lastSession, hall.today)}`}
                                  </span>
                                </span>
                                {line?.outcome && <OutcomeWord outcome={line.outcome} />}
                              </Link>
                            </li>
                          );
                        })}
                      </ul>
                    </section>
                  );
                },
              )}
            </>
          )
        }
      </Loaded>
    </div>
  );
}
