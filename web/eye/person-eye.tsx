import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Consent, KeptMeasurement } from '../../contract/eye.ts';
import { meanOf, trackKept } from '../../core/track/index.ts';
import { queryClient, refreshAfter, send, useAsk, useLibrary } from '../shell/index.ts';
import { Button, day, Loaded, Notice, OverTime, tidy } from '../ui/index.ts';
import type { TimeLine } from '../ui/index.ts';
import { CompareTracks } from './compare-tracks.tsx';
import { ConsentForm } from './consent-form.tsx';
import { QUANTITY_WORDS, SIGN_WORDS, VIEW_WORDS } from './words.ts';

/** What a camera has measured of somebody: their consent, each set, how it went over time, and two sets beside each other. */
export function PersonEye({ personId, name }: { personId: string; name: string }) {
  const eye = useAsk('eye', { person: personId });
  return (
    <Loaded query={eye} what="what was measured">
      {({ consent, measurements }) => (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
          {consent?.given ? (
            <div className="flex flex-wrap items-center gap-4">
              <p>
                {consent.minor ? `${consent.guardian} agreed for them` : `${name} agreed`} to be measured on{' '}
                {day(consent.date)}, written down by {consent.recordedBy};{' '}
                {consent.pictures
                  ? consent.minor
                    ? 'pictures may be kept with the face covered'
                    : 'pictures may be kept'
                  : 'no pictures are kept'}
                .
              </p>
              <Withdraw personId={personId} consent={consent} />
              <Link to={`/floor/measure?person=${personId}`}>Measure a set</Link>
            </div>
          ) : (
            <ConsentForm personId={personId} name={name} consent={consent} />
          )}
          {measurements.length === 0 ? (
            <p className="text-soft">Nothing was measured yet.</p>
          ) : (
            <Measured personId={personId} list={measurements} />
          )}
        </div>
      )}
    </Loaded>
  );
}

function Withdraw({
  personId,
  consent: { minor, pictures, guardian },
}: {
  personId: string;
  consent: Consent;
}) {
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const withdraw = async () => {
    try {
      await send('keepConsent', { person: personId }, { given: false, minor, pictures, guardian });
      await refreshAfter(queryClient, 'keepConsent', { person: personId });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be kept. Try again.');
    }
  };
  if (problem) return <Notice tone="warn">{problem}</Notice>;
  if (!asking)
    return (
      <Button tone="quiet" onClick={() => setAsking(true)}>
        It is taken back
      </Button>
    );
  return (
    <span className="flex flex-wrap items-center gap-2">
      Tracks and pictures are deleted for good; numbers stay.
      <Button tone="danger" onClick={() => void withdraw()}>
        Take it back and delete them
      </Button>
      <Button tone="quiet" onClick={() => setAsking(false)}>
        No
      </Button>
    </span>
  );
}

const boundedWords = (m: ReturnType<typeof meanOf>) => (m ? `${tidy(m.value, 0)}° ± ${tidy(m.band)}` : '–');

function Measured({ personId, list }: { personId: string; list: readonly KeptMeasurement[] }) {
  const { titleOf } = useLibrary();
  const variations = [...new Set(list.map((m) => m.variation))];
  const [variation, setVariation] = useState(variations[0]!);
  const [picked, setPicked] = useState<string[]>([]);
  const own = list.filter((m) => m.variation === variation);
  const pair = picked.flatMap((id) => own.find((m) => m.id === id) ?? []);
  const lines = useMemo(() => {
    const old = list.filter((m) => m.variation === variation).reverse();
    return (['knee', 'trunk'] as const).flatMap((q, i): TimeLine[] => {
      const points = old.flatMap((m) => {
        const told = meanOf(m.reps, q);
        return told ? [{ date: m.date, v: told.value }] : [];
      });
      return points.length < 2
        ? []
        : [
            {
              name: QUANTITY_WORDS[q].toLowerCase(),
              dates: points.map((p) => p.date),
              values: points.map((p) => Math.round(p.v)),
              line: i === 0 ? 'solid' : 'dashed',
              symbol: i === 0 ? 'circle' : 'square',
            },
          ];
    });
  }, [list, variation]);
  const toggle = (id: string) =>
    setPicked((now) => (now.includes(id) ? now.filter((x) => x !== id) : [...now.slice(-1), id]));
  return (
    <section aria-label="Measured sets">
      {variations.length > 1 && (
        <label className="mb-2 block max-w-md">
          <span className="label">Movement</span>
          <select className="field mt-1" value={variation} onChange={(e) => setVariation(e.target.value)}>
            {variations.map((v) => (
              <option key={v} value={v}>
                {titleOf('variation', v)}
              </option>
            ))}
          </select>
        </label>
      )}
      <h2>{titleOf('variation', variation)}, measured</h2>
      {lines.length > 0 && (
        <OverTime
          lines={lines}
          yTitle="At the bottom, degrees"
          height={220}
          label="Measured angles over time"
        />
      )}
      <div className="overflow-x-auto">
        <table className="mt-2 w-full border-collapse">
          <thead>
            <tr className="border-b-2 border-ink text-left align-bottom">
              <th scope="col">Day</th>
              <th scope="col">Seen</th>
              <th scope="col">Repetitions</th>
              <th scope="col">Knee bent</th>
              <th scope="col">Trunk leans</th>
              <th scope="col">Down, seconds</th>
              <th scope="col">Seen in it</th>
              <th scope="col">Beside another</th>
              <th scope="col" className="sr-only">
                Delete
              </th>
            </tr>
          </thead>
          <tbody>
            {own.map((m) => (
              <tr key={m.id} className="border-b border-rule align-top tabular-nums">
                <td>{day(m.date)}</td>
                <td>
                  {VIEW_WORDS[m.view]}, {m.by}
                </td>
                <td>{m.reps.length}</td>
                {(['knee', 'trunk'] as const).map((q) => (
                  <td key={q}>{boundedWords(meanOf(m.reps, q))}</td>
                ))}
                <td>
                  {m.phaseBandS === null || m.reps.length === 0
                    ? '–'
                    : `${tidy(m.reps.reduce((n, r) => n + r.loweringS, 0) / m.reps.length, 1)} ± ${tidy(m.phaseBandS, 1)}`}
                </td>
                <td>{m.signs.map((s) => SIGN_WORDS[s]).join('; ') || 'nothing'}</td>
                <td>
                  {m.hasTrack && m.reps.length > 0 ? (
                    <label className="flex min-h-11 items-center gap-2">
                      <input type="checkbox" checked={picked.includes(m.id)} onChange={() => toggle(m.id)} />
                      <span className="sr-only">Set of {day(m.date)}</span>
                    </label>
                  ) : (
                    <span className="text-soft">no track</span>
                  )}
                </td>
                <td>
                  <Drop personId={personId} id={m.id} label={day(m.date)} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {pair.length === 2 && <Beside personId={personId} pair={pair} />}
      {own.some((m) => m.pictures.length > 0) && (
        <div className="mt-3 flex flex-wrap gap-2">
          {own.flatMap((m) =>
            m.pictures.map((p, i) => (
              <img
                key={`${m.id} ${i}`}
                src={p}
                alt={`Repetition ${i + 1} on ${day(m.date)}`}
                className="h-28"
              />
            )),
          )}
        </div>
      )}
    </section>
  );
}

/** What was measured wrongly goes for good; the set that was logged stays as it is. */
function Drop({ personId, id, label }: { personId: string; id: string; label: string }) {
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const drop = async () => {
    try {
      await send('dropMeasurement', { id }, { personId });
      await refreshAfter(queryClient, 'dropMeasurement', { id });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be deleted. Try again.');
    }
  };
  if (problem) return <span className="text-warn">{problem}</span>;
  return asking ? (
    <Button tone="danger" onClick={() => void drop()}>
      Really delete
    </Button>
  ) : (
    <Button tone="quiet" aria-label={`Delete what was measured on ${label}`} onClick={() => setAsking(true)}>
      Delete
    </Button>
  );
}

function Beside({ personId, pair }: { personId: string; pair: readonly KeptMeasurement[] }) {
  const a = useAsk('measuredTrack', { person: personId, id: pair[0]!.id });
  const b = useAsk('measuredTrack', { person: personId, id: pair[1]!.id });
  const tracks = useMemo(
    () => [a.data?.track, b.data?.track].map((t) => (t ? trackKept(t) : null)),
    [a.data, b.data],
  );
  if (!tracks[0] || !tracks[1]) return <p role="status">Loading both tracks …</p>;
  return (
    <CompareTracks
      a={{ label: day(pair[0]!.date), track: tracks[0], reps: pair[0]!.reps }}
      b={{ label: day(pair[1]!.date), track: tracks[1], reps: pair[1]!.reps }}
    />
  );
}
