import { X } from 'lucide-react';
import type { EntrySummary } from '../../../contract/library.ts';
import { ATOM_KINDS, isAtom, sentenceOf, wayOnSentence } from '../../../core/ladder/index.ts';
import type { RuledAtom, RuledCriterion, WayOn } from '../../../core/ladder/index.ts';
import { SEVERITIES, SEVERITY_WORDS } from '../../../core/library/index.ts';
import type { RuledNumber } from '../../../core/library/index.ts';
import { Button } from '../../ui/index.ts';
import type { EditContext } from './context.ts';
import { EditList } from './edit-list.tsx';
import { EditRuled } from './edit-ruled.tsx';

const NAMES: Record<RuledAtom['kind'], string> = {
  cleanReps: 'clean repetitions',
  holdS: 'seconds held',
  effortAtMost: 'effort',
  faultsAtMost: 'faults',
  painAtMost: 'pain',
  sideDifferenceAtMost: 'side difference',
};

const FRESH: Record<RuledAtom['kind'], RuledAtom> = {
  cleanReps: { kind: 'cleanReps', reps: 12, sets: 2 },
  holdS: { kind: 'holdS', seconds: 30, sets: 2 },
  effortAtMost: { kind: 'effortAtMost', effort: 7 },
  faultsAtMost: { kind: 'faultsAtMost', severity: 2, count: 0 },
  painAtMost: { kind: 'painAtMost', pain: 0 },
  // 10 %: the usual limit for limb symmetry in the return-to-sport literature.
  sideDifferenceAtMost: { kind: 'sideDifferenceAtMost', percent: 10 },
};

interface Props {
  value: RuledCriterion;
  /** In a step-back list the parts say when something is not reached. */
  negated: boolean;
  context: EditContext;
  onChange: (value: RuledCriterion) => void;
}

/** The criterion as a tree of controls, its sentence beside it. */
export function CriterionEditor({ value, negated, context, onChange }: Props) {
  return (
    <div className="grid gap-2 border-l-4 border-tape bg-paper p-3">
      <p aria-live="polite">
        <span className="label">In words: </span>
        {sentenceOf(value)}.
      </p>
      <Node value={value} negated={negated} context={context} onChange={onChange} />
    </div>
  );
}

const freshPart = (negated: boolean): RuledCriterion =>
  negated ? { kind: 'not', of: FRESH.cleanReps } : FRESH.cleanReps;

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
        in
        <NumberBox label="sessions running" value={run} min={1} max={10} onChange={setRun} />
        {run === 1 ? 'session' : 'sessions running'}
      </label>
      {remove}
    </div>
  );
}

function NumberBox({
  label,
  value,
  min,
  max,
  onChange,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  onChange: (n: number) => void;
}) {
  return (
    <input
      aria-label={label}
      type="number"
      className="field w-20"
      value={value}
      min={min}
      max={max}
      onChange={(e) => {
        const n = Number(e.target.value);
        if (e.target.value !== '' && n >= min && n <= max) onChange(n);
      }}
    />
  );
}

/** The number of each atom that a house rule may decide. */
const MAIN: Record<RuledAtom['kind'], string> = {
  cleanReps: 'reps',
  holdS: 'seconds',
  effortAtMost: 'effort',
  faultsAtMost: 'count',
  painAtMost: 'pain',
  sideDifferenceAtMost: 'percent',
};

function AtomControls({
  value,
  context,
  onChange,
}: {
  value: RuledCriterion;
  context: EditContext;
  onChange: (c: RuledCriterion) => void;
}) {
  const not = value.kind === 'not';
  const atom = (not ? value.of : value) as RuledAtom;
  const wrap = (a: RuledAtom, negate = not): RuledCriterion => (negate ? { kind: 'not', of: a } : a);
  const set = (part: object) => onChange(wrap({ ...atom, ...part }));
  const numbers = atom as unknown as Record<string, RuledNumber>;
  const box = (label: string, key: string, min: number, max: number) => {
    const n = numbers[key]!;
    return typeof n === 'number' ? (
      <NumberBox label={label} value={n} min={min} max={max} onChange={(x) => set({ [key]: x })} />
    ) : (
      <EditRuled
        value={n}
        label={label}
        context={context}
        onChange={(x) => x !== undefined && set({ [key]: x })}
      />
    );
  };
  const main = MAIN[atom.kind];
  const question = context.entries.find((e) => e.kind === 'houseQuestion' && !e.retired);
  return (
    <>
      <select
        aria-label="What is looked at"
        className="field w-48"
        value={atom.kind}
        onChange={(e) => onChange(wrap(FRESH[e.target.value as RuledAtom['kind']]))}
      >
        {ATOM_KINDS.map((k) => (
          <option key={k} value={k}>
            {NAMES[k]}
          </option>
        ))}
      </select>
      <select
        aria-label="Reached or not"
        className="field w-32"
        value={not ? 'not' : 'yes'}
        onChange={(e) => onChange(wrap(atom, e.target.value === 'not'))}
      >
        <option value="yes">
          {atom.kind === 'cleanReps' || atom.kind === 'holdS' ? 'at least' : 'at most'}
        </option>
        <option value="not">
          {atom.kind === 'cleanReps' || atom.kind === 'holdS' ? 'fewer than' : 'above'}
        </option>
      </select>
      {atom.kind === 'cleanReps' && (
        <>
          {box('sets', 'sets', 1, 20)} sets of {box('clean repetitions', 'reps', 1, 200)}
        </>
      )}
      {atom.kind === 'holdS' && (
        <>
          {box('holds', 'sets', 1, 20)} holds of {box('seconds', 'seconds', 1, 1800)} s
        </>
      )}
      {atom.kind === 'effortAtMost' && <>{box('effort', 'effort', 0, 10)} of 10</>}
      {atom.kind === 'painAtMost' && <>{box('pain', 'pain', 0, 10)} of 10</>}
      {atom.kind === 'sideDifferenceAtMost' && <>{box('percent', 'percent', 0, 100)} %</>}
      {atom.kind === 'faultsAtMost' && (
        <>
          {box('repetitions with faults', 'count', 0, 200)} repetitions, severity
          <select
            aria-label="severity"
            className="field w-32"
            value={atom.severity}
            onChange={(e) => set({ severity: Number(e.target.value) })}
          >
            {SEVERITIES.map((s) => (
              <option key={s} value={s}>
                {SEVERITY_WORDS[s]}
                {s < 3 ? ' or worse' : ''}
              </option>
            ))}
          </select>
        </>
      )}
      {question && typeof numbers[main] === 'number' && (
        <Button
          tone="quiet"
          className="text-sm"
          onClick={() =>
            set({
              [main]: { question: question.slug, byAnswer: {}, otherwise: numbers[main] },
            })
          }
        >
          by a house rule
        </Button>
      )}
    </>
  );
}

const WAYS: Record<WayOn['way'], WayOn> = {
  repetitions: { way: 'repetitions', step: 2, upTo: 15 },
  seconds: { way: 'seconds', step: 5, upTo: 40 },
  sets: { way: 'sets', step: 1, upTo: 4 },
  load: { way: 'load', stepKg: 2.5, upToKg: 40 },
  'slower lowering': { way: 'slower lowering', stepS: 1, upToS: 5 },
  'fewer aids': { way: 'fewer aids', aid: 'the pad' },
};

export function WaysOnEditor({
  value,
  equipment,
  onChange,
}: {
  value: WayOn[];
  equipment: EntrySummary[];
  onChange: (value: WayOn[]) => void;
}) {
  return (
    <EditList
      items={value}
      what="way on"
      fresh={() => WAYS.repetitions}
      onChange={onChange}
      errorAt={() => undefined}
      render={(w, i, set) => {
        const box = (label: string, key: string, max: number) => (
          <NumberBox
            label={`Way ${i + 1}: ${label}`}
            value={(w as unknown as Record<string, number>)[key]!}
            min={0}
            max={max}
            onChange={(n) => set({ ...w, [key]: n })}
          />
        );
        return (
          <div className="flex flex-wrap items-center gap-2">
            <select
              aria-label={`Way ${i + 1}`}
              className="field w-44"
              value={w.way}
              onChange={(e) => set(WAYS[e.target.value as WayOn['way']])}
            >
              {Object.keys(WAYS).map((k) => (
                <option key={k}>{k}</option>
              ))}
            </select>
            {'step' in w && (
              <>
                by {box('step', 'step', 120)} up to {box('most', 'upTo', 1800)}
              </>
            )}
            {w.way === 'load' && (
              <>
                by {box('step', 'stepKg', 100)} kg up to {box('most', 'upToKg', 500)} kg with
                <select
                  aria-label={`Way ${i + 1}: equipment`}
                  className="field w-44"
                  value={w.equipment ?? ''}
                  onChange={(e) => {
                    const { equipment: _old, ...rest } = w;
                    set(e.target.value ? { ...rest, equipment: e.target.value } : rest);
                  }}
                >
                  <option value="">any kit</option>
                  {equipment.map((e) => (
                    <option key={e.slug} value={e.slug}>
                      {e.title}
                    </option>
                  ))}
                </select>
              </>
            )}
            {w.way === 'slower lowering' && (
              <>
                by {box('step', 'stepS', 10)} s up to {box('most', 'upToS', 30)} s
              </>
            )}
            {w.way === 'fewer aids' && (
              <input
                aria-label={`Way ${i + 1}: aid`}
                className="field w-44"
                value={w.aid}
                onChange={(e) => set({ ...w, aid: e.target.value })}
              />
            )}
            <span className="text-sm text-soft">{wayOnSentence(w)}</span>
          </div>
        );
      }}
    />
  );
}
