import { settingWords, usedWords, withSides } from '../../core/terms/index.ts';
import type { SettingUsed, SideWork } from '../../core/terms/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import type { Target } from '../../core/ladder/index.ts';
import { keptTogether, length, mass, tidy } from '../ui/index.ts';

/** "2 × 12, rest 60 s" and what has been added to it. */
export const targetWords = (t: Target, unit: 'kg' | 'lb', sides: SideWork): string =>
  keptTogether(`${workWords(t, unit, sides)}, rest ${t.restS} s`);

/** The same without the rest. */
export function workWords(t: Target, unit: 'kg' | 'lb', sides: SideWork): string {
  const amount =
    t.reps !== undefined
      ? `${t.sets} × ${t.reps}`
      : t.holdS !== undefined
        ? `${t.sets} × ${t.holdS} s`
        : `${t.rounds ?? t.sets} rounds${t.workS === undefined ? '' : ` of ${tidy(t.workS)} s`}`;
  return keptTogether(
    [
      withSides(amount, sides, t.reps === undefined ? undefined : { from: t.reps, to: t.reps }),
      t.loadKg ? mass(t.loadKg, unit) : null,
      t.loweringS === null ? null : `lower over ${tidy(t.loweringS)} s`,
      t.aidsDropped.length ? `without ${t.aidsDropped.join(', ')}` : null,
    ]
      .filter(Boolean)
      .join(', '),
  );
}

/** Help and settings as they were used: "2 pads, rack hooks 7, box height 45 cm"; empty where there were none. */
export const usedLine = (
  of: { aids?: LoggedSet['aids'] | undefined; settings?: readonly SettingUsed[] | null | undefined },
  units: { length: 'cm' | 'in'; mass: 'kg' | 'lb' },
): string =>
  keptTogether(
    [
      usedWords(of.aids ?? []),
      settingWords(
        of.settings ?? [],
        (m) => length(m, units.length),
        (kg) => mass(kg, units.mass),
      ),
    ]
      .filter(Boolean)
      .join(', '),
  );

/** One set in a line: "12 left, effort 7, watched". Unknown things are left out. */
export function setSummary(
  s: Omit<LoggedSet, 'id' | 'sessionId'>,
  unit: 'kg' | 'lb',
  faultName: (slug: string) => string,
): string {
  const faults = s.faults.map((f) => `${faultName(f.fault)} × ${f.reps}${f.side ? ` ${f.side}` : ''}`);
  return keptTogether(
    [
      s.warmUp ? 'warm-up' : null,
      s.lighter ? 'lighter on purpose' : null,
      s.doneReps !== null ? `${s.doneReps} repetitions` : null,
      s.holdS !== null
        ? s.breaths !== null
          ? `${s.breaths} breaths (${tidy(s.holdS)} s)`
          : `${tidy(s.holdS)} s held`
        : null,
      s.doneReps !== null && s.holdS ? `${tidy((60 * s.doneReps) / s.holdS, 0)} a minute` : null,
      s.rounds !== null ? `${s.rounds} rounds${s.workS === null ? '' : ` of ${tidy(s.workS)} s`}` : null,
      s.side,
      s.sideTest ? 'side test' : null,
      s.loadKg !== null ? mass(s.loadKg, unit) : null,
      // What was set stands in the form and over time, not with every set.
      s.aids?.length ? usedWords(s.aids) : null,
      s.effort !== null ? `effort ${tidy(s.effort)}` : null,
      s.pain !== null ? (s.pain === 0 ? 'no pain' : `pain ${tidy(s.pain)}`) : null,
      s.rangeDeg !== null
        ? `${tidy(s.rangeDeg)}°${s.rangeBandDeg === null ? '' : ` ± ${tidy(s.rangeBandDeg)}`}`
        : null,
      s.measuredBy ? `measured (${s.measuredBy})` : null,
      s.watched || faults.length > 0 ? (faults.length ? faults.join(', ') : 'watched, no fault') : null,
      s.watched ? null : 'not watched',
    ]
      .filter(Boolean)
      .join(', '),
  );
}
