import { REFERENCE_BUILD } from '../body/index.ts';
import { insteadOf } from '../demand/index.ts';
import { leastOf } from '../dose/index.ts';
import { MOST_AT_HOME_KG, equalsAmong, equipmentAtHome, fitOf, homeLoad } from '../kit/index.ts';
import type { HomeLoad, HomeThing } from '../kit/index.ts';
import { barring, factsOf, isInForce, nextSet, planAt, targetAt } from '../ladder/index.ts';
import type { Restriction, Target } from '../ladder/index.ts';
import { needsOf } from '../library/index.ts';
import type { ResolvedVariation, ShelfInForce, Variation } from '../library/index.ts';
import type { LoggedSet } from '../log/index.ts';
import { sideWorkOf } from '../terms/index.ts';
import type { IsoDate } from '../terms/index.ts';
import type { TodayLine } from './line.ts';
import { readingOfVariation } from './readings.ts';

/** What is done of a line with what is at home. */
export interface AtHome {
  variation: string;
  read: ResolvedVariation;
  /** The same, an equal of the level (both earn once they are seen), or the nearest that can be done (it trains). */
  how: 'the same' | 'equal' | 'instead';
  /** What stands in for what it needs, in the words of the library: "Kettlebells: a filled rucksack held by its straps." */
  with: string[];
  target: Target;
  /** Bottles that make the load, never more than in the hall; null: it has none, or none that should be lifted alone. */
  load: HomeLoad | null;
  /** What is written down of it: what one weight says. */
  loadKg: number | null;
}

/**
 * The nearest to what a line asks that can be done with what is there: itself, else an equal that the head coach marked,
 * else what is nearest by demand among what nothing bars and what can be done; null: nothing of it.
 */
export function atHome(
  inForce: ShelfInForce,
  line: TodayLine,
  have: readonly HomeThing[],
  of: { restrictions: readonly Restriction[]; answers: Readonly<Record<string, string>> },
  today: IsoDate,
): AtHome | null {
  const { shelf } = inForce;
  const own = line.variation === null ? undefined : shelf.get('variation', line.variation);
  if (!own) return null;
  const there = equipmentAtHome(have);
  const equals = equalsAmong(shelf.all('equipment'));
  const bars = of.restrictions.filter((r) => isInForce(r, today));
  const person = { stage: line.stage, answers: of.answers };
  const readOf = (v: Variation) => readingOfVariation(inForce, v, person);
  const barred = (v: Variation) => barring(bars, factsOf(readOf(v))).length > 0;
  const fit = (v: Variation) => fitOf(needsOf(v), (e) => there.get(e) ?? 0, equals);
  const fits = (v: Variation) => fit(v).missing.length === 0;
  const made = (v: Variation, how: AtHome['how']): AtHome => {
    const read = readOf(v);
    const { weights } = factsOf(read);
    const target = how === 'instead' ? doseOf(v, line.target) : line.target;
    const kg =
      how === 'instead' && v.loadKind !== own.loadKind ? null : (line.next?.loadKg ?? target.loadKg ?? null);
    const { replaced } = fit(v);
    // One bag in place of a pair is as heavy as both, and each hand has half of it.
    const one = weights === 2 && replaced.some((r) => r.needed === 'dumbbells' || r.needed === 'kettlebells');
    const load = kg === null ? null : one ? mostInBag(2 * kg) : homeLoad(kg, weights);
    return {
      variation: v.slug,
      read,
      how,
      with: standInsFor(v, replaced),
      target,
      load,
      loadKg: load && (one ? load.kg / 2 : load.kg),
    };
  };
  function standInsFor(v: Variation, replaced: readonly { needed: string; by: string }[]): string[] {
    const { all, any } = needsOf(v);
    const by = new Map(replaced.map((r) => [r.needed, r.by]));
    const used = [...all, ...any.map((g) => g.find((e) => there.has(e)) ?? g[0]!)].map((e) => by.get(e) ?? e);
    return [...new Set(used)].flatMap((slug) => {
      const e = shelf.get('equipment', slug);
      const words = e?.homeSubstitutes[0];
      return e && words ? [`${e.name}: ${typeof words === 'string' ? words : words.text}`] : [];
    });
  }
  if (fits(own)) return made(own, 'the same');
  const level = shelf.get('ladder', line.ladder)?.levels[line.levelNumber - 1];
  const marked = level && own.slug === level.main ? level.equals : [];
  for (const slug of marked) {
    const v = shelf.get('variation', slug);
    if (v && !v.retired && fits(v) && !barred(v)) return made(v, 'equal');
  }
  const { groups } = insteadOf(own, shelf, {
    build: REFERENCE_BUILD,
    without: shelf
      .all('equipment')
      .map((e) => e.slug)
      .filter((slug) => !there.has(slug)),
    person,
    most: 12,
    barred: (v) => (barred(v) ? 'barred' : null),
  });
  // Never harder than what is asked: nobody is there to see it.
  for (const group of ['without the equipment', 'equal', 'easier'] as const)
    for (const e of groups.find((g) => g.group === group)?.entries ?? []) {
      const v = shelf.get('variation', e.slug);
      if (v && fits(v) && (e.points ?? 1) <= 0) return made(v, 'instead');
    }
  return null;
}

/** A bag with so much, or as much as one puts on alone. */
const mostInBag = (kg: number): HomeLoad | null => homeLoad(kg, 1) ?? homeLoad(MOST_AT_HOME_KG, 1);

/** What a movement asks by itself, in as many sets as the line has. */
function doseOf(v: Variation, target: Target): Target {
  const dose = v.dose.find((d) => d.role !== 'prepare') ?? v.dose[0];
  return targetAt(
    {
      ...(dose ? leastOf(dose) : { reps: 8 }),
      sets: target.sets,
      restS: dose?.restS ?? target.restS,
    },
    [],
  );
}

/** The line with what is done at home in its place; what is set and how it grows is of the hall. */
export function lineAtHome(
  line: TodayLine,
  home: AtHome,
  done: readonly LoggedSet[],
  date: IsoDate,
): TodayLine {
  if (home.how === 'the same') return line;
  const { source } = home.read;
  const facts = factsOf(home.read);
  return {
    ...line,
    variation: home.variation,
    variationName: source.name,
    oneSided: facts.oneSided,
    sides: sideWorkOf(source),
    countedIn: facts.countedIn,
    target: home.target,
    next: nextSet(done, facts, planAt(home.target), date),
    cues: home.read.cues.slice(0, 3).map(({ slug, text, plain }) => ({ slug, text, plain, record: null })),
    ifItGoesWrong: home.read.lines.ifItGoesWrong,
  };
}
