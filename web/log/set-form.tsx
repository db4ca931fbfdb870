import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { FELT_KINDS, REGIONS } from '../../core/library/index.ts';
import type { FeltKind, Region, ResolvedVariation, Side } from '../../core/library/index.ts';
import type { LoggedSet, Target } from '../../core/ladder/index.ts';
import { takesLoad } from '../../core/sheets/index.ts';
import { useUnits } from '../shell/index.ts';
import { Button, fromMass, tidy, toMass } from '../ui/index.ts';

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
  | 'aids'
>;

/** What has a setting that is worth keeping: bands, supports, and equipment that comes in sizes. */
function settingsOf({ source, equipmentAll, equipmentAny }: ResolvedVariation): string[] {
  const sized = [...equipmentAll, ...equipmentAny.flat()].filter((n) => n.equipment.sizes.length > 0);
  return [
    ...(source.loadKind === 'band' ? ['Band'] : []),
    ...(source.support === 'none' ? [] : [`Support: ${source.support}`]),
    ...sized.map((n) => n.equipment.name),
  ];
}

/** The form before anything is seen: the target, the next side, and the settings of last time. */
export function blankSet(
  v: ResolvedVariation,
  target: Target | null,
  side: Side | null,
  lastAids: LoggedSet['aids'],
): Observed {
  const counted = v.source.countedIn;
  return {
    doneReps: counted === 'repetitions' ? (target?.reps ?? v.source.dose.at(-1)?.repsFrom ?? 10) : null,
    holdS: counted === 'seconds held' ? (target?.holdS ?? v.source.dose.at(-1)?.holdS ?? 20) : null,
    rounds: counted === 'rounds' ? (target?.rounds ?? 2) : null,
    side: v.source.laterality === 'two legs' ? null : (side ?? 'left'),
    sideTest: false,
    warmUp: false,
    watched: true,
    loadKg: target?.loadKg ?? null,
    effort: null,
    pain: null,
    faults: [],
    sensations: null,
    atEase: null,
    tempoKept: null,
    rangeReached: null,
    aids: lastAids,
  };
}

interface Props {
  variation: ResolvedVariation;
  start: Observed;
  seesHealth: boolean;
  /** "Log set 2", or "Keep it". */
  action: string;
  onLog: (observed: Observed) => void;
  onCancel?: () => void;
}

/** One set on the floor: large targets, nothing that needs precision, unknown unless tapped. */
export function SetForm({ variation, start, seesHealth, action, onLog, onCancel }: Props) {
  const [set, setSet] = useState(start);
  const units = useUnits();
  const change = (part: Partial<Observed>) => setSet((now) => ({ ...now, ...part }));
  const oneSided = variation.source.laterality !== 'two legs';
  const loaded = takesLoad(variation.source);

  const countFault = (fault: string, by: number) => {
    const now = set.faults.find((f) => f.fault === fault)?.reps ?? 0;
    const reps = Math.max(0, Math.min(now + by, set.doneReps ?? 500));
    const others = set.faults.filter((f) => f.fault !== fault);
    change({ faults: reps ? [...others, { fault, side: set.side, reps }] : others });
  };

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
        <Choice
          label="Side"
          options={['left', 'right']}
          value={set.side}
          onPick={(side) => change({ side: side, faults: set.faults.map((f) => ({ ...f, side })) })}
        />
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
          {variation.faults.map((f) => {
            const reps = set.faults.find((x) => x.fault === f.slug)?.reps ?? 0;
            return (
              <li key={f.slug} className="flex items-center gap-3 border-b border-rule py-1">
                <span className="grow text-lg">
                  {f.name}
                  {f.severity === 3 && <span className="ml-2 font-semibold text-warn">ends the set</span>}
                  {f.severity === 1 && <span className="ml-2 text-soft">only noted</span>}
                </span>
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

      <details className="border-y border-rule py-2">
        <summary className="min-h-11 content-center font-head font-semibold">More about this set</summary>
        <div className="grid gap-5 pt-2">
          <div className="flex flex-wrap gap-2">
            <Toggle on={set.warmUp} onChange={(warmUp) => change({ warmUp })}>
              Warm-up set
            </Toggle>
            {oneSided && (
              <Toggle on={set.sideTest} onChange={(sideTest) => change({ sideTest })}>
                Side test, to the first unclean one
              </Toggle>
            )}
          </div>
          <YesNo label="Tempo kept?" value={set.tempoKept} onPick={(tempoKept) => change({ tempoKept })} />
          <YesNo
            label="Full range?"
            value={set.rangeReached}
            onPick={(rangeReached) => change({ rangeReached })}
          />
          <Scale label="At ease, 0 to 10" value={set.atEase} onPick={(atEase) => change({ atEase })} />
          {settingsOf(variation).map((name) => (
            <label key={name} className="block">
              <span className="label">{name} used (setting)</span>
              <input
                className="field mt-1 min-h-14 text-lg"
                value={set.aids?.find((a) => a.name === name)?.setting ?? ''}
                onChange={(e) => {
                  const others = (set.aids ?? []).filter((a) => a.name !== name);
                  const aids = e.target.value ? [...others, { name, setting: e.target.value }] : others;
                  change({ aids: aids.length ? aids : null });
                }}
              />
            </label>
          ))}
          <FeltPicker
            value={set.sensations}
            side={set.side}
            kinds={seesHealth ? FELT_KINDS : FELT_KINDS.filter((k) => k !== 'pain')}
            onChange={(sensations) => change({ sensations })}
          />
        </div>
      </details>

      {actions}
    </form>
  );
}

function Stepper({
  label,
  value,
  step,
  onChange,
}: {
  label: string;
  value: number;
  step: number;
  onChange: (value: number) => void;
}) {
  return (
    <div>
      <span className="label" id={`step-${label}`}>
        {label}
      </span>
      <div className="mt-1 flex items-stretch" role="group" aria-labelledby={`step-${label}`}>
        <Button
          floor
          aria-label={`${label}: ${step} fewer`}
          onClick={() => onChange(Math.max(0, value - step))}
        >
          <Minus aria-hidden="true" />
        </Button>
        <input
          aria-label={label}
          inputMode="decimal"
          className="w-24 border-y border-soft bg-paper text-center font-head text-4xl font-bold"
          value={value}
          onChange={(e) => {
            const next = Number(e.target.value.replace(',', '.'));
            if (Number.isFinite(next) && next >= 0) onChange(next);
          }}
          onFocus={(e) => e.target.select()}
        />
        <Button floor aria-label={`${label}: ${step} more`} onClick={() => onChange(value + step)}>
          <Plus aria-hidden="true" />
        </Button>
      </div>
    </div>
  );
}

function Scale({
  label,
  value,
  onPick,
}: {
  label: string;
  value: number | null;
  onPick: (v: number | null) => void;
}) {
  return (
    <fieldset>
      <legend className="label mb-1">
        {label}: {value === null ? 'not asked' : value}
      </legend>
      <div className="grid grid-cols-6 gap-1 sm:grid-cols-11">
        {Array.from({ length: 11 }, (_, n) => (
          <button
            key={n}
            type="button"
            aria-pressed={value === n}
            onClick={() => onPick(value === n ? null : n)}
            className={`min-h-14 border text-xl ${value === n ? 'border-tape bg-tape font-bold text-on-tape' : 'border-soft bg-paper'}`}
          >
            {n}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function Choice<T extends string>({
  label,
  options,
  value,
  onPick,
}: {
  label: string;
  options: readonly T[];
  value: T | null;
  onPick: (v: T) => void;
}) {
  return (
    <fieldset>
      <legend className="label mb-1">{label}</legend>
      <div className="flex gap-1">
        {options.map((o) => (
          <button
            key={o}
            type="button"
            aria-pressed={value === o}
            onClick={() => onPick(o)}
            className={`min-h-14 grow border px-5 text-xl capitalize ${value === o ? 'border-tape bg-tape font-bold text-on-tape' : 'border-soft bg-paper'}`}
          >
            {o}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function Toggle({
  on,
  onChange,
  children,
}: {
  on: boolean;
  onChange: (v: boolean) => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={() => onChange(!on)}
      className={`min-h-14 border px-4 ${on ? 'border-tape bg-tape text-on-tape' : 'border-soft bg-paper'}`}
    >
      {children}
    </button>
  );
}

function YesNo({
  label,
  value,
  onPick,
}: {
  label: string;
  value: boolean | null;
  onPick: (v: boolean | null) => void;
}) {
  return (
    <Choice
      label={`${label} ${value === null ? 'not known' : value ? 'yes' : 'no'}`}
      options={['yes', 'no', 'not known']}
      value={value === null ? 'not known' : value ? 'yes' : 'no'}
      onPick={(v) => onPick(v === 'not known' ? null : v === 'yes')}
    />
  );
}

function FeltPicker({
  value,
  side,
  kinds,
  onChange,
}: {
  value: LoggedSet['sensations'];
  side: Side | null;
  kinds: readonly FeltKind[];
  onChange: (v: LoggedSet['sensations']) => void;
}) {
  const [region, setRegion] = useState<Region>('back of hip');
  return (
    <fieldset>
      <legend className="label mb-1">
        Where is it felt, and as what? {value === null ? 'Not asked.' : ''}
      </legend>
      <div className="flex flex-wrap gap-2">
        <select
          aria-label="Where"
          className="field min-h-14 max-w-64 text-lg"
          value={region}
          onChange={(e) => setRegion(e.target.value as Region)}
        >
          {REGIONS.map((r) => (
            <option key={r}>{r}</option>
          ))}
        </select>
        {kinds.map((kind) => (
          <Button floor key={kind} onClick={() => onChange([...(value ?? []), { region, kind, side }])}>
            {kind}
          </Button>
        ))}
        {value === null && (
          <Button floor onClick={() => onChange([])}>
            asked: nothing felt
          </Button>
        )}
      </div>
      <ul className="mt-2 flex flex-wrap gap-2">
        {value?.map((s, i) => (
          <li key={i}>
            <Button
              floor
              onClick={() => onChange(value.filter((_, j) => j !== i))}
              aria-label={`Remove ${s.kind}, ${s.region}`}
            >
              {s.kind}, {s.region} ✕
            </Button>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
