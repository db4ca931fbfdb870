import { useCallback, useEffect, useRef, useState } from 'react';
import { atDepth, measureSet, viewOfTrack } from '../../core/track/index.ts';
import type { Asked, MeasureOf, MeasuredRep, View } from '../../core/track/index.ts';
import { callOut, minutes, wakeAudio } from '../dose/index.ts';
import { Button, Notice, tidy } from '../ui/index.ts';
import type { SeenFrame } from '../workers/index.ts';
import { addFrame, noRecording } from './recorder.ts';
import type { Recording } from './recorder.ts';
import { Skeleton } from './skeleton.tsx';
import type { Eye } from '../workers/index.ts';
import { VIEW_HELP, VIEW_WORDS } from './words.ts';

/** Seconds of standing by which the view is told before a set begins. */
const LOOKS_S = 2;
/** Repetitions are counted again so often: a long set takes longer to go through. */
const COUNT_EVERY_MS = 600;
/** No set is longer. */
const LONGEST_S = 240;

interface Shown {
  seen: SeenFrame;
  view: View;
  reps: number;
  /** The one that was last seen to its end. */
  last: MeasuredRep | null;
  seconds: number;
  /** Frames a second that were looked at. */
  rate: number;
  /** Pixels of the frames. */
  width: number;
  height: number;
}

/** A camera that is looked through: the body found over the picture, the view, and the count while the set is recorded. */
export function LiveStage({
  stream,
  eye,
  of,
  asked,
  clock,
  onDone,
  onLeave,
}: {
  stream: MediaStream;
  eye: Eye;
  of: MeasureOf;
  asked: Asked;
  /** Starts and ends the clock that leads the tempo; null: none is asked of this movement. */
  clock: { start: () => void; stop: () => void } | null;
  onDone: (r: Recording) => void;
  onLeave: () => void;
}) {
  const video = useRef<HTMLVideoElement>(null);
  const [shown, setShown] = useState<Shown | null>(null);
  const [on, setOn] = useState(false);
  const [call, setCall] = useState(false);
  const [beep, setBeep] = useState(false);
  const [led, setLed] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const recording = useRef<Recording | null>(null);
  const finish = useCallback(() => {
    const done = recording.current;
    recording.current = null;
    setOn(false);
    clock?.stop();
    if (done && done.track.timeS.length > 0) onDone(done);
  }, [onDone, clock]);
  const latest = useRef({ of, asked, call, beep, finish });
  useEffect(() => {
    latest.current = { of, asked, call, beep, finish };
  }, [of, asked, call, beep, finish]);
  useEffect(() => {
    const v = video.current!;
    v.srcObject = stream;
    let gone = false;
    const before = noRecording();
    const loop = async () => {
      await v.play();
      await eye.wake();
      await eye.anew();
      let last = 0;
      let reps = 0;
      let lastRep: MeasuredRep | null = null;
      let deep = false;
      let counted = 0;
      let view: View = 'unknown';
      let began = performance.now();
      while (!gone) {
        await new Promise<void>((next) => v.requestVideoFrameCallback(() => next()));
        if (gone) return;
        const timeS = performance.now() / 1000;
        const frame = await createImageBitmap(v);
        const [width, height] = [frame.width, frame.height];
        const seen = await eye.see(frame);
        const own = recording.current;
        const looked = own ?? before;
        [looked.width, looked.height] = [width, height];
        addFrame(looked, timeS, seen);
        if (!own) dropBefore(before, timeS - LOOKS_S);
        // The view is told by somebody standing: as it was when the set began.
        if (!own) view = viewOfTrack(before.track).view;
        if (own && performance.now() - counted > COUNT_EVERY_MS) {
          counted = performance.now();
          const { reps: found, phaseBandS } = measureSet(own.track, latest.current.of);
          if (found.length > reps && latest.current.call) callOut(String(found.length));
          reps = found.length;
          lastRep = phaseBandS === null ? null : (found.at(-1) ?? null);
        }
        if (!own) [reps, lastRep] = [0, null];
        // A sound at depth cannot wait until the repetition is over.
        const there = own && atDepth(own.track, own.track.timeS.length - 1, latest.current.asked);
        if (there && !deep && latest.current.beep) callOut('deep');
        if (there !== null) deep = there;
        const now = performance.now();
        const rate = now - last > 0 ? 1000 / (now - last) : 0;
        last = now;
        if (!own) began = now;
        const seconds = (now - began) / 1000;
        setShown({
          seen,
          view,
          reps,
          last: lastRep,
          seconds,
          rate,
          width,
          height,
        });
        if (own && seconds > LONGEST_S) latest.current.finish();
      }
    };
    loop().catch((error: unknown) => {
      if (!gone) setProblem(error instanceof Error ? error.message : String(error));
    });
    return () => {
      gone = true;
      v.srcObject = null;
    };
    // The camera is looked through as long as it is the same one.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [stream]);
  const help = of.view ? null : shown && VIEW_HELP[shown.view];
  return (
    <section aria-label="Camera" className="grid gap-3 md:grid-cols-[1fr_18rem]">
      <div
        className="relative w-full bg-ink"
        style={{ aspectRatio: `${shown?.width ?? 640} / ${shown?.height ?? 480}` }}
      >
        <video ref={video} muted playsInline className="absolute inset-0 h-full w-full object-fill" />
        {shown && (
          <Skeleton
            points={shown.seen.points}
            scores={shown.seen.scores}
            width={shown.width}
            height={shown.height}
          />
        )}
      </div>
      <div>
        {problem && <Notice tone="warn">The picture cannot be looked at: {problem}</Notice>}
        {!shown && !problem && (
          <p role="status">
            {eye.state === 'loading' ? 'Loading what finds a person …' : 'Waiting for the camera …'}
          </p>
        )}
        {shown && (
          <>
            <p className="label">Seen {of.view ? VIEW_WORDS[of.view] : VIEW_WORDS[shown.view]}</p>
            {help && (
              <p className="font-semibold text-warn" role="status">
                {help}
              </p>
            )}
            {on && (
              <>
                <p className="font-head text-7xl leading-none font-bold tabular-nums" aria-live="polite">
                  {shown.reps}
                  <span className="sr-only"> {shown.reps === 1 ? 'repetition' : 'repetitions'}</span>
                </p>
                <p className="text-soft">
                  {shown.reps === 1 ? 'repetition' : 'repetitions'}, {minutes(shown.seconds)}
                </p>
                {shown.last && (
                  <p className="tabular-nums">
                    The last: {tidy(shown.last.loweringS, 1)} s down
                    {shown.last.bottomS !== null && `, ${tidy(shown.last.bottomS, 1)} s at the bottom`},{' '}
                    {tidy(shown.last.risingS, 1)} s up
                  </p>
                )}
              </>
            )}
            <p className="text-sm text-soft">{Math.round(shown.rate)} frames a second looked at</p>
          </>
        )}
        <div className="mt-3 grid gap-2">
          {on ? (
            <Button floor tone="main" onClick={finish}>
              The set is done
            </Button>
          ) : (
            <Button
              floor
              tone="main"
              disabled={!shown}
              onClick={() => {
                wakeAudio();
                recording.current = noRecording();
                if (led) clock?.start();
                setOn(true);
              }}
            >
              Begin the set
            </Button>
          )}
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" checked={call} onChange={(e) => setCall(e.target.checked)} /> Sound at each
            repetition
          </label>
          {Object.keys(asked.posture).length > 0 &&
            (asked.type === 'squat' || asked.type === 'lunge' || asked.type === 'hinge') && (
              <label className="flex min-h-11 items-center gap-2">
                <input type="checkbox" checked={beep} onChange={(e) => setBeep(e.target.checked)} /> Sound
                when it is deep enough
              </label>
            )}
          {clock && (
            <label className="flex min-h-11 items-center gap-2">
              <input type="checkbox" checked={led} onChange={(e) => setLed(e.target.checked)} /> The clock
              leads the tempo
            </label>
          )}
          <Button tone="quiet" onClick={onLeave}>
            Another way
          </Button>
        </div>
      </div>
    </section>
  );
}

/** What was seen before the set is kept only as long as the view is told by it. */
function dropBefore(r: Recording, sinceS: number): void {
  const times = r.track.timeS as number[];
  const old = times.findIndex((t) => t >= sinceS);
  if (old <= 0) return;
  times.splice(0, old);
  r.pictures.splice(0, old);
  for (const list of Object.values(r.track.points)) (list as unknown[]).splice(0, old);
  for (const list of Object.values(r.track.scores)) (list as unknown[]).splice(0, old);
}
