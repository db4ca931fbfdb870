import { timesDone, workTimeS } from '../dose/index.ts';
import { fitCard, equalsAmong } from '../kit/index.ts';
import type { FitCard, RunBody } from '../kit/index.ts';
import { barring, factsOf, isInForce, tempoAt } from '../ladder/index.ts';
import type { Restriction, Target } from '../ladder/index.ts';
import { needsOf } from '../library/index.ts';
import type { ResolvedVariation, Shelf, ShelfInForce, Variation } from '../library/index.ts';
import { dayOf } from '../log/index.ts';
import type { LoggedSet } from '../log/index.ts';
import type { PlaceForm, PlaceKind, WorkOption, WorkPiece } from '../plan/index.ts';
import { kgOf } from '../terms/index.ts';
import type { IsoDate, Piece, SettingUsed, SideWork } from '../terms/index.ts';
import type { TodayLine } from './line.ts';
import { readingOfVariation } from './readings.ts';

/** A piece of work as the day asks for it, with what is shown of it. */
export interface NeededPiece extends WorkPiece {
  /** The ladder that it stands on; null: trials, or a corrective chain. */
  ladder: string | null;
  target: Target | null;
  sides: SideWork;
  settings: SettingUsed[];
  /** What keeps them training where nothing else fits; it earns nothing. */
  instead: WorkOption[];
}

/** Contested kit and counted kit of a hall on a day. */
export interface HallPlaces {
  places: PlaceKind[];
  pools: { id: string; count: number }[];
}

/** How many share one where the kit room says nothing (common practice, no source). */
const USUAL_GROUP: Record<PlaceForm, number> = { rack: 3, bench: 3, box: 3, machine: 2 };
/** Steps in which hooks of different racks are compared, metres. */
const NOTCH_M = 0.05;
/** A hall may have many dumbbells; a mass of its own is a pool. */
const poolOf = (equipment: string, kg: number | null) => (kg === null ? equipment : `${equipment} ${kg}`);

const forms = new WeakMap<Shelf, ReadonlyMap<string, PlaceForm>>();

/**
 * Which equipment is a place: what its pieces say that people share in turns. A height on which a bench movement is set
 * is a bench, every other one a box.
 */
function placeForms(shelf: Shelf): ReadonlyMap<string, PlaceForm> {
  const known = forms.get(shelf);
  if (known) return known;
  const benches = new Set(
    shelf
      .all('variation')
      .filter((v) => v.measures?.some((m) => m.measure === 'thrust bench'))
      .flatMap((v) => [...v.equipmentAll, ...v.equipmentAny.flat()].map((n) => n.equipment)),
  );
  const found = new Map<string, PlaceForm>();
  for (const e of shelf.all('equipment')) {
    if (!shelf.piecesOf(e.slug).some((p) => p.most !== null)) continue;
    const form: PlaceForm = e.forms?.includes('rack')
      ? 'rack'
      : e.forms?.includes('machine') || e.forms?.includes('adjustable')
        ? 'machine'
        : benches.has(e.slug)
          ? 'bench'
          : 'box';
    found.set(e.slug, form);
  }
  forms.set(shelf, found);
  return found;
}

export function placesOfHall({ shelf }: ShelfInForce): HallPlaces {
  const as = placeForms(shelf);
  const places = [...as].map(([slug, form]): PlaceKind => {
    const e = shelf.get('equipment', slug)!;
    const { count, most } = shelf.stock(slug);
    const heights = shelf
      .piecesOf(slug)
      .flatMap((p) =>
        p.form === 'height' && p.sizes.heightM ? Array<number>(p.count).fill(p.sizes.heightM) : [],
      );
    return {
      id: slug,
      form,
      name: e.name,
      count,
      most: Math.min(most ?? USUAL_GROUP[form], USUAL_GROUP[form]),
      heightsM: form === 'box' && heights.length === count ? heights : [],
    };
  });
  const pools = shelf.all('equipment').flatMap((e) => {
    if (as.has(e.slug) || e.retired) return [];
    const own = shelf.piecesOf(e.slug);
    const have = shelf.have(e.slug);
    if (own.length === 0 || !Number.isFinite(have)) return [];
    const byMass = new Map<string, number>();
    for (const p of own) {
      const kg = p.form === 'weight' && p.sizes.mass ? massKg(p) : null;
      const id = poolOf(e.slug, kg);
      byMass.set(id, (byMass.get(id) ?? 0) + p.count);
    }
    return [...byMass].map(([id, count]) => ({ id, count }));
  });
  return { places: places.filter((p) => p.count > 0), pools };
}

const massKg = ({ unit, sizes }: Pick<Piece, 'unit' | 'sizes'>) =>
  Math.round(1000 * kgOf(sizes.mass ?? 0, unit)) / 1000;

/** Somebody whose work of the day is put together. */
export interface NeedsOf {
  personId: string;
  lines: readonly TodayLine[];
  /** What they have done today. */
  done: readonly LoggedSet[];
  body: RunBody;
  restrictions: readonly Restriction[];
  answers: Readonly<Record<string, string>>;
  /** Corrective chains that they have begun: the name of the fault, and the step that is next. */
  chains: readonly { id: string; name: string }[];
}

/** Sets and seconds of what has no dose: a trial on each of some levels, and a step of a chain (judgement). */
const TRIAL = { sets: 4, workS: 45, restS: 60 };
const CHAIN = { sets: 2, workS: 45, restS: 30 };
const FLOOR = { at: null, loadKg: null, notch: null, heightM: null, pools: [], hands: false };

/** What somebody still has to do today, each with the places at which it can be done. */
export function neededBy(inForce: ShelfInForce, of: NeedsOf, today: IsoDate): NeededPiece[] {
  const bars = of.restrictions.filter((r) => isInForce(r, today));
  const pieces = of.lines.flatMap((line): NeededPiece[] => {
    if (line.variation === null) return [];
    const left = setsLeft(line, of.done);
    if (left === 0) return [];
    const level = inForce.shelf.get('ladder', line.ladder)?.levels[line.levelNumber - 1];
    const optionsOf = (slug: string, main: boolean) => optionsFor(inForce, of, line, slug, left, main);
    const main = optionsOf(line.variation, true);
    if (main.length === 0) return [];
    const equals = (level && line.variation === level.main ? level.equals : []).flatMap((slug) => {
      const v = inForce.shelf.get('variation', slug);
      if (!v || v.retired) return [];
      const facts = factsOf(readingOfVariation(inForce, v, { stage: line.stage, answers: of.answers }));
      return barring(bars, facts).length > 0 ? [] : optionsOf(slug, false);
    });
    const trying = line.next?.sideTest === true || line.outcome === 'move up';
    return [
      {
        id: `${of.personId} ${line.ladder}`,
        person: of.personId,
        name: line.variationName ?? line.levelName,
        ladder: line.ladder,
        target: line.target,
        sides: line.sides,
        settings: line.setTo,
        priority: trying ? 3 : 1,
        heavy: line.loadKind === 'bar',
        watched: Math.min(left, line.toWatch),
        mustWatch: false,
        options: [...main, ...equals],
        instead:
          line.below && line.below.variation !== line.variation
            ? optionsOf(line.below.variation, false).filter((o) => o.at === null)
            : [],
      },
    ];
  });
  // The first heavy one, else the first of all, is what the day is about.
  const first = pieces.find((p) => p.heavy) ?? pieces[0];
  if (first && first.priority < 2) first.priority = 2;
  const extra = (id: string, name: string, dose: typeof TRIAL, rest: Partial<NeededPiece>): NeededPiece => ({
    id: `${of.personId} ${id}`,
    person: of.personId,
    name,
    ladder: null,
    target: null,
    sides: 'together',
    settings: [],
    priority: 1,
    heavy: false,
    watched: 0,
    mustWatch: false,
    options: [{ ...FLOOR, ...dose, variation: '', name }],
    instead: [],
    ...rest,
  });
  if (of.lines.length === 0)
    pieces.push(
      extra('trials', 'Placement by trials', TRIAL, {
        priority: 3,
        watched: TRIAL.sets,
        mustWatch: true,
        heavy: true,
      }),
    );
  for (const c of of.chains) pieces.push(extra(c.id, `Corrective chain: ${c.name}`, CHAIN, {}));
  return pieces;
}

/** Sets of the target that are not done yet; both sides are one set. */
function setsLeft({ variation, oneSided, target }: TodayLine, done: readonly LoggedSet[]): number {
  const day = dayOf(done.filter((s) => s.variation === variation && !s.sideTest));
  const sets = oneSided
    ? Math.min(day.of('left').length, day.of('right').length) + day.of(null).length
    : day.sets.length;
  return Math.max(0, target.sets - sets);
}

/** One side of the set at hand is done, the other is not. */
export function isHalfDone({ variation, oneSided }: TodayLine, done: readonly LoggedSet[]): boolean {
  const day = dayOf(done.filter((s) => s.variation === variation && !s.sideTest));
  return oneSided && day.of('left').length !== day.of('right').length;
}

/** Seconds of one set of a target, both sides. */
const setS = (v: Variation, target: Target): number =>
  Math.max(1, Math.round(workTimeS({ ...target, sets: 1 }, tempoAt(v.tempo, target), timesDone(v))));

/** What may be done instead of a piece of work, besides what may be done anyhow. */
export const moreOptions = ({ options, instead }: Pick<NeededPiece, 'options' | 'instead'>): WorkOption[] =>
  instead.filter((o) => !options.some((x) => x.variation === o.variation && x.at === o.at));

/** What is left of a line as a piece of work that needs nothing of the hall; no sets: it is done. */
export function alonePiece(
  personId: string,
  line: TodayLine,
  v: Variation,
  done: readonly LoggedSet[],
): WorkPiece {
  const { target } = line;
  return {
    id: `${personId} ${line.ladder}`,
    person: personId,
    name: v.name,
    priority: 1,
    heavy: false,
    watched: 0,
    mustWatch: false,
    options: [
      {
        ...FLOOR,
        variation: v.slug,
        name: v.name,
        sets: setsLeft(line, done),
        workS: setS(v, target),
        restS: target.restS,
      },
    ],
  };
}

const MOST_WAYS = 4;

/** A variation at each kind of place at which it can be done with what the hall has; none: it cannot. */
function optionsFor(
  inForce: ShelfInForce,
  of: NeedsOf,
  line: TodayLine,
  slug: string,
  sets: number,
  main: boolean,
): WorkOption[] {
  const { shelf } = inForce;
  const v = shelf.get('variation', slug);
  if (!v) return [];
  const read = readingOfVariation(inForce, v, { stage: line.stage, answers: of.answers });
  const facts = factsOf(read);
  const sameLoad = main || v.loadKind === line.loadKind;
  const oneKg = sameLoad ? (line.next?.loadKg ?? line.target.loadKg ?? null) : null;
  const loadKg = oneKg === null ? null : oneKg * facts.weights;
  const workS = setS(v, line.target);
  const as = placeForms(shelf);
  const card = of.body && v.measures?.length ? fitCard(read, shelf, { ...of.body, loadKg: oneKg }) : null;
  const hands = v.support === 'hands of a coach' || v.aids?.includes("coach's hands") === true;
  // What needs no contested kit stands first.
  const contested = (kit: ReturnType<typeof waysOf>[number]) => Number(kit.some((k) => as.has(k.equipment)));
  return waysOf(read, shelf)
    .sort((a, b) => contested(a) - contested(b))
    .slice(0, MOST_WAYS)
    .map((kit): WorkOption => {
      const at = kit.find((k) => as.has(k.equipment))?.equipment ?? null;
      return {
        variation: slug,
        name: v.name,
        at,
        sets,
        workS,
        restS: line.target.restS,
        loadKg,
        notch: at === null ? null : notchOf(card, at),
        heightM: at === null ? null : ownHeight(card, at, shelf),
        pools: kit
          .filter((k) => !as.has(k.equipment))
          .flatMap(({ equipment, count }) => poolFor(shelf, equipment, count, oneKg, facts.weights)),
        hands,
      };
    });
}

/** Every choice of what its needs are met with, own things before equals; none: something is missing. */
function waysOf(read: ResolvedVariation, shelf: Shelf): { equipment: string; count: number }[][] {
  const { all, any, counts } = needsOf(read.source);
  const equals = equalsAmong(shelf.all('equipment'));
  const here = (slug: string) => shelf.have(slug) >= (counts.get(slug) ?? 1);
  const met = (group: readonly string[]) => {
    const own = group.filter(here);
    return own.length > 0 ? own : group.flatMap((slug) => [...(equals.get(slug) ?? [])].filter(here));
  };
  let ways: { equipment: string; count: number }[][] = [[]];
  for (const group of [...all.map((slug) => [slug]), ...any.filter((g) => g.length > 0)]) {
    const with1 = met(group);
    ways = ways.flatMap((way) =>
      with1.map((equipment) => [...way, { equipment, count: counts.get(equipment) ?? 1 }]),
    );
    if (ways.length > 4 * MOST_WAYS) ways = ways.slice(0, 4 * MOST_WAYS);
  }
  return ways;
}

function notchOf(card: FitCard | null, at: string): number | null {
  const row = card?.rows.find((r) => r.measure.startsWith('rack hooks') && r.own?.equipment === at);
  return row?.own ? Math.round(row.own.heightM / NOTCH_M) : null;
}

/** The thing itself, without what is stacked on it: pads are changed in a turn. */
function ownHeight(card: FitCard | null, at: string, shelf: Shelf): number | null {
  const row = card?.rows.find((r) => r.own?.equipment === at && r.own.notch === null);
  const piece = row?.own && shelf.piecesOf(at).find((p) => p.id === row.own!.pieceId);
  return piece?.sizes.heightM ?? null;
}

function poolFor(
  shelf: Shelf,
  equipment: string,
  count: number,
  kg: number | null,
  weights: 1 | 2,
): WorkOption['pools'] {
  const own = shelf.piecesOf(equipment);
  if (own.length === 0) return [];
  if (!own.some((p) => p.form === 'weight')) return [{ id: equipment, count }];
  const of = own.filter((p) => kg !== null && massKg(p) === kg).reduce((n, p) => n + p.count, 0);
  const needed = Math.max(count, weights);
  // Nobody knows yet which of them they will take, or it is made up otherwise: none is short.
  return of < needed ? [] : [{ id: poolOf(equipment, kg), count: needed }];
}
