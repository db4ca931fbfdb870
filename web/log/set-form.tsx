import { useState } from 'react';
import type { ResolvedVariation } from '../../core/library/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import type { NextSet } from '../../core/ladder/index.ts';
import { takesLoad } from '../../core/sheets/index.ts';
import { Button } from '../ui/index.ts';
import { AidsPicker } from './aids-picker.tsx';
import { FaultCounts } from './fault-counts.tsx';
import { Scale, Toggle } from './floor-controls.tsx';
import { Amounts, hasAids, MoreOfSet, SideOfSet } from './set-fields.tsx';

/** What the form fills in; the rest of the set comes from where it is logged. */
export type Observed = Pick<
  LoggedSet,
  | 'doneReps'
  | 'holdS'
  | 'rounds'
  | 'side'
  | 'sideTest'
  | 'warmUp'
  | 'watched'
  | 'loadKg'
  | 'effort'
  | 'pain'
  | 'faults'
  | 'sensations'
  | 'atEase'
  | 'tempoKept'
  | 'rangeReached'
  | 'rangeDeg'
  | 'aids'
>;

/** The form before anything is seen: the next set as it is planned. */
export function startOf(v: ResolvedVariation, next: NextSet, sideTest = false): Observed {
  const { countedIn, dose, laterality } = v.source;
  const own = dose.at(-1);
  return {
    doneReps: countedIn === 'repetitions' ? (next.reps ?? own?.repsFrom ?? 10) : null,
    holdS: countedIn === 'seconds held' ? (next.holdS ?? own?.holdS ?? 20) : null,
    rounds: countedIn === 'rounds' ? (next.rounds ?? 2) : null,
    side: laterality === 'two legs' ? null : (next.side ?? 'left'),
    sideTest,
    warmUp: false,
    watched: true,
    loadKg: takesLoad(v.source) ? next.loadKg : null,
    effort: null,
    pain: null,
    faults: [],
    sensations: null,
    atEase: null,
    tempoKept: null,
    rangeReached: null,
    rangeDeg: null,
    aids: next.aids,
  };
}

/** How much was done, in what the set is counted in. */
export const withAmount = (
  set: Pick<Observed, 'doneReps' | 'holdS'>,
  n: number,
): Partial<Pick<Observed, 'doneReps' | 'holdS' | 'rounds'>> =>
  set.doneReps !== null ? { doneReps: n } : set.holdS !== null ? { holdS: n } : { rounds: n };

/** Faults cannot be counted more often than there are repetitions; where none are counted, as often as one likes. */
export const mostFaults = (set: Pick<Observed, 'doneReps'>) => set.doneReps ?? 500;

interface Props {
  variation: ResolvedVariation;
  start: Observed;
  seesHealth: boolean;
  /** "Log set 2", or "Correct it". */
  action: string;
  onLog: (observed: Observed) => void;
  onCancel?: () => void;
}

/** One whole set on the floor: large targets, nothing that needs precision, unknown unless tapped. */
export function SetForm({ variation, start, seesHealth, action, onLog, onCancel }: Props) {
  const [set, setSet] = useState(start);
  const change = (part: Partial<Observed>) => setSet((now) => ({ ...now, ...part }));
  const oneSided = variation.source.laterality !== 'two legs';

  // "Watched" is never assumed: each button says which it is, and stands where the eye is.
  const actions = (
    <div className="grid gap-2 sm:grid-cols-2">
      <Button
        floor
        tone="main"
        onClick={() => onLog({ ...set, watched: true })}
        className={onCancel ? '' : 'min-h-20 text-xl'}
      >
        {action}: watched, {set.faults.length ? 'faults as counted' : 'no fault'}
      </Button>
      <Button
        floor
        onClick={() => onLog({ ...set, watched: false, faults: [] })}
        className={onCancel ? '' : 'min-h-20'}
      >
        {action}: not watched
      </Button>
      {onCancel && (
        <Button floor tone="quiet" onClick={onCancel}>
          Leave as it was
        </Button>
      )}
    </div>
  );

  return (
    <form className="grid gap-5" onSubmit={(e) => e.preventDefault()}>
      {oneSided && (
        <div className="flex flex-wrap items-end gap-2">
          <SideOfSet set={set} onChange={change} />
          <Toggle on={set.sideTest} onChange={(sideTest) => change({ sideTest })}>
            Side test, to the first unclean one
          </Toggle>
        </div>
      )}
      <Amounts variation={variation} set={set} onChange={change} />

      {!onCancel && actions}

      <fieldset>
        <legend className="label mb-1">Faults seen (repetitions)</legend>
        <FaultCounts
          variation={variation}
          faults={set.faults}
          side={set.side}
          most={mostFaults(set)}
          onChange={(faults) => change({ faults })}
        />
      </fieldset>

      <Scale
        label="Effort, 0 to 10 (ask after the last set)"
        value={set.effort}
        onPick={(effort) => change({ effort })}
      />
      {seesHealth && (
        <Scale
          label="Pain, 0 to 10 (ask; 0 is no pain)"
          value={set.pain}
          onPick={(pain) => change({ pain })}
        />
      )}
      {set.pain !== null && set.pain > 0 && (
        <p className="border-l-[6px] border-warn pl-3 font-semibold text-warn">
          Sharp or rising pain ends the set. Note where it is felt; refer if it does not settle.
        </p>
      )}
      {hasAids(variation, set) && (
        <AidsPicker variation={variation} value={set.aids} onChange={(aids) => change({ aids })} />
      )}
      <MoreOfSet variation={variation} set={set} onChange={change} seesHealth={seesHealth} />

      {actions}
    </form>
  );
}
