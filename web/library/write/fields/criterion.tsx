import { X } from 'lucide-react';
import {
  canBeMet,
  evidenceNeeded,
  isAtom,
  leavesOf,
  neverMet,
  READY_TO_ADVANCE,
  READY_TO_STEP_BACK,
  sentenceOf,
} from '../../../../core/criterion/index.ts';
import type { RuledCriterion } from '../../../../core/criterion/index.ts';
import { Button, capital } from '../../../ui/index.ts';
import type { EditContext } from './context.ts';
import { AtomControls, freshAtom } from './criterion-atom.tsx';
import { NumberBox } from './number-box.tsx';

interface Props {
  value: RuledCriterion;
  /** In a step-back list the parts say when something is not reached. */
  negated: boolean;
  context: EditContext;
  onChange: (value: RuledCriterion) => void;
}

/** The criterion as a tree of controls, with its sentence, what it needs to be logged, and what can never be shown. */
export function CriterionEditor({ value, negated, context, onChange }: Props) {
  const ready = negated ? READY_TO_STEP_BACK : READY_TO_ADVANCE;
  const needed = [...new Set(leavesOf(value).flatMap(evidenceNeeded))];
  const never = context.facts ? [...new Set(neverMet(value, context.facts).map((n) => n.why))] : [];
  const stuck = context.facts !== undefined && !negated && !canBeMet(value, context.facts);
  return (
    <div className="grid gap-2 border-l-4 border-tape bg-paper p-3">
      <p aria-live="polite">
        <span className="label">In words: </span>
        {capital(sentenceOf(value))}.
      </p>
      {never.length > 0 && (
        <p className="font-semibold text-warn" role="status">
          {stuck ? 'Nobody can ever meet this. ' : 'A part of this never counts. '}
          {never.join(' ')}
        </p>
      )}
      <Node value={value} negated={negated} context={context} onChange={onChange} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-soft">
        <label className="flex items-center gap-2">
          Start from
          <select
            aria-label={negated ? 'Start stepping back from' : 'Start moving up from'}
            className="field w-64"
            value=""
            onChange={(e) => {
              const chosen = ready.find((r) => r.name === e.target.value);
              if (chosen) onChange(chosen.criterion);
            }}
          >
            <option value="">a ready-made set …</option>
            {ready.map((r) => (
              <option key={r.name}>{r.name}</option>
            ))}
          </select>
        </label>
        <span>Needs on record: {needed.join(', ')}.</span>
      </div>
    </div>
  );
}

const freshPart = (negated: boolean): RuledCriterion =>
  negated ? { kind: 'not', of: freshAtom('cleanReps') } : freshAtom('cleanReps');

function Node({ value: c, negated, context, onChange, onRemove }: Props & { onRemove?: () => void }) {
  const remove = onRemove && (
    <Button tone="quiet" aria-label="Remove this part" onClick={onRemove}>
      <X aria-hidden="true" size={16} />
    </Button>
  );
  if (c.kind === 'all' || c.kind === 'any') {
    return (
      <div>
        <div className="flex items-center gap-2">
          <select
            aria-label="All or any"
            className="field max-w-44"
            value={c.kind}
            onChange={(e) => onChange({ ...c, kind: e.target.value as 'all' | 'any' })}
          >
            <option value="all">all of these</option>
            <option value="any">any of these</option>
          </select>
          {remove}
        </div>
        <ul className="mt-1 grid gap-1 border-l-2 border-rule pl-3">
          {c.of.map((part, i) => (
            <li key={i}>
              <Node
                value={part}
                negated={negated}
                context={context}
                onChange={(p) => onChange({ ...c, of: c.of.map((x, j) => (j === i ? p : x)) })}
                onRemove={
                  c.of.length > 1 ? () => onChange({ ...c, of: c.of.filter((_, j) => j !== i) }) : undefined
                }
              />
            </li>
          ))}
        </ul>
        <div className="mt-1 flex gap-2 pl-3">
          <Button onClick={() => onChange({ ...c, of: [...c.of, freshPart(negated)] })}>Add a part</Button>
          <Button
            tone="quiet"
            onClick={() =>
              onChange({
                ...c,
                of: [...c.of, { kind: c.kind === 'all' ? 'any' : 'all', of: [freshPart(negated)] }],
              })
            }
          >
            Add a group
          </Button>
        </div>
      </div>
    );
  }
  const run = c.kind === 'sessionsRunning' ? c.sessions : 1;
  const inner = c.kind === 'sessionsRunning' ? c.of : c;
  const setInner = (of: RuledCriterion) => onChange(c.kind === 'sessionsRunning' ? { ...c, of } : of);
  const setRun = (n: number) => onChange(n > 1 ? { kind: 'sessionsRunning', sessions: n, of: inner } : inner);
  return (
    <div className="flex flex-wrap items-center gap-2">
      {inner.kind === 'not' || isAtom(inner) ? (
        <AtomControls value={inner} context={context} onChange={setInner} />
      ) : (
        <div className="w-full">
          <Node value={inner} negated={negated} context={context} onChange={setInner} />
        </div>
      )}
      <label className="flex items-center gap-1">
        held in
        <NumberBox label="sessions running" value={run} min={1} max={10} onChange={setRun} />
        {run === 1 ? 'session' : 'sessions running'}
      </label>
      {inner.kind !== 'all' && inner.kind !== 'any' && (
        <Button
          tone="quiet"
          className="text-sm"
          onClick={() => setInner({ kind: 'all', of: [inner, freshPart(negated)] })}
        >
          and also
        </Button>
      )}
      {remove}
    </div>
  );
}
