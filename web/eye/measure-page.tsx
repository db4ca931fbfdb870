import { useEffect, useMemo, useRef, useState } from 'react';
import type { ComponentProps, ReactNode } from 'react';
import { Link } from 'react-router';
import type { ByEye } from '../../contract/eye.ts';
import type { TodayPerson } from '../../contract/session.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import type { ResolvedVariation } from '../../core/library/index.ts';
import { tempoAt } from '../../core/ladder/index.ts';
import { askedOf, corrected, lookedAt, judgeSet, measureSet } from '../../core/track/index.ts';
import type { Asked, Judged, MeasureOf, MeasuredSet, Performed } from '../../core/track/index.ts';
import type { MeasuredBy } from '../../core/terms/index.ts';
import { figureAt } from '../../core/posture/index.ts';
import type { Figure } from '../../core/posture/index.ts';
import { tempoPlan } from '../../core/dose/index.ts';
import { clocks } from '../dose/index.ts';
import { solved } from '../figure/index.ts';
import { mergedSets, useParcels } from '../log/index.ts';
import { buildFor, useAddress, useAsk, useBuilds, usePeople } from '../shell/index.ts';
import { Button, Empty, Loaded, Notice, Segmented, SelectField } from '../ui/index.ts';
import { drawnFrames, framesOf } from './clip.ts';
import type { Frame } from './clip.ts';
import { ConsentForm } from './consent-form.tsx';
import { drawnCamera } from './drawn-camera.ts';
import { FilePick } from './file-pick.tsx';
import { DrawnChoice } from './drawn-choice.tsx';
import type { Tracked } from './compare-tracks.tsx';
import { FrameDesk, NOTHING_PLACED, placedOf } from './frame-desk.tsx';
import { LandmarkFiles } from './landmark-files.tsx';
import { LiveStage } from './live-stage.tsx';
import { KeepAsRange, PicturePoints } from './picture-points.tsx';
import type { PlacedAt } from './picture-points.tsx';
import { addFrame, noRecording } from './recorder.ts';
import type { Recording } from './recorder.ts';
import { Results } from './results.tsx';
import type { PicturesKept, Taken } from './results.tsx';
import { keepMeasured } from './keep-measured.ts';
import { useEye } from '../workers/index.ts';
import type { Eye } from '../workers/index.ts';

/** A set measured: with the camera, from a clip, a picture or a landmark file. */
export function MeasurePage() {
  const { params } = useAddress();
  const person = params.get('person');
  const today = useAsk('today', person ? { people: [person] } : null);
  const eye = useAsk('eye', person ? { person } : null);
  const { nameOf } = usePeople(true);
  if (!person)
    return (
      <Empty next={{ to: '/floor', what: 'Choose somebody of today' }}>
        Nobody is chosen to be measured.
      </Empty>
    );
  return (
    <Loaded query={today} what="what is asked today">
      {(data) => (
        <Loaded query={eye} what="the consent">
          {({ consent }) => {
            const of = data.people[0];
            const lines = (of?.lines ?? []).filter((l) => l.variation !== null);
            const line = lines.find((l) => l.ladder === params.get('ladder')) ?? lines[0];
            return (
              <div className="mx-auto max-w-6xl">
                <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
                  <h1>Measure: {nameOf(person)}</h1>
                  <Link className="flex min-h-14 items-center" to={`/floor/session?people=${person}`}>
                    Back to the session
                  </Link>
                </div>
                {!of || !line ? (
                  <Notice>Nothing is asked of them today that could be measured.</Notice>
                ) : !consent?.given ? (
                  <ConsentForm personId={person} name={nameOf(person)} consent={consent} />
                ) : (
                  <OfLine
                    key={line.ladder}
                    person={of}
                    line={line}
                    lines={lines}
                    date={data.date}
                    pictures={!consent.pictures ? null : consent.minor ? 'face covered' : 'as they are'}
                  />
                )}
              </div>
            );
          }}
        </Loaded>
      )}
    </Loaded>
  );
}

function OfLine(p: {
  person: TodayPerson;
  line: TodayLine;
  lines: readonly TodayLine[];
  date: string;
  pictures: PicturesKept;
}) {
  const { set } = useAddress();
  const sheet = useAsk('sheet', { slug: p.line.variation!, stage: p.line.stage, person: p.person.personId });
  return (
    <>
      {p.lines.length === 1 && <p className="text-xl font-semibold">{p.line.variationName}</p>}
      {p.lines.length > 1 && (
        <SelectField
          label="What is measured"
          className="mb-3 max-w-xl"
          value={p.line.ladder}
          onChange={(e) => set({ ladder: e.target.value })}
        >
          {p.lines.map((l) => (
            <option key={l.ladder} value={l.ladder}>
              {l.variationName}
            </option>
          ))}
        </SelectField>
      )}
      <Loaded query={sheet} what="the sheet">
        {({ resolved, revision }) => <Measuring {...p} resolved={resolved} revision={revision} />}
      </Loaded>
    </>
  );
}

/** The clock goes on for so many where no number is asked. */
const USUAL_REPS = 10;
const WAYS = ['camera', 'clip', 'picture', 'landmark file', 'simulated camera'] as const;
type Way = (typeof WAYS)[number];
const WAY_WORDS: Record<Way, string> = {
  camera: 'Camera',
  clip: 'A clip',
  picture: 'A picture, points by hand',
  'landmark file': 'A landmark file',
  'simulated camera': 'Simulated camera',
};

type Step =
  | { is: 'choosing' }
  | { is: 'live'; stream: MediaStream; by: MeasuredBy | null }
  | { is: 'reading'; done: number }
  /** By what; null: the simulated camera, of which nothing is written down. */
  | { is: 'measured'; recording: Recording; by: MeasuredBy | null };

function Measuring({
  person,
  line,
  date,
  pictures,
  resolved,
  revision,
}: {
  person: TodayPerson;
  line: TodayLine;
  date: string;
  pictures: PicturesKept;
  resolved: ResolvedVariation;
  revision: number;
}) {
  const { personId } = person;
  const parcels = useParcels();
  const builds = useBuilds();
  const checked = useAsk('eyeChecked');
  const eye = useEye();
  const [way, setWay] = useState<Way>('camera');
  const [step, setStep] = useState<Step>({ is: 'choosing' });
  const [view, setView] = useState<'side' | 'front' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState<string | null>(null);
  const [at, setAt] = useState<PlacedAt>({});
  const [beside, setBeside] = useState<Tracked | null>(null);
  const cancelled = useRef(false);
  const build = buildFor(builds, personId);
  const known = builds.some((b) => b.personId === personId);
  const { mechanics } = resolved;
  const { range } = solved(build, mechanics);
  const tempo = useMemo(() => tempoAt(resolved.source.tempo, line.target), [resolved, line]);
  const of: MeasureOf = useMemo(
    () => ({
      ...lookedAt(mechanics),
      workingIs: range?.workingIs ?? 'bottom',
      statureM: known ? build.statureM : null,
      view,
      hidden: line.loadKind === 'bar',
    }),
    [mechanics, range, known, build, view, line.loadKind],
  );
  const asked = useMemo(
    () => askedOf(build, mechanics, range, line.target.loweringS === null ? null : tempo),
    [build, mechanics, range, tempo, line.target.loweringS],
  );
  const faults = useMemo(
    () =>
      resolved.faults.flatMap(({ slug, name, cameraSign }) =>
        cameraSign ? [{ slug, name, sign: cameraSign }] : [],
      ),
    [resolved],
  );
  /** Switches the camera off that is on. */
  const off = useRef<() => void>(() => undefined);
  useEffect(
    () => () => {
      cancelled.current = true;
      off.current();
    },
    [],
  );
  const look = (stream: MediaStream, stop: () => void, by: MeasuredBy | null) => {
    off.current = stop;
    setStep({ is: 'live', stream, by });
  };
  const clock = useMemo(
    () =>
      tempo.loweringS + tempo.bottomS + tempo.risingS + tempo.topS === 0
        ? null
        : {
            start: () =>
              clocks.start({
                personId,
                label: line.variationName ?? resolved.source.name,
                path: location.pathname + location.search,
                kind: 'tempo',
                plan: tempoPlan(tempo, line.target.reps ?? USUAL_REPS, {
                  risesFirst: range?.workingIs === 'top',
                  side: null,
                }),
              }),
            stop: () => clocks.stopFor(personId),
          },
    [tempo, personId, line, range, resolved],
  );
  const leave = () => {
    off.current();
    clock?.stop();
    setStep({ is: 'choosing' });
  };

  const read = async (frames: AsyncGenerator<Frame>, by: MeasuredBy | null) => {
    cancelled.current = false;
    setProblem(null);
    setStep({ is: 'reading', done: 0 });
    try {
      await eye.wake();
      await eye.anew();
      const recording = noRecording();
      for await (const { timeS, bitmap, done } of frames) {
        if (cancelled.current) {
          bitmap.close();
          setStep({ is: 'choosing' });
          return;
        }
        [recording.width, recording.height] = [bitmap.width, bitmap.height];
        addFrame(recording, timeS, await eye.see(bitmap));
        setStep({ is: 'reading', done });
      }
      setStep({ is: 'measured', recording, by });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
      setStep({ is: 'choosing' });
    }
  };
  const camera = async () => {
    setProblem(null);
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        video: { width: { ideal: 640 }, height: { ideal: 480 }, facingMode: 'environment' },
        audio: false,
      });
      look(stream, () => stream.getTracks().forEach((t) => t.stop()), 'camera');
    } catch (error) {
      setProblem(
        error instanceof DOMException && error.name === 'NotAllowedError'
          ? 'The camera was not allowed. Allow it for this page in the settings of the browser.'
          : 'No camera was found on this device.',
      );
    }
  };
  let body: ReactNode;
  if (step.is === 'live')
    body = (
      <LiveStage
        stream={step.stream}
        eye={eye}
        of={of}
        asked={asked}
        clock={clock}
        onLeave={leave}
        onDone={(recording) => {
          off.current();
          setStep({ is: 'measured', recording, by: step.by });
        }}
      />
    );
  else if (step.is === 'reading')
    body = (
      <div role="status">
        <p className="text-xl font-semibold">
          {eye.state === 'ready'
            ? `Looking at the frames: ${Math.round(100 * step.done)} %`
            : 'Loading what finds a person …'}
        </p>
        <progress className="mt-2 w-full" value={step.done} max={1} aria-label="Frames looked at" />
        <Button onClick={() => (cancelled.current = true)}>Stop</Button>
      </div>
    );
  else if (step.is === 'measured')
    body = (
      <Measured
        eye={eye}
        recording={step.recording}
        of={of}
        asked={asked}
        computed={range && figureAt(build, mechanics, range, 1)}
        line={step.by && line}
        faults={faults}
        pictures={pictures}
        checked={checked.data ?? null}
        beside={beside}
        onBeside={(of) => {
          setBeside(of);
          // The other one is chosen as this one was.
          if (of) setStep({ is: 'choosing' });
        }}
        onAgain={() => setStep({ is: 'choosing' })}
        onTake={(measured, judged, recording, taken, byEye) => {
          const { by } = step;
          if (by === null) return;
          clocks.stopFor(personId);
          clocks.rest(personId, line.target.restS);
          const said = {
            personId,
            date,
            line,
            ofDay: mergedSets(person.sets, parcels, personId).filter((s) => s.date === date),
            resolved,
            revision,
            by,
            measured,
            judged,
            recording,
            taken,
            byEye,
          };
          keepMeasured(said)
            .then(() =>
              setKept(
                `The set is written down as measured ${by === 'camera' ? 'with the camera' : `from a ${by}`}.`,
              ),
            )
            .catch((error: unknown) =>
              setProblem(
                `The set is written down; what was measured of it could not be kept. ${error instanceof Error ? error.message : ''}`,
              ),
            );
          setStep({ is: 'choosing' });
        }}
      />
    );
  else
    body = (
      <>
        <Segmented label="How" named floor options={WAYS} value={way} onPick={setWay}>
          {(w) => WAY_WORDS[w]}
        </Segmented>
        {beside && way !== 'picture' && (
          <p className="mt-2">The next one is shown beside the one that was just measured.</p>
        )}
        {way !== 'picture' && (
          <Segmented
            label="Seen from"
            named
            floor
            options={[null, 'side', 'front'] as const}
            value={view}
            onPick={setView}
          >
            {(v) => (v === null ? 'told by the picture' : v === 'side' ? 'the side' : 'the front')}
          </Segmented>
        )}
        <div className="mt-3">
          {way === 'camera' &&
            (typeof navigator.mediaDevices === 'undefined' ? (
              <Notice tone="warn">
                A browser gives a camera only to pages of its own machine or over HTTPS. The hall’s computer
                can serve both: start it with <code>npm start -- --https</code>; it says how a tablet trusts
                it. Clips and pictures work without.
              </Notice>
            ) : (
              <Button floor tone="main" onClick={() => void camera()}>
                Open the camera
              </Button>
            ))}
          {way === 'clip' && (
            <FilePick
              label="Clip (MP4, MOV, WebM)"
              accept="video/*"
              onFile={(f) => void read(framesOf(f), 'clip')}
            />
          )}
          {way === 'picture' && (
            <PicturePoints eye={eye} lying={mechanics.type === 'bridge'} at={at} onAt={setAt}>
              <KeepAsRange at={at} hold={{ personId, date }} />
            </PicturePoints>
          )}
          {way === 'landmark file' && (
            <LandmarkFiles
              onRead={(recording) => setStep({ is: 'measured', recording, by: 'landmark file' })}
              onProblem={setProblem}
            />
          )}
          {way === 'simulated camera' && (
            <DrawnChoice
              build={build}
              resolved={resolved}
              range={range}
              tempo={tempo}
              onLive={(p: Performed) => {
                const { stream, stop } = drawnCamera(p);
                look(stream, stop, null);
              }}
              onClip={(p: Performed, rate: number) => void read(drawnFrames(p, rate), null)}
            />
          )}
        </div>
        <p className="mt-3 text-sm text-soft">
          The tablet stands still at hip height, 3 to 4 m away, exactly to the side (or straight in front for
          the knees), the whole body in the picture. Nothing of the picture leaves this device.
        </p>
      </>
    );
  return (
    <>
      {kept && <Notice>{kept}</Notice>}
      {problem && <Notice tone="warn">{problem}</Notice>}
      {body}
    </>
  );
}

/** What was recorded, measured once. */
function Measured({
  eye,
  of,
  asked,
  computed,
  onTake,
  ...rest
}: {
  of: MeasureOf;
  asked: Asked;
  computed: Figure | null;
  onTake: (
    measured: MeasuredSet,
    judged: Judged,
    recording: Recording,
    taken: Taken,
    byEye: ByEye | null,
  ) => void;
  eye: Eye;
} & Pick<
  ComponentProps<typeof Results>,
  'recording' | 'faults' | 'pictures' | 'checked' | 'line' | 'onAgain' | 'beside' | 'onBeside'
>) {
  const { recording } = rest;
  const [byHand, setByHand] = useState(NOTHING_PLACED);
  const found = useMemo(() => measureSet(recording.track, of), [recording, of]);
  const track = useMemo(
    () => (byHand.keys.length === 0 ? recording.track : corrected(recording.track, byHand.keys, found.reps)),
    [recording, byHand.keys, found],
  );
  const measured = useMemo(
    () => (byHand === NOTHING_PLACED ? found : measureSet(track, { ...of, placed: placedOf(byHand) })),
    [track, of, byHand, found],
  );
  const judged = useMemo(() => judgeSet(measured, asked), [measured, asked]);
  const seen = useMemo(() => ({ ...recording, track }), [recording, track]);
  return (
    <Results
      {...rest}
      recording={seen}
      frames={
        <FrameDesk
          recording={recording}
          track={track}
          set={measured}
          eye={eye}
          byHand={byHand}
          onChange={setByHand}
        />
      }
      set={measured}
      judged={judged}
      computed={measured.view === 'side' ? computed : null}
      onTake={(taken, byEye) => onTake(measured, judged, seen, taken, byEye)}
    />
  );
}
