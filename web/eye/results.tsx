import { useState } from 'react';
import type { ByEye, EyeChecked } from '../../contract/eye.ts';
import { BANDS, CHECKED_SETS, QUANTITIES, isMeasured, workingS } from '../../core/track/index.ts';
import type { Figure } from '../../core/posture/index.ts';
import type { Judged, MeasuredSet } from '../../core/track/index.ts';
import type { TodayLine } from '../../core/floor/index.ts';
import { countedWord } from '../../core/sheets/index.ts';
import { Stepper, YesNo } from '../log/index.ts';
import { Button, Dialog, tidy } from '../ui/index.ts';
import { CompareTracks } from './compare-tracks.tsx';
import type { Tracked } from './compare-tracks.tsx';
import { FramePicture } from './frame-picture.tsx';
import type { Recording } from './recorder.ts';
import { SaveTrack } from './save-track.tsx';
import {
  measureWords,
  QUANTITY_WORDS,
  saidOf,
  SIGN_WORDS,
  TEMPO_WORDS,
  VERDICT_WORDS,
  VIEW_WORDS,
} from './words.ts';

/** How pictures may be kept; null: not at all. */
export type PicturesKept = 'as they are' | 'face covered' | null;

/** What the coach takes over of what was measured. */
export interface Taken {
  /** How much was done, in what the line is counted in; null: nobody said. */
  amount: number | null;
  /** A coach watched the whole set, and nothing was wrong besides. */
  watched: boolean;
  tempo: boolean | null;
  range: boolean | null;
  rangeDeg: { value: number; band: number } | null;
  faults: { fault: string; reps: number }[];
  track: boolean;
  pictures: PicturesKept;
}

/** A fault of the variation that a camera can show. */
export interface CameraFault {
  slug: string;
  name: string;
  sign: string;
}

/** First by eye, then what was measured: evidence is offered, and nothing of it is taken over by itself. */
export function Results({
  set,
  judged,
  recording,
  faults,
  pictures,
  checked,
  line,
  computed,
  frames,
  beside,
  onBeside,
  onTake,
  onAgain,
}: {
  set: MeasuredSet;
  judged: Judged;
  recording: Recording;
  faults: readonly CameraFault[];
  pictures: PicturesKept;
  checked: EyeChecked | null;
  /** What the set is of; null: nothing of it is written down. */
  line: Pick<TodayLine, 'countedIn'> | null;
  /** The figure of this body where the movement works; null: none is computed. */
  computed: Figure | null;
  /** The frames one by one, to put right what was found. */
  frames: React.ReactNode;
  /** The set that was measured before, to be looked at beside this one; null: none is. */
  beside: Tracked | null;
  onBeside: (of: Tracked | null) => void;
  onTake: (taken: Taken, byEye: ByEye | null) => void;
  onAgain: () => void;
}) {
  const [byEye, setByEye] = useState<ByEye>({ reps: null, range: null, tempo: null });
  const [open, setOpen] = useState(false);
  const [large, setLarge] = useState<number | null>(null);
  const { rangeAngle: angle } = judged;
  const trusted = (checked?.sets ?? 0) >= CHECKED_SETS;
  const inReps = line?.countedIn === 'repetitions';
  const seenFaults = judged.seen.flatMap((s) => {
    const found = faults.filter((f) => f.sign === s.sign);
    return found.map((f) => ({ ...s, fault: f }));
  });
  // Which of two faults that look alike to a camera it is, a coach says.
  const clearFaults = seenFaults
    .filter((f) => seenFaults.filter((x) => x.sign === f.sign).length === 1)
    .map((f) => f.fault.slug);
  const [take, setTake] = useState(() => ({
    reps: trusted && inReps,
    watched: false,
    tempo: trusted && saidOf(judged.tempo) !== null,
    range: trusted && saidOf(judged.range) !== null,
    faults: trusted ? clearFaults : [],
    track: false,
    pictures: false,
  }));
  const [amount, setAmount] = useState<number | null>(null);
  const toggle = (key: 'reps' | 'watched' | 'tempo' | 'range' | 'track' | 'pictures') =>
    setTake((t) => ({ ...t, [key]: !t[key] }));
  const done = inReps ? (take.reps ? judged.whole : byEye.reps) : amount;
  if (!open) {
    return (
      <section aria-label="By eye first" className="border-t-4 border-ink bg-paper px-4 py-3">
        <h2>Say first what you saw</h2>
        <p>
          Then what was measured is shown beside it. {CHECKED_SETS} such sets tell how far both agree here.
        </p>
        <div className="mt-2 flex flex-wrap items-end gap-5">
          <Stepper
            label="Repetitions"
            value={byEye.reps ?? 0}
            step={1}
            onChange={(n) => setByEye((e) => ({ ...e, reps: Math.max(0, Math.round(n)) }))}
          />
          <YesNo
            label="Full range?"
            value={byEye.range}
            onPick={(range) => setByEye((e) => ({ ...e, range }))}
          />
          <YesNo
            label="Tempo kept?"
            value={byEye.tempo}
            onPick={(tempo) => setByEye((e) => ({ ...e, tempo }))}
          />
        </div>
        <div className="mt-3 flex flex-wrap gap-2">
          <Button floor tone="main" disabled={byEye.reps === null} onClick={() => setOpen(true)}>
            Show what was measured
          </Button>
          <Button
            floor
            tone="quiet"
            onClick={() => {
              setByEye({ reps: null, range: null, tempo: null });
              setOpen(true);
            }}
          >
            I did not watch
          </Button>
        </div>
      </section>
    );
  }
  const own = { track: recording.track, reps: set.reps, recording };
  const shownQ = QUANTITIES.filter((q) => set.reps.some((r) => isMeasured(r.at[q])));
  const hiddenQ = QUANTITIES.filter(
    (q) => !shownQ.includes(q) && BANDS[q].view !== set.view && set.view !== 'unknown',
  );
  return (
    <section aria-label="Measured">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2>
          {set.reps.length} {set.reps.length === 1 ? 'repetition' : 'repetitions'}, seen{' '}
          {VIEW_WORDS[set.view]}
        </h2>
        <p className="text-soft">
          {Math.round(set.rate)} frames a second, points {Math.round(100 * set.meanScore)} % sure
          {set.meanScore < 0.6 ? ': poor light or something before the body, wider bands' : ''}
        </p>
      </div>
      {!trusted && (
        <p className="mt-1 border-l-4 border-warn pl-2">
          Not yet checked on people here: {checked?.sets ?? 0} of {CHECKED_SETS} sets were both measured and
          judged by eye. Each figure counts only when you tick it.
        </p>
      )}
      {checked && checked.sets > 0 && (
        <p className="mt-1 text-soft">
          Against the eye here so far: repetitions the same in {checked.reps.same} of {checked.reps.of}
          {checked.range.of > 0 && `, range in ${checked.range.same} of ${checked.range.of}`}
          {checked.tempo.of > 0 && `, tempo in ${checked.tempo.same} of ${checked.tempo.of}`}.
        </p>
      )}
      {set.reps.length === 0 && (
        <p className="mt-2 font-semibold">
          No repetition was found. The whole body has to be in the picture, from the side, standing still for
          a moment before and after.
        </p>
      )}
      <div className="mt-2 overflow-x-auto">
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b-2 border-ink text-left align-bottom">
              <th scope="col" className="py-1 pr-2">
                Repetition
              </th>
              {set.phaseBandS !== null && (
                <th scope="col" className="py-1 pr-2">
                  Down, bottom, up, top
                  <span className="block text-sm font-normal text-soft">
                    seconds, each ± {tidy(set.phaseBandS, 2)}
                  </span>
                </th>
              )}
              {shownQ.map((q) => (
                <th key={q} scope="col" className="py-1 pr-2">
                  {QUANTITY_WORDS[q]}
                </th>
              ))}
              <th scope="col" className="py-1 pr-2">
                Range
              </th>
              <th scope="col" className="py-1">
                Seen
              </th>
            </tr>
          </thead>
          <tbody>
            {set.reps.map((r, i) => (
              <tr key={r.fromS} className="border-b border-rule align-top">
                <th scope="row" className="py-1 pr-2 text-left">
                  <span className="flex items-start gap-2">
                    {i + 1}
                    <button
                      type="button"
                      aria-label={`Repetition ${i + 1}, larger, with the computed posture over it`}
                      onClick={() => setLarge(i)}
                    >
                      <FramePicture
                        recording={recording}
                        s={workingS(r)}
                        label={`Repetition ${i + 1} at its working position`}
                      />
                    </button>
                  </span>
                </th>
                {set.phaseBandS !== null && (
                  <td className="py-1 pr-2 whitespace-nowrap tabular-nums">
                    {[r.loweringS, r.bottomS, r.risingS, r.topS]
                      .map((s) => (s === null ? '–' : tidy(s, 1)))
                      .join(' / ')}
                  </td>
                )}
                {shownQ.map((q) => (
                  <td key={q} className="py-1 pr-2 whitespace-nowrap tabular-nums">
                    {measureWords(q, r.at[q])}
                  </td>
                ))}
                <td className="py-1 pr-2">{judged.ranges[i] ? VERDICT_WORDS[judged.ranges[i]] : '–'}</td>
                <td className="py-1">
                  {[
                    ...judged.seen.filter((s) => s.reps.includes(i)).map((s) => SIGN_WORDS[s.sign]),
                    ...(r.partial ? ['not the whole way'] : []),
                    ...(r.unsure ? ['joints were not found well: look yourself'] : []),
                    ...(judged.stalled.includes(i) ? ['stood still on the way up'] : []),
                  ].join('; ') || 'nothing'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {set.holes.length > 0 && (
        <p className="mt-1">
          <b>Not seen:</b>{' '}
          {set.holes
            .map(
              ([a, b]) =>
                `second ${tidy(a - (recording.track.timeS[0] ?? 0), 1)} to ${tidy(b - (recording.track.timeS[0] ?? 0), 1)}`,
            )
            .join(', ')}
        </p>
      )}
      {judged.close.length > 0 && (
        <p className="mt-1">
          <b>Too close to call:</b> {judged.close.map((s) => SIGN_WORDS[s]).join('; ')}
        </p>
      )}
      <p className="mt-1 text-sm text-soft">
        Not measurable in this view:{' '}
        {[
          ...hiddenQ.map((q) => QUANTITY_WORDS[q].toLowerCase()),
          ...judged.notSeen.map((s) => SIGN_WORDS[s]),
        ].join('; ') || 'nothing of what is measured'}
        . The tilt of the hips and everything felt are for your eyes.
      </p>
      {large !== null && set.reps[large] && (
        <Dialog title={`Repetition ${large + 1}`} open wide onClose={() => setLarge(null)}>
          <FramePicture
            recording={recording}
            s={workingS(set.reps[large])}
            label={`Repetition ${large + 1}, with the computed posture over it`}
            className="max-h-[65vh] w-full"
            over={computed && { figure: computed, side: set.nearSide }}
          />
          <p className="mt-1">
            <b>Dashed:</b> the posture computed for this body, as large as their legs, from the ankle up. It
            need not be theirs: it says where to look.
          </p>
        </Dialog>
      )}
      <details className="mt-2">
        <summary className="min-h-11 content-center font-semibold">
          Frame by frame: put joints right, place the floor line or a tape, follow the heel
        </summary>
        {frames}
      </details>
      {set.reps.length > 0 &&
        (beside && beside.reps.length > 0 ? (
          <div className="mt-3">
            <CompareTracks a={beside} b={{ label: 'This one', ...own }} />
            <Button tone="quiet" onClick={() => onBeside(null)}>
              Not beside each other any more
            </Button>
          </div>
        ) : (
          <Button className="mt-2" onClick={() => onBeside({ label: 'The one before', ...own })}>
            {line === null ? 'Put another beside it' : 'Put another beside it, without writing this one down'}
          </Button>
        ))}
      <AgainstPosture judged={judged} />
      <SaveTrack set={set} recording={recording} />
      {line === null ? (
        <>
          <p className="mt-4">Nothing of the simulated camera is written down.</p>
          <Button floor className="mt-2" onClick={onAgain}>
            Measure again
          </Button>
        </>
      ) : (
        <>
          <div className="mt-4 flex flex-wrap items-baseline gap-4">
            <h3>Take over</h3>
            <Button
              tone="quiet"
              onClick={() =>
                setTake((t) => ({
                  ...t,
                  reps: inReps,
                  tempo: saidOf(judged.tempo) !== null,
                  range: saidOf(judged.range) !== null,
                  faults: clearFaults,
                }))
              }
            >
              All that was measured
            </Button>
          </div>
          <div className="mt-1 grid gap-1">
            {inReps ? (
              <Tick on={take.reps} onToggle={() => toggle('reps')}>
                {judged.whole} repetitions, {judged.clean} of them without anything seen
                {byEye.reps !== null && ` (you saw ${byEye.reps})`}
              </Tick>
            ) : (
              <Stepper
                label={`${countedWord(line)} (0: not said)`}
                value={amount ?? 0}
                step={line.countedIn === 'seconds held' ? 5 : 1}
                onChange={(n) => setAmount(n > 0 ? n : null)}
              />
            )}
            <Tick on={take.tempo} disabled={saidOf(judged.tempo) === null} onToggle={() => toggle('tempo')}>
              Tempo {judged.tempo === null ? 'not asked or not told' : TEMPO_WORDS[judged.tempo]}
              {judged.tempoSpread !== null &&
                `, lowering within ${Math.round(100 * judged.tempoSpread)} % of its mean`}
              {byEye.tempo !== null && ` (you: ${byEye.tempo ? 'kept' : 'not kept'})`}
            </Tick>
            <Tick on={take.range} disabled={saidOf(judged.range) === null} onToggle={() => toggle('range')}>
              Range {judged.range === null ? 'not told' : VERDICT_WORDS[judged.range]}
              {angle && `, ${Math.round(angle.value)}° ± ${tidy(angle.band, 1)} in the least deep one`}
              {byEye.range !== null && ` (you: ${byEye.range ? 'full' : 'short'})`}
            </Tick>
            {seenFaults.map((f) => (
              <Tick
                key={f.fault.slug}
                on={take.faults.includes(f.fault.slug)}
                onToggle={() =>
                  setTake((t) => ({
                    ...t,
                    faults: t.faults.includes(f.fault.slug)
                      ? t.faults.filter((x) => x !== f.fault.slug)
                      : [...t.faults, f.fault.slug],
                  }))
                }
              >
                {f.fault.name} in {f.reps.length} {f.reps.length === 1 ? 'repetition' : 'repetitions'}
              </Tick>
            ))}
            <Tick on={take.track} onToggle={() => toggle('track')}>
              Keep the track of the joints, for comparing later
            </Tick>
            <Tick on={take.pictures} disabled={!pictures} onToggle={() => toggle('pictures')}>
              {pictures === null
                ? 'Pictures: nobody agreed to any being kept; the drawn figure stands for them'
                : `Keep a picture of each repetition, cropped to the person${pictures === 'face covered' ? ', the face covered' : ''}`}
            </Tick>
            {byEye.reps !== null && (
              <Tick on={take.watched} onToggle={() => toggle('watched')}>
                I watched the whole set, and nothing else was wrong: it counts as watched
              </Tick>
            )}
          </div>
          <div className="mt-3 flex flex-wrap gap-2">
            <Button
              floor
              tone="main"
              disabled={done === null}
              onClick={() =>
                onTake(
                  {
                    amount: done,
                    watched: take.watched,
                    tempo: take.tempo ? saidOf(judged.tempo) : byEye.tempo,
                    range: take.range ? saidOf(judged.range) : byEye.range,
                    rangeDeg: take.range ? angle : null,
                    faults: seenFaults
                      .filter((f) => take.faults.includes(f.fault.slug))
                      .map((f) => ({ fault: f.fault.slug, reps: f.reps.length })),
                    track: take.track,
                    pictures: take.pictures ? pictures : null,
                  },
                  byEye.reps === null ? null : byEye,
                )
              }
            >
              Write the set down
            </Button>
            <Button floor onClick={onAgain}>
              Measure again, keep nothing
            </Button>
          </div>
          {done === null && <p className="mt-1">How much was done has to be taken over or said.</p>}
          <p className="mt-2 text-sm text-soft">
            A measured set shows what is in it; it does not show that nothing else was wrong, so that by
            itself it does not count as watched. No figure here is a diagnosis.
          </p>
        </>
      )}
    </section>
  );
}

/** "+5°", "−3°", or that there is none. */
const differenceWords = (deg: number): string => {
  const by = Math.round(deg);
  return by === 0 ? 'the same' : `${by > 0 ? '+' : '−'}${Math.abs(by)}°`;
};

function AgainstPosture({ judged }: { judged: Judged }) {
  const rows = (['knee', 'trunk', 'shin'] as const).flatMap((q) => {
    const d = judged.againstPosture[q];
    return d === undefined ? [] : [`${QUANTITY_WORDS[q].toLowerCase()} ${differenceWords(d)}`];
  });
  if (rows.length === 0) return null;
  return (
    <p className="mt-1">
      <b>Against the posture computed for this body:</b> {rows.join(', ')}
    </p>
  );
}

function Tick({
  on,
  disabled = false,
  onToggle,
  children,
}: {
  on: boolean;
  disabled?: boolean;
  onToggle: () => void;
  children: React.ReactNode;
}) {
  return (
    <label className={`flex min-h-11 items-center gap-2 ${disabled ? 'text-soft' : ''}`}>
      <input
        type="checkbox"
        className="size-5"
        checked={on && !disabled}
        disabled={disabled}
        onChange={onToggle}
      />
      <span>{children}</span>
    </label>
  );
}
