import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { RunsOfHall } from '../../contract/fit.ts';
import type { RunWhy } from '../../core/floor/index.ts';
import type { RunResult } from '../../core/kit/index.ts';
import { aboutMeasure } from '../../core/terms/index.ts';
import { useAddress, useAsk, useLibrary, usePeople, useUnits } from '../shell/index.ts';
import { Empty, Loaded, SelectField, length } from '../ui/index.ts';
import { misfitWords } from './words.ts';
import type { Units } from './words.ts';

/** What each result is called, and its mark in the table: told apart without colour. */
type Shown = RunResult | 'barred';
const RESULTS: Record<Shown, { words: string; mark: string; look: string }> = {
  open: { words: 'can be run', mark: '', look: 'bg-tape' },
  'with an equal': { words: 'with an equal', mark: '=', look: 'border-tape text-ink' },
  'with a note': { words: 'with a note', mark: '!', look: 'border-soft text-ink' },
  hole: { words: 'cannot', mark: '×', look: 'border-warn text-warn font-bold' },
  barred: { words: 'barred for them', mark: '–', look: 'border-rule text-soft' },
};

const shownAs = ({ result, why }: RunsOfHall['levels'][number]['cells'][number]): Shown =>
  result === 'hole' && why.every((w) => w.what === 'barred') && why.length > 0 ? 'barred' : result;

/** Why a level is no plain open one, as a sentence. */
export function whyWords(
  why: RunWhy,
  nameOf: (kind: 'equipment' | 'variation', slug: string) => string,
  units: Units,
): string {
  switch (why.what) {
    case 'missing':
      return `no ${nameOf('equipment', why.equipment)}, or too few`;
    case 'does not fit': {
      const { words } = aboutMeasure(why.measure);
      const w = why.wouldDo;
      return `${words}: nothing fits${w ? `; ${length(w.fromM, units.length)} to ${length(w.toM, units.length)} would do` : ''}`;
    }
    case 'with a note':
      return `${aboutMeasure(why.measure).words}: ${why.misfit ? misfitWords(why.misfit, units) : 'not quite'}`;
    case 'equal':
      return `${nameOf('equipment', why.by)} for ${nameOf('equipment', why.needed)}`;
    case 'instead':
      return `as ${nameOf('variation', why.variation)}`;
    case 'barred':
      return 'barred at the moment';
  }
}

/** Level by level and person by person what the hall can run, and why not. */
export function Runs() {
  const runs = useAsk('runs');
  return (
    <Loaded query={runs} what="what can be run">
      {(data) =>
        data.people.length === 0 ? (
          <Empty next={{ to: '/people', what: 'To the people' }}>You look after nobody yet.</Empty>
        ) : (
          <Table data={data} />
        )
      }
    </Loaded>
  );
}

function Table({ data }: { data: RunsOfHall }) {
  const { params, set } = useAddress();
  const { entries } = useLibrary();
  const { nameOf: personName } = usePeople();
  const units = useUnits();
  const nameOf = useMemo(() => {
    const titles = new Map(entries.map((e) => [`${e.kind}/${e.slug}`, e.title]));
    return (kind: string, slug: string) => titles.get(`${kind}/${slug}`) ?? slug;
  }, [entries]);
  const ladders = [...new Set(data.levels.map((l) => l.ladder))];
  const holesIn = (ladder: string) =>
    data.levels
      .filter((l) => l.ladder === ladder)
      .reduce((n, l) => n + l.cells.filter((c) => shownAs(c) === 'hole').length, 0);
  const standing = (ladder: string) => data.at.filter((a) => a[ladder] !== undefined).length;
  const mostStood = [...ladders].sort((a, b) => standing(b) - standing(a))[0]!;
  const ladder = params.get('ladder') ?? ladders.find((l) => holesIn(l) > 0) ?? mostStood;
  const levels = data.levels.filter((l) => l.ladder === ladder).reverse();
  // Who stands on the ladder comes first, by level.
  const order = data.people
    .map((id, i) => ({ id, i, at: levels.findIndex((l) => l.level === data.at[i]?.[ladder]) }))
    .sort((a, b) => Number(a.at === -1) - Number(b.at === -1) || a.at - b.at);
  const [picked, pick] = useState<{ level: string; person: string } | null>(null);
  const shown = picked && levels.find((l) => l.level === picked.level);
  const cell = shown && shown.cells[data.people.indexOf(picked.person)];
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <SelectField
          label="Ladder"
          className="w-72"
          value={ladder}
          onChange={(e) => set({ ladder: e.target.value })}
        >
          {ladders.map((l) => (
            <option key={l} value={l}>
              {nameOf('ladder', l)}
              {holesIn(l) > 0 ? ` (${holesIn(l)} cannot)` : ''}
            </option>
          ))}
        </SelectField>
        <p className="flex flex-wrap gap-x-4 text-sm">
          {(Object.keys(RESULTS) as Shown[]).map((r) => (
            <span key={r} className="flex items-center gap-1.5">
              <Mark result={r} /> {RESULTS[r].words}
            </span>
          ))}
          <span className="flex items-center gap-1.5">
            <Mark result="open" here /> stands here
          </span>
        </p>
      </div>
      {/* A page of its own to scroll in, so that the names of the levels stay. */}
      <div className="max-w-full overflow-x-auto">
        <table className="border-separate border-spacing-0.5">
          <thead>
            <tr>
              <th className="sticky left-0 z-10 bg-ground" />
              <th className="px-1 align-bottom text-sm font-normal text-soft">at once</th>
              {order.map(({ id }) => (
                <th key={id} className="h-40 w-7 align-bottom font-normal">
                  <span className="inline-block max-h-40 rotate-180 overflow-hidden text-sm whitespace-nowrap [writing-mode:vertical-rl]">
                    {personName(id)}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {levels.map((l) => (
              <tr key={l.level}>
                <th
                  scope="row"
                  className="sticky left-0 z-10 min-w-48 bg-ground pr-2 text-left font-read font-normal"
                >
                  {l.number}. {l.name}
                </th>
                <td className="px-1 text-center text-sm text-soft">{l.atOnce ?? '–'}</td>
                {order.map(({ id, i }) => {
                  const c = l.cells[i]!;
                  const here = data.at[i]?.[ladder] === l.level;
                  return (
                    <td key={id}>
                      <button
                        type="button"
                        aria-label={`${personName(id)}, ${l.name}: ${RESULTS[shownAs(c)].words}`}
                        aria-pressed={picked?.level === l.level && picked.person === id}
                        onClick={() => pick({ level: l.level, person: id })}
                        className="block"
                      >
                        <Mark result={shownAs(c)} here={here} />
                      </button>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {shown && cell && picked && (
        <p role="status" className="mt-3 border-l-[6px] border-tape bg-paper px-4 py-2">
          <strong>
            {personName(picked.person)}, {shown.name}: {RESULTS[shownAs(cell)].words}.
          </strong>{' '}
          {cell.why.map((w) => whyWords(w, nameOf, units)).join('; ')}
          {cell.why.length > 0 && '. '}
          <Link to={`/library/variation/${shown.main}?for=${picked.person}`}>How it is set for them</Link>
        </p>
      )}
      <Holes data={data} ladder={ladder} nameOf={nameOf} />
    </>
  );
}

const Mark = ({ result, here = false }: { result: Shown; here?: boolean }) => (
  <span
    className={`inline-flex size-6 items-center justify-center border text-sm leading-none ${RESULTS[result].look} ${here ? 'outline-2 outline-offset-1 outline-ink' : ''}`}
  >
    {RESULTS[result].mark}
  </span>
);

/** What cannot be run on a ladder, by reason, with whom it concerns. */
function Holes({
  data,
  ladder,
  nameOf,
}: {
  data: RunsOfHall;
  ladder: string;
  nameOf: (kind: string, slug: string) => string;
}) {
  const units = useUnits();
  const { nameOf: personName } = usePeople();
  const rows = data.levels
    .filter((l) => l.ladder === ladder)
    .flatMap((l) => {
      const byWhy = new Map<string, string[]>();
      l.cells.forEach((c, i) => {
        if (shownAs(c) !== 'hole') return;
        const why =
          c.why
            .map((w) =>
              whyWords({ ...w, ...(w.what === 'does not fit' ? { wouldDo: null } : {}) }, nameOf, units),
            )
            .join('; ') || 'nothing is known of it';
        byWhy.set(why, [...(byWhy.get(why) ?? []), personName(data.people[i]!)]);
      });
      return [...byWhy].map(([why, people]) => ({ level: l.name, why, people }));
    });
  if (rows.length === 0)
    return <p className="mt-3 text-soft">Every level of this ladder can be run for everybody.</p>;
  return (
    <section className="mt-4" aria-label="What cannot be run">
      <h2>Cannot be run</h2>
      <ul>
        {rows.map((r) => (
          <li key={`${r.level} ${r.why}`} className="border-b border-rule py-1">
            <strong>{r.level}</strong>: {r.why}.{' '}
            <span className="text-soft">
              {r.people.length > 6
                ? `${r.people.slice(0, 6).join(', ')} and ${r.people.length - 6} more`
                : r.people.join(', ')}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
