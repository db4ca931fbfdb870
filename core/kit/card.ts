import { aboutMeasure } from '../terms/index.ts';
import type {
  Direction,
  LoadPlace,
  Piece,
  PieceForm,
  Rounding,
  SetUpMeasure,
  SettingUsed,
} from '../terms/index.ts';
import type { ResolvedVariation, Shelf } from '../library/index.ts';
import type { SettledMechanics } from '../posture/index.ts';
import { equalsAmong } from './availability.ts';
import { askedOf } from './asked.ts';
import type { SetFor } from './asked.ts';
import type { Worn } from './fit.ts';
import { placedOr, unsizedForms } from './placed.ts';
import type { FitRow, Things } from './placed.ts';
import type { Build } from '../body/index.ts';

export interface FitCard {
  rows: FitRow[];
  soleM: number;
  /** Which segments were measured; none: all from stature. */
  measured: Build['measured'];
}

export interface FitFor {
  build: Build;
  worn: Worn;
  /** In all; null: what the movement is drawn with. */
  loadKg: number | null;
}

/** What a card sets, as it is noted with a set, each once; what does not fit sets nothing. */
export function settingsOf(card: FitCard | null): SettingUsed[] {
  const seen = new Set<string>();
  return (card?.rows ?? [])
    .flatMap((r) => (r.own && r.fitting !== 'does not fit' ? (r.own.setting ?? []) : []))
    .filter((s) => {
      const key = `${s.name} ${s.side}`;
      return seen.has(key) ? false : (seen.add(key), true);
    });
}

/** Set on a thing of the hall, which may be lacking or not fit; everything else is marked or measured. */
const ON_THINGS: ReadonlySet<SetUpMeasure> = new Set<SetUpMeasure>([
  'box, full sit',
  'box, touched',
  'box, below level',
  'thrust bench',
  'rack hooks, shoulder',
  'rack hooks, mid-thigh',
  'safeties',
  'step-up',
  'step-up, learning',
  'raised feet',
  'rear-foot seat',
  'extension pad',
  'machine platform',
  'heel wedge',
  'ball seat',
  'strap handles',
  'start height',
]);

/** A movement as far as things are set for it. */
export interface FitOn {
  measures: readonly { measure: SetUpMeasure; rounding?: Rounding | undefined; note?: string | undefined }[];
  mechanics: SettledMechanics;
  place: LoadPlace;
  direction: Direction;
  /** Slugs of the equipment that it needs, alternatives too. */
  needed: readonly string[];
}

/** What the hall has, as far as things are chosen from it. */
export interface HallThings {
  /** Pieces of a kind that may be used. */
  here: (equipment: string) => readonly Piece[];
  /** Every pad that may be used. */
  pads: readonly Piece[];
  equals: ReadonlyMap<string, ReadonlySet<string>>;
  nameOf: (equipment: string) => string | undefined;
  formsOf: (equipment: string) => readonly PieceForm[] | undefined;
}

/** The rows of things alone: what whether something can be run depends on. */
export function thingRows(read: ResolvedVariation, shelf: Shelf, of: FitFor): FitRow[] {
  const on = fitOn(read);
  const measures = on.measures.filter((m) => ON_THINGS.has(m.measure));
  return measures.length === 0 ? [] : fitRows({ ...on, measures }, thingsOf(shelf), of);
}

const fitOn = ({ source, mechanics, equipmentAll, equipmentAny }: ResolvedVariation): FitOn => ({
  measures: source.measures ?? [],
  mechanics,
  place: source.loadPlace,
  direction: source.direction,
  needed: [...equipmentAll, ...equipmentAny.flat()].map((n) => n.equipment.slug),
});

const things = new WeakMap<Shelf, HallThings>();

/** What a shelf has, put together once. */
function thingsOf(shelf: Shelf): HallThings {
  const known = things.get(shelf);
  if (known) return known;
  const made: HallThings = {
    here: (slug) => shelf.piecesOf(slug),
    pads: shelf.kit.pieces.filter((p) => p.form === 'pad' && shelf.piecesOf(p.equipment).includes(p)),
    equals: equalsAmong(shelf.all('equipment')),
    nameOf: (slug) => shelf.get('equipment', slug)?.name,
    formsOf: (slug) => shelf.get('equipment', slug)?.forms,
  };
  things.set(shelf, made);
  return made;
}

/** How everything that a variation names is set to a body, on the hall’s own things. */
export const fitCard = (read: ResolvedVariation, shelf: Shelf, of: FitFor): FitCard => ({
  rows: fitRows(fitOn(read), thingsOf(shelf), of),
  soleM: of.worn.soleM,
  measured: of.build.measured,
});

/** The rows of a card: what each measure is for a body, and the hall’s own nearest thing. */
export function fitRows(on: FitOn, hall: HallThings, { build, worn, loadKg }: FitFor): FitRow[] {
  const { mechanics, place, direction } = on;
  const setFor: SetFor = { build, worn, mechanics, loadKg, place, direction };
  const things = thingsFor(on.needed, hall);
  return on.measures.map(({ measure, rounding, note }): FitRow => {
    const how = rounding ?? aboutMeasure(measure).rounding;
    const asked = askedOf(measure, setFor);
    const row: FitRow = {
      measure,
      rounding: how,
      note: note ?? '',
      asked: typeof asked === 'string' ? null : asked,
      notAsked: typeof asked === 'string' ? asked : null,
      own: null,
      others: [],
      fitting: null,
      misfit: null,
      wouldDo: null,
    };
    return typeof asked === 'string' ? row : { ...row, ...placedOr(measure, how, asked, things, build) };
  });
}

function thingsFor(needed: readonly string[], hall: HallThings): Things {
  const named = new Set(needed);
  const slugs = [...named, ...[...named].flatMap((slug) => [...(hall.equals.get(slug) ?? [])])];
  // What is needed comes before what stands in for it.
  const pieces = [...new Set(slugs)].flatMap((slug) => hall.here(slug));
  return {
    pieces,
    unsized: new Set(pieces.flatMap((p) => unsizedForms(p, hall.formsOf(p.equipment)))),
    pads: hall.pads,
    nameOf: (p) => p.name || hall.nameOf(p.equipment) || p.equipment,
  };
}
