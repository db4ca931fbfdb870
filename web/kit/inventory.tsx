import { useEffect, useMemo, useRef, useState } from 'react';
import type { PieceInHall } from '../../contract/kit.ts';
import type { EntrySummary } from '../../contract/library.ts';
import { sizesTyped, typedSizes } from '../../core/kit/index.ts';
import { aboutForm, aboutSize, blankPiece, monthsAfter } from '../../core/terms/index.ts';
import type { PieceForm, Size } from '../../core/terms/index.ts';
import { useSend, useSigned, useUnits } from '../shell/index.ts';
import { Button, Notice, fromLength, tidy, toLength } from '../ui/index.ts';
import { formsOf } from './words.ts';

/** Forms told apart by one number: they are typed in a row. */
const BY_ONE: Partial<Record<PieceForm, Size>> = {
  height: 'heightM',
  pad: 'thicknessM',
  ball: 'seatM',
  weight: 'mass',
  bar: 'mass',
  plates: 'mass',
  collars: 'mass',
};

/**
 * A first inventory: tick what is there and type the sizes, a line for each kind. What has more to it than one number
 * (racks, adjustable benches, bands) is ticked here and measured afterwards.
 */
export function Inventory({
  things,
  pieces,
}: {
  things: readonly EntrySummary[];
  pieces: readonly PieceInHall[];
}) {
  const units = useUnits();
  const { hall } = useSigned();
  const none = useSend('savePieces');
  const unsaid = things.filter((t) => !pieces.some((p) => p.equipment === t.slug));
  const noneOf = (t: EntrySummary) => ({
    ...blankPiece(crypto.randomUUID(), t.slug, { count: 0 }),
    edit: 0,
  });
  return (
    <>
      <p className="mb-3 max-w-3xl text-soft">
        Walk through the hall with this page. Tick what is there; type how many, or the sizes with how many of
        each: <code>30 x2; 45; 60</code>, and a whole row of dumbbells as <code>2-10 by 2 x2</code>. Heights
        in {units.length}, weights as they are marked. Each line is kept when you leave it.
      </p>
      {unsaid.length > 0 && (
        <p className="mb-3 flex flex-wrap items-center gap-3">
          Of {unsaid.length} of {things.length} kinds nobody has said anything: the hall is taken to have
          them.
          <Button disabled={none.isPending} onClick={() => none.mutate({ pieces: unsaid.map(noneOf) })}>
            The hall has none of these
          </Button>
        </p>
      )}
      {none.error && <Notice tone="warn">{none.error.message}</Notice>}
      <table className="w-full max-w-5xl text-left">
        <thead>
          <tr className="border-b border-ink">
            <th className="w-12 py-1">Here</th>
            <th>Kit</th>
            <th className="w-[22rem]">How many, or sizes</th>
            <th>Where it stands</th>
          </tr>
        </thead>
        <tbody>
          {things.map((t) =>
            formsOf(t).map((form, i) => (
              <Line
                key={`${t.slug} ${form} ${hall.massUnit}`}
                thing={t}
                form={form}
                first={i === 0}
                pieces={pieces.filter(
                  (p) => p.equipment === t.slug && (p.form === form || (i === 0 && p.form === 'thing')),
                )}
              />
            )),
          )}
        </tbody>
      </table>
    </>
  );
}

function Line({
  thing,
  form,
  first,
  pieces,
}: {
  thing: EntrySummary;
  form: PieceForm;
  first: boolean;
  pieces: readonly PieceInHall[];
}) {
  const { hall } = useSigned();
  const units = useUnits();
  const save = useSend('savePieces');
  const size = BY_ONE[form] ?? null;
  const isLength = size !== null && aboutSize(size).is === 'length';
  const unit = size === null ? '' : isLength ? units.length : hall.massUnit;
  const toShown = (value: number) => (isLength ? Number(tidy(toLength(value, units.length), 1)) : value);
  const fromShown = (value: number) =>
    isLength ? Math.round(fromLength(value, units.length) * 10_000) / 10_000 : value;
  const known = useMemo(() => {
    if (size === null) return String(pieces.reduce((n, p) => n + p.count, 0) || '');
    const sized = pieces.flatMap((p) => {
      const value = p.sizes[size];
      return typeof value === 'number' && p.count > 0 ? [{ value: toShown(value), count: p.count }] : [];
    });
    return sizesTyped(sized) || String(pieces.reduce((n, p) => n + p.count, 0) || '');
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the units of the line are its key
  }, [pieces, size]);
  const [text, setText] = useState(known);
  // Shown at once; what is kept follows.
  const [ticked, setTicked] = useState<boolean | null>(null);
  const before = useRef<string | null>(null);
  const again = useRef(false);
  const [place, setPlace] = useState(pieces[0]?.place ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const here = pieces.some((p) => p.count > 0);
  const inspectedOn = hall.today;
  const fresh = (count: number, sizes: PieceInHall['sizes']): PieceInHall => ({
    ...blankPiece(crypto.randomUUID(), thing.slug, {
      form: size === null && form !== 'thing' ? form : Object.keys(sizes).length > 0 ? form : 'thing',
      count,
      place,
      unit: hall.massUnit,
      sizes,
      inspectedOn,
      nextInspection: monthsAfter(inspectedOn, thing.inspectMonths ?? aboutForm(form).inspectMonths),
    }),
    edit: 0,
  });
  /** What the line says, as changes of what is there: like sizes keep their piece and its history. */
  const changed = (typed: string, at: string, counted: boolean): PieceInHall[] => {
    const free = [...pieces];
    const take = (fits: (p: PieceInHall) => boolean) => {
      const i = free.findIndex(fits);
      return i === -1 ? null : free.splice(i, 1)[0]!;
    };
    const told: PieceInHall[] = [];
    if (size === null || counted || isCount(typed)) {
      const count = Number(typed.trim() || '0');
      const now = take(() => true);
      told.push(now ? { ...now, count, place: at } : { ...fresh(count, {}), place: at });
    } else {
      for (const { value, count } of typedSizes(typed)) {
        const sized = fromShown(value);
        const now =
          take((p) => Math.abs(Number(p.sizes[size] ?? NaN) - sized) < 0.0005) ??
          take((p) => p.form === 'thing');
        told.push(
          now
            ? { ...now, form, count, place: at, sizes: { ...now.sizes, [size]: sized } }
            : { ...fresh(count, { [size]: sized }), place: at },
        );
      }
      if (told.length === 0 && pieces.length > 0) told.push({ ...take(() => true)!, count: 0, place: at });
    }
    // What is no longer named is none of, and keeps its history.
    for (const p of free) if (p.count > 0) told.push({ ...p, count: 0 });
    return told.filter((p) => {
      const before = pieces.find((x) => x.id === p.id);
      return JSON.stringify(before) !== JSON.stringify(p);
    });
  };
  /** A small bare number is how many there are: nothing is 6 cm high here. */
  const isCount = (typed: string) => isLength && /^\d$/.test(typed.trim());
  const keep = (typed = text, counted = false) => {
    // The next one starts from what is kept of this one.
    if (save.isPending) {
      again.current = true;
      return;
    }
    try {
      setProblem(null);
      const list = changed(typed, place, counted);
      if (list.length > 0 && (typed.trim() !== '' || pieces.length > 0))
        save.mutate({ pieces: list }, { onError: () => setTicked(null) });
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      setProblem(error.message);
    }
  };
  useEffect(() => {
    if (!again.current || save.isPending) return;
    again.current = false;
    keep();
  });
  const label = first ? thing.title : `${thing.title}: ${aboutForm(form).words}`;
  const more = form !== 'thing' && size === null && here;
  return (
    <tr className={`align-baseline ${first ? 'border-t border-rule' : ''}`}>
      <td className="py-1">
        {first && (
          <input
            type="checkbox"
            className="size-5"
            aria-label={`Here: ${thing.title}`}
            checked={ticked ?? here}
            onChange={(e) => {
              setTicked(e.target.checked);
              // Ticked again, what was there before comes back.
              const back = e.target.checked && before.current !== null;
              if (!e.target.checked) before.current = text;
              const next = !e.target.checked ? '0' : back ? before.current! : '1';
              setText(next);
              keep(next, !back);
            }}
          />
        )}
      </td>
      <th scope="row" className="py-1 pr-4 font-read font-normal">
        {label}
      </th>
      <td className="pr-4">
        <span className="flex items-center gap-2">
          <input
            aria-label={`How many or sizes: ${label}`}
            aria-invalid={problem !== null}
            className="field"
            value={text}
            onChange={(e) => setText(e.target.value)}
            onBlur={() => {
              if (text === known) return;
              setTicked(null);
              keep();
            }}
          />
          <span className="w-8 text-sm text-soft">{unit || aboutForm(form).counted.split(' ')[0]}</span>
        </span>
        {problem && <span className="text-sm text-warn">{problem}</span>}
        {more && <span className="block text-sm text-soft">Sizes: under “What is there”.</span>}
        {save.error && <Notice tone="warn">{save.error.message}</Notice>}
      </td>
      <td>
        <input
          aria-label={`Where it stands: ${label}`}
          className="field"
          value={place}
          onChange={(e) => setPlace(e.target.value)}
          onBlur={() => pieces.length > 0 && place !== (pieces[0]?.place ?? '') && keep()}
        />
      </td>
    </tr>
  );
}
