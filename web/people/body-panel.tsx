import type { OnLadder } from '../../core/floor/index.ts';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { PersonBuild } from '../../contract/people.ts';
import { MASS_SETS, personalBuild, RANGE_METHODS, SEGMENTS } from '../../core/body/index.ts';
import type {
  Lengths,
  MassSet,
  PersonalBuild,
  RangeJoint,
  RangeMethod,
  RangeRecord,
  Segment,
} from '../../core/body/index.ts';
import { demandOf } from '../../core/demand/index.ts';
import { CannotHold, MomentCaution, PartBars } from '../body/index.ts';
import { Movement } from '../figure/index.ts';
import { useAsk, useLibrary, useSend, useSigned, useUnits } from '../shell/index.ts';
import {
  Button,
  day,
  Dialog,
  fromLength,
  length,
  Loaded,
  mass,
  Notice,
  SelectField,
  TextField,
  tidy,
  toLength,
} from '../ui/index.ts';
import { FootLoads } from './foot-loads.tsx';

const RangeChart = lazy(async () => ({ default: (await import('./range-chart.tsx')).RangeChart }));

const SEGMENT_WORDS: Record<Segment, string> = {
  foot: 'Foot, heel to toe',
  ankleHeight: 'Ankle above the floor',
  shank: 'Shank, ankle to knee',
  thigh: 'Thigh, knee to hip',
  hipShoulder: 'Hip to shoulder',
  upperArm: 'Upper arm',
  forearm: 'Forearm',
  hand: 'Hand',
  hipBreadth: 'Hip breadth',
};
const JOINT_WORDS: Record<RangeJoint, string> = {
  ankle: 'Ankle',
  hip: 'Hip',
  'back of thigh': 'Back of thigh',
  'front of hip': 'Front of hip',
};
const METHOD_WORDS: Record<RangeMethod, string> = {
  'knee to wall': 'knee to wall, toes from the wall',
  'ankle angle': 'ankle, angle',
  'hip angle': 'hip bend, angle',
  'straight-leg raise': 'back of thigh: straight leg raised lying, angle from level',
  'leg hanging': 'front of hip: leg hanging over the end of a bench, thigh below level',
};

interface Props {
  personId: string;
  ladders: readonly OnLadder[];
  /** Load of the newest set by variation, kg. */
  lastLoads: ReadonlyMap<string, number>;
}

/** A person's body: what was measured, ankle and hip range with their trend, and what the present level asks of it. */
export function BodyPanel({ personId, ladders, lastLoads }: Props) {
  const query = useAsk('build', { person: personId });
  return (
    <Loaded query={query} what="the body">
      {(known) => <Panel known={known} ladders={ladders} lastLoads={lastLoads} />}
    </Loaded>
  );
}

function Panel({ known, ladders, lastLoads }: { known: PersonBuild } & Omit<Props, 'personId'>) {
  const { me } = useSigned();
  const [open, setOpen] = useState<'build' | 'test' | null>(null);
  const own = useMemo(() => personalBuild(known), [known]);
  return (
    <section aria-label="Body and range">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2>Body and range</h2>
        {own && <Link to={`/body?person=${known.personId}`}>Open in the body room</Link>}
      </div>
      {!own ? (
        <p className="border-t border-rule py-2 text-soft">
          Stature and mass are needed before anything of the body can be computed.
        </p>
      ) : (
        <>
          <p className="border-t border-rule py-1.5">
            {own.build.measured.length > 0
              ? `Measured: ${own.build.measured.map((s) => SEGMENT_WORDS[s].split(',')[0]!.toLowerCase()).join(', ')}.`
              : 'Proportions from stature.'}{' '}
            <span className="text-soft">Table of masses: {known.massSet}.</span>
          </p>
          <RangeLine name={JOINT_WORDS.ankle} record={own.ankle} assumedDeg={own.build.ankleLimitDeg} />
          <RangeLine name={JOINT_WORDS.hip} record={own.hip} assumedDeg={own.build.hipLimitDeg} />
          {own.others.map((r) => (
            <RangeLine key={r.joint} name={JOINT_WORDS[r.joint]} record={r} assumedDeg={null} />
          ))}
          <Tests known={known} own={own} />
          <FootLoads personId={known.personId} />
          <AsksOf own={own} ladders={ladders} lastLoads={lastLoads} />
        </>
      )}
      {me.role !== 'viewer' && own && (
        <p className="mt-2 flex flex-wrap gap-2">
          <Button onClick={() => setOpen('test')}>Note a range test</Button>
          <Button onClick={() => setOpen('build')}>Measured segments</Button>
        </p>
      )}
      <Dialog title="Note a range test" open={open === 'test'} onClose={() => setOpen(null)}>
        <TestForm personId={known.personId} onDone={() => setOpen(null)} />
      </Dialog>
      <Dialog title="Measured segments" open={open === 'build'} onClose={() => setOpen(null)}>
        <BuildForm known={known} onDone={() => setOpen(null)} />
      </Dialog>
    </section>
  );
}

function RangeLine({
  name,
  record,
  assumedDeg,
}: {
  name: string;
  record: RangeRecord;
  /** What is taken instead; null: nothing is. */
  assumedDeg: number | null;
}) {
  const side = (s: 'left' | 'right') => {
    const p = record.newest[s];
    return p ? `${s} ${tidy(p.deg, 0)}° on ${day(p.date)}` : null;
  };
  const trend = record.trendDegPer4Weeks;
  return (
    <p className="border-t border-rule py-1.5">
      <b>{name}</b>{' '}
      {record.limitDeg === null ? (
        <span className="text-soft">
          never tested{assumedDeg === null ? '' : `; ${tidy(assumedDeg, 0)}° is taken`}
        </span>
      ) : (
        <>
          {tidy(record.limitDeg, 0)}° counts, the lesser side.{' '}
          <span className="text-soft">
            {[side('left'), side('right')].filter(Boolean).join(', ')}
            {trend !== null &&
              `. ${Math.abs(trend) < 0.5 ? 'No change' : `${trend > 0 ? '+' : '−'}${tidy(Math.abs(trend))}°`} in four weeks`}
            .
          </span>
        </>
      )}
    </p>
  );
}

function Tests({ known, own }: { known: PersonBuild; own: PersonalBuild }) {
  const { me } = useSigned();
  const units = useUnits();
  const [shown, setShown] = useState(false);
  const [drop, setDrop] = useState('');
  const remove = useSend('dropRangeTest', { id: drop });
  const records = [own.ankle, own.hip, ...own.others];
  const points = records.flatMap((r) => r.points);
  if (known.tests.length === 0) return null;
  return (
    <>
      <Button onClick={() => setShown(!shown)} aria-expanded={shown}>
        {shown ? 'Hide the tests' : `Show the trend and all ${known.tests.length} tests`}
      </Button>
      {shown && (
        <>
          <Suspense fallback={<p className="text-soft">Drawing …</p>}>
            <RangeChart records={records} />
          </Suspense>
          {remove.error && <Notice tone="warn">{remove.error.message}</Notice>}
          <table className="w-full text-left text-sm">
            <thead>
              <tr className="border-b border-ink">
                <th>Day</th>
                <th>Test</th>
                <th>Side</th>
                <th className="text-right">Found</th>
                <th className="text-right">Angle</th>
                <th className="sr-only">Remove</th>
              </tr>
            </thead>
            <tbody>
              {[...known.tests].reverse().map((t) => (
                <tr key={t.id} className="border-b border-rule">
                  <td>{day(t.date)}</td>
                  <td>{t.method}</td>
                  <td>{t.side}</td>
                  <td className="text-right">
                    {t.method === 'knee to wall' ? length(t.value, units.length) : `${tidy(t.value)}°`}
                  </td>
                  <td className="text-right">
                    {tidy(points.find((p) => p.testId === t.id)?.deg ?? NaN, 0)}°
                  </td>
                  <td className="text-right">
                    {me.role !== 'viewer' &&
                      (drop === t.id ? (
                        <Button tone="danger" onClick={() => remove.mutate()}>
                          Really remove
                        </Button>
                      ) : (
                        <Button
                          tone="quiet"
                          aria-label={`Remove the test of ${day(t.date)}, ${t.method}, ${t.side}`}
                          onClick={() => setDrop(t.id)}
                        >
                          Remove
                        </Button>
                      ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </>
  );
}

/** What the variation of the present level asks of this body, with the load of the newest set. */
function AsksOf({ own, ladders, lastLoads }: { own: PersonalBuild } & Omit<Props, 'personId'>) {
  const units = useUnits();
  const { find } = useLibrary();
  const standing = ladders.flatMap((on) => {
    const level = on.ladder.levels.find((l) => l.id === on.standing?.level);
    const main = find('variation', level?.main);
    return level && main?.mechanics && main.pattern ? [{ level, main }] : [];
  });
  if (standing.length === 0) return null;
  return (
    <>
      {standing.map(({ level, main }) => {
        const loadKg = lastLoads.get(main.slug);
        const d = demandOf(own.build, main.mechanics!, loadKg);
        return (
          <div key={main.slug} className="mt-2 border-t border-rule pt-2">
            <h3>
              What “{level.name}” asks
              {loadKg !== undefined && loadKg > 0 && ` with the last ${mass(loadKg, units.mass)}`}
            </h3>
            <Movement
              mechanics={main.mechanics!}
              pattern={main.pattern!}
              build={own.build}
              loadKg={loadKg}
              scale={0.8}
              detail="full"
            />
            {d.kind === 'measured' ? (
              <>
                <CannotHold demand={d} />
                <PartBars demand={d} />
              </>
            ) : (
              <p className="text-soft">{d.kind === 'cannot' ? d.why : d.reason}</p>
            )}
          </div>
        );
      })}
      <MomentCaution />
    </>
  );
}

function TestForm({ personId, onDone }: { personId: string; onDone: () => void }) {
  const units = useUnits();
  const { hall } = useSigned();
  const send = useSend('addRangeTest', { person: personId });
  const [method, setMethod] = useState<RangeMethod>('knee to wall');
  const [side, setSide] = useState<'left' | 'right'>('left');
  const [date, setDate] = useState(hall.today);
  const [value, setValue] = useState('');
  const unit = method === 'knee to wall' ? units.length : '°';
  const number = Number(value.replace(',', '.'));
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        send.mutate(
          {
            method,
            side,
            date,
            value: method === 'knee to wall' ? fromLength(number, units.length) : number,
          },
          { onSuccess: onDone },
        );
      }}
    >
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <SelectField label="Test" value={method} onChange={(e) => setMethod(e.target.value as RangeMethod)}>
        {RANGE_METHODS.map((m) => (
          <option key={m} value={m}>
            {METHOD_WORDS[m]}
          </option>
        ))}
      </SelectField>
      <SelectField label="Side" value={side} onChange={(e) => setSide(e.target.value as 'left' | 'right')}>
        <option>left</option>
        <option>right</option>
      </SelectField>
      <TextField
        label="Day"
        type="date"
        max={hall.today}
        value={date}
        onChange={(e) => setDate(e.target.value)}
      />
      <TextField
        label={`Found, in ${unit}`}
        hint={
          method === 'knee to wall'
            ? 'Heel down, knee just touching the wall: the greatest distance of the toes.'
            : undefined
        }
        inputMode="decimal"
        value={value}
        onChange={(e) => setValue(e.target.value)}
      />
      <Button
        type="submit"
        tone="main"
        disabled={value.trim() === '' || Number.isNaN(number) || send.isPending}
      >
        Keep the test
      </Button>
    </form>
  );
}

function BuildForm({ known, onDone }: { known: PersonBuild; onDone: () => void }) {
  const units = useUnits();
  const send = useSend('saveBuild', { person: known.personId });
  const usual = personalBuild({ ...known, measured: {} })!.build.lengths;
  const [massSet, setMassSet] = useState(known.massSet);
  const [texts, setTexts] = useState<Partial<Record<Segment, string>>>(() =>
    Object.fromEntries(
      SEGMENTS.flatMap((s) =>
        known.measured[s] === undefined ? [] : [[s, tidy(toLength(known.measured[s], units.length))]],
      ),
    ),
  );
  const numbers = SEGMENTS.flatMap((s): [Segment, number][] =>
    texts[s]?.trim() ? [[s, Number(texts[s].replace(',', '.'))]] : [],
  );
  return (
    <form
      className="grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        const measured: Partial<Lengths> = Object.fromEntries(
          numbers.map(([s, n]) => [s, fromLength(n, units.length)]),
        );
        send.mutate({ massSet, measured }, { onSuccess: onDone });
      }}
    >
      {send.error && <Notice tone="warn">{send.error.message}</Notice>}
      <p className="text-soft">Empty means: from stature. A measured segment changes no other one.</p>
      <SelectField
        label="Table of segment masses"
        value={massSet}
        onChange={(e) => setMassSet(e.target.value as MassSet['name'])}
      >
        {Object.values(MASS_SETS).map((m) => (
          <option key={m.name} value={m.name}>
            {m.name}: {m.source.replace(' (from memory)', '')}
          </option>
        ))}
      </SelectField>
      <div className="grid grid-cols-2 gap-3">
        {SEGMENTS.map((s) => (
          <TextField
            key={s}
            label={`${SEGMENT_WORDS[s]}, ${units.length}`}
            hint={`usual ${length(usual[s], units.length)}`}
            inputMode="decimal"
            value={texts[s] ?? ''}
            onChange={(e) => setTexts({ ...texts, [s]: e.target.value })}
          />
        ))}
      </div>
      <Button type="submit" tone="main" disabled={numbers.some(([, n]) => Number.isNaN(n)) || send.isPending}>
        Keep these
      </Button>
    </form>
  );
}
