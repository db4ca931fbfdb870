import { useMemo, useState } from 'react';
import {
  barsOf,
  changeBetween,
  inBarUnit,
  loadFor,
  rampOver,
  shareBar,
  warmUpLoads,
} from '../../core/kit/index.ts';
import type { BarKit, OwnBar, Sharing } from '../../core/kit/index.ts';
import { kgOf, notThere } from '../../core/terms/index.ts';
import type { Colour, Piece } from '../../core/terms/index.ts';
import { useAsk, useSigned, useUnits } from '../shell/index.ts';
import { Button, SelectField, mass, tidy } from '../ui/index.ts';

/** Somebody else who does something with a bar today. */
export interface OnBar {
  id: string;
  name: string;
  /** In all. */
  loadKg: number;
  sets: number;
}

const inKg = (thousandths: number, kit: BarKit) => kgOf(thousandths / 1000, kit.unit);
const plateWords = (side: readonly number[]) => side.map((m) => tidy(m / 1000, 3)).join(' + ');

/** The bar that a load is best put on: exact with the fewest plates, else the one that comes nearest below. */
function bestBar(bars: readonly OwnBar[], loadKg: number): OwnBar | null {
  const rated = bars.flatMap((bar) => {
    try {
      const { below, exact } = loadFor(bar.kit, inBarUnit(loadKg, bar.kit));
      return below
        ? [{ bar, exact, lacks: loadKg - inKg(below.totalT, bar.kit), plates: below.side.length }]
        : [];
    } catch (error) {
      if (error instanceof RangeError) return [];
      throw error;
    }
  });
  rated.sort((a, b) => Number(b.exact) - Number(a.exact) || a.lacks - b.lacks || a.plates - b.plates);
  return rated[0]?.bar ?? bars[0] ?? null;
}

/** Plates for the load at hand, the ramp up to it, and how people who share the bar take turns. */
export function BarPanel({
  equipment,
  loadKg,
  sets,
  name,
  others,
  onTake,
}: {
  /** Kinds of equipment that the movement needs. */
  equipment: readonly string[];
  loadKg: number;
  sets: number;
  name: string;
  others: readonly OnBar[];
  onTake?: ((kg: number) => void) | undefined;
}) {
  const { hall } = useSigned();
  const { data: pieces } = useAsk('kit');
  const [chosen, setChosen] = useState<string | null>(null);
  const bars = useMemo(() => {
    const kit = { pieces: pieces ?? [], today: hall.today, unit: hall.massUnit };
    const all = barsOf(kit, (p) => notThere(p, hall.today) === null);
    const needed = all.filter((b) => equipment.includes(b.equipment));
    return needed.length > 0 ? needed : all;
  }, [pieces, hall, equipment]);
  const bar = bars.find((b) => b.pieceId === chosen) ?? bestBar(bars, loadKg);
  if (!pieces || !bar || loadKg <= 0) return null;
  const colours = coloursOf(pieces, bar.kit);
  return (
    <section aria-label="The bar" className="border-y border-rule py-2">
      <LoadOnBar kit={bar.kit} loadKg={loadKg} colours={colours} onTake={onTake} />
      {bars.length > 1 && (
        <SelectField
          label="Bar"
          className="max-w-60"
          value={bar.pieceId}
          onChange={(e) => setChosen(e.target.value)}
        >
          {bars.map((b) => (
            <option key={b.pieceId} value={b.pieceId}>
              {[b.name, `${tidy(b.kit.barT / 1000, 2)} ${b.kit.unit}`].filter(Boolean).join(', ')}
            </option>
          ))}
        </SelectField>
      )}
      <details>
        <summary className="min-h-11 py-2">Warm-up up to it</summary>
        <RampUp kit={bar.kit} loadKg={loadKg} />
      </details>
      {others.length > 0 && (
        <details>
          <summary className="min-h-11 py-2">Share the bar</summary>
          <ShareBar kit={bar.kit} self={{ id: 'self', name, loadKg, sets }} others={others} />
        </details>
      )}
    </section>
  );
}

type Colours = ReadonlyMap<number, Colour>;

function coloursOf(pieces: readonly Piece[], kit: BarKit): Colours {
  return new Map(
    pieces.flatMap((p) =>
      p.form === 'plates' && p.colour && p.sizes.mass
        ? [[inBarUnit(kgOf(p.sizes.mass, p.unit), kit), p.colour] as const]
        : [],
    ),
  );
}

function LoadOnBar({
  kit,
  loadKg,
  colours,
  onTake,
}: {
  kit: BarKit;
  loadKg: number;
  colours: Colours;
  onTake?: ((kg: number) => void) | undefined;
}) {
  const units = useUnits();
  const { below, exact, aboveT } = loadFor(kit, inBarUnit(loadKg, kit));
  const kg = (thousandths: number) => mass(inKg(thousandths, kit), units.mass);
  return (
    <>
      <p className="text-lg">
        {below === null ? (
          <strong>{`Lighter than this bar, which weighs ${kg(kit.barT)} by itself.`}</strong>
        ) : below.side.length === 0 ? (
          <>
            {kg(below.totalT)}: <strong>the empty bar</strong>
          </>
        ) : (
          <>
            {kg(below.totalT)}: <strong>{plateWords(below.side)}</strong> {kit.unit} a side
            {kit.collarsT > 0 && ', collars counted'}
          </>
        )}
      </p>
      {!exact && (
        <p className="flex flex-wrap items-center gap-2">
          <span className="text-warn">
            {mass(loadKg, units.mass)} cannot be made{below ? `: ${kg(below.totalT)} is the next below` : ''}
            {aboveT === null ? '; there is nothing heavier.' : `, ${kg(aboveT)} the next above.`}
          </span>
          {onTake && below && (
            <Button onClick={() => onTake(inKg(below.totalT, kit))}>Take {kg(below.totalT)}</Button>
          )}
          {onTake && aboveT !== null && (
            <Button onClick={() => onTake(inKg(aboveT, kit))}>Take {kg(aboveT)}</Button>
          )}
        </p>
      )}
      {below && below.side.length > 0 && <BarPicture side={below.side} colours={colours} unit={kit.unit} />}
    </>
  );
}

const BAR = { height: 96, sleeve: 230, plate: 26, gap: 3 };

/** One end of the bar with its plates, the heaviest inside, each with its number and the hall’s own colour. */
export function BarPicture({
  side,
  colours,
  unit,
}: {
  side: readonly number[];
  colours: Colours;
  unit: string;
}) {
  const most = Math.max(...side);
  const width = Math.max(BAR.sleeve, 70 + side.length * (BAR.plate + BAR.gap) + 30);
  const middle = BAR.height / 2;
  return (
    <svg
      viewBox={`0 0 ${width} ${BAR.height + 18}`}
      className="h-28 max-w-full"
      role="img"
      aria-label={`On each side from inside: ${plateWords(side)} ${unit}`}
    >
      <rect x="0" y={middle - 4} width="46" height="8" fill="var(--soft)" />
      <rect x="46" y={middle - 11} width="8" height="22" fill="var(--ink)" />
      <rect x="54" y={middle - 7} width={width - 60} height="14" fill="var(--rule)" stroke="var(--soft)" />
      {side.map((m, i) => {
        const height = 26 + (BAR.height - 26) * Math.sqrt(m / most);
        const x = 58 + i * (BAR.plate + BAR.gap);
        const colour = colours.get(m);
        return (
          // Like plates have like masses: their place tells them apart.
          <g key={i}>
            <rect
              x={x}
              y={middle - height / 2}
              width={BAR.plate}
              height={height}
              rx="3"
              fill={colour ? `var(--kit-${colour})` : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth="1.5"
            />
            <text
              x={x + BAR.plate / 2}
              y={BAR.height + 14}
              textAnchor="middle"
              fontSize="13"
              fill="var(--ink)"
            >
              {tidy(m / 1000, 2)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

const changeWords = (from: readonly number[], to: readonly number[]): string => {
  const { off, on } = changeBetween(from, to);
  return [
    ...(off.length > 0 ? [`off ${plateWords(off)}`] : []),
    ...(on.length > 0 ? [`on ${plateWords(on)}`] : []),
  ].join(', ');
};

function RampUp({ kit, loadKg }: { kit: BarKit; loadKg: number }) {
  const units = useUnits();
  const { below } = loadFor(kit, inBarUnit(loadKg, kit));
  if (!below) return <p className="text-soft">Begin with the lightest bar there is.</p>;
  const warm = warmUpLoads(kit, below.totalT);
  const ramp = rampOver(kit, [...warm.map((w) => w.totalT), below.totalT]);
  return (
    <>
      <ol>
        {ramp.steps.map((s, i) => (
          <li key={s.totalT} className="grid grid-cols-[5.5rem_5rem_1fr] gap-x-2 border-b border-rule py-1">
            <strong>{mass(inKg(s.totalT, kit), units.mass)}</strong>
            <span>{i < warm.length ? `× ${warm[i]!.reps}` : 'the work'}</span>
            <span className="text-soft">
              {s.moves === 0 ? 'as it lies' : `a side ${changeWords(ramp.steps[i - 1]?.side ?? [], s.side)}`}
            </span>
          </li>
        ))}
      </ol>
      <p className="text-sm text-soft">
        {ramp.moves} plates handled on each side in all. Fewer steps will do for somebody who is warm.
      </p>
    </>
  );
}

const MOST_WITH = 3;

function ShareBar({ kit, self, others }: { kit: BarKit; self: OnBar; others: readonly OnBar[] }) {
  const units = useUnits();
  const [ids, setIds] = useState<readonly string[]>([]);
  const people = [self, ...others.filter((o) => ids.includes(o.id))];
  const nameOf = new Map(people.map((p) => [p.id, p.name]));
  let shared: Sharing | null = null;
  if (people.length > 1) {
    shared = shareBar(
      kit,
      people.map((p) => {
        const { below } = loadFor(kit, inBarUnit(p.loadKg, kit));
        return {
          id: p.id,
          loadsT: Array<number>(Math.min(6, Math.max(1, p.sets))).fill(below?.totalT ?? kit.barT),
        };
      }),
    );
  }
  return (
    <>
      <div className="flex flex-wrap gap-x-4" role="group" aria-label="Who shares the bar">
        {others.map((o) => (
          <label key={o.id} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={ids.includes(o.id)}
              disabled={!ids.includes(o.id) && ids.length >= MOST_WITH - 1}
              onChange={(e) => setIds(e.target.checked ? [...ids, o.id] : ids.filter((x) => x !== o.id))}
            />
            {o.name}, {mass(o.loadKg, units.mass)}
          </label>
        ))}
      </div>
      {shared && (
        <>
          <p className="font-semibold">
            {shared.order.map((id) => nameOf.get(id)).join(', then ')}: {shared.moves} plates handled on each
            side
            {shared.movesAsGiven > shared.moves && `, ${shared.movesAsGiven} the other way round`}.
          </p>
          <ol>
            {shared.steps.map((s, i) => (
              <li
                key={`${s.id} ${s.set}`}
                className="grid grid-cols-[1fr_5.5rem_1.4fr] gap-x-2 border-b border-rule py-1"
              >
                <span>
                  {nameOf.get(s.id)}, set {s.set}
                </span>
                <strong>{mass(inKg(s.totalT, kit), units.mass)}</strong>
                <span className="text-soft">
                  {s.moves === 0
                    ? 'as it lies'
                    : `a side ${changeWords(shared.steps[i - 1]?.side ?? [], s.side)}`}
                </span>
              </li>
            ))}
          </ol>
        </>
      )}
      <p className="text-sm text-soft">
        Hooks and safeties are set anew for each who needs other numbers: look at both sides.
      </p>
    </>
  );
}
