import { leastOf, sidesOf, workTimeS } from '../dose/index.ts';
import { PREPARE_STEPS, placesOn, rulesFor } from '../library/index.ts';
import type { ForPerson, PrepareStep, Shelf, Variation } from '../library/index.ts';

/** Seconds that a warm-up may take; most take less (common practice, no source). */
export const WARM_UP_S = 600;
/** From one drill to the next (assumption). */
const CHANGE_S = 10;
/** Drills of each step at most: a warm-up warms, it does not tire (common practice, no source). */
const MOST: Record<PrepareStep, number> = { pulse: 1, mobility: 3, activation: 3, 'light version': 2 };

export interface WarmUpEntry {
  variation: Variation;
  step: PrepareStep;
  /** Why it is on the list, in words. */
  because: string[];
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
}

/**
 * The drills before today's work: those that its sheets and the drill lists of its patterns name, the steps in the order
 * of the house answer to "preparation", within the time. A drill named by more of the work comes first; equals keep the
 * order of the lists. The same input gives the same list.
 */
export function warmUpFor({ shelf, work, person, barred }: WarmUpInput): WarmUp {
  const patterns = [...new Set(work.map((v) => v.pattern))];
  const named = new Map<string, string[]>();
  const name = (slug: string, because: string) => {
    if (!work.some((v) => v.slug === slug)) named.set(slug, [...(named.get(slug) ?? []), because]);
  };
  const lists = shelf.all('drillList').filter((l) => !l.retired && patterns.includes(l.pattern));
  for (const v of work) for (const slug of v.drills) name(slug, `before ${v.shortName}`);
  for (const l of lists) for (const slug of l.drills) name(slug, `on the list “${l.name}”`);
  for (const v of work)
    for (const slug of lighterOf(v, shelf)) name(slug, `a light version of ${v.shortName}`);

  const { answers } = rulesFor(shelf, undefined, person);
  const steps = stepsUnder(answers.preparation?.answer, answers.activation?.answer);
  const leftOut: WarmUp['leftOut'] = [];
  const drills = [...named].flatMap(([slug, because]): WarmUpEntry[] => {
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
        because,
        seconds: workTimeS(leastOf(dose), v.tempo, sidesOf(v.laterality)),
      },
    ];
  });

  const entries: WarmUpEntry[] = [];
  let seconds = 0;
  for (const step of steps) {
    const ofStep = drills.filter((d) => d.step === step);
    // Sorting is stable: equals stay in the order in which they were named.
    for (const d of [...ofStep].sort((a, b) => b.because.length - a.because.length)) {
      const tooMany = entries.filter((e) => e.step === step).length >= MOST[step];
      const tooLong = seconds + d.seconds + CHANGE_S > WARM_UP_S;
      if (tooMany || tooLong) {
        leftOut.push({
          slug: d.variation.slug,
          name: d.variation.name,
          why: tooLong ? 'no time left' : `enough for ${step}`,
        });
        continue;
      }
      entries.push(d);
      seconds += d.seconds + CHANGE_S;
    }
  }
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
