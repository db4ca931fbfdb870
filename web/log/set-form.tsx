import { sidesApart, unevenSettings } from '../../core/terms/index.ts';
import { SET_FIELDS } from '../../core/log/index.ts';
import { useState } from 'react';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { Button } from '../ui/index.ts';
import { AidsPicker } from './aids-picker.tsx';
import { FaultCounts } from './fault-counts.tsx';
import { Scale, Toggle } from './floor-controls.tsx';
import { formOf, mostFaults } from './observed.ts';
import type { Observed } from './observed.ts';
import { PainPlace } from './pain-place.tsx';
import { Amounts, hasAids, MoreOfSet, OtherForm, SettingsOfSet, SideOfSet } from './set-fields.tsx';
import { Uneven } from './settings-picker.tsx';

interface Props {
  variation: ResolvedVariation;
  start: Observed;
  /** "Log set 2", or "Correct it". */
  action: string;
  onLog: (observed: Observed) => void;
  onCancel?: () => void;
}

/** One whole set on the floor: large targets, nothing that needs precision, unknown unless tapped. */
export function SetForm({ variation, start, action, onLog, onCancel }: Props) {
  const [set, setSet] = useState(start);
  const change = (part: Partial<Observed>) => setSet((now) => ({ ...now, ...part }));
  // Begun without a side, it is done by the clock on both.
  const oneSided = sidesApart(variation.source) && (onCancel !== undefined || start.side !== null);
  const uneven = unevenSettings(set.settings ?? []) !== null;

  // "Watched" is never assumed: each button says which it is, and stands where the eye is.
  const actions = (
    <div className="grid gap-2 sm:grid-cols-2">
      {set.settings && (
        <div className="sm:col-span-2">
          <Uneven value={set.settings} />
        </div>
      )}
      <Button
        floor
        tone="main"
        disabled={uneven}
        onClick={() => onLog({ ...set, watched: true })}
        className={onCancel ? '' : 'min-h-20 text-xl'}
      >
        {action}: watched, {set.faults.length ? 'faults as counted' : 'no fault'}
      </Button>
      <Button
        floor
        disabled={uneven}
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
            {SET_FIELDS.sideTest.label}
          </Toggle>
        </div>
      )}
      <Amounts variation={variation} set={set} onChange={change} />
      <OtherForm asked={onCancel ? variation.source.countedIn : formOf(start)} set={set} />

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

      <Scale label={SET_FIELDS.effort.label} value={set.effort} onPick={(effort) => change({ effort })} />
      <Scale label={SET_FIELDS.pain.label} value={set.pain} onPick={(pain) => change({ pain })} />
      {(set.pain ?? 0) > 0 && <PainPlace region={set.painRegion} side={set.painSide} onPick={change} />}
      {set.pain !== null && set.pain > 0 && (
        <p className="border-l-[6px] border-warn pl-3 font-semibold text-warn">
          Sharp or rising pain ends the set. Note where it is felt; refer if it does not settle.
        </p>
      )}
      {hasAids(variation, set) && (
        <AidsPicker variation={variation} value={set.aids} onChange={(aids) => change({ aids })} />
      )}
      <SettingsOfSet variation={variation} set={set} onChange={change} />
      <MoreOfSet variation={variation} set={set} onChange={change} />

      {actions}
    </form>
  );
}
