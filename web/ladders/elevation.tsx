import { Link } from 'react-router';
import type { Person } from '../../contract/people.ts';
import type { Ladder } from '../../core/library/index.ts';

interface Props {
  ladder: Ladder;
  standing: ReadonlyMap<number, Person[]>;
  chosen?: string;
  onChoose?: (level: string) => void;
}

const RISE_REM = 1.9;

/** Stairs in level order, drawn like a section: treads of floor tape, who stands on them above. */
export function Elevation({ ladder, standing, chosen, onChoose }: Props) {
  return (
    <ol
      aria-label={`Levels of the ladder ${ladder.name}, from the easiest`}
      className="flex items-end overflow-x-auto border-b-2 border-ink pt-2"
    >
      {ladder.levels.map((level, i) => {
        const people = standing.get(i + 1) ?? [];
        const own = level.id === chosen;
        const inner = (
          <>
            <span className="block font-head text-2xl leading-none font-bold">{i + 1}</span>
            <span className={`block leading-tight ${own ? 'font-bold' : 'font-semibold'}`}>{level.name}</span>
            <span className="block text-sm text-soft">{level.stage}</span>
          </>
        );
        return (
          <li key={level.id} className="flex min-w-32 flex-1 flex-col justify-end">
            <ul className="px-2 pb-1 text-sm leading-tight">
              {people.map((p) => (
                <li key={p.id}>
                  <Link className="inline-block min-h-6 no-underline hover:underline" to={`/people/${p.id}`}>
                    {p.name}
                  </Link>
                </li>
              ))}
            </ul>
            <div
              className={`border-t-[7px] ${i > 0 ? 'border-l' : ''} ${own ? 'border-tape bg-paper' : 'border-ink'} border-l-ink`}
              style={{ minHeight: `${5.2 + i * RISE_REM}rem` }}
            >
              {onChoose ? (
                <button
                  type="button"
                  aria-pressed={own}
                  onClick={() => onChoose(level.id)}
                  className="block w-full px-2 py-2 text-left hover:bg-paper"
                >
                  {inner}
                </button>
              ) : (
                <div className="px-2 py-2">{inner}</div>
              )}
            </div>
          </li>
        );
      })}
    </ol>
  );
}
