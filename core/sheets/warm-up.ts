import { leastOf, timesDone, workTimeS } from '../dose/index.ts';
import { PREPARE_STEPS } from '../terms/index.ts';
import { placesOn, rulesFor } from '../library/index.ts';
import type { ForPerson, Shelf, Variation } from '../library/index.ts';
import type { RangeJoint } from '../body/index.ts';
import type { PrepareStep, Region } from '../terms/index.ts';

/** Seconds that a warm-up may take; most take less (common practice, no source). */
export const WARM_UP_S = 600;
/** Why a drill is left out that a restriction bars, where the reason itself is not for everybody. */
export const BARRED = 'barred for now';
/** From one drill to the next (assumption). */
const CHANGE_S = 10;
/** Drills of each step at most: a warm-up warms, it does not tire (common practice, no source). */
const MOST: Record<PrepareStep, number> = { pulse: 1, mobility: 3, activation: 3, 'light version': 2 };

export interface WarmUpEntry {
  variation: Variation;
  step: PrepareStep;
  /** Why it is on the list, e.g. "before Back squat, Romanian". */
  because: string;
  seconds: number;
}

export interface WarmUp {
  entries: WarmUpEntry[];
  seconds: number;
  /** Drills that today's work asks for and that are not on the list, with the reason. */
  leftOut: { slug: string; name: string; why: string }[];
}

export interface WarmUpInput {
  shelf: Shelf;
  /** Today's work, in its order. */
  work: readonly Variation[];
  person?: ForPerson;
  /** Why a drill is barred for the person, or null. */
  barred?: (v: Variation) => string | null;
  /** Ranges that were measured and lack: a drill for each comes first. */
  lacking?: readonly RangeJoint[];
}

/** A range that lacks goes before what the work names. */
const LACKS_FIRST = 100;

/** Where a drill for a range is felt, if the joint alone does not say what it makes longer. */
const FELT: Partial<Record<RangeJoint, readonly Region[]>> = {
  'back of thigh': ['back of thigh, high', 'back of thigh, low'],
  'front of hip': ['front of hip or groin'],
};

const isFor = (v: Variation, range: RangeJoint): boolean => {
  const felt = FELT[range];
  return felt
    ? v.wanted.some((w) => w.kind === 'stretch' && felt.includes(w.region))
    : v.joints.some((j) => j === range);
};

/** The drill for a range: one that is named today, else the one that is for that joint most of all. */
function mobilityFor(range: RangeJoint, shelf: Shelf, named: ReadonlyMap<string, unknown>): string[] {
  const drills = shelf
    .all('variation')
    .filter((v) => v.prepares === 'mobility' && !v.retired && isFor(v, range))
    .sort(
      (a, b) => Number(named.has(b.slug)) - Number(named.has(a.slug)) || a.joints.length - b.joints.length,
    );
  return drills.slice(0, 1).map((v) => v.slug);
}

/** By what today a drill is named. */
interface Naming {
  before: string[];
  lightFor: string[];
  lists: string[];
  lacks: string[];
}
type Ranked = WarmUpEntry & { named: number };

const becauseOf = ({ before, lightFor, lists, lacks }: Naming): string =>
  lacks.length > 0
    ? `for the range of the ${lacks.join(' and ')}`
    : before.length > 0
      ? `before ${before.join(', ')}`
      : lightFor.length > 0
        ? `for ${lightFor.join(', ')}`
        : `from ${lists.map((l) => `“${l}”`).join(', ')}`;

/**
 * The drills before today's work: those that its sheets and the drill lists of its patterns name, the steps in the order
 * of the house answer to "preparation", within the time. A drill named by more of the work comes first; equals keep the
 * order of the lists. The same input gives the same list.
 */
export function warmUpFor({ shelf, work, person, barred, lacking = [] }: WarmUpInput): WarmUp {
  const patterns = [...new Set(work.map((v) => v.pattern))];
  const named = new Map<string, Naming>();
  const name = (slug: string, by: keyof Naming, what: string) => {
    if (work.some((v) => v.slug === slug)) return;
    const naming = named.get(slug) ?? { before: [], lightFor: [], lists: [], lacks: [] };
    naming[by].push(what);
    named.set(slug, naming);
  };
  const lists = shelf.all('drillList').filter((l) => !l.retired && patterns.includes(l.pattern));
  for (const v of work) for (const slug of v.drills) name(slug, 'before', v.shortName);
  for (const l of lists) for (const slug of l.drills) name(slug, 'lists', l.name);
  for (const v of work) for (const slug of lighterOf(v, shelf)) name(slug, 'lightFor', v.shortName);
  for (const joint of lacking)
    for (const slug of mobilityFor(joint, shelf, named)) name(slug, 'lacks', joint);

  const { answers } = rulesFor(shelf, undefined, person);
  const steps = stepsUnder(answers.preparation?.answer, answers.activation?.answer);
  const leftOut: WarmUp['leftOut'] = [];
  const drills = [...named].flatMap(([slug, naming]): Ranked[] => {
    const v = shelf.get('variation', slug);
    const dose = v?.dose.find((d) => d.role === 'prepare');
    if (!v || v.retired || !dose || v.prepares === undefined) return [];
    const why = barred?.(v) ?? null;
    if (why !== null) {
      leftOut.push({ slug, name: v.name, why });
      return [];
    }
    return [
      {
        variation: v,
        step: v.prepares,
        because: becauseOf(naming),
        named: Object.values(naming).flat().length + (naming.lacks.length > 0 ? LACKS_FIRST : 0),
        seconds: workTimeS(leastOf(dose), v.tempo, timesDone(v)),
      },
    ];
  });

  // The best of each step first, so that no step is crowded out; then more of each while there is time.
  // Sorting is stable: equals stay in the order in which they were named.
  const ranked = steps.map((step) => drills.filter((d) => d.step === step).sort((a, b) => b.named - a.named));
  const taken = new Set<Ranked>();
  let seconds = 0;
  const take = (d: Ranked): string | null => {
    if ([...taken].filter((t) => t.step === d.step).length >= MOST[d.step]) return `enough for ${d.step}`;
    if (seconds + d.seconds + CHANGE_S > WARM_UP_S) return 'no time left';
    taken.add(d);
    seconds += d.seconds + CHANGE_S;
    return null;
  };
  for (const [best] of ranked) if (best) take(best);
  for (const d of ranked.flat()) {
    const why = taken.has(d) ? null : take(d);
    if (why !== null) leftOut.push({ slug: d.variation.slug, name: d.variation.name, why });
  }
  const entries = ranked
    .flat()
    .flatMap(({ named: _rank, ...entry }, i, all) => (taken.has(all[i]!) ? [entry] : []));
  return { entries, seconds, leftOut };
}

/** Which steps the house answers ask for, in their order. */
function stepsUnder(preparation: string | undefined, activation: string | undefined): readonly PrepareStep[] {
  const steps: readonly PrepareStep[] =
    preparation === 'light-version'
      ? ['light version']
      : preparation === 'holds'
        ? ['mobility', 'light version']
        : PREPARE_STEPS;
  return activation === 'movement-first' ? steps.filter((s) => s !== 'activation') : steps;
}

/** Light versions on the ladder of a variation, beneath it, the nearest first; where it stands on none, of its pattern. */
function lighterOf(v: Variation, shelf: Shelf): string[] {
  const light = shelf
    .all('variation')
    .filter((x) => x.prepares === 'light version' && x.pattern === v.pattern);
  const places = placesOn(shelf);
  const own = places.get(v.slug)?.[0];
  if (!own) return light.slice(0, 1).map((x) => x.slug);
  return light
    .flatMap((x) => {
      const place = places.get(x.slug)?.find((p) => p.ladder === own.ladder);
      return place && place.levelNumber < own.levelNumber ? [{ slug: x.slug, at: place.levelNumber }] : [];
    })
    .sort((a, b) => b.at - a.at)
    .slice(0, 1)
    .map((x) => x.slug);
}
