import type { SettledMechanics } from '../../core/posture/index.ts';
import type { Control } from './controls.ts';
import { Slider } from './slider.tsx';

/** Sliders and choices of a set-up, two in a row. */
export function ControlGrid({
  controls,
  onSet,
}: {
  controls: readonly Control[];
  onSet: (m: SettledMechanics) => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-x-5 gap-y-1">
      {controls.map((c) =>
        c.kind === 'slider' ? (
          <Slider
            key={c.label}
            label={c.label}
            show={c.show}
            min={c.min}
            max={c.max}
            step={c.step}
            value={c.value}
            onChange={(v) => onSet(c.set(v))}
          />
        ) : (
          <label key={c.label} className="block min-w-0">
            <span className="label block leading-tight">{c.label}</span>
            <select
              className="field min-h-8! py-0.5!"
              value={c.value}
              onChange={(e) => onSet(c.set(e.target.value))}
            >
              {c.options.map((o) => (
                <option key={o}>{o}</option>
              ))}
            </select>
          </label>
        ),
      )}
    </div>
  );
}
