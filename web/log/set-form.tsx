import { Minus, Plus } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { SIDES } from '../../core/library/index.ts';
import type { ResolvedVariation, Side } from '../../core/library/index.ts';
import { aidsOf } from '../../core/ladder/index.ts';
import type { LoggedSet, NextSet } from '../../core/ladder/index.ts';
import { FAULT_LETTERS, takesLoad } from '../../core/sheets/index.ts';
import { useUnits } from '../shell/index.ts';
import { Button, fromMass, tidy, toMass, typing } from '../ui/index.ts';
import { AidsPicker } from './aids-picker.tsx';
import { FeltPicker } from './felt-picker.tsx';
import { Choice, Scale, Stepper, Toggle, YesNo } from './floor-controls.tsx';

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

interface Props {
  variation: ResolvedVariation;
  start: Observed;
  seesHealth: boolean;
  /** "Log set 2", or "Correct it". */
  action: string;
  onLog: (observed: Observed) => void;
  onCancel?: () => void;
  /** A side test goes on from set to set until it is put off. */
  onSideTest?: (on: boolean) => void;
  /** Number keys give the amount, letters a fault, Enter logs it as watched. */
  keys?: boolean;
}

/** Digits typed within this time belong to one number. */
const ONE_NUMBER_MS = 1200;

/** One set on the floor: large targets, nothing that needs precision, unknown unless tapped. */
export function SetForm({
  variation,
  start,
  seesHealth,
  action,
  onLog,
  onCancel,
  onSideTest,
  keys = false,
}: Props) {
  const [set, setSet] = useState(start);
  const units = useUnits();
  const change = (part: Partial<Observed>) => setSet((now) => ({ ...now, ...part }));
  const oneSided = variation.source.laterality !== 'two legs';
  const loaded = takesLoad(variation.source);
  const hasAids = aidsOf(variation.source).length > 0 || (set.aids?.length ?? 0) > 0;

  const countFault = (fault: string, by: number) =>
    setSet((now) => {
      const before = now.faults.find((f) => f.fault === fault);
      const reps = Math.max(0, Math.min((before?.reps ?? 0) + by, now.doneReps ?? 500));
      const others = now.faults.filter((f) => f.fault !== fault);
      return {
        ...now,
        faults: reps ? [...others, { fault, side: before?.side ?? now.side, reps }] : others,
      };
    });
  const faultSide = (fault: string, side: Side | null) =>
    change({ faults: set.faults.map((f) => (f.fault === fault ? { ...f, side } : f)) });

  const typed = useRef({ text: '', at: 0 });
  useEffect(() => {
    if (!keys) return;
    const onKey = (e: KeyboardEvent) => {
      if (typing(e.target) || e.ctrlKey || e.metaKey || e.altKey) return;
      if (/^\d$/.test(e.key)) {
        const { text, at } = typed.current;
        typed.current = {
          text: e.timeStamp - at < ONE_NUMBER_MS ? `${text}${e.key}`.slice(-3) : e.key,
          at: e.timeStamp,
        };
        const amount = Number(typed.current.text);
        setSet((now) => ({
          ...now,
          ...(now.doneReps !== null
            ? { doneReps: amount }
            : now.holdS !== null
              ? { holdS: amount }
              : { rounds: amount }),
        }));
      } else if (e.key === 'Enter' && !(e.target instanceof HTMLButtonElement)) {
        e.preventDefault();
        onLog({ ...set, watched: true });
      } else {
        const fault = variation.faults[FAULT_LETTERS.indexOf(e.key)];
        if (e.key.length === 1 && fault) {
          // A letter counts a fault here and is no jump to another room.
          e.stopPropagation();
          countFault(fault.slug, 1);
        }
      }
    };
    addEventListener('keydown', onKey, true);
    return () => removeEventListener('keydown', onKey, true);
  });

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
          <div className="grow">
            <Choice
              label="Side"
              options={SIDES}
              value={set.side}
              onPick={(side) => change({ side, faults: set.faults.map((f) => ({ ...f, side })) })}
            />
          </div>
          <Toggle
            on={set.sideTest}
            onChange={(sideTest) => {
              change({ sideTest });
              onSideTest?.(sideTest);
            }}
          >
            Side test, to the first unclean one
          </Toggle>
        </div>
      )}
      <div className="flex flex-wrap gap-6">
        {set.doneReps !== null && (
          <Stepper
            label="Repetitions done"
            value={set.doneReps}
            step={1}
            onChange={(doneReps) => change({ doneReps })}
          />
        )}
        {set.holdS !== null && (
          <Stepper label="Seconds held" value={set.holdS} step={5} onChange={(holdS) => change({ holdS })} />
        )}
        {set.rounds !== null && (
          <Stepper label="Rounds" value={set.rounds} step={1} onChange={(rounds) => change({ rounds })} />
        )}
        {loaded && (
          <Stepper
            label={`Load, ${units.mass}`}
            value={Number(tidy(toMass(set.loadKg ?? 0, units.mass)))}
            step={units.mass === 'kg' ? 2.5 : 5}
            onChange={(shown) => change({ loadKg: fromMass(shown, units.mass) })}
          />
        )}
      </div>

      {!onCancel && actions}

      <fieldset>
        <legend className="label mb-1">Faults seen (repetitions)</legend>
        <ul className="border-t border-rule">
          {variation.faults.map((f, i) => {
            const counted = set.faults.find((x) => x.fault === f.slug);
            const reps = counted?.reps ?? 0;
            return (
              <li key={f.slug} className="flex flex-wrap items-center gap-3 border-b border-rule py-1">
                <span className="min-w-40 grow basis-0 text-lg">
                  {keys && <kbd className="mr-2 hidden text-sm text-soft lg:inline">{FAULT_LETTERS[i]}</kbd>}
                  {f.name}
                  {f.severity === 3 && <span className="ml-2 font-semibold text-warn">ends the set</span>}
                  {f.severity === 1 && <span className="ml-2 text-soft">only noted</span>}
                </span>
                {reps > 0 && !oneSided && (
                  <select
                    aria-label={`Side of ${f.name}`}
                    className="field min-h-14 w-28"
                    value={counted?.side ?? ''}
                    onChange={(e) => faultSide(f.slug, (e.target.value || null) as Side | null)}
                  >
                    <option value="">both</option>
                    {SIDES.map((s) => (
                      <option key={s}>{s}</option>
                    ))}
                  </select>
                )}
                {reps > 0 && (
                  <Button floor aria-label={`One fewer: ${f.name}`} onClick={() => countFault(f.slug, -1)}>
                    <Minus aria-hidden="true" size={20} />
                  </Button>
                )}
                <output className={`w-8 text-center text-2xl ${reps ? 'font-bold' : 'text-soft'}`}>
                  {reps}
                </output>
                <Button floor aria-label={`One more: ${f.name}`} onClick={() => countFault(f.slug, 1)}>
                  <Plus aria-hidden="true" size={20} />
                </Button>
              </li>
            );
          })}
        </ul>
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
      {hasAids && <AidsPicker variation={variation} value={set.aids} onChange={(aids) => change({ aids })} />}

      <details className="border-y border-rule py-2">
        <summary className="min-h-11 content-center font-head font-semibold">More about this set</summary>
        <div className="grid gap-5 pt-2">
          <FeltPicker
            value={set.sensations}
            variation={variation}
            seesHealth={seesHealth}
            onChange={(sensations) => change({ sensations })}
          />
          <Scale label="At ease, 0 to 10" value={set.atEase} onPick={(atEase) => change({ atEase })} />
          <YesNo label="Tempo kept?" value={set.tempoKept} onPick={(tempoKept) => change({ tempoKept })} />
          <YesNo
            label="Full range?"
            value={set.rangeReached}
            onPick={(rangeReached) => change({ rangeReached })}
          />
          <label className="block max-w-64">
            <span className="label">Angle measured, degrees (empty: not measured)</span>
            <input
              className="field mt-1 min-h-14 text-lg"
              inputMode="decimal"
              value={set.rangeDeg ?? ''}
              onChange={(e) => {
                const n = Number(e.target.value.replace(',', '.'));
                if (e.target.value === '') change({ rangeDeg: null });
                else if (Number.isFinite(n) && Math.abs(n) <= 180) change({ rangeDeg: n });
              }}
            />
          </label>
          <Toggle on={set.warmUp} onChange={(warmUp) => change({ warmUp })}>
            Warm-up set
          </Toggle>
          {!hasAids && (
            <AidsPicker variation={variation} value={set.aids} onChange={(aids) => change({ aids })} />
          )}
        </div>
      </details>

      {actions}
    </form>
  );
}
