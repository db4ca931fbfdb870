import { useMemo } from 'react';
import type { EntrySummary } from '../../contract/library.ts';
import type { Build } from '../../core/body/index.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import { demandOf } from '../../core/demand/index.ts';
import type { Demand } from '../../core/demand/index.ts';
import { PATTERNS } from '../../core/terms/index.ts';
import type { Pattern } from '../../core/terms/index.ts';
import type { SettledMechanics, Figure, Posture, Range } from '../../core/posture/index.ts';
import { describePosture, figureAt, isComputed, solverOf, undeterminedIn } from '../../core/posture/index.ts';
import { Drawing, solved } from '../figure/index.ts';
import { SetToBody } from '../kit/index.ts';
import { Button, capital, tidy } from '../ui/index.ts';
import { ControlGrid } from './control-grid.tsx';
import { controlsOf, STARTS } from './controls.ts';
import type { Units } from './controls.ts';
import { helpSentences, lackSentences, verdictSentence } from './words.ts';

/** A set-up as one side of the comparison holds it. */
export interface SideState {
  /** Variation it started from; null: built here. */
  slug: string | null;
  name: string;
  pattern: Pattern;
  mechanics: SettledMechanics;
  changed: boolean;
}

export interface SolvedSide {
  state: SideState;
  range: Range | null;
  problem: string | null;
  posture: Posture | null;
  /** The same position at both ends of what statics leaves open, and what that is; null where nothing is. */
  band: { ends: Posture[]; open: string } | null;
  figure: Figure | null;
  demand: Demand;
}

/** Everything that follows from a body, a set-up and a place in the repetition. */
export function solveSide(build: Build, state: SideState, at: number): SolvedSide {
  const { range, problem } = solved(build, state.mechanics);
  const placed = (r: Range) => r.postures[Math.round(at * (r.postures.length - 1))]!;
  const posture = range && placed(range);
  const open = range && isComputed(state.mechanics) ? undeterminedIn(state.mechanics) : null;
  const ends = open
    ? (['low', 'high'] as const).flatMap((u) => {
        const end = solved(build, state.mechanics, undefined, u).range;
        return end ? [placed(end)] : [];
      })
    : [];
  return {
    state,
    range,
    problem,
    posture,
    band: open && ends.length === 2 ? { ends, open } : null,
    figure: problem ? null : figureAt(build, state.mechanics, range, at),
    demand: demandOf(build, state.mechanics),
  };
}

export function sideFrom(e: EntrySummary): SideState {
  return {
    slug: e.slug,
    name: e.title,
    pattern: e.pattern!,
    mechanics: e.mechanics!,
    changed: false,
  };
}

export const sideFromStart = (i: number): SideState => ({ slug: null, changed: false, ...STARTS[i]! });

interface Props {
  letter: 'A' | 'B';
  side: SolvedSide;
  build: Build;
  entries: readonly EntrySummary[];
  units: Units;
  frame: { x: number; y: number; width: number; height: number } | undefined;
  onChange: (s: SideState) => void;
  onRemove?: () => void;
}

/** One set-up: which movement, its figure, what happens, and everything that can be changed. */
export function Side({ letter, side, build, entries, units, frame, onChange, onRemove }: Props) {
  const { state, posture, figure, problem, range } = side;
  const controls = controlsOf(state.mechanics, build, units);
  const set = (mechanics: SettledMechanics) => onChange({ ...state, mechanics, changed: true });
  const held = posture && posture.legs.length > 0;
  const lacks = lackSentences(side.demand);
  const facets = entries.find((e) => e.slug === state.slug)?.facets;
  const on = useMemo(
    () =>
      facets && facets.measures.length > 0
        ? {
            measures: facets.measures.map((measure) => ({ measure })),
            mechanics: state.mechanics,
            place: facets.place,
            direction: facets.direction,
            needed: [...facets.equipmentAll, ...facets.equipmentAny.flat()],
          }
        : null,
    [facets, state.mechanics],
  );
  return (
    <section aria-label={`Set-up ${letter}`} className="min-w-0">
      <div className="flex items-end gap-2">
        <span className="font-head text-2xl leading-10 font-bold" aria-hidden="true">
          {letter}
        </span>
        <select
          aria-label={`Movement of set-up ${letter}`}
          className="field min-w-0 flex-1"
          value={state.slug ?? state.name}
          onChange={(e) => {
            const found = entries.find((x) => x.slug === e.target.value);
            const start = STARTS.findIndex((x) => x.name === e.target.value);
            if (found) onChange(sideFrom(found));
            else if (start >= 0) onChange(sideFromStart(start));
          }}
        >
          {PATTERNS.map((p) => (
            <optgroup key={p} label={capital(p)}>
              {entries
                .filter((e) => e.pattern === p)
                .map((e) => (
                  <option key={e.slug} value={e.slug}>
                    {e.title}
                  </option>
                ))}
            </optgroup>
          ))}
          <optgroup label="From scratch">
            {STARTS.map((s) => (
              <option key={s.name}>{s.name}</option>
            ))}
          </optgroup>
        </select>
        {state.changed && <span className="text-sm leading-10 text-soft">changed here</span>}
        {onRemove && (
          <Button tone="quiet" onClick={onRemove} aria-label={`Take set-up ${letter} away`}>
            Away
          </Button>
        )}
      </div>
      <div className="mt-2 flex h-56 items-end justify-center border-b border-rule bg-paper">
        {figure ? (
          <Drawing
            figure={figure}
            frame={frame}
            detail="full"
            className={`fig-${state.pattern} max-h-full`}
            style={{ height: '100%', width: '100%' }}
            title={describePosture(
              state.mechanics,
              posture,
              `Set-up ${letter}, ${range?.workingWord ?? 'working position'}`,
            )}
          />
        ) : (
          <p className="self-center px-4 text-warn">{problem}</p>
        )}
      </div>
      <p aria-live="polite" className={`min-h-6 font-semibold ${held ? '' : 'text-warn'}`}>
        {posture
          ? verdictSentence(posture.verdict, posture.shortM)
          : state.mechanics.type === 'drawn'
            ? `Drawn only: ${state.mechanics.reason}`
            : ''}{' '}
        {posture && posture.limit !== 'none' && (
          <span className="font-normal text-soft">
            The {posture.limit} stops the shin at {tidy(posture.shankDeg, 0)}°.
          </span>
        )}
        {side.band && held && (
          <span className="font-normal text-soft">
            Statics leaves open {side.band.open}; the table gives the band.
          </span>
        )}
        {posture && posture.shinRuleGivesDeg > 0.5 && (
          <span className="font-normal text-soft">
            {' '}
            To reach the box the shin rule gives {tidy(posture.shinRuleGivesDeg, 0)}°.
          </span>
        )}
      </p>
      {lacks && <p className="font-semibold text-warn">{lacks}</p>}
      <div className="mt-1">
        <ControlGrid controls={controls} onSet={set} />
      </div>
      {on && (
        <details className="mt-2">
          <summary className="min-h-9 content-center font-semibold">How it is set to this body</summary>
          <SetToBody on={on} build={build} />
        </details>
      )}
    </section>
  );
}

/** What the lean of a squat comes from, and what would make it possible where it is not. */
export function WhyAndHelp({
  letter,
  side,
  build,
  units,
}: Pick<Props, 'letter' | 'side' | 'build' | 'units'>) {
  const m = side.state.mechanics;
  const answer = useMemo(() => {
    if (!isComputed(m) || side.problem) return null;
    const solver = solverOf(build, m);
    const why = solver.why(REFERENCE_BUILD);
    return why && { why, helps: solver.helps() };
  }, [m, build, side.problem]);
  if (!answer) {
    return (
      <p className="text-soft">
        {letter}: the lean of this movement is set, not what balance asks; nothing to explain.
      </p>
    );
  }
  const { why, helps } = answer;
  return (
    <div>
      <h3>
        {letter}: why does this one lean?{' '}
        <span className="font-normal">
          {why.leanDeg === null
            ? `No lean balances it; at the greatest it is ${tidy(100 * why.shortM)} cm short.`
            : `Balance asks ${tidy(why.leanDeg, 0)}°, of the reference ${tidy(why.referenceLeanDeg ?? 0, 0)}°.`}
        </span>
      </h3>
      {why.reasons.length === 0 ? (
        <p className="text-soft">Nothing differs from the reference.</p>
      ) : (
        <ol className="list-decimal pl-6">
          {why.reasons.map((r) => (
            <li key={r.input}>
              {r.input}: {r.is} instead of {r.reference}:{' '}
              <b>
                {r.leanDeg === null
                  ? `${tidy(100 * Math.abs(r.shortM))} cm ${r.shortM >= 0 ? 'of the shortfall' : 'less short because of it'}`
                  : Math.abs(r.leanDeg) < 0.5
                    ? 'next to nothing'
                    : `${tidy(Math.abs(r.leanDeg), 0)}° ${r.leanDeg > 0 ? 'more lean' : 'less lean'}`}
              </b>
            </li>
          ))}
        </ol>
      )}
      {why.reasons.length > 1 && (
        <p className="text-sm text-soft">Each put back alone; together they need not add up.</p>
      )}
      {helps.length > 0 && (
        <>
          <h3 className="mt-3">{letter}: what would make it possible?</h3>
          <ul className="list-disc pl-6">
            {helpSentences(helps, units).map((t) => (
              <li key={t}>{t}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
