import { useDraggable } from '@dnd-kit/core';
import { CSS } from '@dnd-kit/utilities';
import { Redo2, Undo2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { EntrySummary } from '../../contract/library.ts';
import type { Person } from '../../contract/people.ts';
import {
  addEqual,
  branchOff,
  factsOf,
  insertLevel,
  makeMain,
  moveLevel,
  moveVariation,
  putBack,
  splitLevel,
  takeOff,
} from '../../core/ladder/index.ts';
import { blankLevel, LEVEL } from '../../core/library/index.ts';
import type { Ladder, Level } from '../../core/library/index.ts';
import { EditFields, slugFrom } from '../library/index.ts';
import { Refused, useAsk, useLibrary, useSend, useSigned } from '../shell/index.ts';
import {
  Button,
  Notice,
  SelectField,
  TextField,
  SortableList,
  SortableRow,
  useHistory,
  useKeys,
} from '../ui/index.ts';
import { entryId, useSearch } from '../workers/index.ts';
import { Elevation } from './elevation.tsx';
import { ladderProfile } from './profile.tsx';
import { useLadder, useLevelNames } from './use-ladder.ts';
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

/** The stairs as they are being changed, and what was taken off them as branches. */
interface Parts {
  ladder: Ladder;
  branches: readonly Ladder[];
}

/** The ladder taken apart and put together: order, steps, variations, criteria; nothing is in force until it is kept. */
export function StairsDesk({ ladder, revision, standing, level: first, onDone }: Props) {
  const { me } = useSigned();
  const { entries, titleOf } = useLibrary();
  const send = useSend('saveDocument', { kind: 'ladder', slug: ladder.slug });
  const nameOf = useLevelNames();
  const { now: kept, steps, ahead, change: step, undo, redo } = useHistory<Parts>({ ladder, branches: [] });
  const now = kept.ladder;
  const change = (next: Ladder) => step((was) => (next === was.ladder ? was : { ...was, ladder: next }));
  const [chosen, setChosen] = useState(first);
  const [reason, setReason] = useState('');
  useKeys({ 'mod z': undo, 'mod shift z': redo });

  const level = now.levels.find((l) => l.id === chosen) ?? now.levels[0];
  const profile = useMemo(() => ladderProfile(now, entries, REFERENCE_BUILD), [now, entries]);
  const title = (slug: string) => titleOf('variation', slug);
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
  const onDrop = (dropped: string, on: string) => {
    const [kind, from, slug] = dropped.split(' ');
    if (kind !== 'variation' || !from || !slug) return false;
    change(moveVariation(now, slug, from, on.replace(/^level /, '')));
    return true;
  };
  const index = level ? now.levels.indexOf(level) : 0;

  return (
    <section aria-label="Change the stairs" className="mt-3">
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <div className="flex flex-wrap items-center gap-2">
        <Button disabled={steps === 0} onClick={undo} aria-keyshortcuts="Control+Z">
          <Undo2 aria-hidden="true" size={16} /> Undo
        </Button>
        <Button disabled={ahead === 0} onClick={redo}>
          <Redo2 aria-hidden="true" size={16} /> Redo
        </Button>
        <span className="text-sm text-soft">
          {steps === 0
            ? 'Drag a step or a variation, or use the arrows and lists. Nothing is in force yet.'
            : `${steps} ${steps === 1 ? 'change' : 'changes'}, none in force yet.`}
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
      {kept.branches.map((b) => (
        <p key={b.slug} className="mt-2 border-l-[7px] border-ink pl-3">
          Branch {b.name}: {b.levels.map((l) => l.name).join(', ')}. Put in force along with the stairs.
        </p>
      ))}
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
          <SortableList
            label="Steps, from the easiest"
            items={now.levels}
            idOf={(l) => `level ${l.id}`}
            nameOf={(l, i) => `step ${i + 1}, ${l.name}`}
            onMove={(from, to) => change(moveLevel(now, from, to))}
            onDrop={onDrop}
          >
            {(l, i) => (
              <SortableRow
                key={l.id}
                id={`level ${l.id}`}
                what={`step ${i + 1}`}
                named={l.name}
                first={i === 0}
                last={i === now.levels.length - 1}
                up="down the stairs"
                down="up the stairs"
                chosen={l === level}
                className="mb-1 border-l-4 py-1"
                onMove={(by) => change(moveLevel(now, i, i + by))}
              >
                <Step
                  level={l}
                  number={i + 1}
                  on={l === level}
                  title={title}
                  onPick={() => setChosen(l.id)}
                />
              </SortableRow>
            )}
          </SortableList>
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
            {ladder.branchOf ? (
              <PutBack
                branch={ladder}
                revision={revision}
                reason={reason}
                onDone={onDone}
                disabled={steps > 0}
              />
            ) : (
              index > 0 &&
              index < now.levels.length - 1 && (
                <BranchOff
                  key={`branch ${level.id}`}
                  levels={now.levels.slice(index, -1)}
                  standing={people}
                  number={index + 1}
                  taken={entries.flatMap((e) => (e.kind === 'ladder' ? [e.slug] : []))}
                  onTake={(to, slug, name) => {
                    const parts = branchOff(now, { from: level.id, to }, slug, name);
                    if (parts) step({ ladder: parts.trunk, branches: [...kept.branches, parts.branch] });
                  }}
                />
              )
            )}
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
          const also = kept.branches.map((b) => ({ body: b, base: 0 }));
          send.mutate(
            { body: now, base: revision, reason, ...(also.length > 0 ? { also } : {}) },
            { onSuccess: onDone },
          );
        }}
      >
        <TextField
          label="Why this change"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          className="grow"
        />
        <Button type="submit" tone="main" disabled={send.isPending || steps === 0}>
          {me.role === 'head coach' ? 'Put in force' : 'Propose'}
        </Button>
        <Button
          tone="quiet"
          onClick={() => {
            if (steps === 0 || confirm(`Leave ${steps} ${steps === 1 ? 'change' : 'changes'} behind?`))
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
  title,
  onPick,
}: {
  level: Level;
  number: number;
  on: boolean;
  title: (slug: string) => string;
  onPick: () => void;
}) {
  return (
    <>
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
    </>
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

/** A step, or some that lie together, taken off as a branch of their own. */
function BranchOff({
  levels,
  standing,
  number,
  taken,
  onTake,
}: {
  /** From the step at hand on; the top stays on the trunk. */
  levels: readonly Level[];
  standing: ReadonlyMap<number, Person[]>;
  number: number;
  taken: readonly string[];
  onTake: (to: string, slug: string, name: string) => void;
}) {
  const [name, setName] = useState('');
  const [to, setTo] = useState(levels[0]!.id);
  const slug = slugFrom(name);
  const free = slug !== '' && !taken.includes(`${slug}-ladder`);
  const last = Math.max(
    0,
    levels.findIndex((l) => l.id === to),
  );
  const people = levels.slice(0, last + 1).flatMap((_, i) => standing.get(number + i) ?? []);
  return (
    <details className="my-2">
      <summary>Take it off as a branch</summary>
      <form
        className="mt-1 flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (free && people.length === 0) onTake(to, `${slug}-ladder`, name.trim());
        }}
      >
        <SelectField label="As far as" value={to} onChange={(e) => setTo(e.target.value)}>
          {levels.map((l, i) => (
            <option key={l.id} value={l.id}>
              step {number + i}, {l.name}
            </option>
          ))}
        </SelectField>
        <TextField
          label="Name of the branch"
          value={name}
          onChange={(e) => setName(e.target.value)}
          error={slug !== '' && !free ? 'There is a ladder of that name.' : undefined}
        />
        <Button type="submit" disabled={!free || people.length > 0}>
          Take it off
        </Button>
      </form>
      {people.length > 0 && (
        <p className="mt-1 text-soft">
          {people.map((p) => p.name).join(', ')} {people.length === 1 ? 'stands' : 'stand'} there: move them
          first.
        </p>
      )}
    </details>
  );
}

/** The steps of a branch put back onto the trunk; the branch is retired with it. */
function PutBack({
  branch,
  revision,
  reason,
  disabled,
  onDone,
}: {
  branch: Ladder;
  revision: number;
  reason: string;
  disabled: boolean;
  onDone: () => void;
}) {
  const { me } = useSigned();
  const navigate = useNavigate();
  const { ladder: slug } = branch.branchOf!;
  const query = useLadder(slug);
  const send = useSend('saveDocument', { kind: 'ladder', slug });
  const trunk = query.data;
  const parts = trunk && putBack(trunk.ladder, branch);
  return (
    <div className="my-2">
      <Button
        disabled={!parts || disabled || send.isPending}
        onClick={() => {
          if (!parts) return;
          const also = [{ body: parts.branch, base: revision }];
          send.mutate(
            { body: parts.trunk, base: trunk.revision, reason, also },
            {
              onSuccess: () => {
                onDone();
                void navigate(`/ladders/${slug}`);
              },
            },
          );
        }}
      >
        {me.role === 'head coach' ? 'Put these steps' : 'Propose to put these steps'} back onto{' '}
        {trunk?.ladder.name ?? 'the trunk'}
      </Button>
      {disabled && <p className="text-sm text-soft">Keep or leave the changes first.</p>}
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
    </div>
  );
}
