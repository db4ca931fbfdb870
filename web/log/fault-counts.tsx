import { Minus, Plus } from 'lucide-react';
import type { ReactNode } from 'react';
import { SIDES } from '../../core/terms/index.ts';
import type { ResolvedFault, ResolvedVariation } from '../../core/library/index.ts';
import type { Side } from '../../core/terms/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { FAULT_LETTERS } from '../../core/sheets/index.ts';
import { Button } from '../ui/index.ts';

type Faults = LoggedSet['faults'];

/** One more, or one fewer, repetition with the fault; none takes it out. */
export function counted(faults: Faults, fault: string, by: number, side: Side | null, most: number): Faults {
  const before = faults.find((f) => f.fault === fault);
  const reps = Math.max(0, Math.min((before?.reps ?? 0) + by, most));
  const others = faults.filter((f) => f.fault !== fault);
  return reps ? [...others, { fault, side: before?.side ?? side, reps }] : others;
}

interface Props {
  variation: ResolvedVariation;
  faults: Faults;
  /** Side of the set; null where both work together. */
  side: Side | null;
  /** Repetitions of the set: a fault cannot be seen more often. */
  most: number;
  onChange: (faults: Faults) => void;
  /** Letters that count them, at a desk. */
  keys?: boolean;
  picture?: (fault: ResolvedFault) => ReactNode;
}

/** The faults of a variation, each to be counted in repetitions, with its side where both legs work. */
export function FaultCounts({ variation, faults, side, most, onChange, keys = false, picture }: Props) {
  const oneSided = variation.source.laterality !== 'two legs';
  return (
    <ul className="border-t border-rule">
      {variation.faults.map((f, i) => {
        const seen = faults.find((x) => x.fault === f.slug);
        const reps = seen?.reps ?? 0;
        return (
          <li key={f.slug} className="flex flex-wrap items-stretch gap-x-2 border-b border-rule">
            {/* The whole row counts one more: a thumb finds it without looking. */}
            <button
              type="button"
              aria-label={`One more: ${f.name}${reps > 0 ? `, ${reps} so far` : ''}`}
              className="flex min-h-14 min-w-40 grow basis-0 items-center gap-2 py-1 text-left"
              onClick={() => onChange(counted(faults, f.slug, 1, side, most))}
            >
              {picture && <span className="w-16 shrink-0 sm:w-24">{picture(f)}</span>}
              <span className="grow text-lg leading-tight">
                {keys && <kbd className="mr-2 hidden text-sm text-soft lg:inline">{FAULT_LETTERS[i]}</kbd>}
                {f.name}
                {f.severity === 3 && <span className="ml-2 font-semibold text-warn">ends the set</span>}
                {f.severity === 1 && <span className="ml-2 text-soft">only noted</span>}
              </span>
              <span className={`w-9 text-center text-3xl ${reps ? 'font-bold' : 'text-soft'}`}>{reps}</span>
              <Plus aria-hidden="true" size={20} className="shrink-0" />
            </button>
            {reps > 0 && !oneSided && (
              <select
                aria-label={`Side of ${f.name}`}
                className="field min-h-14 w-28 self-center"
                value={seen?.side ?? ''}
                onChange={(e) =>
                  onChange(
                    faults.map((x) =>
                      x.fault === f.slug ? { ...x, side: (e.target.value || null) as Side | null } : x,
                    ),
                  )
                }
              >
                <option value="">both</option>
                {SIDES.map((s) => (
                  <option key={s}>{s}</option>
                ))}
              </select>
            )}
            {reps > 0 && (
              <Button
                floor
                className="self-center"
                aria-label={`One fewer: ${f.name}`}
                onClick={() => onChange(counted(faults, f.slug, -1, side, most))}
              >
                <Minus aria-hidden="true" size={20} />
              </Button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
