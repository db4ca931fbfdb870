import { Link } from 'react-router';
import type { EntrySummary } from '../../contract/library.ts';
import type { Person } from '../../contract/people.ts';
import { REFERENCE_BUILD } from '../../core/body/index.ts';
import type { Build } from '../../core/body/index.ts';
import type { StepProfile } from '../../core/demand/index.ts';
import type { NameOfLevel } from '../../core/criterion/index.ts';
import type { Ladder } from '../../core/library/index.ts';
import { MovementIcon } from '../figure/index.ts';
import { tidy } from '../ui/index.ts';
import { COMPARISON_WORDS } from './profile.tsx';

/** Points over the people of the hall: least, most, how many cannot hold the posture. */
export interface Spread {
  low: number;
  high: number;
  cannot: number;
  people: number;
}

interface Props {
  ladder: Ladder;
  standing: ReadonlyMap<number, Person[]>;
  entries?: readonly EntrySummary[];
  /** Demand of each level; drawn beneath the stairs. */
  profile?: readonly StepProfile[];
  spread?: ReadonlyMap<string, Spread> | null;
  parts?: boolean;
  build?: Build;
  chosen?: string;
  onChoose?: (level: string) => void;
  /** Names levels of other ladders; given, steps show how many equals they have and what they come after. */
  nameOf?: NameOfLevel;
}

const RISE_REM = 1.9;
/** The stairs rise no higher than this in all, however many levels there are. */
const MOST_RISE_REM = 15;
/** Beyond so many levels the treads are narrow, so that the whole ladder is seen at once. */
const WIDE_LEVELS = 9;
/** Height of the profile in rem, and the points that fill it. */
const PROFILE_REM = 7;
const LEAST_SCALE = 60;

/**
 * Stairs in level order, drawn like a section: treads of floor tape, who stands on them above, and beneath
 * each step what it asks. Where the profile falls while the stairs rise, order and computation disagree.
 */
export function Elevation({
  ladder,
  standing,
  entries = [],
  profile,
  spread = null,
  parts = false,
  build = REFERENCE_BUILD,
  chosen,
  onChoose,
  nameOf,
}: Props) {
  const most = Math.max(
    LEAST_SCALE,
    ...(profile ?? []).map((s) => s.points ?? 0),
    ...[...(spread?.values() ?? [])].map((s) => s.high),
  );
  const narrow = ladder.levels.length > WIDE_LEVELS;
  const rise = Math.min(RISE_REM, MOST_RISE_REM / ladder.levels.length);
  return (
    <ol
      aria-label={`Levels of the ladder ${ladder.name}, from the easiest`}
      // It scrolls on small screens; without levels to press the keyboard needs the list itself.
      tabIndex={onChoose ? undefined : 0}
      className={`grid ${narrow ? 'auto-cols-[minmax(5.5rem,1fr)]' : 'auto-cols-[minmax(8rem,1fr)]'} grid-flow-col grid-rows-[auto_auto_auto] overflow-x-auto pt-2`}
    >
      {ladder.levels.map((level, i) => {
        const people = standing.get(i + 1) ?? [];
        const own = level.id === chosen;
        const main = entries.find((e) => e.kind === 'variation' && e.slug === level.main);
        const step = profile?.find((s) => s.id === level.id);
        const inner = (
          <>
            <span className="flex items-end justify-between gap-1">
              <span className="block font-head text-2xl leading-none font-bold">{i + 1}</span>
              {main?.mechanics && main.pattern && (
                <MovementIcon
                  mechanics={main.mechanics}
                  pattern={main.pattern}
                  build={build}
                  size={narrow ? 38 : 46}
                />
              )}
            </span>
            <span
              className={`block leading-tight [overflow-wrap:anywhere] ${narrow ? 'text-[0.9rem]' : ''} ${own ? 'font-bold' : 'font-semibold'}`}
            >
              {level.name}
            </span>
            <span className="block text-sm text-soft">{level.stage}</span>
            {nameOf && level.equals.length > 0 && (
              <span className="block text-xs text-soft">
                {level.equals.length === 1 ? '1 equal' : `${level.equals.length} equals`}
              </span>
            )}
            {nameOf &&
              level.entryNeeds.map((n) => (
                <span
                  key={`${n.ladder} ${n.level}`}
                  className="block text-xs font-semibold [overflow-wrap:anywhere]"
                >
                  after {nameOf(n.ladder, n.level)}
                </span>
              ))}
          </>
        );
        return (
          <li key={level.id} className="row-span-3 grid grid-rows-subgrid">
            <div className="row-span-2 flex flex-col justify-end">
              <ul className="px-2 pb-1 text-sm leading-tight">
                {people.map((p) => (
                  <li key={p.id}>
                    <Link
                      className="inline-block min-h-6 no-underline hover:underline"
                      to={`/people/${p.id}`}
                    >
                      {p.name}
                    </Link>
                  </li>
                ))}
              </ul>
              <div
                className={`border-t-[7px] border-b-2 border-b-ink ${i > 0 ? 'border-l' : ''} ${own ? 'border-t-tape bg-paper' : 'border-t-ink'} border-l-ink`}
                style={{ minHeight: `${6.4 + i * rise}rem` }}
              >
                {onChoose ? (
                  <button
                    type="button"
                    aria-pressed={own}
                    onClick={() => onChoose(level.id)}
                    className="block w-full px-2 py-2 text-left hover:bg-paper"
                  >
                    {inner}
                  </button>
                ) : (
                  <div className="px-2 py-2">{inner}</div>
                )}
              </div>
            </div>
            {profile && (
              <ProfileColumn
                step={step}
                most={most}
                spread={spread?.get(level.id)}
                parts={parts}
                first={i === 0}
              />
            )}
          </li>
        );
      })}
    </ol>
  );
}

function ProfileColumn({
  step,
  most,
  spread,
  parts,
  first,
}: {
  step: StepProfile | undefined;
  most: number;
  spread: Spread | undefined;
  parts: boolean;
  first: boolean;
}) {
  const rem = (points: number) => `${(PROFILE_REM * points) / most}rem`;
  const d = step?.demand.kind === 'measured' ? step.demand : null;
  const question = step?.below?.comparison === 'inversion' || step?.below?.comparison === 'too big';
  return (
    <div className="border-r border-rule">
      <div
        className="relative mx-2 border-b border-ink"
        style={{ height: `${PROFILE_REM + 0.6}rem` }}
        aria-hidden="true"
      >
        {step && step.points !== null && (
          <div
            className={`absolute inset-x-0 bottom-0 ${question ? 'fig-hatched border-2 border-b-0 border-warn' : 'bg-soft/50'} `}
            style={{ height: rem(step.points) }}
          />
        )}
        {d?.band && d.band.high - d.band.low >= 1 && (
          <div
            className="absolute left-1/2 w-1 bg-ink"
            style={{ bottom: rem(d.band.low), height: rem(d.band.high - d.band.low) }}
          />
        )}
        {spread && (
          <div
            className="absolute right-1 w-2 border-x-2 border-y-2 border-tape"
            style={{ bottom: rem(spread.low), height: rem(Math.max(1, spread.high - spread.low)) }}
          />
        )}
      </div>
      <div className="px-2 py-1 text-sm leading-tight">
        {!step ? (
          <span className="text-soft">no figure</span>
        ) : step.points === null ? (
          <span className="text-soft">
            {step.demand.kind === 'drawn only' ? 'drawn only' : 'not for this body'}
          </span>
        ) : (
          <>
            <span className="font-semibold">{tidy(step.points, 0)} points</span>
            {step.adjustment !== 0 && (
              <span className="text-soft">
                {' '}
                (corrected {step.adjustment > 0 ? '+' : '−'}
                {Math.abs(step.adjustment)})
              </span>
            )}
            {!first && step.below && (
              <span className={`block ${question ? 'font-semibold text-warn' : 'text-soft'}`}>
                {COMPARISON_WORDS[step.below.comparison]}
                {step.below.comparison === 'same posture' && `: ${step.below.because}`}
              </span>
            )}
            {d && !d.feasible && <span className="block font-semibold text-warn">cannot be held</span>}
            {spread && (
              <span className="block text-tape">
                {tidy(spread.low, 0)} to {tidy(spread.high, 0)} for our {spread.people}
                {spread.cannot > 0 && `, ${spread.cannot} cannot`}
              </span>
            )}
          </>
        )}
        {parts && d && (
          <dl className="mt-1 grid grid-cols-[auto_auto] justify-between gap-x-2 text-soft">
            {(
              [
                ['hip', d.hip],
                ['knee', d.knee],
                ['back', d.back],
                ['balance', d.balance],
                ['range', d.range],
                ['load', d.handling],
                ['speed', d.speed],
              ] as const
            ).map(([name, points]) => (
              <div key={name} className="contents">
                <dt>{name}</dt>
                <dd className="text-right">{tidy(points, 0)}</dd>
              </div>
            ))}
            <dt>knee share</dt>
            <dd className="text-right">{tidy(100 * d.kneeShare, 0)} %</dd>
          </dl>
        )}
      </div>
    </div>
  );
}
