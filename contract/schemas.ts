// What a request must be: the Joi of parts of the path, query and body, under the names of endpoints.ts.
import Joi from 'joi';
import { HOME_THING_NAMES } from '../core/kit/index.ts';
import { KINDS } from '../core/library/index.ts';
import { STAGES } from '../core/terms/index.ts';
import * as access from './access.ts';
import type { Body, EndpointName, PartName, Query } from './endpoints.ts';
import * as eye from './eye.ts';
import * as fault from './fault.ts';
import * as hall from './hall.ts';
import * as kit from './kit.ts';
import * as library from './library.ts';
import * as log from './log.ts';
import { day, looseText, oneOf, strict, whole } from './parts.ts';
import * as people from './people.ts';
import * as plan from './plan.ts';
import * as reports from './reports.ts';
import * as session from './session.ts';
import * as sheets from './sheets.ts';

const uuid = () =>
  Joi.string()
    .pattern(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i)
    .lowercase()
    .messages({ 'string.pattern.base': '{{#label}} "{{#value}}" is not a valid id' });
const MOST_IN_LIST = 1000;
/** Texts parted by commas. */
const commaList = (item: Joi.Schema, most = MOST_IN_LIST) =>
  Joi.string()
    .allow('')
    .max(most * 90)
    .custom((value: string, helpers) => {
      const list = Joi.array().items(item).max(most);
      const read: Joi.ValidationResult<string[]> = list.validate(value.split(',').filter(Boolean));
      return read.error ? helpers.message({ custom: `{{#label}}: ${read.error.message}` }) : read.value;
    });

/** Numbers and lists come as text in an address, so that here they are converted. */
const inAddress = {
  ...strict,
  convert: true,
  messages: { 'number.base': '{{#label}} must be a whole number' },
};
const query = (members: Record<string, Joi.Schema>) => Joi.object(members).prefs(inAddress);

/** What each part of a path must be; a kind or a number that there is not answers 404. */
export const PARTS: Record<PartName, { schema: Joi.Schema; absent?: string }> = {
  id: { schema: uuid() },
  person: { schema: uuid() },
  slug: { schema: Joi.string() },
  keep: { schema: Joi.string() },
  question: { schema: Joi.string() },
  link: { schema: uuid() },
  date: {
    schema: day().messages({ 'string.pattern.base': '{{#label}}: "{{#value}}" is no day up to today' }),
  },
  kind: { schema: oneOf(KINDS), absent: 'There is no such kind of document.' },
  number: { schema: whole(1, 1_000_000), absent: 'There is no such revision.' },
};

/** Days a report may look back. */
const MOST_DAYS = 366;
const reader = { stage: oneOf(STAGES), person: uuid() };
const person = uuid();
const listOfPeople = commaList(uuid());
const job = looseText(3000).required();
const state = whole(0, Number.MAX_SAFE_INTEGER).required();

/** A query or a body that the table speaks of needs its Joi here. */
type Needs<K extends EndpointName> = (keyof Query<K> extends never
  ? { query?: undefined }
  : { query: Joi.Schema }) &
  (Body<K> extends undefined | string ? { body?: undefined } : { body: Joi.Schema });
type Needing = {
  [K in EndpointName]: object extends Needs<K> ? never : K;
}[EndpointName];

export const SCHEMAS: { [K in Needing]: Needs<K> } = {
  makeFirstAccount: { body: access.firstAccountSchema },
  openOwn: { body: access.linkSchema },
  openShared: { body: access.linkSchema },
  savePassword: { body: access.passwordSchema },
  makeSure: { body: access.sureSchema },
  startCodes: { body: access.codeSchema },
  savePin: { body: access.pinSchema },
  changeCoach: { body: access.changeCoachSchema },
  signIn: { body: access.signInSchema },

  saveHall: { body: hall.hallSettingsSchema },
  addStaff: { body: hall.newStaffSchema },
  saveStaff: { body: hall.staffSchema },
  addSquad: { body: hall.squadSchema },
  saveSquad: { body: hall.squadSchema },
  savePieces: { body: kit.piecesSchema },
  flagPiece: { body: kit.flagSchema },
  saveWish: { body: kit.wishSchema },
  closes: { query: query({ without: commaList(uuid(), 50) }) },

  beginWithShipped: { body: library.beginSchema },
  takeOver: { body: library.takeOverSchema },
  checkDocuments: { body: library.checkSchema },
  mergeCues: { body: library.mergeSchema },
  saveDocument: { body: library.saveSchema },
  sheet: { query: query(reader) },
  instead: { query: query({ ...reader, without: commaList(Joi.string().max(80), 100) }) },
  decideChange: { body: library.decideChangeSchema },
  saveDraft: { body: library.draftSchema },
  nameEdition: { body: library.editionSchema },

  addPerson: { body: people.personSchema },
  addPeople: { body: people.peopleSchema },
  savePerson: { body: people.personSchema },
  takeCover: { body: people.coverSchema },
  erasePerson: { body: people.eraseSchema },
  saveAnswer: { body: people.personAnswerSchema },
  saveBuild: { body: people.buildSchema },
  addRangeTest: { body: people.rangeTestSchema },
  addFootLoad: { body: people.footLoadSchema },
  addRestriction: { body: people.restrictionSchema },
  liftRestriction: { body: people.liftSchema },

  takeNote: { body: reports.readSchema },
  keepStop: { body: reports.stopSchema },
  clear: { body: reports.clearSchema },
  keepOwnStop: { body: reports.ownStopSchema },

  today: { query: query({ people: listOfPeople, squad: uuid() }) },
  olderSets: { query: query({ before: day() }) },
  measures: { query: query({ of: commaList(Joi.string().max(80), 300) }) },
  place: { body: log.placeSchema },
  changeForm: { body: log.formSchema },
  confirm: { body: log.confirmSchema },
  signOff: { body: session.signOffSchema },
  nextTrial: { body: session.placementSchema },
  keepPlacement: { body: session.placementSchema },
  saveCheckIn: { body: session.checkInSchema },
  keepCueTried: { body: session.cueTriedSchema },
  keepSet: { body: log.setSchema },
  deleteSet: { body: log.deleteSetSchema },
  setsCsv: { query: query({ squad: uuid(), person, from: day(), to: day() }) },
  previewCsv: { body: session.csvSchema },
  importCsv: { body: session.csvSchema },
  tryLadder: { body: session.trySchema },
  makeOwnLink: { body: session.ownLinkSchema },
  keepOwnSet: { body: log.setSchema },
  deleteOwnSet: { body: log.deleteSetSchema },

  ownDay: { query: query({ have: commaList(oneOf(HOME_THING_NAMES), HOME_THING_NAMES.length) }) },
  hourNeeds: { query: query({ people: listOfPeople }) },
  warmUps: { query: query({ people: listOfPeople }) },
  saveHour: { body: plan.hourSchema },
  dropHour: { body: plan.dropHourSchema },
  desk: { query: query({ people: listOfPeople }) },
  keepConsent: { body: eye.consentSchema },
  keepMeasurement: { body: eye.measurementSchema },
  keepTrial: { body: eye.trialSchema },
  dropMeasurement: { body: eye.dropMeasurementSchema },
  keepCase: { body: fault.caseSchema },
  keepChainTry: { body: fault.chainTrySchema },
  setsToRate: { query: query({ people: listOfPeople }) },
  rateSet: { body: fault.ratingSchema },
  faultReport: { query: query({ days: whole(1, MOST_DAYS) }) },

  prints: { query: query({ job, person }) },
  printedState: { query: query({ job, state }) },
  makeShare: { body: sheets.shareSchema },
  sharedState: { query: query({ job, state }) },
};
