import type { ReactNode } from 'react';
import {
  aidWords,
  AID_WORDS,
  AIDS,
  FELT_KINDS,
  REGIONS,
  SEVERITIES,
  SEVERITY_WORDS,
  SIGNERS,
} from '../../../core/terms/index.ts';
import { ATOM_KINDS, ATOM_NAMES, LOAD_UNITS, readsSets } from '../../../core/criterion/index.ts';
import type { Atom, LoadUnit, RuledAtom, RuledCriterion, Window } from '../../../core/criterion/index.ts';
import type { Aid, Felt, RuledNumber } from '../../../core/terms/index.ts';
import { useAsk } from '../../shell/index.ts';
import { Button } from '../../ui/index.ts';
import type { EditContext } from './context.ts';
import { DocumentSelect } from './document-select.tsx';
import { EditRuled } from './edit-ruled.tsx';
import { NumberBox } from './number-box.tsx';

/** Each atom as it is first put down; the numbers are common practice, to be changed. */
export const FRESH: { [K in Atom['kind']]: RuledAtom & { kind: K } } = {
  cleanReps: { kind: 'cleanReps', reps: 12, sets: 2 },
  holdS: { kind: 'holdS', seconds: 30, sets: 2 },
  cleanRounds: { kind: 'cleanRounds', rounds: 5, sets: 1 },
  load: { kind: 'load', load: 20, unit: 'kg', reps: 8, sets: 2 },
  effortAtMost: { kind: 'effortAtMost', effort: 7 },
  tempoKept: { kind: 'tempoKept', percent: 80 },
  rangeReached: { kind: 'rangeReached', sets: 2 },
  faultsAtMost: { kind: 'faultsAtMost', severity: 2, count: 0 },
  felt: { kind: 'felt', sets: 1 },
  notFelt: { kind: 'notFelt' },
  painAtMost: { kind: 'painAtMost', pain: 0 },
  aidsAtMost: { kind: 'aidsAtMost', aid: 'pads', most: 0 },
  easeAtLeast: { kind: 'easeAtLeast', ease: 7 },
  // 10 %: the usual limit for limb symmetry in the return-to-sport literature.
  sideDifferenceAtMost: { kind: 'sideDifferenceAtMost', percent: 10 },
  sessionsHere: { kind: 'sessionsHere', sessions: 3 },
  daysHere: { kind: 'daysHere', days: 14 },
  levelHeld: { kind: 'levelHeld', ladder: '', level: '' },
  signedOff: { kind: 'signedOff', by: 'coach' },
};

/** The number of each atom that a house rule may decide. */
const MAIN: Partial<Record<Atom['kind'], string>> = {
  cleanReps: 'reps',
  holdS: 'seconds',
  cleanRounds: 'rounds',
  load: 'load',
  effortAtMost: 'effort',
  tempoKept: 'percent',
  rangeReached: 'sets',
  faultsAtMost: 'count',
  painAtMost: 'pain',
  easeAtLeast: 'ease',
  sideDifferenceAtMost: 'percent',
};

/** How an atom reads as it is wanted, and turned round. */
const EITHER: Record<Atom['kind'], [is: string, not: string]> = {
  cleanReps: ['at least', 'fewer than'],
  holdS: ['at least', 'fewer than'],
  cleanRounds: ['at least', 'fewer than'],
  load: ['at least', 'fewer than'],
  effortAtMost: ['at most', 'above'],
  tempoKept: ['in at least', 'in under'],
  rangeReached: ['in at least', 'in fewer than'],
  faultsAtMost: ['at most', 'more than'],
  felt: ['in at least', 'in fewer than'],
  notFelt: ['is so', 'is not so'],
  painAtMost: ['at most', 'above'],
  aidsAtMost: ['at most', 'more than'],
  easeAtLeast: ['at least', 'below'],
  sideDifferenceAtMost: ['within', 'more than'],
  sessionsHere: ['at least', 'fewer than'],
  daysHere: ['at least', 'fewer than'],
  levelHeld: ['is held', 'is not held'],
  signedOff: ['is given', 'is not given'],
};

interface Props {
  value: RuledCriterion;
  context: EditContext;
  onChange: (c: RuledCriterion) => void;
}

/** One atom, turned round or not: what is looked at, how much of it, and over which window. */
export function AtomControls({ value, context, onChange }: Props) {
  const not = value.kind === 'not';
  const atom = (not ? value.of : value) as RuledAtom;
  const wrap = (a: RuledAtom, negate = not): RuledCriterion => (negate ? { kind: 'not', of: a } : a);
  const set = (part: object) =>
    onChange(
      wrap(
        Object.fromEntries(
          Object.entries({ ...atom, ...part }).filter(([, v]) => v !== undefined),
        ) as unknown as RuledAtom,
      ),
    );
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
        className="field w-56"
        value={atom.kind}
        onChange={(e) => onChange(wrap(FRESH[e.target.value as Atom['kind']]))}
      >
        {ATOM_KINDS.map((k) => (
          <option key={k} value={k}>
            {ATOM_NAMES[k]}
          </option>
        ))}
      </select>
      <select
        aria-label="Reached or not"
        className="field w-36"
        value={not ? 'not' : 'yes'}
        onChange={(e) => onChange(wrap(atom, e.target.value === 'not'))}
      >
        <option value="yes">{EITHER[atom.kind][0]}</option>
        <option value="not">{EITHER[atom.kind][1]}</option>
      </select>
      <Amounts atom={atom} context={context} box={box} set={set} />
      {readsSets(atom) && <WindowControls atom={atom} set={set} />}
      {question && main && typeof numbers[main] === 'number' && (
        <Button
          tone="quiet"
          className="text-sm"
          onClick={() => set({ [main]: { question: question.slug, byAnswer: {}, otherwise: numbers[main] } })}
        >
          by a house rule
        </Button>
      )}
    </>
  );
}

function Amounts({
  atom,
  context,
  box,
  set,
}: {
  atom: RuledAtom;
  context: EditContext;
  box: (label: string, key: string, min: number, max: number) => ReactNode;
  set: (part: object) => void;
}) {
  switch (atom.kind) {
    case 'cleanReps':
      return (
        <>
          {box('sets', 'sets', 1, 20)} sets of {box('clean repetitions', 'reps', 1, 200)}
        </>
      );
    case 'holdS':
      return (
        <>
          {box('holds', 'sets', 1, 20)} holds of {box('seconds', 'seconds', 1, 1800)} s
        </>
      );
    case 'cleanRounds':
      return (
        <>
          {box('sets', 'sets', 1, 20)} sets of {box('clean rounds', 'rounds', 1, 50)} rounds
        </>
      );
    case 'load':
      return (
        <>
          {box('sets', 'sets', 1, 20)} sets of {box('clean repetitions', 'reps', 1, 200)} with{' '}
          {box('load', 'load', 0.25, 500)}
          <select
            aria-label="load in"
            className="field w-40"
            value={atom.unit}
            onChange={(e) => set({ unit: e.target.value as LoadUnit })}
          >
            {LOAD_UNITS.map((u) => (
              <option key={u}>{u}</option>
            ))}
          </select>
        </>
      );
    case 'effortAtMost':
      return <>{box('effort', 'effort', 0, 10)} of 10</>;
    case 'painAtMost':
      return <>{box('pain', 'pain', 0, 10)} of 10</>;
    case 'easeAtLeast':
      return <>{box('at ease', 'ease', 0, 10)} of 10</>;
    case 'tempoKept':
      return <>{box('percent of sets', 'percent', 1, 100)} % of sets</>;
    case 'rangeReached':
      return (
        <>
          {box('sets', 'sets', 1, 20)} sets
          <select
            aria-label="which range"
            className="field w-56"
            value={atom.degrees === undefined ? 'target' : 'angle'}
            onChange={(e) => set({ degrees: e.target.value === 'angle' ? 90 : undefined })}
          >
            <option value="target">to the variation’s target</option>
            <option value="angle">to a measured angle</option>
          </select>
          {atom.degrees !== undefined && <>of {box('degrees', 'degrees', 1, 200)}°</>}
        </>
      );
    case 'faultsAtMost':
      return (
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
      );
    case 'felt':
      return (
        <>
          {box('sets', 'sets', 1, 20)} sets:{' '}
          <Sensation felt={atom.felt} own="as the variation wants" set={set} />
        </>
      );
    case 'notFelt':
      return <Sensation felt={atom.felt} own="anything it calls unwanted" set={set} />;
    case 'aidsAtMost':
      return (
        <>
          <select
            aria-label="which aid"
            className="field w-40"
            value={atom.aid}
            onChange={(e) => set({ aid: e.target.value as Aid, most: 0 })}
          >
            {AIDS.map((a) => (
              <option key={a}>{a}</option>
            ))}
          </select>
          {typeof atom.most === 'number' ? (
            <select
              aria-label="how much of it"
              className="field w-44"
              value={atom.most}
              onChange={(e) => set({ most: Number(e.target.value) })}
            >
              {AID_WORDS[atom.aid].map((_, n) => (
                <option key={n} value={n}>
                  {aidWords(atom.aid, n)}
                </option>
              ))}
            </select>
          ) : (
            box('how much of it', 'most', 0, 6)
          )}
        </>
      );
    case 'sideDifferenceAtMost':
      return <>{box('percent apart', 'percent', 0, 100)} % of each other (side test of the last 28 days)</>;
    case 'sessionsHere':
      return <>{box('sessions', 'sessions', 1, 100)} sessions</>;
    case 'daysHere':
      return <>{box('days', 'days', 1, 730)} days</>;
    case 'levelHeld':
      return <LevelElsewhere ladder={atom.ladder} level={atom.level} context={context} set={set} />;
    case 'signedOff':
      return (
        <select
          aria-label="signed off by"
          className="field w-44"
          value={atom.by}
          onChange={(e) => set({ by: e.target.value })}
        >
          {SIGNERS.map((s) => (
            <option key={s} value={s}>
              {s === 'coach' ? 'by a coach' : 'by the head coach'}
            </option>
          ))}
        </select>
      );
  }
}

function Sensation({
  felt,
  own,
  set,
}: {
  felt: Felt | undefined;
  own: string;
  set: (part: { felt: Felt | undefined }) => void;
}) {
  return (
    <>
      <select
        aria-label="what is felt"
        className="field w-56"
        value={felt?.kind ?? ''}
        onChange={(e) =>
          set({
            felt: e.target.value
              ? { region: felt?.region ?? 'back of hip', kind: e.target.value as Felt['kind'] }
              : undefined,
          })
        }
      >
        <option value="">{own}</option>
        {FELT_KINDS.map((k) => (
          <option key={k}>{k}</option>
        ))}
      </select>
      {felt && (
        <select
          aria-label="where it is felt"
          className="field w-48"
          value={felt.region}
          onChange={(e) => set({ felt: { ...felt, region: e.target.value as Felt['region'] } })}
        >
          {REGIONS.map((r) => (
            <option key={r}>{r}</option>
          ))}
        </select>
      )}
    </>
  );
}

function LevelElsewhere({
  ladder,
  level,
  context,
  set,
}: {
  ladder: string;
  level: string;
  context: EditContext;
  set: (part: object) => void;
}) {
  const found = useAsk('document', ladder ? { kind: 'ladder', slug: ladder } : null);
  const levels = found.data?.body.kind === 'ladder' ? found.data.body.levels : [];
  return (
    <>
      <span className="w-52">
        <DocumentSelect
          aria-label="which ladder"
          kind="ladder"
          value={ladder}
          context={context}
          onChange={(slug) => set({ ladder: slug, level: '' })}
        />
      </span>
      <select
        aria-label="which level"
        className="field w-52"
        value={level}
        onChange={(e) => set({ level: e.target.value })}
      >
        <option value="">choose a level …</option>
        {levels.map((l, i) => (
          <option key={l.id} value={l.id}>
            {i + 1}. {l.name}
          </option>
        ))}
        {level && !levels.some((l) => l.id === level) && <option value={level}>{level}</option>}
      </select>
    </>
  );
}

const WINDOW_WORDS: Record<Window['over'] | 'session', string> = {
  session: 'in one session',
  set: 'in the last set',
  sessions: 'over the last sessions',
  days: 'in the last days',
};

function WindowControls({ atom, set }: { atom: RuledAtom; set: (part: object) => void }) {
  const within = 'within' in atom ? atom.within : undefined;
  const pick = (over: string) => {
    if (over === 'session') set({ within: undefined });
    else if (over === 'set') set({ within: { over }, ...('sets' in atom ? { sets: 1 } : {}) });
    else set({ within: { over, last: over === 'sessions' ? 3 : 14 } });
  };
  return (
    <>
      <select
        aria-label="looked at"
        className="field w-52"
        value={within?.over ?? 'session'}
        onChange={(e) => pick(e.target.value)}
      >
        {Object.entries(WINDOW_WORDS).map(([over, words]) => (
          <option key={over} value={over}>
            {words}
          </option>
        ))}
      </select>
      {within && within.over !== 'set' && (
        <NumberBox
          label={within.over === 'sessions' ? 'how many sessions' : 'how many days'}
          value={within.last}
          min={within.over === 'sessions' ? 2 : 1}
          max={within.over === 'sessions' ? 20 : 365}
          onChange={(last) => set({ within: { ...within, last } })}
        />
      )}
    </>
  );
}
