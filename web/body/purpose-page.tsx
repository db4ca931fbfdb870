import { useMemo } from 'react';
import { Link } from 'react-router';
import type { EntrySummary } from '../../contract/library.ts';
import type { Build } from '../../core/body/index.ts';
import { bestOf, PURPOSES, rankFor, SHARE_BAND, tradeOf } from '../../core/demand/index.ts';
import type { PlaceOnCurve, Purpose, Ranked } from '../../core/demand/index.ts';
import { fitOf } from '../../core/kit/index.ts';
import { isComputed } from '../../core/posture/index.ts';
import { PATTERNS } from '../../core/terms/index.ts';
import { useHallThings } from '../kit/index.ts';
import { buildFor, useAddress, useBuilds, useLibrary, useUnits } from '../shell/index.ts';
import { capital, Loaded, mass, tidy } from '../ui/index.ts';
import { BuildSelect } from './build-select.tsx';
import { MomentCaution } from './demand-panel.tsx';

/** What is shown first; the rest of the list is one press away. */
const SHOWN = 15;

const PURPOSE_WORDS: Record<Purpose, { ask: string; measure: string; where?: string; note?: string }> = {
  'hips, low in the range': {
    ask: 'Hips: low in the range',
    measure: 'hip, lowest third',
    where: 'hardest for the hips there',
  },
  'hips, in the middle': {
    ask: 'Hips: in the middle',
    measure: 'hip, middle third',
    where: 'hardest for the hips there',
  },
  'hips, at the top': {
    ask: 'Hips: at the top',
    measure: 'hip, highest third',
    where: 'hardest for the hips there',
  },
  knees: { ask: 'Knees: front of the thigh', measure: 'knee, over the range' },
  'back of the thigh': {
    ask: 'Back of the thigh (hamstrings)',
    measure: 'hip, by the back of the thigh',
    note: 'How a hip’s work is shared with the gluteals is a simple model by the bend of knee and hip',
  },
  gluteals: {
    ask: 'Gluteals',
    measure: 'hip, by the gluteals',
    note: 'How a hip’s work is shared with the back of the thigh is a simple model by the bend of knee and hip',
  },
  'hips or knees, low back spared': {
    ask: 'Legs worked, low back spared',
    measure: 'leg against low back',
  },
};

const isPurpose = (v: string | null): v is Purpose => PURPOSES.some((p) => p === v);

/** All variations of the library by how much they serve a purpose, for a body and for the kit that is there. */
export function PurposePage() {
  const { query: library } = useLibrary();
  return (
    <>
      <h1>Which for this purpose</h1>
      <p className="text-soft">
        Where the moment is wanted decides: every movement of the library, worked out over its whole range.
      </p>
      <Loaded query={library} what="the library">
        {({ entries }) => <Purposes entries={entries} />}
      </Loaded>
    </>
  );
}

function Purposes({ entries }: { entries: readonly EntrySummary[] }) {
  const { params, set } = useAddress();
  const builds = useBuilds();
  const units = useUnits();
  const things = useHallThings();
  const asked = params.get('want');
  const purpose: Purpose = isPurpose(asked) ? asked : PURPOSES[0];
  const personId = params.get('for');
  const pattern = params.get('pattern') ?? '';
  const felt = params.get('felt') ?? '';
  const anyKit = params.get('kit') === 'any';
  const all = params.has('all');
  const build = useMemo(() => buildFor(builds, personId), [builds, personId]);
  const regions = useMemo(
    () => [...new Set(entries.flatMap((e) => e.facets?.felt ?? []))].sort((a, b) => a.localeCompare(b)),
    [entries],
  );
  const candidates = useMemo(
    () =>
      entries.flatMap((e) =>
        e.kind === 'variation' && !e.retired && e.mechanics && e.roles.includes('work')
          ? [{ id: e.slug, mechanics: e.mechanics, entry: e }]
          : [],
      ),
    [entries],
  );
  const ranked = useMemo(() => rankFor(build, purpose, candidates), [build, purpose, candidates]);
  const here = (e: EntrySummary) =>
    anyKit ||
    !things ||
    fitOf(
      { all: e.facets!.equipmentAll, any: e.facets!.equipmentAny, counts: new Map<string, number>() },
      (piece) => (things.here(piece).length > 0 ? Infinity : 0),
      things.equals,
    ).missing.length === 0;
  const listed = ranked.filter(
    ({ of: { entry: e } }) =>
      (!pattern || e.pattern === pattern) && (!felt || e.facets!.felt.some((r) => r === felt)) && here(e),
  );
  const most = Math.max(1, ...listed.flatMap((r) => r.curve.map((c) => Math.max(c.hipNm, c.kneeNm))));
  const words = PURPOSE_WORDS[purpose];
  return (
    <>
      <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
        <Choice label="Wanted" value={purpose} onPick={(v) => set({ want: v })}>
          {PURPOSES.map((p) => (
            <option key={p} value={p}>
              {PURPOSE_WORDS[p].ask}
            </option>
          ))}
        </Choice>
        <Choice label="Felt in" value={felt} onPick={(v) => set({ felt: v || null })}>
          <option value="">anywhere</option>
          {regions.map((r) => (
            <option key={r}>{r}</option>
          ))}
        </Choice>
        <Choice label="Pattern" value={pattern} onPick={(v) => set({ pattern: v || null })}>
          <option value="">all four</option>
          {PATTERNS.map((p) => (
            <option key={p} value={p}>
              {capital(p)}
            </option>
          ))}
        </Choice>
        <BuildSelect label="For" builds={builds} personId={personId} onChange={(id) => set({ for: id })} />
        <label className="flex min-h-10 items-center gap-1.5">
          <input
            type="checkbox"
            checked={!anyKit}
            onChange={(x) => set({ kit: x.target.checked ? null : 'any' })}
          />
          only with what is there
        </label>
      </div>
      {words.note && (
        <p className="mt-2 text-sm text-soft">
          {words.note}; from memory of the literature, ± {tidy(100 * SHARE_BAND, 0)} % of the hip’s moment.
        </p>
      )}
      <p className="mt-2 text-sm text-soft" aria-live="polite">
        {listed.length} movements{words.where && ` that are ${words.where}`}. The small curves run from the
        lowest to the highest position, all on one scale: the full line is the hip, the dashed one the knee,
        per leg.
      </p>
      <table className="mt-1 w-full max-w-4xl text-left">
        <thead>
          <tr className="border-b border-ink align-bottom">
            <th className="w-8 py-1">
              <span className="sr-only">Place</span>
            </th>
            <th>Movement</th>
            <th className="pl-3 text-right">Load</th>
            <th className="pl-3 text-right">{capital(words.measure)}</th>
            <th className="hidden pl-3 text-right sm:table-cell">Low back at most</th>
            <th className="pl-4">Hip and knee</th>
          </tr>
        </thead>
        <tbody>
          {listed.slice(0, all ? undefined : SHOWN).map((r, i) => (
            <Row
              key={r.of.id}
              rank={i + 1}
              row={r}
              most={most}
              purpose={purpose}
              build={build}
              unit={units.mass}
            />
          ))}
        </tbody>
      </table>
      {listed.length === 0 && <p className="py-2">Nothing in the library serves this with what is chosen.</p>}
      {!all && listed.length > SHOWN && (
        <button className="mt-2 underline" onClick={() => set({ all: 'yes' })}>
          All {listed.length}
        </button>
      )}
      <MomentCaution />
      <p className="text-sm text-soft">
        Pain or a restriction decides before any list; so does what a doctor or physiotherapist has said.
      </p>
    </>
  );
}

function Choice({
  label,
  value,
  onPick,
  children,
}: {
  label: string;
  value: string;
  onPick: (v: string) => void;
  children: React.ReactNode;
}) {
  return (
    <label className="block">
      <span className="label block">{label}</span>
      <select className="field" value={value} onChange={(e) => onPick(e.target.value)}>
        {children}
      </select>
    </label>
  );
}

interface RowProps {
  rank: number;
  row: Ranked<{ id: string; mechanics: NonNullable<EntrySummary['mechanics']>; entry: EntrySummary }>;
  most: number;
  purpose: Purpose;
  build: Build;
  unit: 'kg' | 'lb';
}

function Row({ rank, row: r, most, purpose, build, unit }: RowProps) {
  const { entry } = r.of;
  const trades = entry.mechanics?.type === 'lunge' || entry.mechanics?.type === 'bridge';
  return (
    <tr className="border-b border-rule align-top">
      <td className="py-1.5 text-soft">{rank}</td>
      <td className="py-1.5">
        <Link to={`/library/variation/${entry.slug}`} className="font-semibold">
          {entry.title}
        </Link>
        <span className="pl-3 text-sm">
          <Link to={`/body?a=${entry.slug}`}>take it apart</Link>
        </span>
        {trades && isComputed(r.of.mechanics) && (
          <details className="text-sm">
            <summary className="min-h-8 content-center">
              {r.of.mechanics.type === 'lunge' ? 'What the step does' : 'What the distance of the feet does'}
            </summary>
            <Trades mechanics={r.of.mechanics} build={build} purpose={purpose} />
          </details>
        )}
      </td>
      <td className="py-1.5 pl-3 text-right whitespace-nowrap">
        {r.loadKg > 0.4 ? mass(r.loadKg, unit) : <span className="text-soft">none</span>}
      </td>
      <td className="py-1.5 pl-3 text-right font-semibold whitespace-nowrap">
        {purpose === 'hips or knees, low back spared' ? `× ${tidy(r.serves, 1)}` : `${tidy(r.serves, 0)} N·m`}
      </td>
      <td className="hidden py-1.5 pl-3 text-right whitespace-nowrap sm:table-cell">
        {tidy(r.backNm, 0)} N·m
      </td>
      <td className="py-1.5 pl-4">
        <SmallCurve curve={r.curve} most={most} />
      </td>
    </tr>
  );
}

const CURVE = { width: 96, height: 30 } as const;

function SmallCurve({ curve, most }: { curve: readonly PlaceOnCurve[]; most: number }) {
  const line = (of: (c: PlaceOnCurve) => number) =>
    curve
      .map((c, i) => {
        const y = CURVE.height - 1 - ((CURVE.height - 2) * of(c)) / most;
        return `${i ? 'L' : 'M'}${(CURVE.width * c.up).toFixed(1)} ${y.toFixed(1)}`;
      })
      .join('');
  return (
    <svg width={CURVE.width} height={CURVE.height} aria-hidden="true" className="border-b border-rule">
      <path d={line((c) => c.hipNm)} fill="none" stroke="currentColor" strokeWidth="2" />
      <path
        d={line((c) => c.kneeNm)}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.5"
        strokeDasharray="3 3"
      />
    </svg>
  );
}

/** Shorter and longer steps, nearer and farther feet, in numbers; the one that serves the purpose is marked. */
function Trades({
  mechanics: m,
  build,
  purpose,
}: {
  mechanics: Parameters<typeof tradeOf>[1];
  build: Build;
  purpose: Purpose;
}) {
  const trades = useMemo(() => tradeOf(build, m), [build, m]);
  if (trades.length === 0) return <p className="text-soft">This body can do it in no other way.</p>;
  const best = bestOf(purpose, trades);
  const lunge = m.type === 'lunge';
  return (
    <table className="text-right">
      <thead>
        <tr className="border-b border-rule">
          <th className="pr-3 text-left">{lunge ? 'Step, of the right-angle one' : 'Shin at the top'}</th>
          <th className="px-2">{lunge ? 'Front hip' : 'Hip'}</th>
          <th className="px-2">{lunge ? 'Front knee' : 'Low back'}</th>
          <th className="px-2">Back of the thigh</th>
        </tr>
      </thead>
      <tbody>
        {trades.map((t) => (
          <tr key={t.value} className={t === best ? 'font-semibold' : ''}>
            <th scope="row" className="pr-3 text-left font-normal">
              {lunge
                ? `${tidy(100 * t.value, 0)} %`
                : t.value === 0
                  ? 'upright'
                  : `${Math.abs(t.value)}° feet ${t.value > 0 ? 'farther' : 'nearer'}`}
              {t === best && ' ← serves'}
            </th>
            <td className="px-2">{tidy(t.hipNm, 0)} N·m</td>
            <td className="px-2">{tidy(lunge ? t.kneeNm : t.backNm, 0)} N·m</td>
            <td className="px-2">{tidy(100 * t.hamstrings, 0)} %</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
