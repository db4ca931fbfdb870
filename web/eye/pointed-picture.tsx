import { useRef } from 'react';
import type { KeyboardEvent, PointerEvent, ReactNode } from 'react';

export type At = readonly [number, number];

/** Pixels of the picture that the loupe shows, and how large it is on the screen. */
const LOUPE = { of: 60, px: 150 } as const;

/** A picture on which one point at a time is placed: by pointing, and by arrow keys a pixel further, with Shift ten. */
export function PointedPicture<K extends string>({
  url,
  width,
  height,
  at,
  placing,
  names,
  onPlace,
  children,
}: {
  url: string;
  /** Of what the points are measured in. */
  width: number;
  height: number;
  at: Partial<Record<K, At>>;
  placing: K;
  names: readonly K[];
  onPlace: (p: At) => void;
  /** Drawn beneath the points, in the pixels of the picture. */
  children?: ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  const here = at[placing];
  const place = (p: At) => onPlace([Math.min(width, Math.max(0, p[0])), Math.min(height, Math.max(0, p[1]))]);
  const pointOf = (e: PointerEvent): At => {
    const r = box.current!.getBoundingClientRect();
    return [((e.clientX - r.left) / r.width) * width, ((e.clientY - r.top) / r.height) * height];
  };
  const nudge = (e: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (!by || !here) return;
    e.preventDefault();
    const step = e.shiftKey ? 10 : 1;
    place([here[0] + step * by[0]!, here[1] + step * by[1]!]);
  };
  return (
    <div
      ref={box}
      role="application"
      aria-label={`Picture. ${placing} ${here ? 'is placed; arrow keys move it' : 'is not placed yet: tap it'}`}
      tabIndex={0}
      className="relative w-full touch-none select-none"
      style={{ aspectRatio: `${width} / ${height}` }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        e.currentTarget.focus({ preventScroll: true });
        place(pointOf(e));
      }}
      onPointerMove={(e) => e.buttons > 0 && place(pointOf(e))}
      onKeyDown={nudge}
    >
      <img
        src={url}
        alt="The picture that is measured"
        className="absolute inset-0 h-full w-full"
        draggable={false}
      />
      <svg viewBox={`0 0 ${width} ${height}`} className="pointer-events-none absolute inset-0 h-full w-full">
        {children}
        {names.map((k) => {
          const p = at[k];
          return (
            p && (
              <circle
                key={k}
                cx={p[0]}
                cy={p[1]}
                r={width / (k === placing ? 70 : 110)}
                fill="none"
                stroke={k === placing ? '#a3310f' : '#0c5e58'}
                strokeWidth={width / 250}
              />
            )
          );
        })}
      </svg>
    </div>
  );
}

/** What lies round the point that is being placed, larger. */
export const Loupe = ({
  url,
  width,
  height,
  here,
}: {
  url: string;
  width: number;
  height: number;
  here: At;
}) => (
  <div
    className="mt-2 border border-rule bg-ink"
    aria-hidden="true"
    style={{
      width: LOUPE.px,
      height: LOUPE.px,
      backgroundImage: `linear-gradient(#a3310f,#a3310f),linear-gradient(#a3310f,#a3310f),url(${url})`,
      backgroundRepeat: 'no-repeat',
      backgroundSize: `1px 20px, 20px 1px, ${(width * LOUPE.px) / LOUPE.of}px ${(height * LOUPE.px) / LOUPE.of}px`,
      backgroundPosition: `center, center, ${LOUPE.px / 2 - (here[0] * LOUPE.px) / LOUPE.of}px ${LOUPE.px / 2 - (here[1] * LOUPE.px) / LOUPE.of}px`,
    }}
  />
);
