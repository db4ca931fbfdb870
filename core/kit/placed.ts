import type { Build } from '../body/index.ts';
import { aboutForm, aboutMeasure, aboutSetting, isPaired } from '../terms/index.ts';
import type { Piece, PieceForm, Rounding, SetUpMeasure, SettingUsed } from '../terms/index.ts';
import type { Asked, NotAsked } from './asked.ts';
import { MACHINE_AXLE_M } from './fit.ts';
import {
  ballKneeDeg,
  fittingOf,
  hooksFit,
  nearestHeight,
  notchUnder,
  safetiesFit,
  slopeDeg,
  thighOffDeg,
} from './nearest.ts';
import type { Fitting, Rack, Standing } from './nearest.ts';

/** What is not as it was computed, as data; the words are whoever's who shows it. */
export type Misfit =
  /** Hips end above (+) or under (−) level. */
  | { what: 'thigh'; offM: number; deg: number }
  /** Shoulders high (+) or low (−). */
  | { what: 'slope'; deg: number }
  | { what: 'off'; offM: number }
  | { what: 'knee'; deg: number }
  | { what: 'hooks low'; underM: number }
  | { what: 'sit down with it'; belowBarM: number };

/** The hall's own thing for a row, as it is set. */
export interface OwnThing {
  pieceId: string;
  equipment: string;
  name: string;
  place: string;
  /** What is noted of it; null where it is not noted with a set. */
  setting: SettingUsed[] | null;
  heightM: number;
  /** Pads on it. */
  pads: number;
  /** Number of the notch or of the platform's hole, both sides alike; null where it has none. */
  notch: number | null;
  offM: number;
}

/** One line of a fit card. */
export interface FitRow {
  measure: SetUpMeasure;
  rounding: Rounding;
  note: string;
  asked: Asked | null;
  /** Why nothing is asked; null where something is. */
  notAsked: NotAsked | null;
  own: OwnThing | null;
  /** Other racks of the hall with their numbers. */
  others: OwnThing[];
  /** null: there is nothing to fit, it is marked on the floor or measured. */
  fitting: Fitting | 'size not noted' | null;
  misfit: Misfit | null;
  /** What would do, from and to; null where something does. */
  wouldDo: { fromM: number; toM: number } | null;
}

/** How a measure comes out on some pieces alone: what a purchase would make of it. */
export function fittingWith(
  { measure, rounding, asked }: Pick<FitRow, 'measure' | 'rounding' | 'asked'>,
  pieces: readonly Piece[],
  pads: readonly Piece[],
  build: Build,
): FitRow['fitting'] {
  if (asked === null) return null;
  return placed(measure, rounding, asked, { pieces, unsized: new Set(), pads, nameOf: (p) => p.name }, build)
    .fitting;
}

/** Pieces that may be used for a variation: what it needs, the alternatives, and their equals. */
export interface Things {
  pieces: readonly Piece[];
  /** Forms of the things here whose sizes nobody has noted: one of them may fit. */
  unsized: ReadonlySet<PieceForm>;
  pads: readonly Piece[];
  nameOf: (p: Piece) => string;
}

/** Counted only, though its kind has sizes; or of a form whose first size is missing: the forms that it may be of. */
export function unsizedForms(p: Piece, forms: readonly PieceForm[] = []): readonly PieceForm[] {
  if (p.form === 'thing') return forms;
  const [first] = aboutForm(p.form).sizes;
  return first !== undefined && p.sizes[first] === undefined ? [p.form] : [];
}

/** Forms of the things that a measure is set on. */
function formsFor(measure: SetUpMeasure): readonly PieceForm[] {
  switch (measure) {
    case 'rack hooks, shoulder':
    case 'rack hooks, mid-thigh':
    case 'safeties':
      return ['rack'];
    case 'machine platform':
      return ['machine'];
    case 'ball seat':
      return ['ball'];
    default:
      return ['height', 'adjustable'];
  }
}

/** The own thing; where none fits, but one of them has a size that nobody has noted, that is what is said. */
export function placedOr(
  measure: SetUpMeasure,
  rounding: Rounding,
  asked: Asked,
  things: Things,
  build: Build,
): Placed {
  const found = placed(measure, rounding, asked, things, build);
  const perhaps = formsFor(measure).some((f) => things.unsized.has(f));
  return found.fitting === 'does not fit' && perhaps
    ? { ...NOTHING, fitting: 'size not noted', wouldDo: found.wouldDo }
    : found;
}

const MOST_PADS = 6;

type Placed = Pick<FitRow, 'own' | 'others' | 'fitting' | 'misfit' | 'wouldDo'>;
const NOTHING: Placed = { own: null, others: [], fitting: null, misfit: null, wouldDo: null };

function placed(
  measure: SetUpMeasure,
  rounding: Rounding,
  asked: Asked,
  things: Things,
  build: Build,
): Placed {
  switch (measure) {
    case 'rack hooks, shoulder':
    case 'rack hooks, mid-thigh':
    case 'safeties':
      return onRack(measure, asked, things);
    case 'machine platform':
      return onMachine(asked, things);
    case 'ball seat':
      return onBall(asked, things, build);
    case 'box, full sit':
    case 'box, touched':
    case 'box, below level':
      return onHeight(measure, 'box', rounding, asked, things, {
        pads: true,
        misfit: (offM) => ({ what: 'thigh', offM, deg: thighOffDeg(build, offM) }),
      });
    case 'thrust bench':
      return onHeight(measure, 'bench', rounding, asked, things, {
        misfit: (offM) => ({ what: 'slope', deg: slopeDeg(build, offM) }),
      });
    case 'step-up':
    case 'step-up, learning':
    case 'rear-foot seat':
    case 'extension pad':
    case 'heel wedge':
    case 'start height':
      return onHeight(measure, 'one-sided', rounding, asked, things, {
        misfit: (offM) => ({ what: 'off', offM }),
      });
    case 'raised feet':
    case 'strap handles':
      return onHeight(measure, 'platform', rounding, asked, things, {
        misfit: (offM) => ({ what: 'off', offM }),
      });
    default:
      // Marked on the floor, or measured.
      return NOTHING;
  }
}

const isOf =
  (...forms: PieceForm[]) =>
  (p: Piece) =>
    forms.includes(p.form);

/** Every height at which a piece can stand. */
function heightsOf(p: Piece): Standing[] {
  const { heightM, fromM, toM, stepM = 0.05 } = p.sizes;
  if (p.form === 'height') return heightM === undefined ? [] : [{ id: p.id, heightM }];
  if (fromM === undefined || toM === undefined) return [];
  const steps = Math.min(200, Math.floor((toM - fromM) / stepM + 1e-9));
  return Array.from({ length: steps + 1 }, (_, i) => ({ id: p.id, heightM: fromM + i * stepM }));
}

/** Under what may not be passed this much is still well, and this much worth a note (judgements). */
const UNDER = { fits: 0.1, noted: 0.2 };

interface OnHeight {
  pads?: true;
  misfit: (offM: number) => Misfit;
}

function onHeight(
  measure: SetUpMeasure,
  band: 'box' | 'bench' | 'platform' | 'one-sided',
  rounding: Rounding,
  asked: Asked,
  things: Things,
  { pads = undefined, misfit }: OnHeight,
): Placed {
  const own = things.pieces.filter(isOf('height', 'adjustable'));
  const bounds = rounding === 'down' ? { never: asked.m } : rounding === 'up' ? { least: asked.m } : {};
  const stack = pads ? padsOf(things.pads) : { thicknessM: 0, count: 0 };
  const found = nearestHeight(own.flatMap(heightsOf), stack, asked.m, bounds);
  const would =
    band === 'one-sided' || rounding !== 'to the nearest'
      ? rounding === 'up'
        ? { fromM: asked.m, toM: asked.m + UNDER.fits }
        : { fromM: Math.max(0, asked.m - UNDER.fits), toM: asked.m }
      : { fromM: asked.m - USABLE[band], toM: asked.m + USABLE[band] };
  if (!found) return { ...NOTHING, fitting: 'does not fit', wouldDo: would };
  const piece = own.find((p) => p.id === found.id)!;
  const off = Math.abs(found.offM);
  const fitting: Fitting =
    band === 'one-sided'
      ? off <= UNDER.fits
        ? 'fits'
        : off <= UNDER.noted
          ? 'with a note'
          : 'does not fit'
      : fittingOf(band, found.offM);
  return {
    own: ownThing(measure, piece, things, { heightM: found.heightM, pads: found.pads, offM: found.offM }),
    others: [],
    fitting,
    misfit: off < A_HAIR_M ? null : misfit(found.offM),
    wouldDo: fitting === 'does not fit' ? would : null,
  };
}

/** Nearer than this nobody can see the difference. */
const A_HAIR_M = 0.005;
const USABLE = { box: 0.025, bench: 0.03, platform: 0.025 } as const;

/** Pads of one thickness, as many as there are; of several thicknesses the one with most. */
function padsOf(pads: readonly Piece[]): { thicknessM: number; count: number } {
  const counts = new Map<number, number>();
  for (const p of pads) {
    const t = p.sizes.thicknessM;
    if (t !== undefined) counts.set(t, (counts.get(t) ?? 0) + p.count);
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1]);
  return most ? { thicknessM: most[0], count: Math.min(MOST_PADS, most[1]) } : { thicknessM: 0, count: 0 };
}

function ownThing(
  measure: SetUpMeasure,
  piece: Piece,
  things: Things,
  of: { heightM: number; offM: number; pads?: number; notch?: number },
): OwnThing {
  const { setting } = aboutMeasure(measure);
  const notch = of.notch ?? null;
  const about = setting && aboutSetting(setting);
  const value = about?.is === 'number' ? (about.unit === 'm' ? round(of.heightM) : notch) : null;
  return {
    pieceId: piece.id,
    equipment: piece.equipment,
    name: things.nameOf(piece),
    place: piece.place,
    setting:
      setting && value !== null
        ? isPaired(setting)
          ? (['left', 'right'] as const).map((side) => ({ name: setting, value, side }))
          : [{ name: setting, value, side: null }]
        : null,
    heightM: of.heightM,
    pads: of.pads ?? 0,
    notch,
    offM: of.offM,
  };
}
const round = (m: number) => Math.round(m * 1000) / 1000;

const rackOf = ({ sizes: s }: Piece): Rack | null =>
  s.firstM === undefined || s.spacingM === undefined
    ? null
    : { firstM: s.firstM, stepM: s.spacingM, notches: s.notches ?? 60 };

/** The number that is written at a notch: some racks are counted from above. */
const shownNotch = (p: Piece, rack: Rack, number: number) =>
  p.sizes.countedFrom === 'above' ? rack.notches - number + 1 : number;

/** Hooks and safeties round down; every rack of the hall has a number of its own. */
function onRack(measure: SetUpMeasure, asked: Asked, things: Things): Placed {
  const racks = things.pieces.filter(isOf('rack'));
  const found = racks.flatMap((p) => {
    const rack = rackOf(p);
    const notch = rack && notchUnder(rack, asked.m);
    if (!rack || !notch) return [];
    const { fitting } =
      measure === 'safeties' ? safetiesFit(notch, asked.tapeM ?? asked.m) : { fitting: hooksFit(notch) };
    const own = ownThing(measure, p, things, {
      heightM: notch.heightM,
      offM: -notch.underM,
      notch: shownNotch(p, rack, notch.number),
    });
    return [{ own, fitting, underM: notch.underM }];
  });
  const [best, ...others] = found.sort((a, b) => a.underM - b.underM);
  if (!best) return { ...NOTHING, fitting: 'does not fit', wouldDo: { fromM: asked.m - 0.1, toM: asked.m } };
  const belowBarM = (asked.tapeM ?? asked.m) - best.own.heightM;
  const misfit: Misfit | null =
    best.fitting === 'fits'
      ? null
      : measure === 'safeties'
        ? { what: 'sit down with it', belowBarM }
        : { what: 'hooks low', underM: best.underM };
  return {
    own: best.own,
    others: others.map((o) => o.own),
    fitting: best.fitting,
    misfit,
    wouldDo: best.fitting === 'does not fit' ? { fromM: asked.m - 0.1, toM: asked.m } : null,
  };
}

/** The hip at the axle: each machine has an axle of its own. */
function onMachine(asked: Asked, things: Things): Placed {
  const found = things.pieces.filter(isOf('machine')).flatMap((p) => {
    const wanted = asked.m + ((p.sizes.axleM ?? MACHINE_AXLE_M) - MACHINE_AXLE_M);
    const at = nearestHeight(heightsOf(p), { thicknessM: 0, count: 0 }, wanted);
    const notch = at && Math.round((at.heightM - (p.sizes.fromM ?? 0)) / (p.sizes.stepM ?? 0.05)) + 1;
    return at ? [{ at, own: ownThing('machine platform', p, things, { ...at, notch: notch! }) }] : [];
  });
  const [best] = found.sort((a, b) => Math.abs(a.at.offM) - Math.abs(b.at.offM));
  if (!best) return { ...NOTHING, fitting: 'does not fit', wouldDo: null };
  const fitting = fittingOf('platform', best.at.offM);
  return {
    own: best.own,
    others: [],
    fitting,
    misfit: Math.abs(best.at.offM) < A_HAIR_M ? null : { what: 'off', offM: best.at.offM },
    wouldDo: fitting === 'does not fit' ? { fromM: asked.m - 0.025, toM: asked.m + 0.025 } : null,
  };
}

const KNEE = { least: 80, most: 100 } as const;

function onBall(asked: Asked, things: Things, build: Build): Placed {
  const balls = things.pieces.filter(isOf('ball'));
  const found = balls
    .flatMap((p) =>
      p.sizes.seatM === undefined ? [] : [{ p, seatM: p.sizes.seatM, offM: p.sizes.seatM - asked.m }],
    )
    .sort((a, b) => Math.abs(a.offM) - Math.abs(b.offM));
  const [best] = found;
  const would = { fromM: asked.m - 0.05, toM: asked.m + 0.05 };
  if (!best) return { ...NOTHING, fitting: 'does not fit', wouldDo: would };
  const kneeDeg = ballKneeDeg(build, best.seatM, asked.m);
  const fits = kneeDeg >= KNEE.least && kneeDeg <= KNEE.most;
  return {
    own: ownThing('ball seat', best.p, things, { heightM: best.seatM, offM: best.offM }),
    others: [],
    fitting: fits ? 'fits' : 'does not fit',
    misfit: { what: 'knee', deg: kneeDeg },
    wouldDo: fits ? null : would,
  };
}
