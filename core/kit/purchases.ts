import { isCounted, needsOf } from '../library/index.ts';
import type { ResolvedVariation, Shelf } from '../library/index.ts';
import { building } from '../program/index.ts';
import type { Program } from '../program/index.ts';
import type { Piece } from '../terms/index.ts';
import { equalsAmong, fitOf } from './availability.ts';
import { thingRows } from './card.ts';
import { fittingWith } from './placed.ts';
import type { RunBody } from './runs.ts';

/** Something that could be bought: one lot for one price. */
export interface Wish {
  id: string;
  /** What it would be; its count is what one price buys. */
  piece: Piece;
  /** In the hall's own money, more than nothing. */
  price: number;
}

/**
 * What would have to be bought so that one way of doing a level opens: of each group at least one. A way without groups is
 * open; a way with a group of which nothing is on the list is closed. Both are told apart here, never by an empty list.
 */
export type Way = { open: true } | { open: false; groups: Group[] };

/** Wishes of which enough have to be bought: each by its place in the list, and for how many needs it serves. */
export interface Group {
  least: number;
  of: (readonly [wish: number, serves: number])[];
}

/** Levels that are closed to people for whom the same purchases open them. */
export interface Hole {
  level: string;
  /** Sum over these people: at it 3, next 2, later 1 (judgement). */
  weight: number;
  people: string[];
  ways: Way[];
}

/** What is bought, what it opens and for whom. */
export interface Purchase {
  bought: string[];
  cost: number;
  opens: { level: string; people: string[] }[];
  weight: number;
}

export const MOST_WISHES = 60;

/** How the weight of a level falls with its distance from where somebody stands (judgement). */
export const weightOf = (stepsAbove: number): number =>
  stepsAbove < 0 ? 0 : stepsAbove === 0 ? 3 : stepsAbove === 1 ? 2 : 1;

/** A way by which a person could do a variation: what is missing, or does not fit, and which wishes answer it. */
export function wayOf(read: ResolvedVariation, shelf: Shelf, body: RunBody, wishes: readonly Wish[]): Way {
  const lacks = lacksOf(read, shelf, body);
  const answering = lacks.map((lack) => wishes.flatMap((w, i) => (answers(lack, w, body, shelf) ? [i] : [])));
  if (lacks.length === 0) return { open: true };
  const groups = answering.map((of): Group => ({ least: 1, of: of.map((i) => [i, 1] as const) }));
  // One piece serves one need: for any needs together there have to be as many pieces among what answers them (Hall, On
  // representatives of subsets, 1935).
  const missing = answering.filter((_, i) => lacks[i]!.what === 'missing');
  for (const some of subsetsOf(missing)) {
    const of = [...new Set(some.flat())];
    const apart = of.length === some.reduce((n, g) => n + g.length, 0);
    if (some.length > 1 && !apart)
      groups.push({
        least: some.length,
        of: of.map((i) => [i, Math.min(some.length, wishes[i]!.piece.count)] as const),
      });
  }
  return { open: false, groups };
}

/** Every choice of some; of more than a handful, which no movement needs, none. */
function subsetsOf<T>(list: readonly T[]): T[][] {
  if (list.length > 6) return [];
  return Array.from({ length: 2 ** list.length }, (_, mask) => list.filter((_, i) => mask & (1 << i)));
}

/** A need that is not met: too few of some equipment, or a thing that does not fit. */
type Lack =
  | { what: 'missing'; slugs: ReadonlySet<string>; have: ReadonlyMap<string, number>; count: number }
  | {
      what: 'misfit';
      slugs: ReadonlySet<string>;
      row: Parameters<typeof fittingWith>[0];
      pads: readonly Piece[];
    };

const equalsOf = new WeakMap<Shelf, ReadonlyMap<string, ReadonlySet<string>>>();

function lacksOf(read: ResolvedVariation, shelf: Shelf, body: RunBody): Lack[] {
  let equals = equalsOf.get(shelf);
  if (!equals) equalsOf.set(shelf, (equals = equalsAmong(shelf.all('equipment'))));
  const needs = needsOf(read.source);
  const countOf = (slug: string) => needs.counts.get(slug) ?? 1;
  const withEquals = (slug: string) => [slug, ...(equals.get(slug) ?? [])];
  const lacks: Lack[] = [];
  for (const group of [...needs.all.map((slug) => [slug]), ...needs.any.filter((g) => g.length > 0)]) {
    const met = group.some((slug) => withEquals(slug).some((s) => shelf.have(s) >= countOf(slug)));
    if (met) continue;
    const slugs = new Set(group.flatMap(withEquals));
    lacks.push({
      what: 'missing',
      slugs,
      have: new Map([...slugs].map((s) => [s, shelf.have(s)])),
      count: Math.min(...group.map(countOf)),
    });
  }
  // One piece serves one need: two needs that each have it alone may lack it together.
  const together = lacks.length === 0 ? fitOf(needs, (e) => shelf.have(e), equals).missing : [];
  for (const slug of together) {
    const slugs = new Set(withEquals(slug));
    lacks.push({ what: 'missing', slugs, have: new Map(), count: countOf(slug) });
  }
  if (!body) return lacks;
  const named = new Set([...needs.all, ...needs.any.flat()]);
  const slugs = new Set([...named].flatMap(withEquals));
  const pads = shelf.kit.pieces.filter((p) => p.form === 'pad' && shelf.piecesOf(p.equipment).includes(p));
  for (const row of thingRows(read, shelf, { ...body, loadKg: null }))
    if (row.fitting === 'does not fit') lacks.push({ what: 'misfit', slugs, row, pads });
  return lacks;
}

function answers(lack: Lack, { piece }: Wish, body: RunBody, shelf: Shelf): boolean {
  if (!lack.slugs.has(piece.equipment)) return false;
  if (lack.what === 'missing')
    return (
      isCounted(piece, shelf.get('equipment', piece.equipment)?.forms) &&
      (lack.have.get(piece.equipment) ?? 0) + piece.count >= lack.count
    );
  const pads = piece.form === 'pad' ? [...lack.pads, piece] : lack.pads;
  const fitting = fittingWith(lack.row, [piece], pads, body!.build);
  return fitting === 'fits' || fitting === 'with a note';
}

/** One closed level of one person, with the ways by which it could open. */
export interface Closed {
  person: string;
  level: string;
  weight: number;
  ways: Way[];
}

/** People with the same ways share one hole, so that a hall of many is no larger to solve than a small one. */
export function holesOf(closed: readonly Closed[]): Hole[] {
  const holes = new Map<string, Hole>();
  for (const { person, level, weight, ways } of closed) {
    const key = `${level} ${JSON.stringify(ways)}`;
    const hole = holes.get(key);
    if (hole) {
      hole.weight += weight;
      hole.people.push(person);
    } else holes.set(key, { level, weight, people: [person], ways });
  }
  return [...holes.values()];
}

/** Whether a way is open with what was bought. */
const opensWith = (way: Way, bought: ReadonlySet<number>): boolean =>
  way.open || (way.groups.length > 0 && way.groups.every((g) => isMet(g, bought)));

const isMet = ({ least, of }: Group, bought: ReadonlySet<number>): boolean =>
  of.reduce((n, [i, serves]) => n + (bought.has(i) ? serves : 0), 0) >= least;

/** What a choice opens, counted by plain rules: how every solver's answer is checked, and what is shown. */
export function recount(
  holes: readonly Hole[],
  wishes: readonly Wish[],
  chosen: readonly number[],
): Purchase {
  const bought = new Set(chosen);
  const open = holes.filter((h) => h.ways.some((w) => opensWith(w, bought)));
  const byLevel = new Map<string, string[]>();
  for (const h of open) byLevel.set(h.level, [...(byLevel.get(h.level) ?? []), ...h.people]);
  return {
    bought: chosen.map((i) => wishes[i]!.id),
    cost: chosen.reduce((sum, i) => sum + wishes[i]!.price, 0),
    opens: [...byLevel].map(([level, people]) => ({ level, people })),
    weight: open.reduce((sum, h) => sum + h.weight, 0),
  };
}

/** Of as much that opens the cheaper is bought. */
const PRICE_TIE = 0.0001;

/**
 * The purchases of a budget as an integer program, in the manner of a maximum coverage problem (Church & ReVelle, The
 * maximal covering location problem, 1974, value from memory): b buys, w opens a way, z opens a level for its people.
 */
export function programOf(holes: readonly Hole[], wishes: readonly Wish[], budget: number): Program {
  const { program, col, row } = building();
  const whole = { upper: 1, integer: true };
  const buys = wishes.map((w) => col(PRICE_TIE * w.price, whole));
  row(
    wishes.map((w, i) => [buys[i]!, w.price] as const),
    { upper: budget },
  );
  for (const h of holes) {
    const z = col(-h.weight, { upper: 1, integer: false });
    const ways = h.ways.map((way) => {
      // A group of which nothing is on the list closes its way for good.
      const upper = way.open || way.groups.every((g) => g.of.length > 0) ? 1 : 0;
      const w = col(0, { upper, integer: false });
      if (!way.open)
        for (const g of way.groups)
          row([[w, g.least], ...g.of.map(([i, serves]) => [buys[i]!, -serves] as const)], { upper: 0 });
      return w;
    });
    row([[z, 1], ...ways.map((w) => [w, -1] as const)], { upper: 0 });
  }
  return program;
}

/** The wishes that a solution of the program buys. */
export const boughtIn = (values: ArrayLike<number>, wishes: readonly Wish[]): number[] =>
  wishes.flatMap((_, i) => (values[i]! > 0.5 ? [i] : []));

/**
 * By the gain of each further purchase, or pair that only opens something together, for its price: at once, and close to
 * the best, while a budget is being moved.
 */
export function greedy(holes: readonly Hole[], wishes: readonly Wish[], budget: number): number[] {
  const chosen: number[] = [];
  let left = budget;
  const weightWith = (more: readonly number[]) => recount(holes, wishes, [...chosen, ...more]).weight;
  for (;;) {
    const now = weightWith([]);
    let best: { add: number[]; rate: number; cost: number } | null = null;
    const consider = (add: number[]) => {
      const cost = add.reduce((sum, i) => sum + wishes[i]!.price, 0);
      if (cost > left + 1e-9) return;
      const gain = weightWith(add) - now;
      const rate = gain / Math.max(cost, 1e-9);
      if (gain > 0 && (!best || rate > best.rate + 1e-12)) best = { add, rate, cost };
    };
    const open = wishes.map((_, i) => i).filter((i) => !chosen.includes(i));
    for (const i of open) consider([i]);
    for (const pair of pairsTogether(holes, new Set(chosen))) consider(pair);
    const found = best as { add: number[]; cost: number } | null;
    if (!found) return chosen;
    chosen.push(...found.add);
    left -= found.cost;
  }
}

/** Two wishes that one way asks for together, where neither opens it alone. */
function pairsTogether(holes: readonly Hole[], bought: ReadonlySet<number>): number[][] {
  const pairs = new Map<string, number[]>();
  for (const h of holes)
    for (const way of h.ways) {
      if (way.open) continue;
      const lacking = way.groups.filter((g) => !isMet(g, bought));
      if (lacking.length < 2) continue;
      for (const [a] of lacking[0]!.of)
        for (const [b] of lacking[1]!.of)
          if (a !== b) pairs.set(`${Math.min(a, b)} ${Math.max(a, b)}`, [a, b]);
    }
  return [...pairs.values()];
}

/** Budgets at which the curve of money against levels is drawn, as shares of everything on the list. */
export const CURVE = [0, 0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.4, 0.6, 1] as const;
