import Joi from 'joi';
import { MASS_SETS, RANGE_METHODS, SEGMENTS } from '../core/body/index.ts';
import type { FootLoad, Lengths, MassSet, RangeMethod, RangeTest } from '../core/body/index.ts';
import { LOAD_PLACES, PATTERNS } from '../core/terms/index.ts';
import type { Bar } from '../core/ladder/index.ts';
import { day, list, looseText, number, oneOf, shape, slug, strict, text, union } from './parts.ts';

export interface Person {
  id: string;
  name: string;
  squadId: string | null;
  statureM: number | null;
  massKg: number | null;
  note: string;
  /** Whom to call, for whoever stands beside them; empty: nobody has said. */
  emergency: string;
  /** What a first-aider has to know. */
  firstAid: string;
  /** Staff who look after them besides the coaches of their squad, by id. */
  coachIds: string[];
}

export const personSchema = shape(
  {
    name: text(120),
    squadId: Joi.string().uuid().allow(null),
    statureM: number(0.8, 2.5).allow(null),
    massKg: number(15, 350).allow(null),
    note: looseText(2000),
  },
  {
    emergency: looseText(300),
    firstAid: looseText(600),
    coachIds: list(Joi.string().uuid(), 20),
  },
).prefs(strict);
/** Several people at once, from a list: all of them or none. */
export interface PeopleRequest {
  people: {
    name: string;
    /** Made if the hall has none of that name; empty: none. */
    squad: string;
    statureM: number | null;
    massKg: number | null;
    note: string;
  }[];
}
export const peopleSchema = shape({
  people: list(
    shape({
      name: text(120),
      squad: looseText(80),
      statureM: number(0.8, 2.5).allow(null),
      massKg: number(15, 350).allow(null),
      note: looseText(2000),
    }),
    500,
  ).min(1),
}).prefs(strict);
type LaterFields = 'emergency' | 'firstAid' | 'coachIds';
/** What is left out of the later fields stays as it is. */
export type PersonRequest = Omit<Person, 'id' | LaterFields> & Partial<Pick<Person, LaterFields>>;

/** A person as those read them who may: of those who are covered, no more than the floor needs. */
export interface PersonRow extends Person {
  /** Covered for today by the one who asks. */
  covered: boolean;
}

/** Somebody looks after a person of others for a day. */
export interface CoverRow {
  id: string;
  personId: string;
  name: string;
  by: string;
  /** It is the one who asks. */
  mine: boolean;
  reason: string;
  at: string;
}
/** Who is expected today in a squad that the one who asks does not look after. */
export interface Coverable {
  squad: string;
  people: { id: string; name: string }[];
}
export const coverSchema = shape({
  people: list(Joi.string().uuid(), 60).min(1),
  reason: text(200),
}).prefs(strict);
export interface CoverRequest {
  people: string[];
  reason: string;
}

/** A person's build with every range test, oldest first. */
export interface PersonBuild {
  personId: string;
  statureM: number | null;
  massKg: number | null;
  massSet: MassSet['name'];
  measured: Partial<Lengths>;
  tests: (RangeTest & { recordedBy: string })[];
}

export const buildSchema = shape({
  massSet: oneOf(Object.keys(MASS_SETS) as MassSet['name'][]),
  measured: Joi.object(Object.fromEntries(SEGMENTS.map((s) => [s, number(0.02, 1)]))),
}).prefs(strict);
export type BuildRequest = Pick<PersonBuild, 'massSet' | 'measured'>;

export const rangeTestSchema = shape({
  date: day(),
  method: oneOf(RANGE_METHODS),
  side: Joi.string().valid('left', 'right'),
  value: number(-60, 200),
}).prefs(strict);
export interface RangeTestRequest {
  date: string;
  method: RangeMethod;
  side: 'left' | 'right';
  value: number;
}

export const footLoadSchema = shape({
  date: day(),
  front: Joi.string().valid('left', 'right').allow(null),
  leftKg: number(0, 400),
  rightKg: number(0, 400),
  shiftCm: number(-30, 30).allow(null),
}).prefs(strict);
export interface FootLoadRequest extends FootLoad {
  date: string;
}
export interface FootLoadRow extends FootLoadRequest {
  id: string;
  recordedBy: string;
}

/** A person's own answer to a house question, with why and who wrote it down. */
export interface PersonAnswer {
  question: string;
  answer: string;
  why: string;
  recordedBy: string;
  date: string;
}
/** Whose answer it is. */
export interface NamedAnswer extends PersonAnswer {
  personId: string;
  name: string;
}
export const personAnswerSchema = shape({ answer: slug(), why: text(400) }).prefs(strict);
export type PersonAnswerRequest = Pick<PersonAnswer, 'answer' | 'why'>;

export type Correctable =
  | 'details'
  | 'build'
  | 'range test'
  | 'weight on the feet'
  | 'own answer'
  | 'questions before work'
  | 'fault worked on'
  | 'gate of a chain'
  | 'cue';
/** Something about a person that was changed after it was kept: only the fields that differ. */
export interface CorrectionRow {
  what: Correctable;
  key: string;
  before: Record<string, unknown>;
  after: Record<string, unknown>;
  by: string;
  at: string;
}

export interface RestrictionRow {
  id: string;
  bars: Bar[];
  from: string;
  until: string | null;
  saidBy: string;
  recordedBy: string;
  liftedOn: string | null;
  liftedBy: string | null;
  liftedSource: string | null;
}

const bar = union('bars', {
  all: {},
  pattern: { pattern: oneOf(PATTERNS) },
  'load place': { place: oneOf(LOAD_PLACES) },
  depth: {},
  impact: {},
});
export const restrictionSchema = shape({
  bars: list(bar, 20).min(1),
  from: day(),
  until: day().allow(null),
  saidBy: text(200),
}).prefs(strict);
export interface RestrictionRequest {
  bars: Bar[];
  from: string;
  until: string | null;
  saidBy: string;
}

export const liftSchema = shape({ source: text(400) }).prefs(strict);
export interface LiftRequest {
  source: string;
}

/** Erasing asks for the name again, so that it is never one click. */
export const eraseSchema = shape({ name: text(120) }).prefs(strict);
export interface EraseRequest {
  name: string;
}
