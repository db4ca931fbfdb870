import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { Eye, EyeOff } from 'lucide-react';
import type { ReactNode } from 'react';
import type { BarKit } from '../../core/kit/index.ts';
import type { NeededPiece } from '../../core/floor/index.ts';
import { plateChange, standingOf } from '../../core/plan/index.ts';
import type { Doing, Hour, HourPlan, LaidOutRound, Shared, Turn, Watcher } from '../../core/plan/index.ts';
import { mass, tidy } from '../ui/index.ts';
import { targetWords, usedLine } from '../log/index.ts';
import type { useNaming } from './naming.ts';
import { placeName, turnWords } from './words.ts';

export interface WallOf {
  hour: Omit<Hour, 'pieces'> & { pieces: readonly NeededPiece[] };
  plan: HourPlan;
  laid: readonly LaidOutRound[];
  watchers: readonly Watcher[];
  bar: BarKit | null;
  naming: ReturnType<typeof useNaming>;
  /** Pieces of which nothing is done now: they were stopped or barred after the plan. */
  notNow?: readonly string[];
}

interface Props extends WallOf {
  /** What stands over each round: its times. */
  heads: readonly string[];
  /** The round that is on. */
  on?: number | null;
  /** Who does what at this moment, in the round that is on. */
  turns?: readonly Turn[];
  onPick?: (piece: number) => void;
  /** Somebody was dragged: to a round, and to a place of a kind or the floor. */
  onMove?: (piece: number, to: { round: number; at: string | null }) => void;
}

/** Rounds across, places down, and who is in them. */
export function HourWall({ heads, on = null, turns = [], onPick, onMove, ...of }: Props) {
  const { hour, plan } = of;
  // By keyboard somebody is moved in the dialog that their button opens.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const rows = hour.places.flatMap((_, k) =>
    [...new Set(plan.rounds.flatMap((r) => r.shared.flatMap((s) => (s.kind === k ? [s.number] : []))))]
      .sort((a, b) => a - b)
      .map((number) => ({ kind: k, number })),
  );
  const turnOf = new Map(turns.map((t) => [t.stint.piece, t]));
  const item = (d: Doing, round: number) => (
    <Person
      key={d.piece}
      of={of}
      d={d}
      round={round}
      turn={round === on ? turnOf.get(d.piece) : undefined}
      onPick={onPick}
      mayMove={onMove !== undefined}
    />
  );
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        if (!over || !onMove) return;
        const [round, ...at] = String(over.id).split(' ');
        onMove(Number(active.id), { round: Number(round), at: at.join(' ') || null });
      }}
    >
      <div className="overflow-x-auto print:overflow-visible">
        <table className={`w-full min-w-[48rem] table-fixed border-collapse print:min-w-0 text-[0.95rem]`}>
          <thead>
            <tr className="border-b-2 border-ink text-left align-bottom">
              <th scope="col" className="w-32 py-1 pr-3 font-head">
                Place
              </th>
              {heads.map((head, i) => (
                <th
                  key={i}
                  scope="col"
                  className={`px-2 py-1 font-head ${i === on ? 'border-b-[6px] border-tape' : ''}`}
                >
                  Round {i + 1} <span className="block text-sm font-normal text-soft">{head}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ kind, number }) => (
              <tr key={`${kind} ${number}`} className="border-b border-rule align-top">
                <th scope="row" className="py-2 pr-3 text-left font-head font-semibold">
                  {placeName(hour.places[kind], number)}
                </th>
                {plan.rounds.map((round, i) => {
                  const here = round.shared.find((s) => s.kind === kind && s.number === number);
                  const before = lastThere(plan, kind, number, i);
                  return (
                    <Cell key={i} id={`${i} ${hour.places[kind]!.id}`} on={i === on}>
                      {here && (
                        <>
                          <SetUp of={of} here={here} before={before} round={i} />
                          <ul>{here.doing.map((d) => item(d, i))}</ul>
                        </>
                      )}
                    </Cell>
                  );
                })}
              </tr>
            ))}
            <tr className="border-b border-rule align-top">
              <th scope="row" className="py-2 pr-3 text-left font-head font-semibold">
                Floor
              </th>
              {plan.rounds.map((round, i) => (
                <Cell key={i} id={`${i} `} on={i === on}>
                  <ul>{round.floor.map((d) => item(d, i))}</ul>
                </Cell>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
    </DndContext>
  );
}

function Cell({ id, on, children }: { id: string; on: boolean; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <td
      ref={setNodeRef}
      className={`px-2 py-2 ${on ? 'bg-paper' : ''} ${isOver ? 'outline-2 outline-tape' : ''}`}
    >
      {children}
    </td>
  );
}

const lastThere = (plan: HourPlan, kind: number, number: number, round: number): Shared | null => {
  for (let i = round - 1; i >= 0; i--) {
    const found = plan.rounds[i]!.shared.find((s) => s.kind === kind && s.number === number);
    if (found) return found;
  }
  return null;
};

/** What is set at a place before its group begins, and what is changed for it. */
function SetUp({
  of,
  here,
  before,
  round,
}: {
  of: WallOf;
  here: Shared;
  before: Shared | null;
  round: number;
}) {
  const { hour, bar, naming } = of;
  const kind = hour.places[here.kind]!;
  if (kind.form === 'box' && here.heightM !== null)
    return <p className="text-sm text-soft">{tidy(here.heightM * 100)} cm</p>;
  if (kind.form !== 'rack' && kind.form !== 'bench') return null;
  const now = standingOf({ hour }, here);
  const was = before && standingOf({ hour }, before);
  const notes: string[] = [];
  if (was && was.notch !== null && now.notch !== null && was.notch !== now.notch)
    notes.push(`hooks ${Math.abs(now.notch - was.notch) * 5} cm ${now.notch > was.notch ? 'up' : 'down'}`);
  if (bar && now.firstKg !== null && (was === null || was.lastKg !== now.firstKg)) {
    const change = plateWords(bar, was?.lastKg ?? null, now.firstKg);
    if (change) notes.push(change);
  }
  if (notes.length === 0 && !(round === 0 && now.firstKg !== null)) return null;
  return (
    <p className="text-sm text-soft">
      {round === 0 && now.firstKg !== null ? `Begin with ${mass(now.firstKg, naming.unit)}` : ''}
      {round === 0 && notes.length > 0 && now.firstKg !== null ? ': ' : ''}
      {round === 0 || before === null ? notes.join('; ') : `Change: ${notes.join('; ')}`}
    </p>
  );
}

/** "plates each side 5 off, 10 + 2.5 on"; null: as it is. */
function plateWords(kit: BarKit, fromKg: number | null, toKg: number): string | null {
  const change = plateChange(kit, fromKg, toKg);
  if (!change) return null;
  const list = (masses: readonly number[], how: string) =>
    masses.length ? `${masses.map((m) => tidy(m / 1000, 3)).join(' + ')} ${how}` : '';
  const words = [list(change.off, 'off'), list(change.on, 'on')].filter(Boolean);
  return words.length ? `plates each side ${words.join(', ')}` : null;
}

function Person({
  of,
  d,
  round,
  turn,
  onPick,
  mayMove,
}: {
  of: WallOf;
  d: Doing;
  round: number;
  turn: Turn | undefined;
  onPick: Props['onPick'];
  mayMove: boolean;
}) {
  const { hour, laid, watchers, naming, notNow = [] } = of;
  const piece = hour.pieces[d.piece]!;
  const option = piece.options[d.option]!;
  const stint = laid[round]?.stints.find((s) => s.piece === d.piece);
  const wanted = stint?.sets.filter((s) => s.wanted) ?? [];
  const seen = wanted.filter((s) => s.seenBy !== null);
  const by = [...new Set(seen.map((s) => watchers[s.seenBy!]?.name ?? ''))].join(', ');
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: String(d.piece),
    disabled: !mayMove,
  });
  if (notNow.includes(piece.id))
    return (
      <li className="border-l-4 border-warn py-0.5 pl-2 leading-tight">
        <span className="font-semibold">{naming.person(piece.person)}</span>{' '}
        <span className="font-semibold text-warn">not now: stopped or barred</span>{' '}
        <span className="text-soft line-through">{option.name}</span>
      </li>
    );
  const settings = usedLine({ settings: piece.settings }, naming.units);
  const body = (
    <>
      <span className="font-semibold">{naming.person(piece.person)}</span>{' '}
      <span className="text-soft">
        {option.name}
        {piece.target && `, ${targetWords({ ...piece.target, sets: option.sets }, naming.unit, piece.sides)}`}
        {option.at !== null && settings && `, ${settings}`}
      </span>
      {wanted.length > 0 && (
        <span
          className={`ml-1 inline-flex items-center gap-1 text-sm ${seen.length < wanted.length ? 'text-warn' : 'text-soft'}`}
        >
          {seen.length < wanted.length ? (
            <EyeOff aria-hidden="true" size={14} />
          ) : (
            <Eye aria-hidden="true" size={14} />
          )}
          {seen.length < wanted.length
            ? `${seen.length} of ${wanted.length} sets seen`
            : watchers.length > 1
              ? `${by} watches`
              : 'watched'}
        </span>
      )}
      {turn && (
        <span className={`block ${turn.state === 'works' ? 'font-bold text-tape' : 'text-soft'}`}>
          {turnWords(turn)}
        </span>
      )}
    </>
  );
  const style = transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined;
  return (
    <li
      ref={setNodeRef}
      style={style}
      className={`py-0.5 leading-tight ${isDragging ? 'relative z-20 bg-paper opacity-80' : ''}`}
    >
      {onPick ? (
        <button
          type="button"
          className="text-left hover:underline"
          onClick={() => onPick(d.piece)}
          {...listeners}
        >
          {body}
        </button>
      ) : (
        body
      )}
    </li>
  );
}
