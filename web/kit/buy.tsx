import { useMemo, useState } from 'react';
import type { Purchases, RunsOfHall } from '../../contract/fit.ts';
import type { EntrySummary } from '../../contract/library.ts';
import { greedy, recount } from '../../core/kit/index.ts';
import type { Purchase, Wish } from '../../core/kit/index.ts';
import { aboutForm, aboutSize, blankPiece } from '../../core/terms/index.ts';
import type { Piece, Size } from '../../core/terms/index.ts';
import { useAsk, usePeople, useSend, useSigned, useUnits } from '../shell/index.ts';
import {
  Button,
  Loaded,
  Notice,
  SelectField,
  TextField,
  fromLength,
  length,
  tidy,
  toLength,
} from '../ui/index.ts';
import { BuyChart } from './buy-chart.tsx';
import { formsOf, sizeWords } from './words.ts';

/** What to buy: the list with the head coach’s own prices, what each budget opens, and for whom. */
export function Buy({ things }: { things: readonly EntrySummary[] }) {
  const purchases = useAsk('purchases');
  const runs = useAsk('runs');
  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,24rem)_minmax(0,1fr)]">
      <Loaded query={purchases} what="what could be bought">
        {(data) => (
          <>
            <List things={things} wishes={data.wishes} runs={runs.data ?? null} />
            <Opens things={things} data={data} />
          </>
        )}
      </Loaded>
    </div>
  );
}

const numberOf = (text: string) =>
  /^\d+([.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : NaN;

/** The size that a piece of a form is told apart by, where it is one number. */
const mainSize = (form: Piece['form']): Size | null => aboutForm(form).sizes[0] ?? null;

function List({
  things,
  wishes,
  runs,
}: {
  things: readonly EntrySummary[];
  wishes: readonly Wish[];
  runs: RunsOfHall | null;
}) {
  const { hall } = useSigned();
  const units = useUnits();
  const [slug, setSlug] = useState('');
  const [size, setSize] = useState('');
  const [price, setPrice] = useState('');
  const [id, setId] = useState(() => crypto.randomUUID());
  const save = useSend('saveWish', { id });
  const thing = things.find((t) => t.slug === slug) ?? things[0];
  const form = thing ? formsOf(thing)[0]! : 'thing';
  const named = mainSize(form);
  const isLength = named !== null && aboutSize(named).is === 'length';
  const unit = named === null ? '' : isLength ? units.length : hall.massUnit;
  const ready = thing && numberOf(price) > 0 && (named === null || numberOf(size) > 0);
  const add = () => {
    if (!thing) return;
    const sizes =
      named === null
        ? {}
        : {
            [named]: isLength
              ? Math.round(fromLength(numberOf(size), units.length) * 1000) / 1000
              : numberOf(size),
          };
    // An adjustable thing is bought with its usual span; a rack with its usual notches.
    const span =
      form === 'adjustable'
        ? { toM: (sizes[named!] ?? 0.3) + 0.4, stepM: 0.05 }
        : form === 'rack'
          ? { spacingM: 0.05, notches: 26, countedFrom: 'below' as const }
          : {};
    const piece = blankPiece(id, thing.slug, { form, unit: hall.massUnit, sizes: { ...sizes, ...span } });
    save.mutate(
      { piece, price: numberOf(price) },
      {
        onSuccess: () => {
          setId(crypto.randomUUID());
          setSize('');
          setPrice('');
        },
      },
    );
  };
  const suggestions = useMemo(() => (runs ? suggested(runs, things, wishes) : []), [runs, things, wishes]);
  return (
    <section aria-label="The list">
      <h2>On the list</h2>
      <p className="text-sm text-soft">Prices are your own, in the hall’s money.</p>
      {wishes.length === 0 && <p className="py-2">Nothing yet.</p>}
      <ul>
        {wishes.map((w) => (
          <Row
            key={w.id}
            wish={w}
            name={things.find((t) => t.slug === w.piece.equipment)?.title ?? w.piece.equipment}
          />
        ))}
      </ul>
      <form
        className="mt-3 grid gap-2 border-t border-rule pt-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (ready) add();
        }}
      >
        <SelectField
          label="Put on the list"
          value={thing?.slug ?? ''}
          onChange={(e) => setSlug(e.target.value)}
        >
          {things.map((t) => (
            <option key={t.slug} value={t.slug}>
              {t.title}
            </option>
          ))}
        </SelectField>
        <div className="grid grid-cols-2 gap-2">
          {named && (
            <TextField
              label={`${aboutSize(named).label}, ${unit}`}
              inputMode="decimal"
              value={size}
              onChange={(e) => setSize(e.target.value)}
            />
          )}
          <TextField
            label="Price"
            inputMode="decimal"
            value={price}
            onChange={(e) => setPrice(e.target.value)}
          />
        </div>
        {save.error && <Notice tone="warn">{save.error.message}</Notice>}
        <div>
          <Button type="submit" tone="main" disabled={!ready || save.isPending}>
            Put it on the list
          </Button>
        </div>
      </form>
      {suggestions.length > 0 && (
        <>
          <h3 className="mt-4">What is lacking</h3>
          <ul>
            {suggestions.map((s) => (
              <li key={s.key} className="flex flex-wrap items-baseline gap-x-2 border-b border-rule py-1">
                <span>
                  {s.title}
                  {s.span && ` ${length(s.span.fromM, units.length)} to ${length(s.span.toM, units.length)}`}
                  <span className="text-soft">
                    {' '}
                    for {s.people === 1 ? 'one person' : `${s.people} people`}
                  </span>
                </span>
                <Button
                  tone="quiet"
                  aria-label={`Fill in: ${s.title}`}
                  onClick={() => {
                    setSlug(s.equipment);
                    if (s.span) setSize(tidy(toLength((s.span.fromM + s.span.toM) / 2, units.length), 0));
                  }}
                >
                  Fill in
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

interface Suggestion {
  key: string;
  equipment: string;
  title: string;
  span: { fromM: number; toM: number } | null;
  people: number;
}

/** What the holes ask for, those of most people first: equipment that is lacking, and spans that would fit. */
function suggested(runs: RunsOfHall, things: readonly EntrySummary[], wishes: readonly Wish[]): Suggestion[] {
  const found = new Map<string, Suggestion & { who: Set<string> }>();
  const nameOf = new Map(things.map((t) => [t.slug, t.title]));
  for (const l of runs.levels) {
    l.cells.forEach((c, i) => {
      if (c.result !== 'hole') return;
      for (const w of c.why) {
        const equipment =
          w.what === 'missing' ? w.equipment : w.what === 'does not fit' ? (l.kit[0] ?? null) : null;
        if (!equipment) continue;
        const span = w.what === 'does not fit' ? w.wouldDo : null;
        // Spans of 5 cm stand together.
        const key = `${equipment} ${span ? Math.round(((span.fromM + span.toM) / 2) * 20) : ''}`;
        const known = found.get(key) ?? {
          key,
          equipment,
          title: nameOf.get(equipment) ?? equipment,
          span,
          people: 0,
          who: new Set<string>(),
        };
        known.who.add(runs.people[i]!);
        found.set(key, known);
      }
    });
  }
  return [...found.values()]
    .filter((s) => !wishes.some((w) => w.piece.equipment === s.equipment && fits(w.piece, s.span)))
    .map((s) => ({ ...s, people: s.who.size }))
    .sort((a, b) => b.people - a.people)
    .slice(0, 8);
}

const fits = (p: Piece, span: Suggestion['span']) =>
  span === null ||
  (p.sizes.heightM !== undefined && p.sizes.heightM >= span.fromM && p.sizes.heightM <= span.toM);

function Row({ wish, name }: { wish: Wish; name: string }) {
  const units = useUnits();
  const drop = useSend('dropWish', { id: wish.id });
  const save = useSend('saveWish', { id: wish.id });
  const [price, setPrice] = useState(String(wish.price));
  return (
    <li className="flex items-center gap-2 border-b border-rule py-1">
      <span className="grow">{[name, sizeWords(wish.piece, units)].filter(Boolean).join(', ')}</span>
      <input
        aria-label={`Price of ${name}`}
        className="field w-24!"
        inputMode="decimal"
        value={price}
        onChange={(e) => setPrice(e.target.value)}
        onBlur={() =>
          numberOf(price) > 0 &&
          numberOf(price) !== wish.price &&
          save.mutate({ piece: wish.piece, price: numberOf(price) })
        }
      />
      <Button tone="quiet" aria-label={`Take ${name} off the list`} onClick={() => drop.mutate(undefined)}>
        Off
      </Button>
    </li>
  );
}

/** Levels opened, each person counted. */
const levels = (p: Purchase) => p.opens.reduce((n, o) => n + o.people.length, 0);

function Opens({ things, data }: { things: readonly EntrySummary[]; data: Purchases }) {
  const { wishes, holes, curve } = data;
  const all = wishes.reduce((sum, w) => sum + w.price, 0);
  const [budget, setBudget] = useState<number | null>(null);
  const money = budget ?? Math.round(0.3 * all);
  const quick = useMemo(() => recount(holes, wishes, greedy(holes, wishes, money)), [holes, wishes, money]);
  const exact = curve.filter((p) => p.budget <= money).at(-1);
  const better = exact && exact.purchase.weight > quick.weight ? exact.purchase : quick;
  // A step stands where its money is spent, not at the budget that it was found at.
  const points = useMemo(() => {
    const steps = curve.map((p) => ({ budget: p.purchase.cost, levels: levels(p.purchase) }));
    const last = steps.at(-1);
    return last ? [...steps, { budget: curve.at(-1)!.budget, levels: last.levels }] : [];
  }, [curve]);
  if (wishes.length === 0)
    return (
      <section aria-label="What it opens">
        <h2>What it opens</h2>
        <p className="text-soft">
          Put something with its price on the list: what it opens, and for whom, stands here.
        </p>
      </section>
    );
  const last = curve.at(-1);
  const flat = last && curve.find((p) => p.purchase.weight === last.purchase.weight);
  return (
    <section aria-label="What it opens">
      <h2>What it opens</h2>
      <label className="block">
        <span className="label">Budget: {tidy(money, 0)}</span>
        <input
          type="range"
          className="w-full accent-tape"
          min={0}
          max={Math.ceil(all)}
          value={money}
          onChange={(e) => setBudget(Number(e.target.value))}
        />
      </label>
      <Bought things={things} wishes={wishes} names={data.names} purchase={better} />
      <h3 className="mt-4">More money, more levels</h3>
      <BuyChart points={points} at={money} />
      {flat && last && flat.budget < last.budget && (
        <p className="text-sm text-soft">
          From {tidy(flat.purchase.cost, 2)} on more money opens nothing more of what is on the list.
        </p>
      )}
      <Steps things={things} data={data} />
      {curve.some((p) => !p.optimal) && (
        <p className="text-sm text-soft">
          Not every budget was worked out to the end: a better choice may exist.
        </p>
      )}
    </section>
  );
}

const useNames = (things: readonly EntrySummary[], wishes: readonly Wish[]) => {
  const units = useUnits();
  return (id: string) => {
    const w = wishes.find((x) => x.id === id);
    if (!w) return '';
    const title = things.find((t) => t.slug === w.piece.equipment)?.title ?? w.piece.equipment;
    return [title, sizeWords(w.piece, units)].filter(Boolean).join(', ');
  };
};

function Bought({
  things,
  wishes,
  names,
  purchase,
}: {
  things: readonly EntrySummary[];
  wishes: readonly Wish[];
  names: Purchases['names'];
  purchase: Purchase;
}) {
  const nameOf = useNames(things, wishes);
  const { nameOf: personName } = usePeople();
  if (purchase.bought.length === 0)
    return <p className="mt-2">Nothing on the list opens anything for that.</p>;
  return (
    <div className="mt-2 border-l-[6px] border-tape bg-paper px-4 py-2">
      <p>
        <strong>Buy {purchase.bought.map(nameOf).join('; ')}</strong>, {tidy(purchase.cost, 2)} in all. It
        opens:
      </p>
      <ul>
        {purchase.opens.map((o) => (
          <li key={o.level}>
            {names[o.level]} <span className="text-soft">for {o.people.map(personName).join(', ')}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What each further budget adds. */
function Steps({ things, data }: { things: readonly EntrySummary[]; data: Purchases }) {
  const nameOf = useNames(things, data.wishes);
  const steps = data.curve.filter(
    (p, i) => i === 0 || levels(p.purchase) !== levels(data.curve[i - 1]!.purchase),
  );
  return (
    <table className="mt-3 w-full text-left text-sm">
      <thead>
        <tr className="border-b border-ink">
          <th className="py-1">Spent</th>
          <th>Levels opened</th>
          <th>Bought</th>
        </tr>
      </thead>
      <tbody>
        {steps.map((p) => (
          <tr key={p.budget} className="border-b border-rule align-baseline">
            <td className="py-1">{tidy(p.purchase.cost, 2)}</td>
            <td>{levels(p.purchase)}</td>
            <td>{p.purchase.bought.map(nameOf).join('; ') || 'nothing'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
