import { useEffect, useMemo } from 'react';
import type { Figure } from '../../core/posture/index.ts';
import { frameAt, laidOver } from '../../core/track/index.ts';
import { boxOf, foundIn } from './recorder.ts';
import type { Recording } from './recorder.ts';
import { Bones } from './skeleton.tsx';

/** The frame nearest to a moment, round the person, with what was found in it. */
export function FramePicture({
  recording,
  s,
  label,
  className = 'w-28',
  over = null,
}: {
  recording: Recording;
  s: number;
  label: string;
  className?: string;
  /** A figure to be laid over it, on the leg of a side. */
  over?: { figure: Figure; side: 'left' | 'right' } | null;
}) {
  const i = frameAt(recording.track, s);
  const blob = recording.pictures[i] ?? null;
  const url = useMemo(() => (blob ? URL.createObjectURL(blob) : null), [blob]);
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url]);
  const { width, height } = recording;
  const box = boxOf(recording, i);
  const laid = over && laidOver(over.figure, recording.track, i, over.side);
  return (
    <svg
      role="img"
      aria-label={label}
      className={`block shrink-0 bg-ink ${className}`}
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
    >
      {url && <image href={url} width={width} height={height} preserveAspectRatio="none" />}
      <Bones {...foundIn(recording, i)} />
      {laid && <Bones points={laid} scores={laid.map(() => 1)} dashed />}
    </svg>
  );
}
