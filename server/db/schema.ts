import { setColumns } from './set-columns.ts';
import type { CaseEnd, Checked, FeltAt, Seen, Tried } from '../../core/fault/index.ts';
import type { Lengths, MassSet, RangeMethod } from '../../core/body/index.ts';
import type { Body, Kind } from '../../core/library/index.ts';
import type {
  BandReading,
  Colour,
  Condition,
  DateStyle,
  Form,
  MassUnit,
  Piece,
  PieceForm,
  Sizes,
  Pattern,
  Region,
  Role,
  Side,
  Signer,
  Sore,
  Stage,
} from '../../core/terms/index.ts';
import type {
  PlacementWay,
  BackCause,
  Bar,
  CueOutcome,
  Decision,
  Experience,
  MoveFact,
  MoveKind,
  Outcome,
  Reach,
  TakenWay,
  ToldBy,
  Trial,
} from '../../core/ladder/index.ts';
import type { LoggedSet } from '../../core/log/index.ts';
import { sql } from 'drizzle-orm';
import {
  bigint,
  boolean,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { MeasurementRequest, TrialRequest } from '../../contract/eye.ts';
import type { HourBody } from '../../contract/plan.ts';
import type { StaffRole } from '../../contract/access.ts';
import type { Correctable } from '../../contract/people.ts';

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'string' });

/** One row: the hall itself and its settings. */
export const hall = pgTable('hall', {
  id: integer('id').primaryKey().default(1),
  name: text('name').notNull(),
  timeZone: text('time_zone').notNull(),
  paper: text('paper').$type<'A4' | 'Letter'>().notNull(),
  massUnit: text('mass_unit').$type<'kg' | 'lb'>().notNull(),
  lengthUnit: text('length_unit').$type<'cm' | 'in'>().notNull(),
  growsByItself: boolean('grows_by_itself').notNull().default(false),
  /** How trials for placing are chosen. */
  placementWay: text('placement_way').$type<PlacementWay>().notNull().default('information'),
  /** How days are written: a tag of a language, such as en-GB. */
  dates: text('dates').$type<DateStyle>().notNull().default('en-GB'),
  /** The one pattern of the shipped library that the hall began with; null: all of it, or none. */
  beganWith: text('began_with').$type<Pattern>(),
  /** Height of the sole of the shoes that are worn, metres; 0: barefoot. */
  soleM: doublePrecision('sole_m').notNull().default(0.025),
  /** Advances by one with every accepted change. */
  stateNumber: integer('state_number').notNull().default(0),
  /** Advances by one with every change of what the hall has. */
  kitNumber: integer('kit_number').notNull().default(0),
  demo: boolean('demo').notNull().default(false),
  /** Set while demo sign-in names may be shown. */
  demoPassword: text('demo_password'),
});

export const squad = pgTable('squad', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull().unique(),
  /** Weekdays on which it trains, Monday 1 to Sunday 7; empty: any day. */
  trainingDays: jsonb('training_days').$type<number[]>().notNull().default([]),
});

export const staff = pgTable('staff', {
  id: uuid('id').primaryKey(),
  login: text('login').notNull().unique(),
  name: text('name').notNull(),
  role: text('role').$type<StaffRole>().notNull(),
  passwordHash: text('password_hash').notNull(),
  active: boolean('active').notNull().default(true),
  /** For the quick change of coach on a shared tablet; null: none. */
  pinHash: text('pin_hash'),
  /** Wrong tries of it since the last right one, or the last sign-in with the password. */
  pinTries: integer('pin_tries').notNull().default(0),
  /** Secret of the time-based codes (RFC 6238), in base32; null: they are not asked for. */
  totpSecret: text('totp_secret'),
  /** One that was given and whose first code is awaited. */
  totpPending: text('totp_pending'),
  /** The newest time step whose code was taken: no code is taken twice. */
  totpStep: bigint('totp_step', { mode: 'number' }).notNull().default(0),
  /** SHA-256 of the recovery codes that are left. */
  recovery: jsonb('recovery').$type<string[]>().notNull().default([]),
});

export const staffSquad = pgTable(
  'staff_squad',
  {
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id, { onDelete: 'cascade' }),
    squadId: uuid('squad_id')
      .notNull()
      .references(() => squad.id, { onDelete: 'cascade' }),
  },
  (t) => [primaryKey({ columns: [t.staffId, t.squadId] })],
);

export const signIn = pgTable('sign_in', {
  /** SHA-256 of the cookie's token: a stolen copy of the table opens no session. */
  tokenHash: text('token_hash').primaryKey(),
  staffId: uuid('staff_id')
    .notNull()
    .references(() => staff.id, { onDelete: 'cascade' }),
  expiresAt: at('expires_at').notNull(),
  /** Names it where it is listed and ended. */
  id: uuid('id')
    .notNull()
    .default(sql`gen_random_uuid()`),
  startedAt: at('started_at')
    .notNull()
    .default(sql`now()`),
  /** It ends when nothing was asked for long. */
  seenAt: at('seen_at')
    .notNull()
    .default(sql`now()`),
  /** Browser and system, in words. */
  device: text('device').notNull().default(''),
  /** When the password was given again; null: not since the sign-in. */
  sureAt: at('sure_at'),
  /** Changed to by PIN: the floor alone is open. */
  floorOnly: boolean('floor_only').notNull().default(false),
});

export const failedSignIn = pgTable('failed_sign_in', {
  login: text('login').primaryKey(),
  failures: integer('failures').notNull(),
  blockedUntil: at('blocked_until').notNull(),
});

export const person = pgTable('person', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  squadId: uuid('squad_id').references(() => squad.id, { onDelete: 'set null' }),
  statureM: doublePrecision('stature_m'),
  massKg: doublePrecision('mass_kg'),
  note: text('note').notNull().default(''),
  /** Whom to call, for whoever stands beside them. */
  emergency: text('emergency').notNull().default(''),
  /** What a first-aider has to know. */
  firstAid: text('first_aid').notNull().default(''),
});

/** Staff who look after a person besides the coaches of the squad. */
export const personCoach = pgTable(
  'person_coach',
  {
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id, { onDelete: 'cascade' }),
  },
  (t) => [primaryKey({ columns: [t.personId, t.staffId] }), index('person_coach_staff').on(t.staffId)],
);

/** A coach looks after somebody of another squad for one day of the hall; kept for good. */
export const cover = pgTable(
  'cover',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id),
    by: text('by').notNull(),
    date: date('date', { mode: 'string' }).notNull(),
    reason: text('reason').notNull(),
    at: at('at').notNull(),
    endedAt: at('ended_at'),
    endedBy: text('ended_by'),
  },
  (t) => [
    index('cover_day').on(t.date, t.staffId),
    uniqueIndex('cover_once')
      .on(t.personId, t.staffId, t.date)
      .where(sql`${t.endedAt} is null`),
  ],
);

/** What was measured of a person's build besides stature and mass. */
export const personBuild = pgTable('person_build', {
  personId: uuid('person_id')
    .primaryKey()
    .references(() => person.id, { onDelete: 'cascade' }),
  massSet: text('mass_set').$type<MassSet['name']>().notNull(),
  /** Segments in metres; those that are missing come from stature. */
  measured: jsonb('measured').$type<Partial<Lengths>>().notNull(),
});

/** What two scales showed under somebody's feet, and how far the hips stood off a plumb line. */
export const footLoad = pgTable(
  'foot_load',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    front: text('front').$type<'left' | 'right'>(),
    leftKg: doublePrecision('left_kg').notNull(),
    rightKg: doublePrecision('right_kg').notNull(),
    shiftCm: doublePrecision('shift_cm'),
    recordedBy: text('recorded_by').notNull(),
  },
  (t) => [index('foot_load_person').on(t.personId, t.date)],
);

/** A measurement of ankle or hip range; all are kept, the newest of each side counts. */
export const rangeTest = pgTable(
  'range_test',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    method: text('method').$type<RangeMethod>().notNull(),
    side: text('side').$type<'left' | 'right'>().notNull(),
    /** Metres for knee to wall, degrees otherwise. */
    value: doublePrecision('value').notNull(),
    recordedBy: text('recorded_by').notNull(),
    droppedAt: at('dropped_at'),
    droppedBy: text('dropped_by'),
  },
  (t) => [index('range_test_person').on(t.personId)],
);

/** What was changed of what is kept about a person: the fields that differ, as they were and as they are. */
export const correction = pgTable(
  'correction',
  {
    id: bigint('id', { mode: 'number' }).primaryKey().generatedByDefaultAsIdentity(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    what: text('what').$type<Correctable>().notNull(),
    /** Which of them, e.g. the day of a check-in. */
    key: text('key').notNull(),
    before: jsonb('before').$type<Record<string, unknown>>().notNull(),
    after: jsonb('after').$type<Record<string, unknown>>().notNull(),
    by: text('by').notNull(),
    byId: uuid('by_id').notNull(),
    at: at('at').notNull(),
  },
  (t) => [index('correction_of').on(t.personId, t.what, t.key)],
);

/** A person's own answer to a house question; it stands above the hall's. */
export const personAnswer = pgTable(
  'person_answer',
  {
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    question: text('question').notNull(),
    answer: text('answer').notNull(),
    why: text('why').notNull(),
    recordedBy: text('recorded_by').notNull(),
    date: date('date', { mode: 'string' }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.question] })],
);

export const restriction = pgTable(
  'restriction',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    bars: jsonb('bars').$type<Bar[]>().notNull(),
    fromDate: date('from_date', { mode: 'string' }).notNull(),
    untilDate: date('until_date', { mode: 'string' }),
    saidBy: text('said_by').notNull(),
    recordedBy: text('recorded_by').notNull(),
    liftedOn: date('lifted_on', { mode: 'string' }),
    liftedBy: text('lifted_by'),
    liftedSource: text('lifted_source'),
  },
  (t) => [index('restriction_person').on(t.personId)],
);

export const entry = pgTable(
  'entry',
  {
    kind: text('kind').$type<Kind>().notNull(),
    slug: text('slug').notNull(),
    /** Number of the revision in force. */
    revision: integer('revision').notNull(),
  },
  (t) => [primaryKey({ columns: [t.kind, t.slug] })],
);

export const change = pgTable(
  'change',
  {
    id: uuid('id').primaryKey(),
    author: text('author').notNull(),
    authorId: uuid('author_id'),
    reason: text('reason').notNull(),
    state: text('state').$type<'proposed' | 'accepted' | 'declined'>().notNull(),
    createdAt: at('created_at').notNull(),
    decidedBy: text('decided_by'),
    decidedAt: at('decided_at'),
    decision: text('decision'),
    /** State number that acceptance led to. */
    stateNumber: integer('state_number'),
  },
  (t) => [index('change_state').on(t.state)],
);

export const changeItem = pgTable(
  'change_item',
  {
    changeId: uuid('change_id')
      .notNull()
      .references(() => change.id, { onDelete: 'cascade' }),
    kind: text('kind').$type<Kind>().notNull(),
    slug: text('slug').notNull(),
    /** Revision the author started from; 0 for a new document. */
    base: integer('base').notNull(),
    proposed: jsonb('proposed').$type<Body>().notNull(),
    /** Only where the head coach edited it on acceptance. */
    accepted: jsonb('accepted').$type<Body>(),
    editor: text('editor'),
  },
  (t) => [primaryKey({ columns: [t.changeId, t.kind, t.slug] })],
);

export const revision = pgTable(
  'revision',
  {
    kind: text('kind').$type<Kind>().notNull(),
    slug: text('slug').notNull(),
    number: integer('number').notNull(),
    body: jsonb('body').$type<Body>().notNull(),
    author: text('author').notNull(),
    at: at('at').notNull(),
    changeId: uuid('change_id')
      .notNull()
      .references(() => change.id),
    stateNumber: integer('state_number').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.kind, t.slug, t.number] }),
    foreignKey({ columns: [t.kind, t.slug], foreignColumns: [entry.kind, entry.slug] }),
  ],
);

/** The body of the shipped library that a document of the hall came from; a newer edition is compared with it. */
export const origin = pgTable(
  'origin',
  {
    kind: text('kind').$type<Kind>().notNull(),
    slug: text('slug').notNull(),
    body: jsonb('body').$type<Body>().notNull(),
    /** SHA-256 of its canonical text. */
    hash: text('hash').notNull(),
  },
  (t) => [primaryKey({ columns: [t.kind, t.slug] })],
);

/** What the hall has: a piece, or a lot of like ones; of equipment without any nobody has said. */
export const piece = pgTable(
  'piece',
  {
    id: uuid('id').primaryKey(),
    equipment: text('equipment').notNull(),
    form: text('form').$type<PieceForm>().notNull(),
    name: text('name').notNull().default(''),
    count: integer('count').notNull(),
    place: text('place').notNull().default(''),
    most: integer('most'),
    condition: text('condition').$type<Condition>().notNull().default('good'),
    why: text('why').notNull().default(''),
    outSince: date('out_since', { mode: 'string' }),
    inspectedOn: date('inspected_on', { mode: 'string' }),
    nextInspection: date('next_inspection', { mode: 'string' }),
    unit: text('unit').$type<MassUnit>().notNull().default('kg'),
    sizes: jsonb('sizes').$type<Sizes>().notNull().default({}),
    colour: text('colour').$type<Colour>(),
    readings: jsonb('readings').$type<BandReading[]>().notNull().default([]),
    readOn: date('read_on', { mode: 'string' }),
    retireOn: date('retire_on', { mode: 'string' }),
    /** Counts the edits: one that started from an older one is refused. */
    edit: integer('edit').notNull().default(1),
    /** When it left the hall; its history stays. */
    goneAt: at('gone_at'),
  },
  (t) => [index('piece_equipment').on(t.equipment)],
);

/** What the head coach thinks of buying, and what it costs in the hall’s own money. */
export const wish = pgTable('wish', {
  id: uuid('id').primaryKey(),
  piece: jsonb('piece').$type<Piece>().notNull(),
  price: doublePrecision('price').notNull(),
});

/** An hour that was planned for several people; kept for some weeks. */
export const hourPlan = pgTable(
  'hour_plan',
  {
    id: uuid('id').primaryKey(),
    date: date('date', { mode: 'string' }).notNull(),
    name: text('name').notNull(),
    by: text('by').notNull(),
    madeAt: at('made_at').notNull(),
    /** When its warm-up began; null: it has not. */
    startedAt: at('started_at'),
    endedAt: at('ended_at'),
    /** Counts the edits: one that started from an older one is refused. */
    edit: integer('edit').notNull().default(1),
    body: jsonb('body').$type<HourBody>().notNull(),
  },
  (t) => [index('hour_plan_date').on(t.date)],
);

/** Whose hour it is: who may not see one of them sees none of it. */
export const hourPerson = pgTable(
  'hour_person',
  {
    hourId: uuid('hour_id')
      .notNull()
      .references(() => hourPlan.id, { onDelete: 'cascade' }),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
  },
  (t) => [primaryKey({ columns: [t.hourId, t.personId] }), index('hour_person_person').on(t.personId)],
);

/** What somebody has said to being measured with a camera; the last word counts. */
export const eyeConsent = pgTable('eye_consent', {
  personId: uuid('person_id')
    .primaryKey()
    .references(() => person.id, { onDelete: 'cascade' }),
  given: boolean('given').notNull(),
  date: date('date', { mode: 'string' }).notNull(),
  minor: boolean('minor').notNull(),
  /** Pictures may be kept too, of who is under age with the face covered. */
  pictures: boolean('pictures').notNull().default(false),
  guardian: text('guardian').notNull(),
  recordedBy: text('recorded_by').notNull(),
  withdrawnOn: date('withdrawn_on', { mode: 'string' }),
});

/** A simulated clip that one of the staff judged, for practice: nobody trained in it. */
export const eyeTrial = pgTable(
  'eye_trial',
  {
    id: uuid('id').primaryKey(),
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id, { onDelete: 'cascade' }),
    at: at('at').notNull(),
    said: jsonb('said').$type<TrialRequest>().notNull(),
  },
  (t) => [index('eye_trial_staff').on(t.staffId, t.at)],
);

/** A set as a camera saw it. It points to its set without binding it: the set may arrive later, or be deleted. */
export const measurement = pgTable(
  'measurement',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    setId: uuid('set_id'),
    variation: text('variation').notNull(),
    recordedBy: text('recorded_by').notNull(),
    at: at('at').notNull(),
    said: jsonb('said')
      .$type<Omit<MeasurementRequest, 'personId' | 'date' | 'setId' | 'variation' | 'track' | 'pictures'>>()
      .notNull(),
    /** Kept only where that was ticked; gone when the consent is. */
    track: text('track'),
    pictures: jsonb('pictures').$type<string[]>(),
  },
  (t) => [index('measurement_person').on(t.personId, t.date)],
);

/** What a piece was after each edit, and whose edit it was. */
export const pieceEdit = pgTable(
  'piece_edit',
  {
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => piece.id, { onDelete: 'cascade' }),
    edit: integer('edit').notNull(),
    body: jsonb('body').$type<Piece>().notNull(),
    /** It left the hall. */
    gone: boolean('gone').notNull().default(false),
    by: text('by').notNull(),
    byId: uuid('by_id'),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.pieceId, t.edit] })],
);

export const edition = pgTable('edition', {
  number: integer('number').primaryKey(),
  name: text('name').notNull(),
  date: date('date', { mode: 'string' }).notNull(),
  stateNumber: integer('state_number').notNull(),
});

export const draft = pgTable(
  'draft',
  {
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id, { onDelete: 'cascade' }),
    kind: text('kind').$type<Kind>().notNull(),
    slug: text('slug').notNull(),
    base: integer('base').notNull(),
    body: jsonb('body').$type<Body>().notNull(),
    /** Documents written along with it, such as new cues of a sheet. */
    also: jsonb('also').$type<{ body: Body; base: number }[]>().notNull().default([]),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.staffId, t.kind, t.slug] })],
);

/** A link that shows sheets without sign-in, until it expires or is revoked. */
export const share = pgTable(
  'share',
  {
    id: uuid('id').primaryKey(),
    /** SHA-256 of the link's token: a stolen copy of the table opens no sheet. */
    tokenHash: text('token_hash').notNull().unique(),
    job: text('job').notNull(),
    personId: uuid('person_id').references(() => person.id, { onDelete: 'cascade' }),
    madeBy: text('made_by').notNull(),
    madeById: uuid('made_by_id').notNull(),
    madeAt: at('made_at').notNull(),
    expiresAt: at('expires_at').notNull(),
    revokedAt: at('revoked_at'),
    opened: integer('opened').notNull().default(0),
  },
  (t) => [index('share_maker').on(t.madeById)],
);

/** One person's attendance on one date of the hall. */
export const session = pgTable(
  'session',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
  },
  (t) => [unique('session_person_date').on(t.personId, t.date)],
);

export const loggedSet = pgTable(
  'logged_set',
  {
    /** Given by the client, so that sending a set twice stores it once. */
    id: uuid('id').primaryKey(),
    sessionId: uuid('session_id')
      .notNull()
      .references(() => session.id, { onDelete: 'cascade' }),
    variation: text('variation').notNull(),
    variationRevision: integer('variation_revision').notNull(),
    ...setColumns(),
    loggedBy: text('logged_by').notNull(),
    /** Null: the person alone, or somebody whom the hall no longer knows. */
    loggedById: uuid('logged_by_id'),
    /** Logged by the person alone through their own link: never counts as watched. */
    own: boolean('own').notNull().default(false),
    /** Counts the edits of the set; an older edit that arrives late changes nothing. */
    edit: integer('edit').notNull(),
    deletedAt: at('deleted_at'),
  },
  (t) => [index('logged_set_session').on(t.sessionId)],
);

/** What a set said before it was corrected or deleted; the newest is in `logged_set`. */
export const setVersion = pgTable(
  'set_version',
  {
    setId: uuid('set_id')
      .notNull()
      .references(() => loggedSet.id, { onDelete: 'cascade' }),
    edit: integer('edit').notNull(),
    /** Hash of the body: two tablets may have made the same edit number of different corrections. */
    hash: text('hash').notNull(),
    body: jsonb('body').$type<Record<string, unknown>>().notNull(),
    loggedBy: text('logged_by').notNull(),
    loggedById: uuid('logged_by_id'),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.setId, t.edit, t.hash] })],
);

/** A deletion that arrived before its set did. */
export const setTombstone = pgTable('set_tombstone', {
  id: uuid('id').primaryKey(),
  edit: integer('edit').notNull(),
});

/**
 * Derived, written in the transaction of the set: all sets of one person in one session with one variation, as the
 * decisions read them. See derived.ts.
 */
export const setSummary = pgTable(
  'set_summary',
  {
    sessionId: uuid('session_id')
      .notNull()
      .references(() => session.id, { onDelete: 'cascade' }),
    variation: text('variation').notNull(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    /** Whether any of them is work: neither warm-up nor side test. */
    working: boolean('working').notNull(),
    /** Something was watched, and it was not made lighter on purpose. */
    watched: boolean('watched').notNull(),
    /** The highest pain reported; null: not asked. */
    pain: doublePrecision('pain'),
    /** The sets without what is null, in their order. */
    sets: jsonb('sets').$type<Record<string, unknown>[]>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.sessionId, t.variation] }),
    index('set_summary_window').on(t.personId, t.variation, t.date),
    index('set_summary_day').on(t.personId, t.date),
    index('set_summary_aids')
      .on(t.personId, t.variation, t.date.desc())
      .where(sql`${t.sets} @? '$[*].aids'`),
    index('set_summary_settings')
      .on(t.personId, t.variation, t.date.desc())
      .where(sql`${t.sets} @? '$[*].settings'`),
    index('set_summary_pain')
      .on(t.personId, t.date)
      .where(sql`${t.pain} > 0`),
  ],
);

/** Derived, written in the transaction of the move: where a person stands on a ladder. See derived.ts. */
export const standing = pgTable(
  'standing',
  {
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    ladder: text('ladder').notNull(),
    /** The decisions on the ladder in their order, as far as they say where the person stands. */
    moves: jsonb('moves').$type<MoveFact[]>().notNull(),
    /** The newest decision, whether it moved anybody or not. */
    lastMoveId: uuid('last_move_id').notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.ladder] })],
);

/** The questions before work, and whether the person is here, on one date of the hall. */
export const checkIn = pgTable(
  'check_in',
  {
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    /** Null: nobody has said; false: away that day. */
    here: boolean('here'),
    pain: doublePrecision('pain'),
    /** Where it hurts; null: not told. */
    painRegion: text('pain_region').$type<Region>(),
    painSide: text('pain_side').$type<Side>(),
    sleepH: doublePrecision('sleep_h'),
    atEase: doublePrecision('at_ease'),
    /** Sore since the last session, and for how many days; null: not asked. It proves nothing. */
    sore: jsonb('sore').$type<Sore[]>(),
    note: text('note').notNull().default(''),
    recordedBy: text('recorded_by').notNull(),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.date] })],
);

/**
 * A clearance by the head coach, as somebody with a say gave it: it closes the evidence before it. Immutable.
 */
export const clearance = pgTable(
  'clearance',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    reaches: jsonb('reaches').$type<Reach[]>().notNull(),
    date: date('date', { mode: 'string' }).notNull(),
    /** The last day for which it was given; null: for good. */
    untilDate: date('until_date', { mode: 'string' }),
    saidBy: text('said_by').notNull(),
    what: text('what').notNull(),
    /** False: it renews one that ran out, and what was done meanwhile goes on counting. */
    closes: boolean('closes').notNull().default(true),
    /** Sets of its day that were there already. */
    setIds: jsonb('set_ids').$type<string[]>().notNull(),
    by: text('by').notNull(),
    byId: uuid('by_id').notNull(),
    at: at('at').notNull(),
  },
  (t) => [index('clearance_person').on(t.personId)],
);

/**
 * Pain that was told of, or work that was stopped: a record of its own, which stays as it was told whatever becomes of the
 * set or the check-in that it came from.
 */
export const report = pgTable(
  'report',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    /** What it came from: telling the same again raises it, and makes no second one. */
    source: text('source').notNull().unique(),
    date: date('date', { mode: 'string' }).notNull(),
    told: text('told').$type<ToldBy>().notNull(),
    pain: doublePrecision('pain'),
    felt: jsonb('felt').$type<FeltAt[]>().notNull(),
    variation: text('variation'),
    words: text('words').notNull().default(''),
    /** What it stops until it is cleared; null: nothing. */
    reach: text('reach').$type<Reach>(),
    by: text('by').notNull(),
    /** Null: told by the person alone. */
    byId: uuid('by_id'),
    at: at('at').notNull(),
    clearanceId: uuid('clearance_id').references(() => clearance.id),
  },
  (t) => [index('report_person').on(t.personId, t.date), index('report_date').on(t.date)],
);

/** Who of the staff has taken note of a report. */
export const reportRead = pgTable(
  'report_read',
  {
    reportId: uuid('report_id')
      .notNull()
      .references(() => report.id, { onDelete: 'cascade' }),
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id, { onDelete: 'cascade' }),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.reportId, t.staffId] })],
);

/** A cue said to somebody, and what came of it. */
export const cueTried = pgTable(
  'cue_tried',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    variation: text('variation').notNull(),
    cue: text('cue').notNull(),
    outcome: text('outcome').$type<CueOutcome>().notNull(),
    by: text('by').notNull(),
    at: at('at').notNull(),
  },
  (t) => [index('cue_tried_person').on(t.personId)],
);

/** A fault worked on: what was seen and felt, the checks, the answers tried, and how it ended. */
export const faultCase = pgTable(
  'fault_case',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    date: date('date', { mode: 'string' }).notNull(),
    edit: integer('edit').notNull(),
    variation: text('variation').notNull(),
    variationRevision: integer('variation_revision').notNull(),
    signs: jsonb('signs').$type<Seen[]>().notNull(),
    felt: jsonb('felt').$type<FeltAt[]>().notNull(),
    checks: jsonb('checks').$type<Checked[]>().notNull(),
    tried: jsonb('tried').$type<Tried[]>().notNull(),
    end: text('end').$type<CaseEnd>(),
    easier: text('easier'),
    /** 0 to 10; null: not asked. */
    pain: doublePrecision('pain'),
    note: text('note').notNull().default(''),
    by: text('by').notNull(),
    byId: uuid('by_id'),
    at: at('at').notNull(),
  },
  (t) => [index('fault_case_person').on(t.personId, t.date), index('fault_case_date').on(t.date)],
);

/** One session's try at the gate of a step of a corrective chain. */
export const chainTry = pgTable(
  'chain_try',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    fault: text('fault').notNull(),
    side: text('side').$type<Side>(),
    /** In the words of the library when it was tried. */
    step: text('step').notNull(),
    date: date('date', { mode: 'string' }).notNull(),
    passed: boolean('passed').notNull(),
    by: text('by').notNull(),
    at: at('at').notNull(),
  },
  (t) => [index('chain_try_person').on(t.personId)],
);

/** What a second coach saw of a set, without having been shown what the first saw; it stays as first given. */
export const setRating = pgTable(
  'set_rating',
  {
    setId: uuid('set_id')
      .notNull()
      .references(() => loggedSet.id, { onDelete: 'cascade' }),
    by: text('by').notNull(),
    byId: uuid('by_id')
      .notNull()
      .default(sql`gen_random_uuid()`),
    faults: jsonb('faults').$type<LoggedSet['faults']>().notNull(),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.setId, t.byId] })],
);

/** A coach's or the head coach's word that a level is done well. */
export const signOff = pgTable(
  'sign_off',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    ladder: text('ladder').notNull(),
    level: text('level').notNull(),
    role: text('role').$type<Signer>().notNull(),
    by: text('by').notNull(),
    date: date('date', { mode: 'string' }).notNull(),
    word: text('word').notNull().default(''),
  },
  (t) => [index('sign_off_person').on(t.personId)],
);

/** A first day on a ladder: the trials, and where they led. */
export const placement = pgTable(
  'placement',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    ladder: text('ladder').notNull(),
    date: date('date', { mode: 'string' }).notNull(),
    by: text('by').notNull(),
    at: at('at').notNull(),
    experience: text('experience').$type<Experience>().notNull(),
    atEase: doublePrecision('at_ease'),
    careful: boolean('careful').notNull(),
    trials: jsonb('trials').$type<Trial[]>().notNull(),
    outcome: text('outcome').$type<'placed' | 'stopped'>().notNull(),
    level: text('level'),
    stateNumber: integer('state_number').notNull(),
  },
  (t) => [index('placement_person').on(t.personId)],
);

/** A link through which a person logs their own sets, until it expires or is revoked. */
export const ownLink = pgTable(
  'own_link',
  {
    id: uuid('id').primaryKey(),
    /** SHA-256 of the link's token: a stolen copy of the table opens nothing. */
    tokenHash: text('token_hash').notNull().unique(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    madeBy: text('made_by').notNull(),
    /** Null: made by a version that did not keep it; then the name says who. */
    madeById: uuid('made_by_id'),
    madeAt: at('made_at').notNull(),
    expiresAt: at('expires_at').notNull(),
    revokedAt: at('revoked_at'),
    lastUsedAt: at('last_used_at'),
  },
  (t) => [index('own_link_person').on(t.personId)],
);

/** A device that has opened a link: it is known by its cookie, and the link's token is not needed again. */
export const linkDevice = pgTable(
  'link_device',
  {
    tokenHash: text('token_hash').primaryKey(),
    ownLinkId: uuid('own_link_id').references(() => ownLink.id, { onDelete: 'cascade' }),
    shareId: uuid('share_id').references(() => share.id, { onDelete: 'cascade' }),
    at: at('at').notNull(),
  },
  (t) => [index('link_device_own').on(t.ownLinkId), index('link_device_share').on(t.shareId)],
);

/** What was decided for a person: immutable, with all it stood on. */
export const move = pgTable(
  'move',
  {
    id: uuid('id').primaryKey(),
    personId: uuid('person_id')
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    ladder: text('ladder').notNull(),
    /** Order of the person's moves; two on one day keep their order. */
    sequence: bigint('sequence', { mode: 'number' }).notNull().generatedByDefaultAsIdentity(),
    date: date('date', { mode: 'string' }).notNull(),
    kind: text('kind').$type<MoveKind>().notNull(),
    fromLevel: text('from_level'),
    toLevel: text('to_level').notNull(),
    taken: jsonb('taken').$type<TakenWay>(),
    /** In what role and at what stage a person was placed; null: as work, at the stage of the level. */
    role: text('role').$type<Role>(),
    stage: text('stage').$type<Stage>(),
    /** In sets or in intervals, of a change of form. */
    form: text('form').$type<Form>(),
    /** Why it was a step back; null: it was none, or of before this was kept. */
    cause: text('cause').$type<BackCause>(),
    /** Where it hurt, of a step back for pain. */
    painRegions: jsonb('pain_regions').$type<Region[]>(),
    /** Body mass on that day, kg: shares of it are fixed by it. */
    massKg: doublePrecision('mass_kg'),
    /** What shares of the body mass became on arrival, by the percentage; null: none, or of before this was kept. */
    shares: jsonb('shares').$type<Record<string, number>>(),
    /** What they had done before, of a placement by trials: their first loads follow from it. */
    experience: text('experience').$type<Experience>(),
    /** What the tool proposed, where it proposed anything. */
    proposed: text('proposed').$type<Outcome>(),
    reason: text('reason').notNull(),
    by: text('by').notNull(),
    at: at('at').notNull(),
    stateNumber: integer('state_number').notNull(),
    /** `kind/slug` to revision number of every document the decision read. */
    revisions: jsonb('revisions').$type<Record<string, number>>().notNull(),
    evidence: jsonb('evidence').$type<Decision>(),
    setIds: jsonb('set_ids').$type<string[]>().notNull(),
  },
  (t) => [index('move_person_ladder').on(t.personId, t.ladder), index('move_sets').using('gin', t.setIds)],
);

/** A set that a move stood on was corrected or deleted afterwards. */
export const moveFlag = pgTable(
  'move_flag',
  {
    moveId: uuid('move_id')
      .notNull()
      .references(() => move.id, { onDelete: 'cascade' }),
    setId: uuid('set_id').notNull(),
    edit: integer('edit').notNull(),
    what: text('what').notNull(),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.moveId, t.setId, t.edit] })],
);
