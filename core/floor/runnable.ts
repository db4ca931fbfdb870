import { needsOf, resolve } from '../library/index.ts';
import type { ResolvedVariation, ShelfInForce } from '../library/index.ts';
import { atOnce, holesOf, runOf, wayOf, weightOf } from '../kit/index.ts';
import type { Closed, FitRow, Hole, Run, RunBody, RunResult, Wish } from '../kit/index.ts';
import { barring, factsOf, isInForce } from '../ladder/index.ts';
import type { Restriction } from '../ladder/index.ts';
import type { VariationFacts } from '../log/index.ts';
import type { IsoDate, SetUpMeasure } from '../terms/index.ts';
import { readingOfVariation } from './readings.ts';

/** Somebody as far as it matters for what they can do here. */
export interface RunPerson {
  id: string;
  body: RunBody;
  restrictions: readonly Restriction[];
  answers: Readonly<Record<string, string>>;
  /** The level they stand on, by ladder. */
  levels: Readonly<Record<string, string>>;
}

/** Why a level is no plain open one for somebody. */
export type RunWhy =
  | { what: 'missing'; equipment: string }
  | { what: 'does not fit'; measure: SetUpMeasure; wouldDo: FitRow['wouldDo'] }
  | { what: 'with a note'; measure: SetUpMeasure; misfit: FitRow['misfit'] }
  | { what: 'equal'; needed: string; by: string }
  | { what: 'instead'; variation: string }
  | { what: 'barred' };

/** How a level can be run for each of the people, in their order. */
export interface LevelRuns {
  ladder: string;
  level: string;
  number: number;
  name: string;
  main: string;
  /** Kinds of equipment of the main movement, what is set to the person first. */
  kit: string[];
  /** People at once with what the hall has; null: as many as like. */
  atOnce: number | null;
  cells: { result: RunResult; why: RunWhy[] }[];
}

/** The main movement comes first, also where it fits with a note only; another one before a hole. */
const RANK: Record<RunResult, number> = { open: 0, 'with an equal': 1, 'with a note': 1.2, hole: 5 };
const ANOTHER = 1.5;

/** What a level can be done with, the main variation first; a reading of each. */
interface LevelRead {
  ladder: string;
  level: string;
  number: number;
  name: string;
  options: {
    slug: string;
    facts: VariationFacts;
    read: (answers: RunPerson['answers']) => ResolvedVariation;
  }[];
}

function levelsOf(inForce: ShelfInForce): LevelRead[] {
  const { shelf } = inForce;
  return shelf
    .all('ladder')
    .filter((l) => !l.retired)
    .flatMap((ladder) =>
      ladder.levels.map((level, i) => ({
        ladder: ladder.slug,
        level: level.id,
        number: i + 1,
        name: level.name,
        options: [level.main, ...level.equals].flatMap((slug) => {
          const v = shelf.get('variation', slug);
          if (!v) return [];
          const facts = factsOf(resolve(v, shelf, { stage: level.stage, answers: {} }));
          const read = (answers: RunPerson['answers']) =>
            readingOfVariation(inForce, v, { stage: level.stage, answers });
          return [{ slug, facts, read }];
        }),
      })),
    );
}

/**
 * For each level and person whether it can be run: its main variation, else the best of its equals.
 * @param today decides which restrictions hold
 */
export function runsFor(inForce: ShelfInForce, people: readonly RunPerson[], today: IsoDate): LevelRuns[] {
  const { shelf } = inForce;
  const bars = people.map((p) => p.restrictions.filter((r) => isInForce(r, today)));
  return levelsOf(inForce).map(({ options, ...level }) => {
    const main = options[0];
    const once = main
      ? atOnce(
          needsOf(main.read({}).source),
          (e) => (shelf.have(e) === Infinity ? { count: Infinity, most: null } : shelf.stock(e)),
          (e) => shelf.get('equipment', e)?.shareable ?? true,
        )
      : Infinity;
    return {
      ...level,
      main: main?.slug ?? '',
      kit: main ? kitOfMain(main.read({})) : [],
      atOnce: Number.isFinite(once) ? once : null,
      cells: people.map((p, i) => cellOf(options, p, bars[i]!, inForce)),
    };
  });
}

/** What stands at a height of its own comes first: that is what a misfit is about. */
function kitOfMain(read: ResolvedVariation): string[] {
  const all = [...read.equipmentAll, ...read.equipmentAny.flat()].map((n) => n.equipment);
  const sized = (e: (typeof all)[number]) =>
    e.forms?.some((f) => f === 'height' || f === 'adjustable' || f === 'rack') ? 0 : 1;
  return [...all].sort((a, b) => sized(a) - sized(b)).map((e) => e.slug);
}

function cellOf(
  options: LevelRead['options'],
  p: RunPerson,
  bars: readonly Restriction[],
  { shelf }: ShelfInForce,
): LevelRuns['cells'][number] {
  let best: { rank: number; run: Run; slug: string } | null = null;
  let barred = 0;
  for (const { slug, facts, read } of options) {
    if (barring(bars, facts).length > 0) {
      barred++;
      continue;
    }
    const run = runOf(read(p.answers), shelf, p.body);
    const other = slug !== options[0]!.slug && run.result !== 'hole';
    const rank = RANK[run.result] + (other ? ANOTHER : 0);
    if (!best || rank < best.rank) best = { rank, run, slug };
    if (rank === 0) break;
  }
  if (!best) return { result: 'hole', why: barred > 0 ? [{ what: 'barred' }] : [] };
  const { run, slug } = best;
  const other = slug !== options[0]!.slug;
  const result = run.result === 'open' && other ? 'with an equal' : run.result;
  const why: RunWhy[] = [
    ...run.missing.map((equipment) => ({ what: 'missing' as const, equipment })),
    ...run.misfits.map((r) =>
      r.fitting === 'does not fit'
        ? { what: 'does not fit' as const, measure: r.measure, wouldDo: r.wouldDo }
        : { what: 'with a note' as const, measure: r.measure, misfit: r.misfit },
    ),
    ...run.replaced.map((x) => ({ what: 'equal' as const, ...x })),
    ...(other && run.result !== 'hole' ? [{ what: 'instead' as const, variation: slug }] : []),
  ];
  return { result, why };
}

/** The closed levels that people stand on or come to, with the ways by which a list of wishes could open them. */
export function holesFor(
  inForce: ShelfInForce,
  people: readonly RunPerson[],
  wishes: readonly Wish[],
  today: IsoDate,
): Hole[] {
  const levels = levelsOf(inForce);
  const indexIn = new Map(levels.map((l) => [`${l.ladder}/${l.level}`, l.number - 1]));
  const closed: Closed[] = [];
  for (const p of people) {
    const bars = p.restrictions.filter((r) => isInForce(r, today));
    for (const { options, ladder, level, number } of levels) {
      const at = indexIn.get(`${ladder}/${p.levels[ladder] ?? ''}`);
      if (at === undefined) continue;
      const weight = weightOf(number - 1 - at);
      if (weight === 0) continue;
      const permitted = options.filter((o) => barring(bars, o.facts).length === 0);
      if (permitted.length === 0) continue;
      const ways = permitted.map((o) => wayOf(o.read(p.answers), inForce.shelf, p.body, wishes));
      if (ways.some((w) => w.open)) continue;
      closed.push({ person: p.id, level: `${ladder}/${level}`, weight, ways });
    }
  }
  return holesOf(closed);
}

/** A level that somebody stands on and that is lost to them. */
export interface Lost {
  person: string;
  ladder: string;
  level: string;
  name: string;
  why: RunWhy[];
}

/** The levels people stand on that can be run on one shelf and not on the other: what a piece closes that is not there. */
export function lostBetween(
  before: ShelfInForce,
  after: ShelfInForce,
  people: readonly RunPerson[],
  today: IsoDate,
): Lost[] {
  const standing = people.filter((p) => Object.keys(p.levels).length > 0);
  const [was, is] = [levelsOf(before), levelsOf(after)];
  return standing.flatMap((p) => {
    const bars = p.restrictions.filter((r) => isInForce(r, today));
    return is.flatMap((level, i): Lost[] => {
      if (p.levels[level.ladder] !== level.level) return [];
      const then = cellOf(was[i]!.options, p, bars, before);
      const now = cellOf(level.options, p, bars, after);
      return then.result !== 'hole' && now.result === 'hole'
        ? [{ person: p.id, ladder: level.ladder, level: level.level, name: level.name, why: now.why }]
        : [];
    });
  });
}

/** Movements that the hall has not the kit for, whoever does them. */
export const lackingIn = (inForce: ShelfInForce): string[] =>
  inForce.shelf
    .all('variation')
    .filter((v) => !v.retired)
    .filter((v) => runOf(resolve(v, inForce.shelf), inForce.shelf, null).result === 'hole')
    .map((v) => v.slug);
