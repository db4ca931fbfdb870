import type { CountedIn } from '../../core/terms/index.ts';
import { useState } from 'react';
import type { FeltAt } from '../../core/fault/index.ts';
import { STOPPING_PAIN } from '../../core/ladder/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { BodyMap, keepStop, Scale, Stepper } from '../log/index.ts';
import { Button } from '../ui/index.ts';

const BEFORE_IT: Record<CountedIn, string> = {
  repetitions: 'Repetitions done before it',
  'seconds held': 'Seconds held before it',
  rounds: 'Rounds done before it',
};

export interface Stopped {
  pain: number | null;
  felt: FeltAt[];
  /** Repetitions (or seconds, or rounds) done before it. */
  done: number;
  /** The set ends; else it was asked and there is none. */
  ends: boolean;
}

interface Props {
  /** Whose set it is; null: nobody is chosen. */
  of: { personId: string; date: string } | null;
  variation: ResolvedVariation;
  why: string | null;
  whenToStop: readonly string[];
  felt: readonly FeltAt[];
  done: number;
  onStop: (stopped: Stopped) => void;
  /** It was a slip of the finger. */
  onBack: () => void;
}

/** Pain or a stop fault: the caution, where and how strong, and the set is ended and recorded. */
export function StopPanel({
  of,
  variation: v,
  why,
  whenToStop,
  felt: before,
  done: planned,
  onStop,
  onBack,
}: Props) {
  const [pain, setPain] = useState<number | null>(null);
  const [felt, setFelt] = useState<FeltAt[]>([...before]);
  const [done, setDone] = useState(planned);
  const counted = v.source.countedIn;
  const { pattern } = v.source;
  const strong = pain !== null && pain >= STOPPING_PAIN;
  const end = () =>
    onStop({ pain, felt: pain === 0 ? felt.filter((f) => f.kind !== 'pain') : felt, done, ends: true });
  return (
    <div>
      <div role="alert" className="border-l-[6px] border-warn bg-paper px-4 py-3">
        {why && <p className="text-xl font-semibold text-warn">{why}</p>}
        {whenToStop.map((t) => (
          <p key={t} className="font-semibold">
            {t}
          </p>
        ))}
        <p>
          Sharp or rising pain ends the set. We do not name what it is: if it does not settle, a doctor or
          physiotherapist sees it first. Local rules and licensed practice stand above this.
        </p>
      </div>
      {v.cautions.length > 0 && (
        <details className="mt-2">
          <summary className="min-h-14 content-center font-head font-semibold">
            Cautions of this variation
          </summary>
          <ul>
            {v.cautions.map((c) => (
              <li key={c.slug}>
                <b>{c.name}:</b> {c.lines.join(' ')}
              </li>
            ))}
          </ul>
        </details>
      )}
      <div className="mt-3 grid gap-4">
        <Scale label="Pain, 0 to 10 (ask; 0 is no pain)" value={pain} onPick={setPain} />
        {strong && (
          <p className="border-l-[6px] border-warn pl-3 font-semibold text-warn">
            {STOPPING_PAIN} or more: once this is recorded, nothing at all is proposed until the head coach
            clears it on the word of a doctor or physiotherapist.
          </p>
        )}
        {pain !== null && pain > 0 && (
          <fieldset>
            <legend className="label">Where does it hurt? Tap it.</legend>
            <BodyMap
              kind="pain"
              felt={felt}
              wanted={[]}
              onTap={({ region, side }) => {
                const same = (f: FeltAt) => f.region === region && f.kind === 'pain' && f.side === side;
                setFelt(
                  felt.some(same) ? felt.filter((f) => !same(f)) : [...felt, { region, kind: 'pain', side }],
                );
              }}
            />
          </fieldset>
        )}
        <Stepper
          label={BEFORE_IT[counted]}
          value={done}
          step={counted === 'seconds held' ? 5 : 1}
          onChange={setDone}
        />
        <div className="sticky bottom-0 grid grid-cols-2 gap-2 bg-paper py-2">
          <Button floor tone="danger" className="col-span-2" onClick={end}>
            End the set and record it
          </Button>
          {of && !strong && (
            <Button
              floor
              className="px-2! text-base leading-tight"
              onClick={() => {
                keepStop({ ...of, reach: pattern, pain, words: '' });
                end();
              }}
            >
              Stop: no {pattern} until it is cleared
            </Button>
          )}
          {pain === 0 && why === null && (
            <Button floor onClick={() => onStop({ pain, felt: [], done, ends: false })}>
              No pain: go on
            </Button>
          )}
          <Button floor tone="quiet" onClick={onBack}>
            Tapped by mistake
          </Button>
        </div>
      </div>
    </div>
  );
}
