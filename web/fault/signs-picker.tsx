import { useState } from 'react';
import { missingFelt, readFelt, SENSES, sensesOf, signsFor, viewsOf } from '../../core/fault/index.ts';
import type { FeltAt, Seen, Sense } from '../../core/fault/index.ts';
import { FELT_KINDS, PHASES, placeOfFelt, SIDES, VIEW_WORDS, VIEWS } from '../../core/terms/index.ts';
import type { FeltKind, Leg, Phase, View } from '../../core/terms/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { BodyMap, Choice, inSplitStance, LegChoice } from '../log/index.ts';
import { capital, Segmented } from '../ui/index.ts';
import { SignPicture } from './sign-picture.tsx';

interface Props {
  variation: ResolvedVariation;
  signs: readonly Seen[];
  felt: readonly FeltAt[];
  onSigns: (signs: Seen[]) => void;
  onFelt: (felt: FeltAt[]) => void;
}

/** What is seen, felt or heard: several at once. Signs are drawn on this variation. */
export function SignsPicker({ variation: v, signs, felt, onSigns, onFelt }: Props) {
  const [sense, setSense] = useState<Sense>('seen');
  const [view, setView] = useState<View | null>(null);
  const [phase, setPhase] = useState<Phase | null>(null);
  const all = v.faults.filter((f) => sensesOf(f).includes(sense));
  const views = VIEWS.filter((x) => all.some((f) => viewsOf(f, sense).includes(x)));
  const phases = PHASES.filter((x) => all.some((f) => f.phase === x));
  const shown = signsFor(v.faults, { sense, view, phase });
  const toggle = (fault: string) =>
    onSigns(
      signs.some((s) => s.fault === fault)
        ? signs.filter((s) => s.fault !== fault)
        : [...signs, { fault, side: null }],
    );
  return (
    <div>
      <Segmented
        label="How it shows"
        floor
        wide
        className="font-head"
        options={SENSES}
        value={sense}
        onPick={(s) => {
          setSense(s);
          setView(null);
          setPhase(null);
        }}
      >
        {capital}
      </Segmented>
      {sense === 'felt' && <Felt variation={v} felt={felt} onFelt={onFelt} />}
      {sense === 'seen' && (views.length > 1 || phases.length > 1) && (
        <div className="mt-2 flex flex-wrap gap-x-4">
          <Narrow label="From" options={views} words={VIEW_WORDS} value={view} onPick={setView} />
          <Narrow label="When" options={phases} value={phase} onPick={setPhase} />
        </div>
      )}
      {shown.length === 0 && (
        <p className="py-3 text-soft">
          {sense === 'felt'
            ? 'Tap the body: what is felt leads to the faults it goes with.'
            : 'No fault of this variation shows that way.'}
        </p>
      )}
      <ul className="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-3 xl:grid-cols-4" aria-label="Signs">
        {shown.map((f) => {
          const on = signs.some((s) => s.fault === f.slug);
          return (
            <li key={f.slug} className="flex">
              <button
                type="button"
                aria-pressed={on}
                onClick={() => toggle(f.slug)}
                className={`flex min-h-14 w-full flex-col justify-end gap-1 p-2 text-left leading-tight ${on ? 'taped bg-paper' : 'border border-rule'}`}
              >
                <SignPicture mechanics={v.mechanics} pattern={v.source.pattern} shows={f.shows} />
                <b className="font-head">{f.name}</b>
                <span className="text-sm text-soft">
                  {f.sign} ({f.views.map((x) => VIEW_WORDS[x]).join(', ')})
                </span>
                {f.severity === 3 && <span className="text-sm font-semibold text-warn">ends the set</span>}
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function Narrow<T extends string>({
  label,
  options,
  words,
  value,
  onPick,
}: {
  label: string;
  options: readonly T[];
  words?: Record<T, string>;
  value: T | null;
  onPick: (v: T | null) => void;
}) {
  if (options.length < 2) return null;
  return (
    <Segmented
      label={label}
      named
      floor
      options={options}
      value={value}
      onPick={(o) => onPick(o === value ? null : o)}
    >
      {(o) => (words?.[o] ?? o).replace(/^from the |^from /, '')}
    </Segmented>
  );
}

function Felt({ variation: v, felt, onFelt }: Pick<Props, 'variation' | 'felt' | 'onFelt'>) {
  const [kind, setKind] = useState<FeltKind>('work');
  const [leg, setLeg] = useState<Leg | null>(null);
  const missing = missingFelt(v.wanted, felt);
  return (
    <div className="mt-2">
      <Choice label="Felt as" options={FELT_KINDS} value={kind} onPick={setKind} />
      {inSplitStance(v) && <LegChoice value={leg} onPick={setLeg} />}
      {felt.length > 0 && missing.length > 0 && (
        <p className="mt-1">
          Looked for and not named: {missing.map((w) => `${w.kind}, ${placeOfFelt(w)}`).join('; ')}. Ask for
          it.
        </p>
      )}
      {felt.map((f) => {
        const { standing, suggests } = readFelt(v, f);
        return (
          <p key={`${placeOfFelt(f)} ${f.kind} ${f.side}`} className="mt-1">
            <b>
              {capital(f.kind)}, {placeOfFelt(f)}
              {f.side && ` ${f.side}`}
            </b>
            : {standing} here.{suggests && ` ${suggests}`}
          </p>
        );
      })}
      <div className="max-w-md">
        <BodyMap
          kind={kind}
          felt={felt}
          wanted={v.wanted.map((w) => w.region)}
          onTap={({ region, side }) => {
            const same = (f: FeltAt) =>
              f.region === region && f.kind === kind && f.side === side && (f.leg ?? null) === leg;
            onFelt(felt.some(same) ? felt.filter((f) => !same(f)) : [...felt, { region, kind, side, leg }]);
          }}
        />
      </div>
    </div>
  );
}

/** Which side a sign is on; asked until it is answered. */
export function SideQuestion({
  sign,
  name,
  sided,
  twoLegs,
  onSide,
}: {
  sign: Seen & { asked: boolean };
  name: string;
  /** False: it has no side, and none is asked for. */
  sided: boolean;
  twoLegs: boolean;
  onSide: (side: Seen['side']) => void;
}) {
  const options = twoLegs ? ([...SIDES, 'both'] as const) : SIDES;
  const value = sign.side ?? (sign.asked ? 'both' : null);
  if (!sided) return <p className="font-bold">{name}</p>;
  return (
    <div role="group" aria-label={`Side of ${name}`} className="mt-1 flex flex-wrap items-center gap-1">
      <span className="grow">
        <b>{name}</b>
        {value === null && <span className="text-soft">: which side?</span>}
      </span>
      {options.map((o) => (
        <button
          key={o}
          type="button"
          aria-pressed={value === o}
          onClick={() => onSide(o === 'both' ? null : o)}
          className={`min-h-14 border px-4 capitalize ${value === o ? 'border-tape bg-tape text-on-tape' : 'border-soft bg-paper'}`}
        >
          {o}
        </button>
      ))}
    </div>
  );
}
