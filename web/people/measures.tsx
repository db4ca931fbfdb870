import type { OnLadder } from '../../core/floor/index.ts';
import { useMemo, useState } from 'react';
import {
  askedWords,
  isUsed,
  MEASURE_WORDS,
  measured,
  measuresIn,
  plannedAgainstDone,
  thresholdsOf,
} from '../../core/ladder/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import type { Measure } from '../../core/criterion/index.ts';
import type { MeasurePoint, UsedMeasure } from '../../core/ladder/index.ts';
import { aboutSetting, isAid } from '../../core/terms/index.ts';
import type { SettledLevel } from '../../core/library/index.ts';
import { useAsk, useSigned, useUnits } from '../shell/index.ts';
import { day, Empty, Loaded, OverTime, Segmented, SelectField, tidy, toLength } from '../ui/index.ts';
import type { TimeLine } from '../ui/index.ts';

/** What was logged over time on a ladder's levels, with what the level asks, and planned against done. */
export function Measures({
  personId,
  ladders,
  massKg,
}: {
  personId: string;
  ladders: readonly OnLadder[];
  massKg: number | null;
}) {
  const placed = ladders.filter((l) => l.standing);
  const [slug, setSlug] = useState<string | null>(null);
  const on = placed.find((l) => l.ladder.slug === slug) ?? placed[0];
  const here = on?.ladder.levels.find((l) => l.id === on.standing!.level);
  const [levelId, setLevelId] = useState<string | null>(null);
  const of = on?.ladder.levels.flatMap((l) => [l.main, ...l.equals]);
  const sets = useAsk('measures', of ? { person: personId, of } : null);
  const logged = (l: SettledLevel) =>
    (sets.data ?? []).filter((s) => s.variation === l.main || l.equals.includes(s.variation));
  // Where they stand now, or, before anything is logged there, the level logged last.
  const newest = sets.data?.at(-1)?.variation;
  const before = on?.ladder.levels.find((l) => newest && (l.main === newest || l.equals.includes(newest)));
  const level =
    on?.ladder.levels.find((l) => l.id === levelId) ??
    (here && logged(here).length === 0 ? (before ?? here) : here);
  if (!on || !level) return null;
  return (
    <section aria-label="Measures over time">
      <h2 className="border-b border-ink pb-1">Over time</h2>
      <div className="mt-2 flex flex-wrap gap-3">
        {placed.length > 1 && (
          <SelectField
            label="Ladder"
            value={on.ladder.slug}
            onChange={(e) => {
              setSlug(e.target.value);
              setLevelId(null);
            }}
          >
            {placed.map((l) => (
              <option key={l.ladder.slug} value={l.ladder.slug}>
                {l.ladder.name}
              </option>
            ))}
          </SelectField>
        )}
        <SelectField label="Level" value={level.id} onChange={(e) => setLevelId(e.target.value)}>
          {on.ladder.levels.map((l, i) => (
            <option key={l.id} value={l.id}>
              {i + 1}. {l.name}
              {l.id === here?.id ? ' (now)' : ''}
            </option>
          ))}
        </SelectField>
      </div>
      <Loaded query={sets} what="the log">
        {(list) => (
          <OfLevel
            key={`${on.ladder.slug} ${level.id}`}
            sets={list.filter((s) => s.variation === level.main || level.equals.includes(s.variation))}
            on={on}
            asked={askedWords(level, on.standing!).advance}
            massKg={massKg}
          />
        )}
      </Loaded>
    </section>
  );
}

function OfLevel({
  sets,
  on,
  asked,
  massKg,
}: {
  sets: LoggedSet[];
  on: OnLadder;
  asked: Parameters<typeof thresholdsOf>[1];
  massKg: number | null;
}) {
  const { hall } = useSigned();
  const facts = useMemo(() => new Map(Object.entries(on.facts)), [on.facts]);
  const found = useMemo(() => measuresIn(sets, facts), [sets, facts]);
  const [picked, setPicked] = useState<Shown | null>(null);
  const units = useUnits();
  const measure = picked ?? found[0];
  const metric = measure !== undefined && isLength(measure);
  const points = useMemo(
    () =>
      (measure ? measured(measure, sets, facts) : []).map((p) =>
        metric ? { ...p, value: toLength(p.value, units.length) } : p,
      ),
    [measure, metric, sets, facts, units.length],
  );
  const thresholds = useMemo(
    () => (measure && !isUsed(measure) ? thresholdsOf(measure, asked, massKg) : []),
    [measure, asked, massKg],
  );
  if (!measure) return <Empty>Nothing logged at this level in the last year.</Empty>;
  const plan = plannedAgainstDone(sets).reverse();
  return (
    <>
      <Segmented label="Measure" className="mt-2" options={found} value={measure} onPick={setPicked} />
      <Chart
        measure={measure}
        words={wordsOf(measure, units.length)}
        points={points}
        thresholds={thresholds}
      />
      <details>
        <summary className="min-h-9 content-center text-sm">The same as a table</summary>
        <table className="w-full max-w-md text-left text-sm">
          <thead>
            <tr className="border-b border-ink">
              <th>Date</th>
              <th>Side</th>
              <th>{wordsOf(measure, units.length)}</th>
            </tr>
          </thead>
          <tbody>
            {[...points].reverse().map((p) => (
              <tr key={`${p.date} ${p.side}`} className="border-b border-rule">
                <td>{day(p.date, hall.today)}</td>
                <td>{p.side ?? 'both'}</td>
                <td>{tidy(p.value)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
      {thresholds.length > 0 && (
        <p className="text-sm text-soft">
          Dotted: what the level asks, {thresholds.map((t) => tidy(t)).join(' and ')}.
        </p>
      )}
      {plan.length > 0 && (
        <table className="mt-3 w-full max-w-md text-left text-sm">
          <caption className="label py-1 text-left">Planned against done, repetitions</caption>
          <thead>
            <tr className="border-b border-ink">
              <th>Date</th>
              <th>Sets</th>
              <th>Planned</th>
              <th>Done</th>
              <th>Share</th>
            </tr>
          </thead>
          <tbody>
            {plan.slice(0, 6).map((p) => (
              <tr key={p.date} className="border-b border-rule">
                <td>{day(p.date, hall.today)}</td>
                <td>{p.sets}</td>
                <td>{p.planned}</td>
                <td>{p.done}</td>
                <td>{p.planned > 0 ? `${tidy((100 * p.done) / p.planned, 0)} %` : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

type Shown = Measure | UsedMeasure;
const isLength = (m: Shown): boolean => {
  if (!isUsed(m) || isAid(m)) return false;
  const about = aboutSetting(m);
  return about.is === 'number' && about.unit === 'm';
};
/** What stands on the axis, with its unit. */
function wordsOf(m: Shown, length: 'cm' | 'in'): string {
  if (!isUsed(m)) return MEASURE_WORDS[m];
  if (isAid(m)) return `${m}, steps`;
  const about = aboutSetting(m);
  return `${m}, ${about.is === 'number' && about.unit !== 'm' ? about.unit : length}`;
}

/** One measure over time: left solid, right dashed, both sides at once as one line; thresholds dotted. */
function Chart({
  measure,
  words,
  points,
  thresholds,
}: {
  measure: Shown;
  words: string;
  points: readonly MeasurePoint[];
  thresholds: readonly number[];
}) {
  const lines = useMemo(() => {
    const sides = ([null, 'left', 'right'] as const).flatMap((side): TimeLine[] => {
      const own = points.filter((p) => p.side === side);
      if (own.length === 0) return [];
      return [
        {
          name: side ?? measure,
          dates: own.map((p) => p.date),
          values: own.map((p) => p.value),
          line: side === 'right' ? 'dashed' : 'solid',
          symbol: side === 'right' ? 'square' : 'circle',
        },
      ];
    });
    const asked = thresholds.map((t): TimeLine => ({
      name: `asked: ${tidy(t)}`,
      dates: [points[0]?.date, points.at(-1)?.date],
      values: [t, t],
      line: 'dotted',
    }));
    return [...sides, ...asked];
  }, [measure, points, thresholds]);
  return <OverTime lines={lines} yTitle={words} height={260} label={`${measure} over time`} />;
}
