import { useState } from 'react';
import type { Build } from '../../core/body/index.ts';
import type { ResolvedVariation, Tempo } from '../../core/library/index.ts';
import type { Range } from '../../core/posture/index.ts';
import { withFault } from '../../core/track/index.ts';
import type { Performed } from '../../core/track/index.ts';
import { Stepper } from '../log/index.ts';
import { Button, Segmented, SelectField } from '../ui/index.ts';

/** Frames a second of a clip; a turn without a stop is told only of many. */
const USUAL_RATE = 15;
const FINE_RATE = 30;
/** Where the fault comes: not at first, so that there are own repetitions to compare with. */
const FROM_REP = 2;

/** What the simulated camera shows: this variation, from a side, with a fault of its sheet or none. */
export function DrawnChoice({
  build,
  resolved,
  range,
  tempo,
  onLive,
  onClip,
}: {
  build: Build;
  resolved: ResolvedVariation;
  range: Range | null;
  tempo: Tempo;
  onLive: (p: Performed) => void;
  /** @param rate frames a second */
  onClip: (p: Performed, rate: number) => void;
}) {
  const [view, setView] = useState<'side' | 'front'>('side');
  const [fault, setFault] = useState('');
  const [reps, setReps] = useState(5);
  const drawn = resolved.faults.filter((f) => f.shows?.view === view);
  const chosen = drawn.find((f) => f.slug === fault);
  const sound: Performed = { build, mechanics: resolved.mechanics, range, tempo, reps, view };
  const late = Array.from({ length: Math.max(1, reps - FROM_REP) }, (_, i) =>
    Math.min(reps - 1, i + FROM_REP),
  );
  const performed =
    chosen?.shows == null
      ? sound
      : withFault(sound, { shows: chosen.shows, cameraSign: chosen.cameraSign }, 1, late);
  return (
    <section aria-label="Simulated camera">
      <p>
        A drawn body does the set before a camera that is not there: to try out, to practise, to check.
        Nothing of it is written down.
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <Segmented
          label="It is seen from"
          named
          floor
          options={['side', 'front'] as const}
          value={view}
          onPick={setView}
        >
          {(v) => (v === 'side' ? 'the side' : 'the front')}
        </Segmented>
        <SelectField
          label="What goes wrong"
          value={chosen ? fault : ''}
          onChange={(e) => setFault(e.target.value)}
        >
          <option value="">nothing</option>
          {drawn.map((f) => (
            <option key={f.slug} value={f.slug}>
              {f.name}
            </option>
          ))}
        </SelectField>
        <Stepper
          label="Repetitions"
          value={reps}
          step={1}
          onChange={(n) => setReps(Math.min(20, Math.max(1, Math.round(n))))}
        />
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button floor tone="main" onClick={() => onLive(performed)}>
          As a camera, live
        </Button>
        <Button
          floor
          onClick={() =>
            onClip(performed, chosen?.cameraSign === 'no stop at the bottom' ? FINE_RATE : USUAL_RATE)
          }
        >
          As a clip, every frame
        </Button>
      </div>
    </section>
  );
}
