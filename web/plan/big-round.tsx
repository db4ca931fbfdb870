import type { Doing, Turn } from '../../core/plan/index.ts';
import { workWords } from '../log/index.ts';
import { tidy } from '../ui/index.ts';
import type { WallOf } from './wall.tsx';
import { placeName, turnWords } from './words.ts';

/** One round for a screen that is read across the hall: each place with its people, and whose turn it is. */
export function BigRound({ round, turns, ...of }: WallOf & { round: number; turns: readonly Turn[] }) {
  const { hour, plan, naming, notNow = [] } = of;
  const now = plan.rounds[round];
  if (!now) return null;
  const turnOf = new Map(turns.map((t) => [t.stint.piece, t]));
  const line = (d: Doing) => {
    const piece = hour.pieces[d.piece]!;
    const option = piece.options[d.option]!;
    const turn = turnOf.get(d.piece);
    if (notNow.includes(piece.id))
      return (
        <li key={d.piece} className="border-l-4 border-warn pl-2 leading-tight">
          <b className="text-2xl">{naming.person(piece.person)}</b>
          <span className="block text-xl font-bold text-warn">not now</span>
        </li>
      );
    return (
      <li key={d.piece} className={`leading-tight ${turn?.state === 'done' ? 'opacity-60' : ''}`}>
        <b className="text-2xl">{naming.person(piece.person)}</b>
        <span className="block">
          {option.name}
          {piece.target && `, ${workWords({ ...piece.target, sets: option.sets }, naming.unit, piece.sides)}`}
        </span>
        {turn && (
          <span className={`block text-xl ${turn.state === 'works' ? 'font-bold text-tape' : 'text-soft'}`}>
            {turnWords(turn)}
          </span>
        )}
      </li>
    );
  };
  const places = [...now.shared].sort((a, b) => a.kind - b.kind || a.number - b.number);
  return (
    <div className="columns-[20rem] gap-8">
      {places.map((s) => (
        <section key={`${s.kind} ${s.number}`} className="mb-5 break-inside-avoid border-t-4 border-ink pt-1">
          <h2>
            {placeName(hour.places[s.kind], s.number)}
            {s.heightM !== null && <span className="font-normal"> {tidy(100 * s.heightM)} cm</span>}
          </h2>
          <ul className="grid gap-2">{s.doing.map(line)}</ul>
        </section>
      ))}
      {now.floor.length > 0 && (
        <section className="border-t-4 border-ink pt-1">
          <h2>Floor</h2>
          <ul className="grid gap-2">{now.floor.map(line)}</ul>
        </section>
      )}
    </div>
  );
}
