import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { DragEndEvent } from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical, Redo2, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { EntrySummary } from '../../contract/library.ts';
import type { Person } from '../../contract/people.ts';
import {
  addEqual,
  factsOf,
  insertLevel,
  makeMain,
  moveLevel,
  moveVariation,
  splitLevel,
  takeOff,
} from '../../core/ladder/index.ts';
import { blankLevel } from '../../core/library/index.ts';
import type { Ladder, Level } from '../../core/library/index.ts';
import { EditFields, LEVEL } from '../library/index.ts';
import { Refused, useAsk, useSend, useSigned } from '../shell/index.ts';
import { Button, Notice, TextField, typing } from '../ui/index.ts';
import { entryId, useSearch } from '../workers/index.ts';
import { Elevation } from './elevation.tsx';
import { ladderProfile } from './profile.tsx';
import { useLevelNames } from './use-ladder.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { TryOn } from './try-on.tsx';

interface Props {
  ladder: Ladder;
  revision: number;
  standing: ReadonlyMap<number, Person[]>;
  /** The level to begin with. */
  level: string;
  onDone: () => void;
}

const NONE: EntrySummary[] = [];

/** The ladder taken apart and put together: order, steps, variations, criteria; nothing is in force until it is kept. */
export function StairsDesk({ ladder, revision, standing, level: first, onDone }: Props) {
  const { me } = useSigned();
  const library = useAsk('library');
  const entries = library.data?.entries ?? NONE;
  const send = useSend('saveDocument', { kind: 'ladder', slug: ladder.slug });
  const nameOf = useLevelNames();
  const [past, setPast] = useState<Ladder[]>([]);
  const [now, setNow] = useState(ladder);
  const [future, setFuture] = useState<Ladder[]>([]);
  const [chosen, setChosen] = useState(first);
  const [reason, setReason] = useState('');
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const change = (next: Ladder) => {
    if (next === now) return;
    setPast([...past, now]);
    setFuture([]);
    setNow(next);
  };
  const undo = () => {
    const before = past.at(-1);
    if (!before) return;
    setPast(past.slice(0, -1));
    setFuture([now, ...future]);
    setNow(before);
  };
  const redo = () => {
    const [next, ...rest] = future;
    if (!next) return;
    setPast([...past, now]);
    setFuture(rest);
    setNow(next);
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (typing(e.target) || !(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z') return;
      e.preventDefault();
      if (e.shiftKey) redo();
      else undo();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  });

  const level = now.levels.find((l) => l.id === chosen) ?? now.levels[0];
  const profile = useMemo(() => ladderProfile(now, entries, REFERENCE_BUILD), [now, entries]);
  const title = (slug: string) =>
    entries.find((e) => e.kind === 'variation' && e.slug === slug)?.title ?? slug;
  // Who stands where goes with the step, wherever it is put.
  const people = useMemo(() => {
    const byId = new Map(ladder.levels.map((l, i) => [l.id, standing.get(i + 1) ?? []]));
    return new Map(now.levels.map((l, i) => [i + 1, byId.get(l.id) ?? []]));
  }, [ladder, now, standing]);
  const errors = new Map(
    send.error instanceof Refused
      ? (send.error.problem.errors ?? []).map((e) => [e.field.replace(/^body\./, ''), e.detail])
      : [],
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const to = over ? String(over.id).replace(/^level /, '') : null;
    if (to === null) return;
    const [kind, from, slug] = String(active.id).split(' ');
    const at = (id: string | undefined) => now.levels.findIndex((l) => l.id === id);
    if (kind === 'variation' && from && slug) change(moveVariation(now, slug, from, to));
    else if (from !== to) change(moveLevel(now, at(from), at(to)));
  };
  const index = level ? now.levels.indexOf(level) : 0;

  return (
    <section aria-label="Change the stairs" className="mt-3">
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <div className="flex flex-wrap items-center gap-2">
        <Button disabled={past.length === 0} onClick={undo} aria-keyshortcuts="Control+Z">
          <Undo2 aria-hidden="true" size={16} /> Undo
        </Button>
        <Button disabled={future.length === 0} onClick={redo}>
          <Redo2 aria-hidden="true" size={16} /> Redo
        </Button>
        <span className="text-sm text-soft">
          {past.length === 0
            ? 'Drag a step or a variation, or use the arrows and lists. Nothing is in force yet.'
            : `${past.length} ${past.length === 1 ? 'change' : 'changes'}, none in force yet.`}
        </span>
      </div>
      <Elevation
        nameOf={nameOf}
        ladder={now}
        standing={people}
        entries={entries}
        profile={profile.steps}
        chosen={level?.id}
        onChoose={setChosen}
      />
      <div className="mt-3 grid gap-6 xl:grid-cols-[26rem_1fr]">
        <div>
          {level && (
            <Insert
              entries={entries}
              ladder={now}
              level={level}
              number={index + 1}
              onStep={(slug, name) => {
                const next = insertLevel(now, index + 1, slug, name, blankLevel('', ''));
                change(next);
                setChosen(next.levels[index + 1]!.id);
              }}
              onEqual={(slug) => change(addEqual(now, level.id, slug))}
            />
          )}
          <DndContext
            sensors={sensors}
            collisionDetection={closestCenter}
            onDragEnd={onDragEnd}
            accessibility={{
              screenReaderInstructions: {
                draggable:
                  'Space takes it up, the arrow keys move it, space again puts it down, Escape leaves it.',
              },
            }}
          >
            <SortableContext
              items={now.levels.map((l) => `level ${l.id}`)}
              strategy={verticalListSortingStrategy}
            >
              <ol aria-label="Steps, from the easiest">
                {now.levels.map((l, i) => (
                  <Step
                    key={l.id}
                    level={l}
                    number={i + 1}
                    on={l === level}
                    first={i === 0}
                    last={i === now.levels.length - 1}
                    title={title}
                    onPick={() => setChosen(l.id)}
                    onMove={(by) => change(moveLevel(now, i, i + by))}
                  />
                ))}
              </ol>
            </SortableContext>
          </DndContext>
        </div>
        {level && (
          <div className="min-w-0">
            <h2 className="text-xl">
              Step {index + 1}: {level.name}
            </h2>
            <OnStep
              ladder={now}
              level={level}
              title={title}
              onChange={change}
              onSplit={(slug) => change(splitLevel(now, level.id, slug, title(slug)))}
            />
            <TryOn ladder={now} level={level.id} />
            <LevelFields
              key={level.id}
              level={level}
              index={index}
              entries={entries}
              errors={errors}
              onChange={(next) => change({ ...now, levels: now.levels.map((l) => (l === level ? next : l)) })}
            />
          </div>
        )}
      </div>
      <form
        className="sticky bottom-0 z-10 mt-4 flex flex-wrap items-end gap-3 border-t border-ink bg-ground py-3"
        onSubmit={(e) => {
          e.preventDefault();
          send.mutate({ body: now, base: revision, reason }, { onSuccess: onDone });
        }}
      >
        <TextField
          label="Why this change"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          className="grow"
        />
        <Button type="submit" tone="main" disabled={send.isPending || past.length === 0}>
          {me.role === 'head coach' ? 'Put in force' : 'Propose'}
        </Button>
        <Button
          tone="quiet"
          onClick={() => {
            if (
              past.length === 0 ||
              confirm(`Leave ${past.length} ${past.length === 1 ? 'change' : 'changes'} behind?`)
            )
              onDone();
          }}
        >
          Leave as it was
        </Button>
      </form>
    </section>
  );
}

function Step({
  level,
  number,
  on,
  first,
  last,
  title,
  onPick,
  onMove,
}: {
  level: Level;
  number: number;
  on: boolean;
  first: boolean;
  last: boolean;
  title: (slug: string) => string;
  onPick: () => void;
  onMove: (by: number) => void;
}) {
  const {
    attributes,
    listeners,
    setNodeRef,
    setActivatorNodeRef,
    transform,
    transition,
    isDragging,
    isOver,
  } = useSortable({ id: `level ${level.id}` });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`mb-1 flex items-start gap-1 border-l-4 py-1 ${on ? 'border-tape bg-paper' : 'border-rule'} ${isDragging ? 'relative z-10 bg-paper' : ''} ${isOver ? 'outline-2 outline-tape' : ''}`}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Drag step ${number}, ${level.name}`}
        className="flex min-h-9 w-7 shrink-0 cursor-grab touch-none items-center justify-center text-soft"
      >
        <GripVertical aria-hidden="true" size={16} />
      </button>
      <div className="min-w-0 grow">
        <button
          type="button"
          aria-pressed={on}
          onClick={onPick}
          className="block w-full text-left font-semibold"
        >
          {number}. {level.name}
        </button>
        <div className="flex flex-wrap gap-1">
          {[level.main, ...level.equals].map((slug) => (
            <Chip
              key={slug}
              id={`variation ${level.id} ${slug}`}
              main={slug === level.main}
              name={title(slug)}
            />
          ))}
        </div>
      </div>
      <Button
        tone="quiet"
        aria-label={`Move step ${number} down the stairs`}
        disabled={first}
        onClick={() => onMove(-1)}
      >
        <ArrowUp aria-hidden="true" size={16} />
      </Button>
      <Button
        tone="quiet"
        aria-label={`Move step ${number} up the stairs`}
        disabled={last}
        onClick={() => onMove(1)}
      >
        <ArrowDown aria-hidden="true" size={16} />
      </Button>
    </li>
  );
}

function Chip({ id, main, name }: { id: string; main: boolean; name: string }) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id });
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      style={{ transform: CSS.Translate.toString(transform) }}
      className={`min-h-7 cursor-grab touch-none border px-2 text-sm ${main ? 'border-ink font-semibold' : 'border-rule text-soft'} ${isDragging ? 'relative z-20 bg-paper' : 'bg-ground'}`}
    >
      {name}
    </button>
  );
}

/** The variations of a step, side by side, and what can be done with each. */
function OnStep({
  ladder,
  level,
  title,
  onChange,
  onSplit,
}: {
  ladder: Ladder;
  level: Level;
  title: (slug: string) => string;
  onChange: (ladder: Ladder) => void;
  onSplit: (slug: string) => void;
}) {
  const act = (slug: string, what: string) => {
    if (what === 'main') onChange(makeMain(ladder, level.id, slug));
    else if (what === 'split') onSplit(slug);
    else if (what === 'off') onChange(takeOff(ladder, level.id, slug));
    else if (what) onChange(moveVariation(ladder, slug, level.id, what));
  };
  const alone = level.equals.length === 0;
  return (
    <ul className="my-2 grid gap-1 sm:grid-cols-2">
      {[level.main, ...level.equals].map((slug) => (
        <li key={slug} className="flex flex-wrap items-center gap-2 border-b border-rule py-1">
          <span className={`grow ${slug === level.main ? 'font-semibold' : ''}`}>
            {title(slug)}
            {slug !== level.main && <span className="text-soft"> (equal)</span>}
          </span>
          <select
            aria-label={`What to do with ${title(slug)}`}
            className="field w-44"
            value=""
            onChange={(e) => act(slug, e.target.value)}
          >
            <option value="">do …</option>
            {slug !== level.main && <option value="main">make it the main one</option>}
            {!alone && <option value="split">give it a step of its own</option>}
            {ladder.levels.map((l, i) =>
              l.id === level.id ? null : (
                <option key={l.id} value={l.id}>
                  move to step {i + 1}, {l.name}
                </option>
              ),
            )}
            <option value="off">take it off the ladder</option>
          </select>
        </li>
      ))}
    </ul>
  );
}

const MOST_OFFERED = 8;

/** A variation of the library found by its words, and put on the stairs. */
function Insert({
  entries,
  ladder,
  level,
  number,
  onStep,
  onEqual,
}: {
  entries: readonly EntrySummary[];
  ladder: Ladder;
  level: Level;
  number: number;
  onStep: (slug: string, name: string) => void;
  onEqual: (slug: string) => void;
}) {
  const [text, setText] = useState('');
  const found = useSearch(entries, text).found ?? [];
  const byId = useMemo(() => new Map(entries.map((e) => [entryId(e), e])), [entries]);
  const there = new Set(ladder.levels.flatMap((l) => [l.main, ...l.equals]));
  const offered = found
    .flatMap((f) => byId.get(f.id) ?? [])
    .filter((e) => e.kind === 'variation' && !e.retired && !there.has(e.slug))
    .slice(0, MOST_OFFERED);
  return (
    <div className="mb-3">
      <TextField
        label="Put a variation of the library on the stairs"
        type="search"
        placeholder="a name, a cue, a piece of kit"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      {text.trim() !== '' && offered.length === 0 && (
        <p className="py-1 text-soft">Nothing that is not on the stairs already. Try fewer letters.</p>
      )}
      <ul aria-label="Found in the library">
        {offered.map((e) => (
          <li key={e.slug} className="flex flex-wrap items-center gap-2 border-b border-rule py-1">
            <span className="grow">
              {e.title} {e.pattern !== ladder.pattern && <span className="text-soft">({e.pattern})</span>}
            </span>
            <Button onClick={() => onStep(e.slug, e.title)}>Step after {number}</Button>
            <Button onClick={() => onEqual(e.slug)} aria-label={`${e.title}: equal of ${level.name}`}>
              Equal of {number}
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The fields of a level, with what its variation can never show told beside the criteria. */
export function LevelFields({
  level,
  index,
  entries,
  errors,
  onChange,
}: {
  level: Level;
  index: number;
  entries: EntrySummary[];
  errors: ReadonlyMap<string, string>;
  onChange: (level: Level) => void;
}) {
  const sheet = useAsk('sheet', level.main ? { slug: level.main, stage: level.stage } : null);
  const facts = useMemo(() => (sheet.data ? factsOf(sheet.data.resolved) : undefined), [sheet.data]);
  return (
    <EditFields
      fields={LEVEL}
      value={level}
      path={`levels[${index}]`}
      context={{ entries, errors, ...(facts ? { facts } : {}) }}
      onChange={(v) => onChange(v as unknown as Level)}
    />
  );
}
