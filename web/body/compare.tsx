import type { LegMoments, Posture } from '../../core/posture/index.ts';
import { mass, tidy } from '../ui/index.ts';
import type { Units } from './controls.ts';
import type { SolvedSide } from './side.tsx';
import { worstLeg } from './words.ts';

interface Row {
  name: string;
  unit: string;
  value: (s: SolvedSide) => number | null;
  decimals?: 0 | 1;
  note?: (s: SolvedSide) => string | null;
}

const moment = (key: 'hipNm' | 'kneeNm') => (s: SolvedSide) =>
  worstLeg(s.posture?.legs ?? [], key)?.nm ?? null;
/** Which leg, and the band where a force is open. */
const legNote = (key: 'hipNm' | 'kneeNm') => (s: SolvedSide) => {
  const leg = worstLeg(s.posture?.legs ?? [], key)?.leg;
  const of = (p: Posture) => p.legs.find((l) => l.leg === leg)?.[key];
  return (
    [leg !== 'each leg' ? leg : null, spread(s, of)]
      .filter((t) => t !== null && t !== undefined)
      .join(', ') || null
  );
};
/** A value at both ends of the band, where they differ by at least one. */
function spread(s: SolvedSide, of: (p: Posture) => number | null | undefined): string | null {
  if (!s.band || !s.posture || s.posture.legs.length === 0) return null;
  const values = [...s.band.ends, s.posture].map(of).filter((v) => v !== null && v !== undefined);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  return high - low < 1 ? null : `${tidy(low, 0)} to ${tidy(high, 0)}`.replaceAll('-', '−');
}
const band = (s: SolvedSide) => {
  const b = s.demand.kind === 'measured' ? s.demand.band : null;
  return b && b.high - b.low >= 1 ? `${tidy(b.low, 0)} to ${tidy(b.high, 0)}` : null;
};
const leanOf = (s: SolvedSide, p: Posture) =>
  s.state.mechanics.type === 'bridge' ? -90 - p.trunkDeg : p.trunkDeg;

/** Nobody sees less between two lines, degrees (judgement). */
const PARALLEL_DEG = 5;

/** Whether the feet stand under the body at all. */
const standing = (s: SolvedSide) => !['extension', 'bridge'].includes(s.state.mechanics.type);

function rows(units: Units): Row[] {
  const cm = units.length === 'cm' ? 100 : 1 / 0.0254;
  return [
    {
      name: 'Trunk',
      unit: '°',
      value: (s) => s.posture && leanOf(s, s.posture),
      note: (s) => (s.state.mechanics.type === 'bridge' ? 'above level' : 'from upright'),
    },
    {
      name: 'Trunk against shin',
      unit: '°',
      value: (s) => (s.posture && standing(s) ? s.posture.trunkDeg - s.posture.shankDeg : null),
      note: (s) =>
        s.posture && Math.abs(s.posture.trunkDeg - s.posture.shankDeg) <= PARALLEL_DEG
          ? 'parallel'
          : 'not parallel',
    },
    { name: 'Shin', unit: '°', value: (s) => (s.posture && standing(s) ? s.posture.shankDeg : null) },
    {
      name: 'Knee past toe',
      unit: units.length,
      decimals: 1,
      value: (s) => (s.posture && standing(s) ? s.posture.kneePastToeM * cm : null),
    },
    { name: 'Hip, per leg', unit: 'N·m', value: moment('hipNm'), note: legNote('hipNm') },
    { name: 'Knee, per leg', unit: 'N·m', value: moment('kneeNm'), note: legNote('kneeNm') },
    {
      name: 'Low back (L5/S1)',
      unit: 'N·m',
      value: (s) => s.posture?.l5Nm ?? null,
      note: (s) => spread(s, (p) => p.l5Nm),
    },
    {
      name: 'Weight on the front foot',
      unit: '%',
      value: (s) => (s.posture?.frontShare != null ? 100 * s.posture.frontShare : null),
      note: (s) => spread(s, (p) => (p.frontShare === null ? null : 100 * p.frontShare)),
    },
    {
      name: 'Demand over the range',
      unit: 'points',
      value: (s) => (s.demand.kind === 'measured' && s.demand.feasible ? s.demand.points : null),
      note: band,
    },
  ];
}

/** What each set-up asks in the shown position, and the difference. */
export function CompareTable({ a, b, units }: { a: SolvedSide; b: SolvedSide | null; units: Units }) {
  const all = rows(units).filter((r) => r.value(a) !== null || (b && r.value(b) !== null));
  const show = (r: Row, s: SolvedSide) => {
    const v = r.value(s);
    if (v === null) return <span className="text-soft">–</span>;
    const note = r.note?.(s);
    return (
      <>
        {tidy(v, r.decimals ?? 0).replace('-', '−')}
        {r.unit === '°' ? '' : ' '}
        {r.unit}
        {note && <span className="block text-xs text-soft">{note}</span>}
      </>
    );
  };
  return (
    <table className="w-full text-left">
      <thead>
        <tr className="border-b border-ink">
          <th className="py-1">In this position</th>
          <th className="pl-3 text-right">A</th>
          {b && <th className="pl-3 text-right">B</th>}
          {b && <th className="pl-3 text-right">B less A</th>}
        </tr>
      </thead>
      <tbody>
        {all.map((r) => {
          const [va, vb] = [r.value(a), b ? r.value(b) : null];
          // A trunk from upright and one above level have no difference worth a number.
          const alike = r.name !== 'Trunk' || !b || r.note?.(a) === r.note?.(b);
          const by = va !== null && vb !== null && alike ? vb - va : null;
          return (
            <tr key={r.name} className="border-b border-rule align-top">
              <th scope="row" className="py-1 font-read text-[0.95rem] font-normal">
                {r.name}
              </th>
              <td className="pl-3 text-right">{show(r, a)}</td>
              {b && <td className="pl-3 text-right">{show(r, b)}</td>}
              {b && (
                <td className="text-right font-semibold">
                  {by === null
                    ? ''
                    : `${by > 0 ? '+' : by < 0 ? '−' : ''}${tidy(Math.abs(by), r.decimals ?? 0)}`}
                </td>
              )}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const both = (legs: readonly LegMoments[]) =>
  legs.length === 1 && legs[0]!.leg === 'each leg' ? legs[0]! : null;

/**
 * Knee and hip of a two-leg squat as one bar: for a depth, a load and a thigh their sum is fixed, and shin or foot
 * pressure only move the line between them.
 */
export function SumBars({
  sides,
  massUnit,
}: {
  sides: readonly (readonly [string, SolvedSide])[];
  massUnit: 'kg' | 'lb';
}) {
  const shown = sides.flatMap(([letter, s]) => {
    const m = s.state.mechanics;
    const leg = both(s.posture?.legs ?? []);
    if (m.type !== 'squat' || m.legs !== 2 || m.sidewaysShare !== undefined || !leg) return [];
    const supported = s.posture!.verdict === 'held by support';
    return [{ letter, leg, supported, loadKg: s.range?.loadKg ?? 0 }];
  });
  if (shown.length === 0) return null;
  const most = Math.max(...shown.map(({ leg }) => Math.max(1, leg.kneeNm + leg.hipNm)));
  return (
    <section aria-label="Knee and hip share one sum" className="mt-4">
      <h3>Knee and hip share one sum, per leg</h3>
      {shown.map(({ letter, leg, supported, loadKg }) => {
        const sum = leg.kneeNm + leg.hipNm;
        return (
          <div key={letter} className="mt-1 grid grid-cols-[1.2rem_1fr_5rem] items-center gap-2">
            <b>{letter}</b>
            <div
              className="flex h-7 border border-ink"
              style={{ width: `${(100 * Math.max(0, sum)) / most}%` }}
              role="img"
              aria-label={`${letter}: knee ${tidy(leg.kneeNm, 0)} and hip ${tidy(leg.hipNm, 0)} N·m of ${tidy(sum, 0)}`}
            >
              <div
                className="flex items-center overflow-hidden bg-soft px-2 text-sm text-paper"
                style={{ width: `${(100 * Math.max(0, leg.kneeNm)) / Math.max(1, sum)}%` }}
              >
                knee {tidy(leg.kneeNm, 0)}
              </div>
              <div className="flex flex-1 items-center justify-end overflow-hidden border-l-4 border-tape bg-paper px-2 text-sm">
                hip {tidy(leg.hipNm, 0)}
              </div>
            </div>
            <span className="text-sm">
              {tidy(sum, 0)} N·m
              {supported && <span className="block text-xs text-soft">less what the support carries</span>}
              {loadKg > 0 && <span className="block text-xs text-soft">with {mass(loadKg, massUnit)}</span>}
            </span>
          </div>
        );
      })}
      <p className="text-sm text-soft">
        For one depth, load and thigh the sum stays; shin and foot pressure only move the line. Lean and low
        back change with it, so this settles no quarrel about knees: it shows what is traded.
      </p>
    </section>
  );
}
