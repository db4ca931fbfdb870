import { useState } from 'react';
import { bandCurve, pullAt, pullWithinKg } from '../../core/kit/index.ts';
import type { BandCurve } from '../../core/kit/index.ts';
import type { BandReading, Piece } from '../../core/terms/index.ts';
import { useSigned, useUnits } from '../shell/index.ts';
import {
  Button,
  day,
  TextField,
  fromLength,
  fromMass,
  length,
  mass,
  tidy,
  toLength,
  toMass,
} from '../ui/index.ts';

const WIDTH = 300;
const HEIGHT = 150;

const STEPS = 60;

/** The curve, or the edge of its band, as a line; from rest to a fifth beyond the last reading. */
function pointsOf(curve: BandCurve, side: -1 | 0 | 1): string[] {
  const last = curve.knots.at(-1)!;
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const at = Math.min((last.stretchM * 1.2 * i) / STEPS, last.stretchM * 1.2 - 1e-9);
    const pull = pullAt(curve, at);
    const kg = Math.max(0, (pull.known ? pull.kg : 0) + side * pullWithinKg(curve, at));
    const x = 30 + ((WIDTH - 40) * i) / STEPS;
    const y = HEIGHT - ((HEIGHT - 20) * kg) / (last.pullKg * 1.3);
    return `${x.toFixed(1)} ${y.toFixed(1)}`;
  });
}
const lineOf = (curve: BandCurve, side: -1 | 0 | 1) => `M${pointsOf(curve, side).join('L')}`;
const shapeOf = (curve: BandCurve) =>
  `M${[...pointsOf(curve, 1), ...pointsOf(curve, -1).reverse()].join('L')}Z`;

/** Readings of a luggage scale at a few lengths, and the curve through them. */
export function Readings({ piece: p, onChange }: { piece: Piece; onChange: (of: Partial<Piece>) => void }) {
  const { hall } = useSigned();
  const units = useUnits();
  const [stretch, setStretch] = useState('');
  const [pull, setPull] = useState('');
  const number = (text: string) =>
    /^\d+([.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : NaN;
  const add = () => {
    const one: BandReading = {
      stretchM: Math.round(fromLength(number(stretch), units.length) * 1000) / 1000,
      pullKg: Math.round(fromMass(number(pull), units.mass) * 1000) / 1000,
    };
    onChange({
      readings: [...p.readings.filter((r) => r.stretchM !== one.stretchM), one].sort(
        (a, b) => a.stretchM - b.stretchM,
      ),
      readOn: hall.today,
    });
    setStretch('');
    setPull('');
  };
  let curve: ReturnType<typeof bandCurve> | null = null;
  let problem: string | null = null;
  if (p.readings.length > 0) {
    try {
      curve = bandCurve(p.readings);
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      problem = error.message;
    }
  }
  const last = p.readings.at(-1);
  return (
    <fieldset className="border-t border-rule pt-3">
      <legend className="label">What it pulls</legend>
      <p className="mb-2 text-sm text-soft">
        Hang a luggage scale between hand and band. Read it at three to five stretches beyond the rest length,
        up to the stretch that is used.
      </p>
      <div className="grid items-start gap-x-6 sm:grid-cols-[22rem_minmax(0,1fr)]">
        <div>
          <ul>
            {p.readings.map((r) => (
              <li key={r.stretchM} className="flex items-center gap-3">
                <span className="w-40">
                  {length(r.stretchM, units.length)}: {mass(r.pullKg, units.mass)}
                </span>
                <Button
                  tone="quiet"
                  aria-label={`Take out the reading at ${length(r.stretchM, units.length)}`}
                  onClick={() => onChange({ readings: p.readings.filter((x) => x !== r) })}
                >
                  Take out
                </Button>
              </li>
            ))}
          </ul>
          <div className="mt-1 flex flex-wrap items-end gap-2">
            <TextField
              label={`Stretched by, ${units.length}`}
              className="w-32"
              inputMode="decimal"
              value={stretch}
              onChange={(e) => setStretch(e.target.value)}
            />
            <TextField
              label={`The scale shows, ${units.mass}`}
              className="w-36"
              inputMode="decimal"
              value={pull}
              onChange={(e) => setPull(e.target.value)}
            />
            <Button disabled={!(number(stretch) > 0) || !(number(pull) >= 0)} onClick={add}>
              Add the reading
            </Button>
          </div>
          {problem && <p className="mt-1 text-sm font-semibold text-warn">{problem}</p>}
          {p.readOn && p.readings.length > 0 && (
            <p className="mt-1 text-sm text-soft">Read on {day(p.readOn)}.</p>
          )}
        </div>
        {curve && last && (
          <svg
            viewBox={`0 0 ${WIDTH} ${HEIGHT + 20}`}
            className="w-full max-w-80"
            role="img"
            aria-label={`Pull against stretch, up to ${mass(last.pullKg, units.mass)} at ${length(last.stretchM, units.length)}`}
          >
            <path d={shapeOf(curve)} fill="var(--rule)" />
            <path d={lineOf(curve, 0)} fill="none" stroke="var(--tape)" strokeWidth="3" />
            <path d={`M30 ${HEIGHT}H${WIDTH - 10}M30 ${HEIGHT}V10`} stroke="var(--soft)" fill="none" />
            {p.readings.map((r) => (
              <circle
                key={r.stretchM}
                cx={30 + ((WIDTH - 40) * r.stretchM) / (last.stretchM * 1.2)}
                cy={HEIGHT - ((HEIGHT - 20) * r.pullKg) / (last.pullKg * 1.3)}
                r="4"
                fill="var(--ink)"
              />
            ))}
            <text x={WIDTH - 10} y={HEIGHT + 15} textAnchor="end" fontSize="12" fill="var(--soft)">
              stretch, to {tidy(toLength(last.stretchM * 1.2, units.length), 0)} {units.length}
            </text>
            <text x="34" y="18" fontSize="12" fill="var(--soft)">
              pull, to {tidy(toMass(last.pullKg * 1.3, units.mass), 0)} {units.mass}
            </text>
          </svg>
        )}
      </div>
    </fieldset>
  );
}
