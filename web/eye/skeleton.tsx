import { LANDMARKS, SURE } from '../../core/track/index.ts';
import type { Landmark } from '../../core/track/index.ts';

const BONES: readonly (readonly [Landmark, Landmark])[] = [
  ['left shoulder', 'right shoulder'],
  ['left hip', 'right hip'],
  ...(['left', 'right'] as const).flatMap(
    (s) =>
      [
        [`${s} shoulder`, `${s} hip`],
        [`${s} hip`, `${s} knee`],
        [`${s} knee`, `${s} ankle`],
        [`${s} shoulder`, `${s} elbow`],
        [`${s} elbow`, `${s} wrist`],
      ] as const,
  ),
];

interface Found {
  /** In the order of the landmarks. */
  points: readonly (readonly [number, number])[];
  scores: readonly number[];
}

/** What was found, over the frame it was found in. Laid over a picture of the same size. */
export const Skeleton = ({ width, height, ...found }: Found & { width: number; height: number }) => (
  <svg viewBox={`0 0 ${width} ${height}`} className="absolute inset-0 h-full w-full" aria-hidden="true">
    <Bones {...found} />
  </svg>
);

/** The lines and joints alone, for a picture of their own. */
export function Bones({ points, scores, dashed = false }: Found & { dashed?: boolean }) {
  const at = (k: Landmark) => LANDMARKS.indexOf(k);
  const sure = (i: number) => (scores[i] ?? 0) >= SURE;
  return (
    <>
      {BONES.map(([a, b]) => {
        const [i, j] = [at(a), at(b)];
        if (!sure(i) || !sure(j)) return null;
        const [p, q] = [points[i]!, points[j]!];
        return (
          <g key={`${a} ${b}`}>
            <line
              x1={p[0]}
              y1={p[1]}
              x2={q[0]}
              y2={q[1]}
              stroke={dashed ? '#a3310f' : '#fff'}
              strokeWidth={dashed ? 3 : 6}
              strokeDasharray={dashed ? '8 6' : undefined}
              strokeLinecap="round"
            />
            {!dashed && (
              <line
                x1={p[0]}
                y1={p[1]}
                x2={q[0]}
                y2={q[1]}
                stroke="#0c5e58"
                strokeWidth={3}
                strokeLinecap="round"
              />
            )}
          </g>
        );
      })}
      {points.map((p, i) =>
        sure(i) && !dashed ? (
          <circle key={i} cx={p[0]} cy={p[1]} r={5} fill="#fff" stroke="#0c5e58" strokeWidth={2.5} />
        ) : null,
      )}
    </>
  );
}
