import { useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import { MARK_SETS, boxOf, marksFor, sheetsOf } from '../../core/kit/index.ts';
import type { MarkSet, Tape } from '../../core/kit/index.ts';
import { useAddress, useAsk, usePeople, useSigned, useUnits, useBuilds } from '../shell/index.ts';
import { Button, Empty, Notice, SelectField, capital, length } from '../ui/index.ts';

/** Usable part of a sheet, metres, with 12 mm left at each edge. */
const PAPER = {
  A4: { widthM: 0.186, heightM: 0.272 },
  Letter: { widthM: 0.1919, heightM: 0.2544 },
} as const;

const WORDS: Record<MarkSet, string> = {
  tracks: 'tracks, hip width',
  'lunge step': 'lunge step',
  'side step': 'side step',
  star: 'star',
  landing: 'landing place',
  wall: 'distance to the wall',
  'eye mark': 'mark for the eyes',
};

/** Marks that are stuck at one place; every other has a place of its own. */
const PLACES: readonly (readonly MarkSet[])[] = [
  ['tracks', 'lunge step'],
  ['side step'],
  ['star'],
  ['landing'],
  ['wall'],
  ['eye mark'],
];
const byPlace = (tapes: readonly Tape[]): Tape[][] =>
  PLACES.map((sets) => tapes.filter((t) => sets.includes(t.set))).filter((list) => list.length > 0);

/** Tape on the floor and at the wall for somebody or a squad: a drawing with centimetres, to scale or as a list. */
export function Marks() {
  const { hall } = useSigned();
  const { params, set } = useAddress();
  const { people } = usePeople();
  const squads = useAsk('squads');
  const builds = useBuilds();
  const units = useUnits();
  const [sets, setSets] = useState<readonly MarkSet[]>(['tracks', 'lunge step']);
  const [printing, setPrinting] = useState<'list' | 'scale'>('list');
  const print = (what: 'list' | 'scale') => {
    // What is printed has to stand on the page before the browser is asked to print it.
    flushSync(() => setPrinting(what));
    window.print();
  };
  const whose = params.get('for') ?? '';
  const chosen = builds.filter((b) =>
    whose.startsWith('squad ')
      ? people.find((p) => p.id === b.personId)?.squadId === whose.slice('squad '.length)
      : b.personId === whose,
  );
  const worn = useMemo(() => ({ soleM: hall.soleM }), [hall.soleM]);
  const drawn = useMemo(
    () => chosen.map((b) => ({ name: b.name, tapes: marksFor(b.build, worn, sets) })),
    // The list of builds is kept until it changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [builds, whose, worn, sets],
  );
  const first = drawn[0];
  const paper = PAPER[hall.paper];
  const scaled = useMemo(() => {
    if (!first || first.tapes.length === 0) return null;
    try {
      return byPlace(first.tapes).flatMap((tapes) =>
        sheetsOf(tapes, paper).parts.map((part) => ({ part, tapes })),
      );
    } catch (error) {
      if (error instanceof RangeError) return error.message;
      throw error;
    }
  }, [first, paper]);
  const measured = (tapes: readonly Tape[]) => tapes.filter((t) => t.m > 0);
  return (
    <>
      <style
        href={`marks-${hall.paper}`}
        precedence="default"
      >{`@page { size: ${hall.paper}; margin: 12mm; }`}</style>
      <div className="no-print">
        <div className="flex flex-wrap items-end gap-4">
          <SelectField
            label="For"
            className="w-64"
            value={whose}
            onChange={(e) => set({ for: e.target.value || null })}
          >
            <option value="">choose somebody, or a squad</option>
            {squads.data?.map((s) => (
              <option key={s.id} value={`squad ${s.id}`}>
                {s.name}
              </option>
            ))}
            {builds.map((b) => (
              <option key={b.personId} value={b.personId}>
                {b.name}
              </option>
            ))}
          </SelectField>
          <fieldset className="flex flex-wrap gap-x-4">
            <legend className="label">Marks</legend>
            {MARK_SETS.map((s) => (
              <label key={s} className="flex min-h-9 items-center gap-1.5">
                <input
                  type="checkbox"
                  className="size-4"
                  checked={sets.includes(s)}
                  onChange={(e) => setSets(e.target.checked ? [...sets, s] : sets.filter((x) => x !== s))}
                />
                {WORDS[s]}
              </label>
            ))}
          </fieldset>
        </div>
        {whose === '' ? (
          <Empty>Choose for whom the tape is stuck: whoever has a stature on record can be chosen.</Empty>
        ) : drawn.length === 0 || !first ? (
          <Empty next={{ to: '/people', what: 'To the people' }}>
            Nobody of these is measured: note how tall they are.
          </Empty>
        ) : (
          <>
            <div className="mt-3 flex flex-wrap items-start gap-8">
              <figure>
                <div className="flex max-w-[44rem] flex-wrap items-end gap-3">
                  {byPlace(first.tapes).map((tapes) => (
                    <TapeDrawing key={tapes[0]!.set} tapes={tapes} />
                  ))}
                </div>
                <figcaption className="text-sm text-soft">{first.name}, from above, ahead is up</figcaption>
              </figure>
              <TapeList drawn={drawn} />
            </div>
            {typeof scaled === 'string' && <Notice tone="warn">{scaled}</Notice>}
            <p className="mt-3 flex flex-wrap gap-3">
              <Button tone="main" onClick={() => print('list')}>
                Print the list
              </Button>
              {drawn.length === 1 && scaled && typeof scaled !== 'string' && (
                <Button onClick={() => print('scale')}>
                  Print to scale ({scaled.length} {scaled.length === 1 ? 'sheet' : 'sheets'} of {hall.paper})
                </Button>
              )}
            </p>
            <p className="text-sm text-soft">
              To scale: print at 100 %, lay the sheets edge to edge by their numbers, and check the 10 cm bar
              on the first one with a tape before anything is stuck.
            </p>
          </>
        )}
      </div>
      <div className="hidden print:block">
        {printing === 'scale' && first && scaled && typeof scaled !== 'string' ? (
          scaled.map(({ part, tapes }, i) => (
            <ScaledSheet
              key={`${tapes[0]!.set} ${part.row} ${part.column}`}
              tapes={tapes}
              part={part}
              paper={paper}
              first={i === 0}
              name={`${first.name}, ${WORDS[tapes[0]!.set]}`}
            />
          ))
        ) : (
          <>
            <h2>Tape marks</h2>
            {drawn.map((d) => (
              <section key={d.name} className="break-inside-avoid">
                <h3>{d.name}</h3>
                <ul>
                  {measured(d.tapes).map((t) => (
                    <li key={`${t.set} ${t.what}`}>
                      {capital(WORDS[t.set])}, {t.what}: {length(t.m, units.length)}
                    </li>
                  ))}
                </ul>
              </section>
            ))}
          </>
        )}
      </div>
    </>
  );
}

/** One line a mark, one column a person. */
function TapeList({ drawn }: { drawn: readonly { name: string; tapes: readonly Tape[] }[] }) {
  const units = useUnits();
  // Of a star every ray is as long.
  const rows = (drawn[0]?.tapes ?? []).filter((t) => t.m > 0 && (t.set !== 'star' || t.what === 'ray 1'));
  return (
    <div className="max-w-full overflow-x-auto">
      <table className="text-left">
        <thead>
          <tr className="border-b border-ink">
            <th className="py-1 pr-4">Mark</th>
            {drawn.map((d) => (
              <th key={d.name} className="px-2 font-normal">
                {d.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((t) => (
            <tr key={`${t.set} ${t.what}`} className="border-b border-rule">
              <th scope="row" className="py-1 pr-4 font-read font-normal">
                {capital(WORDS[t.set])}, {t.set === 'star' ? 'each ray' : t.what}
              </th>
              {drawn.map((d) => {
                const own = d.tapes.find((x) => x.set === t.set && x.what === t.what);
                return (
                  <td key={d.name} className="px-2">
                    {own ? length(own.m, units.length) : '–'}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** From above: x to the right, ahead is up; centimetres of the drawing. */
function TapeDrawing({ tapes }: { tapes: readonly Tape[] }) {
  const units = useUnits();
  const b = boxOf(tapes);
  const side = 24;
  /** Words stand at the right of what lies across. */
  const words = 104;
  const [w, h] = [100 * (b.x1 - b.x0) + side + words, 100 * (b.y1 - b.y0) + 2 * side];
  const x = (m: number) => 100 * (m - b.x0) + side;
  const y = (m: number) => h - side - 100 * (m - b.y0);
  return (
    <svg
      viewBox={`0 0 ${w} ${h}`}
      className="max-h-80 border border-rule bg-paper"
      style={{ width: `${Math.min(300, 2.2 * w)}px`, maxWidth: '100%' }}
      role="img"
      aria-label={`Tape from above: ${tapes
        .filter((t) => t.m > 0)
        .map((t) => `${t.what} ${length(t.m, units.length)}`)
        .join(', ')}`}
    >
      {tapes.map((t) => (
        <line
          key={`${t.set} ${t.what}`}
          x1={x(t.from.x)}
          y1={y(t.from.y)}
          x2={x(t.to.x)}
          y2={y(t.to.y)}
          stroke="var(--tape)"
          strokeWidth="4"
        />
      ))}
      {tapes
        .filter((t) => t.m > 0 && (t.set !== 'star' || t.what === 'ray 1'))
        .map((t) => {
          const upright = t.from.x === t.to.x && t.set !== 'star';
          const [cx, cy] = [x((t.from.x + t.to.x) / 2), y((t.from.y + t.to.y) / 2)];
          return (
            <text
              key={`${t.set} ${t.what}`}
              x={upright ? cx + 8 : t.set === 'star' ? cx + 6 : x(t.to.x) + 4}
              y={upright ? cy : cy + 2}
              fontSize="6.5"
              textAnchor={upright ? 'middle' : 'start'}
              stroke="var(--paper)"
              strokeWidth="2.5"
              paintOrder="stroke"
              transform={upright ? `rotate(-90 ${cx + 8} ${cy})` : undefined}
              fill="var(--ink)"
            >
              {t.set === 'star' ? 'each ray' : t.what} {length(t.m, units.length)}
            </text>
          );
        })}
    </svg>
  );
}

/** One sheet of the drawing, a millimetre a millimetre. */
function ScaledSheet({
  tapes,
  part,
  paper,
  first,
  name,
}: {
  tapes: readonly Tape[];
  part: { row: number; column: number; x: number; y: number };
  paper: { widthM: number; heightM: number };
  first: boolean;
  name: string;
}) {
  const [w, h] = [1000 * paper.widthM, 1000 * paper.heightM];
  const x = (m: number) => 1000 * (m - part.x);
  const y = (m: number) => h - 1000 * (m - part.y);
  return (
    <svg
      viewBox={`0 0 ${w} ${h}`}
      style={{ width: `${w}mm`, height: `${h}mm`, breakBefore: first ? 'auto' : 'page', display: 'block' }}
      data-sheet={`${part.row} ${part.column}`}
    >
      <rect
        x="0.2"
        y="0.2"
        width={w - 0.4}
        height={h - 0.4}
        fill="none"
        stroke="black"
        strokeWidth="0.2"
        strokeDasharray="2 2"
      />
      {tapes.map((t) => (
        <line
          key={`${t.set} ${t.what}`}
          x1={x(t.from.x)}
          y1={y(t.from.y)}
          x2={x(t.to.x)}
          y2={y(t.to.y)}
          stroke="black"
          strokeWidth="2"
        />
      ))}
      <text x="4" y="8" fontSize="5">
        {name}: row {part.row + 1}, column {part.column + 1}
      </text>
      {first && (
        <g>
          <path d={`M10 ${h - 10}v-4m0 2h100m0 -2v4`} stroke="black" strokeWidth="0.5" fill="none" />
          <text x="12" y={h - 16} fontSize="4">
            10 cm
          </text>
        </g>
      )}
    </svg>
  );
}
