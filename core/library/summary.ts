import { needsOf } from './needs.ts';
import type { Body, Ladder, Variation } from './documents.ts';
import type { Kind } from './kinds/kind.ts';
import { titleOf } from './documents.ts';
import type { SettledMechanics } from '../posture/index.ts';
import { placesOn } from './places.ts';
import type { Place } from './places.ts';
import { carries } from './predicate.ts';
import { referencesOf } from './references.ts';
import { resolveMechanics, resolveWanted } from './resolve.ts';
import { documentId } from './shelf.ts';
import type { Shelf } from './shelf.ts';
import type {
  Direction,
  Dominance,
  Laterality,
  LoadKind,
  LoadPlace,
  Muscle,
  Pattern,
  PieceForm,
  Region,
  Role,
  SetUpMeasure,
} from '../terms/index.ts';

/** Documents in a list: enough to find one, without the whole sheet. */
export interface EntrySummary {
  kind: Kind;
  slug: string;
  title: string;
  revision: number;
  retired: boolean;
  /** Only for variations, and for ladders and drill lists. */
  pattern: Pattern | null;
  /** Of a ladder that is a branch: its trunk, and the level it leaves it at. */
  branchOf: Ladder['branchOf'] | null;
  roles: Role[];
  laterality: Laterality | null;
  /** What its figure and demand are computed from, under the hall's answers. */
  mechanics: SettledMechanics | null;
  /** The head coach's correction of the computed demand, points. */
  demandAdjustment: number;
  /** What a list of variations is narrowed by besides. */
  facets: VariationFacets | null;
  /** Every other name that it goes by, the short one too. */
  alsoCalled: string[];
  /** Words the search looks through besides the title and the titles of what it names. */
  words: string;
  /** Documents it names, as `kind/slug`. */
  uses: string[];
  /** Of equipment: what the kit room notes of it, and how often it is inspected. */
  forms?: PieceForm[];
  inspectMonths?: number;
  loadKind?: LoadKind;
}

export interface VariationFacets {
  dominance: Dominance;
  muscles: Muscle[];
  /** Regions where work, stretch or pressure is wanted. */
  felt: Region[];
  /** Slugs of the cautions it carries, by predicate or by name. */
  cautions: string[];
  /** Where it stands, as `ladder/number of the level`. */
  levels: string[];
  /** What is set to the person, where it is carried and which way it goes: what a fit is worked out from. */
  measures: SetUpMeasure[];
  place: LoadPlace;
  direction: Direction;
  equipmentAll: string[];
  equipmentAny: string[][];
}

/** The library as its list: enough to find, narrow and draw every entry, without a single sheet. */
export function summariesOf(shelf: Shelf, revisions: ReadonlyMap<string, number>): EntrySummary[] {
  const places = placesOn(shelf);
  return shelf.everything().map((body) => summaryOf(body, shelf, revisions, places));
}

function summaryOf(
  body: Body,
  shelf: Shelf,
  revisions: ReadonlyMap<string, number>,
  places: ReturnType<typeof placesOn>,
): EntrySummary {
  const variation = body.kind === 'variation' ? body : null;
  return {
    kind: body.kind,
    slug: body.slug,
    title: titleOf(body),
    revision: revisions.get(documentId(body)) ?? 0,
    retired: body.retired,
    pattern: 'pattern' in body ? body.pattern : null,
    branchOf: body.kind === 'ladder' ? (body.branchOf ?? null) : null,
    roles: variation?.roles ?? [],
    laterality: variation?.laterality ?? null,
    mechanics: variation && resolveMechanics(variation, shelf),
    demandAdjustment: variation?.demandAdjustment?.points ?? 0,
    facets: variation && facetsOf(variation, shelf, places.get(variation.slug) ?? []),
    alsoCalled: alsoCalledOf(body),
    words: wordsOf(body),
    uses: [...new Set(referencesOf(body).map(documentId))],
    ...(body.kind === 'equipment' && body.forms ? { forms: body.forms } : {}),
    ...(body.kind === 'equipment' && body.loadKind ? { loadKind: body.loadKind } : {}),
    ...(body.kind === 'equipment' && body.inspectMonths ? { inspectMonths: body.inspectMonths } : {}),
  };
}

function facetsOf(v: Variation, shelf: Shelf, places: readonly Place[]): VariationFacets {
  const { all, any } = needsOf(v);
  return {
    dominance: v.dominance,
    muscles: v.muscles,
    felt: [...new Set(resolveWanted(v, shelf).map((f) => f.region))],
    cautions: shelf
      .all('caution')
      .filter((c) => !c.retired && carries(v, c))
      .map((c) => c.slug),
    levels: places.map((p) => `${p.ladder}/${p.levelNumber}`),
    measures: (v.measures ?? []).map((m) => m.measure),
    place: v.loadPlace,
    direction: v.direction,
    equipmentAll: [...all],
    equipmentAny: any.map((group) => [...group]),
  };
}

/** Other names and abbreviations in use. */
function alsoCalledOf(body: Body): string[] {
  const names = 'alsoCalled' in body ? (body.alsoCalled ?? []) : [];
  return body.kind === 'variation' && body.shortName !== body.name ? [body.shortName, ...names] : names;
}

/** What else a document is looked for by: what is seen. */
function wordsOf(body: Body): string {
  switch (body.kind) {
    case 'fault':
      return body.sign.text;
    case 'caution':
      return body.lines.map((l) => l.text).join(' ');
    case 'houseQuestion':
      return body.answers.map((a) => a.name).join(' ');
    case 'ladder':
      return body.levels.map((l) => l.name).join(' ');
    case 'variation':
    case 'cue':
    case 'drillList':
    case 'equipment':
      return '';
  }
}
