import { useDeferredValue, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { EntrySummary } from '../../contract/library.ts';
import { MASS_SETS } from '../../core/body/index.ts';
import type { Build, MassSet } from '../../core/body/index.ts';
import { frameOf } from '../figure/index.ts';
import { useBuilds, useLibrary, useUnits } from '../shell/index.ts';
import type { NamedBuild } from '../shell/index.ts';
import { Button, length, Loaded, mass, tidy } from '../ui/index.ts';
import { buildFrom, REFERENCE_STATE, stateOf } from './body-state.ts';
import type { BodyState } from './body-state.ts';
import { CompareTable, SumBars } from './compare.tsx';
import type { Units } from './controls.ts';
import { Curves } from './curves.tsx';
import { MomentCaution } from './demand-panel.tsx';
import { EqualLoadPanel } from './equal.tsx';
import { Side, sideFrom, sideFromStart, solveSide, WhyAndHelp } from './side.tsx';
import type { SideState } from './side.tsx';
import { Slider } from './slider.tsx';
import { Sources } from './sources.tsx';

/** The body room: change a body and a set-up and see at once what follows; two of them side by side. */
export function BodyRoom() {
  const { query: library } = useLibrary();
  const builds = useBuilds();
  const [params] = useSearchParams();
  const wanted = params.get('person');
  return (
    <Loaded query={library} what="the library">
      {({ entries }) => (
        // Starts again once the person asked for in the address is there.
        <Room
          key={builds.some((b) => b.personId === wanted) ? wanted : 'any'}
          entries={entries}
          builds={builds}
        />
      )}
    </Loaded>
  );
}

function Room({ entries, builds }: { entries: readonly EntrySummary[]; builds: readonly NamedBuild[] }) {
  const units = useUnits();
  const [params] = useSearchParams();
  const movements = useMemo(
    () =>
      entries.filter(
        (e) => e.kind === 'variation' && !e.retired && e.mechanics && e.mechanics.type !== 'drawn',
      ),
    [entries],
  );
  const named = (slug: string | null) => movements.find((e) => e.slug === slug);
  const person = builds.find((b) => b.personId === params.get('person'));
  const [body, setBody] = useState<BodyState>(() => (person ? stateOf(person) : REFERENCE_STATE));
  const [a, setA] = useState<SideState>(() => {
    const start = named(params.get('a'));
    return start ? sideFrom(start) : sideFromStart(0);
  });
  const [b, setB] = useState<SideState | null>(() => {
    const start = named(params.get('b'));
    return start ? sideFrom(start) : null;
  });
  const [at, setAt] = useState(1);

  const build = useMemo(() => buildFrom(body), [body]);
  const sideA = useMemo(() => solveSide(build, a, at), [build, a, at]);
  const sideB = useMemo(() => (b ? solveSide(build, b, at) : null), [build, b, at]);
  const frame = useMemo(() => {
    const figures = [sideA.figure, sideB?.figure].filter((f) => f !== null && f !== undefined);
    return figures.length ? frameOf(figures) : undefined;
  }, [sideA, sideB]);
  const curves = useMemo(
    () =>
      [['A', sideA] as const, ...(sideB ? [['B', sideB] as const] : [])].flatMap(([letter, s]) =>
        s.range ? [{ letter, name: s.state.name, range: s.range }] : [],
      ),
    // The place in the repetition moves no curve.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [sideA.range, sideB?.range, a.name, b?.name],
  );
  const late = useDeferredValue({ sideA, sideB, build });

  return (
    <>
      <h1>Body room</h1>
      <p className="text-soft">
        One body, one or two set-ups: what holds, what leans, and what hip, knee and low back carry.{' '}
        <Link to="/body/purpose" className="text-ink">
          Which for this purpose?
        </Link>
      </p>
      <div className="mt-3 grid gap-6 lg:grid-cols-[15rem_1fr]">
        <BodyPanel body={body} build={build} builds={builds} units={units} onChange={setBody} />
        <div className="min-w-0">
          <div className="grid gap-6 md:grid-cols-2">
            <Side
              letter="A"
              side={sideA}
              build={build}
              entries={movements}
              units={units}
              frame={frame}
              onChange={setA}
            />
            {sideB ? (
              <Side
                letter="B"
                side={sideB}
                build={build}
                entries={movements}
                units={units}
                frame={frame}
                onChange={setB}
                onRemove={() => setB(null)}
              />
            ) : (
              <div className="grid content-start gap-3 border-l border-rule pl-6">
                <p className="text-soft">
                  Set a second one beside it: the same set-up to change, or another movement.
                </p>
                <div className="flex flex-wrap gap-2">
                  <Button tone="main" onClick={() => setB(a)}>
                    The same again as B
                  </Button>
                  <Button onClick={() => setB(sideFromStart(7))}>A thrust as B</Button>
                </div>
                <CompareTable a={sideA} b={null} units={units} />
              </div>
            )}
          </div>
          <div className="mt-3 max-w-md">
            <Slider
              label="Place in the repetition"
              show={at === 1 ? 'working position' : at === 0 ? 'start' : `${tidy(100 * at, 0)} % of the way`}
              min={0}
              max={1}
              step={0.025}
              value={at}
              onChange={setAt}
            />
          </div>
        </div>
      </div>
      <div className="mt-4 grid gap-x-10 gap-y-4 lg:grid-cols-2">
        <div>
          {sideB && <CompareTable a={sideA} b={sideB} units={units} />}
          {b && (
            <div className="mt-3">
              <EqualLoadPanel build={build} a={a} b={b} unit={units.mass} />
            </div>
          )}
          <SumBars sides={[['A', sideA], ...(sideB ? [['B', sideB] as const] : [])]} massUnit={units.mass} />
          <MomentCaution />
        </div>
        <div className="grid content-start gap-4">
          <WhyAndHelp letter="A" side={late.sideA} build={late.build} units={units} />
          {late.sideB && <WhyAndHelp letter="B" side={late.sideB} build={late.build} units={units} />}
        </div>
      </div>
      {curves.length > 0 && (
        <div className="mt-6">
          <Curves curves={curves} />
        </div>
      )}
      <Sources />
    </>
  );
}

const MASS_WORDS: Record<MassSet['name'], string> = {
  reference: 'Dempster (reference)',
  women: 'de Leva, women',
  men: 'de Leva, men',
};

interface PanelProps {
  body: BodyState;
  build: Build;
  builds: readonly NamedBuild[];
  units: Units;
  onChange: (b: BodyState) => void;
}

function BodyPanel({ body, build, builds, units, onChange }: PanelProps) {
  const set = (change: Partial<BodyState>) => onChange({ ...body, ...change });
  const segment = (key: 'thigh' | 'shank' | 'trunk', label: string, m: number) => (
    <Slider
      label={label}
      show={`${length(m, units.length)} (${body[key] === 1 ? 'usual' : `${tidy(100 * body[key], 1)} %`})`}
      min={0.85}
      max={1.15}
      step={0.005}
      value={body[key]}
      onChange={(v) => set({ [key]: v })}
    />
  );
  const own = builds.find((x) => x.personId === body.personId);
  return (
    <section aria-label="Body" className="grid content-start gap-1.5 border-t-[7px] border-tape pt-2">
      <h2 className="text-base">Body</h2>
      <label className="block">
        <span className="label block leading-tight">Whose</span>
        <select
          className="field min-h-8! py-0.5!"
          value={body.personId ?? ''}
          onChange={(e) => {
            const found = builds.find((x) => x.personId === e.target.value);
            onChange(found ? stateOf(found) : REFERENCE_STATE);
          }}
        >
          <option value="">The reference build</option>
          {builds.map((x) => (
            <option key={x.personId} value={x.personId}>
              {x.name}
            </option>
          ))}
        </select>
      </label>
      {own && own.assumed.length > 0 && (
        <p className="text-sm text-soft">Not measured, so taken as usual: {own.assumed.join(', ')}.</p>
      )}
      <Slider
        label="Stature"
        show={length(body.statureM, units.length)}
        min={1.4}
        max={2.1}
        step={0.01}
        value={body.statureM}
        onChange={(v) => set({ statureM: v })}
      />
      <Slider
        label="Mass"
        show={mass(body.massKg, units.mass)}
        min={35}
        max={150}
        step={0.5}
        value={body.massKg}
        onChange={(v) => set({ massKg: v })}
      />
      {segment('thigh', 'Thigh', build.lengths.thigh)}
      {segment('shank', 'Shank', build.lengths.shank)}
      {segment('trunk', 'Hip to shoulder', build.lengths.hipShoulder)}
      <label className="flex items-start gap-2 text-sm">
        <input
          type="checkbox"
          className="mt-1"
          checked={body.others === 'rescaled'}
          onChange={(e) => set({ others: e.target.checked ? 'rescaled' : 'kept' })}
        />
        The other segments give way, so that the stature holds
      </label>
      <Slider
        label="Ankle range"
        show={`${tidy(body.ankleDeg, 0)}°`}
        min={5}
        max={50}
        step={1}
        value={body.ankleDeg}
        onChange={(v) => set({ ankleDeg: v })}
      />
      <Slider
        label="Hip range"
        show={`${tidy(body.hipDeg, 0)}°`}
        min={80}
        max={160}
        step={1}
        value={body.hipDeg}
        onChange={(v) => set({ hipDeg: v })}
      />
      <label className="block">
        <span className="label block leading-tight">Table of segment masses</span>
        <select
          className="field min-h-8! py-0.5!"
          value={body.massSet}
          onChange={(e) => set({ massSet: e.target.value as MassSet['name'] })}
        >
          {Object.keys(MASS_SETS).map((k) => (
            <option key={k} value={k}>
              {MASS_WORDS[k as MassSet['name']]}
            </option>
          ))}
        </select>
      </label>
      <Button onClick={() => onChange(own ? stateOf(own) : REFERENCE_STATE)}>Back to where it began</Button>
    </section>
  );
}
