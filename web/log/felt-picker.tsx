import { useState } from 'react';
import { FELT_KINDS, placeOfFelt, sameFelt } from '../../core/terms/index.ts';
import type { FeltKind, Leg, Region, Side } from '../../core/terms/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { legAt } from '../../core/log/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { Button } from '../ui/index.ts';
import { BodyMap } from './body-map.tsx';
import { Choice } from './floor-controls.tsx';
import { inSplitStance, LegChoice } from './leg-choice.tsx';

interface Props {
  value: LoggedSet['sensations'];
  variation: Pick<ResolvedVariation, 'wanted' | 'unwanted' | 'source'>;
  /** The side that works: in a split stance it is the one in front. */
  side: Side | null;
  onChange: (v: LoggedSet['sensations']) => void;
}

/** Where something is felt and as what: a kind, then taps on the body; unasked until the first tap. */
export function FeltPicker({ value, variation, side: working, onChange }: Props) {
  const split = inSplitStance(variation);
  const [told, setTold] = useState<Leg | null>(null);
  const [kind, setKind] = useState<FeltKind>(variation.wanted[0]?.kind ?? 'work');
  const felt = value ?? [];
  const tap = (region: Region, side: Side | null) => {
    const leg = split ? (told ?? legAt(side, working)) : null;
    const same = (f: (typeof felt)[number]) =>
      f.region === region && f.kind === kind && f.side === side && (f.leg ?? null) === leg;
    onChange(felt.some(same) ? felt.filter((f) => !same(f)) : [...felt, { region, kind, side, leg }]);
  };
  const bad = felt.flatMap((f) => variation.unwanted.filter((u) => sameFelt(u, f)));
  return (
    <fieldset>
      <legend className="label mb-1">
        Where is it felt, and as what?{' '}
        {value === null ? 'Not asked.' : value.length === 0 ? 'Asked: nothing.' : ''}
      </legend>
      <Choice label="Felt as" options={FELT_KINDS} value={kind} onPick={setKind} />
      {split && <LegChoice value={told} onPick={setTold} />}
      <p className="mt-1 text-sm text-soft">
        Tap where. A thick edge: where it should be felt. W work, S stretch, P pressure, ! pain.
      </p>
      <BodyMap
        kind={kind}
        felt={felt}
        wanted={variation.wanted.map((w) => w.region)}
        onTap={({ region, side }) => tap(region, side)}
      />
      <div className="mt-2 flex flex-wrap gap-2">
        {value === null && (
          <Button floor onClick={() => onChange([])}>
            Asked: nothing felt
          </Button>
        )}
      </div>
      <ul className="mt-2 flex flex-wrap gap-2">
        {felt.map((s, i) => (
          <li key={i}>
            <Button
              floor
              onClick={() => onChange(felt.filter((_, j) => j !== i))}
              aria-label={`Remove ${s.kind}, ${placeOfFelt(s)}`}
            >
              {s.kind}, {placeOfFelt(s)}
              {s.side && ` ${s.side}`} ✕
            </Button>
          </li>
        ))}
      </ul>
      {bad.map((u) => (
        <p key={`${placeOfFelt(u)} ${u.kind}`} className="mt-1 border-l-[6px] border-warn pl-3 text-warn">
          {u.kind} in the {placeOfFelt(u)} is not wanted here.{u.suggests && ` ${u.suggests}`}
        </p>
      ))}
    </fieldset>
  );
}
