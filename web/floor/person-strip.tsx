import type { ShownSet } from '../log/index.ts';
import type { TodayPerson } from '../../contract/session.ts';
import { whoIsNext } from '../../core/dose/index.ts';
import type { NextSet } from '../../core/ladder/index.ts';
import { minutes, restLeftS, useClocks, useNow } from '../dose/index.ts';

export interface InStrip {
  person: TodayPerson;
  name: string;
  /** What is next on each line that is not barred. */
  steps: readonly NextSet[];
  ofDay: readonly ShownSet[];
}

interface Props {
  people: readonly InStrip[];
  active: string | undefined;
  onPick: (personId: string) => void;
}

/** Everybody of the session in one row: who is next, who works, who rests and for how long. */
export function PersonStrip({ people, active, onPick }: Props) {
  const { run, rests } = useClocks();
  const now = useNow(500, Object.keys(rests).length > 0);
  const turns = people.map(({ person, steps, ofDay }) => ({
    id: person.personId,
    setsLeft: steps.reduce((sum, n) => sum + (n.done ? 0 : n.of - n.number + 1), 0),
    setsDone: ofDay.length,
    restLeftS: Math.ceil(restLeftS(rests[person.personId], now)),
  }));
  const next = whoIsNext(turns);
  return (
    <div
      role="group"
      aria-label="Whose set"
      className="-mx-4 mb-2 flex gap-1 overflow-x-auto px-4 pb-1 md:mx-0 md:grid md:grid-cols-4 md:px-0 lg:grid-cols-6"
    >
      {people.map(({ person: p, name, steps, ofDay }, i) => {
        const turn = turns[i]!;
        const done = steps.filter((n) => n.done).length;
        const words =
          p.lines.length === 0
            ? 'not placed'
            : steps.length === 0
              ? 'barred today'
              : turn.setsLeft === 0
                ? 'all done'
                : run?.personId === turn.id
                  ? 'at work'
                  : turn.restLeftS > 0
                    ? `rests ${minutes(turn.restLeftS)}`
                    : turn.id === next
                      ? 'next'
                      : 'ready';
        return (
          <button
            key={p.personId}
            type="button"
            aria-pressed={p.personId === active}
            onClick={() => onPick(p.personId)}
            className={`min-h-16 min-w-36 shrink-0 px-3 py-1 text-left leading-tight ${p.personId === active ? 'taped bg-paper' : 'border border-rule'}`}
          >
            <span className="block font-head font-semibold">{name}</span>
            <span className="block text-sm">
              <b className={words === 'next' || words === 'at work' ? 'text-tape' : 'font-semibold'}>
                {words}
              </b>
              <span className="text-soft">
                {steps.length > 0 &&
                  `, ${ofDay.length} ${ofDay.length === 1 ? 'set' : 'sets'}, ${done} of ${steps.length} done`}
                {p.ask && ', ask first'}
              </span>
            </span>
          </button>
        );
      })}
    </div>
  );
}
