import { aboutAtom, atomName, paramsOf, ATOM_KINDS, readsSets } from '../../../../core/criterion/index.ts';
import { Fragment } from 'react';
import type { ReactNode } from 'react';
import { aidWords, AID_WORDS, AIDS, FELT_KINDS, REGIONS } from '../../../../core/terms/index.ts';
import type { Atom, RuledAtom, RuledCriterion, Window } from '../../../../core/criterion/index.ts';
import type { Felt, RuledNumber } from '../../../../core/terms/index.ts';
import { Button } from '../../../ui/index.ts';
import type { EditContext } from './context.ts';
import { DocumentSelect } from './document-select.tsx';
import { EditRuled } from './edit-ruled.tsx';
import { LevelSelect } from './level-select.tsx';
import { NumberBox } from './number-box.tsx';

/** An atom as it is first put down. */
export const freshAtom = (kind: Atom['kind']): RuledAtom => ({ kind, ...aboutAtom(kind).blank }) as RuledAtom;

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
  const { main, either } = aboutAtom(atom.kind);
  const question = context.entries.find((e) => e.kind === 'houseQuestion' && !e.retired);
  return (
    <>
      <select
        aria-label="What is looked at"
        className="field w-56"
        value={atom.kind}
        onChange={(e) => onChange(wrap(freshAtom(e.target.value as Atom['kind'])))}
      >
        {ATOM_KINDS.map((k) => (
          <option key={k} value={k}>
            {atomName(k)}
          </option>
        ))}
      </select>
      <select
        aria-label="Reached or not"
        className="field w-36"
        value={not ? 'not' : 'yes'}
        onChange={(e) => onChange(wrap(atom, e.target.value === 'not'))}
      >
        <option value="yes">{either[0]}</option>
        <option value="not">{either[1]}</option>
      </select>
      <Parameters atom={atom} context={context} box={box} set={set} />
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

interface ParametersProps {
  atom: RuledAtom;
  context: EditContext;
  box: (label: string, key: string, min: number, max: number) => ReactNode;
  set: (part: object) => void;
}

/** The controls of an atom's parameters in a row of words, as its file puts them. */
function Parameters(of: ParametersProps) {
  return aboutAtom(of.atom.kind)
    .controls.split(/(\{\w+\})/)
    .map((part, i) => {
      const name = /^\{(\w+)\}$/.exec(part)?.[1];
      return <Fragment key={i}>{name ? <Parameter {...of} name={name} /> : part}</Fragment>;
    });
}

function Parameter({ name, atom, context, box, set }: ParametersProps & { name: string }) {
  const p = paramsOf(atom.kind)[name]!;
  const value = (atom as unknown as Record<string, unknown>)[name];
  switch (p.is) {
    case 'number':
      return box(p.label, name, p.from, p.to);
    case 'optional number':
      return (
        <>
          <select
            aria-label={p.question}
            className="field w-56"
            value={value === undefined ? 'without' : 'with'}
            onChange={(e) => set({ [name]: e.target.value === 'with' ? p.start : undefined })}
          >
            <option value="without">{p.without}</option>
            <option value="with">{p.with}</option>
          </select>
          {value !== undefined && (
            <>
              of {box(p.label, name, p.from, p.to)}
              {p.after}
            </>
          )}
        </>
      );
    case 'choice':
      return (
        <select
          aria-label={p.label}
          className="field w-44"
          value={String(value)}
          onChange={(e) => set({ [name]: p.of.find((o) => String(o) === e.target.value), ...p.resets })}
        >
          {p.of.map((o) => (
            <option key={o} value={o}>
              {p.word ? p.word(o as never) : o}
            </option>
          ))}
        </select>
      );
    case 'aid amount': {
      const aid = 'aid' in atom ? atom.aid : AIDS[0];
      return typeof value === 'number' ? (
        <select
          aria-label={p.label}
          className="field w-44"
          value={value}
          onChange={(e) => set({ [name]: Number(e.target.value) })}
        >
          {AID_WORDS[aid].map((_, n) => (
            <option key={n} value={n}>
              {aidWords(aid, n)}
            </option>
          ))}
        </select>
      ) : (
        box(p.label, name, p.from, p.to)
      );
    }
    case 'felt':
      return <Sensation felt={value as Felt | undefined} own={p.otherwise} set={set} />;
    case 'ladder':
      return <OtherLadder ladder={String(value)} context={context} set={set} />;
    case 'level':
      return (
        'ladder' in atom && (
          <LevelSelect
            aria-label="which level"
            ladder={atom.ladder}
            value={String(value)}
            onChange={(level) => set({ level })}
          />
        )
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

function OtherLadder({
  ladder,
  context,
  set,
}: {
  ladder: string;
  context: EditContext;
  set: (part: object) => void;
}) {
  return (
    <span className="w-52">
      <DocumentSelect
        aria-label="which ladder"
        kind="ladder"
        value={ladder}
        context={context}
        onChange={(slug) => set({ ladder: slug, level: '' })}
      />
    </span>
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
