import type {
  DocumentField,
  DocumentFields,
  Body,
  Breach,
  EntrySummary,
  Kind,
  Place,
  ResolvedVariation,
  SettledLadder,
} from '../core/library/index.ts';
import { fieldsOf, KINDS } from '../core/library/index.ts';
import { ATOM_KINDS, aboutAtom, paramsOf } from '../core/criterion/index.ts';
import type { Param } from '../core/criterion/index.ts';
import Joi from 'joi';
import {
  AIDS,
  FELT_KINDS,
  LATERALITIES,
  LOAD_KINDS,
  LOAD_PLACES,
  PATTERNS,
  RANGE_TARGETS,
  REGIONS,
  ROLES,
  SUPPORTS,
} from '../core/terms/index.ts';
import type { Pattern } from '../core/terms/index.ts';
import { FREE_HANDS, LOAD_LOOKS, WALLS } from '../core/posture/index.ts';
import type { Effects, Finding } from '../core/review/index.ts';
import { LIBRARY_FORMAT, LIBRARY_FORMAT_VERSION } from '../core/exchange/index.ts';
import type { EditionHeader } from '../core/exchange/index.ts';
import { isoDate, list, looseText, number, oneOf, shape, slug, strict, text, union, whole } from './parts.ts';

const holdsUnder = Joi.object().pattern(/^[a-z0-9]+(-[a-z0-9]+)*$/, list(slug(), 20).min(1));
const line = shape({ text: text() }, { holdsUnder });
const lines = list(line, 40);
/** A number, or one that depends on the answer to a house question; errors are told of the branch that was meant. */
const ruled = (of: Joi.Schema) =>
  Joi.alternatives().conditional(Joi.object(), {
    then: shape({
      question: slug(),
      byAnswer: Joi.object().pattern(/^[a-z0-9]+(-[a-z0-9]+)*$/, of),
      otherwise: of,
    }),
    otherwise: of,
  });
const ruledNumber = (from: number, to: number) => ruled(number(from, to));
const felt = { region: oneOf(REGIONS), kind: oneOf(FELT_KINDS) };

const referenceLoad = shape({
  fractionOfBodyMass: number(0, 3),
  per: Joi.string().valid('total', 'hand'),
});
const hands = oneOf(FREE_HANDS);
const loadLook = oneOf(LOAD_LOOKS);
const wall = oneOf(WALLS);
const legs = Joi.number().valid(1, 2);
const place = oneOf(LOAD_PLACES);
const angle = () => number(-200, 200);
const arm = shape({ upperDeg: angle(), foreDeg: angle() });
const drawnPose = shape(
  { shankDeg: angle(), thighDeg: angle(), trunkDeg: angle() },
  {
    other: shape({ shankDeg: angle(), thighDeg: angle() }),
    arms: arm,
    otherArm: arm,
    airborne: number(0, 0.6),
  },
);
const mechanics = union(
  'type',
  {
    squat: { legs, thighDeg: ruledNumber(0, 140), hands, loadPlace: place },
    hinge: {
      legs,
      trunkDeg: ruledNumber(0, 110),
      kneeDeg: ruledNumber(0, 60),
      hands,
      loadPlace: place,
    },
    lift: {
      fromHeightM: number(0, 1),
      implement: Joi.string().valid('straight bar', 'at the sides'),
      referenceLoad,
    },
    bridge: { legs, feetFartherDeg: ruledNumber(-30, 60), hold: Joi.boolean(), loadPlace: place },
    lunge: {
      stepOfRightAngleStep: number(0.3, 2),
      frontShankDeg: number(-20, 50),
      trunkDeg: ruledNumber(-10, 70),
      dynamics: Joi.string().valid('static', 'reverse', 'forward'),
      loadPlace: place,
    },
    extension: { bench: Joi.string().valid('level', 'inclined'), hands },
    drawn: { reason: text(400), start: drawnPose, working: drawnPose },
  },
  {
    squat: {
      referenceLoad,
      loadLook,
      wall,
      chestHold: Joi.string().valid('goblet', 'hugged'),
      shinLimitDeg: ruledNumber(0, 60),
      kneePastToeM: ruledNumber(-0.2, 0.3),
      footPressure: ruledNumber(0.1, 0.8),
      sidewaysShare: number(0.5, 1),
      heelWedgeDeg: number(0, 30),
      box: Joi.string().valid('seated', 'touched'),
      pull: Joi.string().valid('strap', 'hand'),
      spreadDeg: number(0, 60),
      stepUpM: number(0.05, 1),
    },
    hinge: {
      referenceLoad,
      loadLook,
      wall,
      footPressure: ruledNumber(0.1, 0.8),
      loadPath: Joi.string().valid('hanging', 'close', 'beside', 'held back'),
      kickstand: Joi.boolean(),
      touch: Joi.boolean(),
      fast: Joi.boolean(),
    },
    bridge: {
      referenceLoad,
      loadLook,
      feetOn: Joi.string().valid('step', 'ball'),
      pushToHead: ruledNumber(-0.15, 0.15),
      bench: Joi.alternatives().try(Joi.string().valid('fitted'), shape({ heightM: number(0.1, 1.2) })),
      feetRaisedM: number(0, 1),
    },
    lunge: {
      referenceLoad,
      loadLook,
      wall,
      hands,
      touch: Joi.boolean(),
      frontThighDeg: ruledNumber(20, 120),
      rearFootRaisedM: number(0, 1),
      frontFootRaisedM: number(0, 0.5),
      frontShare: ruledNumber(0, 1),
    },
    extension: { referenceLoad },
    drawn: { view: Joi.string().valid('front') },
  },
);

const predicate = union('test', {
  all: { of: list(Joi.link('#predicate'), 12) },
  any: { of: list(Joi.link('#predicate'), 12) },
  not: { of: Joi.link('#predicate') },
  'every variation': {},
  pattern: { is: list(oneOf(PATTERNS)) },
  laterality: { is: list(oneOf(LATERALITIES)) },
  'load kind': { is: list(oneOf(LOAD_KINDS)) },
  'load place': { is: list(place) },
  support: { is: list(oneOf(SUPPORTS)) },
  range: { is: list(oneOf(RANGE_TARGETS)) },
  role: { is: list(oneOf(ROLES)) },
  impact: {},
  equipment: { is: list(slug()) },
}).id('predicate');

const within = union('over', { set: {}, sessions: { last: whole(2, 20) }, days: { last: whole(1, 365) } });
function schemaOfParam(p: Param): Joi.Schema {
  switch (p.is) {
    case 'number':
    case 'optional number':
    case 'aid amount':
      return ruled((p.whole ? whole : number)(p.from, p.to));
    case 'choice':
      return typeof p.of[0] === 'number' ? Joi.number().valid(...p.of) : Joi.string().valid(...p.of);
    case 'felt':
      return shape(felt);
    case 'ladder':
    case 'level':
      return slug();
  }
}
const isOptional = (p: Param) => p.is === 'optional number' || p.is === 'felt';
const paramsWhere = (kind: (typeof ATOM_KINDS)[number], optional: boolean) =>
  Object.fromEntries(
    Object.entries(paramsOf(kind)).flatMap(([name, p]) =>
      isOptional(p) === optional ? [[name, schemaOfParam(p)]] : [],
    ),
  );
const atoms = Object.fromEntries(ATOM_KINDS.map((kind) => [kind, paramsWhere(kind, false)]));
const atomOptions = Object.fromEntries(
  ATOM_KINDS.map((kind) => [
    kind,
    { ...(aboutAtom(kind).reads === 'sets' ? { within } : {}), ...paramsWhere(kind, true) },
  ]),
);
const criterion = union(
  'kind',
  {
    ...atoms,
    all: { of: list(Joi.link('#criterion'), 12).min(1) },
    any: { of: list(Joi.link('#criterion'), 12).min(1) },
    not: { of: union('kind', atoms, atomOptions) },
    sessionsRunning: { sessions: whole(2, 10), of: Joi.link('#criterion') },
  },
  atomOptions,
)
  .id('criterion')
  // Required here once: two clones of a schema may not share an id.
  .required();

const wayOn = union(
  'way',
  {
    repetitions: { step: whole(1, 50), upTo: whole(1, 200) },
    seconds: { step: whole(1, 120), upTo: whole(1, 1800) },
    sets: { step: whole(1, 5), upTo: whole(1, 20) },
    rounds: { step: whole(1, 5), upTo: whole(1, 50) },
    load: { stepKg: number(0.25, 100), upToKg: number(0.25, 500) },
    'slower lowering': { stepS: number(0.5, 10), upToS: number(0.5, 30) },
    'less aid': { aid: oneOf(AIDS), downTo: whole(0, 6) },
    'fewer aids': { aid: text(80) },
  },
  { load: { equipment: slug() } },
);

/** Letters of another name. */
const NAME_MOST = 80;

function schemaOfField(f: DocumentField): Joi.Schema {
  switch (f.is) {
    case 'text':
      return f.loose ? looseText(f.most) : text(f.most);
    case 'short id':
    case 'document':
      return slug();
    case 'date':
      return isoDate();
    case 'number':
      return (f.whole ? whole : number)(f.from, f.to);
    case 'ruled number':
      return ruledNumber(f.from, f.to);
    case 'choice':
      return typeof f.of[0] === 'number' ? Joi.number().valid(...f.of) : Joi.string().valid(...f.of);
    case 'choices':
      return atLeast(list(oneOf(f.of), f.most), f.least);
    case 'flag':
      return Joi.boolean();
    case 'line':
      return line;
    case 'lines':
      return atLeast(lines, f.least);
    case 'house rule':
      return holdsUnder;
    case 'documents':
    case 'short ids':
      return list(slug(), f.most);
    case 'names':
      return list(text(NAME_MOST), f.most);
    case 'list':
      return atLeast(list(shapeOf(f.fields), f.most), f.least);
    case 'groups':
      return list(list(shapeOf(f.fields), f.most).min(1), f.mostGroups);
    case 'group':
      return shapeOf(f.fields);
    case 'mechanics':
      return mechanics;
    case 'predicate':
      return predicate;
    case 'criterion':
      return criterion;
    case 'ways on':
      return list(wayOn, f.most);
  }
}
const atLeast = (of: Joi.ArraySchema, least: number | undefined) => (least ? of.min(least) : of);

/** The members of a document, or of an item of one of its lists. */
function shapeOf(fields: DocumentFields, more: Record<string, Joi.Schema> = {}): Joi.ObjectSchema {
  const members = { ...more };
  const optional: Record<string, Joi.Schema> = {};
  for (const [name, f] of Object.entries(fields)) (f.optional ? optional : members)[name] = schemaOfField(f);
  return shape(members, optional);
}

/** What equipment said of the hall in parcels and drafts of before: taken, and kept as rows of the hall. */
const FORMERLY = { inHall: whole(0, 500), where: looseText(200) };

const schemaOfKind = (kind: Kind) => {
  const own = shapeOf(fieldsOf(kind), { slug: slug(), kind: Joi.string().valid(kind) });
  return kind === 'equipment' ? own.keys(FORMERLY) : own;
};

const body = Joi.alternatives()
  .conditional('.kind', {
    switch: KINDS.map((kind) => ({ is: kind, then: schemaOfKind(kind) })),
  } as Joi.WhenSchemaOptions)
  .messages({ 'alternatives.any': '{{#label}} has an unknown "kind"' });

/** One document of any kind. */
export const bodySchema = body.required().prefs(strict);

/** The library file, see docs/exchange.md. */
export const libraryFileSchema = shape({
  format: Joi.string().valid(LIBRARY_FORMAT),
  version: Joi.number().valid(LIBRARY_FORMAT_VERSION),
  edition: shape({
    number: whole(1, 1_000_000),
    name: text(120),
    date: isoDate(),
    changesSince: whole(0, 1_000_000),
  }),
  documents: list(body, 20_000),
})
  .required()
  .prefs(strict);

/** JSON Schema (draft 2020-12) generated from the Joi schema above. */
export function libraryJsonSchema(): Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Meister library file, version 1',
    ...libraryFileSchema['~standard'].jsonSchema.input({ target: 'draft-2020-12' }),
  };
}

/** Documents in a list, made in core. */
export type { EntrySummary };

export interface EntryInForce {
  body: Body;
  revision: number;
  state: number;
  /** A ladder with its criteria under the hall's answers. */
  settled?: SettledLadder;
}

/** A document as proposed, and the revision its edit started from; 0 for a new one. */
export interface Proposal {
  body: Body;
  base: number;
}
const proposal = shape({ body, base: whole(0, 1_000_000) });

export interface RevisionSummary {
  number: number;
  at: string;
  author: string;
  reason: string;
  state: number;
}

/** A document as it was at one revision. */
export interface RevisionBody {
  body: Body;
}

export interface SaveRequest extends Proposal {
  reason: string;
  /** Documents saved along with it as one change: new cues of a sheet, the sheets of a merged cue. */
  also?: Proposal[];
}
const MOST_ALSO = 60;
export const saveSchema = shape(
  { body, base: whole(0, 1_000_000), reason: looseText(600) },
  { also: list(proposal, MOST_ALSO) },
).prefs(strict);

/** What is wrong, and what would change, if these documents were in force; nothing is kept. */
export interface CheckRequest {
  /** May be unfinished: what cannot be read is told as an error of its field. */
  items: Body[];
}
export const checkSchema = shape({ items: list(Joi.object().unknown(), MOST_ALSO).min(1) }).prefs(strict);
export interface CheckResult {
  /** Fields that keep a document from being read at all, by document. */
  errors: { document: string; field: string; detail: string }[];
  /** What would refuse the change. */
  breaches: Breach[];
  /** What would be found by the library's health about these documents. */
  findings: Finding[];
  effects: Effects | null;
}

/** What a merge of two cues would change, to be looked at first. */
export interface MergePlan {
  documents: { kind: Kind; slug: string; title: string }[];
  /** Sheets that carry both and will carry one. */
  carryBoth: string[];
  effects: Effects;
  /** State number that it was computed at; a merge is refused when the library has moved on. */
  state: number;
}
export const mergeSchema = shape({ reason: looseText(600), state: whole(0, 1e9) }).prefs(strict);
export interface MergeRequest {
  reason: string;
  state: number;
}

export interface Health {
  findings: Finding[];
  edition: EditionHeader;
  /** Documents looked at. */
  documents: number;
}

export interface SaveResult {
  outcome: 'accepted' | 'proposed' | 'unchanged';
  change: string | null;
  revision: number | null;
}

export type ChangeState = 'proposed' | 'accepted' | 'declined';
export interface ChangeSummary {
  id: string;
  state: ChangeState;
  author: string;
  reason: string;
  at: string;
  decidedBy: string | null;
  decidedAt: string | null;
  decision: string | null;
  documents: { kind: Kind; slug: string; title: string }[];
}
export interface ChangeDetail extends ChangeSummary {
  items: {
    kind: Kind;
    slug: string;
    base: number;
    /** The revision the author started from; null for a new document. */
    baseBody: Body | null;
    /** What is in force now; differs from the base when the document has moved on. */
    inForce: EntryInForce | null;
    proposed: Body;
    /** What was accepted where the head coach edited it. */
    accepted: Body | null;
  }[];
}

export const decideChangeSchema = shape(
  { accept: Joi.boolean(), word: looseText(600) },
  { edited: list(proposal, MOST_ALSO) },
).prefs(strict);
export interface DecideChangeRequest {
  accept: boolean;
  word: string;
  /** Bodies the head coach changed before accepting, with the revision in force they were made against. */
  edited?: Proposal[];
}

export interface Draft extends Proposal {
  also: Proposal[];
  at: string;
}
const unfinished = { body: Joi.object().unknown(), base: whole(0, 1_000_000) };
export const draftSchema = shape({
  ...unfinished,
  also: list(shape(unfinished), MOST_ALSO),
  since: Joi.string().max(40).allow(null),
}).prefs(strict);
export interface DraftRequest extends Proposal {
  also: Proposal[];
  /** When the draft was last kept, as this window knows it: a draft kept since is not overwritten. */
  since: string | null;
}

export const editionSchema = shape({ name: text(120) }).prefs(strict);
export interface EditionRequest {
  name: string;
}

/** A variation as it is read on the floor, with the state it was read in. */
export interface Sheet {
  resolved: ResolvedVariation;
  revision: number;
  edition: EditionHeader;
  ladders: Place[];
}

export interface LibraryList {
  entries: EntrySummary[];
  edition: EditionHeader;
}

export interface EditionRow {
  number: number;
  name: string;
  date: string;
  stateNumber: number;
}

/** The library that comes with the application, before a hall begins with it. */
export interface ShippedLibrary {
  edition: Pick<EditionHeader, 'number' | 'name' | 'date'>;
  authors: string[];
  variations: number;
  ladders: number;
  faults: number;
  /** What there is of each pattern alone, with all that its sheets name. */
  patterns: { pattern: Pattern; variations: number; ladders: number; faults: number }[];
}

/** What to begin an empty hall with: one pattern of the shipped library; absent: all of it. */
export interface BeginRequest {
  only?: Pattern;
}
export const beginSchema = shape({}, { only: oneOf(PATTERNS) }).prefs(strict);

/** What the library that comes with the application has that the hall has not, or has otherwise. */
export interface NewerEdition {
  edition: EditionHeader;
  /** The hall began with the shipped library. */
  began: boolean;
  items: {
    kind: Kind;
    slug: string;
    title: string;
    /** `theirs alone`: the hall’s own is as it came; `both`: the hall changed it too. */
    what: 'new' | 'theirs alone' | 'both';
    /** In force here; 0: not here yet. */
    revision: number;
  }[];
}

/** A document of the newer edition, the hall’s own, and what both came from. */
export interface NewerDocument {
  origin: Body | null;
  now: Body | null;
  revision: number;
  newer: Body;
}

/** Documents to take over from the newer edition, as one change. */
export interface TakeOverRequest {
  items: {
    kind: Kind;
    slug: string;
    base: number;
    /** Both put together; absent: as it came; null: the hall’s own stays. */
    body?: Body | null;
  }[];
}
export const takeOverSchema = shape({
  items: list(
    shape({ kind: oneOf(KINDS), slug: slug(), base: whole(0, 1_000_000) }, { body: body.allow(null) }),
    2000,
  ).min(1),
}).prefs(strict);
