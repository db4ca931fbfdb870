import { loadsOfHall } from '../kit/index.ts';
import type { LoadList } from '../kit/index.ts';
import { resolve, resolveLadder } from '../library/index.ts';
import type {
  ForPerson,
  Ladder,
  ResolvedVariation,
  SettledLadder,
  SettledLevel,
  ShelfInForce,
  Variation,
} from '../library/index.ts';
import type { Form, Pattern, Stage } from '../terms/index.ts';
import { factsInForm, factsOf, ladderForMass, ladderInForm } from '../ladder/index.ts';
import type { Standing } from '../ladder/index.ts';
import type { NameOfLevel } from '../criterion/index.ts';
import type { VariationFacts } from '../log/index.ts';

/** A ladder as it reads for somebody: criteria under their answers, and what decisions need of its variations. */
export interface LadderReading {
  raw: Ladder;
  settled: SettledLadder;
  facts: ReadonlyMap<string, VariationFacts>;
  /** Lowering time of each variation's tempo, s. */
  loweringS: ReadonlyMap<string, number>;
}

const perShelf = new WeakMap<ShelfInForce, Map<string, LadderReading>>();

/**
 * The reading of a ladder for given answers, stage and form, kept as long as the library stays as it is; first loads
 * follow from the body mass that the standing was begun with.
 */
export function readingOfLadder(
  inForce: ShelfInForce,
  ladder: Ladder,
  answers: Readonly<Record<string, string>> = {},
  { stage, form = 'sets', massKg, experience, level, shares }: Partial<Standing> = {},
): LadderReading {
  const found = readingInForm(inForce, ladder, answers, stage, form);
  const who = {
    massKg: massKg ?? null,
    experience: experience ?? null,
    loads: ofLibrary(inForce).loads,
    fixed: shares && level ? { level, shares } : null,
  };
  const settled = ladderForMass(found.settled, found.facts, who);
  return settled === found.settled ? found : { ...found, settled };
}

function readingInForm(
  inForce: ShelfInForce,
  ladder: Ladder,
  answers: Readonly<Record<string, string>>,
  stage: Stage | undefined,
  form: Form,
): LadderReading {
  const inLibrary = inForce.shelf.get('ladder', ladder.slug) === ladder;
  // An edited ladder that is only being tried is read anew.
  if (!inLibrary) return read(inForce, ladder, answers, stage, form);
  const kept = perShelf.get(inForce) ?? new Map<string, LadderReading>();
  perShelf.set(inForce, kept);
  const key = JSON.stringify([ladder.slug, stage ?? null, form, Object.entries(answers).sort()]);
  const found = kept.get(key) ?? read(inForce, ladder, answers, stage, form);
  kept.set(key, found);
  return found;
}

function read(
  inForce: ShelfInForce,
  raw: Ladder,
  answers: Readonly<Record<string, string>>,
  stage: Stage | undefined,
  form: Form,
): LadderReading {
  const { shelf } = inForce;
  const facts = new Map<string, VariationFacts>(ofPattern(inForce, raw.pattern));
  const loweringS = new Map<string, number>();
  for (const level of raw.levels) {
    for (const slug of [level.main, ...level.equals]) {
      const variation = shelf.get('variation', slug);
      if (!variation) continue;
      facts.set(slug, factsOf(resolve(variation, shelf, { stage: stage ?? level.stage, answers })));
      loweringS.set(slug, variation.tempo.loweringS);
    }
  }
  const settled = ladderInForm(resolveLadder(raw, shelf, answers), form);
  return { raw, settled, facts: factsInForm(settled, facts, form), loweringS };
}

const sheets = new WeakMap<ShelfInForce, Map<string, ResolvedVariation>>();

/** A variation as it reads for somebody, kept as long as the library stays as it is. */
export function readingOfVariation(
  inForce: ShelfInForce,
  variation: Variation,
  person: ForPerson,
): ResolvedVariation {
  const kept = sheets.get(inForce) ?? new Map<string, ResolvedVariation>();
  sheets.set(inForce, kept);
  const key = JSON.stringify([variation.slug, person.stage, Object.entries(person.answers).sort()]);
  const found = kept.get(key) ?? resolve(variation, inForce.shelf, person);
  kept.set(key, found);
  return found;
}

const ofPatterns = new WeakMap<ShelfInForce, Map<Pattern, [string, VariationFacts][]>>();

/** What decisions need of every movement of a pattern: drills and warm-ups are read for pain and stop faults. */
function ofPattern(inForce: ShelfInForce, pattern: Pattern): [string, VariationFacts][] {
  const kept = ofPatterns.get(inForce) ?? new Map<Pattern, [string, VariationFacts][]>();
  ofPatterns.set(inForce, kept);
  const found =
    kept.get(pattern) ??
    inForce.shelf
      .all('variation')
      .filter((v) => v.pattern === pattern)
      .map((v): [string, VariationFacts] => [
        v.slug,
        factsOf(resolve(v, inForce.shelf, { stage: 'sound', answers: {} })),
      ]);
  kept.set(pattern, found);
  return found;
}

/** The variations of a pattern, and those of a ladder of it. */
export const variationsOf = (inForce: ShelfInForce, ladder: Ladder): string[] => [
  ...new Set([
    ...ofPattern(inForce, ladder.pattern).map(([slug]) => slug),
    ...ladder.levels.flatMap((l) => [l.main, ...l.equals]),
  ]),
];

export const levelOf = (ladder: SettledLadder, id: string | undefined): SettledLevel | undefined =>
  ladder.levels.find((l) => l.id === id);

/** What decisions read of a state of the library besides the ladder itself, put together once. */
interface OfLibrary {
  nameOf: NameOfLevel;
  kit: ReadonlySet<string>;
  /** The loads that exist in the hall. */
  loads: LoadList;
}
const ofLibraries = new WeakMap<ShelfInForce, OfLibrary>();

export function ofLibrary(inForce: ShelfInForce): OfLibrary {
  const kept = ofLibraries.get(inForce);
  if (kept) return kept;
  const { shelf } = inForce;
  const made: OfLibrary = {
    nameOf: (ladder, level) => {
      const found = shelf.get('ladder', ladder);
      const name = found?.levels.find((l) => l.id === level)?.name;
      return name ? `"${name}" of the ladder ${found.name}` : `${level} on ${ladder}`;
    },
    // Equipment the hall has at all; counting who holds what is for the group's plan.
    kit: new Set(shelf.all('equipment').flatMap((e) => (shelf.stock(e.slug).count > 0 ? [e.slug] : []))),
    loads: loadsOfHall(shelf),
  };
  ofLibraries.set(inForce, made);
  return made;
}
