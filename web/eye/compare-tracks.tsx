import { useMemo, useState } from 'react';
import { LANDMARKS, SURE, anglesIn, frameAt, momentOf } from '../../core/track/index.ts';
import type { RepTimes, Track } from '../../core/track/index.ts';
import { SelectField, tidy } from '../ui/index.ts';
import { FramePicture } from './frame-picture.tsx';
import type { Recording } from './recorder.ts';
import { Bones } from './skeleton.tsx';
import { QUANTITY_WORDS } from './words.ts';

/** A set with its track, and where its repetitions lie in it. */
export interface Tracked {
  label: string;
  track: Track;
  reps: readonly RepTimes[];
  /** Where its frames are still at hand. */
  recording?: Recording;
}

const PARTS = ['on the way', 'at the working position', 'on the way back'] as const;
const NOTHING = { knee: null, trunk: null, shin: null };

/** Two sets beside each other, joint by joint, at the same moment of their repetitions. */
export function CompareTracks({ a, b }: { a: Tracked; b: Tracked }) {
  const [phase, setPhase] = useState(1.5);
  const [rep, setRep] = useState({ a: 0, b: 0 });
  const part = PARTS[Math.min(2, Math.floor(phase))]!;
  const shown = { a: anglesAt(a, rep.a, phase), b: anglesAt(b, rep.b, phase) };
  return (
    <section aria-label="Side by side">
      <div className="grid grid-cols-2 gap-4">
        {[['a', a] as const, ['b', b] as const].map(([k, of]) => (
          <div key={k}>
            <p className="font-semibold">{of.label}</p>
            <SelectField
              label="Repetition"
              value={rep[k]}
              onChange={(e) => setRep((r) => ({ ...r, [k]: Number(e.target.value) }))}
            >
              {of.reps.map((_, i) => (
                <option key={i} value={i}>
                  {i + 1} of {of.reps.length}
                </option>
              ))}
            </SelectField>
            <OneTrack of={of} rep={rep[k]} phase={phase} />
          </div>
        ))}
      </div>
      <label className="mt-2 block">
        <span className="label">Moment: {part}</span>
        <input
          type="range"
          min={0}
          max={3}
          step={0.05}
          value={phase}
          aria-valuetext={part}
          className="w-full"
          onChange={(e) => setPhase(Number(e.target.value))}
        />
      </label>
      <table className="mt-2 w-full max-w-xl border-collapse">
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col">At this moment</th>
            <th scope="col">{a.label}</th>
            <th scope="col">{b.label}</th>
            <th scope="col">Difference</th>
          </tr>
        </thead>
        <tbody>
          {(['knee', 'trunk', 'shin'] as const).map((q) => (
            <tr key={q} className="border-b border-rule tabular-nums">
              <th scope="row" className="text-left font-normal">
                {QUANTITY_WORDS[q]}
              </th>
              <td>{shown.a[q] === null ? '–' : `${tidy(shown.a[q], 0)}°`}</td>
              <td>{shown.b[q] === null ? '–' : `${tidy(shown.b[q], 0)}°`}</td>
              <td>
                {shown.a[q] === null || shown.b[q] === null ? '–' : `${tidy(shown.b[q] - shown.a[q], 0)}°`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const anglesAt = ({ track, reps }: Tracked, rep: number, phase: number) => {
  const r = reps[rep];
  return r ? anglesIn(track, frameAt(track, momentOf(r, phase))) : NOTHING;
};

function OneTrack({
  of: { track, reps, recording },
  rep,
  phase,
}: {
  of: Tracked;
  rep: number;
  phase: number;
}) {
  const box = useMemo(() => {
    const known = LANDMARKS.flatMap((k) =>
      track.points[k].filter((p, i) => p && (track.scores[k][i] ?? 0) > SURE),
    ) as [number, number][];
    const [xs, ys] = [known.map((p) => p[0]), known.map((p) => p[1])];
    const least = (l: readonly number[]) => l.reduce((m, v) => Math.min(m, v), Infinity);
    const most = (l: readonly number[]) => l.reduce((m, v) => Math.max(m, v), -Infinity);
    const [x0, y0] = [least(xs) - 20, least(ys) - 20];
    return { x: x0, y: y0, width: most(xs) - x0 + 20, height: most(ys) - y0 + 20 };
  }, [track]);
  const r = reps[rep];
  if (!r) return <p className="text-soft">No repetition.</p>;
  if (recording?.pictures.some((p) => p))
    return (
      <FramePicture
        recording={recording}
        s={momentOf(r, phase)}
        label={`The joints in repetition ${rep + 1}`}
        className="mt-1 max-h-80 w-full"
      />
    );
  const i = frameAt(track, momentOf(r, phase));
  return (
    <svg
      role="img"
      aria-label={`The joints in repetition ${rep + 1}`}
      className="mt-1 max-h-80 w-full bg-paper"
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
    >
      <Bones
        points={LANDMARKS.map((k) => track.points[k][i] ?? ([0, 0] as const))}
        scores={LANDMARKS.map((k) => track.scores[k][i] ?? 0)}
      />
    </svg>
  );
}
