import { useEffect, useMemo, useState } from 'react';
import { LANDMARKS, keyFramesOf, rollDeg } from '../../core/track/index.ts';
import type { KeyFrame, Landmark, MeasuredSet, PlacedOnClip, Track } from '../../core/track/index.ts';
import { Button, Notice, SelectField, tidy } from '../ui/index.ts';
import type { Eye } from '../workers/index.ts';
import { Loupe, PointedPicture } from './pointed-picture.tsx';
import type { At } from './pointed-picture.tsx';
import { foundIn } from './recorder.ts';
import type { Recording } from './recorder.ts';
import { Bones } from './skeleton.tsx';

const ON_CLIP = [
  'floor, left',
  'floor, right',
  'tape, one end',
  'tape, other end',
  'heel',
  'still spot',
] as const;
type OnClip = (typeof ON_CLIP)[number];
type Pointed = Landmark | OnClip;
const POINTED: readonly Pointed[] = [...LANDMARKS, ...ON_CLIP];

/** Metres between the two ends of the tape. */
const TAPE_M = 1;
/** Ends nearer than this are no tape and no line, pixels. */
const LEAST_PX = 20;
/** Without repetitions a step from frame to frame goes so far, seconds. */
const STEP_S = 0.25;

/** What a coach placed on the frames of a clip. */
export interface ByHand {
  keys: readonly KeyFrame[];
  at: Partial<Record<OnClip, At>>;
  /** Of each frame, once the heel was followed. */
  heelCm: readonly (number | null)[] | null;
}
export const NOTHING_PLACED: ByHand = { keys: [], at: {}, heelCm: null };

const apart = (a?: At, b?: At): number | null => {
  const px = a && b ? Math.hypot(a[0] - b[0], a[1] - b[1]) : 0;
  return px >= LEAST_PX ? px : null;
};

/** What of it changes the measures. */
export function placedOf({ at, heelCm }: ByHand): PlacedOnClip {
  const tape = apart(at['tape, one end'], at['tape, other end']);
  const [left, right] = [at['floor, left'], at['floor, right']];
  return {
    metresPerPx: tape === null ? null : TAPE_M / tape,
    rollDeg: left && right && apart(left, right) !== null ? rollDeg(left, right) : 0,
    heelCm,
  };
}

/** The frames of a set one by one: joints put right, the floor line and a tape placed, the heel followed. */
export function FrameDesk({
  recording,
  track,
  set,
  eye,
  byHand,
  onChange,
}: {
  recording: Recording;
  /** As corrected so far. */
  track: Track;
  set: MeasuredSet;
  eye: Eye;
  byHand: ByHand;
  onChange: (b: ByHand) => void;
}) {
  const keyFrames = useMemo(() => keyFramesOf(track, set.reps), [track, set.reps]);
  const last = Math.max(0, track.timeS.length - 1);
  const [frame, setFrame] = useState(keyFrames[3] ?? 0);
  const [placing, setPlacing] = useState<Pointed>(`${set.nearSide} knee`);
  const [following, setFollowing] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const blob = recording.pictures[frame] ?? null;
  const url = useMemo(() => (blob ? URL.createObjectURL(blob) : null), [blob]);
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url]);
  if (!recording.pictures.some((p) => p))
    return <p className="text-soft">A landmark file has no frames to place anything on.</p>;
  const now: Recording = { ...recording, track };
  const { points, scores } = foundIn(now, frame);
  const at: Partial<Record<Pointed, At>> = {
    ...Object.fromEntries(LANDMARKS.flatMap((k, i) => (scores[i]! >= 0.3 ? [[k, points[i]!]] : []))),
    ...byHand.at,
  };
  const steps =
    keyFrames.length > 0
      ? keyFrames
      : Array.from({ length: last + 1 }, (_, i) => i).filter(
          (i) => i % Math.max(1, Math.round(STEP_S * set.rate)) === 0,
        );
  const to = (way: 1 | -1) =>
    setFrame((f) => (way === 1 ? steps.find((k) => k > f) : steps.findLast((k) => k < f)) ?? f);
  const place = (p: At) => {
    if ((ON_CLIP as readonly Pointed[]).includes(placing)) {
      const moved = placing === 'heel' || placing === 'still spot';
      onChange({ ...byHand, at: { ...byHand.at, [placing]: p }, heelCm: moved ? null : byHand.heelCm });
      return;
    }
    const others = byHand.keys.filter((k) => k.frame !== frame);
    const own = byHand.keys.find((k) => k.frame === frame)?.points ?? {};
    onChange({ ...byHand, keys: [...others, { frame, points: { ...own, [placing]: p } }] });
  };
  const follow = async () => {
    const heel = byHand.at.heel;
    if (!heel || set.pxPerM === null) return;
    setFollowing(true);
    setProblem(null);
    try {
      await eye.wake();
      const heelCm = await eye.follow(recording.pictures, {
        width: recording.width,
        heel,
        still: byHand.at['still spot'] ?? null,
        standing: frame,
        pxPerM: set.pxPerM,
      });
      if (heelCm.filter((c) => c !== null).length < heelCm.length / 2)
        setProblem(
          'The heel was not found again in most of the frames. The picture has to show it large (190 pixels a metre or more), and the camera has to stand still.',
        );
      onChange({ ...byHand, heelCm });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    } finally {
      setFollowing(false);
    }
  };
  const { metresPerPx, rollDeg: roll } = placedOf(byHand);
  const changed = byHand.keys.find((k) => k.frame === frame);
  const here = at[placing];
  return (
    <div className="mt-2 grid gap-4 lg:grid-cols-[1fr_22rem]">
      <div>
        {url ? (
          <PointedPicture
            url={url}
            width={recording.width}
            height={recording.height}
            at={at}
            placing={placing}
            names={POINTED}
            onPlace={place}
          >
            <Bones points={points} scores={scores} />
            {(['floor, ', 'tape, '] as const).map((of) => {
              const [a, b] = ON_CLIP.filter((k) => k.startsWith(of)).map((k) => byHand.at[k]);
              return (
                a &&
                b && (
                  <line key={of} x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="#a3310f" strokeWidth={2} />
                )
              );
            })}
          </PointedPicture>
        ) : (
          <p className="text-soft">This frame was not kept.</p>
        )}
        <label className="mt-2 block">
          <span className="label">
            Frame {frame + 1} of {last + 1}, second{' '}
            {tidy((track.timeS[frame] ?? 0) - (track.timeS[0] ?? 0), 2)}
          </span>
          <input
            type="range"
            min={0}
            max={last}
            value={frame}
            className="w-full"
            onChange={(e) => setFrame(Number(e.target.value))}
          />
        </label>
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => to(-1)}>Key frame before</Button>
          <Button onClick={() => to(1)}>Next key frame</Button>
        </div>
      </div>
      <div>
        <SelectField
          label="What is placed"
          value={placing}
          onChange={(e) => setPlacing(e.target.value as Pointed)}
        >
          <optgroup label="Joints, in this frame">
            {LANDMARKS.map((k) => (
              <option key={k}>{k}</option>
            ))}
          </optgroup>
          <optgroup label="For the whole clip">
            {ON_CLIP.map((k) => (
              <option key={k}>{k}</option>
            ))}
          </optgroup>
        </SelectField>
        {url && here && <Loupe url={url} width={recording.width} height={recording.height} here={here} />}
        <p className="mt-2 text-sm text-soft">
          Tap it in the picture; arrow keys move it by a pixel, with Shift by ten. A joint put right counts
          from the beginning of its repetition to its end, so place it in each key frame where it is wrong.
        </p>
        <ul className="mt-2 grid gap-1">
          <li>
            {byHand.keys.length === 0
              ? 'No joint is put right.'
              : `Joints put right in ${byHand.keys.length} ${byHand.keys.length === 1 ? 'frame' : 'frames'}.`}
            {changed && (
              <Button
                tone="quiet"
                onClick={() => onChange({ ...byHand, keys: byHand.keys.filter((k) => k !== changed) })}
              >
                Take back those of this frame
              </Button>
            )}
          </li>
          <li>
            {roll === 0 ? 'The camera is taken as level.' : `The floor line: turned by ${tidy(roll, 1)}°.`}
          </li>
          <li>
            {metresPerPx !== null
              ? `Scale by the tape of 1.00 m: ${Math.round(1 / metresPerPx)} pixels a metre.`
              : set.pxPerM !== null
                ? `Scale by their height: ${Math.round(set.pxPerM)} pixels a metre.`
                : 'No scale: place both ends of a tape of 1.00 m that lies where they stand.'}
          </li>
        </ul>
        <div className="mt-2">
          <Button
            disabled={!byHand.at.heel || set.pxPerM === null || following}
            onClick={() => void follow()}
          >
            {following ? 'Following …' : 'Follow the heel from this frame'}
          </Button>
          <p className="mt-1 text-sm text-soft">
            {byHand.heelCm
              ? 'The heel is followed: see the table.'
              : 'Choose a frame with the heel on the floor and tap the back of the shoe at the sole. A still spot on the floor takes out what the camera shakes.'}
          </p>
        </div>
        {problem && <Notice tone="warn">{problem}</Notice>}
        {(byHand.keys.length > 0 || Object.keys(byHand.at).length > 0) && (
          <Button tone="quiet" onClick={() => onChange(NOTHING_PLACED)}>
            All away, as it was found
          </Button>
        )}
      </div>
    </div>
  );
}
