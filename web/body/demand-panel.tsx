import { Link } from 'react-router';
import type { EntrySummary } from '../../contract/library.ts';
import type { Build } from '../../core/body/index.ts';
import { demandOf } from '../../core/demand/index.ts';
import type { Demand, Measured, Step } from '../../core/demand/index.ts';
import type { SettledMechanics } from '../../core/posture/index.ts';
import { tidy } from '../ui/index.ts';
import { lackSentences, verdictSentence } from './words.ts';

/** What stands wherever moments or demand are shown. */
export function MomentCaution() {
  return (
    <p className="text-sm text-soft">
      These figures compare set-ups of a still body in the side view. They are no measure of injury risk.
    </p>
  );
}

const PARTS = [
  ['hip', 'Hip'],
  ['knee', 'Knee'],
  ['back', 'Low back'],
] as const;

/** Hip, knee and low back as bars of points, on one scale. */
export function PartBars({ demand: d, most = 100 }: { demand: Measured; most?: number }) {
  return (
    <dl className="grid gap-1">
      {PARTS.map(([key, name]) => (
        <div key={key} className="grid grid-cols-[4.5rem_1fr_2.5rem] items-center gap-2">
          <dt className="label">{name}</dt>
          <dd className="h-3 border border-rule bg-ground" aria-hidden="true">
            <div className="h-full bg-ink" style={{ width: `${Math.min(100, (100 * d[key]) / most)}%` }} />
          </dd>
          <dd className="text-right">{tidy(d[key], 0)}</dd>
        </div>
      ))}
    </dl>
  );
}

export function stepOf(e: EntrySummary, build: Build): Step {
  return {
    id: e.slug,
    name: e.title,
    mechanics: e.mechanics!,
    demand: demandOf(build, e.mechanics!),
    adjustment: e.demandAdjustment,
  };
}

interface Props {
  slug: string;
  mechanics: SettledMechanics;
  build: Build;
  forWhom: string;
  /** The head coach's correction, points. */
  adjustment: number;
}

/** What a variation asks of a build. */
export function DemandPanel({ slug, mechanics, build, forWhom, adjustment }: Props) {
  return (
    <section aria-label="What it asks" className="min-w-64 flex-1">
      <h2 className="text-base">What it asks of {forWhom}</h2>
      <Asked demand={demandOf(build, mechanics)} adjustment={adjustment} />
      <p className="mt-1 text-sm">
        <Link to={`/body?a=${slug}`}>Take it apart in the body room</Link>
      </p>
      <MomentCaution />
    </section>
  );
}

/** Why this body cannot hold it, where it cannot. */
export function CannotHold({ demand: d }: { demand: Demand }) {
  if (d.kind !== 'measured' || d.feasible) return null;
  const balanced = d.verdict === 'balanced' || d.verdict === 'held by support';
  return (
    <p className="font-semibold text-warn">
      {!balanced && verdictSentence(d.verdict, d.shortM)} {lackSentences(d)}
    </p>
  );
}

const BESIDES = [
  ['strength', 'strength'],
  ['balance', 'balance'],
  ['range', 'range'],
  ['handling', 'handling the load'],
  ['speed', 'speed'],
] as const;

/** `Of these strength 38, balance 5, range 4.`; parts that ask nothing are not named. */
export const besidesWords = (d: Measured): string =>
  `Of these ${BESIDES.filter(([key]) => d[key] >= 0.5)
    .map(([key, name]) => `${name} ${tidy(d[key], 0)}`)
    .join(', ')}.`;

function Asked({ demand: d, adjustment }: { demand: Demand; adjustment: number }) {
  if (d.kind === 'drawn only') return <p className="text-soft">Drawn only, no figures. {d.reason}</p>;
  if (d.kind === 'cannot') return <p className="text-warn">{d.why}</p>;
  return (
    <>
      <CannotHold demand={d} />
      <p>
        <span className="font-head text-2xl font-bold">{tidy(d.points + adjustment, 0)}</span> points of about
        100
        {d.band && d.band.high - d.band.low >= 1 && (
          <span className="text-soft">
            {' '}
            ({tidy(d.band.low, 0)} to {tidy(d.band.high, 0)}, open: {d.band.open})
          </span>
        )}
        {adjustment !== 0 && (
          <span className="text-soft">
            {' '}
            with the head coach’s {adjustment > 0 ? '+' : '−'}
            {Math.abs(adjustment)}
          </span>
        )}
      </p>
      <PartBars demand={d} />
      <p className="mt-1 text-sm text-soft">
        {besidesWords(d)} Ankle bent to {tidy(Math.max(0, d.needs.ankleDeg), 0)}°, hip to{' '}
        {tidy(Math.max(0, d.needs.hipDeg), 0)}°{d.loadKg > 0.4 && `, with ${tidy(d.loadKg, 0)} kg`}.
      </p>
    </>
  );
}
